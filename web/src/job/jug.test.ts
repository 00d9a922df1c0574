import { describe, expect, it } from "vitest";
import type { Pot } from "../api/client";
import { contents, spread } from "./jug";

const pot = (ledger: [string, number][], pour: number): Pot =>
  ({
    name: "quinoa",
    dry: { ml: 240, g: 173 },
    texture_word: "fluffy",
    method: "covered",
    water: { pour_ml: pour, reserve_ml: 46 },
    ledger: ledger.map(([term, ml]) => ({ term, ml, because: term })),
  }) as unknown as Pot;

describe("the jug", () => {
  it("fills up to the pour line with just the pour above what is there already", () => {
    const c = contents(
      pot(
        [
          ["grain", 328],
          ["cling", -21],
          ["boil_off", 57],
          ["come_up", 20],
        ],
        384,
      ),
    );
    const ml = Object.fromEntries(c.layers.map((l) => [l.key, l.ml]));
    expect(ml).toEqual({ grain: 144, there: 21, drinks: 307, off: 77 });
    expect(c.surface).toBe(144 + 21 + 384);
    expect(c.capacity).toBeGreaterThan(c.surface + c.reserve);
  });
  it("draws no pour when the dish holds enough", () => {
    const c = contents(
      pot(
        [
          ["grain", 150],
          ["brought", -300],
          ["excess", 150],
        ],
        0,
      ),
    );
    expect(c.layers.map((l) => l.key)).toEqual(["grain", "there"]);
  });
  it("keeps labels apart and inside", () => {
    const ys = spread([10, 12, 14, 300], 30, 8, 310);
    expect(ys).toEqual([10, 40, 70, 300]);
    expect(spread([290, 300, 305], 30, 8, 310)).toEqual([250, 280, 310]);
  });
});
