import { onDay } from "../../job/days";

/** The kitchen's clock is this device's; what is sent is a point in time, so that a night in which the clocks change is reckoned right. */
export const stamp = (at: Date): string => new Date(Math.floor(at.getTime() / 60_000) * 60_000).toISOString();

/** A time of day as cooks write it: 19:00, 19.00, 1900, 19h30, 19, 7 pm, 7.30pm, noon; null if it is none. */
export function timeOfDay(text: string): { hours: number; minutes: number } | null {
  const said = text.trim().toLowerCase();
  if (said === "noon" || said === "midday") return { hours: 12, minutes: 0 };
  if (said === "midnight") return { hours: 0, minutes: 0 };
  const m = /^(\d{1,2})(?:\s*[:.h]\s*(\d{2})|(\d{2}))?\s*(?:h|o['’]?clock)?\s*([ap])?\.?\s*(m)?\.?$/.exec(said);
  if (!m || (m[4] === undefined) !== (m[5] === undefined)) return null;
  let hours = Number(m[1]);
  const minutes = Number(m[2] ?? m[3] ?? 0);
  if (m[4]) {
    if (hours < 1 || hours > 12) return null;
    hours = (hours % 12) + (m[4] === "p" ? 12 : 0);
  }
  return hours > 23 || minutes > 59 ? null : { hours, minutes };
}

/** The next time the clock shows this time of day; null if it is none. */
export function next(time: string, now: Date): Date | null {
  const told = timeOfDay(time);
  if (!told) return null;
  const at = onDay(now, told);
  if (at <= now) at.setDate(at.getDate() + 1);
  return at;
}

/** Lays intervals into as few lanes as they need: the lane of each, in the given order. */
export function lanes(spans: readonly { from: number; to: number }[]): number[] {
  const ends: number[] = [];
  const out = spans.map(() => 0);
  const order = spans.map((_, i) => i).sort((a, b) => (spans[a]?.from ?? 0) - (spans[b]?.from ?? 0));
  for (const i of order) {
    const s = spans[i];
    if (!s) continue;
    let lane = ends.findIndex((end) => end <= s.from);
    if (lane < 0) lane = ends.push(0) - 1;
    ends[lane] = s.to;
    out[i] = lane;
  }
  return out;
}
