import { expect, it } from "vitest";
import { correct, NO_DRAFT, redo, undo } from "./draft";

it("corrects, takes back and does again; a new word ends what could be done again", () => {
  const one = correct(NO_DRAFT, { line: "2 cups water", role: "beside" });
  const two = correct(one, { line: "2 cups water", role: "after" });
  expect(two.corrections).toEqual([{ line: "2 cups water", role: "after" }]);
  expect(undo(two).corrections).toEqual(one.corrections);
  expect(redo(undo(two)).corrections).toEqual(two.corrections);
  expect(undo(undo(two)).corrections).toEqual([]);
  const other = correct(undo(two), { line: "Simmer 5 min.", minutes: "5 min", kind: "rest" });
  expect(other.after).toEqual([]);
  expect(other.corrections).toHaveLength(2);
});
