import type { Kitchen } from "../../api/client";
import { heatUnit, decimal, shownHeat, toCelsius } from "../../job/manner";
import { typedNumber } from "../../job/typed";
import { shown, typed, unitOf } from "../../job/rim";
import { Sheet } from "../../ui/bits";
import { noNumber, Value } from "./Value";
import type { Put } from "./change";

/** Where the kitchen stands: how high, how warm, on which clock. */
export function Place({ kitchen: k, put }: { kitchen: Kitchen; put: Put }) {
  const big = "min-h-11 rounded-key px-2 py-1 text-left text-ink hover:text-water";
  return (
    <Sheet className="p-5" aria-label="Place">
      <h2 className="mb-1 text-lead">Where it stands</h2>
      <div className="-ml-2 flex flex-wrap items-end gap-x-8 gap-y-2">
        <Value
          label="Above the sea"
          unit={unitOf("height")}
          value={shown("height", k.altitude_m)}
          help="Higher up water boils cooler, and everything takes longer."
          save={async (text) => {
            const n = typed("height", text, k.altitude_m);
            return Number.isFinite(n) ? put({ altitude_m: n }) : noNumber(text, "altitude_m");
          }}
          trigger={
            <button type="button" className={big}>
              <span className="poster text-show">{shown("height", k.altitude_m)}</span>{" "}
              <span className="text-body font-semibold">{unitOf("height")} above the sea</span>
            </button>
          }
        />
        <Value
          label="The kitchen is"
          unit={heatUnit()}
          value={decimal(shownHeat(k.room_c))}
          help="On an ordinary day: a soak goes faster in a warm kitchen, and sours sooner."
          save={async (text) => {
            const n = typedNumber(text);
            return Number.isFinite(n) ? put({ room_c: toCelsius(n) }) : noNumber(text, "room_c");
          }}
          trigger={
            <button type="button" className={big}>
              <span className="poster text-show">{Math.round(shownHeat(k.room_c))}</span>{" "}
              <span className="text-body font-semibold">{heatUnit()} warm</span>
            </button>
          }
        />
        <Value
          label="Time zone"
          unit=""
          value={k.time_zone ?? "UTC"}
          save={(text) => put({ time_zone: text.trim() })}
          trigger={
            <button type="button" className={`${big} min-h-11 text-body font-semibold`}>
              on the clock of {(k.time_zone ?? "UTC").replace(/.*\//, "").replace(/_/g, " ")}
            </button>
          }
        />
      </div>
    </Sheet>
  );
}
