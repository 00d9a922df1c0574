import { describe, expect, it } from "vitest";
import { clock, setManner } from "./manner";
import { inMeasure, later, minutes, pieces, pourSaid, quarters, signed } from "./words";

describe("amounts and times in words", () => {
  it("says quarters of a vessel", () => {
    expect([0.25, 1, 1.5, 2.75, 0, 4 / 3].map(quarters)).toEqual(["¼", "1", "1½", "2¾", "0", "1⅓"]);
    expect(inMeasure({ amount: 2.25, unit: "glass" })).toBe("2¼ of your glasses");
    expect(inMeasure({ amount: 1, unit: "mug" })).toBe("one full mug");
    expect(inMeasure({ amount: 1.75, unit: "cup" })).toBe("1¾ cups");
    expect(inMeasure({ amount: 380, unit: "ml" })).toBeNull();
    expect(pourSaid(720, { amount: 3, unit: "cup" })).toEqual({ number: "720", unit: "ml", also: "3 cups" });
    setManner({ amounts: "cups", heat: "", clock: 24 }, 240);
    expect(pourSaid(720, { amount: 3, unit: "cup" })).toEqual({ number: "3", unit: "cups", also: "720 ml" });
    setManner({ amounts: "", heat: "", clock: 24 }, 240);
  });
  it("says minutes and clock times", () => {
    expect([5, 89, 90, 120].map(minutes)).toEqual(["5 min", "89 min", "1 h 30", "2 h"]);
    expect(clock(later(new Date(2026, 0, 1, 23, 50), 25))).toBe("00:15");
    expect([12, -3, 0].map(signed)).toEqual(["+12", "−3", "0"]);
  });
  it("cuts a text at its marks and loses no letter", () => {
    const cut = pieces(
      "308 g foxtail millet, rinsed",
      [
        [0, 5],
        [6, 20],
      ],
      ["300 g", "rice"],
    );
    expect(cut.map((p) => p.text).join("")).toBe("308 g foxtail millet, rinsed");
    expect(cut.filter((p) => p.changed).map((p) => p.old)).toEqual(["300 g", "rice"]);
    expect(pieces("whole", [])).toEqual([{ text: "whole", changed: false }]);
  });
});
