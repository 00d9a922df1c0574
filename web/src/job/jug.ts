/** Moves labels apart so that none is nearer than `gap` to the next, keeping them near their places. */
export function spread(wanted: number[], gap: number, top: number, bottom: number): number[] {
  const out = [...wanted];
  for (let i = 1; i < out.length; i++) out[i] = Math.max(out[i] ?? 0, (out[i - 1] ?? 0) + gap);
  const over = (out[out.length - 1] ?? 0) - bottom;
  if (over > 0) {
    out[out.length - 1] = bottom;
    for (let i = out.length - 2; i >= 0; i--) out[i] = Math.min(out[i] ?? 0, (out[i + 1] ?? 0) - gap);
  }
  return out.map((y) => Math.max(y, top));
}
