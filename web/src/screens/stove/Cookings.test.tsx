import { screen, within } from "@testing-library/react";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { CookingInfo } from "../../api/client";
import { serve, show } from "../../test-kit";
import { Cookings } from "./Cookings";
import { keep } from "./store";

const row = (id: number, title: string, more: object = {}) => ({
  id,
  title,
  began: "2026-11-25T17:30:00",
  serve_at: "2026-11-25T19:00:00",
  ended: null,
  speed: 1,
  ...more,
});
const info = (id: number, title: string, more: object = {}) =>
  ({
    id,
    serve_at: "2026-11-25T19:00:00",
    state: { title, ended: null, all_done: false, ...more },
  }) as unknown as CookingInfo;
beforeEach(() => localStorage.clear());
afterEach(() => {
  vi.unstubAllGlobals();
  localStorage.clear();
});
const places = (under: HTMLElement) =>
  within(under)
    .queryAllByRole("link")
    .map((a) => [a.getAttribute("href"), a.textContent]);

it("shows what is on by when it is served, and below it what is over", async () => {
  serve({
    "GET /api/cookings": [
      row(4, "Saffron pan with peas", { speed: 60 }),
      row(3, "Tomato pilaf with chickpeas", { ended: "2026-11-24T19:10:00", began: "2026-11-24T18:00:00" }),
    ],
  });
  const { container } = show(<Cookings />);
  await screen.findByRole("heading", { name: "Over" });
  expect(places(container)).toEqual([
    ["/stove/4", "19:00Saffron pan with peasbegun at 17:30, practice at 60 times the speed"],
    ["/stove/3", "24 NovTomato pilaf with chickpeas"],
  ]);
  expect(places(screen.getByRole("list"))).toHaveLength(1);
});

it("says nothing is on, and where one begins", async () => {
  serve({ "GET /api/cookings": [] });
  const { container } = show(<Cookings />);
  await screen.findByRole("heading", { name: "Nothing is on the stove" });
  expect(places(container)).toEqual([["/plan", "To the plan"]]);
});

it("goes on without a network with what this device has seen and is not over", async () => {
  keep(4, info(4, "Saffron pan with peas"));
  keep(5, info(5, "Stuffed peppers", { ended: 70 }));
  keep(6, info(6, "Baked milk pudding", { all_done: true }));
  vi.stubGlobal("fetch", () => Promise.reject(new TypeError("no network")));
  const { container } = show(<Cookings />);
  expect(await screen.findByRole("status", undefined, { timeout: 4000 })).toHaveTextContent(
    "What was on can be gone on with here",
  );
  expect(places(container)).toEqual([["/stove/4", "19:00Saffron pan with peas"]]);
});

it("says so where this device has seen nothing", async () => {
  vi.stubGlobal("fetch", () => Promise.reject(new TypeError("no network")));
  show(<Cookings />);
  expect(await screen.findByRole("status", undefined, { timeout: 4000 })).toHaveTextContent(
    "Nothing that was on is known to this device.",
  );
});
