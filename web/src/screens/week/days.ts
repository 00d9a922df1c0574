import { dated } from "../../job/manner";

/** Days as the server writes them, 2026-11-25. Noon keeps a change of the clocks from moving one. */
const at = (day: string) => new Date(`${day}T12:00`);
const iso = (d: Date) =>
  `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, "0")}-${String(d.getDate()).padStart(2, "0")}`;

export const today = (now: Date): string => iso(now);

export function plus(day: string, n: number): string {
  const d = at(day);
  d.setDate(d.getDate() + n);
  return iso(d);
}

export const week = (start: string): string[] => Array.from({ length: 7 }, (_, i) => plus(start, i));

export const weekday = (day: string): string => dated(at(day), { weekday: "long" });
export const short = (day: string): string => dated(at(day), { day: "numeric", month: "short" });
