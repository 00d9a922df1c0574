import { useId } from "react";
import type { WeekMeal } from "../../api/client";
import { useHatch } from "../../job/Hatch";

const BOWL = "M2 3H134C134 42 117 77 85 77H51C19 77 2 42 2 3Z";
const TOP = 3,
  FLOOR = 77;

/** A meal as the bowl it is eaten from: filled with what is in it, from below; rice as it always was is the pale dashes. */
export function Bowl({ meal, open }: { meal: WeekMeal; open: boolean }) {
  const clip = useId().replace(/[^a-zA-Z0-9]/g, "");
  // of a blend the new grain lies below the rice it comes into
  const parts = meal.shifted ? [...meal.parts].sort((a, b) => Number(isRice(a.grain)) - Number(isRice(b.grain))) : [];
  return (
    <svg viewBox="0 0 136 80" aria-hidden="true" className="block w-full">
      <defs>
        <clipPath id={clip}>
          <path d={BOWL} />
        </clipPath>
        <pattern id={`${clip}r`} width="12" height="12" patternUnits="userSpaceOnUse">
          <rect width="12" height="12" fill="var(--quiet)" />
          <path d="M1 3H6M7 9H12" stroke="var(--soft)" strokeOpacity="0.55" strokeWidth="1.6" />
        </pattern>
      </defs>
      <g clipPath={`url(#${clip})`}>
        <rect width="136" height="80" fill={`url(#${clip}r)`} />
        {parts
          .filter((p) => parts.length === 1 || !isRice(p.grain))
          .map((p, i, shown) => (
            <Layer
              key={p.grain}
              slug={p.grain}
              from={shown.slice(0, i).reduce((sum, x) => sum + x.share, 0)}
              share={p.share}
            />
          ))}
      </g>
      <path d={BOWL} fill="none" stroke="var(--ink)" strokeWidth={open ? 4 : 2} />
    </svg>
  );
}

const isRice = (slug: string) => slug.startsWith("rice-") || slug === "basmati" || slug === "jasmine";

function Layer({ slug, from, share }: { slug: string; from: number; share: number }) {
  const { fill, pattern } = useHatch(slug);
  const high = (FLOOR - TOP) * share;
  return (
    <>
      <defs>{pattern}</defs>
      <rect x="0" width="136" y={FLOOR - (FLOOR - TOP) * from - high} height={high + 0.5} fill={fill} />
    </>
  );
}
