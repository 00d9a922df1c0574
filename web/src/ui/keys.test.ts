import { expect, it } from "vitest";
import { meant } from "./keys";

const free = { typing: false, on: false, sheet: false, single: true };
const plain = { ctrl: false, alt: false };

it("goes to a place, on along the way, to the list and to a field", () => {
  expect(meant("2", plain, free)).toEqual({ do: "go", to: "/bench" });
  expect(meant("K", plain, free)).toEqual({ do: "go", to: "/kept" });
  expect(meant("Enter", plain, free)).toEqual({ do: "on" });
  expect(meant("?", plain, free)).toEqual({ do: "list" });
  expect(meant("/", plain, free)).toEqual({ do: "field" });
  expect(meant("x", plain, free)).toBeNull();
});

it("leaves letters to fields, Enter to what has it, everything to an open sheet and to the browser", () => {
  expect(meant("k", plain, { ...free, typing: true })).toBeNull();
  expect(meant("Enter", { ctrl: true, alt: false }, { ...free, typing: true })).toEqual({ do: "on" });
  expect(meant("Enter", plain, { ...free, on: true })).toBeNull();
  expect(meant("1", plain, { ...free, sheet: true })).toBeNull();
  expect(meant("1", { ctrl: true, alt: false }, free)).toBeNull();
});

it("can be turned off", () => {
  expect(meant("1", plain, { ...free, single: false })).toBeNull();
  expect(meant("Enter", { ctrl: true, alt: false }, { ...free, single: false })).toEqual({ do: "on" });
});
