import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import type { Reading } from "../../api/client";
import { draft, NO_DRAFT } from "../draft";
import { Doubts } from "./Doubts";

const STEP = "Foil off, 10 minutes more.";
const minutes = (field: string) => ({
  field,
  where: STEP,
  text: "What are the 10 minutes for?",
  choices: ["heat", "rest"].map((kind) => ({ label: kind, correction: { line: STEP, minutes: "10 minutes", kind } })),
});
const other = (n: number) => ({ field: "water", where: `line ${n}`, text: `Does line ${n} go in?`, choices: [] });
const show = (doubts: object[], most?: number) =>
  render(<Doubts reading={{ doubts } as unknown as Reading} most={most} />);

beforeEach(() => draft.set({ ...NO_DRAFT, text: STEP }));

it("asks once what two totals hang on, and one touch settles it", async () => {
  show([minutes("simmer"), minutes("rest")]);
  expect(screen.getAllByRole("group")).toHaveLength(1);
  await userEvent.click(screen.getByRole("button", { name: "rest" }));
  expect(draft.get().corrections).toEqual([
    expect.objectContaining({ line: STEP, minutes: "10 minutes", kind: "rest" }),
  ]);
});

it("says of both lines what one touch means of both", async () => {
  const said = ["1 cup wild rice", "1 cup white rice"].map((line) => ({ line, role: "source_grain" }));
  const choices = [
    { label: "1 cup wild rice", correction: said[0], also: null },
    { label: "both, as one", correction: said[0], also: said[1] },
  ];
  show([{ field: "grain", where: "1 cup wild rice", text: "Which is shifted?", choices }]);
  await userEvent.click(screen.getByRole("button", { name: "both, as one" }));
  expect(draft.get().corrections).toEqual(said.map((c) => expect.objectContaining(c) as unknown));
  // one touch is one step back
  expect(draft.get().before).toHaveLength(1);
});

it("counts questions, not doubts, in what is still to come", () => {
  show([minutes("simmer"), minutes("rest"), other(1), other(2)], 2);
  expect(screen.getByText("Does line 1 go in?")).toBeVisible();
  expect(screen.queryByText("Does line 2 go in?")).toBeNull();
  expect(screen.getByText("and 1 more once these are settled")).toBeVisible();
});

it("asks the same words about two lines twice", () => {
  show([other(1), { ...other(1), where: "line 7" }]);
  expect(screen.getAllByText("Does line 1 go in?")).toHaveLength(2);
});
