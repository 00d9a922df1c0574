import { describe, expect, it } from "vitest";
import { lanes, next, stamp } from "./clock";

describe("the kitchen's clock", () => {
  const now = new Date(2026, 10, 25, 18, 10);
  it("takes a bare time for its next occurrence", () => {
    expect(next("19:00", now)).toEqual(new Date(2026, 10, 25, 19, 0));
    expect(next("7:30", now)).toEqual(new Date(2026, 10, 26, 7, 30));
    expect(stamp(new Date(Date.UTC(2026, 10, 25, 19, 0, 41)))).toBe("2026-11-25T19:00:00.000Z");
    expect(next("25:00", now)).toBeNull();
    expect(next("soon", now)).toBeNull();
  });
  it("gives two pots at once two burners, and one after the other the same", () => {
    expect(lanes([{ from: 0, to: 10 }, { from: 5, to: 15 }, { from: 10, to: 20 }])).toEqual([0, 1, 0]);
  });
});
