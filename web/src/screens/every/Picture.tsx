import type { CompareRow } from "../../api/client";
import { useHatch } from "../../job/Hatch";
import { minutes } from "../../job/words";
import { CORE, lay, R, RINGS, sectors } from "./plate";

const WORDS = ["hardly another dish", "another bite", "a new dish"];
const EDGE = RINGS[2];
const HALF = { x: EDGE + 108, y: EDGE + 26 };

/** A rim of the ground keeps letters readable on whatever they lie. */
const HALO = { stroke: "var(--sheet)", strokeWidth: 4, paintOrder: "stroke", pointerEvents: "none" } as const;

/** The plate from above: in the middle as it was, outwards how much another dish it becomes; the minutes stand on each grain. The list says the same. */
export function Picture({
  was,
  nearest,
  picked,
  pick,
}: {
  was: { grain: string; family: string } | null;
  nearest: CompareRow[];
  picked: string | null;
  pick: (slug: string) => void;
}) {
  const placed = lay(nearest);
  // the chosen one lies on top
  const order = [...placed].sort((a, b) => Number(a.of.grain === picked) - Number(b.of.grain === picked));
  return (
    <svg viewBox={`${-HALF.x} ${-HALF.y} ${2 * HALF.x} ${2 * HALF.y}`} aria-hidden="true" className="block w-full">
      {[...RINGS].reverse().map((r, i) => (
        <circle
          key={r}
          r={r}
          fill={i === 1 ? "var(--quiet)" : "var(--sheet)"}
          stroke="var(--line)"
          strokeWidth={i === 0 ? 2.5 : 1}
        />
      ))}
      {RINGS.map((r, i) => (
        <text key={r} y={-r + 18} className="text-small" textAnchor="middle" fill="var(--soft)" {...HALO}>
          {WORDS[i]}
        </text>
      ))}
      {sectors(nearest).map((s) => {
        const angle = (s.from + s.to) / 2;
        const [x, y] = [Math.sin(angle) * (EDGE + 8), -Math.cos(angle) * (EDGE + 8)];
        return (
          <text
            key={s.word}
            x={x}
            y={y + 5}
            className="text-small"
            fontWeight="700"
            textAnchor={x > 60 ? "start" : x < -60 ? "end" : "middle"}
            fill="var(--ink)"
          >
            {s.word}
          </text>
        );
      })}
      {was && <Morsel slug={was.grain} family={was.family} x={0} y={0} r={CORE - 12} />}
      <text y={CORE + 4} className="text-fine" textAnchor="middle" fill="var(--soft)" {...HALO}>
        as it was
      </text>
      {order.map(({ of, x, y }) => (
        <g key={of.grain} onClick={() => pick(of.grain)} className="cursor-pointer" opacity={of.in_time ? 1 : 0.4}>
          <rect x={x - 34} y={y - R - 4} width="68" height="56" fill="transparent" />
          <Morsel
            slug={of.grain}
            family={of.family}
            x={x}
            y={y}
            r={of.grain === picked ? R + 5 : R}
            on={of.grain === picked}
            says={minutes(of.total_min).replace(" min", "")}
          />
        </g>
      ))}
      {/* no grain covers another's name */}
      {order.map(({ of, x, y }) => (
        <text
          key={of.grain}
          x={x}
          y={y + R + (of.grain === picked ? 20 : 15)}
          className={of.grain === picked ? "text-small" : "text-fine"}
          fontWeight={of.grain === picked ? 700 : 400}
          textAnchor="middle"
          fill={of.in_time ? "var(--ink)" : "var(--soft)"}
          {...HALO}
        >
          {of.name}
        </text>
      ))}
    </svg>
  );
}

function Morsel({
  slug,
  family,
  x,
  y,
  r,
  on = false,
  says = "",
}: {
  slug: string;
  family: string;
  x: number;
  y: number;
  r: number;
  on?: boolean;
  says?: string;
}) {
  const { fill, pattern } = useHatch(slug, family);
  return (
    <>
      <defs>{pattern}</defs>
      <circle cx={x} cy={y} r={r} fill={fill} stroke="var(--ink)" strokeWidth={on ? 3.5 : 1.2} />
      {says && (
        <>
          <circle cx={x} cy={y} r={says.length > 2 ? 15 : 12} fill="var(--sheet)" fillOpacity="0.86" />
          <text x={x} y={y + 5} className="figures text-fine" fontWeight="700" textAnchor="middle" fill="var(--ink)">
            {says}
          </text>
        </>
      )}
    </>
  );
}
