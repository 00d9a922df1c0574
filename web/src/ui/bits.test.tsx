import { render, screen } from "@testing-library/react";
import { expect, it } from "vitest";
import { Button } from "./bits";

it("has one size of words: its own, or the one asked for", () => {
  render(
    <>
      <Button>usual</Button>
      <Button className="mt-5 min-h-16 text-head">large</Button>
    </>,
  );
  const sizes = (name: string) =>
    screen.getByRole("button", { name }).className.match(/\btext-(?:fine|small|body|lead|head|title|show)\b/g);
  expect(sizes("usual")).toEqual(["text-small"]);
  expect(sizes("large")).toEqual(["text-head"]);
});
