import { useGrainPage } from "../../../api/queries";
import { decimal } from "../../../job/manner";
import { Pop } from "../../../ui/Pop";
import { schoolChoice } from "../../grain/GrainPage";
import type { ControlProps } from "./control";

/** The schools of this grain by name: touch one and the bench takes it up. */
export function SchoolPop({ choice, set }: Pick<ControlProps, "choice" | "set">) {
  const page = useGrainPage((choice.blend ?? []).length > 1 ? "" : choice.to);
  const schools = page.data?.schools ?? [];
  if (schools.length === 0) return null;
  return (
    <Pop
      wide
      label="How cooks do it"
      trigger={
        <button
          type="button"
          className="mt-1 min-h-8 pointer-coarse:min-h-11 text-small font-semibold text-water hover:underline"
        >
          {schools.length} {schools.length === 1 ? "school" : "schools"} ›
        </button>
      }
    >
      <h3 className="mb-1 text-lead">How cooks do it</h3>
      <p className="mb-2 text-small text-soft">
        From little more than its own volume of water to several times it: the texture, the soak and the lid, not an
        error.
      </p>
      <ul className="m-0 list-none p-0">
        {schools.map((s) => (
          <li key={s.slug} className="dotted">
            <button
              type="button"
              onClick={() => set({ ...choice, ...schoolChoice(s) })}
              className="flex min-h-14 w-full items-center gap-4 py-2 text-left text-ink hover:text-water"
            >
              <span className="min-w-0 flex-1">
                <span className="block text-body font-semibold">
                  {s.name}
                  {s.default && ", the usual"}
                </span>
                <span className="block text-small leading-snug text-soft">for {s.suits}</span>
              </span>
              <span className="figures shrink-0 text-right text-small">
                1 to <strong>{decimal(s.pot.water.ratio_by_volume)}</strong>
                <span className="block text-fine text-soft">{s.pot.texture_word}</span>
              </span>
            </button>
          </li>
        ))}
      </ul>
    </Pop>
  );
}
