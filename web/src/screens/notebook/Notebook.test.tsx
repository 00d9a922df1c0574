import { act, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { Entry, Lessons as LessonsData } from "../../api/client";
import { settle } from "../../ui/gone";
import { changes, serve, show, type Asked } from "../../test-kit";
import { ByHand } from "./ByHand";
import { EntrySheet } from "./EntrySheet";
import { Lessons } from "./Lessons";

const NOW = new Date("2026-11-27T20:00");
const entry = {
  id: 3,
  on: "2026-11-26",
  dish: "Tomato pilaf with chickpeas",
  grain: "foxtail-millet",
  name: "foxtail millet",
  pot: "the blue one",
  pour_ml: 480,
  pour_said: "480 ml",
  poured_ml: null,
  cook_min: 14,
  taken_min: 15,
  wet: null,
  soft: null,
  word: "",
  note: "",
  stars: 3,
  counts: true,
  photo: false,
} as unknown as Entry;
let asked: Asked[];
beforeEach(() => {
  asked = serve({
    "GET /api/shifts": [{ id: 8, title: "Saffron pan with peas, in quinoa", grain: "quinoa" }],
    "GET /api/grains": [
      { slug: "quinoa", name: "quinoa" },
      { slug: "barley-pearl", name: "pearl barley" },
    ],
    "GET /api/kitchen": { pots: [{ id: 2, name: "the blue one" }], burners: [1200], said: true },
    "POST /api/notebook": (body: { dish?: string; grain?: string | null; shift_id?: number }) =>
      body.shift_id || body.grain
        ? { ...entry, id: 12 }
        : { status: 422, trouble: { code: "grain", where: "grain", text: "Say which grain it was." } },
  });
});
afterEach(async () => {
  await act(settle);
  vi.unstubAllGlobals();
});
const last = () => changes(asked).at(-1);

it("keeps what was poured when it is a number and another one, and says where it is none", async () => {
  show(<EntrySheet entry={entry} now={NOW} onClose={() => undefined} />);
  const poured = screen.getByRole("textbox", { name: /Poured in all/ });
  await userEvent.type(poured, "a lot{Enter}");
  expect(screen.getByText(/“a lot” is no number/)).toBeInTheDocument();
  expect(poured).toHaveAttribute("aria-invalid", "true");
  expect(changes(asked)).toEqual([]);
  await userEvent.clear(poured);
  await userEvent.type(poured, "512,5{Enter}");
  await waitFor(() => expect(changes(asked)).toEqual([{ do: "PUT /api/notebook/3", body: { poured_ml: 512.5 } }]));
  const taken = screen.getByRole("textbox", { name: /Minutes at the boil/ });
  await userEvent.click(taken);
  await userEvent.tab();
  // nothing was changed there, so nothing is told
  expect(changes(asked).some((c) => "taken_min" in (c.body as object))).toBe(false);
  await userEvent.clear(taken);
  await userEvent.tab();
  await waitFor(() => expect(last()?.body).toEqual({ taken_min: null }));
});

it("takes a word, stars and whether the pot counts; the same star again takes it back", async () => {
  show(<EntrySheet entry={entry} now={NOW} onClose={() => undefined} />);
  await userEvent.type(screen.getByRole("textbox", { name: "A word" }), "nutty");
  await userEvent.tab();
  await waitFor(() => expect(last()?.body).toEqual({ word: "nutty" }));
  await userEvent.click(screen.getByRole("button", { name: "5 of 5 stars" }));
  await waitFor(() => expect(last()?.body).toEqual({ stars: 5 }));
  await userEvent.click(screen.getByRole("button", { name: "3 of 5 stars" }));
  await waitFor(() => expect(last()?.body).toEqual({ stars: null }));
  await userEvent.click(screen.getByRole("checkbox", { name: "Learn from this pot" }));
  await waitFor(() => expect(last()?.body).toEqual({ counts: false }));
});

it("tears a page out: out of sight, the server is told when the offer is over", async () => {
  const closed = vi.fn();
  show(<EntrySheet entry={entry} now={NOW} onClose={closed} />);
  await userEvent.click(screen.getByRole("button", { name: /Tear this page out/ }));
  expect(closed).toHaveBeenCalledOnce();
  expect(changes(asked)).toEqual([]);
  await act(settle);
  expect(changes(asked)).toEqual([{ do: "DELETE /api/notebook/3", body: null }]);
});

it("writes a meal down from a kept shift, which knows its grain and pot", async () => {
  const closed = vi.fn();
  show(<ByHand onClose={closed} />);
  await userEvent.selectOptions(
    await screen.findByRole("combobox", { name: "Which dish?" }),
    await screen.findByRole("option", { name: /Saffron pan/ }),
  );
  expect(screen.queryByRole("textbox", { name: "Its name" })).toBeNull();
  await userEvent.type(screen.getByRole("textbox", { name: /Poured in all/ }), "430");
  await userEvent.click(screen.getByRole("button", { name: "Write it down" }));
  await waitFor(() => expect(closed).toHaveBeenCalledWith(12));
  expect(last()).toEqual({
    do: "POST /api/notebook",
    body: { shift_id: 8, on: null, poured_ml: 430, taken_min: null, wet: null, soft: null, word: null },
  });
});

it("writes a meal down by its grain, and loses nothing where something lacks", async () => {
  const closed = vi.fn();
  show(<ByHand onClose={closed} />);
  await userEvent.type(await screen.findByRole("textbox", { name: "Its name" }), "Stuffed peppers");
  await userEvent.type(screen.getByRole("textbox", { name: /Dry, such as/ }), "200 g");
  await userEvent.type(screen.getByRole("textbox", { name: /Minutes at the boil/ }), "twenty");
  await userEvent.click(screen.getByRole("button", { name: "Write it down" }));
  expect(await screen.findByText("Say which grain it was.")).toBeInTheDocument();
  // what is no number is told to the server as one that it names
  expect(last()?.body).toMatchObject({
    dish: "Stuffed peppers",
    grain: null,
    amount: "200 g",
    pot_id: null,
    taken_min: -1,
  });
  expect(closed).not.toHaveBeenCalled();
  const grain = screen.getByRole("combobox", { name: "Grain" });
  expect(grain).toHaveAttribute("aria-invalid", "true");
  await userEvent.selectOptions(grain, "pearl barley");
  await userEvent.selectOptions(screen.getByRole("combobox", { name: "Pot" }), "the blue one");
  await userEvent.click(screen.getByRole("button", { name: "Write it down" }));
  await waitFor(() => expect(closed).toHaveBeenCalledWith(12));
  expect(last()?.body).toMatchObject({ dish: "Stuffed peppers", grain: "barley-pearl", amount: "200 g", pot_id: 2 });
});

const LESSONS: LessonsData = {
  lessons: [{ kind: "pot", subject: "2", text: "The blue one boils off a fifth more.", entries: [3, 5] }],
  held: [{ kind: "grain", subject: "quinoa", text: "Quinoa drinks a little less here." }],
} as unknown as LessonsData;

it("accepts, refuses and takes back what the pots say, and forgets all only when told twice", async () => {
  vi.unstubAllGlobals();
  asked = serve({ "GET /api/lessons": LESSONS });
  const shown = vi.fn();
  show(<Lessons show={shown} />);
  await userEvent.click(await screen.findByRole("button", { name: /^Show them/ }));
  expect(shown).toHaveBeenCalledWith([3, 5]);
  await userEvent.click(screen.getByRole("button", { name: /^Reckon with it/ }));
  await waitFor(() =>
    expect(last()).toEqual({ do: "POST /api/lessons", body: { kind: "pot", subject: "2", take: "accept" } }),
  );
  await waitFor(() => expect(screen.getByRole("button", { name: /^No: / })).toBeEnabled());
  await userEvent.click(screen.getByRole("button", { name: /^No: / }));
  await waitFor(() => expect(last()?.body).toMatchObject({ take: "refuse" }));
  await userEvent.click(screen.getByText("One thing learnt is reckoned with"));
  await userEvent.click(screen.getByRole("button", { name: "Back to the catalogue" }));
  await waitFor(() => expect(last()?.body).toEqual({ kind: "grain", subject: "quinoa", take: "reset" }));
  const before = changes(asked).length;
  await userEvent.click(screen.getByRole("button", { name: "Forget everything learnt" }));
  await userEvent.click(screen.getByRole("button", { name: "No" }));
  expect(changes(asked)).toHaveLength(before);
  await userEvent.click(screen.getByRole("button", { name: "Forget everything learnt" }));
  await userEvent.click(screen.getByRole("button", { name: "Yes, forget all of it" }));
  await waitFor(() => expect(last()).toEqual({ do: "DELETE /api/lessons", body: null }));
});
