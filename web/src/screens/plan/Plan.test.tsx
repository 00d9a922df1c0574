import { act, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { PlanTask } from "../../api/client";
import { setManner } from "../../job/manner";
import { changes, here, serve, show, type Asked } from "../../test-kit";
import { Plan } from "./Plan";
import { tonight } from "./tonight";

const NOW = new Date("2026-11-27T15:00:00");
const at = (time: string) => new Date(`2026-11-27T${time}:00`).toISOString();
const task = (id: string, what: string, start: string, end: string, more: Partial<PlanTask> = {}): PlanTask =>
  ({
    id,
    what,
    dish: "Saffron pan with peas, in quinoa",
    part: "",
    start: at(start),
    end: at(end),
    hands_on: 0,
    resource: "none",
    kind: "cook",
    ...more,
  }) as unknown as PlanTask;
const TASKS = [
  task("a/rinse", "rinse the quinoa", "18:10", "18:15", { hands_on: 5 }),
  task("a/cook", "let it simmer", "18:20", "18:35", { resource: "burner" }),
];
const SHIFT = {
  id: 5,
  recipe_id: 1,
  title: "Saffron pan with peas, in quinoa",
  name: "quinoa",
  grain: "quinoa",
  pour_said: "420 ml",
  cook_min: 15,
  total_min: 35,
  created: "",
};

interface Sent {
  dishes: { key: string; changes: object | null }[];
  serve_at: string;
  burners: number | null;
  pinned: { id: string; start: string }[];
}
let asked: Asked[];
let plan: (body: Sent) => unknown;
const good = (body: Sent) => ({ serve_at: body.serve_at, start_at: at("18:10"), tasks: TASKS, problems: [], ways: [] });
beforeEach(() => {
  vi.useFakeTimers({ shouldAdvanceTime: true, toFake: ["Date"] });
  vi.setSystemTime(NOW);
  tonight.forget();
  window.history.replaceState(null, "", "/plan");
  plan = good;
  asked = serve({
    "GET /api/shifts": [SHIFT],
    "GET /api/recipes": [
      { id: 2, title: "Beetroot and dill salad", side: true, version: 1 },
      { id: 1, title: "Saffron pan with peas", side: false, version: 1 },
    ],
    "GET /api/kitchen": { burners: [1200, 1200, 1800], pots: [], said: true },
    "GET /api/tonight": { version: 1, plan: null },
    "PUT /api/tonight": { version: 2 },
    "POST /api/plan": (body: never) => plan(body),
    "POST /api/cookings": { id: 9 },
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
  setManner({ amounts: "", heat: "", clock: 24 }, 240);
});
const planned = (): Sent => asked.filter((a) => a.path === "/api/plan").at(-1)?.body as Sent;
const press = async (name: string | RegExp) => userEvent.click(await screen.findByRole("button", { name }));
const open = async () => {
  show(<Plan />);
  await press("Saffron pan with peas, in quinoa");
  await screen.findByRole("list", { name: "In order" });
};

it("is asked for the dishes touched, at seven, and says when to begin", async () => {
  show(<Plan />);
  expect(await screen.findByText("Touch the dishes for tonight.")).toBeInTheDocument();
  await press("Saffron pan with peas, in quinoa");
  expect((await screen.findByText(/^is when you begin/)).previousElementSibling).toHaveTextContent("18:10");
  await press("Beetroot and dill salad");
  await waitFor(() =>
    expect(planned().dishes).toEqual([
      { key: "5", changes: null },
      { key: "r2", changes: null },
    ]),
  );
  expect(new Date(planned().serve_at).getHours()).toBe(19);
  await press("Beetroot and dill salad");
  await waitFor(() => expect(planned().dishes).toEqual([{ key: "5", changes: null }]));
  // a recipe that is shifted is planned by its shift
  expect(screen.queryByRole("button", { name: "Saffron pan with peas" })).toBeNull();
});

it("takes another hour as it is typed, tomorrow's for one that has passed, and says what is none", async () => {
  await open();
  const hour = screen.getByRole("textbox", { name: "Serve at" });
  await userEvent.clear(hour);
  await userEvent.type(hour, "half past");
  expect(screen.getByText("“half past” is no time of day; write it as 19:00 or 7 pm.")).toBeInTheDocument();
  await userEvent.clear(hour);
  await userEvent.type(hour, "8:30 pm");
  await waitFor(() => expect(planned().serve_at).toContain("20:30"));
  expect(screen.queryByText(/is no time of day/)).toBeNull();
  await userEvent.clear(hour);
  await userEvent.type(hour, "13:00");
  await waitFor(() => expect(planned().serve_at).toContain("2026-11-28T13:00"));
  await userEvent.selectOptions(
    screen.getByRole("combobox", { name: "On which day" }),
    screen.getByRole("option", { name: /Sun/ }),
  );
  await waitFor(() => expect(planned().serve_at).toContain("2026-11-29T13:00"));
});

it("reckons with the kitchen's burners until told otherwise", async () => {
  await open();
  expect(planned().burners).toBeNull();
  const fewer = screen.getByRole("button", { name: "One burner fewer" });
  await userEvent.click(fewer);
  await userEvent.click(fewer);
  await waitFor(() => expect(planned().burners).toBe(1));
  expect(fewer).toBeDisabled();
  expect(screen.getByText("1 burner")).toBeInTheDocument();
});

it("pins a task, moves it by five minutes and lets go of it; another hour lets go of all", async () => {
  await open();
  await press("Pin let it simmer at 18:20");
  await waitFor(() => expect(planned().pinned.map((p) => p.id)).toEqual(["a/cook"]));
  expect(planned().pinned[0]?.start).toContain("18:20");
  await press("let it simmer: 5 minutes earlier");
  await waitFor(() => expect(planned().pinned[0]?.start).toContain("18:15"));
  await press("Let go of let it simmer");
  await waitFor(() => expect(planned().pinned).toEqual([]));
  await press("Pin rinse the quinoa at 18:10");
  await waitFor(() => expect(planned().pinned).toHaveLength(1));
  await userEvent.selectOptions(screen.getByRole("combobox", { name: "On which day" }), "tomorrow");
  await waitFor(() => expect(planned().pinned).toEqual([]));
});

it("names a dish that cannot make it with its ways out, takes one, and takes it back", async () => {
  const way = {
    kind: "soak",
    key: "5",
    dish: SHIFT.title,
    text: "Without the soak",
    changes: { soak_min: 0 },
    serve_at: null,
    needs: "",
  };
  const later = { ...way, kind: "later", text: "Serve at 20:15", changes: {}, serve_at: at("20:15") };
  const own = { ...way, kind: "own", text: "We have a pressure cooker", needs: "pressure cooker" };
  plan = (body) =>
    body.dishes[0]?.changes
      ? good(body)
      : {
          serve_at: body.serve_at,
          start_at: null,
          tasks: [],
          problems: [
            { code: "too_late", where: SHIFT.title, text: "It needs an hour: begin sooner.", severity: "warn" },
          ],
          ways: [way, later, own],
        };
  show(<Plan />);
  await press(SHIFT.title);
  const alert = await screen.findByRole("alert");
  expect(alert).toHaveTextContent("It needs an hour. Any of these does:");
  await userEvent.click(within(alert).getByRole("button", { name: "We have a pressure cooker" }));
  await waitFor(() =>
    expect(changes(asked)).toContainEqual({ do: "POST /api/kitchen/appliances", body: { name: "pressure cooker" } }),
  );
  await userEvent.click(await screen.findByRole("button", { name: "Without the soak" }));
  await waitFor(() => expect(planned().dishes).toEqual([{ key: "5", changes: { soak_min: 0 } }]));
  await press("As it was");
  await waitFor(() => expect(planned().dishes).toEqual([{ key: "5", changes: null }]));
  await press("Serve at 20:15");
  await waitFor(() => expect(new Date(planned().serve_at).getHours()).toBe(20));
});

it("begins to cook what is planned, clears the table for the next plan, and goes to the stove", async () => {
  await open();
  await press("Cook it");
  await waitFor(() => expect(here()).toBe("/stove/9"));
  const body = changes(asked).find((c) => c.do === "POST /api/cookings")?.body as Sent & {
    client_id: string;
    speed: number;
  };
  expect(body).toMatchObject({ dishes: [{ key: "5", changes: null }], speed: 1 });
  expect(body.client_id.length).toBeGreaterThan(8);
  expect(screen.getByText("Touch the dishes for tonight.")).toBeInTheDocument();
});

it("keeps the plan through a practice, and says what the server would not begin", async () => {
  await open();
  await press(/^Practise/);
  await waitFor(() => expect(here()).toBe("/stove/9"));
  expect(screen.getByRole("button", { name: SHIFT.title })).toHaveAttribute("aria-pressed", "true");
  vi.stubGlobal(
    "fetch",
    async () =>
      new Response(
        JSON.stringify({ code: "past", where: "serve_at", text: "That hour has passed: choose a later one." }),
        { status: 422, headers: { "Content-Type": "application/json" } },
      ),
  );
  await press("Cook it");
  expect(await screen.findByText("That hour has passed: choose a later one.")).toBeInTheDocument();
});

it("says what to do first where nothing is kept", async () => {
  vi.unstubAllGlobals();
  serve({
    "GET /api/shifts": [],
    "GET /api/recipes": [],
    "GET /api/kitchen": { burners: [], pots: [], said: false },
    "GET /api/tonight": { version: 1, plan: null },
  });
  await act(async () => void show(<Plan />));
  expect(await screen.findByRole("link", { name: "To the bench" })).toHaveAttribute("href", "/bench");
});

it("says of each task where it is done and how long it wants hands, a minute too", async () => {
  plan = (body) => ({
    ...good(body),
    tasks: [
      task("a/stir", "stir once", "18:10", "18:11", { hands_on: 1 }),
      task("a/fry", "fry the onion", "18:11", "18:16", { hands_on: 5, resource: "burner" }),
      task("a/rest", "rest, lid closed", "18:16", "18:26"),
      task("a/bake", "bake it", "18:26", "18:50", { resource: "oven" }),
    ],
  });
  await open();
  const rows = within(screen.getByRole("list", { name: "In order" })).getAllByRole("listitem");
  expect(rows[0]).toHaveTextContent("hands 1 min");
  expect(rows[0]).not.toHaveTextContent("none");
  expect(rows[1]).toHaveTextContent("burner, hands 5 min");
  expect(rows[2]).not.toHaveTextContent("hands");
  expect(rows[3]).toHaveTextContent("oven");
  expect(rows[3]).not.toHaveTextContent("hands");
});
