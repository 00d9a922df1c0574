import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { Kitchen as KitchenData } from "../../api/client";
import { setManner } from "../../job/manner";
import { Kitchen } from "./Kitchen";

const FIRST: KitchenData = {
  burners: [1200, 1800],
  oven_places: 2,
  rice_cooker: false,
  pressure_cooker: false,
  electric_pressure: false,
  slow_cooker: false,
  microwave_w: null,
  whistle_min: 2.5,
  altitude_m: 0,
  room_c: 20,
  jar_ml: 400,
  time_zone: "UTC",
  said: true,
  took: [],
  pots: [],
  devices: [],
};
const USUAL = {
  pot_cm: 20,
  burner_w: 1200,
  microwave_w: 800,
  altitude_m: 0,
  room_c: 20,
  whistle_min: 2.5,
  burners: [
    { word: "small", watts: 800 },
    { word: "strong", watts: 1800 },
  ],
};
let kitchen: KitchenData;
let bodies: Partial<KitchenData>[] = [];
beforeEach(() => {
  kitchen = { ...FIRST };
  bodies = [];
  vi.stubGlobal("fetch", async (r: Request) => {
    const headers = { "Content-Type": "application/json" };
    if (r.method === "PUT") {
      const body = (await r.json()) as KitchenData;
      if (body.burners.some((w) => w > 6000))
        return new Response(
          JSON.stringify({
            code: "burner_w",
            where: "burner_w",
            text: "A burner gives 200 to 6,000 W; give a number in between.",
          }),
          { status: 422, headers },
        );
      bodies.push(body);
      kitchen = { ...kitchen, ...body };
    }
    const said: Record<string, unknown> = { "/api/kitchen": kitchen, "/api/session": { usual: USUAL } };
    return new Response(JSON.stringify(said[new URL(r.url).pathname] ?? {}), { headers });
  });
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <Kitchen />
    </QueryClientProvider>,
  );
});
afterEach(() => {
  vi.unstubAllGlobals();
  setManner({ amounts: "", heat: "", clock: 24 }, 240);
});
const touch = async (name: string | RegExp) => userEvent.click(await screen.findByRole("button", { name }));

it("keeps every touch at once, each with those before it", async () => {
  await touch("Rice cooker");
  await touch("Slow cooker");
  await touch("One dish fewer");
  await waitFor(() =>
    expect(bodies.at(-1)).toMatchObject({
      rice_cooker: true,
      slow_cooker: true,
      oven_places: 1,
      burners: [1200, 1800],
    }),
  );
  expect(screen.getByRole("button", { name: "Rice cooker" })).toHaveAttribute("aria-pressed", "true");
  await touch("Microwave");
  await waitFor(() => expect(bodies.at(-1)?.microwave_w).toBe(800));
});

it("takes a burner's strength, and says at the burner what cannot be", async () => {
  await touch(/Burner 2,\s*1800/);
  const field = screen.getByRole("textbox", { name: /^Burner 2, watts/ });
  await userEvent.clear(field);
  await userEvent.type(field, "lots{Enter}");
  expect(screen.getByRole("alert")).toHaveTextContent("“lots” is no number");
  await userEvent.clear(field);
  await userEvent.type(field, "9000{Enter}");
  await waitFor(() => expect(screen.getByRole("alert")).toHaveTextContent("A burner gives 200 to 6,000 W"));
  expect(bodies).toEqual([]);
  await touch("strong, 1800");
  await touch(/Burner 1,\s*1200/);
  await touch("There is none here");
  await waitFor(() => expect(bodies.at(-1)?.burners).toEqual([1800]));
});

it("asks how warm it is on the household's thermometer", async () => {
  setManner({ amounts: "", heat: "F", clock: 24 }, 240);
  await touch(/Rice cooker/);
  await touch(/68.*°F warm/);
  const field = screen.getByRole("textbox", { name: /^The kitchen is/ });
  await userEvent.clear(field);
  await userEvent.type(field, "77{Enter}");
  await waitFor(() => expect(bodies.at(-1)?.room_c).toBe(25));
});

it("asks how high it is in feet, and what the grinder holds in cups, where the house goes by them", async () => {
  setManner({ amounts: "cups", heat: "", clock: 24 }, 240);
  await touch(/Rice cooker/);
  await touch(/0.*feet above the sea/);
  const field = screen.getByRole("textbox", { name: /^Above the sea/ });
  await userEvent.clear(field);
  await userEvent.type(field, "5000{Enter}");
  await waitFor(() => expect(bodies.at(-1)?.altitude_m).toBe(1524));
  await touch(/its jar: 1.67 cups/);
  const jar = screen.getByRole("textbox", { name: /jar holds/ });
  await userEvent.clear(jar);
  await userEvent.type(jar, "2½{Enter}");
  await waitFor(() => expect(bodies.at(-1)?.jar_ml).toBe(600));
});
