import { Link } from "../../../ui/route";
import { useGuest } from "../../../api/queries";
import { Swatch } from "../../../job/Hatch";
import { Pop } from "../../../ui/Pop";
import { AllGrains, minuteWord } from "./AllGrains";
import { BlendControl } from "./Blend";
import { chip, type ControlProps } from "./control";
import { PacketControl } from "./Packet";

const NEAR = ["foxtail-millet", "quinoa"];

export function GrainControl({ choice, set, grains, shift, fromName }: ControlProps) {
  const guest = useGuest();
  const near = (NEAR.includes(choice.to) ? NEAR : [choice.to, ...NEAR]).slice(0, 2);
  return (
    <div>
      <span className="mb-1.5 flex items-baseline justify-between gap-3 text-small">
        <span className="text-soft">Instead of {fromName || "the rice"}</span>
        <span className="flex items-baseline gap-3 whitespace-nowrap">
          <PacketControl choice={choice} set={set} grains={grains} />
          {!guest && (
            <Link to="/every" className="font-semibold text-water no-underline hover:underline">
              Every grain
            </Link>
          )}
        </span>
      </span>
      <div className="flex gap-1.5">
        {near.map((slug) => {
          const g = grains.find((x) => x.slug === slug);
          return g ? (
            <button
              key={slug}
              type="button"
              aria-pressed={choice.to === slug}
              onClick={() => set({ ...choice, to: slug, blend: [] })}
              className={`${chip(choice.to === slug)} w-[106px] px-2 pb-1.5 pt-1.5`}
            >
              <Swatch slug={slug} family={g.family} className="h-[9px] w-full" />
              <span className="mt-1 block truncate text-small font-semibold leading-tight tracking-[-0.01em]">
                {g.name.replace(/ (millet|rice)$/, "")}
              </span>
              <span className="figures block text-fine text-soft">{minuteWord(g)}</span>
            </button>
          ) : null;
        })}
        <BlendControl choice={choice} set={set} grains={grains} shift={shift} fromName={fromName} />
        <Pop
          wide
          label="All grains"
          trigger={
            <button type="button" className={`${chip(false)} px-2.5 text-small leading-tight`}>
              All {grains.length}
              <span className="block text-fine text-soft">grains ›</span>
            </button>
          }
        >
          <AllGrains grains={grains} to={choice.to} pick={(slug) => set({ ...choice, to: slug, blend: [] })} />
        </Pop>
      </div>
    </div>
  );
}
