/** Lays labelled points out along a time axis: each takes the first row of its band where its label finds room. */
export interface Spot {
  x: number;
  width: number;
}

/** The row of each spot, in the given order, and how many rows there are. */
export function rows(spots: readonly Spot[], gap = 8): { row: number[]; count: number } {
  const ends: number[] = [];
  const row = spots.map(() => 0);
  const order = spots.map((_, i) => i).sort((a, b) => (spots[a]?.x ?? 0) - (spots[b]?.x ?? 0));
  for (const i of order) {
    const s = spots[i];
    if (!s) continue;
    let r = ends.findIndex((end) => end + gap <= s.x);
    if (r < 0) {
      r = ends.length;
      ends.push(0);
    }
    ends[r] = s.x + s.width;
    row[i] = r;
  }
  return { row, count: ends.length };
}
