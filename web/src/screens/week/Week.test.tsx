import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, fireEvent, render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { Week, WeekMeal } from "../../api/client";
import { settle } from "../../ui/gone";
import { choice, draft, FIRST_CHOICE, NO_DRAFT } from "../draft";
import { tonight } from "../plan/tonight";
import { Board } from "./Board";
import { Bowl } from "./Bowl";
import { Opened } from "./Opened";
import { Week as Page } from "./Week";

const meal = (id: number, on: string, more: Partial<WeekMeal> = {}): WeekMeal => ({
  id,
  on,
  title: `Dish ${id}`,
  recipe_id: id,
  shifted: false,
  grain: "basmati",
  name: "basmati rice",
  parts: [{ grain: "basmati", share: 1 }],
  reason: "",
  pour_ml: 300,
  pour_said: "300 ml",
  total_min: 25,
  shift_id: null,
  minutes: null,
  double: false,
  cook_id: null,
  cook: "",
  trouble: "",
  ...more,
});
const tuesday = meal(1, "2026-12-01", {
  shifted: true,
  name: "basmati rice and quinoa",
  parts: [
    { grain: "basmati", share: 0.7 },
    { grain: "quinoa", share: 0.3 },
  ],
});
const week: Week = {
  start: "2026-11-30",
  today: "2026-12-01",
  per_week: 2,
  grows: false,
  target: 2,
  shifted: 1,
  meals: [tuesday, meal(2, "2026-12-03")],
  tonight: [],
  shopping: [],
};

let shown: Week;
let sent: { method: string; path: string; body: unknown }[] = [];
beforeEach(() => {
  sent = [];
  shown = week;
  window.history.replaceState(null, "", "/week");
  vi.stubGlobal("fetch", async (r: Request) => {
    const path = new URL(r.url).pathname;
    sent.push({ method: r.method, path, body: r.method === "GET" ? null : await r.json().catch(() => null) });
    const rows =
      path === "/api/recipes"
        ? [{ id: 9, title: "Saffron pan with peas" }]
        : path === "/api/members"
          ? [{ id: 4, name: "fennel", me: true }]
          : path.endsWith("/keep")
            ? { shift_id: 12 }
            : path === "/api/recipes/1"
              ? { id: 1, text: "Dish 1\n200 g rice", corrections: [] }
              : shown;
    return new Response(JSON.stringify(rows), { headers: { "Content-Type": "application/json" } });
  });
});
afterEach(async () => {
  await act(settle);
  vi.unstubAllGlobals();
  draft.set(NO_DRAFT);
  choice.set(FIRST_CHOICE);
});

const show = (what: React.ReactNode) =>
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      {what}
    </QueryClientProvider>,
  );
const puts = () => sent.filter((s) => s.method === "PUT");

it("fills a bowl from below, to the share of what is new in it", () => {
  const { container } = render(<Bowl meal={tuesday} open={false} />);
  const layers = [...container.querySelectorAll("g > rect")].slice(1);
  expect(layers).toHaveLength(1);
  const at = (name: string) => Number(layers[0]?.getAttribute(name));
  expect(at("height")).toBeCloseTo(0.3 * 74 + 0.5, 1);
  expect(at("y") + at("height")).toBeCloseTo(77.5, 1);
  const rice = render(<Bowl meal={meal(2, "2026-12-03")} open={false} />).container;
  expect(rice.querySelectorAll("g > rect")).toHaveLength(1);
});

it("moves a bowl to the day it is dropped on, and not to its own", async () => {
  show(<Board week={week} open={null} onOpen={() => undefined} />);
  const days = within(screen.getByLabelText("Days")).getAllByRole("listitem");
  const drop = (day: HTMLElement | undefined) => day && fireEvent.drop(day, { dataTransfer: { getData: () => "1" } });
  drop(days[1]);
  drop(days[4]);
  await waitFor(() =>
    expect(puts()).toEqual([{ method: "PUT", path: "/api/week/meals/1", body: { on: "2026-12-04" } }]),
  );
});

it("puts a recipe on a day by two touches", async () => {
  show(<Board week={week} open={null} onOpen={() => undefined} />);
  await userEvent.click(screen.getByRole("button", { name: "A rice meal for Wednesday" }));
  await userEvent.click(await screen.findByRole("button", { name: "Saffron pan with peas" }));
  await waitFor(() =>
    expect(sent.find((s) => s.method === "POST")).toEqual({
      method: "POST",
      path: "/api/week/meals",
      body: { on: "2026-12-02", recipe_id: 9 },
    }),
  );
});

it("changes day, cook, time and amount of an opened bowl by touch", async () => {
  show(<Opened meal={tuesday} start={week.start} />);
  await userEvent.click(screen.getByRole("button", { name: "Friday, 4 Dec" }));
  await userEvent.click(await screen.findByRole("button", { name: "fennel" }));
  await userEvent.click(screen.getByRole("button", { name: "45 min" }));
  await userEvent.click(screen.getByRole("button", { name: /twice as much/ }));
  await userEvent.click(screen.getByRole("button", { name: "Back to rice" }));
  await waitFor(() =>
    expect(puts().map((p) => p.body)).toEqual([
      { on: "2026-12-04" },
      { cook_id: 4 },
      { minutes: 45 },
      { double: true },
      { shifted: false },
    ]),
  );
});

const bodies = (path: string) => sent.filter((s) => s.path === path && s.method !== "GET").map((s) => s.body);

it("says how many are shifted, suggests what is wanting, and turns the weeks", async () => {
  show(<Page />);
  expect(await screen.findByRole("heading", { name: "1 of 2 rice meals in another grain" })).toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: "Suggest one more" }));
  await waitFor(() => expect(bodies("/api/week/suggest")).toHaveLength(1));
  const asked = (day: string) =>
    vi.spyOn(globalThis, "fetch").mockImplementationOnce(async (r) => {
      expect(new URL((r as Request).url).searchParams.get("day")).toBe(day);
      return new Response(JSON.stringify({ ...week, start: day, meals: [], shifted: 0 }), {
        headers: { "Content-Type": "application/json" },
      });
    });
  asked("2026-12-07");
  await userEvent.click(screen.getByRole("button", { name: "The week after" }));
  expect(await screen.findByRole("heading", { name: "No rice meal this week yet" })).toBeInTheDocument();
  expect(screen.getByText("the week of 7 Dec")).toBeInTheDocument();
  asked("2026-11-30");
  await userEvent.click(screen.getByRole("button", { name: "The week before" }));
  expect(await screen.findByText("the week of 30 Nov")).toBeInTheDocument();
});

it("fills an empty week as the last one, and asks for no more than there are meals", async () => {
  shown = { ...week, meals: [], shifted: 0 };
  show(<Page />);
  await userEvent.click(await screen.findByRole("button", { name: "As in the last week" }));
  await waitFor(() => expect(bodies("/api/week/usual")).toHaveLength(1));
  expect(screen.queryByRole("button", { name: /Suggest/ })).toBeNull();
});

it("sets the pace by a touch, and lets it grow", async () => {
  show(<Page />);
  await userEvent.click(await screen.findByRole("button", { name: "two a week" }));
  expect(await screen.findByRole("button", { name: "two" })).toHaveAttribute("aria-pressed", "true");
  await userEvent.click(screen.getByRole("button", { name: "one a day" }));
  await userEvent.click(screen.getByRole("checkbox", { name: "one more each week" }));
  await waitFor(() =>
    expect(bodies("/api/week/pace")).toEqual([
      { per_week: 7, grows: false },
      { per_week: 2, grows: true },
    ]),
  );
});

it("says what goes into water tonight, and what to buy, the number first", async () => {
  shown = {
    ...week,
    tonight: ["Into water before bed: 150 g pearl barley."],
    shopping: [
      { text: "1 ½ kg quinoa", dishes: ["Saffron pan with peas", "Stuffed peppers"] },
      { text: "parsley", dishes: ["Tomato pilaf"] },
    ] as Week["shopping"],
  };
  show(<Page />);
  expect(within(await screen.findByRole("region", { name: "Tonight" })).getByText(/before bed/)).toBeInTheDocument();
  const buy = screen.getByRole("region", { name: "Shopping" });
  expect(
    within(buy)
      .getAllByRole("listitem")
      .map((li) => [li.querySelector("strong")?.textContent ?? "", li.textContent]),
  ).toEqual([
    ["1 ½ kg", "1 ½ kg quinoa Saffron pan with peas, Stuffed peppers"],
    ["", "parsley Tomato pilaf"],
  ]);
  expect(within(buy).getByRole("link", { name: "As CSV" })).toHaveAttribute(
    "href",
    "/api/week/shopping.csv?day=2026-11-30",
  );
});

it("takes a shifted bowl to the plan, and a rice one to the bench as it is", async () => {
  const first = show(<Opened meal={tuesday} start={week.start} />);
  await userEvent.click(screen.getByRole("button", { name: "Plan it" }));
  await waitFor(() => expect(window.location.pathname).toBe("/plan"));
  expect(tonight.seen().value.ids).toEqual(["12"]);
  first.unmount();
  show(<Opened meal={{ ...tuesday, shifted: false }} start={week.start} />);
  expect(screen.queryByRole("button", { name: "Plan it" })).toBeNull();
  await userEvent.click(screen.getByRole("button", { name: "To the bench" }));
  await waitFor(() => expect(window.location.pathname).toBe("/bench"));
  expect([draft.get().text, draft.get().recipeId, choice.get().to]).toEqual(["Dish 1\n200 g rice", 1, FIRST_CHOICE.to]);
});

it("takes a bowl off the week out of sight at once, and tells the server when it is meant", async () => {
  show(<Opened meal={tuesday} start={week.start} />);
  await userEvent.click(screen.getByRole("button", { name: "Off the week" }));
  expect(sent.some((s) => s.method === "DELETE")).toBe(false);
  await act(settle);
  expect(sent.filter((s) => s.method === "DELETE").map((s) => s.path)).toEqual(["/api/week/meals/1"]);
});
