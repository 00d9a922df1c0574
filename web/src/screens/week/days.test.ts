import { expect, it } from "vitest";
import { plus, week, weekday } from "./days";

it("days follow each other over months, years and changes of the clocks", () => {
  expect(week("2026-10-19")).toEqual([
    "2026-10-19",
    "2026-10-20",
    "2026-10-21",
    "2026-10-22",
    "2026-10-23",
    "2026-10-24",
    "2026-10-25",
  ]);
  expect(plus("2026-10-25", 1)).toBe("2026-10-26");
  expect(plus("2026-03-29", -1)).toBe("2026-03-28");
  expect(plus("2026-12-31", 1)).toBe("2027-01-01");
  expect(weekday("2026-11-25")).toBe("Wednesday");
});
