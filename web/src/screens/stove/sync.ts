import type { CookingInfo, CookState, Trouble } from "../../api/client";
import type { Touch } from "./fold";

/** A touch the server would not take, with what it said of it: shown, and never lost without a word. */
export interface Refused {
  touch: Touch;
  trouble: Trouble;
}

/** One cooking as this device holds it. A reducer without React, so that it can be tried without a page. */
export interface Held {
  info: CookingInfo | null;
  state: CookState | null;
  /** what the server has not answered for yet, oldest first */
  touches: readonly Touch[];
  refused: readonly Refused[];
  offline: boolean;
  trouble: Trouble | null;
  /** kitchen minutes at the server's last answer, when that was by this page's clock (ms), how fast they run, and the last event seen */
  clock: { minute: number; at: number; speed: number; last: number };
  /** kitchen minutes now */
  minute: number;
}

/** What became of a sending. `taken`: answered one by one. `again`: too many or one of them spoilt the rest, so they go in smaller parts.
    `signed_out` and `offline` keep everything. */
export type Outcome =
  | { is: "taken"; refused: { id: string; code: string; where: string; text: string }[] }
  | { is: "again" }
  | { is: "refused"; trouble: Trouble }
  | { is: "signed_out"; trouble: Trouble }
  | { is: "offline" };

export type Action =
  | { type: "touched"; touch: Touch }
  | { type: "told"; sent: readonly Touch[]; outcome: Outcome }
  | { type: "answered"; got: CookingInfo; at: number }
  | { type: "lost"; trouble: Trouble | null }
  | { type: "beat"; at: number }
  | { type: "seen" };

export const BATCH = 100;

/** From what this device holds: its untold touches, and the cooking as it was last seen. `ago` ms have gone by since. */
export function begin(touches: readonly Touch[], seen: CookingInfo | null = null, ago = 0, at = 0): Held {
  const fresh: Held = {
    info: null,
    state: null,
    touches,
    refused: [],
    offline: false,
    trouble: null,
    clock: { minute: 0, at: 0, speed: 0, last: -1 },
    minute: 0,
  };
  if (!seen?.state) return fresh;
  // last is unknown on purpose: the first answer is to be a whole one
  const held = {
    ...fresh,
    info: seen,
    state: seen.state,
    clock: { minute: seen.minute, at: at - ago, speed: seen.speed, last: -1 },
  };
  return { ...held, minute: minuteAt(held, at) };
}

/** Kitchen minutes at a moment of this page's clock. */
export const minuteAt = (held: Held, at: number): number =>
  held.clock.minute + ((at - held.clock.at) / 60_000) * held.clock.speed;

/** Those that go next: the oldest, in their order, no more than the server takes at once. `size` shrinks when a sending was refused as a whole. */
export const nextBatch = (touches: readonly Touch[], size: number): readonly Touch[] =>
  touches.slice(0, Math.max(1, Math.min(size, BATCH)));

/** What a status means for what was sent. */
export function outcomeOf(status: number, trouble: Trouble, sent: number): Outcome {
  if (status === 0 || status >= 500 || status === 429) return { is: "offline" };
  if (status === 401 || status === 403) return { is: "signed_out", trouble };
  if (sent > 1 && status !== 404) return { is: "again" };
  return { is: "refused", trouble };
}

export function reduce(held: Held, action: Action): Held {
  switch (action.type) {
    case "touched":
      return { ...held, touches: [...held.touches, action.touch] };
    case "told": {
      const { outcome, sent } = action;
      if (outcome.is === "again") return held;
      if (outcome.is === "offline") return { ...held, offline: true };
      if (outcome.is === "signed_out") return { ...held, trouble: outcome.trouble };
      const ids = new Set(sent.map((t) => t.id));
      const touches = held.touches.filter((t) => !ids.has(t.id));
      if (outcome.is === "refused")
        return {
          ...held,
          touches,
          trouble: outcome.trouble,
          refused: [...held.refused, ...sent.map((touch) => ({ touch, trouble: outcome.trouble }))],
        };
      const odd = outcome.refused.flatMap(({ id, ...trouble }) =>
        sent.filter((t) => t.id === id).map((touch) => ({ touch, trouble })),
      );
      return {
        ...held,
        touches,
        offline: false,
        refused: [...held.refused, ...odd],
        trouble: odd[odd.length - 1]?.trouble ?? held.trouble,
      };
    }
    case "answered": {
      const { got, at } = action;
      const clock = { minute: got.minute, at, speed: got.speed, last: got.last };
      return { ...held, info: got, state: got.state ?? held.state, offline: false, clock, minute: got.minute };
    }
    case "lost":
      return action.trouble ? { ...held, trouble: action.trouble } : { ...held, offline: true };
    case "beat":
      return { ...held, minute: minuteAt(held, action.at) };
    case "seen":
      return { ...held, trouble: null, refused: [] };
  }
}
