import type { CookPot, CookState, CookStep } from "../../api/client";

/** A touch on this device that the server may not know yet. at: the device's clock, ms. minute: kitchen minutes. what: in words, for the list. */
export interface Touch {
  id: string;
  kind: string;
  data: Record<string, string | number | boolean | null>;
  at: number;
  minute: number;
  what?: string;
}

/** One thing that was done: told by the server or still waiting on this device. */
export interface Done {
  id: string;
  kind: string;
  minute: number;
  data: Record<string, string | number | boolean | null>;
  text: string;
}

interface Going {
  start: number | null;
  due: number | null;
  end: number | null;
}

const FOR_THE_HEAT = ["kettle", "stir"];

/** By the minute it happened, then by id; each once. */
export function inOrder(events: readonly Done[]): Done[] {
  const once = new Map(events.map((e) => [e.id, e]));
  return [...once.values()].sort((a, b) => a.minute - b.minute || (a.id < b.id ? -1 : 1));
}

/** Event → the undo that took it back; an undo may itself be taken back by one that comes after it. */
export function undone(ordered: readonly Done[]): Map<string, string> {
  const gone = new Map<string, string>();
  for (const e of [...ordered].reverse()) {
    const target = String(e.data.event);
    if (e.kind === "undo" && !gone.has(e.id) && !gone.has(target)) gone.set(target, e.id);
  }
  return gone;
}

/** The state with these events on it, so that an open page goes on without the network. The core's fold (cooking/fold.py) is the
    truth: tests/shared/stove-cases.json holds both to the same answers. Simulated pots and forecasts stay as the server last told them. */
export function fold(state: CookState, events: readonly Done[], minute: number): CookState {
  const ordered = inOrder(events);
  const gone = undone(ordered);
  const by = new Map(state.steps.map((s) => [s.id, s]));
  const going = new Map<string, Going>(state.steps.map((s) => [s.id, { start: null, due: null, end: null }]));
  const pots = new Map(
    state.pots.map((p) => [
      p.key,
      { poured: null as number | null, more: 0, lid: p.own_lid, whistled: 0, whistles: p.whistles },
    ]),
  );
  const out = new Set<string>();
  const notes: { minute: number; text: string }[] = [];
  let ended: number | null = null;
  const of = (id: string): Going => going.get(id) ?? { start: null, due: null, end: null };

  const finish = (step: CookStep | undefined, at: number): void => {
    if (!step || of(step.id).end !== null) return;
    step.after.forEach((a) => finish(by.get(a), at));
    const mine = of(step.id);
    mine.start ??= Math.max(Math.min(readyAt(step, by, of) ?? at, at), at - step.minutes);
    mine.end = at;
    for (const s of state.steps) {
      const it = of(s.id);
      if (s.anchor === step.id && FOR_THE_HEAT.includes(s.kind) && it.end === null) it.start = it.end = at;
    }
    if (step.kind === "boil") pour(step, null);
    for (const s of state.steps) {
      const it = of(s.id);
      if (s.style !== "follow" || !s.after.includes(step.id) || it.start !== null || it.end !== null) continue;
      const ends = s.after.map((a) => of(a).end);
      if (ends.some((e) => e === null)) continue;
      it.start = Math.max(...ends.map((e) => e ?? 0));
      it.due = it.start + s.minutes;
    }
  };
  const pour = (step: CookStep, ml: number | null): void => {
    const pot = pots.get(step.pot);
    if (pot) pot.poured ??= ml ?? step.pour_ml;
  };

  for (const e of ordered) {
    if (gone.has(e.id) || e.kind === "undo") continue;
    const step = by.get(String(e.data.step));
    const pot = pots.get(String(e.data.pot));
    if (e.kind === "begun" || e.kind === "done" || e.kind === "not_yet") {
      if (!step || of(step.id).end !== null) continue;
      const mine = of(step.id);
      if (e.kind === "done") finish(step, e.minute);
      else if (e.kind === "begun") {
        if (mine.start === null) {
          step.after.forEach((a) => finish(by.get(a), e.minute));
          mine.start = e.minute;
          mine.due = e.minute + step.minutes;
        }
        if (step.kind === "boil") pour(step, typeof e.data.ml === "number" ? e.data.ml : null);
      } else if (mine.start !== null) mine.due = Math.max(mine.due ?? 0, e.minute) + Number(e.data.minutes);
    } else if (e.kind === "note") notes.push({ minute: e.minute, text: String(e.data.text) });
    else if (e.kind === "out") {
      if (e.data.found === false) out.delete(String(e.data.thing));
      else out.add(String(e.data.thing));
    } else if (e.kind === "ended") ended ??= e.minute;
    else if (pot && e.kind === "poured") pot.more += Number(e.data.ml);
    else if (pot && e.kind === "lid") pot.lid = String(e.data.lid);
    else if (pot && e.kind === "whistle") {
      // counted by ear: the first says that it is up to pressure, the last that it is due, whatever the clock says
      const cook = state.steps.find((s) => s.pot === e.data.pot && s.kind === "cook");
      if (pot.whistles === 0 || !cook || of(cook.id).end !== null) continue;
      pot.whistled += 1;
      const mine = of(cook.id);
      if (mine.start === null) cook.after.forEach((a) => finish(by.get(a), e.minute));
      if (pot.whistled >= pot.whistles && mine.start !== null) mine.due = e.minute;
    }
  }

  const steps = state.steps.map((s): CookStep => {
    const mine = of(s.id);
    const ready = readyAt(s, by, of);
    const status =
      mine.end !== null
        ? "done"
        : mine.start !== null
          ? "running"
          : ready !== null && ready <= minute
            ? "ready"
            : "waiting";
    return { ...s, ...mine, ready, status };
  });
  return {
    ...state,
    steps,
    pots: state.pots.map((p) => potNow(p, pots.get(p.key), steps)),
    out: [...out].sort(),
    notes,
    ended,
    now: current(steps, minute),
    all_done: steps.every((s) => s.end !== null || s.kind === "keep"),
  };
}

function potNow(
  p: CookPot,
  now: { poured: number | null; more: number; lid: string; whistled: number } | undefined,
  steps: readonly CookStep[],
): CookPot {
  const at = (kind: string) => steps.find((s) => s.pot === p.key && s.kind === kind);
  const boil = at("boil");
  const last = at("release") ?? at("cook");
  const locked = p.locks && boil?.start != null && last !== undefined && last.end === null;
  return {
    ...p,
    on: at("cook") ? (boil?.start ?? null) : null,
    poured_ml: now?.poured ?? null,
    top_ups_ml: Math.round(now?.more ?? 0),
    lid: now?.lid ?? p.lid,
    locked,
    whistled: now?.whistled ?? 0,
  };
}

/** The minute from which a step can be begun or done; null while something before it is not done. */
function readyAt(s: CookStep, by: ReadonlyMap<string, CookStep>, of: (id: string) => Going): number | null {
  if (s.anchor) {
    const anchor = of(s.anchor);
    if (s.kind === "keep") return anchor.end === null ? null : anchor.end + s.offset;
    if (anchor.start === null) return null;
    // what goes in late keeps its distance from the end when the end moves
    const moved = (anchor.due ?? 0) - anchor.start - (by.get(s.anchor)?.minutes ?? 0);
    const at = anchor.start + s.offset + Math.max(0, moved);
    return anchor.end === null ? at : Math.min(at, anchor.end);
  }
  const ends = s.after.map((a) => of(a).end);
  return ends.some((e) => e === null) ? null : Math.max(s.planned, ...ends.map((e) => e ?? 0));
}

/** Everything that calls for the cook now, the one to do first at the head, as the core ranks it. */
export function calling(steps: readonly CookStep[], minute: number): CookStep[] {
  const key = (s: CookStep): number => (s.status === "running" ? s.due : s.ready) ?? 0;
  return steps
    .filter((s) => (s.status === "running" && (s.due ?? Infinity) <= minute) || s.status === "ready")
    .sort((a, b) => a.rank - b.rank || key(a) - key(b) || (a.id < b.id ? -1 : 1));
}

export const current = (steps: readonly CookStep[], minute: number): string | null =>
  calling(steps, minute)[0]?.id ?? null;

/** The server's state with this device's untold touches on it. */
export function ahead(state: CookState, touches: readonly Touch[], minute: number): CookState {
  const events = inOrder([
    ...state.events,
    ...touches.map((t) => ({ id: t.id, kind: t.kind, minute: t.minute, data: t.data, text: t.what ?? "" })),
  ]);
  return { ...fold(state, events, minute), events };
}

/** What was done, the latest first, and how each is taken back or put back. */
export function doings(events: readonly Done[]): { event: Done; undo: string; gone: boolean }[] {
  const ordered = inOrder(events);
  const gone = undone(ordered);
  return ordered
    .filter((e) => e.kind !== "undo" && e.text !== "")
    .reverse()
    .map((event) => ({ event, undo: gone.get(event.id) ?? event.id, gone: gone.has(event.id) }));
}

/** What is waited for next when there is nothing to do: the timer that runs out or the step that comes up first. */
export function upcoming(steps: readonly CookStep[], minute: number): { step: CookStep; at: number }[] {
  return steps
    .filter((s) => s.status === "running" || s.status === "waiting")
    .map((step) => ({
      step,
      at: (step.status === "running" ? step.due : (step.ready ?? step.expected)) ?? step.expected,
    }))
    .filter((x) => x.at > minute && x.step.kind !== "keep")
    .sort((a, b) => a.at - b.at);
}

/** Of what is told by the minute since the heat went on (mends, a curve): the nearest. */
export const nearest = <M extends { minute: number }>(mends: readonly M[], minute: number): M | null =>
  mends.reduce<M | null>(
    (best, m) => (best && Math.abs(best.minute - minute) <= Math.abs(m.minute - minute) ? best : m),
    null,
  );

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
