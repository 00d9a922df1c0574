import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeAll, describe, expect, it, vi } from "vitest";
import type { Contents, Pot, Run, Shift } from "../api/client";
import { Jug } from "./Jug";
import { TimeLedger, WaterLedger } from "./Ledger";
import { setManner } from "./manner";
import { Marked } from "./Marked";
import { PotCurve } from "./PotCurve";
import { Strip } from "./Strip";

const pot = {
  grain: "quinoa",
  name: "quinoa",
  short: "quinoa",
  dry: { ml: 240, g: 173 },
  method: "covered",
  texture: "fluffy",
  texture_at: 1,
  texture_word: "fluffy",
  lid: "ordinary",
  water: {
    pour_ml: 384,
    reserve_ml: 46,
    low_ml: 338,
    high_ml: 430,
    ratio_by_volume: 1.6,
    depth_above_cm: 0.9,
    about: "240 ml (173 g) of quinoa. Between 338 ml and 430 ml is usual.",
    pour_said: { amount: 1.75, unit: "glass" },
  },
  soak: { min: 0, uptake_ml: 0 },
  roast: { kind: "none", min: 0, why: "" },
  time: { come_up_min: 2, cook: { low: 12, typical: 15, high: 18 }, release_min: 0, rest_min: 5, total_min: 22 },
  yield: { ml: 716, g: 501 },
  done_when: "Each grain shows its thread.",
  basis: "practice",
  stages: [],
  ledger: [
    { term: "grain", ml: 328, because: "it drinks" },
    { term: "cling", ml: -21, because: "on it already" },
    { term: "boil_off", ml: 57, because: "boils off under this lid" },
    { term: "come_up", ml: 20, because: "on the way" },
  ],
  time_ledger: [
    { term: "come_up", min: 2, because: "to the boil" },
    { term: "simmer", min: 15, because: "quinoa" },
    { term: "rest", min: 5, because: "closed" },
  ],
} as unknown as Pot;
const jug: Contents = {
  layers: [
    { key: "grain", ml: 144, label: "173 g quinoa", note: "fluffy" },
    { key: "there", ml: 21, label: "21 already there", note: "on the rinsed grain" },
    { key: "drinks", ml: 307, label: "307 for the grain", note: "" },
    { key: "off", ml: 77, label: "77 boils off", note: "under this lid" },
  ],
  surface_ml: 549,
  reserve_ml: 50,
  reserve: "50 kept hot",
  capacity_ml: 640,
  tick_ml: 100,
};

beforeAll(() => {
  window.matchMedia = vi
    .fn()
    .mockReturnValue({ matches: true, addEventListener: () => {}, removeEventListener: () => {} });
});

describe("the drawings say in words what they show", () => {
  it("the jug has a table of its contents", () => {
    render(<Jug pot={pot} jug={jug} />);
    const table = screen.getByRole("table", { name: /What is in the jug/ });
    expect(within(table).getByRole("row", { name: /Pour 384 ml/ })).toBeInTheDocument();
    expect(within(table).getByRole("row", { name: /77 boils off/ })).toBeInTheDocument();
    expect(within(table).getByRole("row", { name: /21 already there/ })).toBeInTheDocument();
    expect(within(table).getByRole("row", { name: /50 kept hot/ })).toBeInTheDocument();
  });
  it("the ledgers sum to the numbers they explain", () => {
    const { container } = render(
      <>
        <WaterLedger pot={pot} />
        <TimeLedger pot={pot} />
      </>,
    );
    const [water, time] = [...container.querySelectorAll("table")].map((t) =>
      [...t.querySelectorAll("td:first-child")].map((c) => Number(c.textContent?.replace("−", "-"))),
    );
    expect(water?.reduce((a, b) => a + b)).toBe(384);
    expect(time?.reduce((a, b) => a + b)).toBe(22);
    expect(container).toHaveTextContent("Between 338 ml and 430 ml is usual. 1 to 1.6 by volume");
    expect(container).not.toHaveTextContent("in millilitres");
  });
  it("a household of cups has its cups over a sum in millilitres", () => {
    setManner({ amounts: "cups", heat: "", clock: 24 }, 240);
    render(<WaterLedger pot={{ ...pot, water: { ...pot.water, pour_said: { amount: 1.67, unit: "cup" } } }} />);
    setManner({ amounts: "", heat: "", clock: 24 }, 240);
    expect(screen.getByRole("heading", { name: "Why 1⅔ cups" })).toBeInTheDocument();
    expect(screen.getByText(/The sum is in millilitres, so that it adds up/)).toBeInTheDocument();
    expect(screen.getByText("ml to pour")).toBeInTheDocument();
  });
  it("a changed word is marked, and its old one struck through on a phone", () => {
    render(
      <p>
        <Marked text="308 g foxtail millet" marks={[[0, 5]]} olds={["300 g"]} withOld />
      </p>,
    );
    expect(screen.getByText("308 g").tagName).toBe("MARK");
    expect(screen.getByText("300 g").closest("del")).not.toBeNull();
  });
  it("the strip adds up to the clock and puts late things at their minute", () => {
    const shift = {
      pots: [pot],
      strip: [
        { what: "to the boil", min: 2, kind: "come_up", at: [] },
        { what: "simmer", min: 15, kind: "cook", at: [{ what: "peas", minute: 10 }] },
        { what: "rest", min: 5, kind: "rest", at: [] },
      ],
    } as unknown as Shift;
    render(<Strip shift={shift} now={new Date(2026, 10, 25, 18, 38)} />);
    expect(screen.getByText("22 minutes")).toBeInTheDocument();
    expect(screen.getByText("19:00")).toBeInTheDocument();
    expect(screen.getByText(/peas at 10/)).toBeInTheDocument();
    expect(screen.getAllByRole("listitem").map((li) => li.textContent?.slice(-5))).toEqual(["18:38", "18:40", "18:55"]);
  });
  it("the end of the heat is moved by keyboard within its bounds", async () => {
    const points = [0, 5, 10, 15, 20].map((minute) => ({
      minute,
      celsius: 100,
      free_ml: 400 - minute * 20,
      hydration: minute / 10,
      done: minute / 15,
    }));
    const run = {
      curve: points,
      boil_at: 2,
      off_at: 17,
      done_at: 17,
      dry_at: 17,
      verdict: { code: "right", said: "It comes out right", minute: 17, text: "Right.", add_ml: 0, add_min: 0 },
    } as Run;
    const moved = vi.fn();
    const { rerender } = render(<PotCurve plan={run} run={run} minutes={15} look={[12, 18]} onMinutes={moved} />);
    screen.getByRole("slider", { name: "Minutes at the heat" }).focus();
    await userEvent.keyboard("{ArrowRight}{PageDown}");
    expect(moved.mock.calls).toEqual([[16], [10]]);
    rerender(<PotCurve plan={run} run={run} minutes={0} look={[12, 18]} onMinutes={moved} />);
    await userEvent.keyboard("{ArrowLeft}");
    expect(moved).toHaveBeenLastCalledWith(0);
  });
});
