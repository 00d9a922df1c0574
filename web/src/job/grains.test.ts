import { expect, it } from "vitest";
import { COATS, coatOf } from "./grains";

it("gives no two grains the same coat", () => {
  const seen = Object.values(COATS).map((c) => c.hue + c.hatch);
  expect(new Set(seen).size).toBe(seen.length);
  expect(coatOf("a-grain-of-tomorrow", "millet")).toBeDefined();
});
