import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { fromPlan, NO_DINNER, toPlan, tonight, type Dinner } from "./tonight";

const two: Dinner = {
  ids: ["3", "r5"],
  serve: "2026-11-26T19:00:00.000Z",
  burners: 3,
  changes: { "3": { what: { to: "quinoa" }, text: "With quinoa" } },
  pins: { "x/rinse": "2026-11-26T18:00:00.000Z" },
};
const shown = () => tonight.seen().value;
// the kitchen's server: its plan, and what was asked of it
let held = { version: 4, plan: null as unknown, by: "" };
let asked: string[] = [];

beforeEach(() => {
  vi.useFakeTimers();
  tonight.forget();
  held = { version: 4, plan: null, by: "" };
  asked = [];
  vi.stubGlobal("fetch", async (request: Request) => {
    asked.push(request.method);
    if (request.method === "PUT") {
      const sent = (await request.json()) as { version: number; plan: unknown };
      if (sent.version !== held.version)
        return Response.json({ code: "changed_meanwhile", where: "", text: "Meanwhile." }, { status: 409 });
      held = { version: held.version + 1, plan: sent.plan, by: "fen" };
    }
    return Response.json(held);
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

it("says to the server what it says here, and back", () => {
  expect(fromPlan(toPlan(two, new Date()))).toEqual(two);
  expect(fromPlan(null)).toEqual(NO_DINNER);
});

it("shows a change at once, tells it when it stands still, and takes over what another device planned", async () => {
  await tonight.pull();
  tonight.set({ ...NO_DINNER, ids: ["3"] });
  tonight.set(two);
  expect(shown()).toEqual(two);
  await vi.advanceTimersByTimeAsync(400);
  expect(asked).toEqual(["GET", "PUT"]);
  expect(held.version).toBe(5);
  held = { version: 6, plan: toPlan({ ...two, ids: ["r5"], changes: {} }, new Date()), by: "wren" };
  await tonight.pull();
  expect(shown().ids).toEqual(["r5"]);
});

it("an answer that was under way while the plan changed here does not undo the change", async () => {
  const pull = tonight.pull();
  tonight.set(two);
  await pull;
  expect(shown()).toEqual(two);
});

it("two who change it at once: the later sees how it stands, and is told", async () => {
  await tonight.pull();
  held = { version: 9, plan: toPlan({ ...two, ids: ["8"], changes: {} }, new Date()), by: "wren" };
  tonight.set(two);
  await vi.advanceTimersByTimeAsync(400);
  expect(shown().ids).toEqual(["8"]);
  expect(tonight.seen().trouble?.text).toContain("on another device");
  tonight.set(two);
  await vi.advanceTimersByTimeAsync(400);
  expect(held.version).toBe(10);
  expect(tonight.seen().trouble).toBeNull();
});
