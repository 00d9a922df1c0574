import { fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { Pot, Run } from "../../api/client";
import type { What } from "../../api/queries";
import { setManner } from "../../job/manner";
import { serve, show, type Asked } from "../../test-kit";
import { bring, FIRST_CHOICE } from "../draft";
import { WhatIf } from "./WhatIf";

const pot = (method = "covered") =>
  ({
    grain: "quinoa",
    method,
    lid: "ordinary",
    way: { method },
    water: { pour_ml: 540, pour_said: { amount: 2.25, unit: "cup" } },
    time: { cook: { low: 13, typical: 15, high: 18 } },
  }) as unknown as Pot;
const run = (code: string, text: string): Run =>
  ({
    curve: [
      { minute: 0, free_ml: 540, hydration: 0.1, done: 0, celsius: 20 },
      { minute: 20, free_ml: 0, hydration: 1.9, done: 1, celsius: 100 },
    ],
    boil_at: 5,
    off_at: 20,
    done_at: 20,
    dry_at: null,
    verdict: {
      code,
      said: code === "dry" ? "Too dry" : "It comes out right",
      minute: null,
      text,
      add_ml: 0,
      add_min: 0,
    },
  }) as unknown as Run;

let asked: Asked[];
beforeEach(() => {
  bring("Pilaf\n300 g rice\n600 ml water");
  asked = serve({
    "POST /api/what-if": (body: What) => ({
      plan: run("right", "As planned."),
      changed: body.lid === "open" ? run("dry", "The water is gone before it is done.") : run("right", "As planned."),
      pour_said: { amount: Math.round(((body.pour_ml ?? 540) / 240) * 4) / 4, unit: "cup" },
    }),
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
  setManner({ amounts: "", heat: "", clock: 24 }, 240);
});
const last = () => asked.at(-1)?.body as What;

it("shows what comes of another lid, and goes back to the plan", async () => {
  show(<WhatIf pot={pot()} choice={FIRST_CHOICE} />);
  expect(await screen.findByText("It comes out right")).not.toHaveClass("text-warn");
  expect(screen.queryByRole("button", { name: "As planned" })).toBeNull();
  await userEvent.click(screen.getByRole("radio", { name: "none" }));
  expect(await screen.findByText("Too dry")).toHaveClass("text-warn");
  expect(last()).toMatchObject({ lid: "open", pour_ml: null, minutes: null });
  await userEvent.click(screen.getByRole("button", { name: "As planned" }));
  await waitFor(() => expect(last()).toMatchObject({ lid: null }));
  expect(await screen.findByText("It comes out right")).toBeInTheDocument();
});

it("pours by tens, up to twice the plan, and says it as the household does", async () => {
  setManner({ amounts: "cups", heat: "", clock: 24 }, 240);
  show(<WhatIf pot={pot()} choice={FIRST_CHOICE} />);
  const slider = await screen.findByRole("slider", { name: /poured/ });
  expect(slider).toHaveAttribute("aria-valuemax", "1080");
  expect(screen.getByText("2¼ cups")).toBeInTheDocument();
  for (let n = 0; n < 6; n += 1) fireEvent.keyDown(slider, { key: "ArrowLeft" });
  // never the cups of the pour before beside this one's millilitres
  expect(screen.getByText("480 ml")).toBeInTheDocument();
  expect(screen.queryByText("2¼ cups")).toBeNull();
  await waitFor(() => expect(last().pour_ml).toBe(480));
  expect(await screen.findByText("2 cups")).toBeInTheDocument();
  expect(screen.getByText(", 480 ml")).toBeInTheDocument();
});

it("has no lid to change where the cooker has its own", async () => {
  show(<WhatIf pot={pot("rice-cooker")} choice={FIRST_CHOICE} />);
  await screen.findByText("It comes out right");
  expect(screen.queryByRole("radio", { name: "none" })).toBeNull();
});
