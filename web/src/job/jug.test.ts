import { describe, expect, it } from "vitest";
import { spread } from "./jug";

describe("the jug", () => {
  it("keeps labels apart and inside", () => {
    const ys = spread([10, 12, 14, 300], 30, 8, 310);
    expect(ys).toEqual([10, 40, 70, 300]);
    expect(spread([290, 300, 305], 30, 8, 310)).toEqual([250, 280, 310]);
  });
});
