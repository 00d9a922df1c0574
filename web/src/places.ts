import { kept } from "./ui/kept";

/** The way of a recipe, one step after the other, and what each is for: said until one has been there once. */
export const WAY: [to: string, word: string, what: string, onPhone: boolean][] = [
  ["/bring", "Bring", "your recipe", true],
  ["/bench", "Bench", "another grain", true],
  ["/plan", "Plan", "when to begin", true],
  ["/stove", "Stove", "step by step", true],
  ["/notebook", "Notebook", "how it came out", false],
];
/** The places of the house, apart from the way. */
export const HOME: [string, string][] = [
  ["/week", "Week"],
  ["/kept", "Kept"],
  ["/larder", "Larder"],
  ["/grains", "Grains"],
  ["/kitchen", "Kitchen"],
];
/** What the menu holds; narrow: only where the head has no room for it. */
export const MORE: [to: string, word: string, narrow: boolean][] = [
  ["/notebook", "Notebook", true],
  ...HOME.map(([to, word]): [string, string, boolean] => [to, word, true]),
  ["/every", "Every grain", false],
  ["/practice", "Practice pot", false],
  ["/house", "Members, units, backup", false],
];
/** Where one has been once: its word needs no explaining any more. */
export const been = kept<string[]>("been", [], "device");

export function titleOf(path: string): string {
  const root = `/${path.split("/")[1] ?? ""}`;
  return [...WAY, ...MORE].find(([to]) => to === root)?.[1] ?? "Nothing here";
}
