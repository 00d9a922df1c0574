import { act, fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { here, serve, show, type Asked } from "../../test-kit";
import { draft, NO_DRAFT, takenUp } from "../draft";
import { Bring } from "./Bring";

const TEXT = "Saffron pan with peas\n300 g basmati rice\n600 ml water\n1. Simmer 15 minutes.";
const reading = (text: string, stop = false) => ({
  title: "Saffron pan with peas",
  title_span: null,
  text,
  plain: text,
  servings: 4,
  servings_span: null,
  source_grain: { slug: "basmati", name: "basmati rice", as: "raw", ml: 385, g: 300, line: 0 },
  lines: [],
  steps: [],
  notes: [],
  headings: [],
  doubts: [],
  problems: stop
    ? [{ code: "no_grain", where: "", text: "I found no rice or other grain in this text.", severity: "stop" }]
    : [],
  method: "covered",
  texture: "separate",
  dish: "pilaf",
  soak_min: 0,
  simmer_min: 15,
  rest_min: 0,
  liquid_water_ml: 600,
  count_out: [],
  allergens: [],
  classes: [],
  process: { vessels: [], operations: [] },
  whistles: null,
  release_min: null,
});
let asked: Asked[];
beforeEach(() => {
  window.history.replaceState(null, "", "/bring");
  draft.set(NO_DRAFT);
  takenUp.set(null);
  asked = serve({
    "GET /api/examples": [
      { slug: "01", title: "Tomato pilaf with chickpeas", shape: "text", text: "Tomato pilaf\n200 g rice" },
    ],
    "GET /api/grains": [],
    "POST /api/read": ({ text }: { text: string }) =>
      text.includes("nothing")
        ? {
            status: 422,
            trouble: { code: "no_recipe", where: "text", text: "This is no recipe: bring one with a rice in it." },
          }
        : reading(text, !text.includes("rice")),
  });
});
afterEach(() => vi.unstubAllGlobals());
const box = () => screen.getByRole("textbox", { name: "Recipe text" });

it("starts from an example by one touch, and is read at once", async () => {
  show(<Bring />);
  await userEvent.click(await screen.findByRole("button", { name: /Tomato pilaf with chickpeas/ }));
  expect(await screen.findByRole("heading", { name: "Your recipe, as I read it" })).toBeInTheDocument();
  expect(asked.at(-1)).toMatchObject({
    path: "/api/read",
    body: { text: "Tomato pilaf\n200 g rice", corrections: [] },
  });
});

it("reads what was typed when told to, and keeps it where it cannot be read", async () => {
  show(<Bring />);
  fireEvent.change(box(), { target: { value: "nothing of the kind" } });
  expect(await screen.findByText("This is no recipe: bring one with a rice in it.")).toBeInTheDocument();
  expect(box()).toHaveValue("nothing of the kind");
  expect(box()).toHaveAccessibleDescription(/This is no recipe/);
  fireEvent.change(box(), { target: { value: TEXT } });
  await waitFor(() => expect(screen.queryByText(/This is no recipe/)).toBeNull());
  await userEvent.click(screen.getByRole("button", { name: "Read it" }));
  expect(await screen.findByRole("heading", { name: "Your recipe, as I read it" })).toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: "Edit the text" }));
  expect(box()).toHaveValue(TEXT);
});

it("takes a file, and none that is larger than any recipe", async () => {
  show(<Bring />);
  const picker = screen.getByLabelText("Recipe file");
  const big = new File(["x"], "book.txt", { type: "text/plain" });
  Object.defineProperty(big, "size", { value: 4_000_000 });
  fireEvent.change(picker, { target: { files: [big] } });
  expect(await screen.findByText("book.txt is larger than any recipe: bring one of under 3 MB.")).toBeInTheDocument();
  fireEvent.change(picker, { target: { files: [new File([TEXT], "pan.txt", { type: "text/plain" })] } });
  expect(await screen.findByRole("heading", { name: "Your recipe, as I read it" })).toBeInTheDocument();
  expect(draft.get().text).toBe(TEXT);
});

it("takes a text that is dropped, and one that another app shares", async () => {
  const { unmount } = show(<Bring />);
  fireEvent.drop(box(), { dataTransfer: { files: [], getData: () => TEXT } });
  await waitFor(() => expect(draft.get().text).toBe(TEXT));
  unmount();
  draft.set(NO_DRAFT);
  window.history.replaceState(null, "", `/bring?title=Pan&text=${encodeURIComponent("200 g rice")}`);
  show(<Bring />);
  await waitFor(() => expect(draft.get().text).toContain("200 g rice"));
  expect(here()).toBe("/bring");
  await waitFor(() => expect(window.location.search).toBe(""));
});

it("puts a recipe aside for another one", async () => {
  draft.set({ ...NO_DRAFT, text: TEXT });
  show(<Bring />);
  await userEvent.click(await screen.findByRole("button", { name: "Another recipe" }));
  expect(draft.get()).toEqual(NO_DRAFT);
  expect(await screen.findByRole("heading", { name: "Bring a rice recipe" })).toBeInTheDocument();
});

it("says where another device left it", async () => {
  draft.set({ ...NO_DRAFT, text: TEXT });
  takenUp.set({ by: "fennel", changed: new Date().toISOString() });
  await act(async () => void show(<Bring />));
  expect(screen.getByText(/^Taken up where fennel left it, today at/)).toBeInTheDocument();
});
