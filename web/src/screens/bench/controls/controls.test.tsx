import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { Choice, Grain, Shift } from "../../../api/client";
import { FIRST_CHOICE } from "../../draft";
import { ReadyPop } from "./Ready";
import { WayChoice } from "./Way";

const grain = (more: Partial<Grain>): Grain => ({
  slug: "quinoa",
  name: "quinoa",
  short: "quinoa",
  family: "pseudo-grain",
  form: "whole",
  gluten: false,
  whole: true,
  simmer_min: 15,
  rest_min: 5,
  rinse: 3,
  rinse_why: "",
  methods: ["covered", "pressure", "soup"],
  textures: ["separate", "fluffy"],
  texture_words: ["separate", "fluffy"],
  soaks: true,
  sprouts: true,
  roast_never: "",
  done_when: "",
  keeping: "",
  ...more,
});
const shift = (method: string) =>
  ({
    pots: [{ method, ledger: [{ term: "broth", ml: 900, because: "" }], roast: { kind: "none", min: 0, why: "" } }],
  }) as unknown as Shift;
const first: Choice = { ...FIRST_CHOICE, to: "quinoa" };
const set = vi.fn<(next: Choice) => void>();
const show = (what: React.ReactNode) =>
  render(<QueryClientProvider client={new QueryClient()}>{what}</QueryClientProvider>);
beforeEach(() => set.mockClear());
afterEach(() => vi.unstubAllGlobals());

it("takes a way by its picture, and drops what only another way wants", async () => {
  show(
    <WayChoice
      choice={{ ...first, whistles: 3, lid: "open" }}
      set={set}
      grains={[grain({})]}
      shift={shift("covered")}
    />,
  );
  expect(screen.getByRole("button", { name: "under a lid" })).toHaveAttribute("aria-pressed", "true");
  await userEvent.click(screen.getByRole("button", { name: "in a soup" }));
  expect(set).toHaveBeenCalledWith({ ...first, method: "soup", lid: null, whistles: null, release: "natural" });
});

it("asks of each way what it needs: broth, whistles, how the pressure goes", async () => {
  const soup = show(<WayChoice choice={first} set={set} grains={[grain({})]} shift={shift("soup")} />);
  expect(screen.getByLabelText("Broth to stay, ml")).toHaveValue("900");
  soup.unmount();
  show(<WayChoice choice={first} set={set} grains={[grain({})]} shift={shift("pressure")} />);
  await userEvent.type(screen.getByLabelText("Whistles"), "4");
  expect(set).toHaveBeenLastCalledWith({ ...first, whistles: 4 });
  await userEvent.click(screen.getByRole("switch", { name: "The pressure falls by itself" }));
  expect(set).toHaveBeenLastCalledWith({ ...first, release: "quick" });
});

it("sprouts what sprouts, with a soak of its own, and says what does not", async () => {
  const one = show(
    <ReadyPop choice={{ ...first, soak_min: 30 }} set={set} grains={[grain({})]} shift={shift("covered")} />,
  );
  await userEvent.click(screen.getByRole("button", { name: /roast, sprout/ }));
  await userEvent.click(screen.getByRole("switch", { name: "Not sprouted" }));
  expect(set).toHaveBeenLastCalledWith({ ...first, soak_min: null, roast: null, sprouted: true });
  await userEvent.click(screen.getByRole("radio", { name: "roasted dry" }));
  expect(set).toHaveBeenLastCalledWith({ ...first, soak_min: 30, roast: "dry" });
  one.unmount();
  show(
    <ReadyPop
      choice={first}
      set={set}
      grains={[grain({ sprouts: false, roast_never: "the smell turns" })]}
      shift={shift("covered")}
    />,
  );
  await userEvent.click(screen.getByRole("button", { name: /roast, sprout/ }));
  expect(screen.getByRole("switch")).toBeDisabled();
  expect(screen.getByText("Usually not: the smell turns.")).toBeVisible();
});
