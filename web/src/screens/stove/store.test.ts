import { afterEach, expect, it } from "vitest";
import type { Touch } from "./fold";
import { load, newId, save } from "./store";

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
