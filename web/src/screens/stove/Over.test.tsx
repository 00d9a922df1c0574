import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { CookState, CookStep } from "../../api/client";
import { changes, serve, show, type Asked } from "../../test-kit";
import { Over } from "./Over";

const finish = (end: number) => ({ id: "a/finish", kind: "finish", end }) as CookStep;
const keep = {
  id: "keep",
  kind: "keep",
  offset: 90,
  cautions: ["Cooked grain left warm makes toxin that heating does not undo."],
} as unknown as CookStep;
const done = (id: string, kind: string) => ({
  id,
  kind,
  minute: 61,
  rank: id === "e0" ? 0 : 1,
  text: "On the table",
  data: {},
});
const state = (more: object = {}) =>
  ({
    title: "Saffron pan with peas",
    said: ["Cooked 4 minutes longer than planned."],
    steps: [finish(61), keep],
    events: [done("e1", "done")],
    serve: { planned: 60, expected: 60 },
    ended: null,
    ...more,
  }) as unknown as CookState;
const entry = {
  id: 9,
  name: "quinoa",
  dish: "Saffron pan with peas",
  grain: "quinoa",
  pour_said: "300 ml",
  poured_said: "",
  cook_min: 15,
  taken_min: 17,
  wet: null,
  soft: null,
};
const undo = vi.fn();
// a clock that begins at 18:00
const clockAt = (m: number) => `${18 + Math.floor(m / 60)}:${String(Math.round(m) % 60).padStart(2, "0")}`;
const over = (s: CookState, practice = false) =>
  show(
    <Over
      state={s}
      undo={undo}
      clockAt={clockAt}
      id={4}
      practice={practice}
      at={(m) => Date.UTC(2026, 10, 25, 18) + 60_000 * m}
    />,
  );

let asked: Asked[];
let entries: unknown[];
beforeEach(() => {
  undo.mockClear();
  entries = [entry];
  asked = serve({
    "GET /api/notebook": () => ({ entries, more: false, total: entries.length }),
    "GET /api/left": { left: [], fridge_days: 1 },
    "PUT /api/notebook/9": (body: object) => ({ ...entry, ...body }),
    "POST /api/left": {},
  });
});
afterEach(() => vi.unstubAllGlobals());

it("says when it was served, by when the rest is cold, and the caution with it", () => {
  const { unmount } = over(state());
  expect(screen.getByText(/Saffron pan with peas, at 19:01/)).not.toHaveTextContent("instead");
  expect(screen.getByText(/into the fridge by 20:31/)).not.toHaveTextContent("practice");
  expect(screen.getByText(/Cooked grain left warm/)).toBeInTheDocument();
  unmount();
  over(state({ steps: [finish(75), keep] }), true);
  expect(screen.getByText(/at 19:15 instead of 19:00/)).toBeInTheDocument();
  expect(screen.getByText(/into the fridge by 20:45/)).toHaveTextContent("by the practice clock");
});

it("takes the last touch back", async () => {
  over(state({ events: [done("e0", "begun"), done("e1", "done")] }));
  await userEvent.click(screen.getByRole("button", { name: "Not over yet" }));
  expect(undo).toHaveBeenCalledWith("e1");
});

it("says how it came out by one touch each, and that nothing was poured", async () => {
  over(state());
  const sheet = await screen.findByRole("region", { name: "How quinoa came out" });
  expect(
    within(sheet).getByText("Told 300 ml and 15 minutes; poured nothing, 17 minutes at the boil."),
  ).toBeInTheDocument();
  const [wet, soft] = within(sheet)
    .getAllByRole("radiogroup")
    .map((g) => within(g).getAllByRole("radio"));
  await userEvent.click(wet?.[3] as HTMLElement);
  await userEvent.click(soft?.[0] as HTMLElement);
  await waitFor(() =>
    expect(changes(asked)).toEqual([
      { do: "PUT /api/notebook/9", body: { wet: 1 } },
      { do: "PUT /api/notebook/9", body: { soft: -2 } },
    ]),
  );
});

it("puts away as many portions as are left, with the time they were served", async () => {
  over(state());
  const fewer = await screen.findByRole("button", { name: "One portion fewer" });
  await userEvent.click(fewer);
  expect(fewer).toBeDisabled();
  expect(screen.getByRole("button", { name: "portion left" })).toBeInTheDocument();
  for (let n = 0; n < 3; n++) await userEvent.click(screen.getByRole("button", { name: "One portion more" }));
  await userEvent.click(screen.getByRole("button", { name: "portions left" }));
  await waitFor(() =>
    expect(changes(asked)).toEqual([
      {
        do: "POST /api/left",
        body: { name: "Saffron pan with peas", grain: "quinoa", portions: 4, served: "2026-11-25T19:01:00.000Z" },
      },
    ]),
  );
  await waitFor(() => expect(screen.queryByText("Is any left?")).toBeNull());
});

it("asks nothing of a pot that was stopped before it was anything", async () => {
  entries = [];
  over(state({ steps: [], ended: 12, events: [done("e2", "ended")] }));
  await waitFor(() => expect(asked.map((a) => a.path)).toContain("/api/notebook"));
  expect(screen.getByText(/Saffron pan with peas, ended/)).toBeInTheDocument();
  expect(screen.queryByText(/into the fridge/)).toBeNull();
  expect(screen.queryByText(/How did/)).toBeNull();
});
