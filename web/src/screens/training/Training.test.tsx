import { fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { changes, serve, show, type Asked } from "../../test-kit";
import { Training } from "./Training";

const TASK = {
  grain: "quinoa",
  said: "240 ml of quinoa in a pot 20 cm wide, under a tight lid, to come out fluffy. Not soaked.",
  dry_ml: 240,
  unit: "ml",
  unit_ml: 1,
  pot_cm: 20,
  lid: "tight",
  texture: 1,
  error: null,
  tries: 0,
};
const curve = [
  { minute: 0, free_ml: 300, hydration: 0.1, done: 0, celsius: 20 },
  { minute: 20, free_ml: 0, hydration: 1.9, done: 1, celsius: 100 },
];
const run = (code: string) => ({
  curve,
  boil_at: 5,
  off_at: 20,
  done_at: 20,
  dry_at: null,
  verdict: {
    code,
    said: code === "soup" ? "Soup" : "It comes out right",
    minute: null,
    text: "So it came.",
    add_ml: 0,
    add_min: 0,
  },
});
let asked: Asked[];
let pots = 0;
beforeEach(() => {
  pots = 0;
  asked = serve({
    "GET /api/training": () => ({ ...TASK, said: pots++ ? TASK.said.replace("quinoa", "pearl barley") : TASK.said }),
    "POST /api/training": {
      pour_ml: 420,
      pour_said: "420 ml",
      cook_min: 15,
      error: 0.12,
      tries: 14,
      said: "You would have poured 60 ml less.",
      why: ["240 ml of quinoa drink 350"],
      sign: "a little white curl",
      look: [13, 18],
      plan: run("right"),
      run: run("soup"),
    },
  });
});
afterEach(() => vi.unstubAllGlobals());

it("takes a guess, shows what came of it and why, and brings another pot", async () => {
  show(<Training />);
  expect(
    await screen.findByText(/240 ml of quinoa in a pot 20 cm wide, under a tight lid, to come out fluffy/),
  ).toBeInTheDocument();
  const water = screen.getByRole("slider", { name: "Water, ml" });
  for (let n = 0; n < 3; n += 1) fireEvent.keyDown(water, { key: "ArrowRight" });
  fireEvent.keyDown(screen.getByRole("slider", { name: "At the boil, min" }), { key: "ArrowLeft" });
  await userEvent.click(screen.getByRole("button", { name: "Cook it" }));
  await waitFor(() =>
    expect(changes(asked)[0]?.body).toMatchObject({
      grain: "quinoa",
      pour_ml: 270,
      minutes: 14,
      lid: "tight",
      pot_cm: 20,
    }),
  );
  expect(await screen.findByText("Soup")).toHaveClass("text-warn");
  expect(screen.getByText("420 ml")).toBeInTheDocument();
  expect(screen.getByText(/your last 10:/)).toHaveTextContent("12 %");
  expect(screen.getByRole("list", { name: "Why" })).toHaveTextContent("240 ml of quinoa drink 350");
  // a pot that was cooked is not guessed at again
  fireEvent.keyDown(water, { key: "ArrowRight" });
  expect(screen.getByText("270")).toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: "Another pot" }));
  expect(await screen.findByText(/240 ml of pearl barley/)).toBeInTheDocument();
  expect(screen.getByRole("button", { name: "Cook it" })).toBeEnabled();
});

it("is guessed at in cups where the household goes by cups", async () => {
  asked = serve({
    "GET /api/training": { ...TASK, said: "1 cup of quinoa in a pot 8 inches wide.", unit: "cup", unit_ml: 240 },
    "POST /api/training": {},
  });
  show(<Training />);
  const water = await screen.findByRole("slider", { name: "Water, cup" });
  expect(screen.getByText("1")).toHaveClass("poster");
  for (let n = 0; n < 3; n += 1) fireEvent.keyDown(water, { key: "ArrowRight" });
  expect(screen.getByText("1¾")).toHaveClass("poster");
  expect(screen.getByRole("slider", { name: "Water, cups" })).toHaveAttribute("aria-valuetext", "1¾ cups");
});
