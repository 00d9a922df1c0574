/** Where each grain lies on the plate seen from above: the nearer the middle the less another dish it makes; families have sectors; nothing overlaps. */
export interface Morsel {
  grain: string;
  name: string;
  family: string;
  away: number;
  ring: number;
}

export interface Placed<T extends Morsel> {
  of: T;
  x: number;
  y: number;
}

export interface Sector {
  word: string;
  /** radians, clockwise from above */
  from: number;
  to: number;
}

/** The outer edges of the rings, in the picture's units; the dish as it was lies within the first number. */
export const CORE = 46;
export const RINGS = [126, 232, 330] as const;
export const R = 19;
/** A place with its name under it. */
const HIGH = 54;
const wide = (name: string) => Math.max(2 * R + 6, name.length * 6.5 + 6);

const WORDS: readonly [string, readonly string[]][] = [
  ["rices", ["rice"]],
  ["millets", ["millet"]],
  ["quinoa and kin", ["pseudo-grain"]],
  ["barley and oats", ["barley", "oats", "other grass"]],
  ["wheats and rye", ["wheat", "rye"]],
  ["meals", ["coarse meal"]],
];
const TURN = Math.PI * 2;
/** A family of one has room for its name too. */
const LEAST = 2.5;
const ROUNDS = 900;
/** Above the middle the rings say what they are. */
const GAP = 0.14;
/** Where those words stand: nothing lies on them. */
const RING_WORDS = RINGS.map((r) => ({ x: 0, y: -r + 4, wide: 120, high: 12 }));
/** So far, in the picture's units, a grain may stray from its sector where it is narrow. */
export const STRAY = 34;

export function sectors(morsels: readonly Morsel[]): Sector[] {
  const counts = WORDS.map(([, families]) => morsels.filter((m) => families.includes(m.family)).length);
  const weights = counts.map((n) => (n > 0 ? Math.max(LEAST, n) : 0));
  const whole = weights.reduce((a, b) => a + b, 0) || 1;
  let at = GAP;
  return WORDS.flatMap(([word], i) => {
    const from = at;
    at += ((TURN - 2 * GAP) * (weights[i] ?? 0)) / whole;
    return counts[i] ? [{ word, from, to: at }] : [];
  });
}

const wordOf = (family: string): string => WORDS.find(([, families]) => families.includes(family))?.[0] ?? "meals";

/** How far from the middle: within its ring by how far it is away. */
function radius(m: Morsel, all: readonly Morsel[]): number {
  const mine = all.filter((x) => x.ring === m.ring).map((x) => x.away);
  const [low, high] = [Math.min(...mine), Math.max(...mine)];
  const [inner, outer] = limits(m.ring);
  return high > low ? inner + ((m.away - low) / (high - low)) * (outer - inner) : (inner + outer) / 2;
}

function limits(ring: number): [number, number] {
  const inner = ring === 0 ? CORE : (RINGS[ring - 1] ?? CORE);
  return [inner + R + 6, (RINGS[ring] ?? RINGS[2]) - R - (ring === 2 ? 26 : 10)];
}

/** The same grains give the same picture: nothing here is left to chance. */
export function lay<T extends Morsel>(morsels: readonly T[]): Placed<T>[] {
  const parts = sectors(morsels);
  const spots = parts.flatMap((s) => {
    const mine = morsels.filter((m) => wordOf(m.family) === s.word).sort((a, b) => a.away - b.away);
    return mine.map((of, i) => {
      const [inner, outer] = limits(of.ring);
      return {
        of,
        s,
        r: radius(of, morsels),
        inner,
        outer,
        angle: s.from + ((i + 0.5) / mine.length) * (s.to - s.from),
      };
    });
  });
  const at = (p: (typeof spots)[number]) => ({ x: Math.sin(p.angle) * p.r, y: -Math.cos(p.angle) * p.r });
  for (let round = 0; round < ROUNDS; round++) {
    let moved = false;
    for (const [i, a] of spots.entries())
      for (const b of spots.slice(i + 1)) {
        const [p, q] = [at(a), at(b)];
        const over = {
          x: (wide(a.of.name) + wide(b.of.name)) / 2 - Math.abs(p.x - q.x),
          y: HIGH - Math.abs(p.y - q.y),
        };
        if (over.x <= 0 || over.y <= 0) continue;
        moved = true;
        // they part along the shorter way, each half of it, as far as ring and sector let them
        const along = over.x / wide(a.of.name) < over.y / HIGH;
        const push = (along ? over.x : over.y) / 2 + 0.5;
        const way = along ? Math.sign(p.x - q.x || 1) : Math.sign(p.y - q.y || (i % 2 ? 1 : -1));
        put(a, along ? p.x + way * push : p.x, along ? p.y : p.y + way * push);
        put(b, along ? q.x - way * push : q.x, along ? q.y : q.y - way * push);
      }
    for (const p of spots)
      for (const o of RING_WORDS) {
        const q = at(p);
        const over = {
          x: (wide(p.of.name) + o.wide) / 2 - Math.abs(q.x - o.x),
          y: (HIGH + o.high) / 2 - Math.abs(q.y - o.y),
        };
        if (over.x <= 0 || over.y <= 0) continue;
        moved = true;
        if (over.x < over.y) put(p, q.x + Math.sign(q.x || 1) * over.x, q.y);
        else put(p, q.x, q.y + Math.sign(q.y - o.y || 1) * over.y);
      }
    if (!moved) break;
  }
  return spots.map((p) => ({ of: p.of, ...at(p) }));
}

function put(p: { r: number; angle: number; inner: number; outer: number; s: Sector }, x: number, y: number): void {
  p.r = Math.min(p.outer, Math.max(p.inner, Math.hypot(x, y)));
  const turned = (Math.atan2(x, -y) + TURN) % TURN;
  const middle = (p.s.from + p.s.to) / 2;
  // an angle beyond its sector comes back to the nearer edge
  const off = ((turned - middle + Math.PI + TURN) % TURN) - Math.PI;
  const half = (p.s.to - p.s.from) / 2 + (STRAY - R) / p.r;
  p.angle = middle + Math.min(half, Math.max(-half, off));
}
