import { describe, expect, it } from "vitest";
import { dayName, onDay } from "../../job/days";
import { lanes, next, stamp, timeOfDay } from "./clock";

describe("the kitchen's clock", () => {
  const now = new Date(2026, 10, 25, 18, 10);
  it("takes a bare time for its next occurrence", () => {
    expect(next("19:00", now)).toEqual(new Date(2026, 10, 25, 19, 0));
    expect(next("7:30", now)).toEqual(new Date(2026, 10, 26, 7, 30));
    expect(stamp(new Date(Date.UTC(2026, 10, 25, 19, 0, 41)))).toBe("2026-11-25T19:00:00.000Z");
    expect(next("25:00", now)).toBeNull();
    expect(next("soon", now)).toBeNull();
  });
  it("takes a time as cooks write it, and nothing else", () => {
    const said = (text: string) => {
      const t = timeOfDay(text);
      return t && `${t.hours}:${t.minutes}`;
    };
    for (const text of ["19:00", "19.00", "1900", "19h00", "19", "7 pm", "7pm", "7.00 p.m.", "19 h"])
      expect(said(text)).toBe("19:0");
    expect([said("7:30"), said("730"), said("12 am"), said("12:15pm"), said("noon"), said("midnight")]).toEqual([
      "7:30",
      "7:30",
      "0:0",
      "12:15",
      "12:0",
      "0:0",
    ]);
    for (const text of ["", "soon", "25:00", "19:60", "13 pm", "0 am", "7 p", "19:0", "7 m", "190000", "-3"])
      expect(said(text)).toBeNull();
  });
  it("names a day as one says it", () => {
    expect([0, 1, 3].map((d) => dayName(new Date(2026, 10, 25 + d, 19), now))).toEqual([
      "today",
      "tomorrow",
      "Saturday 28 November",
    ]);
    expect(onDay(new Date(2026, 10, 28, 9), { hours: 19, minutes: 30 })).toEqual(new Date(2026, 10, 28, 19, 30));
  });
  it("gives two pots at once two burners, and one after the other the same", () => {
    expect(
      lanes([
        { from: 0, to: 10 },
        { from: 5, to: 15 },
        { from: 10, to: 20 },
      ]),
    ).toEqual([0, 1, 0]);
  });
});
