import type { CookingInfo } from "../../api/client";
import type { Touch } from "./fold";

/** What the stove keeps on this device, so that it opens and goes on without a network: the touches that the server has not taken yet,
    each cooking as it was last seen, and its recipes. All of it goes when the cook signs out. */
const PREFIX = "mealshift.stove.";
const KEY = (cooking: number) => `${PREFIX}${cooking}`;
const SEEN = `${PREFIX}seen.`;
// a device keeps this many cookings
const MOST_SEEN = 4;

export function load(cooking: number): Touch[] {
  try {
    const raw: unknown = JSON.parse(localStorage.getItem(KEY(cooking)) ?? "[]");
    return Array.isArray(raw) ? (raw as Touch[]) : [];
  } catch {
    return [];
  }
}

export function save(cooking: number, touches: readonly Touch[]): void {
  try {
    if (touches.length) localStorage.setItem(KEY(cooking), JSON.stringify(touches));
    else localStorage.removeItem(KEY(cooking));
  } catch {
    // a full or forbidden store: the touches live as long as the page
  }
}

/** The cookings of which touches wait here. */
export function waitingFor(): number[] {
  return Object.keys(localStorage)
    .map((key) => /^mealshift\.stove\.(\d+)$/.exec(key)?.[1])
    .filter((id) => id !== undefined)
    .map(Number)
    .filter((id) => load(id).length > 0);
}

/** An id that no other device makes: crypto.randomUUID is not there on a page without HTTPS, random values are. */
export function newId(): string {
  return Array.from(crypto.getRandomValues(new Uint8Array(12)), (b) => b.toString(16).padStart(2, "0")).join("");
}

/** A cooking as the server last told it, and when that was (ms). */
export interface Seen {
  got: CookingInfo;
  at: number;
}

function parsed<T>(key: string): T | null {
  try {
    return JSON.parse(localStorage.getItem(key) ?? "null") as T | null;
  } catch {
    return null;
  }
}

export const seen = (cooking: number): Seen | null => parsed<Seen>(`${SEEN}${cooking}`);

/** The cookings this device has seen, the last seen first. */
export function allSeen(): Seen[] {
  const keys = Object.keys(localStorage).filter((key) => key.startsWith(SEEN) && !key.endsWith(".recipes"));
  return keys
    .map((key) => parsed<Seen>(key))
    .filter((one): one is Seen => one !== null)
    .sort((a, b) => b.at - a.at);
}

export function keep(cooking: number, got: CookingInfo): void {
  try {
    localStorage.setItem(`${SEEN}${cooking}`, JSON.stringify({ got, at: Date.now() } satisfies Seen));
    for (const old of allSeen().slice(MOST_SEEN)) {
      localStorage.removeItem(`${SEEN}${old.got.id}`);
      localStorage.removeItem(`${SEEN}${old.got.id}.recipes`);
    }
  } catch {
    // a full or forbidden store: the cooking lives as long as the page
  }
}

/** The recipes of a cooking, put by for the stove without a network. */
export const seenRecipes = <T>(cooking: number): T | null => parsed<T>(`${SEEN}${cooking}.recipes`);
export function keepRecipes(cooking: number, recipes: unknown): void {
  try {
    localStorage.setItem(`${SEEN}${cooking}.recipes`, JSON.stringify(recipes));
  } catch {
    // see keep
  }
}

/** Nothing of a household stays on the device of a cook who has signed out; touches that were never told wait for them. */
export function forgetSeen(): void {
  for (const key of Object.keys(localStorage)) if (key.startsWith(SEEN)) localStorage.removeItem(key);
}
