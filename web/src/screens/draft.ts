import type { Choice, Correction } from "../api/client";
import { answer, api } from "../api/client";
import { kept } from "../ui/kept";

/** The recipe in hand: as brought, with the cook's corrections; `before` is what undo goes back to. */
export interface Draft {
  text: string;
  corrections: Correction[];
  before: Correction[][];
  after: Correction[][];
  recipeId: number | null;
}
export const NO_DRAFT: Draft = { text: "", corrections: [], before: [], after: [], recipeId: null };
export const draft = kept<Draft>("mealshift.draft", NO_DRAFT);

/** A new text starts without corrections; the same recipe edited keeps them, for they are anchored to its lines. */
export const bring = (text: string, recipeId: number | null = null, corrections: Correction[] = []): void =>
  draft.set({ text, corrections, before: [], after: [], recipeId });

/** One correction a line, one for its class, one for each of a step's minutes, and one for each thing said of the whole recipe. */
const about = (c: Correction): string =>
  [c.line, c.minutes ?? "", c.cls ? "class" : "", c.line ? "" : c.method ? "way" : "servings"].join("\n");

export function correct(now: Draft, ...said: Correction[]): Draft {
  const others = now.corrections.filter((c) => said.every((x) => about(c) !== about(x)));
  return {
    ...now,
    before: [...now.before.slice(-30), now.corrections],
    after: [],
    corrections: [...others, ...said],
  };
}

export function undo(now: Draft): Draft {
  const last = now.before[now.before.length - 1];
  return last
    ? { ...now, corrections: last, before: now.before.slice(0, -1), after: [...now.after, now.corrections] }
    : now;
}

export function redo(now: Draft): Draft {
  const next = now.after[now.after.length - 1];
  return next
    ? { ...now, corrections: next, before: [...now.before, now.corrections], after: now.after.slice(0, -1) }
    : now;
}

export const FIRST_CHOICE: Choice = {
  to: "foxtail-millet",
  blend: [],
  as_was: [],
  sprouted: false,
  release: "natural",
  heat: null,
  soak_water: "discarded",
  age: "fresh",
  keep: "volume",
  packets: [],
  home_meal: false,
};
export const choice = kept<Choice>("mealshift.choice", FIRST_CHOICE);

/** What another app shared with this one: a text, or only a title and an address, which is then said to be no recipe yet. */
export function shared(query: string): string {
  const given = new URLSearchParams(query);
  const [title = "", text = "", url = ""] = ["title", "text", "url"].map((name) => given.get(name)?.trim() ?? "");
  return [text.startsWith(title) ? "" : title, text, text.includes(url) ? "" : url].filter(Boolean).join("\n\n");
}

/** Whose recipe a new tab has taken up, and when it was left; null where it began by itself. */
export const takenUp = kept<{ by: string; changed: string } | null>("mealshift.taken-up", null);

const SETTLE_MS = 800;

/** The recipe in hand is the household's: a tab that has none begins with it, and what this tab does with its own is told.
    The end of the telling. */
export function shareDraft(): () => void {
  let waiting: ReturnType<typeof setTimeout> | null = null;
  let told = "";
  const inHand = () => {
    const { text, corrections, recipeId } = draft.get();
    return { text, corrections, recipe_id: recipeId, choice: choice.get() };
  };
  const tell = () => {
    if (waiting !== null) clearTimeout(waiting);
    waiting = setTimeout(() => {
      waiting = null;
      const body = inHand();
      const said = JSON.stringify(body);
      // without a network it stays this tab's until its next change
      if (said !== told)
        void answer(api.PUT("/api/draft", { body })).then(
          () => (told = said),
          () => undefined,
        );
    }, SETTLE_MS);
  };
  const begin = async () => {
    if (draft.get().text !== "") return;
    try {
      const found = await answer(api.GET("/api/draft"));
      if (found.text === "" || draft.get().text !== "") return;
      bring(found.text, found.recipe_id, found.corrections);
      if (found.choice) choice.set(found.choice);
      takenUp.set(found.changed ? { by: found.by, changed: found.changed } : null);
      told = JSON.stringify(inHand());
    } catch {
      // it begins with an empty page
    }
  };
  let ends: (() => void)[] = [];
  void begin().finally(() => {
    ends = [draft.subscribe(tell), choice.subscribe(tell)];
  });
  return () => {
    ends.forEach((end) => end());
    if (waiting !== null) clearTimeout(waiting);
  };
}
