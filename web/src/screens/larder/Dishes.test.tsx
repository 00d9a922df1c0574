import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import { expect, it, vi } from "vitest";
import { Dishes } from "./Dishes";

const dish = (id: number, title: string, rank: number) => ({
  recipe_id: id,
  title,
  minutes: 20,
  reason: "",
  needs_g: 100,
  enough: rank > 100,
  rank,
});

it("looks through every page of the recipes and puts the best of all on top", async () => {
  const pages = [[dish(1, "good", 100.5), dish(2, "too little left", 0.9)], [dish(3, "best", 100.9)], []];
  const asked: string[] = [];
  vi.stubGlobal("fetch", (r: Request) => {
    const page = Number(new URL(r.url).searchParams.get("page"));
    asked.push(String(page));
    return Promise.resolve(
      new Response(JSON.stringify({ dishes: pages[page - 1], page, pages: 3, of: 70 }), {
        headers: { "Content-Type": "application/json" },
      }),
    );
  });
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <Dishes bagId={5} onTake={() => undefined} />
    </QueryClientProvider>,
  );
  await vi.waitFor(() => expect(asked).toEqual(["1", "2", "3"]));
  await vi.waitFor(() => expect(screen.getByRole("status").textContent).toBe(""));
  expect(screen.getAllByRole("button").map((b) => b.textContent)).toEqual(["best", "good", "too little left"]);
  vi.unstubAllGlobals();
});
