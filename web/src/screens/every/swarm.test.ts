import { describe, expect, it } from "vitest";
import { rows } from "./swarm";

describe("the rows of the picture", () => {
  it("puts labels side by side where there is room and under each other where there is none", () => {
    const { row, count } = rows([{ x: 0, width: 50 }, { x: 30, width: 50 }, { x: 70, width: 20 }]);
    expect(row).toEqual([0, 1, 0]);
    expect(count).toBe(2);
  });
  it("never lets two labels of a row overlap", () => {
    const spots = Array.from({ length: 60 }, (_, i) => ({ x: (i * 37) % 500, width: 40 + ((i * 13) % 60) }));
    const { row } = rows(spots);
    for (const [i, a] of spots.entries())
      for (const [j, b] of spots.entries())
        if (i < j && row[i] === row[j]) expect(a.x + a.width <= b.x || b.x + b.width <= a.x).toBe(true);
  });
});
