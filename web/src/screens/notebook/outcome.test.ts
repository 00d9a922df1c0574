import { expect, it } from "vitest";
import { dayOf, said } from "./outcome";

it("how a pot came out, in words; what was not said is left out", () => {
  expect(said({ wet: 0, soft: 0 })).toBe("just right");
  expect(said({ wet: -1, soft: 0 })).toBe("a little dry, bite right");
  expect(said({ wet: 2, soft: null })).toBe("wet");
  expect(said({ wet: null, soft: -2 })).toBe("hard");
  expect(said({ wet: null, soft: null })).toBe("not said how it came out");
});

it("days of another year say so", () => {
  const now = new Date("2026-11-25T10:00");
  expect(dayOf("2026-11-05", now)).toBe("5 Nov");
  expect(dayOf("2025-11-05", now)).toBe("5 Nov 2025");
});
