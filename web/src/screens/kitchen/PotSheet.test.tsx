import { act, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { setManner } from "../../job/manner";
import type { KitchenPot } from "../../api/client";
import { settle } from "../../ui/gone";
import { changes, serve, show, type Asked } from "../../test-kit";
import { NEW_POT, PotSheet, type PotForm } from "./PotSheet";

let asked: Asked[];
function Held({ first }: { first: PotForm }) {
  const [now, set] = useState<PotForm | null>(first);
  return now ? <PotSheet form={now} set={set} /> : <p>closed</p>;
}
beforeEach(() => {
  const kept = ({ name }: { name: string }) =>
    name.trim()
      ? { id: 4 }
      : { status: 422, trouble: { code: "name", where: "name", text: "Give the pot a short name." } };
  asked = serve({ "POST /api/kitchen/pots": kept, "PUT /api/kitchen/pots/4": kept });
});
afterEach(async () => {
  await act(settle);
  vi.unstubAllGlobals();
});
const box = (name: string) => screen.getByRole("textbox", { name: new RegExp(name) });

it("adds a pot by what was measured, and says at each field what is no measure", async () => {
  show(<Held first={NEW_POT} />);
  const add = () => userEvent.click(screen.getByRole("button", { name: "Add it" }));
  await add();
  expect(screen.getByText(/“” is no width; measure across the inside/)).toBeInTheDocument();
  await userEvent.type(box("Across the inside"), "wide");
  await add();
  expect(screen.getByText(/“wide” is no width/)).toBeInTheDocument();
  await userEvent.clear(box("Across the inside"));
  await userEvent.type(box("Across the inside"), "22,5");
  await userEvent.type(box("It holds"), "plenty");
  await add();
  expect(screen.getByText(/“plenty” is no volume/)).toBeInTheDocument();
  expect(changes(asked)).toEqual([]);
  await userEvent.clear(box("It holds"));
  await add();
  expect(await screen.findByText("Give the pot a short name.")).toBeInTheDocument();
  expect(box("Across the inside")).toHaveValue("22,5");
  await userEvent.type(box("What you call it"), "the wide one");
  await userEvent.selectOptions(screen.getByRole("combobox", { name: "Its lid" }), "tight");
  await add();
  expect(await screen.findByText("closed")).toBeInTheDocument();
  expect(changes(asked).at(-1)).toEqual({
    do: "POST /api/kitchen/pots",
    body: { name: "the wide one", diameter_cm: 22.5, litres: null, lid: "tight" },
  });
});

it("changes a pot that is there, and takes it away when the offer is over", async () => {
  show(<Held first={{ id: 4, name: "the blue one", diameter_cm: "20", litres: "3", lid: "ordinary" }} />);
  await userEvent.clear(box("It holds"));
  await userEvent.type(box("It holds"), "2.8");
  await userEvent.click(screen.getByRole("button", { name: "Change it" }));
  await waitFor(() =>
    expect(changes(asked)).toEqual([
      { do: "PUT /api/kitchen/pots/4", body: { name: "the blue one", diameter_cm: 20, litres: 2.8, lid: "ordinary" } },
    ]),
  );
});

it("takes a pot away out of sight, and tells the server later", async () => {
  show(<Held first={{ id: 4, name: "the blue one", diameter_cm: "20", litres: "", lid: "ordinary" }} />);
  await userEvent.click(screen.getByRole("button", { name: "Take it away" }));
  expect(screen.getByText("closed")).toBeInTheDocument();
  expect(changes(asked)).toEqual([]);
  await act(settle);
  await waitFor(() => expect(changes(asked)).toEqual([{ do: "DELETE /api/kitchen/pots/4", body: null }]));
});

it("is measured in inches and quarts where the house goes by cups; what was not touched stays to the millimetre", async () => {
  setManner({ amounts: "cups", heat: "", clock: 24 }, 240);
  const pot = { id: 4, name: "the blue one", diameter_cm: 20, litres: 3.7, lid: "ordinary" } as unknown as KitchenPot;
  const [first, set] = [{ id: 4, name: "the blue one", diameter_cm: "7.9", litres: "3.9", lid: "ordinary" }, vi.fn()];
  show(<PotSheet form={first as PotForm} set={set} pot={pot} />);
  expect(box("Across the inside, inches")).toHaveValue("7.9");
  await userEvent.click(screen.getByRole("button", { name: "Change it" }));
  await waitFor(() => expect(changes(asked).at(-1)?.body).toMatchObject({ diameter_cm: 20, litres: 3.7 }));
  setManner({ amounts: "", heat: "", clock: 24 }, 240);
});

it("takes inches, halves too, and says what it wants in them", async () => {
  setManner({ amounts: "cups", heat: "", clock: 24 }, 240);
  show(<Held first={{ ...NEW_POT, name: "the wide one" }} />);
  const add = () => userEvent.click(screen.getByRole("button", { name: "Add it" }));
  await userEvent.type(box("Across the inside"), "wide");
  await add();
  expect(screen.getByText(/write inches, such as 7.9/)).toBeInTheDocument();
  await userEvent.clear(box("Across the inside"));
  await userEvent.type(box("Across the inside"), "9 1/2");
  await userEvent.type(box("It holds, quarts"), "4");
  await add();
  await waitFor(() => expect(changes(asked).at(-1)?.body).toMatchObject({ diameter_cm: 24.1, litres: 3.78 }));
  setManner({ amounts: "", heat: "", clock: 24 }, 240);
});
