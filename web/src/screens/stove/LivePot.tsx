import { scaleLinear } from "d3-scale";
import type { CookPot } from "../../api/client";
import { PotTable } from "../../job/PotTable";
import { nearest, waterAt } from "./fold";

const W = 372;
const H = 132;
const FLOOR = 104;
const TOP = 14;

/** The pot as it was really treated: water still free, how done the grain is, and now. */
export function LivePot({ pot, minute }: { pot: CookPot; minute: number }) {
  const last = Math.max(pot.curve[pot.curve.length - 1]?.minute ?? 1, 1);
  const x = scaleLinear([0, last], [8, W - 8]).clamp(true);
  const most = Math.max(...pot.curve.map((p) => p.free_ml), 50);
  const y = scaleLinear([0, most], [FLOOR, TOP]);
  const d = scaleLinear([0, 1.3], [FLOOR, TOP]);
  const path = (of: (p: CookPot["curve"][number]) => number) =>
    pot.curve.map((p, i) => `${i ? "L" : "M"}${x(p.minute).toFixed(1)} ${of(p).toFixed(1)}`).join("");
  const water = path((p) => y(p.free_ml));
  const free = waterAt(pot.curve, minute) ?? 0;
  const left = nearest(pot.curve, minute)?.left ?? "nothing";
  const done =
    waterAt(
      pot.curve.map((p) => ({ minute: p.minute, free_ml: p.done })),
      minute,
    ) ?? 0;
  return (
    <figure className="m-0">
      <figcaption className="flex flex-wrap items-baseline justify-between gap-x-3">
        <span className="text-body font-semibold">{pot.name}</span>
        <span className="text-body">
          about <strong className="figures text-head">{left}</strong> still free,{" "}
          {done >= 1 ? "done" : `${Math.round(done * 100)} % done`}
        </span>
      </figcaption>
      <svg
        viewBox={`0 0 ${W} ${H}`}
        className="mt-1 block w-full"
        role="img"
        aria-label={`Water left in the pot: about ${left} at minute ${Math.round(minute)} of ${Math.round(last)}`}
      >
        <path d={`${water}L${x(last)} ${FLOOR}L${x(0)} ${FLOOR}Z`} fill="var(--water-pale)" />
        <path d={water} fill="none" stroke="var(--water)" strokeWidth="2.5" />
        <path
          d={path((p) => d(Math.min(1.3, p.done)))}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2"
          strokeDasharray="6 4"
        />
        <path d={`M8 ${d(1)}H${W - 8}`} stroke="var(--soft)" strokeDasharray="1 5" />
        <path d={`M8 ${FLOOR}H${W - 8}`} stroke="var(--line)" />
        {pot.boil_at !== null && (
          <text x={x(pot.boil_at)} y={FLOOR + 17} className="text-fine" textAnchor="middle" fill="var(--soft)">
            boils
          </text>
        )}
        {pot.off_at !== null && (
          <text x={x(pot.off_at)} y={FLOOR + 17} className="text-fine" textAnchor="middle" fill="var(--soft)">
            off
          </text>
        )}
        <path d={`M${x(minute)} ${TOP - 8}V${FLOOR}`} stroke="var(--ink)" strokeWidth="3" />
        <circle
          cx={x(minute)}
          cy={y(Math.min(most, free))}
          r="6"
          fill="var(--water)"
          stroke="var(--sheet)"
          strokeWidth="2"
        />
      </svg>
      <PotTable curve={pot.curve} />
    </figure>
  );
}
