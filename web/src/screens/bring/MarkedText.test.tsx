import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import type { Reading } from "../../api/client";
import { draft, NO_DRAFT } from "../draft";
import { MarkedText } from "./MarkedText";

const text = "Pot\n\n200 g rice\n300 ml water\nsomething odd\n\n1. Simmer 16 minutes.";
const line = (said: string, role: string, more: object = {}) => {
  const at = text.indexOf(said);
  return {
    text: said,
    section: "",
    quantity: 1,
    unit: "g",
    name: said,
    role,
    ml: null,
    g: null,
    kind: "",
    grain: null,
    water_ml: 0,
    corrected: false,
    span: [at, at + said.length],
    name_span: null,
    amount_span: null,
    ...more,
  };
};
const minutes = text.indexOf("16 minutes");
const reading = {
  title: "Pot",
  servings: null,
  source_grain: null,
  text,
  notes: [],
  headings: [],
  count_out: [],
  allergens: [],
  method: "covered",
  lid: "ordinary",
  texture: "fluffy",
  dish: "",
  soak_min: 0,
  simmer_min: 16,
  rest_min: null,
  liquid_water_ml: 300,
  lines: [
    line("200 g rice", "source_grain", { grain: "basmati" }),
    line("300 ml water", "pot_liquid", { water_ml: 300, ml: 300 }),
  ],
  steps: [
    {
      text: "Simmer 16 minutes.",
      section: "",
      mentions: [],
      span: [text.indexOf("Simmer"), text.length],
      durations: [{ low_min: 16, high_min: 16, text: "16 minutes", kind: "heat", span: [minutes, minutes + 10] }],
    },
  ],
  classes: text
    .split("\n")
    .filter(Boolean)
    .map((said) => ({
      span: [text.indexOf(said), text.indexOf(said) + said.length],
      text: said,
      cls: said === "Pot" ? "title" : said.startsWith("1.") ? "step" : said === "something odd" ? "note" : "ingredient",
      sure: 0.9,
    })),
  doubts: [],
  process: { vessels: [], operations: [] },
  whistles: null,
  release_min: null,
  problems: [{ code: "no_amount", where: "200 g rice", text: "How much?", severity: "stop" }],
} as unknown as Reading;

const show = () =>
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false, enabled: false } } })}>
      <MarkedText reading={reading} />
    </QueryClientProvider>,
  );

beforeEach(() => draft.set({ ...NO_DRAFT, text }));

it("shows the text letter for letter, what was not understood unmarked", () => {
  const { container } = show();
  for (const piece of ["Pot", "200 g rice", "300 ml water", "something odd", "1. Simmer", "16 minutes"])
    expect(container).toHaveTextContent(piece);
  expect(screen.getByRole("button", { name: /something odd/ })).toHaveTextContent(/^note/);
  expect(screen.getByRole("button", { name: /^300 ml water/ })).toBeInTheDocument();
  expect(screen.getByText("waters the pot: 300 ml")).toBeInTheDocument();
});

it("lets a line be said to be something else", async () => {
  show();
  const user = userEvent.setup({ delay: null, pointerEventsCheck: 0 });
  await user.click(screen.getByRole("button", { name: "note: something odd" }));
  await user.click(screen.getByRole("radio", { name: "goes in" }));
  expect(draft.get().corrections).toEqual([{ line: "something odd", cls: "ingredient" }]);
});

it("says what is wrong at the line it is about", () => {
  show();
  expect(screen.getByRole("alert")).toHaveTextContent("How much?");
});

it("takes the cook's word on a line and on minutes, anchored to their text", async () => {
  show();
  const user = userEvent.setup({ delay: null, pointerEventsCheck: 0 });
  await user.click(screen.getByRole("button", { name: /^300 ml water/ }));
  await user.click(screen.getByRole("radio", { name: "joins after" }));
  expect(draft.get().corrections).toEqual([{ line: "300 ml water", role: "after" }]);
  await user.keyboard("{Escape}");
  await user.click(screen.getByRole("button", { name: /^16 minutes/ }));
  await user.click(screen.getByRole("radio", { name: "the rest" }));
  expect(draft.get().corrections).toContainEqual({ line: "Simmer 16 minutes.", minutes: "16 minutes", kind: "rest" });
});
