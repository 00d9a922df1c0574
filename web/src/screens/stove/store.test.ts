import { afterEach, expect, it, vi } from "vitest";
import type { CookingInfo } from "../../api/client";
import type { Touch } from "./fold";
import { allSeen, forgetSeen, keep, keepRecipes, load, newId, save, seen, seenRecipes, waitingFor } from "./store";

const touch: Touch = { id: "a", kind: "note", data: { text: "x" }, at: 1, minute: 2 };
afterEach(() => localStorage.clear());

it("touches outlive the page, each cooking its own, and are gone once told", () => {
  save(3, [touch]);
  expect(load(3)).toEqual([touch]);
  expect(load(4)).toEqual([]);
  save(3, []);
  expect(load(3)).toEqual([]);
  expect(localStorage.length).toBe(0);
});

it("a store that somebody spoilt is an empty one", () => {
  localStorage.setItem("mealshift.stove.3", "{not json");
  expect(load(3)).toEqual([]);
  localStorage.setItem("mealshift.stove.3", "7");
  expect(load(3)).toEqual([]);
});

it("no two touches share an id", () => {
  expect(new Set(Array.from({ length: 500 }, newId)).size).toBe(500);
});

const got = (id: number): CookingInfo =>
  ({ id, last: 1, minute: 3, speed: 1, alone: false, began: "", serve_at: "", state: null }) as unknown as CookingInfo;

it("knows which cookings wait to be told, and only those", () => {
  save(3, [touch]);
  localStorage.setItem("mealshift.stove.7", "[]");
  keep(9, got(9));
  localStorage.setItem("mealshift.stovepipe", "x");
  expect(waitingFor()).toEqual([3]);
});

it("keeps the last four cookings it has seen with their recipes, the latest first", () => {
  vi.useFakeTimers();
  for (const id of [1, 2, 3, 4, 5]) {
    vi.advanceTimersByTime(1000);
    keep(id, got(id));
    keepRecipes(id, [`dish ${id}`]);
  }
  vi.useRealTimers();
  expect(allSeen().map((one) => one.got.id)).toEqual([5, 4, 3, 2]);
  expect(seen(1)).toBeNull();
  expect([seenRecipes(1), seenRecipes(2), seenRecipes(5)]).toEqual([null, ["dish 2"], ["dish 5"]]);
});

it("forgets what it saw when the cook signs out, and never what was not told yet", () => {
  keep(3, got(3));
  keepRecipes(3, ["a dish"]);
  save(3, [touch]);
  forgetSeen();
  expect([allSeen(), seenRecipes(3), load(3)]).toEqual([[], null, [touch]]);
});

it("goes on where the store is full or forbidden", () => {
  vi.spyOn(Storage.prototype, "setItem").mockImplementation(() => {
    throw new DOMException("full", "QuotaExceededError");
  });
  expect(() => {
    save(3, [touch]);
    keep(3, got(3));
    keepRecipes(3, []);
  }).not.toThrow();
  expect(load(3)).toEqual([]);
});

it("an id is long, and of letters that any address takes", () => {
  for (let n = 0; n < 50; n += 1) expect(newId()).toMatch(/^[0-9a-f]{24}$/);
});
