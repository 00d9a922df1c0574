import type { KitchenPot } from "../../api/client";
import { LID_WORDS } from "./lids";
import { said, shown, unitOf } from "../../job/rim";

/** Litres of a pot of which only the width is known: its height is then six tenths of that. */
const height = (p: KitchenPot) =>
  p.litres ? (p.litres * 1000) / (Math.PI * (p.diameter_cm / 2) ** 2) : 0.6 * p.diameter_cm;

/** The pots to scale on one shelf; touch one to change or test it. */
export function Shelf({ pots, pick }: { pots: KitchenPot[]; pick: (pot: KitchenPot) => void }) {
  const scale = 5.4;
  const tall = Math.max(...pots.map(height)) + 5;
  return (
    <ul className="m-0 flex list-none flex-wrap items-end gap-x-6 gap-y-4 p-0">
      {pots.map((p) => {
        const w = Math.max(p.diameter_cm * scale, 60);
        const h = height(p) * scale;
        const factor = p.boil_off;
        return (
          <li key={p.id}>
            <button
              type="button"
              onClick={() => pick(p)}
              className="rounded-key px-2 pb-2 text-left text-ink hover:text-water"
            >
              <svg
                width={w + 34}
                height={tall * scale}
                viewBox={`${-17 - w / 2} ${-tall * scale} ${w + 34} ${tall * scale}`}
                aria-hidden="true"
                className="max-w-full"
              >
                <Lid lid={p.lid} w={w} y={-h} />
                <path
                  d={`M${-w / 2} ${-h}V-6Q${-w / 2} 0 ${-w / 2 + 8} 0H${w / 2 - 8}Q${w / 2} 0 ${w / 2} -6V${-h}`}
                  fill="var(--quiet)"
                  stroke="currentColor"
                  strokeWidth="2.5"
                />
                <path
                  d={`M${-w / 2} ${-h * 0.72}h-13M${w / 2} ${-h * 0.72}h13`}
                  stroke="currentColor"
                  strokeWidth="5"
                  strokeLinecap="round"
                />
                <text
                  y={-h / 2 + 7}
                  textAnchor="middle"
                  fontWeight="700"
                  fill="currentColor"
                  className="figures text-head"
                >
                  {shown("width", p.diameter_cm)}
                </text>
              </svg>
              <span className="block text-body font-semibold">{p.name}</span>
              <span className="block text-small text-soft">
                {p.litres
                  ? `${unitOf("holds") === "litres" ? `${shown("holds", p.litres)} l` : said("holds", p.litres)}, `
                  : ""}
                {LID_WORDS[p.lid ?? "ordinary"]}
              </span>
              <span className="block text-small text-soft">
                {p.test
                  ? `boils off ${factor >= 1 ? Math.round((factor - 1) * 100) : Math.round((1 - factor) * 100)} % ${factor >= 1 ? "more" : "less"} than usual`
                  : "boil-off not tested"}
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}

function Lid({ lid, w, y }: { lid?: string; w: number; y: number }) {
  const dome = (dy: number, tilt = 0) => (
    <g transform={`rotate(${tilt} 0 ${y})`}>
      <path
        d={`M${-w / 2 - 4} ${y - 2 - dy}Q0 ${y - 24 - dy} ${w / 2 + 4} ${y - 2 - dy}Z`}
        fill="var(--sheet)"
        stroke="currentColor"
        strokeWidth="2.5"
      />
      <circle cx="0" cy={y - 17 - dy} r="4" fill="currentColor" />
    </g>
  );
  if (lid === "ajar") return dome(3, -7);
  if (lid === "sealed")
    return (
      <g>
        {dome(3)}
        <path d={`M${-w / 2 - 8} ${y - 1}q6 -5 12 0t12 0t12 0`} fill="none" stroke="currentColor" strokeWidth="1.5" />
        <path d={`M${-w / 2 - 4} ${y - 1}H${w / 2 + 4}`} stroke="var(--water)" strokeWidth="5" strokeDasharray="6 3" />
      </g>
    );
  return dome(lid === "tight" ? 0 : 2);
}
