import type { Touch } from "./ahead";

/** The touches of this device that the server has not taken yet, kept so that a reload does not lose them. */
const KEY = (cooking: number) => `mealshift.stove.${cooking}`;

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

/** An id that no other device makes: crypto.randomUUID is not there on a page without HTTPS, random values are. */
export function newId(): string {
  return Array.from(crypto.getRandomValues(new Uint8Array(12)), (b) => b.toString(16).padStart(2, "0")).join("");
}
