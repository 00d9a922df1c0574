import { decimal, manner } from "./manner";
import { typedNumber } from "./typed";

/** What a household measures at the rim of a screen. Kept in ml, g, cm, litres and metres; read and typed in its own units. */
export type Rim = "water" | "weight" | "width" | "holds" | "height";

interface Unit {
  unit: string;
  /** so many of what is kept make one of it */
  one: number;
  /** digits behind the point, when shown and when kept */
  shown: number;
  kept: number;
}
const METRIC: Record<Rim, Unit> = {
  water: { unit: "ml", one: 1, shown: 1, kept: 1 },
  weight: { unit: "g", one: 1, shown: 0, kept: 1 },
  width: { unit: "cm", one: 1, shown: 1, kept: 1 },
  holds: { unit: "litres", one: 1, shown: 2, kept: 2 },
  height: { unit: "m", one: 1, shown: 0, kept: 0 },
};
const CUPS: Record<Rim, Unit> = {
  water: { unit: "cups", one: NaN, shown: 2, kept: 0 },
  weight: { unit: "oz", one: 28.35, shown: 1, kept: 0 },
  width: { unit: "inches", one: 2.54, shown: 1, kept: 1 },
  holds: { unit: "quarts", one: 0.946, shown: 1, kept: 2 },
  height: { unit: "feet", one: 0.3048, shown: 0, kept: 0 },
};

const to = (n: number, digits: number): number => Math.round(n * 10 ** digits) / 10 ** digits;

function of(rim: Rim): Unit {
  if (manner().amounts !== "cups") return METRIC[rim];
  return rim === "water" ? { ...CUPS.water, one: manner().cup_ml } : CUPS[rim];
}

export const unitOf = (rim: Rim): string => of(rim).unit;

/** What is kept, as the household reads it: 500 g → "500", or "17.6" where it goes by ounces. */
export const shown = (rim: Rim, kept: number): string => decimal(to(kept / of(rim).one, of(rim).shown));

/** "500 g", "17.6 oz". */
export const said = (rim: Rim, kept: number): string => `${shown(rim, kept)} ${unitOf(rim)}`;

/** What somebody typed, as it is kept; NaN if it is no number. was: what is kept now, given back if its own words were left as they stood. */
export function typed(rim: Rim, text: string, was?: number | null): number {
  if (was != null && text.trim() === shown(rim, was)) return was;
  return to(typedNumber(text) * of(rim).one, of(rim).kept);
}
