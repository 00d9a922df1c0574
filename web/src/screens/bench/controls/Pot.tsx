import { ChevronDown } from "lucide-react";
import { ToggleGroup } from "radix-ui";
import { Link } from "../../../ui/route";
import type { Choice } from "../../../api/client";
import { useGuest, useKitchen, useUsual } from "../../../api/queries";
import { heatUnit, shownHeat, toCelsius } from "../../../job/manner";
import { said, shown, unitOf } from "../../../job/rim";
import { WAY_NAMES } from "../../../job/ways";
import { Pop } from "../../../ui/Pop";
import { chip, legend, NumberField, type ControlProps } from "./control";
import { WayChoice } from "./Way";

const LIDS: [NonNullable<Choice["lid"]>, string][] = [
  ["sealed", "sealed with a cloth"],
  ["tight", "tight lid"],
  ["ordinary", "ordinary lid"],
  ["ajar", "lid ajar"],
  ["open", "no lid"],
];

// the widths pots are sold in, in cm
const CM = [16, 18, 20, 22, 24, 28];
const INCHES = [6, 7, 8, 9, 10, 12].map((n) => n * 2.54);

export function PotControl({ choice, set, grains, shift }: ControlProps) {
  const guest = useGuest();
  const kitchen = useKitchen();
  const usual = useUsual();
  const pots = kitchen.data?.pots ?? [];
  const lid = (choice.lid ?? (shift?.pots[0]?.lid as Choice["lid"]) ?? "ordinary") as NonNullable<Choice["lid"]>;
  const own =
    choice.pot_id != null ? pots.find((p) => p.id === choice.pot_id) : choice.pot_cm == null ? pots[0] : undefined;
  const cm = choice.pot_cm ?? own?.diameter_cm ?? usual?.pot_cm ?? null;
  const k = kitchen.data;
  const way = shift?.pots[0]?.method ?? "covered";
  return (
    <div>
      <span className={legend}>Way, pot and lid</span>
      <Pop
        wide
        label="Way, pot and lid"
        trigger={
          <button
            type="button"
            className={`${chip(false)} flex min-h-12 w-full items-center justify-between gap-2 px-3 text-small`}
          >
            <span>
              {own ? own.name : cm == null ? "" : said("width", cm)},{" "}
              {way === "covered" || way === "open" ? LIDS.find(([l]) => l === lid)?.[1] : (WAY_NAMES[way] ?? way)}
            </span>
            <ChevronDown size={17} aria-hidden />
          </button>
        }
      >
        <WayChoice choice={choice} set={set} grains={grains} shift={shift} />
        {pots.length > 0 && (
          <>
            <p className="mb-1 text-small font-semibold">Which pot?</p>
            <div role="group" aria-label="Pots of your kitchen" className="mb-3 grid grid-cols-2 gap-1.5">
              {pots.map((p) => (
                <button
                  key={p.id}
                  type="button"
                  aria-pressed={own?.id === p.id}
                  onClick={() =>
                    set({
                      ...choice,
                      pot_id: p.id,
                      pot_cm: null,
                      pot_l: null,
                      pot_lid: null,
                      boil_off: null,
                      lid: null,
                    })
                  }
                  className={`${chip(own?.id === p.id)} min-h-12 px-3 text-small`}
                >
                  {p.name}
                  <span className="figures block text-fine text-soft">{said("width", p.diameter_cm)}</span>
                </button>
              ))}
            </div>
          </>
        )}
        <p className="mb-1 text-small font-semibold">
          {pots.length > 0 ? "Or another, so wide" : "How wide is the pot?"}
        </p>
        <ToggleGroup.Root
          type="single"
          value={own ? "" : String(cm)}
          onValueChange={(v) => v && set({ ...choice, pot_cm: Number(v), pot_id: null, boil_off: null, pot_lid: null })}
          aria-label={`Width of the pot, ${unitOf("width")}`}
          className="mb-4 grid grid-cols-6 gap-1.5"
        >
          {(unitOf("width") === "cm" ? CM : INCHES).map((n) => (
            <ToggleGroup.Item
              key={n}
              value={String(n)}
              className={`${chip(!own && cm === n).replace("text-left", "text-center")} figures min-h-11 text-small`}
            >
              {shown("width", n)}
            </ToggleGroup.Item>
          ))}
        </ToggleGroup.Root>
        <p className="mb-1 text-small font-semibold">How is it covered?</p>
        <ToggleGroup.Root
          type="single"
          value={lid}
          onValueChange={(v) => v && set({ ...choice, lid: v as Choice["lid"], method: null })}
          aria-label="Lid"
          className="grid grid-cols-2 gap-1.5"
        >
          {LIDS.map(([l, word]) => (
            <ToggleGroup.Item key={l} value={l} className={`${chip(lid === l)} min-h-11 px-3 text-small`}>
              {word}
            </ToggleGroup.Item>
          ))}
        </ToggleGroup.Root>
        <NumberField
          label="Altitude"
          rim="height"
          value={choice.altitude_m ?? k?.altitude_m ?? usual?.altitude_m ?? null}
          onChange={(v) => set({ ...choice, altitude_m: v })}
        />
        <details className="mt-3">
          <summary className="min-h-11 cursor-pointer py-2 text-small font-semibold text-water">
            Only for this dish
          </summary>
          <NumberField
            label={`Kitchen, ${heatUnit()}`}
            value={shownHeat(choice.room_c ?? k?.room_c ?? usual?.room_c ?? 0)}
            onChange={(v) => set({ ...choice, room_c: toCelsius(v) })}
          />
          <NumberField
            label="The pot holds"
            rim="holds"
            value={choice.pot_l ?? own?.litres ?? null}
            onChange={(v) => set({ ...choice, pot_l: v })}
          />
          <NumberField
            label="Burner, W"
            value={choice.burner_w ?? (k ? Math.max(...k.burners) : (usual?.burner_w ?? null))}
            onChange={(v) => set({ ...choice, burner_w: v })}
          />
          <NumberField
            label="Microwave, W"
            value={choice.watts ?? k?.microwave_w ?? usual?.microwave_w ?? null}
            onChange={(v) => set({ ...choice, watts: v })}
          />
          <NumberField
            label="A whistle stands for, min"
            value={choice.whistle_min ?? k?.whistle_min ?? usual?.whistle_min ?? null}
            onChange={(v) => set({ ...choice, whistle_min: v })}
          />
        </details>
        {!guest && (
          <Link to="/kitchen" className="mt-2 flex min-h-11 items-center text-small font-semibold text-water">
            Your kitchen, once for all dishes
          </Link>
        )}
      </Pop>
    </div>
  );
}
