import { describe, expect, it } from "vitest";
import type { CookState, CookStep } from "../../api/client";
import { ahead, callKey, left, upcoming, type Touch } from "./ahead";

const step = (id: string, more: Partial<CookStep>): CookStep => ({
  id, dish: "pilaf", kind: "x", style: "do", title: id, words: "", look: "", minutes: 4, pot: "", pour_ml: 0, reserve_ml: 0, cautions: [], count_out: [], goes_in: [], after: [], anchor: "", offset: 0,
  planned: 0, status: "waiting", ready: null, start: null, due: null, end: null, expected: 0, ...more,
});
const begun: CookState = {
  title: "pilaf", minute: 0, now: "rinse", serve: { planned: 40, expected: 40 }, pots: [], out: [], notes: [], said: [], ended: null, all_done: false,
  steps: [
    step("rinse", { status: "ready", ready: 0 }),
    step("boil", { style: "begin", kind: "boil", after: ["rinse"], planned: 4, minutes: 5 }),
    step("cook", { style: "follow", kind: "cook", after: ["boil"], minutes: 14 }),
    step("herbs", { style: "remind", kind: "add", anchor: "cook", offset: 9 }),
    step("finish", { kind: "finish", after: ["cook"], minutes: 3 }),
  ],
};
const touch = (kind: string, minute: number, data: Touch["data"]): Touch => ({ id: `${kind}${minute}`, kind, data, at: 0, minute });

describe("a page that goes on without the network", () => {
  it("moves from step to step as the server would", () => {
    const touches = [touch("done", 4, { step: "rinse" }), touch("begun", 5, { step: "boil" }), touch("done", 11, { step: "boil" }), touch("not_yet", 26, { step: "cook", minutes: 3 })];
    const at = (n: number, minute: number) => ahead(begun, touches.slice(0, n), minute);
    expect(at(1, 4).now).toBe("boil");
    expect(at(2, 6).now).toBeNull();
    expect(at(3, 12).steps[2]).toMatchObject({ status: "running", start: 11, due: 25 });
    // the herbs keep their distance from the end
    expect(at(3, 12).steps[3]).toMatchObject({ ready: 20 });
    expect(at(4, 26).steps[2]?.due).toBe(29);
    expect(at(4, 26).steps[3]?.ready).toBe(24);
  });
  it("calls again when a begun step comes due, and after every \"not yet\"", () => {
    const touches = [touch("begun", 5, { step: "boil" }), touch("not_yet", 11, { step: "boil", minutes: 3 })];
    const called = (n: number, minute: number) => {
      const { steps, now } = ahead(begun, touches.slice(0, n), minute);
      return callKey(steps.find((s) => s.id === now));
    };
    const asked = [called(0, 4), called(1, 6), called(1, 10), called(2, 12), called(2, 14.5)];
    expect(asked[1]).toBeNull();
    expect(asked[3]).toBeNull();
    expect(new Set([asked[0], asked[2], asked[4]]).size).toBe(3);
  });
  it("takes what was skipped as done, and undoes", () => {
    const done = touch("done", 30, { step: "finish" });
    const skipped = ahead(begun, [done, touch("done", 31, { step: "herbs" })], 31);
    expect(skipped.all_done).toBe(true);
    expect(ahead(begun, [done, touch("undo", 31, { event: done.id })], 31).steps).toEqual(ahead(begun, [], 31).steps);
  });
  it("knows what is waited for next", () => {
    const running = ahead(begun, [touch("begun", 5, { step: "boil" })], 6);
    expect(upcoming(running.steps, 6)[0]).toMatchObject({ at: 10 });
  });
});

it("minutes left, in words a timer shows", () => {
  expect([left(3.49), left(0), left(-2), left(95)]).toEqual(["3:30", "0:00", "0:00", "1 h 35"]);
});
