import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { CookPot, CookStep, Rescue } from "../../api/client";
import { setManner } from "../../job/manner";
import { changes, serve, show, type Asked } from "../../test-kit";
import { AfterMeal } from "./After";
import { NoteSheet, PourSheet, RecipeSheet, WrongSheet } from "./Sheets";

const mend = (minute: number, more: Partial<Rescue> = {}): Rescue => ({
  minute,
  what: "dry",
  text: `At minute ${minute}.`,
  add_ml: 60,
  add_said: { amount: 0.25, unit: "cup" },
  add_min: 4,
  lid: "",
  because: "",
  ...more,
});
const pot = (key: string, more: Partial<CookPot> = {}): CookPot =>
  ({
    key,
    name: `${key} millet`,
    short: key,
    grain: "foxtail-millet",
    pour_ml: 480,
    poured_ml: 480,
    top_ups_ml: 0,
    on: 10,
    lid: "ordinary",
    own_lid: "ordinary",
    splashes: [
      { ml: 60, said: "¼ glass" },
      { ml: 120, said: "½ glass" },
    ],
    wrongs: [
      {
        code: "dry",
        text: "It is dry",
        mends: [mend(0, { add_ml: 20 }), mend(10), mend(20, { add_ml: 90, add_min: 6, lid: "tight" })],
      },
    ],
    ...more,
  }) as unknown as CookPot;
const cook = (p: string): CookStep =>
  ({ id: `${p}/cook`, pot: p, kind: "cook", status: "running" }) as unknown as CookStep;

const touch = vi.fn();
const onOpen = vi.fn();
let asked: Asked[] = [];
beforeEach(() => {
  touch.mockClear();
  onOpen.mockClear();
});
afterEach(() => vi.unstubAllGlobals());

it("pours a splash into the pot that is meant, and closes", async () => {
  show(<PourSheet open onOpen={onOpen} touch={touch} pots={[pot("a"), pot("b")]} first={pot("a")} />);
  await userEvent.click(screen.getByRole("button", { name: "b millet" }));
  await userEvent.click(screen.getByRole("button", { name: /½ glass/ }));
  expect(touch).toHaveBeenCalledExactlyOnceWith("poured", { pot: "b", ml: 120 }, "120 ml more");
  expect(onOpen).toHaveBeenCalledWith(false);
});

it.each([["lots"], ["0"], ["5001"], [""]])("pours nothing that is no amount: “%s”", async (text) => {
  show(<PourSheet open onOpen={onOpen} touch={touch} pots={[pot("a")]} first={pot("a")} />);
  if (text) await userEvent.type(screen.getByRole("textbox"), text);
  await userEvent.click(screen.getByRole("button", { name: "Poured" }));
  expect(screen.getByText(/is no amount to pour; write millilitres, up to 5000 ml/)).toBeInTheDocument();
  expect(touch).not.toHaveBeenCalled();
  expect(screen.queryByRole("group", { name: "Which pot" })).toBeNull();
});

it("is told in cups where the house goes by cups", async () => {
  setManner({ amounts: "cups", heat: "", clock: 24 }, 240);
  show(<PourSheet open onOpen={onOpen} touch={touch} pots={[pot("a")]} first={pot("a")} />);
  await userEvent.type(screen.getByRole("textbox", { name: "Another amount, in cups" }), "1/3");
  await userEvent.click(screen.getByRole("button", { name: "Poured" }));
  expect(touch).toHaveBeenCalledWith("poured", { pot: "a", ml: 80 }, "0.33 cups more");
  setManner({ amounts: "", heat: "", clock: 24 }, 240);
});

it("takes an amount with a comma", async () => {
  show(<PourSheet open onOpen={onOpen} touch={touch} pots={[pot("a")]} first={pot("a")} />);
  await userEvent.type(screen.getByRole("textbox"), "37,5");
  await userEvent.click(screen.getByRole("button", { name: "Poured" }));
  expect(touch).toHaveBeenCalledWith("poured", { pot: "a", ml: 37.5 }, "37.5 ml more");
});

const wrong = (minute: number, steps: CookStep[] = [cook("a")], p = pot("a")) =>
  show(<WrongSheet open onOpen={onOpen} touch={touch} pots={[p]} first={p} steps={steps} minute={minute} />);

it("answers for the pot as it stands now, and does all of it with one touch", async () => {
  wrong(31);
  await userEvent.click(screen.getByRole("button", { name: "It is dry" }));
  expect(screen.getByText("At minute 20.")).toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: "I do that" }));
  expect(touch.mock.calls.map((c) => [c[0], c[1]])).toEqual([
    ["wrong", { pot: "a", what: "dry" }],
    ["poured", { pot: "a", ml: 90 }],
    ["not_yet", { step: "a/cook", minutes: 6 }],
    ["lid", { pot: "a", lid: "tight" }],
  ]);
  expect(onOpen).toHaveBeenCalledWith(false);
});

it("pours into no pot that is not on, and prolongs nothing that does not cook", async () => {
  wrong(31, [], pot("a", { on: null }));
  await userEvent.click(screen.getByRole("button", { name: "It is dry" }));
  expect(screen.getByText("At minute 0.")).toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: "I do that" }));
  expect(touch.mock.calls.map((c) => c[0])).toEqual(["wrong"]);
});

it("prolongs the rest of a pot that is off already", async () => {
  wrong(31, [{ ...cook("a"), id: "a/rest", kind: "rest" } as CookStep]);
  await userEvent.click(screen.getByRole("button", { name: "It is dry" }));
  await userEvent.click(screen.getByRole("button", { name: "I do that" }));
  expect(touch).toHaveBeenCalledWith("not_yet", { step: "a/rest", minutes: 6 }, "6 minutes more");
});

it("keeps a note of what was typed, and no empty one", async () => {
  show(<NoteSheet open onOpen={onOpen} touch={touch} notes={["A little more salt"]} />);
  expect(screen.getByText(/A little more salt/)).toBeInTheDocument();
  const keep = screen.getByRole("button", { name: "Keep the note" });
  await userEvent.type(screen.getByRole("textbox", { name: "Note" }), "  ");
  expect(keep).toBeDisabled();
  await userEvent.type(screen.getByRole("textbox", { name: "Note" }), "less fire ");
  await userEvent.click(keep);
  expect(touch).toHaveBeenCalledExactlyOnceWith("note", { text: "less fire" }, "note");
  expect(onOpen).toHaveBeenCalledWith(false);
});

it("shows the dishes under the names of their parts, each name once", async () => {
  serve({
    "GET /api/cookings/4/recipes": [
      {
        title: "Saffron pan with peas",
        ingredients: [
          { text: "300 g quinoa", section: "" },
          { text: "2 tbsp oil", section: "For the pan" },
          { text: "saffron", section: "For the pan" },
        ],
        steps: [
          { text: "Toast it.", section: "" },
          { text: "Pour.", section: "The pan" },
        ],
      },
    ],
  });
  show(<RecipeSheet open onOpen={onOpen} cooking={4} />);
  const dish = await screen.findByRole("region", { name: "Saffron pan with peas" });
  expect(within(dish).getAllByText("For the pan")).toHaveLength(1);
  expect(
    within(dish)
      .getAllByRole("listitem")
      .map((li) => li.textContent),
  ).toEqual(["300 g quinoa", "For the pan2 tbsp oil", "saffron", "Toast it.", "The panPour."]);
});

it("asks after the meal what is left, one portion to forty, and only once", async () => {
  const entry = {
    id: 3,
    dish: "Tomato pilaf with chickpeas",
    grain: "foxtail-millet",
    name: "foxtail millet",
    pour_said: "480 ml",
    cook_min: 14,
    poured_said: "",
    taken_min: 15,
    wet: null,
    soft: null,
  };
  asked = serve({
    "GET /api/notebook": { entries: [entry], page: 1, pages: 1 },
    "GET /api/left": { left: [], fridge_days: 1 },
  });
  show(<AfterMeal cooking={4} served={new Date("2026-11-25T19:00:00Z")} />);
  expect(await screen.findByText(/poured nothing, 15 minutes at the boil/)).toBeInTheDocument();
  const fewer = screen.getByRole("button", { name: "One portion fewer" });
  await userEvent.click(fewer);
  expect(fewer).toBeDisabled();
  await userEvent.click(screen.getByRole("button", { name: "portion left" }));
  await waitFor(() =>
    expect(changes(asked)).toEqual([
      {
        do: "POST /api/left",
        body: { name: entry.dish, grain: entry.grain, portions: 1, served: "2026-11-25T19:00:00.000Z" },
      },
    ]),
  );
  await waitFor(() => expect(screen.queryByText("Is any left?")).toBeNull());
});

it("names only what is to be done: water, minutes, both or neither", async () => {
  const only = (more: Partial<Rescue>) =>
    pot("a", { wrongs: [{ code: "dry", text: "It is dry", mends: [mend(0, more)] }] } as unknown as Partial<CookPot>);
  const ask = async (p: CookPot) => {
    const { unmount } = wrong(31, [cook("a")], p);
    await userEvent.click(screen.getByRole("button", { name: "It is dry" }));
    const told = screen.getByRole("dialog").textContent;
    unmount();
    return told;
  };
  expect(await ask(only({ add_ml: 60, add_min: 0 }))).toMatch(/ml boilingAt minute 0/);
  const minute = await ask(only({ add_ml: 0, add_min: 1 }));
  expect(minute).toMatch(/1minuteAt minute 0/);
  expect(minute).not.toMatch(/boiling/);
  expect(await ask(only({ add_ml: 0, add_min: 0 }))).not.toMatch(/boiling|minutes/);
});
