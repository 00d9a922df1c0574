import { describe, expect, it } from "vitest";
import type { CookStep } from "../../api/client";
import { callsAt, NOTHING_HEARD, REPEAT_MS, ring, spoken, titleFor, type Heard } from "./calls";

const step = (id: string, more: Partial<CookStep>): CookStep =>
  ({
    id,
    dish: "pilaf",
    title: id,
    words: "",
    look: "",
    goes_in: [],
    status: "waiting",
    rank: 5,
    ready: null,
    start: null,
    due: null,
    end: null,
    ...more,
  }) as CookStep;
const boil = step("boil", { status: "running", start: 5, due: 10, rank: 2 });
const cook = step("cook", { status: "running", start: 0, due: 10.2, rank: 0 });

/** A cook who touches at these seconds, and a clock that beats twice a second: when each call sounded. */
function listen(
  steps: (second: number) => CookStep[],
  until: number,
  touches: number[] = [],
  from = 0,
): [number, string][] {
  let heard: Heard = NOTHING_HEARD;
  const out: [number, string][] = [];
  for (let s = from; s <= until; s += 0.5) {
    if (touches.includes(s)) heard = { ...heard, touched: s * 1000 };
    const made = ring(heard, callsAt(steps(s), s / 60), s * 1000);
    heard = made.heard;
    made.rings.forEach((c) => out.push([s, c.key.split(" ").slice(0, 2).join(" ")]));
  }
  return out;
}

describe("the call, counted with a clock of its own", () => {
  it("warns half a minute before, calls when it is due, and again until something is touched", () => {
    expect(listen(() => [boil], 650, [641])).toEqual([
      [570, "soon boil"],
      [600, "boil running"],
      [600 + REPEAT_MS / 1000, "boil running"],
      [600 + (2 * REPEAT_MS) / 1000, "boil running"],
    ]);
  });
  it("calls for everything that is due, not for the first alone", () => {
    const rung = listen(() => [boil, cook], 613, [600.5, 612.5]).filter(([, key]) => !key.startsWith("soon"));
    expect(rung).toEqual([
      [600, "boil running"],
      [612, "cook running"],
    ]);
    expect(callsAt([boil, cook], 11).map((c) => c.step.id)).toEqual(["cook", "boil"]);
    expect(titleFor(callsAt([boil, cook], 11))).toBe("(2) Now: cook");
    expect(titleFor(callsAt([boil, cook], 8))).toBeNull();
  });
  it('calls anew after "not yet", and at once when the page was loaded anew', () => {
    const later = (s: number) => [s < 605 ? boil : { ...boil, due: 13 }];
    expect(listen(later, 781, [600.5, 604.5]).map(([s]) => s)).toEqual([570, 600, 750, 780]);
    expect(listen(() => [boil], 700, [701], 700)).toEqual([[700, "boil running"]]);
  });
  it("does not warn of what is over before one could turn round", () => {
    expect(listen(() => [step("toast", { status: "running", start: 9.5, due: 10 })], 590)).toEqual([]);
  });
  it("says it in the words the cook chose", () => {
    const [call] = callsAt(
      [
        step("Rinse the millet", {
          status: "ready",
          ready: 0,
          words: "Twice, in a fine sieve.",
          goes_in: ["308 g millet"],
        }),
      ],
      1,
    );
    if (!call) throw new Error("nothing calls");
    expect(spoken(call, false, { words: "short", hail: "" })).toBe("Rinse the millet.");
    expect(spoken(call, true, { words: "whole", hail: "Wren" })).toBe(
      "Wren: Rinse the millet, pilaf. Twice, in a fine sieve. 308 g millet.",
    );
  });
});
