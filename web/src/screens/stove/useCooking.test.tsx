import { act, renderHook, waitFor } from "@testing-library/react";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { CookState } from "../../api/client";
import { serve, type Asked } from "../../test-kit";
import { load, seen } from "./store";
import { useCooking } from "./useCooking";

const state = {
  title: "Saffron pan with peas",
  minute: 5,
  now: null,
  serve: { planned: 60, expected: 60 },
  said: [],
  events: [],
  notes: [],
  out: [],
  ended: null,
  all_done: false,
  steps: [],
  pots: [],
} as unknown as CookState;
const info = (last: number, more: object = {}) => ({
  id: 4,
  last,
  minute: 5,
  speed: 1,
  alone: false,
  began: "",
  serve_at: "",
  state,
  ...more,
});
let asked: Asked[];
let answer: () => unknown;
beforeEach(() => {
  localStorage.clear();
  answer = () => info(7);
  asked = serve({
    "GET /api/cookings/4": () => answer(),
    "POST /api/cookings/4/events": ({ events }: { events: unknown[] }) => ({ taken: events.length, refused: [] }),
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
  localStorage.clear();
});
const sent = () =>
  asked
    .filter((a) => a.method === "POST")
    .flatMap((a) => (a.body as { events: { id: string; kind: string }[] }).events);

it("shows the cooking as the server has it, and keeps it for a time without one", async () => {
  const { result } = renderHook(() => useCooking(4));
  await waitFor(() => expect(result.current.state?.title).toBe("Saffron pan with peas"));
  expect([result.current.waiting, result.current.offline, result.current.trouble]).toEqual([0, false, null]);
  expect(seen(4)?.got.last).toBe(7);
});

it("shows a touch at once, sends it once, and lets it go only when it is taken", async () => {
  const { result } = renderHook(() => useCooking(4));
  await waitFor(() => expect(result.current.state).not.toBeNull());
  let id = "";
  act(() => {
    id = result.current.touch("note", { text: "less fire" }, "note");
  });
  expect(result.current.state?.notes.map((n) => n.text)).toEqual(["less fire"]);
  await waitFor(() => expect(result.current.waiting).toBe(0));
  expect(sent().map((e) => [e.id, e.kind])).toEqual([[id, "note"]]);
  expect(load(4)).toEqual([]);
});

it("keeps touches while there is no network, and tells them when it is back", async () => {
  const { result } = renderHook(() => useCooking(4));
  await waitFor(() => expect(result.current.state).not.toBeNull());
  const network = globalThis.fetch;
  vi.stubGlobal("fetch", () => Promise.reject(new TypeError("no network")));
  act(() => void result.current.touch("note", { text: "one" }, "note"));
  act(() => void result.current.touch("note", { text: "two" }, "note"));
  await waitFor(() => expect(result.current.offline).toBe(true));
  expect([result.current.waiting, load(4).length]).toEqual([2, 2]);
  expect(result.current.state?.notes.map((n) => n.text)).toEqual(["one", "two"]);
  vi.stubGlobal("fetch", network);
  act(() => void window.dispatchEvent(new Event("online")));
  await waitFor(() => expect(result.current.waiting).toBe(0));
  expect(result.current.offline).toBe(false);
  expect(sent()).toHaveLength(2);
});

it("opens a cooking it has seen before the server answers, with what was not told yet", async () => {
  const first = renderHook(() => useCooking(4));
  await waitFor(() => expect(first.result.current.state).not.toBeNull());
  vi.stubGlobal("fetch", () => Promise.reject(new TypeError("no network")));
  act(() => void first.result.current.touch("note", { text: "kept" }, "note"));
  await waitFor(() => expect(first.result.current.waiting).toBe(1));
  first.unmount();
  const { result } = renderHook(() => useCooking(4));
  expect(result.current.state?.title).toBe("Saffron pan with peas");
  expect(result.current.waiting).toBe(1);
  expect(result.current.minute).toBeGreaterThanOrEqual(5);
});

it("says why a cooking cannot be shown", async () => {
  answer = () => ({ status: 404, trouble: { code: "missing", where: "", text: "That cooking is not here." } });
  const { result } = renderHook(() => useCooking(4));
  await waitFor(() => expect(result.current.trouble?.text).toBe("That cooking is not here."));
  expect(result.current.offline).toBe(false);
});
