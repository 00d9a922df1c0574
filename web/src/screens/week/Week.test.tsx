import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { fireEvent, render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { Week, WeekMeal } from "../../api/client";
import { Board } from "./Board";
import { Bowl } from "./Bowl";
import { Opened } from "./Opened";

const meal = (id: number, on: string, more: Partial<WeekMeal> = {}): WeekMeal => ({
  id, on, title: `Dish ${id}`, recipe_id: id, shifted: false, grain: "basmati", name: "basmati rice", parts: [{ grain: "basmati", share: 1 }], reason: "", pour_ml: 300, pour_said: "300 ml", total_min: 25, shift_id: null, minutes: null, double: false, cook_id: null, cook: "", trouble: "", ...more,
});
const tuesday = meal(1, "2026-12-01", { shifted: true, name: "basmati rice and quinoa", parts: [{ grain: "basmati", share: 0.7 }, { grain: "quinoa", share: 0.3 }] });
const week: Week = { start: "2026-11-30", today: "2026-12-01", per_week: 2, grows: false, target: 2, shifted: 1, meals: [tuesday, meal(2, "2026-12-03")], tonight: [], shopping: [] };

let sent: { method: string; path: string; body: unknown }[] = [];
beforeEach(() => {
  sent = [];
  vi.stubGlobal("fetch", async (r: Request) => {
    const path = new URL(r.url).pathname;
    sent.push({ method: r.method, path, body: r.method === "GET" ? null : await r.json().catch(() => null) });
    const rows = path === "/api/recipes" ? [{ id: 9, title: "Saffron pan with peas" }] : path === "/api/members" ? [{ id: 4, name: "fennel", me: true }] : week;
    return new Response(JSON.stringify(rows), { headers: { "Content-Type": "application/json" } });
  });
});
afterEach(() => vi.unstubAllGlobals());

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
  await waitFor(() => expect(puts()).toEqual([{ method: "PUT", path: "/api/week/meals/1", body: { on: "2026-12-04" } }]));
});

it("puts a recipe on a day by two touches", async () => {
  show(<Board week={week} open={null} onOpen={() => undefined} />);
  await userEvent.click(screen.getByRole("button", { name: "A rice meal for Wednesday" }));
  await userEvent.click(await screen.findByRole("button", { name: "Saffron pan with peas" }));
  await waitFor(() => expect(sent.find((s) => s.method === "POST")).toEqual({ method: "POST", path: "/api/week/meals", body: { on: "2026-12-02", recipe_id: 9 } }));
});

it("changes day, cook, time and amount of an opened bowl by touch", async () => {
  show(<Opened meal={tuesday} start={week.start} />);
  await userEvent.click(screen.getByRole("button", { name: "Friday, 4 Dec" }));
  await userEvent.click(await screen.findByRole("button", { name: "fennel" }));
  await userEvent.click(screen.getByRole("button", { name: "45 min" }));
  await userEvent.click(screen.getByRole("button", { name: /twice as much/ }));
  await userEvent.click(screen.getByRole("button", { name: "Back to rice" }));
  await waitFor(() => expect(puts().map((p) => p.body)).toEqual([{ on: "2026-12-04" }, { cook_id: 4 }, { minutes: 45 }, { double: true }, { shifted: false }]));
});
