/** The kitchen's clock is this device's; what is sent is a point in time, so that a night in which the clocks change is reckoned right. */
export const stamp = (at: Date): string => new Date(Math.floor(at.getTime() / 60_000) * 60_000).toISOString();

export const zone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** The next time the clock shows these hours and minutes; null if they are no time. The hour that is left out when the clocks go
    forward comes as the hour after it. */
export function next(time: string, now: Date): Date | null {
  const m = /^(\d{1,2}):(\d{2})$/.exec(time.trim());
  if (!m || Number(m[1]) > 23 || Number(m[2]) > 59) return null;
  const at = new Date(now);
  at.setHours(Number(m[1]), Number(m[2]), 0, 0);
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
