import { act, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { App } from "./App";
import { been } from "./places";
import { bring, choice, draft, FIRST_CHOICE, NO_DRAFT } from "./screens/draft";
import { changes, here, serve, show, type Asked } from "./test-kit";
import { setTheme } from "./ui/theme";

const manner = { measure: "metric", heat: "", clock: "24", cup_ml: 240 };
const inside = {
  signed_in: true,
  household: "Five at the mill",
  name: "fennel",
  manner,
  may_found: false,
  empty: false,
};
const outside = { signed_in: false, household: "", name: "", manner, may_found: false, empty: false };
const tried = {
  text: "Pot\n200 g rice",
  title: "Pot",
  becomes: "Pot, in quinoa",
  ingredients: ["200 g quinoa"],
  steps: ["Simmer 15 minutes."],
  asked: 2,
  rows: ["foxtail-millet", "quinoa"].map((grain, i) => ({
    grain,
    name: grain,
    family: "millet",
    pour_ml: 300 + 100 * i,
    cook_min: 14,
    rest_min: 10 * i,
  })),
};

let asked: Asked[];
let session: object;
beforeEach(() => {
  localStorage.clear();
  session = inside;
  asked = serve({
    "GET /api/session": () => session,
    "DELETE /api/session": () => (session = outside),
    "GET /api/cookings": [],
    "GET /api/shifts": [],
    "GET /api/recipes": [],
    "POST /api/try": tried,
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
  localStorage.clear();
  act(() => {
    draft.set(NO_DRAFT);
    choice.set(FIRST_CHOICE);
    been.set([]);
  });
});
const at = (path: string) => {
  window.history.replaceState(null, "", path);
  show(<App />);
};

it("says what is not there, and names each place in the window", async () => {
  at("/larders");
  expect(await screen.findByRole("heading", { name: "There is nothing at this address" })).toBeInTheDocument();
  expect(document.title).toBe("Nothing here · Meal Shift");
  await userEvent.click(
    within(screen.getByRole("navigation", { name: "The way of a recipe" })).getByRole("link", { name: /Stove/ }),
  );
  expect(await screen.findByRole("heading", { name: "Nothing is on the stove" })).toBeInTheDocument();
  expect(document.title).toBe("Stove · Meal Shift");
  // who reads by ear begins at the new page
  expect(screen.getByRole("main")).toHaveFocus();
});

it("explains a step of the way until one has been there", async () => {
  at("/stove");
  await screen.findByRole("heading", { name: "Nothing is on the stove" });
  expect(screen.queryByText("step by step")).toBeNull();
  expect(screen.getByText("when to begin")).toBeInTheDocument();
  await waitFor(() => expect(been.get()).toEqual(["/stove"]));
  expect(screen.getByRole("link", { name: /Stove/ })).toHaveAttribute("aria-current", "page");
});

it("turns light and dark in the menu, and keeps it", async () => {
  setTheme("light");
  at("/stove");
  await userEvent.click(await screen.findByRole("button", { name: "House" }));
  await userEvent.click(await screen.findByRole("button", { name: "Dark" }));
  expect(document.documentElement.dataset.theme).toBe("dark");
  await userEvent.click(await screen.findByRole("button", { name: "Light" }));
  expect([document.documentElement.dataset.theme, localStorage.getItem("mealshift.theme")]).toEqual(["light", "light"]);
});

it("leaves nothing of the household behind a sign-out", async () => {
  bring("Pot\n200 g rice");
  localStorage.setItem("mealshift.stove.seen.4", JSON.stringify({ got: { id: 4 }, at: 1 }));
  at("/stove");
  await userEvent.click(await screen.findByRole("button", { name: "House" }));
  expect(await screen.findByText("Five at the mill")).toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: "Sign out" }));
  expect(await screen.findByRole("heading", { name: "Sign in" })).toBeInTheDocument();
  expect(changes(asked).filter((c) => c.do === "DELETE /api/session")).toHaveLength(1);
  expect(draft.get().text).toBe("");
  await waitFor(() => expect(localStorage.getItem("mealshift.stove.seen.4")).toBeNull());
});

it("takes what a stranger typed to the bench, in the grain they touched", async () => {
  session = outside;
  at("/");
  await userEvent.click(await screen.findByRole("button", { name: /quinoa/ }));
  expect(await screen.findByText(/2 things in this recipe would be asked about/)).toBeInTheDocument();
  const bars = [...screen.getByRole("list", { name: "Grains" }).querySelectorAll<HTMLElement>("[style]")].filter(
    (e) => e.style.width,
  );
  expect(bars.map((b) => b.style.width)).toEqual(["75%", "100%"]);
  expect(screen.getByRole("button", { name: /quinoa/ })).toHaveTextContent("14 min, rest 10");
  await userEvent.click(screen.getByRole("button", { name: "To the bench" }));
  await waitFor(() => expect(here()).toBe("/bench"));
  expect([draft.get().text, choice.get().to]).toEqual(["Pot\n200 g rice", "quinoa"]);
});
