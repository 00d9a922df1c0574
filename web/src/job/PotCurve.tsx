import { scaleLinear } from "d3-scale";
import { useRef, type KeyboardEvent, type PointerEvent } from "react";
import type { Run } from "../api/client";
import { useWide } from "../ui/useWide";

const H = 236;
const LEFT = 12;
const TOP = 26;
const FLOOR = 196;

interface Props {
  plan: Run;
  run: Run;
  minutes: number;
  look: [number, number];
  /** absent: the picture is looked at, not touched */
  onMinutes?: (n: number) => void;
}

/** The pot minute by minute: water still free, how done the grain is, when to look; the end of the heat is dragged by hand. */
export function PotCurve({ plan, run, minutes, look, onMinutes }: Props) {
  const box = useRef<SVGSVGElement>(null);
  // letters keep their size: a narrow screen gets a narrower drawing, not a smaller one
  const W = useWide() ? 760 : 372;
  const RIGHT = W - 12;
  const last = Math.max(plan.curve[plan.curve.length - 1]?.minute ?? 30, run.curve[run.curve.length - 1]?.minute ?? 30);
  const most = Math.max(...plan.curve.map((p) => p.free_ml), ...run.curve.map((p) => p.free_ml), 50);
  const x = scaleLinear([0, last], [LEFT, RIGHT]);
  const y = scaleLinear([0, most], [FLOOR, TOP]);
  const d = scaleLinear([0, 1.3], [FLOOR, TOP]);
  const line = (points: Run["curve"], of: (p: Run["curve"][number]) => number) =>
    points.map((p, i) => `${i ? "L" : "M"}${x(p.minute).toFixed(1)} ${of(p).toFixed(1)}`).join("");
  const water = line(run.curve, (p) => y(p.free_ml));
  const off = x(run.off_at);
  const good = run.verdict.code === "right";

  const at = (clientX: number) => {
    const rect = box.current?.getBoundingClientRect();
    if (!rect) return minutes;
    return Math.max(0, Math.min(180, Math.round(x.invert(((clientX - rect.left) / rect.width) * W) - run.boil_at)));
  };
  const drag = (e: PointerEvent<SVGGElement>) => {
    if (e.buttons === 1) onMinutes?.(at(e.clientX));
  };
  const grab = (e: PointerEvent<SVGGElement>) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    onMinutes?.(at(e.clientX));
  };
  const keys = (e: KeyboardEvent) => {
    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 5, PageDown: -5 }[e.key];
    if (by === undefined) return;
    e.preventDefault();
    onMinutes?.(Math.max(0, Math.min(180, minutes + by)));
  };
  const ticks = x.ticks(W > 500 ? 10 : 5);
  return (
    <svg
      ref={box}
      viewBox={`0 0 ${W} ${H}`}
      className="block w-full touch-pan-y select-none"
      role="group"
      aria-label="The pot minute by minute"
    >
      <rect
        x={x(run.boil_at + look[0])}
        y={TOP - 8}
        width={Math.max(2, x(look[1]) - x(look[0]))}
        height={FLOOR - TOP + 8}
        fill="var(--mark)"
        opacity="0.22"
      />
      <path
        d={`${water}L${x(run.curve[run.curve.length - 1]?.minute ?? 0)} ${FLOOR}L${x(0)} ${FLOOR}Z`}
        fill="var(--water-pale)"
      />
      <path
        d={line(plan.curve, (p) => y(p.free_ml))}
        fill="none"
        stroke="var(--water)"
        strokeWidth="1.2"
        strokeDasharray="2 4"
      />
      <path d={water} fill="none" stroke="var(--water)" strokeWidth="3" />
      <path d={`M${LEFT} ${d(1)}H${RIGHT}`} stroke="var(--soft)" strokeWidth="1" strokeDasharray="1 5" />
      <path
        d={line(run.curve, (p) => d(Math.min(1.3, p.done)))}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2.4"
        strokeDasharray="7 5"
      />
      <path d={`M${LEFT} ${FLOOR}H${RIGHT}`} stroke="var(--line)" />
      {ticks.map((t) => (
        <text key={t} x={x(t)} y={FLOOR + 18} textAnchor="middle" fill="var(--soft)" className="figures text-fine">
          {t}
        </text>
      ))}
      <text x={RIGHT} y={H - 4} className="text-fine" textAnchor="end" fill="var(--soft)">
        minutes from heat on
      </text>
      <text x={x(run.boil_at) + 5} y={TOP - 12} className="text-fine" fill="var(--soft)">
        boils
      </text>
      <path d={`M${x(run.boil_at)} ${TOP - 10}V${FLOOR}`} stroke="var(--line)" />
      <text x={x(run.boil_at + look[0]) + 4} y={TOP + 6} className="text-fine" fill="var(--ink)">
        look
      </text>
      <text x={LEFT + 4} y={FLOOR - 10} className="text-fine" fontWeight="600" fill="var(--water)">
        water still free
      </text>
      <text x={RIGHT - 4} y={d(1) - 6} className="text-fine" textAnchor="end" fill="var(--ink)">
        done
      </text>
      {run.dry_at !== null && (
        <g>
          <circle cx={x(run.dry_at)} cy={FLOOR} r="6" fill={good ? "var(--water)" : "var(--warn)"} />
          <text
            x={x(run.dry_at)}
            y={FLOOR - 10}
            className="text-fine"
            textAnchor="middle"
            fill={good ? "var(--ink)" : "var(--warn)"}
            fontWeight="700"
          >
            dry
          </text>
        </g>
      )}
      <g
        {...(onMinutes && {
          role: "slider",
          tabIndex: 0,
          "aria-label": "Minutes at the heat",
          "aria-valuemin": 0,
          "aria-valuemax": 180,
          "aria-valuenow": minutes,
          "aria-valuetext": `${minutes} minutes at the boil, then off the heat`,
          onPointerDown: grab,
          onPointerMove: drag,
          onKeyDown: keys,
          className: "cursor-ew-resize",
        })}
      >
        <rect x={off - 24} y={TOP - 22} width="48" height={FLOOR - TOP + 22} fill="transparent" />
        <path d={`M${off} ${TOP - 6}V${FLOOR}`} stroke="var(--ink)" strokeWidth="3" />
        <rect x={off - 31} y={TOP - 24} width="62" height="21" rx="10" fill="var(--ink)" />
        <text x={off} y={TOP - 9} className="text-fine" textAnchor="middle" fill="var(--sheet)" fontWeight="700">
          off {minutes}
        </text>
      </g>
    </svg>
  );
}
