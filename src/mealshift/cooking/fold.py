"""The events of one cooking, folded into its state: a pure reducer.

Events come late, twice, from two devices, in any order; the state depends only on the set of them. They are put in order by
the minute they happened (then by id), an undone one is left out, and each is applied to what the ones before it made. What makes no
sense by then (done twice, a step that is past) changes nothing: the cook is not told off for touching twice.

A case by hand: rinse done at minute 4, soak of 30 follows by itself and is due at 34; "not yet, 5 more" at 35 makes it due at 40.
"""

from __future__ import annotations

import math
from collections.abc import Iterable
from dataclasses import dataclass, field
from typing import Any

from ..pot.simulation import Run, simulate
from ..pot.ways import LIDS
from ..problems import Refusal
from .script import Script, Step

KINDS = (
    "begun",
    "done",
    "not_yet",
    "poured",
    "lid",
    "note",
    "out",
    "wrong",
    "weighed",
    "probed",
    "whistle",
    "undo",
    "ended",
)
MOST_MINUTES, MOST_ML, MOST_NOTE = 120, 5000, 500
# reminders that make sense only while the pot is on
FOR_THE_HEAT = ("kettle", "stir")
# letters of an event's id, as the API takes them
MOST_ID = 160


@dataclass(frozen=True, slots=True)
class Event:
    """id: made by the device that saw it, unique in this cooking. minute: kitchen minutes since the cooking began."""

    id: str
    kind: str
    minute: float
    data: dict[str, Any] = field(default_factory=dict)


@dataclass(slots=True)
class Going:
    """How far one step is. due: when it should be done, once it runs. All in minutes; None = not yet."""

    start: float | None = None
    due: float | None = None
    end: float | None = None
    more: float = 0.0


@dataclass(slots=True)
class PotNow:
    """What went into one pot. poured: at the start, as the cook said or as planned. lids: (minute, lid)."""

    poured: float | None = None
    top_ups: list[tuple[float, float]] = field(default_factory=list)
    lids: list[tuple[float, str]] = field(default_factory=list)
    weighed: list[tuple[float, float]] = field(default_factory=list)
    probed: list[tuple[float, float]] = field(default_factory=list)
    whistled: int = 0


@dataclass(slots=True)
class State:
    steps: dict[str, Going]
    pots: dict[str, PotNow]
    notes: list[tuple[float, str]] = field(default_factory=list)
    out: set[str] = field(default_factory=set)
    wrong: list[tuple[float, str, str]] = field(default_factory=list)
    ended: float | None = None
    last: float = 0.0


def check(script: Script, kind: str, data: dict[str, Any]) -> dict[str, Any]:
    """The event's data, cleaned; Refusal in a sentence if it cannot be."""

    def refuse(where: str, text: str) -> Refusal:
        return Refusal(where, where, text)

    if kind not in KINDS:
        raise refuse("kind", f"“{kind[:20]}” is no event of a cooking; reload the page.")
    out: dict[str, Any] = {}
    if kind in ("begun", "done", "not_yet"):
        step = script.step(str(data.get("step", "")))
        if step is None:
            raise refuse("step", "This cooking has no such step: reload the page.")
        out["step"] = step.id
    if kind in ("poured", "lid", "wrong", "weighed", "probed", "whistle"):
        pot = str(data.get("pot", ""))
        if pot not in script.pots:
            raise refuse("pot", "This cooking has no such pot: reload the page.")
        out["pot"] = pot
        if kind == "whistle" and not script.pots[pot].way.row.whistles:
            raise refuse("pot", "That pot does not whistle: reload the page.")
    if kind == "not_yet":
        out["minutes"] = _number(data.get("minutes"), 1, MOST_MINUTES, "minutes", "Give it 1 to 120 more minutes.")
    if kind == "poured" or (kind == "begun" and data.get("ml") is not None):
        out["ml"] = _number(data.get("ml"), 1, MOST_ML, "ml", "Pour between 1 and 5,000 ml; give an amount in between.")
    if kind == "lid":
        if data.get("lid") not in LIDS:
            raise refuse("lid", f"Choose a lid: {', '.join(LIDS)}.")
        out["lid"] = data["lid"]
    if kind == "note":
        text = str(data.get("text", "")).strip()
        if not 0 < len(text) <= MOST_NOTE:
            raise refuse("text", f"Write a note of up to {MOST_NOTE} letters.")
        out["text"] = text
    if kind == "out":
        out |= {"thing": str(data.get("thing", ""))[:120], "found": bool(data.get("found", True))}
    if kind == "wrong":
        out["what"] = str(data.get("what", ""))[:40]
    if kind == "weighed":
        out["grams"] = _number(data.get("grams"), 1, 60000, "grams", "A pot on the scale weighs 1 g to 60 kg.")
    if kind == "probed":
        out["celsius"] = _number(data.get("celsius"), -5, 260, "celsius", "A pot is between −5 and 260 °C.")
    if kind == "undo":
        out["event"] = str(data.get("event", ""))[:MOST_ID]
    return out


def _number(value: Any, low: float, high: float, where: str, text: str) -> float:
    ok = (
        isinstance(value, int | float) and not isinstance(value, bool) and math.isfinite(value) and low <= value <= high
    )
    if not ok:
        raise Refusal(where, where, text)
    return float(value)


def in_order(events: Iterable[Event]) -> list[Event]:
    """Each event once, by the minute it happened, then by id."""
    return sorted({e.id: e for e in events}.values(), key=lambda e: (e.minute, e.id))


def undone(ordered: Iterable[Event]) -> dict[str, str]:
    """Event → the undo that took it back. An undo may itself be taken back, by one that comes after it."""
    gone: dict[str, str] = {}
    for e in reversed(list(ordered)):
        if e.kind == "undo" and e.id not in gone:
            gone.setdefault(str(e.data.get("event")), e.id)
    return gone


def fold(script: Script, events: Iterable[Event]) -> State:
    """The state after these events. The order in which they arrive, and how often, does not matter."""
    state = State({s.id: Going() for s in script.steps}, {key: PotNow() for key in script.pots})
    ordered = in_order(events)
    gone = undone(ordered)
    for e in ordered:
        if e.id in gone or e.kind == "undo":
            continue
        state.last = max(state.last, e.minute)
        _apply(script, state, e)
    return state


def _apply(script: Script, state: State, e: Event) -> None:
    step = script.step(str(e.data.get("step", "")))
    pot = state.pots.get(str(e.data.get("pot", "")))
    if e.kind in ("begun", "done", "not_yet"):
        if step is None or state.steps[step.id].end is not None:
            return
        if e.kind == "begun":
            _begin(script, state, step, e.minute, e.data.get("ml"))
        elif e.kind == "done":
            _finish(script, state, step, e.minute)
        elif state.steps[step.id].start is not None:
            going = state.steps[step.id]
            going.due = max(going.due or 0.0, e.minute) + float(e.data["minutes"])
            going.more += float(e.data["minutes"])
    elif e.kind == "note":
        state.notes.append((e.minute, e.data["text"]))
    elif e.kind == "out":
        (state.out.add if e.data.get("found", True) else state.out.discard)(e.data["thing"])
    elif e.kind == "ended":
        state.ended = state.ended if state.ended is not None else e.minute
    elif pot is None:
        return
    elif e.kind == "poured":
        pot.top_ups.append((e.minute, float(e.data["ml"])))
    elif e.kind == "lid":
        pot.lids.append((e.minute, e.data["lid"]))
    elif e.kind == "weighed":
        pot.weighed.append((e.minute, float(e.data["grams"])))
    elif e.kind == "probed":
        pot.probed.append((e.minute, float(e.data["celsius"])))
    elif e.kind == "whistle":
        _whistle(script, state, e)
    elif e.kind == "wrong":
        state.wrong.append((e.minute, e.data["pot"], e.data["what"]))


def _begin(script: Script, state: State, step: Step, minute: float, ml: Any = None) -> None:
    going = state.steps[step.id]
    if going.start is None:
        for before in step.after:
            _finish(script, state, script.step(before), minute)
        going.start, going.due = minute, minute + step.minutes
    if step.kind == "boil" and state.pots[step.pot].poured is None:
        state.pots[step.pot].poured = float(ml) if ml is not None else float(step.pour_ml)


def _whistle(script: Script, state: State, e: Event) -> None:
    """Counted by ear: the first says that it is up to pressure, the last that it is due, whatever the clock says."""
    key = str(e.data["pot"])
    pot, cook = state.pots[key], next((s for s in script.steps if s.pot == key and s.kind == "cook"), None)
    if not script.pots[key].way.row.whistles or cook is None or state.steps[cook.id].end is not None:
        return
    pot.whistled += 1
    going = state.steps[cook.id]
    if going.start is None:
        for before in cook.after:
            _finish(script, state, script.step(before), e.minute)
    if pot.whistled >= script.pots[key].whistles and going.start is not None:
        going.due = e.minute


def _finish(script: Script, state: State, step: Step | None, minute: float) -> None:
    """Ends a step, and before it whatever it waits for: a cook who is further than the screen is right."""
    if step is None or state.steps[step.id].end is not None:
        return
    for before in step.after:
        _finish(script, state, script.step(before), minute)
    going = state.steps[step.id]
    if going.start is None:
        ready = ready_at(script, state, step)
        going.start = max(min(ready if ready is not None else minute, minute), minute - step.minutes)
    going.end = minute
    for waiting in script.steps:
        # a pot that is off wants no kettle and no spoon any more; what goes in late still does
        if waiting.anchor == step.id and waiting.kind in FOR_THE_HEAT and state.steps[waiting.id].end is None:
            state.steps[waiting.id].start = state.steps[waiting.id].end = minute
    if step.kind == "boil" and state.pots[step.pot].poured is None:
        state.pots[step.pot].poured = float(step.pour_ml)
    for follower in script.steps:
        mine = state.steps[follower.id]
        if follower.style == "follow" and step.id in follower.after and mine.start is None and mine.end is None:
            ends = [state.steps[a].end for a in follower.after]
            if all(x is not None for x in ends):
                mine.start = max(x for x in ends if x is not None)
                mine.due = mine.start + follower.minutes


def ready_at(script: Script, state: State, step: Step) -> float | None:
    """The minute from which a step can be begun or done; None while something before it is not done."""
    if step.anchor:
        anchor = state.steps[step.anchor]
        at = script.step(step.anchor)
        if step.kind == "keep":
            return None if anchor.end is None else anchor.end + step.offset
        if anchor.start is None or at is None:
            return None
        # what goes in late keeps its distance from the end when the end moves
        moved = (anchor.due or 0.0) - anchor.start - at.minutes
        when = anchor.start + step.offset + max(0.0, moved)
        return when if anchor.end is None else min(when, anchor.end)
    ends = [state.steps[a].end for a in step.after]
    if any(x is None for x in ends):
        return None
    return max([float(step.planned), *(x for x in ends if x is not None)])


def forecast(script: Script, state: State, minute: float) -> dict[str, tuple[float, float]]:
    """Start and end of every step as it looks at `minute`: what is done as it was, the rest no earlier than planned, waited for or now."""
    out: dict[str, tuple[float, float]] = {}

    def of(step: Step) -> tuple[float, float]:
        if step.id in out:
            return out[step.id]
        going = state.steps[step.id]
        if step.anchor:
            anchor = script.step(step.anchor)
            start = (of(anchor)[1] if step.kind == "keep" else of(anchor)[0]) + step.offset if anchor else 0.0
            found = (start, start) if going.end is None else (going.end, going.end)
        elif going.end is not None:
            found = (going.start if going.start is not None else going.end, going.end)
        elif going.start is not None:
            found = (going.start, max(going.due or 0.0, minute))
        else:
            waits = [of(s)[1] for a in step.after if (s := script.step(a))]
            start = max([float(step.planned), minute, *waits])
            found = (start, start + step.minutes)
        out[step.id] = found
        return found

    for step in script.steps:
        of(step)
    return out


def serving(script: Script, state: State, minute: float) -> float:
    """The minute at which all is on the table, as it looks now."""
    ends = [e for s, (_, e) in forecast(script, state, minute).items() if (x := script.step(s)) and x.kind == "finish"]
    return max(ends, default=float(script.serve))


def is_locked(script: Script, state: State, key: str) -> bool:
    """A pressure cooker from the moment its heat goes on until its pressure is down."""
    if not script.pots[key].way.locked:
        return False
    boil, release = (next((s for s in script.steps if s.pot == key and s.kind == k), None) for k in ("boil", "release"))
    if boil is None or state.steps[boil.id].start is None:
        return False
    end = release or next((s for s in script.steps if s.pot == key and s.kind == "cook"), None)
    return end is not None and state.steps[end.id].end is None


def is_over(script: Script, state: State) -> bool:
    """Ended by hand, or all is on the table; putting the rest away is done without the stove."""
    return state.ended is not None or all(state.steps[s.id].end is not None for s in script.steps if s.kind != "keep")


def pot_run(script: Script, state: State, key: str) -> tuple[Run, float] | None:
    """The simulated pot as it was really treated, and the minute its heat went on; None before that."""
    pot, now = script.pots[key], state.pots[key]
    boil = next((s for s in script.steps if s.pot == key and s.kind == "boil"), None)
    cook = next((s for s in script.steps if s.pot == key and s.kind == "cook"), None)
    if boil is None or cook is None or state.steps[boil.id].start is None:
        return None
    on = state.steps[boil.id].start or 0.0
    boiled, cooking = state.steps[boil.id].end, state.steps[cook.id]
    if cooking.end is not None and cooking.start is not None:
        minutes = cooking.end - cooking.start
    else:
        minutes = pot.cook_min + cooking.more
    run = simulate(
        pot,
        pour_ml=now.poured,
        minutes=max(0.25, minutes),
        top_ups=tuple((at - on, ml) for at, ml in now.top_ups),
        lids=tuple((at - on, lid) for at, lid in now.lids),
        boils_at=None if boiled is None else max(0.25, boiled - on),
    )
    return run, on
