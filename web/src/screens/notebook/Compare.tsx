import type { Entry } from "../../api/client";
import { minutes } from "../../job/words";
import { dayOf, said } from "./outcome";

/** Two attempts side by side; what differs is marked. */
export function Compare({ two: [a, b], now }: { two: [Entry, Entry]; now: Date }) {
  const rows: [string, (e: Entry) => string][] = [
    ["came out", said],
    ["grain", (e) => `${e.dry_said} ${e.name}`],
    ["pot", (e) => `${e.pot_name}, ${e.lid} lid`],
    ["soak", (e) => (e.soak_min ? minutes(e.soak_min) : "none")],
    ["told", (e) => `${e.pour_said}, ${e.cook_min} min`],
    ["poured", (e) => e.poured_said || "–"],
    ["of it later", (e) => e.top_ups_said || "none"],
    ["taken", (e) => (e.taken_min === null ? "–" : `${e.taken_min} min`)],
    ["said", (e) => e.word || "–"],
    ["note", (e) => e.note || "–"],
  ];
  return (
    <section aria-label="Two attempts" className="mb-4 overflow-hidden rounded-sheet border border-line bg-sheet">
      <table className="w-full border-collapse text-left text-body">
        <thead>
          <tr>
            <th className="w-24 px-3 py-2" scope="col">
              <span className="sr-only">What</span>
            </th>
            {[a, b].map((e) => (
              <th key={e.id} scope="col" className="px-3 py-2 align-bottom font-show text-lead font-[650]">
                {e.dish}
                <span className="block text-small font-normal text-soft">{dayOf(e.on, now)}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([word, of]) => (
            <tr key={word} className="dotted">
              <th scope="row" className="px-3 py-1.5 text-small font-normal text-soft">
                {word}
              </th>
              {[a, b].map((e) => (
                <td key={e.id} className="figures px-3 py-1.5">
                  <span className={of(a) === of(b) ? "" : "changed"}>{of(e)}</span>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
