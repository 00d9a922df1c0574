import { dated } from "./manner";

/** The clock this device goes by. */
export const zone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** This time on that day. The hour that is left out when the clocks go forward comes as the hour after it. */
export function onDay(day: Date, time: { hours: number; minutes: number }): Date {
  const at = new Date(day);
  at.setHours(time.hours, time.minutes, 0, 0);
  return at;
}

/** "today", "tomorrow", "Saturday 28 November". */
export function dayName(at: Date, now: Date): string {
  const days = Math.round(
    (onDay(at, { hours: 12, minutes: 0 }).getTime() - onDay(now, { hours: 12, minutes: 0 }).getTime()) / 86_400_000,
  );
  if (days === 0) return "today";
  if (days === 1) return "tomorrow";
  if (days === -1) return "yesterday";
  return dated(at, { weekday: "long", day: "numeric", month: "long" });
}
