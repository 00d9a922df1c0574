import { afterEach, expect, it, vi } from "vitest";
import { deliver } from "./deliver";
import type { Touch } from "./fold";
import { load, save } from "./store";

const touch = (id: string): Touch => ({ id, kind: "note", data: { text: id }, at: 1, minute: 2 });
afterEach(() => {
  localStorage.clear();
  vi.unstubAllGlobals();
});

it("brings home what waits for cookings that no page shows, and keeps what is refused", async () => {
  const asked: [string, string[]][] = [];
  vi.stubGlobal("fetch", async (request: Request) => {
    const { events } = (await request.json()) as { events: { id: string }[] };
    asked.push([new URL(request.url).pathname, events.map((e) => e.id)]);
    return Response.json({
      new: 1,
      refused: events
        .filter((e) => e.id === "odd")
        .map((e) => ({ id: e.id, code: "step", where: "step", text: "No." })),
    });
  });
  save(3, [touch("a"), touch("odd"), touch("b")]);
  save(4, [touch("c")]);
  expect(await deliver(4)).toBe(2);
  expect(asked).toEqual([["/api/cookings/3/events", ["a", "odd", "b"]]]);
  expect(load(3).map((t) => t.id)).toEqual(["odd"]);
  expect(load(4)).toHaveLength(1);
});

it("keeps everything while there is no network", async () => {
  vi.stubGlobal("fetch", () => Promise.reject(new TypeError("no network")));
  save(3, [touch("a")]);
  expect(await deliver(null)).toBe(0);
  expect(load(3)).toHaveLength(1);
});
