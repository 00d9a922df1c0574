import { scaleLinear } from "d3-scale";
import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import type { Plan, PlanTask } from "../../api/client";
import { lanes } from "./clock";
import { clock } from "../../job/manner";

const W = 1180;
const LEFT = 92;
const RIGHT = 1120;
const ROW = 34;
const FIVE = 5 * 60_000;

interface Lane {
  name: string;
  bars: { task: PlanTask; from: number; to: number }[];
}

function laid(plan: Plan): Lane[] {
  const at = (t: PlanTask) => ({ task: t, from: new Date(t.start).getTime(), to: new Date(t.end).getTime() });
  const out: Lane[] = [
    {
      name: "your hands",
      bars: plan.tasks
        .filter((t) => t.hands_on > 0)
        .map((t) => ({ ...at(t), to: new Date(t.start).getTime() + t.hands_on * 60_000 })),
    },
  ];
  for (const resource of [...new Set(plan.tasks.map((t) => t.resource))].filter((r) => r !== "none").sort()) {
    const bars = plan.tasks.filter((t) => t.resource === resource).map(at);
    const lane = lanes(bars);
    const count = Math.max(...lane) + 1;
    for (let n = 0; n < count; n++)
      out.push({ name: count > 1 ? `${resource} ${n + 1}` : resource, bars: bars.filter((_, i) => lane[i] === n) });
  }
  const waits = plan.tasks
    .filter(
      (t) => t.resource === "none" && t.hands_on < (new Date(t.end).getTime() - new Date(t.start).getTime()) / 60_000,
    )
    .map(at);
  const lane = lanes(waits);
  for (let n = 0; n < (waits.length ? Math.max(...lane) + 1 : 0); n++)
    out.push({ name: n ? "" : "by itself", bars: waits.filter((_, i) => lane[i] === n) });
  return out;
}

interface Props {
  plan: Plan;
  serve: Date;
  asked: Date;
  hues: Record<string, string>;
  pins: Record<string, string>;
  onServe: (at: Date) => void;
  onPin: (task: PlanTask, at: Date | null) => void;
}

/** The evening to scale: hands, burners, oven; the serving time is a handle that is dragged, and all moves with it. A task that is
    dragged is pinned there, and the rest is planned around it. */
export function Lanes({ plan, serve, asked, hues, pins, onServe, onPin }: Props) {
  const box = useRef<SVGSVGElement>(null);
  const held = useRef<{ x: number; at: number } | null>(null);
  const [dragged, setDragged] = useState<{ task: PlanTask; x: number; by: number } | null>(null);
  const rows = laid(plan);
  const first = plan.start_at ? new Date(plan.start_at).getTime() : serve.getTime() - 3_600_000;
  // a soak of last night is told in the list; the drawing begins at most four hours before the plate
  const from = Math.max(first, serve.getTime() - 4 * 3_600_000) - FIVE;
  const x = scaleLinear([from, serve.getTime() + 15 * 60_000], [LEFT, RIGHT]).clamp(true);
  const height = 40 + rows.length * ROW + 34;
  const half = 30 * 60_000;
  const ticks = Array.from({ length: 12 }, (_, i) => Math.ceil(from / half) * half + i * half).filter(
    (t) => t < serve.getTime() + 10 * 60_000,
  );
  const move = (e: PointerEvent) => {
    const rect = box.current?.getBoundingClientRect();
    if (!held.current || !rect) return;
    const ms =
      ((e.clientX - held.current.x) / rect.width) * W * ((serve.getTime() + 15 * 60_000 - from) / (RIGHT - LEFT));
    onServe(new Date(Math.round((held.current.at + ms) / FIVE) * FIVE));
  };
  const keys = (e: KeyboardEvent) => {
    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 6, PageDown: -6 }[e.key];
    if (by === undefined) return;
    e.preventDefault();
    // from what was asked last, though its plan may still be on its way
    onServe(new Date(asked.getTime() + by * FIVE));
  };
  // a dish wears its grain's hue, thinned so that the words on it stay clear
  const tone = (t: PlanTask) => `color-mix(in oklab, ${hues[t.key] ?? "var(--line)"} 38%, var(--sheet))`;
  const msOf = (px: number) =>
    (px / (box.current?.getBoundingClientRect().width ?? W)) *
    W *
    ((serve.getTime() + 15 * 60_000 - from) / (RIGHT - LEFT));
  const drop = () => {
    if (dragged && Math.abs(dragged.by) >= FIVE / 2)
      onPin(
        dragged.task,
        new Date(Math.round((new Date(dragged.task.start).getTime() + dragged.by) / 60_000) * 60_000),
      );
    setDragged(null);
  };
  return (
    <svg
      ref={box}
      viewBox={`0 0 ${W} ${height}`}
      className="block w-full select-none"
      role="group"
      aria-label="The plan to scale; the list below says the same"
    >
      {ticks.map((t) => (
        <g key={t}>
          <path d={`M${x(t)} 26V${height - 30}`} stroke="var(--line)" strokeDasharray="1 5" />
          <text x={x(t)} y={height - 12} textAnchor="middle" fill="var(--soft)" className="figures text-fine">
            {clock(new Date(t))}
          </text>
        </g>
      ))}
      {rows.map((r, i) => (
        <g key={i}>
          <text x={LEFT - 10} y={40 + i * ROW + 20} className="text-fine" textAnchor="end" fill="var(--soft)">
            {r.name}
          </text>
          <path d={`M${LEFT} ${40 + i * ROW + ROW - 2}H${RIGHT}`} stroke="var(--line)" opacity="0.6" />
          {r.bars.map((b) => {
            const by = dragged?.task.id === b.task.id ? dragged.by : 0;
            const left = x(b.from + by);
            const width = Math.max(4, x(b.to + by) - left - 2);
            const room = Math.floor((width - 10) / 6.6);
            return (
              <g
                key={b.task.id}
                className="cursor-grab"
                onPointerDown={(e) => {
                  e.currentTarget.setPointerCapture(e.pointerId);
                  setDragged({ task: b.task, x: e.clientX, by: 0 });
                }}
                onPointerMove={(e) => dragged && setDragged({ ...dragged, by: msOf(e.clientX - dragged.x) })}
                onPointerUp={drop}
                onPointerCancel={() => setDragged(null)}
              >
                <title>{`${b.task.part || b.task.dish}: ${b.task.what}`}</title>
                <rect
                  x={left}
                  y={40 + i * ROW + 3}
                  width={width}
                  height={ROW - 9}
                  rx="6"
                  fill={tone(b.task)}
                  stroke={b.task.id in pins ? "var(--ink)" : "var(--soft)"}
                  strokeWidth={b.task.id in pins ? 2.2 : 0.6}
                />
                {b.task.id in pins && <circle cx={left + width - 8} cy={40 + i * ROW + 9} r="3.6" fill="var(--ink)" />}
                {room > 3 && (
                  <text x={left + 6} y={40 + i * ROW + 19} className="text-fine" fill="var(--ink)">
                    {b.task.what.length > room ? `${b.task.what.slice(0, room - 1)}…` : b.task.what}
                  </text>
                )}
              </g>
            );
          })}
        </g>
      ))}
      <g
        role="slider"
        tabIndex={0}
        aria-label="Serving time"
        aria-valuemin={0}
        aria-valuemax={1439}
        aria-valuenow={serve.getHours() * 60 + serve.getMinutes()}
        aria-valuetext={`serve at ${clock(serve)}`}
        className="cursor-ew-resize"
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          held.current = { x: e.clientX, at: serve.getTime() };
        }}
        onPointerMove={move}
        onPointerUp={() => (held.current = null)}
        onKeyDown={keys}
      >
        <rect x={x(serve.getTime()) - 26} y="0" width="52" height={height - 30} fill="transparent" />
        <path d={`M${x(serve.getTime())} 22V${height - 30}`} stroke="var(--ink)" strokeWidth="3" />
        <rect x={x(serve.getTime()) - 36} y="2" width="72" height="24" rx="11" fill="var(--ink)" />
        <text
          x={x(serve.getTime())}
          y="19"
          fontWeight="700"
          textAnchor="middle"
          fill="var(--sheet)"
          className="figures text-small"
        >
          {clock(serve)}
        </text>
      </g>
    </svg>
  );
}
