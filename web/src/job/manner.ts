/** How numbers, times and dates are said: the household's way for amounts, heat and clock (the core says its own sentences so), the device's for dates and commas. */
export interface Manner {
  amounts: string;
  heat: string;
  clock: number;
}

// what a cup holds is told with the session; nothing is said in cups before
let now: Manner & { cup_ml: number } = { amounts: "", heat: "", clock: 24, cup_ml: NaN };
export const manner = (): Manner & { cup_ml: number } => now;
/** cup_ml: what a cup holds in this house. */
export function setManner(next: Manner, cup_ml: number): void {
  now = { ...next, cup_ml };
}

/** English words in the order of the device's own country: "26 November", "November 26". */
export function localeOf(language: string): string {
  try {
    return `en-${new Intl.Locale(language).maximize().region ?? "GB"}`;
  } catch {
    return "en-GB";
  }
}
const LOCALE = localeOf(navigator.language);

export const dated = (at: Date, as: Intl.DateTimeFormatOptions): string => at.toLocaleDateString(LOCALE, as);

/** What a device of this language is most likely used to; the household can have it otherwise. */
export function usual(language: string): Manner {
  const locale = localeOf(language);
  const hours = new Intl.DateTimeFormat(locale, { hour: "numeric" }).resolvedOptions().hour12;
  return { amounts: "", heat: /-(?:US|LR|FM|MH|PW|BS|KY|BZ)$/.test(locale) ? "F" : "", clock: hours ? 12 : 24 };
}

/** 19:40 or 7:40 pm. */
export function clock(at: Date): string {
  const minutes = String(at.getMinutes()).padStart(2, "0");
  if (now.clock === 24) return `${String(at.getHours()).padStart(2, "0")}:${minutes}`;
  return `${at.getHours() % 12 || 12}:${minutes} ${at.getHours() < 12 ? "am" : "pm"}`;
}

export const heatUnit = (): string => (now.heat === "F" ? "°F" : "°C");
/** °C as the household reads a thermometer, and back. */
export const shownHeat = (celsius: number): number => (now.heat === "F" ? Math.round(celsius * 1.8 + 32) : celsius);
export const toCelsius = (shown: number): number => (now.heat === "F" ? Math.round((shown - 32) / 0.18) / 10 : shown);
export const degrees = (celsius: number): string => `${shownHeat(celsius)} ${heatUnit()}`;

const COMMA = (1.5).toLocaleString(LOCALE).includes(",");
/** 2.5 as it is written here; typed, either way is understood. */
export const decimal = (n: number | null): string =>
  n === null ? "–" : COMMA ? String(n).replace(".", ",") : String(n);
