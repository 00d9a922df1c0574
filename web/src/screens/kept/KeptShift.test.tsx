import { act, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { Route } from "../../ui/route";
import { settle } from "../../ui/gone";
import { changes, here, serve, show, type Asked } from "../../test-kit";
import { choice, draft } from "../draft";
import { tonight } from "../plan/tonight";
import { KeptShift } from "./KeptShift";

const WATER = {
  pour_ml: 540,
  jug_ml: 540,
  reserve_ml: 60,
  kettle_ml: 60,
  low_ml: 480,
  high_ml: 600,
  ratio_by_volume: 1.9,
  depth_above_cm: 1.5,
  pour_said: { amount: 540, unit: "ml" },
  of: "water",
};
const POT = {
  grain: "quinoa",
  name: "quinoa",
  short: "quinoa",
  dry: { ml: 285, g: 205 },
  method: "covered",
  texture: "fluffy",
  texture_at: 1,
  texture_word: "fluffy",
  lid: "ordinary",
  water: WATER,
  soak: { min: 0, uptake_ml: 0 },
  roast: { kind: "none", min: 0, why: "" },
  time: { come_up_min: 5, cook: { low: 13, typical: 15, high: 18 }, release_min: 0, rest_min: 5, total_min: 25 },
  yield: { ml: 800, g: 640 },
  done_when: "",
  ledger: [],
  time_ledger: [],
  cautions: [],
  basis: "practice",
  problems: [],
  parts: [],
  curve: [],
  pot: { cm: 20, l: 3 },
};
const result = {
  title: "Saffron pan with peas, in quinoa",
  title_marks: [],
  servings: 4,
  from: { grain: "basmati", name: "basmati rice", dry_ml: 285, dry_g: 220, cook_min: 13, water_ml: 500, was_title: "" },
  pots: [POT],
  blend: { kind: "alone", because: "" },
  ingredients: [],
  steps: [],
  changes: [],
  check: [],
  problems: [],
  cautions: [],
  laws: [],
  strip: [],
  count_out: [],
  allergens: [],
  times: [],
  process: { vessels: [], operations: [] },
};
const kept = (more: object = {}) => ({
  id: 5,
  recipe_id: 1,
  title: result.title,
  grain: "quinoa",
  text: "Saffron pan\n285 ml rice",
  corrections: [],
  choice: { to: "quinoa", pot_id: 2, pot_cm: 24, boil_off: 1.2, factors: { water: 1.1 } },
  factors: {},
  engine: "0.19.0",
  engine_now: "0.20.0",
  created: "2026-11-20T10:00:00Z",
  result,
  ...more,
});
let asked: Asked[];
let shift: object;
let held: object[];
beforeEach(() => {
  window.history.replaceState(null, "", "/kept/5");
  shift = kept();
  held = [];
  asked = serve({
    "GET /api/shifts/5": () => shift,
    "GET /api/shifts/6": { status: 404, trouble: { code: "missing", where: "", text: "That is not here any more." } },
    "GET /api/grains": [],
    "GET /api/lessons": () => ({ lessons: [], held }),
    "GET /api/tonight": { version: 1, plan: null },
    "PUT /api/tonight": { version: 2 },
  });
});
afterEach(async () => {
  await act(settle);
  tonight.forget();
  vi.unstubAllGlobals();
});
const open = (address = "/kept/5") => {
  window.history.replaceState(null, "", address);
  return show(
    <Route path="/kept/:id">
      <KeptShift />
    </Route>,
  );
};

it("says that the reckoning has been improved since, or that the pots have taught something", async () => {
  const { unmount } = open();
  expect(await screen.findByText(/The reckoning has been improved since/)).toBeInTheDocument();
  unmount();
  held = [{ kind: "grain", subject: "quinoa", decided: "2026-11-24T10:00:00Z", text: "" }];
  const taught = open();
  expect(await screen.findByText(/Your pots have taught something since/)).toBeInTheDocument();
  taught.unmount();
  // what was learnt before it was kept is in it, and another grain's lesson is none of its own
  held = [
    { kind: "grain", subject: "quinoa", decided: "2026-11-01T10:00:00Z", text: "" },
    { kind: "grain", subject: "sorghum", decided: "2026-11-24T10:00:00Z", text: "" },
  ];
  shift = kept({ engine: "0.20.0" });
  open();
  expect(await screen.findByText("Kept 20 November 2026")).toBeInTheDocument();
});

it("goes back to the bench with today's pot and without yesterday's factors", async () => {
  open();
  await userEvent.click(await screen.findByRole("button", { name: /Back on the bench/ }));
  await waitFor(() => expect(here()).toBe("/bench"));
  expect(draft.get()).toMatchObject({ text: "Saffron pan\n285 ml rice", recipeId: 1 });
  expect(choice.get()).toMatchObject({ to: "quinoa", pot_id: 2, pot_cm: null, boil_off: null, factors: null });
});

it("is planned once, and thrown away when the offer is over", async () => {
  open();
  await userEvent.click(await screen.findByRole("button", { name: /Plan it/ }));
  await waitFor(() => expect(here()).toBe("/plan"));
  await waitFor(() =>
    expect(changes(asked).at(-1)).toMatchObject({ do: "PUT /api/tonight", body: { plan: { dishes: [{ key: "5" }] } } }),
  );
});

it("is out of sight at once when thrown away", async () => {
  open();
  await userEvent.click(await screen.findByRole("button", { name: "Throw this shift away" }));
  expect(here()).toBe("/kept");
  expect(changes(asked)).toEqual([]);
  await act(settle);
  expect(changes(asked)).toEqual([{ do: "DELETE /api/shifts/5", body: null }]);
});

it("says that what is gone is gone", async () => {
  open("/kept/6");
  expect(await screen.findByText("That is not here any more.")).toBeInTheDocument();
  expect(screen.getByRole("link", { name: "To the list" })).toHaveAttribute("href", "/kept");
});
