import { render, screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import type { Reading } from "../../api/client";
import { Before, sectionAbove } from "./Pages";

const steps = [
  { text: "Boil the stock.", section: "Stovetop" },
  { text: "For a crust: wait.", section: "" },
  { text: "Scatter the peas.", section: "Stovetop" },
  { text: "On full power.", section: "Microwave" },
];

describe("headings of steps", () => {
  it("stand once, however much is put in between", () => {
    expect(steps.map((s, k) => Boolean(s.section) && s.section !== sectionAbove(steps, k))).toEqual([
      true,
      false,
      false,
      true,
    ]);
  });

  it("are on the page as it was brought too", () => {
    render(<Before reading={{ title: "Saffron pan", servings: 4, lines: [], steps } as unknown as Reading} />);
    expect(screen.getAllByText("Stovetop")).toHaveLength(1);
    expect(screen.getAllByText("Microwave")).toHaveLength(1);
  });
});
