import { useId } from "react";
import type { Contents, Pot } from "../api/client";
import { useHatch } from "./Hatch";
import { spread } from "./jug";

const W = 376;
const H = 366;
const LEFT = 30;
const RIGHT = 172;
const TOP = 20;
const FLOOR = 352;

/** One tall graduated vessel to scale: what the grain drinks, what boils off, what is there already, the line to pour to. */
export function Jug({ pot, jug: c, family }: { pot: Pot; jug: Contents; family?: string }) {
  const hatch = useHatch(pot.grain, family);
  const id = useId().replace(/[^a-zA-Z0-9]/g, "");
  const y = (ml: number) => FLOOR - (ml / c.capacity_ml) * (FLOOR - TOP);
  const placed = c.layers.reduce<{ key: string; from: number; to: number; label: string; note: string }[]>(
    (list, l) => {
      const from = list[list.length - 1]?.to ?? 0;
      return [...list, { key: l.key, from, to: from + l.ml, label: l.label, note: l.note }];
    },
    [],
  );
  const fills: Record<string, string> = {
    grain: hatch.fill,
    there: `url(#there${id})`,
    drinks: "var(--water-fill)",
    broth: "var(--water-pale)",
    off: `url(#off${id})`,
  };
  const surface = y(c.surface_ml);
  const top = y(c.surface_ml + c.reserve_ml);
  const labels = [
    { y: (top + surface) / 2, text: c.reserve, note: "", tone: "water" },
    { y: surface, text: pot.water.pour_ml > 0 ? "pour to here" : "nothing to pour", note: "", tone: "line" },
    ...[...placed].reverse().map((l) => ({ y: (y(l.from) + y(l.to)) / 2, text: l.label, note: l.note, tone: l.key })),
  ].filter((l) => !(l.tone === "water" && c.reserve_ml === 0));
  // the pour line's own label stays on its line; what stands above gives way upwards, the rest downwards
  const above = labels.filter((l) => l.tone === "water").length;
  const below = spread(
    [surface, ...labels.slice(above + 1).map((l) => Math.max(l.y, surface + 30))],
    33,
    TOP,
    FLOOR - 14,
  );
  const ys = [...labels.slice(0, above).map((l) => Math.min(l.y, surface - 22)), ...below];
  const ticks = Array.from({ length: Math.floor(c.capacity_ml / c.tick_ml) }, (_, i) => (i + 1) * c.tick_ml);
  return (
    <figure className="m-0">
      <svg
        viewBox={`0 0 ${W} ${H}`}
        className="block h-auto w-full [--water-fill:var(--water-pale)]"
        aria-hidden="true"
      >
        <defs>
          {hatch.pattern}
          <pattern id={`there${id}`} width="9" height="9" patternUnits="userSpaceOnUse">
            <rect width="9" height="9" fill="var(--sheet)" />
            <path d="M-2 11L11 -2" stroke="var(--water)" strokeWidth="1.3" opacity=".75" />
          </pattern>
          <pattern id={`off${id}`} width="8" height="8" patternUnits="userSpaceOnUse">
            <rect width="8" height="8" fill="var(--sheet)" />
            <circle cx="2" cy="2" r="1.5" fill="var(--water)" opacity=".5" />
            <circle cx="6" cy="6" r="1.5" fill="var(--water)" opacity=".5" />
          </pattern>
          <clipPath id={`in${id}`}>
            <path
              d={`M${LEFT} 0H${RIGHT}V${FLOOR - 16}Q${RIGHT} ${FLOOR} ${RIGHT - 16} ${FLOOR}H${LEFT + 16}Q${LEFT} ${FLOOR} ${LEFT} ${FLOOR - 16}Z`}
            />
          </clipPath>
        </defs>
        <g clipPath={`url(#in${id})`}>
          {placed.map((l) => (
            <rect
              key={l.key}
              className="level"
              x={LEFT}
              width={RIGHT - LEFT}
              y={y(l.to)}
              height={Math.max(0, y(l.from) - y(l.to))}
              fill={fills[l.key]}
            />
          ))}
          {placed.map((l) => (
            <path key={l.key} d={`M${LEFT} ${y(l.to)}H${RIGHT}`} stroke="var(--water)" strokeWidth="1" opacity=".55" />
          ))}
        </g>
        {c.reserve_ml > 0 && (
          <path
            d={`M${LEFT + 4} ${surface}V${top}H${RIGHT - 4}V${surface}`}
            fill="none"
            stroke="var(--water)"
            strokeWidth="2"
            strokeDasharray="3 4"
          />
        )}
        {ticks.map((t) => (
          <g key={t}>
            <path d={`M${RIGHT - 10} ${y(t)}H${RIGHT}`} stroke="var(--ink)" strokeWidth="1.4" opacity=".7" />
          </g>
        ))}
        <path
          d={`M${LEFT - 18} ${TOP - 10}Q${LEFT - 10} ${TOP - 2} ${LEFT} ${TOP}V${FLOOR - 16}Q${LEFT} ${FLOOR} ${LEFT + 16} ${FLOOR}H${RIGHT - 16}Q${RIGHT} ${FLOOR} ${RIGHT} ${FLOOR - 16}V${TOP}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="3"
          strokeLinecap="round"
        />
        <g className="level" transform={`translate(0 ${surface})`}>
          <path d={`M${LEFT - 14} 0H${RIGHT + 12}`} stroke="var(--ink)" strokeWidth="3" />
          <path d={`M${RIGHT + 12} 0l10 -6v12z`} fill="var(--ink)" />
        </g>
        {labels.map((l, i) => {
          const at = ys[i] ?? l.y;
          return (
            <g key={i} className="level" transform={`translate(0 ${at})`}>
              {l.tone !== "line" && (
                <path
                  d={`M${RIGHT + 4} ${l.y - at}L${RIGHT + 22} 0`}
                  stroke="var(--line)"
                  strokeWidth="1.2"
                  fill="none"
                />
              )}
              <text
                x={RIGHT + 28}
                y={l.note ? 0 : 5}
                className="text-small"
                fontWeight={l.tone === "line" || l.tone === "drinks" || l.tone === "grain" ? 700 : 400}
                fill={l.tone === "water" ? "var(--water)" : "var(--ink)"}
              >
                {short(l.text, 26)}
              </text>
              {l.note && (
                <text x={RIGHT + 28} y={15} className="text-fine" fill="var(--soft)">
                  {short(l.note, 30)}
                </text>
              )}
            </g>
          );
        })}
      </svg>
      <figcaption className="sr-only">
        <table>
          <caption>What is in the jug, from the bottom up</caption>
          <tbody>
            {placed.map((l) => (
              <tr key={l.key}>
                <th scope="row">{l.label}</th>
                <td>{l.note}</td>
              </tr>
            ))}
            <tr>
              <th scope="row">Pour</th>
              <td>{pot.water.pour_ml} ml</td>
            </tr>
            <tr>
              <th scope="row">Beside it</th>
              <td>{c.reserve}</td>
            </tr>
          </tbody>
        </table>
      </figcaption>
    </figure>
  );
}

const short = (text: string, most: number) => (text.length > most ? `${text.slice(0, most - 1).trimEnd()}…` : text);
