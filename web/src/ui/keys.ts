import { useEffect } from "react";
import type { Go } from "./route";
import { kept } from "./kept";

/** Single keys may be in the way of speech input: they can be turned off on this device. */
export const keysOn = kept("mealshift.keys", true, "device");
export const keysShown = kept("mealshift.keys-shown", false);

export const PLACES: [key: string, to: string, word: string][] = [
  ["1", "/bring", "Bring"],
  ["2", "/bench", "Bench"],
  ["3", "/plan", "Plan"],
  ["4", "/stove", "Stove"],
  ["5", "/notebook", "Notebook"],
  ["w", "/week", "Week"],
  ["k", "/kept", "Kept"],
  ["l", "/larder", "Larder"],
  ["g", "/grains", "Grains"],
  ["e", "/every", "Every grain"],
  ["h", "/kitchen", "Kitchen"],
];

export type Meant = { do: "go"; to: string } | { do: "on" } | { do: "list" } | { do: "field" } | null;

/** What a key means where it was struck. typing: in a field, where letters are letters; on: something that Enter belongs to has the focus. */
export function meant(
  key: string,
  held: { ctrl: boolean; alt: boolean },
  where: { typing: boolean; on: boolean; sheet: boolean; single: boolean },
): Meant {
  if (where.sheet || held.alt) return null;
  // the way goes on from a field too, with the key that sends a text everywhere
  if (key === "Enter" && held.ctrl) return { do: "on" };
  if (held.ctrl || where.typing || !where.single) return null;
  if (key === "Enter") return where.on ? null : { do: "on" };
  if (key === "?") return { do: "list" };
  if (key === "/") return { do: "field" };
  const place = PLACES.find(([k]) => k === key.toLowerCase());
  return place ? { do: "go", to: place[1] } : null;
}

const FIELD =
  "textarea, input:not([type=checkbox], [type=radio], [type=file], [type=range], [type=button]), [contenteditable]";
const TAKES_ENTER =
  "a, button, summary, select, input, textarea, [role=button], [role=radio], [role=slider], [role=link]";

/** Listens while it is shown. The page's one main thing to do carries data-go. */
export function useKeys(go: Go): void {
  useEffect(() => {
    const struck = (e: KeyboardEvent) => {
      const at = e.target instanceof Element ? e.target : document.body;
      const what = meant(
        e.key,
        { ctrl: e.ctrlKey || e.metaKey, alt: e.altKey },
        {
          typing: at.matches(FIELD) || at.matches("select"),
          on: at.matches(TAKES_ENTER),
          sheet: document.querySelector("[role=dialog]") !== null,
          single: keysOn.get(),
        },
      );
      if (!what || e.defaultPrevented) return;
      if (what.do === "go") go(what.to);
      else if (what.do === "list") keysShown.set(true);
      else if (what.do === "field") document.querySelector<HTMLElement>(`main :is(${FIELD})`)?.focus();
      else document.querySelector<HTMLButtonElement>("[data-go]:not(:disabled)")?.click();
      e.preventDefault();
    };
    window.addEventListener("keydown", struck);
    return () => window.removeEventListener("keydown", struck);
  }, [go]);
}
