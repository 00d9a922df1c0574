import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { CompareRow } from "../../api/client";
import { setManner } from "../../job/manner";
import { here, serve, show, type Asked } from "../../test-kit";
import { bring, choice, FIRST_CHOICE, NO_DRAFT, draft } from "../draft";
import { Every } from "./Every";

const row = (grain: string, more: Partial<CompareRow> = {}): CompareRow =>
  ({
    grain,
    name: grain,
    family: "millet",
    method: "covered",
    soak_min: 0,
    pour_ml: 400,
    pour_said: { amount: 1.75, unit: "cup" },
    cook_min: 12,
    rest_min: 10,
    total_min: 30,
    suited: true,
    in_time: true,
    in_larder: false,
    gluten: false,
    kin: false,
    ring: 0,
    gap: 0,
    texture_word: "separate",
    notice: [],
    rather: [],
    reason: "",
    ways: [{ method: "covered", soak_min: 0, total_min: 30, grain }],
    ...more,
  }) as unknown as CompareRow;
const ROWS = [
  row("basmati", { kin: true }),
  row("foxtail millet", {
    notice: ["small", "nutty"],
    ways: [
      { grain: "foxtail millet", method: "covered", soak_min: 0, total_min: 30 },
      { grain: "foxtail millet", method: "pressure", soak_min: 30, total_min: 60 },
    ] as CompareRow["ways"],
  }),
  row("quinoa", {
    ring: 1,
    in_larder: true,
    notice: ["curls"],
    rather: [{ grain: "pearl barley", name: "pearl barley", text: "springier" }] as CompareRow["rather"],
  }),
  row("pearl barley", { ring: 2, gluten: true, gap: 1 }),
  row("sorghum", { in_time: false, total_min: 95 }),
  row("teff", { suited: false, reason: "Teff sets, and is no pilaf." }),
];
let asked: Asked[];
beforeEach(() => {
  window.history.replaceState(null, "", "/every");
  bring("Pilaf\n300 g basmati rice\n600 ml water");
  choice.set(FIRST_CHOICE);
  asked = serve({ "POST /api/compare": { title: "Pilaf", was: { name: "basmati" }, grains: ROWS } });
});
afterEach(() => {
  vi.unstubAllGlobals();
  setManner({ amounts: "", heat: "", clock: 24 }, 240);
});
const names = (within_: HTMLElement) =>
  within(within_)
    .getAllByRole("listitem")
    .map((li) => li.querySelector("span.text-body")?.textContent);

it("ranks what suits ring by ring, leaves out the recipe's own kind, and says what does not suit", async () => {
  show(<Every />);
  const ranked = await screen.findByRole("region", { name: "Ranked" });
  expect(
    within(ranked)
      .getAllByRole("heading")
      .map((h) => h.textContent),
  ).toEqual(["Hardly another dish", "Another bite", "A new dish", "Not in time"]);
  expect(names(ranked)).toEqual(["foxtail millet", "quinoa", "pearl barley", "sorghum"]);
  expect(within(ranked).getByText("with gluten")).toBeInTheDocument();
  expect(within(screen.getByRole("region", { name: "Not suited" })).getByRole("listitem")).toHaveTextContent(
    "Teff sets, and is no pilaf.",
  );
});

it("says of the one touched what one will notice, and of another rather", async () => {
  show(<Every />);
  expect(
    await screen.findByText("Small and nutty, beside basmati; it comes out separate, as the dish wants."),
  ).toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: /^quinoa/ }));
  expect(screen.getByText(/^Curls, beside basmati.* It is in the larder\.$/)).toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: /springier/ }));
  expect(
    screen.getByText("Hardly to be told from basmati; it comes out separate, the nearest it gets. With gluten."),
  ).toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: /^sorghum/ }));
  expect(screen.getByText(/to the plate.*: too late/)).toBeInTheDocument();
});

it("says the pour as the household says its pours", async () => {
  setManner({ amounts: "cups", heat: "", clock: 24 }, 240);
  show(<Every />);
  expect(await screen.findByText("1¾")).toHaveClass("poster");
  expect(screen.getByText("cups")).toBeInTheDocument();
});

it("goes to the bench with the grain, or with another way of it", async () => {
  choice.set({ ...FIRST_CHOICE, blend: [{ to: "quinoa", share: 0.3 }] as never, texture: "soft", pot_cm: 24 });
  show(<Every />);
  await userEvent.click(await screen.findByRole("button", { name: "To the bench with it" }));
  await waitFor(() => expect(here()).toBe("/bench"));
  expect(choice.get()).toMatchObject({ to: "foxtail millet", blend: [], texture: null, method: "covered", pot_cm: 24 });
  await userEvent.click(screen.getByRole("button", { name: /soaked/ }));
  expect(choice.get()).toMatchObject({ to: "foxtail millet", method: "pressure", soak_min: 30 });
});

it("asks anew by hours and gluten, and looks only in the larder when told so", async () => {
  show(<Every />);
  await userEvent.click(await screen.findByRole("button", { name: "in 1 h" }));
  await userEvent.click(screen.getByRole("button", { name: "without gluten" }));
  await waitFor(() => expect(asked.at(-1)?.body).toMatchObject({ by_hours: 1, gluten_free: true }));
  await userEvent.click(screen.getByRole("button", { name: "in the larder" }));
  expect(names(await screen.findByRole("region", { name: "Ranked" }))).toEqual(["quinoa"]);
});

it("says what to do first without a dish", () => {
  draft.set(NO_DRAFT);
  show(<Every />);
  expect(screen.getByRole("link", { name: "Bring a recipe" })).toHaveAttribute("href", "/bring");
  expect(asked).toEqual([]);
});
