import { useId } from "react";
import { coatOf, type Hatch as Kind } from "./grains";

const STROKE = "rgb(24 34 31 / 0.42)";
const LIGHT = "rgb(255 255 255 / 0.4)";

function isDark(hue: string): boolean {
  const n = parseInt(hue.slice(1), 16);
  return ((n >> 16) & 255) * 0.3 + ((n >> 8) & 255) * 0.6 + (n & 255) * 0.1 < 110;
}

function figure(kind: Kind, ink: string) {
  switch (kind) {
    case "dots":
      return <path d="M3 3h.01M9 9h.01" stroke={ink} strokeWidth="3.4" strokeLinecap="round" />;
    case "seeds":
      return <path d="M2 3.5l2 -1.4M8 9.5l2 -1.4" stroke={ink} strokeWidth="2.4" strokeLinecap="round" />;
    case "slant":
      return <path d="M-2 8L8 -2M4 14L14 4" stroke={ink} strokeWidth="1.8" />;
    case "rules":
      return <path d="M0 3H12M0 9H12" stroke={ink} strokeWidth="1.6" />;
    case "bars":
      return <path d="M3 0V12M9 0V12" stroke={ink} strokeWidth="1.8" />;
    case "cross":
      return <path d="M0 0L12 12M12 0L0 12" stroke={ink} strokeWidth="1.2" />;
    case "dashes":
      return <path d="M1 3H6M7 9H12" stroke={ink} strokeWidth="2.2" strokeLinecap="round" />;
    case "waves":
      return <path d="M0 4Q3 1 6 4T12 4M0 10Q3 7 6 10T12 10" stroke={ink} strokeWidth="1.5" fill="none" />;
    case "steps":
      return <path d="M0 3H6V9H12" stroke={ink} strokeWidth="1.5" fill="none" />;
  }
}

/** The SVG pattern of a grain, and the url to fill with. */
export function useHatch(slug: string, family?: string) {
  const id = useId().replace(/[^a-zA-Z0-9]/g, "");
  const { hue, hatch } = coatOf(slug, family);
  const pattern = (
    <pattern id={id} width="12" height="12" patternUnits="userSpaceOnUse">
      <rect width="12" height="12" fill={hue} />
      {figure(hatch, isDark(hue) ? LIGHT : STROKE)}
    </pattern>
  );
  return { fill: `url(#${id})`, pattern };
}

/** A strip of the grain's coat, for beside its name. */
export function Swatch({ slug, family, className = "" }: { slug: string; family?: string; className?: string }) {
  const { fill, pattern } = useHatch(slug, family);
  return (
    <svg aria-hidden="true" className={`block overflow-hidden rounded-[4px] ${className}`} preserveAspectRatio="none">
      <defs>{pattern}</defs>
      <rect width="100%" height="100%" fill={fill} />
    </svg>
  );
}
