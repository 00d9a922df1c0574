import type { Entry } from "../../api/client";
import { coatOf } from "../../job/grains";
import { said } from "./outcome";

const SIDE = 300;
const EDGE = 34;

/** The pots by how they came out: dry to wet across, hard to mush up; just right in the middle. The list says the same. */
export function Plane({
  entries,
  chosen,
  pick,
}: {
  entries: Entry[];
  chosen: Set<number>;
  pick: (id: number) => void;
}) {
  const rated = entries.filter((e) => e.wet !== null && e.soft !== null);
  const at = (v: number) => EDGE + ((v + 2) / 4) * (SIDE - 2 * EDGE);
  const seen = new Map<string, number>();
  return (
    <figure className="m-0 w-full max-w-[360px]">
      <svg
        viewBox={`0 0 ${SIDE} ${SIDE}`}
        className="block w-full"
        role="group"
        aria-label="How the pots came out; the list says the same"
      >
        <rect x="1" y="1" width={SIDE - 2} height={SIDE - 2} rx="13" fill="var(--sheet)" stroke="var(--line)" />
        <circle cx={at(0)} cy={SIDE - at(0)} r="40" fill="var(--quiet)" stroke="var(--line)" />
        <path
          d={`M${at(-2)} ${SIDE - at(0)}H${at(2)}M${at(0)} ${SIDE - at(-2)}V${SIDE - at(2)}`}
          stroke="var(--line)"
          strokeDasharray="1 5"
        />
        {(
          [
            ["dry", 8, SIDE / 2 - 8, "start"],
            ["wet", SIDE - 8, SIDE / 2 - 8, "end"],
            ["mush", SIDE / 2, 18, "middle"],
            ["hard", SIDE / 2, SIDE - 9, "middle"],
          ] as const
        ).map(([word, x, y, anchor]) => (
          <text key={word} x={x} y={y} className="text-small" textAnchor={anchor} fill="var(--soft)">
            {word}
          </text>
        ))}
        {rated.map((e) => {
          // pots that came out alike stand beside each other
          const key = `${e.wet ?? 0} ${e.soft ?? 0}`;
          const n = seen.get(key) ?? 0;
          seen.set(key, n + 1);
          const turn = n * 2.4;
          const out = n === 0 ? 0 : 7 + 3.2 * Math.sqrt(n);
          return (
            <circle
              key={e.id}
              cx={at(e.wet ?? 0) + out * Math.cos(turn)}
              cy={SIDE - at(e.soft ?? 0) - out * Math.sin(turn)}
              r={chosen.has(e.id) ? 9 : 6.5}
              fill={coatOf(e.grain).hue}
              stroke={chosen.has(e.id) ? "var(--ink)" : "var(--soft)"}
              strokeWidth={chosen.has(e.id) ? 3 : 1}
              className="cursor-pointer"
              onClick={() => pick(e.id)}
            >
              <title>{`${e.dish}: ${said(e)}`}</title>
            </circle>
          );
        })}
      </svg>
    </figure>
  );
}
