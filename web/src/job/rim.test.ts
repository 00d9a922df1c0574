import { afterEach, expect, it } from "vitest";
import { setManner } from "./manner";
import { said, shown, typed } from "./rim";

afterEach(() => setManner({ amounts: "", heat: "", clock: 24 }, 240));

it("keeps metric as it is typed", () => {
  expect(said("weight", 499.6)).toBe("500 g");
  expect(shown("width", 22.5)).toBe("22.5");
  expect(typed("width", "22,5")).toBe(22.5);
  expect(typed("weight", "some")).toBeNaN();
  expect(typed("water", " ")).toBeNaN();
});

it.each([
  ["water", 360, "1.5 cups", "1 1/2", 360],
  ["weight", 500, "17.6 oz", "18", 510],
  ["width", 20, "7.9 inches", "8", 20.3],
  ["holds", 3.5, "3.7 quarts", "4", 3.78],
  ["height", 1500, "4921 feet", "5280", 1609],
] as const)("reads and types %s in a house of cups", (rim, kept, words, text, then) => {
  setManner({ amounts: "cups", heat: "", clock: 24 }, 240);
  expect(said(rim, kept)).toBe(words);
  expect(typed(rim, text)).toBe(then);
  // its own words left as they stood change nothing
  expect(typed(rim, shown(rim, kept), kept)).toBe(kept);
});

it("goes by the cup of the house", () => {
  setManner({ amounts: "cups", heat: "", clock: 24 }, 200);
  expect(typed("water", "2½")).toBe(500);
});
