import type { CookState, CookStep } from "../../api/client";

/** A touch on this device that the server may not know yet. at: the device's clock, ms. minute: kitchen minutes. */
export interface Touch {
  id: string;
  kind: string;
  data: Record<string, string | number | boolean | null>;
  at: number;
  minute: number;
}

/** The state with this device's untold touches on it, so that an open page goes on without the network. The server's own
    fold is the truth and replaces it as soon as it answers; this mirrors only what moves from step to step. */
export function ahead(state: CookState, touches: readonly Touch[], minute: number): CookState {
  const steps = state.steps.map((s) => ({ ...s }));
  const of = (id: unknown) => steps.find((s) => s.id === id);
  const finish = (step: CookStep | undefined, at: number): void => {
    if (!step || step.end !== null) return;
    step.after.forEach((a) => finish(of(a), at));
    step.start ??= Math.max(at - step.minutes, Math.min(step.ready ?? at, at));
    step.end = at;
    for (const f of steps)
      if (f.style === "follow" && f.start === null && f.after.includes(step.id) && f.after.every((a) => of(a)?.end !== null)) {
        f.start = Math.max(...f.after.map((a) => of(a)?.end ?? at));
        f.due = f.start + f.minutes;
      }
  };
  const undone = new Set(touches.filter((t) => t.kind === "undo").map((t) => t.data.event));
  const out = new Set(state.out);
  for (const t of touches) {
    if (undone.has(t.id)) continue;
    const step = of(t.data.step);
    if (t.kind === "done") finish(step, t.minute);
    else if (t.kind === "begun" && step?.start === null) {
      step.after.forEach((a) => finish(of(a), t.minute));
      step.start = t.minute;
      step.due = t.minute + step.minutes;
    } else if (t.kind === "not_yet" && step && step.start !== null && step.end === null) step.due = Math.max(step.due ?? 0, t.minute) + Number(t.data.minutes);
    else if (t.kind === "out") {
      if (t.data.found) out.add(String(t.data.thing));
      else out.delete(String(t.data.thing));
    }
  }
  for (const s of steps) {
    if (s.end === null && s.start === null) s.ready = readyAt(s, of);
    s.status = s.end !== null ? "done" : s.start !== null ? "running" : s.ready !== null && s.ready <= minute ? "ready" : "waiting";
  }
  return { ...state, steps, out: [...out], now: current(steps, minute), all_done: steps.every((s) => s.end !== null || s.kind === "keep") };
}

function readyAt(s: CookStep, of: (id: string) => CookStep | undefined): number | null {
  if (s.anchor) {
    const anchor = of(s.anchor);
    if (s.kind === "keep") return anchor?.end == null ? null : anchor.end + s.offset;
    if (!anchor || anchor.start === null) return null;
    const at = anchor.start + s.offset + Math.max(0, (anchor.due ?? 0) - anchor.start - anchor.minutes);
    return anchor.end === null ? at : Math.min(at, anchor.end);
  }
  const ends = s.after.map((a) => of(a)?.end ?? null);
  return ends.some((e) => e === null) ? null : Math.max(s.planned, ...ends.map((e) => e ?? 0));
}

const RANK: Record<string, number> = { cook: 0, add: 1, release: 2, boil: 2, roast: 2, kettle: 3, rest: 4, keep: 9 };

/** The one thing to do now, as the core ranks it; null while there is only waiting. */
export function current(steps: readonly CookStep[], minute: number): string | null {
  const calls = steps.filter((s) => (s.status === "running" && (s.due ?? Infinity) <= minute) || s.status === "ready");
  const key = (s: CookStep): [number, number] => [RANK[s.kind] ?? 5, (s.status === "running" ? s.due : s.ready) ?? 0];
  calls.sort((a, b) => key(a)[0] - key(b)[0] || key(a)[1] - key(b)[1] || (a.id < b.id ? -1 : 1));
  return calls[0]?.id ?? null;
}

/** What the cook is called for: another step, or the same one when it has come due anew; null while there is only waiting. */
export function callKey(step: CookStep | undefined): string | null {
  return step ? `${step.id} ${step.status} ${step.due ?? ""}` : null;
}

/** What is waited for next when there is nothing to do: the timer that runs out or the step that comes up first. */
export function upcoming(steps: readonly CookStep[], minute: number): { step: CookStep; at: number }[] {
  return steps
    .filter((s) => s.status === "running" || s.status === "waiting")
    .map((step) => ({ step, at: (step.status === "running" ? step.due : (step.ready ?? step.expected)) ?? step.expected }))
    .filter((x) => x.at > minute && x.step.kind !== "keep")
    .sort((a, b) => a.at - b.at);
}

/** 3.49 → "3:29": minutes and seconds left; 125 → "2 h 05". */
export function left(minutes: number): string {
  const s = Math.max(0, Math.ceil(minutes * 60 - 1e-6));
  if (s >= 5400) return `${Math.floor(s / 3600)} h ${String(Math.floor((s % 3600) / 60)).padStart(2, "0")}`;
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, "0")}`;
}

/** Free water in the pot at a minute since its heat went on, from the simulated curve. */
export function waterAt(curve: readonly { minute: number; free_ml: number }[], minute: number): number | null {
  const i = curve.findIndex((p) => p.minute >= minute);
  const b = curve[i];
  const a = curve[i - 1];
  if (!b) return curve[curve.length - 1]?.free_ml ?? null;
  if (!a || b.minute === a.minute) return b.free_ml;
  return a.free_ml + ((minute - a.minute) / (b.minute - a.minute)) * (b.free_ml - a.free_ml);
}
