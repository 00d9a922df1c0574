import { act, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { Session } from "../../api/client";
import { settle } from "../../ui/gone";
import { changes, here, serve, show, type Asked } from "../../test-kit";
import { draft } from "../draft";
import { tonight } from "../plan/tonight";
import { Kept } from "./Kept";
import { Measure } from "./Measure";

const SESSION = { signed_in: true, measure_name: "glass", measure_ml: 240, cup_ml: 237 } as unknown as Session;
const recipe = (id: number, title: string, side = false) => ({ id, title, side, version: 1 });
const shift = (id: number, recipe_id: number | null, name: string) => ({
  id,
  recipe_id,
  title: `Dish ${id}, in ${name}`,
  name,
  grain: "quinoa",
  pour_said: "420 ml",
  cook_min: 15,
  total_min: 35,
  created: "2026-11-20T10:00:00Z",
});

let asked: Asked[];
beforeEach(() => {
  window.history.replaceState(null, "", "/kept");
  asked = serve({
    "GET /api/session": SESSION,
    "GET /api/recipes": [recipe(1, "Saffron pan with peas"), recipe(2, "Beetroot and dill salad", true)],
    "GET /api/shifts": [shift(5, 1, "quinoa"), shift(6, null, "barley")],
    "GET /api/grains": [{ slug: "quinoa", name: "quinoa", family: "seed" }],
    "GET /api/recipes/1": { id: 1, title: "Saffron pan with peas", text: "Saffron pan\n300 g rice", corrections: [] },
    "GET /api/tonight": { version: 1, plan: null },
    "PUT /api/tonight": { version: 2 },
    "PUT /api/household/measure": (body: { measure_name: string; measure_ml: number }) =>
      body.measure_ml > 2000
        ? {
            status: 422,
            trouble: { code: "measure_ml", where: "measure_ml", text: "Your measure holds between 20 and 2,000 ml." },
          }
        : { ...SESSION, ...body },
  });
});
afterEach(async () => {
  await act(settle);
  tonight.forget();
  vi.unstubAllGlobals();
});

it("lists each recipe with its shifts, and those whose recipe is gone apart", async () => {
  show(<Kept />);
  expect(await screen.findByRole("link", { name: /^quinoa/ })).toHaveAttribute("href", "/kept/5");
  expect(screen.getByRole("heading", { name: "Shifts whose recipe was thrown away" })).toBeInTheDocument();
  expect(screen.getByRole("link", { name: /Dish 6, in barley/ })).toHaveAttribute("href", "/kept/6");
  expect(screen.queryByRole("searchbox")).toBeNull();
});

it("opens a recipe as it was written, and plans one that is cooked beside", async () => {
  show(<Kept />);
  await userEvent.click(await screen.findByRole("button", { name: "Saffron pan with peas" }));
  await waitFor(() => expect(here()).toBe("/bring"));
  expect(draft.get()).toMatchObject({ text: "Saffron pan\n300 g rice", recipeId: 1 });
  await userEvent.click(screen.getByRole("button", { name: "Plan it" }));
  await waitFor(() => expect(here()).toBe("/plan"));
  await waitFor(() =>
    expect(changes(asked).at(-1)).toMatchObject({
      do: "PUT /api/tonight",
      body: { version: 1, plan: { dishes: [{ key: "r2" }] } },
    }),
  );
});

it("throws a recipe away out of sight, and tells the server later", async () => {
  show(<Kept />);
  await userEvent.click(await screen.findByRole("button", { name: "Throw away Beetroot and dill salad" }));
  expect(screen.queryByRole("button", { name: "Beetroot and dill salad" })).toBeNull();
  expect(changes(asked)).toEqual([]);
  await act(settle);
  expect(changes(asked)).toEqual([{ do: "DELETE /api/recipes/2", body: null }]);
});

it("looks for a dish by a part of its name once there are many", async () => {
  vi.unstubAllGlobals();
  serve({
    "GET /api/session": SESSION,
    "GET /api/recipes": Array.from({ length: 13 }, (_, n) => recipe(n + 1, n === 4 ? "Stuffed peppers" : `Pot ${n}`)),
    "GET /api/shifts": [],
    "GET /api/grains": [],
  });
  show(<Kept />);
  const find = await screen.findByRole("searchbox", { name: "Find" });
  await userEvent.type(find, " PEPPER");
  expect(screen.getByRole("button", { name: "Stuffed peppers" })).toBeInTheDocument();
  expect(screen.queryByRole("button", { name: "Pot 1" })).toBeNull();
  await userEvent.type(find, "mint");
  expect(screen.getByText("No dish is called so; a part of its name is enough.")).toBeInTheDocument();
});

it("says what to do first where nothing is kept", async () => {
  vi.unstubAllGlobals();
  serve({ "GET /api/session": SESSION, "GET /api/recipes": [], "GET /api/shifts": [], "GET /api/grains": [] });
  show(<Kept />);
  expect(await screen.findByRole("link", { name: "Bring a recipe" })).toHaveAttribute("href", "/bring");
});

it("keeps the household's own measure, and says in place what no number is", async () => {
  show(<Measure session={SESSION} />);
  await userEvent.click(screen.getByRole("button", { name: /My glass holds/ }));
  const [name, holds, cup] = ["What do you measure with?", "It holds, in ml", /A recipe’s cup holds/].map((label) =>
    screen.getByRole("textbox", { name: label }),
  );
  const put = async (field: HTMLElement | undefined, text: string) => {
    if (!field) throw new Error("no field");
    await userEvent.clear(field);
    await userEvent.type(field, text);
  };
  const save = () => userEvent.click(screen.getByRole("button", { name: "That is my measure" }));
  await put(holds, "much");
  await save();
  expect(screen.getByText(/“much” is not a number/)).toBeInTheDocument();
  await put(cup, "one");
  await save();
  expect(screen.getByText(/“one” is not a number; write how many millilitres a cup holds/)).toBeInTheDocument();
  expect(changes(asked)).toEqual([]);
  await put(cup, "250");
  await put(holds, "3000");
  await save();
  expect(await screen.findByText("Your measure holds between 20 and 2,000 ml.")).toBeInTheDocument();
  await put(holds, "212,5");
  await put(name, "mug");
  await save();
  await waitFor(() =>
    expect(changes(asked).at(-1)?.body).toEqual({ measure_name: "mug", measure_ml: 212.5, cup_ml: 250 }),
  );
  await waitFor(() => expect(screen.queryByText(/between 20 and 2,000/)).toBeNull());
});
