import { act, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { setManner } from "../../job/manner";
import type { Bag, LeftOver } from "../../api/client";
import { settle } from "../../ui/gone";
import { changes, here, serve, show, type Asked } from "../../test-kit";
import { choice, draft } from "../draft";
import { Larder } from "./Larder";

const bag = (id: number, more: Partial<Bag> = {}): Bag => ({
  id,
  grain: "foxtail-millet",
  name: "foxtail millet",
  kind: "bag",
  grams: 500,
  full_g: 500,
  best_before: null,
  opened: null,
  label_ratio: null,
  label_min: null,
  old: "",
  label: "",
  ...more,
});
const leftOver = (id: number, more: Partial<LeftOver> = {}): LeftOver =>
  ({
    id,
    name: "Saffron pan with peas",
    grain: "quinoa",
    portions: 2,
    served: "2026-11-25T19:00:00Z",
    place: "table",
    said: "Into the fridge by 20:30.",
    over: false,
    reheat: "Steaming hot throughout.",
    idea: "",
    ...more,
  }) as LeftOver;

let bags: Bag[];
let left: LeftOver[];
let asked: Asked[];
beforeEach(() => {
  window.history.replaceState(null, "", "/larder");
  bags = [
    bag(1),
    bag(2, {
      grain: "quinoa",
      name: "quinoa",
      grams: 180,
      full_g: 400,
      opened: "2026-11-01",
      old: "Old: a little more water.",
    }),
  ];
  left = [];
  asked = serve({
    "GET /api/larder": () => bags,
    "GET /api/left": () => ({ left, fridge_days: 1 }),
    "GET /api/grains": [],
    "POST /api/larder": ({ line }: { line: string }) => {
      if (!/\d/.test(line))
        return {
          status: 422,
          trouble: { code: "amount", where: "line", text: "How much is in it? Write it as 500 g quinoa." },
        };
      bags = [...bags, bag(3, { grain: "barley-pearl", name: "pearl barley" })];
      return bags[2];
    },
    "GET /api/recipes/7": { id: 7, text: "Pilaf\n200 g rice", corrections: [], title: "Pilaf" },
    "GET /api/larder/2/dishes": {
      dishes: [{ recipe_id: 7, title: "Pilaf", minutes: 20, reason: "", needs_g: 100, enough: true, rank: 1 }],
      page: 1,
      pages: 1,
      of: 1,
    },
    "POST /api/left/5/warm": { text: "Warmed pan\n\n1. Steam it." },
  });
});
afterEach(async () => {
  await act(settle);
  vi.unstubAllGlobals();
  draft.set({ ...draft.get(), text: "" });
});

it("puts a typed jar on the shelf, and keeps what was typed where it cannot", async () => {
  show(<Larder />);
  const line = await screen.findByRole("textbox", { name: "A jar or bag" });
  const put = screen.getByRole("button", { name: "Put it in" });
  expect(put).toBeDisabled();
  await userEvent.type(line, "barley");
  await userEvent.click(put);
  expect(await screen.findByText(/How much is in it/)).toBeInTheDocument();
  expect(line).toHaveValue("barley");
  expect(line).toHaveAttribute("aria-invalid", "true");
  await userEvent.type(line, " 500 g{Enter}");
  await waitFor(() => expect(line).toHaveValue(""));
  expect(await screen.findByText("pearl barley")).toBeInTheDocument();
});

it("draws each jar as full as it is, and says what is old", async () => {
  const { container } = show(<Larder />);
  await screen.findByText("foxtail millet");
  const level = (n: number) =>
    Number([...container.querySelectorAll("li svg")][n]?.querySelectorAll("rect[rx='5']")[0]?.getAttribute("height"));
  expect(level(0)).toBeCloseTo(44 + 44 * 0.5 - 22);
  expect(level(1)).toBeCloseTo((44 + 44 * 0.4 - 22) * 0.45);
  expect(screen.getByText("old")).toBeInTheDocument();
});

it("changes what is left in a jar only where it changed, and opens it once", async () => {
  show(<Larder />);
  await userEvent.click(await screen.findByRole("button", { name: /foxtail millet/ }));
  const grams = screen.getByRole("textbox", { name: "Left, g" });
  await userEvent.click(grams);
  await userEvent.tab();
  expect(changes(asked)).toEqual([]);
  await userEvent.clear(grams);
  await userEvent.type(grams, "320,5");
  await userEvent.tab();
  await userEvent.clear(grams);
  await userEvent.type(grams, "some");
  await userEvent.tab();
  await waitFor(() => expect(changes(asked).map((c) => c.body)).toEqual([{ grams: 320.5 }, { grams: -1 }]));
  await userEvent.click(screen.getByRole("button", { name: "Opened today" }));
  await waitFor(() => expect(changes(asked).at(-1)?.body).toEqual({ opened: new Date().toISOString().slice(0, 10) }));
  await userEvent.click(screen.getByRole("button", { name: /quinoa/ }));
  expect(screen.queryByRole("button", { name: "Opened today" })).toBeNull();
  expect(screen.getByText(/Open since 1 November 2026/)).toBeInTheDocument();
});

it("takes an empty jar out of sight at once and tells the server when the offer is over", async () => {
  show(<Larder />);
  await userEvent.click(await screen.findByRole("button", { name: /foxtail millet/ }));
  await userEvent.click(screen.getByRole("button", { name: "It is empty" }));
  await waitFor(() => expect(screen.queryByRole("button", { name: /foxtail millet/ })).toBeNull());
  expect(changes(asked)).toEqual([]);
  await act(settle);
  expect(changes(asked)).toEqual([{ do: "DELETE /api/larder/1", body: null }]);
});

it("brings a dish to the bench with the jar it is made from", async () => {
  show(<Larder />);
  await userEvent.click(await screen.findByRole("button", { name: /quinoa/ }));
  await userEvent.click(screen.getByRole("button", { name: "What can I make from this?" }));
  await userEvent.click(await screen.findByRole("button", { name: /Pilaf/ }));
  await waitFor(() => expect(here()).toBe("/bench"));
  expect(draft.get().text).toContain("200 g rice");
  expect(choice.get()).toMatchObject({ to: "quinoa", bag_id: 2, age: "old" });
});

it("leads what is left over from the table to the fridge, the pot and the end", async () => {
  left = [
    leftOver(4),
    leftOver(5, { place: "fridge", portions: 3 }),
    leftOver(6, { place: "fridge", over: true, said: "Too old: throw it away." }),
  ];
  show(<Larder />);
  const section = await screen.findByRole("region", { name: "Left over" });
  const rows = within(section).getAllByRole("listitem");
  const names = (n: number) =>
    within(rows[n] as HTMLElement)
      .getAllByRole("button")
      .map((b) => b.textContent);
  expect(names(0)).toEqual(["It is in the fridge", "Frozen", "All eaten"]);
  expect(names(1)).toEqual(["Warm it tonight", "Frozen", "One eaten", "All eaten"]);
  expect(names(2)).toEqual(["Thrown away"]);
  const touch = (n: number, name: string) =>
    userEvent.click(within(rows[n] as HTMLElement).getByRole("button", { name }));
  await touch(0, "It is in the fridge");
  await touch(1, "One eaten");
  await touch(2, "Thrown away");
  await waitFor(() =>
    expect(changes(asked)).toEqual([
      { do: "PUT /api/left/4", body: { place: "fridge" } },
      { do: "PUT /api/left/5", body: { place: "fridge", portions: 2 } },
      { do: "PUT /api/left/6", body: { place: "gone" } },
    ]),
  );
  await touch(1, "Warm it tonight");
  await waitFor(() => expect(here()).toBe("/bring"));
  expect(draft.get().text).toMatch(/^Warmed pan/);
});

it("asks which rule the household follows", async () => {
  show(<Larder />);
  await userEvent.selectOptions(await screen.findByRole("combobox", { name: /The rule you follow/ }), "3 days");
  await waitFor(() => expect(changes(asked)).toEqual([{ do: "PUT /api/household/rule", body: { days: 3 } }]));
});

it("counts its jars in ounces where the house goes by cups", async () => {
  setManner({ amounts: "cups", heat: "", clock: 24 }, 240);
  show(<Larder />);
  expect(await screen.findByText("17.6 oz")).toBeInTheDocument();
  expect(screen.getByPlaceholderText("1 lb foxtail millet, best 3/2027")).toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: /foxtail millet/ }));
  const ounces = screen.getByRole("textbox", { name: "Left, oz" });
  await userEvent.click(ounces);
  await userEvent.tab();
  expect(changes(asked)).toEqual([]);
  await userEvent.clear(ounces);
  await userEvent.type(ounces, "10");
  await userEvent.tab();
  await waitFor(() => expect(changes(asked).at(-1)?.body).toEqual({ grams: 284 }));
  setManner({ amounts: "", heat: "", clock: 24 }, 240);
});

it("opens just a pot of it, and closes it again, without going anywhere", async () => {
  show(<Larder />);
  await userEvent.click(await screen.findByRole("button", { name: /foxtail millet/ }));
  const alone = screen.getByRole("button", { name: "Just a pot of it" });
  expect(alone).toHaveAttribute("aria-expanded", "false");
  await userEvent.click(alone);
  expect(alone).toHaveAttribute("aria-expanded", "true");
  await userEvent.click(alone);
  expect(alone).toHaveAttribute("aria-expanded", "false");
  expect(changes(asked)).toEqual([]);
});
