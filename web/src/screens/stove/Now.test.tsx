import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { CookPot, CookStep } from "../../api/client";
import { setManner } from "../../job/manner";
import { changes, serve, show } from "../../test-kit";
import { Now } from "./Now";
import { PotKeys } from "./PotKeys";
import { Timer, Waiting } from "./Timers";

const step = (more: Partial<CookStep> = {}): CookStep =>
  ({
    id: "a/cook",
    pot: "a",
    kind: "cook",
    style: "follow",
    status: "ready",
    title: "Let it simmer",
    words: "",
    key: "",
    look: "",
    dish: "Saffron pan with peas",
    part: "",
    minutes: 15,
    due: null,
    ready: 10,
    start: null,
    end: null,
    pour_ml: 0,
    reserve_ml: 0,
    goes_in: [],
    count_out: [],
    cautions: [],
    ...more,
  }) as unknown as CookStep;
const pot = (more: Partial<CookPot> = {}): CookPot =>
  ({
    key: "a",
    name: "quinoa",
    lid: "ordinary",
    own_lid: "ordinary",
    locked: false,
    scale: "",
    verdict: "",
    pour_said: { amount: 2.25, unit: "cup" },
    ...more,
  }) as unknown as CookPot;
const touch = vi.fn();
const open = vi.fn();
const now = (s: CookStep, more: { pot?: CookPot; minute?: number; out?: string[] } = {}) =>
  show(
    <Now
      step={s}
      pot={more.pot ?? pot()}
      minute={more.minute ?? 20}
      out={more.out ?? []}
      touch={touch}
      open={open}
      wide={false}
    />,
  );
beforeEach(() => {
  touch.mockClear();
  open.mockClear();
});
afterEach(() => {
  vi.unstubAllGlobals();
  setManner({ amounts: "", heat: "", clock: 24 }, 240);
});
const press = (name: string | RegExp) => userEvent.click(screen.getByRole("button", { name }));

it("says what to pour before the heat is on, largest, in the household's way", async () => {
  const { unmount } = now(step({ kind: "boil", style: "begin", title: "Water and quinoa, heat on", pour_ml: 540 }));
  expect(screen.getByText("540")).toHaveClass("poster");
  expect(screen.getByText("ml")).toBeInTheDocument();
  await press("Heat is on");
  expect(touch).toHaveBeenCalledWith("begun", { step: "a/cook" }, "Water and quinoa, heat on");
  unmount();
  setManner({ amounts: "cups", heat: "", clock: 24 }, 240);
  now(step({ kind: "boil", style: "begin", pour_ml: 540 }));
  expect(screen.getByText("2¼")).toHaveClass("poster");
});

it("says what to keep boiling as the household pours", () => {
  const kettle = step({ kind: "kettle", style: "remind", reserve_ml: 60, reserve_said: { amount: 0.25, unit: "cup" } });
  now(kettle);
  expect(screen.getByText("60")).toBeInTheDocument();
  expect(screen.getByText("ml, kept boiling")).toBeInTheDocument();
  cleanup();
  setManner({ amounts: "cups", heat: "", clock: 24 }, 240);
  now(kettle);
  setManner({ amounts: "", heat: "", clock: 24 }, 240);
  expect(screen.getByText("¼")).toBeInTheDocument();
  expect(screen.getByText("cup, kept boiling")).toBeInTheDocument();
});

it("pours nothing twice once it runs", () => {
  now(step({ kind: "boil", status: "running", due: 25, pour_ml: 540 }));
  expect(screen.queryByText("540")).toBeNull();
  expect(screen.getByRole("button", { name: "It boils" })).toBeInTheDocument();
});

it("asks for the look and prolongs what is not done; more water where the pot is open to it", async () => {
  now(step({ status: "running", due: 18, look: "each grain shows its thread" }), { minute: 20.2 });
  expect(screen.getByText("each grain shows its thread")).toBeInTheDocument();
  expect(screen.getByText(/over its time/)).toBeInTheDocument();
  await press("Not yet: 3 min");
  expect(touch).toHaveBeenCalledWith("not_yet", { step: "a/cook", minutes: 3 }, "3 minutes more");
  await press("Poured more");
  expect(open).toHaveBeenCalledWith("pour");
  await press("It is done: off the heat");
  expect(touch).toHaveBeenLastCalledWith("done", { step: "a/cook" }, "Let it simmer");
});

it("offers no pouring into a locked pot, and no pot at all", async () => {
  const { unmount } = now(step({ status: "running", due: 25 }), { pot: pot({ locked: true }) });
  expect(screen.queryByRole("button", { name: "Poured more" })).toBeNull();
  unmount();
  now(step({ status: "running", due: 25, kind: "rest" }));
  await press("10 min");
  expect(touch).toHaveBeenCalledWith("not_yet", { step: "a/cook", minutes: 10 }, "10 minutes more");
});

it("counts whole spices out, and says at the table which were not found", async () => {
  now(step({ kind: "finish", style: "do", count_out: ["2 bay leaves", "1 cinnamon stick"] }), {
    out: ["2 bay leaves"],
  });
  expect(screen.getByRole("checkbox", { name: "2 bay leaves" })).toBeChecked();
  await userEvent.click(screen.getByRole("checkbox", { name: "1 cinnamon stick" }));
  expect(touch).toHaveBeenCalledWith("out", { thing: "1 cinnamon stick", found: true }, "1 cinnamon stick");
  await press("1 not found yet: serve all the same");
  expect(touch).toHaveBeenLastCalledWith("done", { step: "a/cook" }, "Let it simmer");
});

it("shows a title that was cut in the recipe's own words, what goes in, and every caution", () => {
  now(
    step({
      kind: "act",
      style: "do",
      title: "Soften the onion in the …",
      words: "Soften the onion in the oil with the bay leaves.",
      goes_in: ["1 onion", "2 tbsp oil"],
      cautions: ["Hot fat spits."],
    }),
  );
  expect(screen.getByRole("heading")).toHaveTextContent("Soften the onion in the oil with the bay leaves.");
  expect(screen.getAllByRole("listitem").map((li) => li.textContent)).toEqual(["1 onion", "2 tbsp oil"]);
  expect(screen.getByText("Hot fat spits.")).toBeInTheDocument();
});

it("takes the lid off and puts it on again, never on a locked pot", async () => {
  const keys = (p: CookPot) =>
    show(<PotKeys pot={p} cookingId={4} onDone={() => Promise.resolve()} touch={touch} open={open} />);
  const { unmount } = keys(pot());
  await press("Lid off");
  expect(touch).toHaveBeenLastCalledWith("lid", { pot: "a", lid: "open" }, "lid off");
  unmount();
  const bare = keys(pot({ lid: "open", own_lid: "tight" }));
  await press("Lid on");
  expect(touch).toHaveBeenLastCalledWith("lid", { pot: "a", lid: "tight" }, "lid on");
  bare.unmount();
  keys(pot({ locked: true }));
  expect(screen.getByText(/Locked until its pressure is down/)).toBeInTheDocument();
});

it("weighs the pot on the stand-in scale, and says why where it cannot", async () => {
  let trouble = true;
  const done = vi.fn(() => Promise.resolve());
  const asked = serve({
    "POST /api/cookings/4/stand-in": () =>
      trouble
        ? { status: 422, trouble: { code: "scale", where: "pot", text: "It is not on yet: weigh it when it is." } }
        : {},
  });
  show(<PotKeys pot={pot()} cookingId={4} onDone={done} touch={touch} open={open} />);
  await press("On the scale");
  expect(await screen.findByText("It is not on yet: weigh it when it is.")).toBeInTheDocument();
  expect(done).not.toHaveBeenCalled();
  trouble = false;
  await press("On the scale");
  await waitFor(() => expect(done).toHaveBeenCalledOnce());
  expect(screen.queryByText(/It is not on yet/)).toBeNull();
  const ids = changes(asked).map((c) => (c.body as { id: string }).id);
  expect(changes(asked)[0]?.body).toMatchObject({ pot: "a", kind: "scale" });
  expect(new Set(ids).size).toBe(2);
});

it("asks once before a timer is ended early, and not when it is due", async () => {
  const end = vi.fn();
  const { unmount } = show(<Timer step={step({ status: "running", due: 30 })} minute={20} many={false} onDone={end} />);
  await press(/^Done:/);
  expect(end).not.toHaveBeenCalled();
  await press("Let it run");
  await press(/^Done:/);
  await press("Yes, done");
  expect(end).toHaveBeenCalledOnce();
  unmount();
  show(<Timer step={step({ status: "running", due: 20.4 })} minute={20} many onDone={end} />);
  await press(/^Done:/);
  expect(end).toHaveBeenCalledTimes(2);
});

it("says until when there is nothing to do, and what may be done before", async () => {
  const early = vi.fn();
  const waits = {
    step: step({ id: "b/soak", status: "waiting", style: "begin", title: "Rinse the lentils", ready: 22 }),
    at: 30,
  };
  show(
    <Waiting
      next={[{ step: step({ status: "running", look: "tender" }), at: 25 }, waits]}
      minute={20}
      clockAt={(m) => `minute ${m}`}
      onEarly={early}
      locked={false}
    />,
  );
  expect(screen.getByText("Nothing to do until minute 25")).toBeInTheDocument();
  expect(screen.getByRole("timer", { name: "5 minutes left" })).toBeInTheDocument();
  expect(screen.getByRole("heading")).toHaveTextContent("then look: let it simmer");
  await press("Now already: rinse the lentils");
  expect(early).toHaveBeenCalledWith("b/soak");
});
