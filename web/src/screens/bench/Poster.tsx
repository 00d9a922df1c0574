import type { Pot } from "../../api/client";
import { TimeLedger, WaterLedger } from "../../job/Ledger";
import { decimal, manner } from "../../job/manner";
import { pourSaid } from "../../job/words";
import { Pop } from "../../ui/Pop";
import { AskGlass } from "./AskGlass";

/** The number to act on, and the cook's own words for it. Touch it: what it is made of. */
export function Poster({ pot }: { pot: Pot }) {
  const { water, time } = pot;
  const said = pourSaid(water.jug_ml ?? water.pour_ml, water.pour_said);
  const kept = pourSaid(water.kettle_ml ?? water.reserve_ml, water.kettle_said ?? { amount: 0, unit: "ml" });
  const depth = water.depth_above_cm;
  return (
    <div className="flex items-start gap-4">
      <Pop
        wide
        label="Why this much water"
        trigger={
          <button type="button" className="rounded-key px-1 text-left text-ink hover:text-water">
            <span className="poster block text-poster">{said.number}</span>
            <span className="mt-1 block text-body font-semibold">
              {water.of === "water" ? `${said.unit} to pour` : `${said.unit} of ${water.of} to pour`}
              <span className="sr-only">: why?</span>
            </span>
          </button>
        }
      >
        <WaterLedger pot={pot} />
      </Pop>
      <div className="min-w-0 pt-1 text-small leading-snug">
        {said.also && <p className="font-bold">{said.also}</p>}
        <AskGlass unit={water.pour_said.unit} />
        {water.reserve_ml > 0 && (
          <p className="font-semibold text-water">
            keep {kept.number} {kept.unit} hot beside it
          </p>
        )}
        <p className="text-soft">
          {water.pour_ml === 0
            ? "the dish is wet enough"
            : depth > 0
              ? `${manner().amounts ? water.depth_said : `${decimal(depth)} cm`} above the grain, in this pot`
              : "it stays below the top of the grain"}
        </p>
        <Pop
          wide
          label="Why this long"
          trigger={
            <button
              type="button"
              className="reach mt-0.5 min-h-8 rounded-key text-left font-semibold text-water hover:underline"
            >
              {time.cook.low} to {time.cook.high} min at the heat
              {time.rest_min > 0 && `, rest ${time.rest_min}`}
            </button>
          }
        >
          <TimeLedger pot={pot} />
        </Pop>
      </div>
    </div>
  );
}
