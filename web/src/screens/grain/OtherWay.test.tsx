import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { setManner } from "../../job/manner";
import type { GrainPage } from "../../api/client";
import { serve, show, type Asked } from "../../test-kit";
import { OtherWay } from "./OtherWay";

const G = { slug: "quinoa", name: "quinoa", measure_ml: 240, measure_name: "glass" } as unknown as GrainPage;
let asked: Asked[];
beforeEach(() => {
  asked = serve({
    "POST /api/grains/quinoa/other-way": ({ water_ml }: { water_ml: number | null }) =>
      water_ml === 0
        ? { status: 422, trouble: { code: "water_ml", where: "water_ml", text: "Say how much water there is." } }
        : {
            dry: { ml: 300, g: 216 },
            water: { pour_ml: 500, ratio_by_volume: 1.75 },
            texture_word: "fluffy",
            time: { cook: { typical: 15 } },
          },
  });
});
afterEach(() => vi.unstubAllGlobals());
const reckon = () => userEvent.click(screen.getByRole("button", { name: "Reckon" }));
const body = () => asked.at(-1)?.body;

it("goes from the water to the grain, in the household's own measure too", async () => {
  show(<OtherWay g={G} />);
  await reckon();
  expect(await screen.findByText("216")).toHaveClass("poster");
  expect(
    screen.getByText(/g of quinoa \(1¼ of your glass\), and 500 ml to pour; fluffy, 15 minutes\./),
  ).toBeInTheDocument();
  expect(body()).toEqual({ water_ml: 500, depth_cm: null, fill: false, dry_ml: null, pot_cm: 20 });
});

it.each([
  ["the water stands this high", { water_ml: null, depth_cm: 1.5, fill: false, dry_ml: null }],
  ["I fill this pot", { water_ml: null, depth_cm: null, fill: true, dry_ml: null }],
  ["this much of both", { water_ml: 500, depth_cm: null, fill: false, dry_ml: 240 }],
])("asks only for what the question needs: %s", async (question, want) => {
  show(<OtherWay g={G} />);
  await userEvent.click(screen.getByRole("button", { name: question }));
  await reckon();
  await waitFor(() => expect(body()).toMatchObject(want));
});

it("answers how it comes out of so much of both", async () => {
  show(<OtherWay g={G} />);
  await userEvent.click(screen.getByRole("button", { name: "this much of both" }));
  await reckon();
  expect(await screen.findByText("fluffy")).toHaveClass("poster");
  expect(screen.getByText(/1 to 1.75 by volume/)).toBeInTheDocument();
  // another question forgets the answer of the one before
  await userEvent.click(screen.getByRole("button", { name: "I fill this pot" }));
  expect(screen.queryByText("fluffy")).toBeNull();
});

it("says in place what is no amount", async () => {
  show(<OtherWay g={G} />);
  const [water] = screen.getAllByRole("textbox");
  if (!water) throw new Error("no field");
  await userEvent.clear(water);
  await userEvent.type(water, "some");
  await reckon();
  expect(await screen.findByText("Say how much water there is.")).toBeInTheDocument();
  expect(water).toHaveValue("some");
});

it("asks and answers in cups, inches and ounces where the house goes by them", async () => {
  setManner({ amounts: "cups", heat: "", clock: 24 }, 240);
  show(<OtherWay g={G} />);
  expect(screen.getByText(/inches wide/)).toBeInTheDocument();
  await reckon();
  expect(await screen.findByText("7.6")).toHaveClass("poster");
  expect(screen.getByText(/oz of quinoa/)).toBeInTheDocument();
  // its own words left as they stood are the round numbers they came from
  expect(body()).toMatchObject({ water_ml: 500, pot_cm: 20 });
  setManner({ amounts: "", heat: "", clock: 24 }, 240);
});
