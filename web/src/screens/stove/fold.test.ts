import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { CookPot, CookState, CookStep } from "../../api/client";
import { ahead, doings, fold, left, nearest, upcoming, type Done, type Touch } from "./fold";

interface Run {
  minute: number;
  events: Omit<Done, "text">[];
  expected: {
    now: string | null;
    all_done: boolean;
    ended: number | null;
    out: string[];
    steps: Record<string, [CookStep["status"], number | null, number | null, number | null, number | null]>;
    pots: Record<string, [number | null, number | null, number, string, boolean, number]>;
  };
}
// what the core makes of the same touches (scripts/stove_cases.py)
const cases = JSON.parse(readFileSync("../tests/shared/stove-cases.json", "utf-8")) as Record<
  string,
  { steps: Partial<CookStep>[]; pots: Partial<CookPot>[]; runs: Run[] }
>;

const begun = ({ steps, pots }: { steps: Partial<CookStep>[]; pots: Partial<CookPot>[] }): CookState =>
  ({
    title: "tonight",
    minute: 0,
    now: null,
    serve: { planned: 120, expected: 120 },
    said: [],
    events: [],
    notes: [],
    out: [],
    ended: null,
    all_done: false,
    steps,
    pots,
  }) as unknown as CookState;
const third = (n: number | null): number | null => (n === null ? null : Math.round(n * 1000) / 1000);

describe("the page's fold is the core's", () => {
  for (const [name, one] of Object.entries(cases))
    it(`of ${name}`, () => {
      for (const run of one.runs) {
        const made = fold(
          begun(one),
          run.events.map((e) => ({ ...e, text: "" })),
          run.minute,
        );
        expect({
          now: made.now,
          all_done: made.all_done,
          ended: made.ended,
          out: made.out,
          steps: Object.fromEntries(
            made.steps.map((s) => [s.id, [s.status, third(s.ready), third(s.start), third(s.due), third(s.end)]]),
          ),
          pots: Object.fromEntries(
            made.pots.map((p) => [p.key, [p.on, p.poured_ml, p.top_ups_ml, p.lid, p.locked, p.whistled]]),
          ),
        }).toEqual(run.expected);
      }
    });
});

const pilaf = begun(cases["a pilaf"] ?? { steps: [], pots: [] });
const stepOf = (kind: string) => pilaf.steps.find((s) => s.kind === kind)?.id ?? "";
const touch = (id: string, kind: string, minute: number, data: Touch["data"]): Touch => ({
  id,
  kind,
  data,
  at: 0,
  minute,
  what: `${kind} ${minute}`,
});

describe("without a network", () => {
  it("what the server knew and what it does not know yet are one list, each revocable and put back", () => {
    const told: CookState = {
      ...pilaf,
      events: [{ id: "a", kind: "done", minute: 30, data: { step: stepOf("boil") }, text: "Boils: done" }],
    };
    const undo = touch("b", "undo", 31, { event: "a" });
    const now = ahead(told, [undo], 32);
    expect(now.steps.find((s) => s.kind === "boil")?.end).toBeNull();
    expect(doings(now.events)).toMatchObject([{ event: { id: "a" }, undo: "b", gone: true }]);
    const back = ahead(told, [undo, touch("c", "undo", 33, { event: "b" })], 34);
    expect(back.steps.find((s) => s.kind === "boil")?.end).toBe(30);
    expect(doings(back.events)[0]).toMatchObject({ undo: "a", gone: false });
  });
  it("takes the mend of the minute that is nearest", () => {
    const mends = [
      { minute: 4, add_ml: 90 },
      { minute: 11, add_ml: 60 },
      { minute: 24, add_ml: 30 },
    ];
    expect([0, 7, 8, 40].map((at) => nearest(mends, at)?.add_ml)).toEqual([90, 90, 60, 30]);
    expect(nearest([], 3)).toBeNull();
  });
  it("knows what is waited for next", () => {
    const running = ahead(pilaf, [touch("a", "begun", 60, { step: stepOf("boil") })], 61);
    const boil = running.steps.find((s) => s.kind === "boil");
    expect(upcoming(running.steps, 61).find((n) => n.step.kind === "boil")?.at).toBe(boil?.due);
  });
});

it("minutes left, in words a timer shows", () => {
  expect([left(3.49), left(0), left(-2), left(95)]).toEqual(["3:30", "0:00", "0:00", "1 h 35"]);
});

it("gives a timer that has rung its minutes from now on, and one that runs from its end", () => {
  const steps = [{ id: "a/rest", kind: "rest", style: "begin", minutes: 10, after: [], planned: 0, pot: "" }];
  const touched = (later: number) =>
    fold(
      begun({ steps: steps as unknown as Partial<CookStep>[], pots: [] }),
      [
        { id: "1", kind: "begun", minute: 0, data: { step: "a/rest" }, text: "" },
        { id: "2", kind: "not_yet", minute: later, data: { step: "a/rest", minutes: 4 }, text: "" },
      ] as Done[],
      later,
    ).steps[0]?.due;
  expect(touched(6)).toBe(14);
  expect(touched(15)).toBe(19);
});
