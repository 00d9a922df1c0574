import { render, screen } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { Boundary } from "./Boundary";

const Broken = (): never => {
  throw new Error("no pot");
};

describe("a screen that cannot be shown", () => {
  beforeEach(() => vi.spyOn(console, "error").mockImplementation(() => undefined));
  afterEach(() => vi.restoreAllMocks());

  it("says so in its place, and another place is another try", () => {
    const { rerender } = render(
      <Boundary place="/plan">
        <Broken />
      </Boundary>,
    );
    expect(screen.getByRole("alert").textContent).toContain("did not come out");
    expect(screen.getByRole("link", { name: "Load it anew" }).getAttribute("href")).toBe("/plan");
    // the same place stays what it is
    rerender(
      <Boundary place="/plan">
        <p>the plan</p>
      </Boundary>,
    );
    expect(screen.queryByText("the plan")).toBeNull();
    rerender(
      <Boundary place="/stove">
        <p>the stove</p>
      </Boundary>,
    );
    expect(screen.getByText("the stove")).toBeTruthy();
    expect(screen.queryByRole("alert")).toBeNull();
  });
});
