import { describe, expect, it } from "vitest";
import { allPages, PAGE } from "./pages";

const list = (n: number) => Array.from({ length: n }, (_, id) => ({ id }));

describe("a list in pages", () => {
  it.each([0, 1, PAGE - 1, PAGE, PAGE + 1, 3 * PAGE])("is got to its end: %i rows", async (n) => {
    const all = list(n);
    expect(await allPages((page) => Promise.resolve(all.slice((page - 1) * PAGE, page * PAGE)))).toEqual(all);
  });
  it("keeps once what a new row pushed onto the next page", async () => {
    const pages = [list(PAGE), [{ id: PAGE - 1 }, { id: PAGE }]];
    const found = await allPages((page) => Promise.resolve(pages[page - 1] ?? []));
    expect(found.map((r) => r.id)).toEqual(list(PAGE + 1).map((r) => r.id));
  });
});
