import { manner } from "./manner";

/** How amounts and times are said. Formatting only: every number comes from the core. */
const GLYPHS: Record<number, string> = { 0: "", 0.25: "¼", 0.5: "½", 0.75: "¾", 0.33: "⅓", 0.67: "⅔" };

/** 2.25 → "2¼": quarters of a vessel, and thirds of a measuring cup. */
export function quarters(value: number): string {
  const whole = Math.floor(value);
  const part = GLYPHS[Math.round((value - whole) * 100) / 100];
  if (part === undefined) return String(value);
  return (whole || !part ? String(whole) : "") + part;
}

/** "2¼ of your glasses", "one full glass"; null if the pour is said in millilitres or grams anyway. */
export function inMeasure(said: { amount: number; unit: string }): string | null {
  if (said.unit === "ml" || said.unit === "g") return null;
  if (said.amount === 1 && said.unit !== "cup") return `one full ${said.unit}`;
  const unit = said.amount > 1 ? `${said.unit}${said.unit.endsWith("s") ? "es" : "s"}` : said.unit;
  return said.unit === "cup" ? `${quarters(said.amount)} ${unit}` : `${quarters(said.amount)} of your ${unit}`;
}

/** A pour as poster and words beside it: the number to act on first, in cups where the household goes by cups. */
export function pourSaid(
  ml: number,
  said: { amount: number; unit: string },
): { number: string; unit: string; also: string | null } {
  if (manner().amounts === "cups" && said.unit === "cup")
    return { number: quarters(said.amount), unit: said.amount > 1 ? "cups" : "cup", also: `${ml} ml` };
  return { number: String(ml), unit: "ml", also: inMeasure(said) };
}

/** 95 → "1 h 35", 40 → "40 min". */
export function minutes(n: number): string {
  if (n < 90) return `${n} min`;
  const rest = n % 60;
  return `${Math.floor(n / 60)} h${rest ? ` ${rest}` : ""}`;
}

export const later = (at: Date, min: number): Date => new Date(at.getTime() + min * 60_000);

export interface Piece {
  text: string;
  changed: boolean;
  old?: string;
}

/** A text cut at its marks, so that what changed can be shown as changed. */
export function pieces(text: string, marks: readonly (readonly number[])[], olds: readonly string[] = []): Piece[] {
  const out: Piece[] = [];
  let at = 0;
  marks.forEach(([start = 0, end = 0], i) => {
    if (start > at) out.push({ text: text.slice(at, start), changed: false });
    out.push({ text: text.slice(start, end), changed: true, old: olds[i] });
    at = end;
  });
  if (at < text.length) out.push({ text: text.slice(at), changed: false });
  return out;
}

export const signed = (n: number): string => (n > 0 ? `+${n}` : n < 0 ? `−${-n}` : "0");

/** "the grain", "late", … : what a role is called on a page. */
export const ROLE_WORDS: Record<string, string> = {
  source_grain: "the grain",
  pot_liquid: "waters the pot",
  absorber: "drinks too",
  watery: "watery",
  fat: "fat",
  salt: "salt",
  timed: "goes in late",
  after: "joins after",
  beside: "no part in the water",
};
export const ROLE_HELP: Record<string, string> = {
  source_grain: "This is what gets shifted.",
  pot_liquid: "Its water feeds the grain.",
  absorber: "It drinks from the same pot: pulses, dried fruit.",
  watery: "A vegetable that lets go of some water.",
  fat: "Kept as it is.",
  salt: "Follows the cooked weight.",
  timed: "Goes in while the pot cooks.",
  after: "Joins the cooked grain: dressing, herbs, yoghurt.",
  beside: "Goes along, but the water does not depend on it.",
};
