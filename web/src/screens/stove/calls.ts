import type { CookStep } from "../../api/client";
import { calling } from "./fold";

/** Something the cook is called for: `now` until it is touched, `soon` once, half a minute before a timer runs out. */
export interface Call {
  key: string;
  when: "now" | "soon";
  step: CookStep;
}

/** What was called for, and when last (ms of any one clock). touched: when the cook last touched anything. */
export interface Heard {
  rung: Readonly<Record<string, number>>;
  touched: number;
}

export const REPEAT_MS = 20_000;
export const SOON_MIN = 0.5;
export const NOTHING_HEARD: Heard = { rung: {}, touched: -Infinity };

/** Every call at this minute, the first to do at the head. A step that has come due anew ("not yet") is another call. */
export function callsAt(steps: readonly CookStep[], minute: number): Call[] {
  const now = calling(steps, minute).map((step): Call => ({
    key: `${step.id} ${step.status} ${step.due ?? ""}`,
    when: "now",
    step,
  }));
  const soon = steps
    .filter(
      (s) =>
        s.status === "running" &&
        s.due !== null &&
        s.due > minute &&
        s.due - minute <= SOON_MIN &&
        s.due - (s.start ?? s.due) >= 2 * SOON_MIN,
    )
    .map((step): Call => ({ key: `soon ${step.id} ${step.due ?? ""}`, when: "soon", step }));
  return [...now, ...soon];
}

/** Which of these calls sound at `at`: new ones, and those that nobody has touched for a while since they last did. */
export function ring(heard: Heard, calls: readonly Call[], at: number): { heard: Heard; rings: Call[] } {
  const rings = calls.filter(({ key, when }) => {
    const last = heard.rung[key];
    return last === undefined || (when === "now" && heard.touched < last && at - last >= REPEAT_MS);
  });
  // what no longer calls is forgotten, so that it may call again
  const rung = Object.fromEntries(calls.map(({ key }) => [key, heard.rung[key] ?? at]));
  for (const { key } of rings) rung[key] = at;
  return { heard: { ...heard, rung }, rings };
}

export interface Wanted {
  sound: boolean;
  voice: boolean;
  /** how much is read out: the heading, or everything on the card */
  words: "short" | "whole";
  /** what it begins with: the cook's own word */
  hail: string;
}

/** A call in words, as the cook chose to hear it. */
export function spoken(call: Call, many: boolean, wanted: Pick<Wanted, "words" | "hail">): string {
  const { step, when } = call;
  const what = many ? `${step.title}, ${step.dish}` : step.title;
  const look = step.status === "running" && step.look ? ` Look: ${step.look}` : "";
  const rest =
    wanted.words === "whole" && when === "now"
      ? [step.words, ...(step.status === "running" ? [] : step.goes_in)]
          .filter(Boolean)
          .map((s) => s.replace(/[.!?]?$/, "."))
          .join(" ")
      : "";
  const head = when === "soon" ? `In half a minute: ${what}.` : `${what}.${look}`;
  return [wanted.hail.trim() && `${wanted.hail.trim()}:`, head, rest].filter(Boolean).join(" ");
}

/** The window's title: what calls, or nothing. */
export const titleFor = (calls: readonly Call[]): string | null => {
  const now = calls.filter((c) => c.when === "now");
  const first = now[0];
  return first ? `${now.length > 1 ? `(${now.length}) ` : ""}Now: ${first.step.title}` : null;
};
