import { expect, it } from "vitest";
import { correct, NO_DRAFT, redo, shared, undo } from "./draft";

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

it("takes what another app shares as a recipe's text, with its title where the text has none", () => {
  expect(shared("?title=Pot&text=200 g rice%0A400 ml water")).toBe("Pot\n\n200 g rice\n400 ml water");
  expect(shared("?title=Pot&text=Pot%0A200 g rice")).toBe("Pot\n200 g rice");
  expect(shared("?title=Pot&url=https%3A%2F%2Fexample.org%2Fpot")).toBe("Pot\n\nhttps://example.org/pot");
  expect(shared("")).toBe("");
});
