import { describe, expect, it } from "vitest";
import { CORE, lay, R, RINGS, sectors, STRAY, type Morsel } from "./plate";

const FAMILIES = ["rice", "millet", "pseudo-grain", "barley", "wheat", "coarse meal"];
const many: Morsel[] = Array.from({ length: 26 }, (_, i) => ({
  grain: `g${i}`,
  name: `grain ${"x".repeat(i % 9)}`,
  family: FAMILIES[i % FAMILIES.length] ?? "rice",
  away: 0.1 + (i % 13) * 0.03,
  ring: i % 13 < 4 ? 0 : i % 13 < 8 ? 1 : 2,
}));

describe("the plate", () => {
  it("lays every grain in its own ring and sector", () => {
    const parts = sectors(many);
    expect(parts.map((s) => s.word)).toEqual([
      "rices",
      "millets",
      "quinoa and kin",
      "barley and oats",
      "wheats and rye",
      "meals",
    ]);
    for (const { of, x, y } of lay(many)) {
      const r = Math.hypot(x, y);
      expect(r).toBeGreaterThan((of.ring === 0 ? CORE : (RINGS[of.ring - 1] ?? 0)) + R);
      expect(r).toBeLessThan(RINGS[of.ring] ?? 0);
      const s = parts[FAMILIES.indexOf(of.family)];
      const angle = (Math.atan2(x, -y) + Math.PI * 2) % (Math.PI * 2);
      expect(s && (angle - s.from) * r > -STRAY && (s.to - angle) * r > -STRAY).toBe(true);
    }
  });
  it("leaves the names of the rings free", () => {
    for (const { x, y } of lay(many)) expect(y < 0 && Math.abs(x) < R / 2).toBe(false);
  });
  it("covers none with another", () => {
    const placed = lay(many);
    for (const [i, a] of placed.entries())
      for (const b of placed.slice(i + 1))
        expect(Math.hypot(a.x - b.x, a.y - b.y), `${a.of.grain} on ${b.of.grain}`).toBeGreaterThan(2 * R);
  });
  it("puts nearer the middle what is nearer the dish, and is the same each time", () => {
    const three = [0.4, 0.1, 0.25].map((away, i) => ({
      grain: `g${i}`,
      name: "g",
      family: "millet",
      away,
      ring: away < 0.2 ? 0 : away < 0.32 ? 1 : 2,
    }));
    const from = (g: string) =>
      lay(three)
        .filter((p) => p.of.grain === g)
        .map((p) => Math.hypot(p.x, p.y))[0] ?? 0;
    expect(from("g1")).toBeLessThan(from("g2"));
    expect(from("g2")).toBeLessThan(from("g0"));
    expect(lay(three)).toEqual(lay(three));
  });
});
