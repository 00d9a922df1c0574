import { afterEach, describe, expect, it } from "vitest";
import { clock, degrees, localeOf, setManner, toCelsius, usual } from "./manner";
import { typedNumber } from "./typed";

afterEach(() => setManner({ amounts: "", heat: "", clock: 24 }, 240));

describe("how numbers are said", () => {
  const evening = new Date(2026, 10, 26, 19, 5);
  it("says the time with 24 hours or with 12", () => {
    expect(clock(evening)).toBe("19:05");
    setManner({ amounts: "", heat: "", clock: 12 }, 240);
    expect(clock(evening)).toBe("7:05 pm");
    expect(clock(new Date(2026, 10, 26, 0, 30))).toBe("12:30 am");
  });
  it("shows °F and takes it back as °C", () => {
    expect(degrees(60)).toBe("60 °C");
    setManner({ amounts: "", heat: "F", clock: 24 }, 240);
    expect(degrees(60)).toBe("140 °F");
    expect(toCelsius(68)).toBe(20);
  });
  it("guesses from the device's country", () => {
    expect(usual("en-US")).toEqual({ amounts: "", heat: "F", clock: 12 });
    expect(usual("de")).toEqual({ amounts: "", heat: "", clock: 24 });
    expect(localeOf("fr-CA")).toBe("en-CA");
    expect(localeOf("x")).toBe("en-GB");
  });
  it("reads a comma or a point, and nothing as no number", () => {
    expect(typedNumber(" 2,5 ")).toBe(2.5);
    expect(typedNumber("")).toBeNaN();
    expect(["1/4", "1 1/2", "1½", "½", "1/0", "12/"].map(typedNumber)).toEqual([0.25, 1.5, 1.5, 0.5, NaN, NaN]);
  });
});
