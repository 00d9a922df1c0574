import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { here, serve, show, type Asked } from "../../test-kit";
import { choice, draft, FIRST_CHOICE } from "../draft";
import { JustAPot } from "./JustAPot";

const GRAINS = [
  { slug: "quinoa", name: "quinoa", textures: ["fluffy", "soft"], texture_words: ["fluffy", "soft"] },
  {
    slug: "maize-meal-coarse",
    name: "coarse maize meal",
    textures: ["fluffy", "soft"],
    texture_words: ["tender", "soft-set"],
  },
];
let asked: Asked[];
beforeEach(() => {
  window.history.replaceState(null, "", "/");
  choice.set({ ...FIRST_CHOICE, pot_cm: 24, texture: "soft", method: "open" });
  const alone = ({ amount }: { amount: string }) =>
    /\d/.test(amount)
      ? { text: `Plain pot\n${amount}`, corrections: [] }
      : { status: 422, trouble: { code: "amount", where: "amount", text: "Write an amount, such as 1 cup or 200 g." } };
  asked = serve({
    "GET /api/grains": GRAINS,
    "POST /api/grains/quinoa/alone": alone,
    "POST /api/grains/maize-meal-coarse/alone": alone,
  });
});
afterEach(() => vi.unstubAllGlobals());

it("reckons a pot of a grain, in the pot that is on the bench already", async () => {
  show(<JustAPot />);
  await userEvent.selectOptions(
    screen.getByRole("combobox", { name: "of what" }),
    await screen.findByRole("option", { name: "coarse maize meal" }),
  );
  // a meal's own words for how it comes out
  await userEvent.selectOptions(screen.getByRole("combobox", { name: "how it comes out" }), "soft-set");
  await userEvent.click(screen.getByRole("button", { name: "Reckon the pot" }));
  await waitFor(() => expect(here()).toBe("/bench"));
  expect(asked.at(-1)).toMatchObject({
    path: "/api/grains/maize-meal-coarse/alone",
    body: { amount: "1 cup", texture: "soft" },
  });
  expect(draft.get().text).toBe("Plain pot\n1 cup");
  // what was chosen for another dish does not go with it
  expect(choice.get()).toMatchObject({ to: "maize-meal-coarse", pot_cm: 24 });
  expect([choice.get().texture, choice.get().method]).toEqual([FIRST_CHOICE.texture, FIRST_CHOICE.method]);
});

it("forgets a texture that was another grain's", async () => {
  show(<JustAPot />);
  const comes = await screen.findByRole("combobox", { name: "how it comes out" });
  await waitFor(() => expect(comes.querySelectorAll("option")).toHaveLength(3));
  await userEvent.selectOptions(comes, "soft");
  await userEvent.selectOptions(screen.getByRole("combobox", { name: "of what" }), "coarse maize meal");
  expect(comes).toHaveValue("");
});

it("says at the amount what is none, keeps it, and takes the bag it comes from along", async () => {
  show(<JustAPot grain="quinoa" amount="a lot" from={{ bag_id: 3, age: "old" }} />);
  expect(screen.queryByRole("combobox", { name: "of what" })).toBeNull();
  await userEvent.click(screen.getByRole("button", { name: "Reckon the pot" }));
  const amount = screen.getByRole("textbox", { name: "how much" });
  await waitFor(() => expect(amount).toHaveAttribute("aria-invalid", "true"));
  expect(amount).toHaveAccessibleDescription("Write an amount, such as 1 cup or 200 g.");
  expect(amount).toHaveValue("a lot");
  await userEvent.clear(amount);
  await userEvent.type(amount, "200 g{Enter}");
  await waitFor(() => expect(here()).toBe("/bench"));
  expect(choice.get()).toMatchObject({ to: "quinoa", bag_id: 3, age: "old" });
});
