import type { Shift } from "../api/client";
import { useHatch } from "./Hatch";
import { later, minutes } from "./words";
import { clock } from "./manner";

type Part = Shift["strip"][number];

/** Time as a strip to scale, clock times under it, late additions standing on it. A long soak is drawn broken. */
export function Strip({ shift, now, family }: { shift: Shift; now: Date; family?: string }) {
  const parts = shift.strip.filter((p) => p.min > 0);
  const total = parts.reduce((sum, p) => sum + p.min, 0);
  const hatch = useHatch(shift.pots[0]?.grain ?? "", family);
  const rest = parts.filter((p) => p.kind !== "soak").reduce((sum, p) => sum + p.min, 0) || 1;
  const width = (p: Part) => (p.kind === "soak" ? Math.min(p.min, rest * 0.3) : p.min);
  const starts = parts.map((_, i) => parts.slice(0, i).reduce((sum, p) => sum + p.min, 0));
  const tone: Record<string, string> = {
    soak: "bg-quiet border border-dashed border-water",
    before: "bg-[color-mix(in_oklab,var(--line)_55%,var(--sheet))]",
    come_up: "bg-[color-mix(in_oklab,var(--water-pale)_45%,var(--sheet))]",
    cook: "bg-water-pale",
    rest: "bg-[color-mix(in_oklab,var(--line)_55%,var(--sheet))]",
    roast: "",
  };
  return (
    <div>
      <p className="mb-1.5 text-small text-soft">
        From now to the plate <strong className="text-ink">{total < 90 ? `${total} minutes` : minutes(total)}</strong>,
        ready <span className="figures">{clock(later(now, total))}</span>
      </p>
      <ol className="m-0 flex list-none gap-[3px] p-0" aria-label="Time from now to the plate">
        {parts.map((p, i) => (
          <li key={i} className="min-w-0" style={{ flexGrow: width(p), flexBasis: 0 }}>
            <div
              className={`relative flex h-[34px] items-center overflow-hidden whitespace-nowrap rounded-[7px] px-2 text-fine font-semibold ${tone[p.kind] ?? ""}`}
            >
              {p.kind === "roast" && (
                <svg aria-hidden="true" className="absolute inset-0 h-full w-full opacity-70">
                  <defs>{hatch.pattern}</defs>
                  <rect width="100%" height="100%" fill={hatch.fill} />
                </svg>
              )}
              {p.at.map((a, k) => (
                <i
                  key={k}
                  aria-hidden="true"
                  className="absolute inset-y-0 w-[2px] bg-ink"
                  style={{ left: `${Math.min(98, (a.minute / p.min) * 100)}%` }}
                />
              ))}
              <span className={`relative truncate ${p.kind === "roast" ? "rounded bg-sheet px-1" : ""}`}>
                {p.what} {p.min}
                {p.at.length > 0 && (
                  <span className="font-normal"> · {p.at.map((a) => `${a.what} at ${a.minute}`).join(", ")}</span>
                )}
              </span>
            </div>
            <div className="figures mt-0.5 truncate text-fine text-soft">{clock(later(now, starts[i] ?? 0))}</div>
          </li>
        ))}
      </ol>
    </div>
  );
}
