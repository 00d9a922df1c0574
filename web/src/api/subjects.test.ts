import { QueryClient } from "@tanstack/react-query";
import { describe, expect, it } from "vitest";
import { allChanged, changed } from "./subjects";

const holding = (...keys: unknown[][]) => {
  const client = new QueryClient();
  for (const key of keys) client.setQueryData(key, 1);
  return { client, stale: (...key: unknown[]) => client.getQueryState(key)?.isInvalidated };
};

describe("after a change", () => {
  it("of the kitchen all that is reckoned with it is asked anew, and no list of what is kept", async () => {
    const { client, stale } = holding(
      ["kitchen"],
      ["shift", "text", []],
      ["plan", {}],
      ["compare", "text"],
      ["recipes"],
      ["session"],
    );
    await changed(client, "kitchen");
    expect([stale("kitchen"), stale("shift", "text", []), stale("plan", {}), stale("compare", "text")]).toEqual([
      true,
      true,
      true,
      true,
    ]);
    expect([stale("recipes"), stale("session")]).toEqual([false, false]);
  });
  it("of the larder the week's shopping is, and what is left over", async () => {
    const { client, stale } = holding(
      ["larder", "dishes", 3],
      ["week", "2026-11-27", undefined],
      ["left"],
      ["notebook", {}],
    );
    await changed(client, "larder");
    expect([
      stale("larder", "dishes", 3),
      stale("week", "2026-11-27", undefined),
      stale("left"),
      stale("notebook", {}),
    ]).toEqual([true, true, true, false]);
  });
  it("of a page what the next pot has learnt, and the pots that stand on it", async () => {
    const { client, stale } = holding(["lessons"], ["shift", "t"], ["week", "d"], ["members"]);
    await changed(client, "notebook");
    expect([stale("lessons"), stale("shift", "t"), stale("week", "d"), stale("members")]).toEqual([
      true,
      true,
      true,
      false,
    ]);
  });
  it("of a meal kept as a shift both lists are, each once", async () => {
    const { client, stale } = holding(["week", "d"], ["shifts", 4], ["training"]);
    await changed(client, "week", "recipes");
    expect([stale("week", "d"), stale("shifts", 4), stale("training")]).toEqual([true, true, false]);
  });
  it("of everything nothing is believed: a restored household says its numbers otherwise too", async () => {
    const { client, stale } = holding(["recipes"], ["cookings"], ["session"]);
    await allChanged(client);
    expect([stale("recipes"), stale("cookings"), stale("session")]).toEqual([true, true, true]);
  });
});
