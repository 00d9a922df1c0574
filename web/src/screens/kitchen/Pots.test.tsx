import { act, fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { BoilOff as Found, KitchenPot } from "../../api/client";
import { Route } from "../../ui/route";
import { changes, here, serve, show, type Asked } from "../../test-kit";
import { BoilOff } from "./BoilOff";

const BLUE = {
  id: 2,
  name: "the blue one",
  diameter_cm: 22,
  litres: 3,
  lid: "tight",
  boil_off: 1,
  test: null,
} as unknown as KitchenPot;
const FOUND = {
  rate: 9.5,
  usual: 7.6,
  factor: 1.25,
  said: "It loses a quarter more than usual.",
  problems: [],
} as unknown as Found;
let asked: Asked[];
beforeEach(() => {
  vi.useFakeTimers({ shouldAdvanceTime: true });
  vi.setSystemTime(new Date("2026-11-27T18:00:00"));
  sessionStorage.clear();
  window.history.replaceState(null, "", "/kitchen/pots/2/test");
  asked = serve({
    "GET /api/kitchen": { pots: [BLUE], burners: [1200], said: true },
    "POST /api/kitchen/pots/2/boil-off": ({ after_ml }: { after_ml: number }) =>
      after_ml > 1000
        ? {
            status: 422,
            trouble: { code: "after_ml", where: "after_ml", text: "More is left than went in: weigh it again." },
          }
        : FOUND,
  });
  show(
    <Route path="/kitchen/pots/:id/test">
      <BoilOff />
    </Route>,
  );
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});
const user = () => userEvent.setup({ advanceTimers: (ms) => vi.advanceTimersByTime(ms) });
const put = (name: RegExp | string, value: string) =>
  fireEvent.change(screen.getByRole("textbox", { name }), { target: { value } });
const later = (minutes: number) => act(() => vi.advanceTimersByTimeAsync(minutes * 60_000));

it("walks from water in to water out by the clock, and reckons with what it finds", async () => {
  expect(await screen.findByRole("heading", { name: "Water in" })).toBeInTheDocument();
  for (const no of ["a litre", "299", "20001"]) {
    put(/So much water/, no);
    await user().click(screen.getByRole("button", { name: "It simmers now" }));
    expect(screen.getByText(new RegExp(`“${no}” will not do`))).toBeInTheDocument();
  }
  put(/So much water/, "1000");
  await user().click(screen.getByRole("button", { name: "It simmers now" }));
  expect(screen.getByRole("button", { name: "Five minutes at the least" })).toBeDisabled();
  await later(4.9);
  expect(screen.getByRole("button", { name: "Five minutes at the least" })).toBeDisabled();
  await later(5.2);
  expect(screen.getByRole("heading", { name: "Off the heat" })).toBeInTheDocument();
  await user().click(screen.getByRole("button", { name: "It is off the heat" }));
  expect(screen.getByText(/It simmered 10\.1 minutes/)).toBeInTheDocument();
  await user().click(screen.getByRole("button", { name: "What does it lose?" }));
  expect(screen.getByText(/“” is no amount/)).toBeInTheDocument();
  put(/Left, ml or g/, "1200");
  await user().click(screen.getByRole("button", { name: "What does it lose?" }));
  expect(await screen.findByText("More is left than went in: weigh it again.")).toBeInTheDocument();
  put(/Left, ml or g/, "905");
  await user().click(screen.getByRole("button", { name: "What does it lose?" }));
  expect(await screen.findByText("It loses a quarter more than usual.")).toBeInTheDocument();
  expect(here()).toBe("/kitchen/pots/2/test");
  await user().click(screen.getByRole("button", { name: "Reckon with it" }));
  await waitFor(() => expect(here()).toBe("/kitchen"));
  const [, looked, kept] = changes(asked).map((c) => c.body as Record<string, unknown>);
  expect(looked).toMatchObject({ before_ml: 1000, after_ml: 905, lid: "tight", keep: false });
  expect(kept).toMatchObject({ before_ml: 1000, after_ml: 905, keep: true });
  expect(Number(kept?.minutes)).toBeCloseTo(10.1, 1);
});

it("begins anew when told so", async () => {
  await screen.findByRole("heading", { name: "Water in" });
  await user().click(screen.getByRole("button", { name: "It simmers now" }));
  await later(6);
  await user().click(screen.getByRole("button", { name: "Start again" }));
  expect(screen.getByRole("heading", { name: "Water in" })).toBeInTheDocument();
  expect(changes(asked)).toEqual([]);
});

it.each(["300", "20000"])("takes %s ml of water, the least and the most that a pot is tried with", async (water) => {
  await screen.findByRole("heading", { name: "Water in" });
  put(/So much water/, water);
  await user().click(screen.getByRole("button", { name: "It simmers now" }));
  expect(screen.queryByText(/will not do/)).toBeNull();
  expect(screen.getByRole("heading", { name: "Let it simmer" })).toBeInTheDocument();
  // a test that runs is kept while the page is closed
  await user().click(screen.getByRole("button", { name: "Start again" }));
});
