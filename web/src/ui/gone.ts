import { useSyncExternalStore } from "react";
import { asTrouble } from "../api/client";

/** What was thrown away is out of sight at once and can be taken back; the server is told when something else is thrown away, the offer is
    put aside, a minute is over or the page is left. Troubles that no page shows in its own place are said here too. */
export interface Told {
  said: string;
  undo: (() => void) | null;
}

const OFFERED_MS = 60_000;

let waiting: { key: string; send: () => Promise<unknown>; timer: ReturnType<typeof setTimeout> } | null = null;
let hidden: ReadonlySet<string> = new Set();
let told: Told | null = null;
const listeners = new Set<() => void>();

function show(next: Told | null, out: ReadonlySet<string> = hidden): void {
  told = next;
  hidden = out;
  listeners.forEach((tell) => tell());
}
const without = (key: string): ReadonlySet<string> => new Set([...hidden].filter((k) => k !== key));

/** key: what the lists leave out meanwhile; send: tells the server, and has the lists asked anew. */
export function throwAway(key: string, said: string, send: () => Promise<unknown>): void {
  void settle();
  waiting = { key, send, timer: setTimeout(() => void settle(), OFFERED_MS) };
  show({ said, undo: takeBack }, new Set([...hidden, key]));
}

/** Something of this device only, which the server need not be told of. */
export function putAside(said: string, undo: () => void): void {
  void settle();
  const offer: Told = {
    said,
    undo: () => {
      show(null);
      undo();
    },
  };
  show(offer);
  setTimeout(() => told === offer && show(null), OFFERED_MS);
}

function takeBack(): void {
  if (!waiting) return;
  clearTimeout(waiting.timer);
  const { key } = waiting;
  waiting = null;
  show(null, without(key));
}

/** It is meant: the server is told now. What it refuses stands there again, and why. */
export async function settle(): Promise<void> {
  const now = waiting;
  waiting = null;
  if (told) show(null);
  if (!now) return;
  clearTimeout(now.timer);
  try {
    await now.send();
  } catch (fault) {
    sayTrouble(fault);
  }
  show(told, without(now.key));
}

export function sayTrouble(fault: unknown): void {
  const trouble = asTrouble(fault);
  if (trouble) show({ said: trouble.text, undo: null });
}

const subscribe = (tell: () => void) => {
  listeners.add(tell);
  return () => listeners.delete(tell);
};
export const useGone = (): ReadonlySet<string> => useSyncExternalStore(subscribe, () => hidden);
export const useTold = (): Told | null => useSyncExternalStore(subscribe, () => told);
