import { describe, expect, it } from "vitest";
import type { CookingInfo } from "../../api/client";
import type { Touch } from "./fold";
import { BATCH, begin, minuteAt, nextBatch, outcomeOf, reduce, type Held } from "./sync";

const touch = (n: number): Touch => ({ id: `touch-${n}`, kind: "note", data: { text: `${n}` }, at: n, minute: n });
const many = (n: number): Touch[] => Array.from({ length: n }, (_, i) => touch(i));
const trouble = (code: string) => ({ code, where: "", text: `${code}.` });
const told = (held: Held, sent: readonly Touch[], outcome: Parameters<typeof reduce>[1] & { type: "told" }): Held =>
  reduce(held, { ...outcome, sent });
const answered = (more: Partial<CookingInfo>): CookingInfo =>
  ({
    id: 1,
    last: 7,
    minute: 12,
    speed: 10,
    alone: false,
    began: "",
    serve_at: "",
    state: null,
    ...more,
  }) as CookingInfo;

describe("what a device holds of a cooking", () => {
  it("takes what is answered one by one: only the odd touch is refused, and it is shown", () => {
    const start = begin(many(3));
    const after = told(start, start.touches, {
      type: "told",
      sent: [],
      outcome: { is: "taken", refused: [{ id: "touch-1", ...trouble("step") }] },
    });
    expect(after.touches).toEqual([]);
    expect(after.refused.map((r) => r.touch.id)).toEqual(["touch-1"]);
    expect(after.trouble?.code).toBe("step");
    expect(reduce(after, { type: "seen" }).refused).toEqual([]);
  });

  it("keeps every touch while there is no network, no session, or too many tries", () => {
    const start = begin(many(2));
    for (const status of [0, 500, 503, 429, 401, 403]) {
      const outcome = outcomeOf(status, trouble("x"), 2);
      expect(["offline", "signed_out"]).toContain(outcome.is);
      expect(told(start, start.touches, { type: "told", sent: [], outcome }).touches).toHaveLength(2);
    }
  });

  it("sends in parts the server takes, the oldest first, and smaller ones when one spoils the rest", () => {
    const queue = many(201);
    expect(nextBatch(queue, BATCH).map((t) => t.id)).toEqual(queue.slice(0, 100).map((t) => t.id));
    expect(outcomeOf(422, trouble("invalid"), 100)).toEqual({ is: "again" });
    expect(outcomeOf(422, trouble("invalid"), 1)).toEqual({ is: "refused", trouble: trouble("invalid") });
    // a cooking that is gone is gone for all of them
    expect(outcomeOf(404, trouble("missing"), 100).is).toBe("refused");
    const halved = reduce(begin(queue), { type: "told", sent: queue.slice(0, 100), outcome: { is: "again" } });
    expect(halved.touches).toHaveLength(201);
    expect(nextBatch(queue, 0)).toHaveLength(1);
  });

  it("loses nothing that was touched while a sending was under way", () => {
    const start = begin(many(1));
    const meanwhile = reduce(start, { type: "touched", touch: touch(9) });
    const after = told(meanwhile, start.touches, { type: "told", sent: [], outcome: { is: "taken", refused: [] } });
    expect(after.touches.map((t) => t.id)).toEqual(["touch-9"]);
  });

  it("goes on by the server's minutes at the cooking's speed, and keeps the last state when nothing is new", () => {
    const known = reduce(begin([]), {
      type: "answered",
      got: answered({ state: { title: "pilaf" } as CookingInfo["state"] }),
      at: 1000,
    });
    expect(minuteAt(known, 1000 + 30_000)).toBeCloseTo(17);
    expect(reduce(known, { type: "beat", at: 7000 }).minute).toBeCloseTo(13);
    const same = reduce(reduce(known, { type: "lost", trouble: null }), {
      type: "answered",
      got: answered({ minute: 13 }),
      at: 7000,
    });
    expect(same.state?.title).toBe("pilaf");
    expect(same.offline).toBe(false);
  });

  it("says that it is without a network, and says a trouble that the server names instead", () => {
    const start = begin(many(1));
    expect(reduce(start, { type: "lost", trouble: null })).toMatchObject({ offline: true, trouble: null });
    expect(reduce(start, { type: "lost", trouble: trouble("missing") })).toMatchObject({
      offline: false,
      trouble: trouble("missing"),
    });
    expect(told(start, start.touches, { type: "told", sent: [], outcome: { is: "offline" } }).offline).toBe(true);
    // the first that is taken says that the network is back
    const back = reduce(start, { type: "lost", trouble: null });
    expect(told(back, start.touches, { type: "told", sent: [], outcome: { is: "taken", refused: [] } }).offline).toBe(
      false,
    );
  });

  it("opens from what was last seen, as long ago as that was, and asks for all of it anew", () => {
    const last = answered({ minute: 20, speed: 1, state: { title: "pilaf" } as CookingInfo["state"] });
    const held = begin(many(1), last, 120_000, 5000);
    expect(held.minute).toBeCloseTo(22);
    expect([held.clock.last, held.state?.title, held.touches.length]).toEqual([-1, "pilaf", 1]);
    expect(begin([], answered({ state: null }), 1000, 5000)).toMatchObject({ info: null, state: null, minute: 0 });
  });
});
