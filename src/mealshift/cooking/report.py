"""The state of a cooking as plain data for a screen: steps, timers, pots, and what changed about the plan, in sentences."""

from __future__ import annotations

from typing import Literal

from ..measures import round_half_up
from ..pot import Kitchen, Pot
from ..pot.account import kettle_said
from ..pot.account import said as said_amount
from ..pot.simulation import Run, curve, simulate
from ..results import CookPot, CookState, CookStep, DishTonight, Mend, Said, WrongRow
from ..shifting import AsItIs, Shift
from .devices import last_weight, weighed
from .fold import Event, State, fold, forecast, in_order, is_locked, pot_run, ready_at, serving
from .rescue import WRONGS, Answer, rescue, wrongs_for
from .script import Script, Step


def report(script: Script, events: list[Event], minute: float) -> CookState:
    """At kitchen minute `minute`. A step's status: done, running, ready (can be done now) or waiting."""
    state = fold(script, events)
    ahead = forecast(script, state, minute)
    steps = [_step(script, state, s, ahead, minute) for s in script.steps]
    expected = serving(script, state, minute)
    return {
        "title": script.title,
        "minute": round(minute, 2),
        "steps": steps,
        "now": current(steps, minute),
        "serve": {"planned": script.serve, "expected": round(expected, 1)},
        "pots": [_pot(script, state, key, pot, minute) for key, pot in script.pots.items()],
        "out": sorted(state.out),
        "notes": [{"minute": round(m, 1), "text": t} for m, t in state.notes],
        "said": said(script, state, minute),
        "events": [
            {"id": e.id, "kind": e.kind, "minute": round(e.minute, 4), "data": e.data, "text": told(script, e)}
            for e in in_order(events)
        ],
        "ended": state.ended,
        "all_done": all(x["status"] == "done" for x in steps if x["kind"] != "keep"),
    }


def _step(script: Script, state: State, s: Step, ahead: dict[str, tuple[float, float]], minute: float) -> CookStep:
    going, ready = state.steps[s.id], ready_at(script, state, s)
    status: Literal["done", "running", "ready", "waiting"] = (
        "done"
        if going.end is not None
        else "running"
        if going.start is not None
        else "ready"
        if ready is not None and ready <= minute
        else "waiting"
    )
    return {
        "id": s.id,
        "dish": s.dish,
        "part": s.part,
        "key": s.key,
        "kind": s.kind,
        "style": s.style,
        "title": s.title,
        "words": s.words,
        "look": s.look,
        "minutes": s.minutes,
        "pot": s.pot,
        "pour_ml": s.pour_ml,
        "reserve_ml": s.reserve_ml,
        "reserve_said": _kettle(s.reserve_ml, script.pots.get(s.pot)),
        "cautions": list(s.cautions),
        "count_out": list(s.count_out),
        "goes_in": list(s.goes_in),
        "after": list(s.after),
        "anchor": s.anchor,
        "offset": s.offset,
        "planned": s.planned,
        "rank": RANK.get(s.kind, RANK_ELSE),
        "status": status,
        "ready": ready,
        "start": going.start,
        "due": going.due,
        "end": going.end,
        "expected": round(ahead[s.id][0], 1),
    }


def _kettle(ml: float, pot: Pot | None) -> Said:
    return kettle_said(ml, *pot.kitchen.pours_in) if pot else {"amount": round_half_up(ml), "unit": "ml"}


# what is looked at first when several things wait for the same pair of hands: what is spoiling, then what holds others up;
# what goes into a pot or comes out of it before its end stands before that end, however late it is
RANK = {
    "cook": 0,
    "add": 0,
    "early": 0,
    "stir": 1,
    "release": 2,
    "boil": 2,
    "roast": 2,
    "rest": 4,
    "kettle": 3,
    "keep": 9,
}
RANK_ELSE = 5
# for which minutes from now a pot's mends are told; for a pot not on yet, at which shares of its planned time
MENDS_AHEAD_MIN = (0.0, 3.0, 7.0, 12.0, 20.0)
MENDS_OF_A_PLAN = (0.25, 0.5, 0.7, 0.85, 1.0)
LID_WORDS = {
    "open": "lid off",
    "ajar": "lid ajar",
    "ordinary": "lid on",
    "tight": "lid on, tight",
    "sealed": "lid on, a cloth under it",
}


def current(steps: list[CookStep], minute: float) -> str | None:
    """The one thing to do now: a running step that is due, or a step that is ready; None if there is only waiting."""
    calls = [
        (RANK.get(s["kind"], RANK_ELSE), s["due"] if s["status"] == "running" else s["ready"], s["id"])
        for s in steps
        if (s["status"] == "running" and (s["due"] or 0.0) <= minute) or s["status"] == "ready"
    ]
    return min(calls)[2] if calls else None


def _pot(script: Script, state: State, key: str, pot: Pot, minute: float) -> CookPot:
    made, now = pot_run(script, state, key), state.pots[key]
    run, on = made or (simulate(pot), None)
    out: CookPot = {
        "key": key,
        "name": pot.grain.name,
        "short": pot.grain.short,
        "grain": pot.grain.slug,
        "pour_ml": pot.pour_ml,
        "poured_ml": now.poured,
        "top_ups_ml": round_half_up(sum(ml for _, ml in now.top_ups)),
        "locked": is_locked(script, state, key),
        "lid": now.lids[-1][1] if now.lids else pot.way.lid,
        "own_lid": pot.way.lid,
        "reserve_ml": pot.high_ml - pot.pour_ml,
        "locks": pot.way.locked,
        "whistles": pot.whistles if pot.way.row.whistles else 0,
        "whistled": now.whistled,
        "wrongs": _wrongs(script, state, key, pot, run, on, minute),
        "on": on,
        "curve": curve(run, pot.kitchen, 60),
        "boil_at": run.boil_at,
        "off_at": run.off_at,
        "verdict": "",
        "scale": "",
        "celsius": None,
        "pour_said": said_amount(pot.pour_ml, *pot.kitchen.pours_in),
        "splashes": [
            {"ml": round_half_up(pot.kitchen.measure_ml * part), "said": f"{word} {pot.kitchen.measure_name}"}
            for part, word in ((0.25, "¼"), (0.5, "½"), (1.0, "1"))
        ],
    }
    if on is None:
        return out
    weight = last_weight(state, key)
    if weight is not None:
        out["scale"] = weighed(pot, run, weight[0] - on, weight[1]).text
    if now.probed:
        out["celsius"] = max(now.probed)[1]
    return {**out, "verdict": "" if run.verdict.code == "right" else pot.kitchen.says(run.verdict.text)}


def _wrongs(
    script: Script, state: State, key: str, pot: Pot, run: Run, on: float | None, minute: float
) -> list[WrongRow]:
    """What may be wrong with a pot, each with its mends: as it stands, and as it will stand some minutes from now (minutes since its
    heat went on), so that a page has the right one at hand when the network is gone."""
    end = run.moments[-1].minute
    if on is None:
        # not on yet: as it is, then as planned
        runs: list[tuple[float, Run | None, bool | None]] = [
            (0.0, None, False),
            *((end * share, run, None) for share in MENDS_OF_A_PLAN),
        ]
    else:
        locked = is_locked(script, state, key)
        runs = [(minute - on + later, run, locked) for later in MENDS_AHEAD_MIN]
    return [
        {
            "code": w,
            "text": WRONGS[w],
            "mends": [_mend(at, rescue(pot, w, r, at, locked), pot.kitchen) for at, r, locked in runs],
        }
        for w in wrongs_for(pot)
    ]


def _mend(minute: float, a: Answer, kitchen: Kitchen) -> Mend:
    return {
        "minute": round(minute, 1),
        "what": a.what,
        "text": kitchen.says(a.text),
        "add_ml": a.add_ml,
        "add_said": kettle_said(a.add_ml, *kitchen.pours_in),
        "add_min": a.add_min,
        "lid": a.lid,
        "because": a.because,
    }


def told(script: Script, e: Event) -> str:
    """One event in words, for the list of what was done."""
    step, pot = script.step(str(e.data.get("step", ""))), script.pots.get(str(e.data.get("pot", "")))
    title = step.title if step else ""
    name = pot.grain.short.capitalize() if pot else ""
    match e.kind:
        case "begun":
            return f"{title}: begun"
        case "done":
            return f"{title}: done"
        case "not_yet":
            return f"{title}: {e.data['minutes']:.0f} minutes more"
        case "poured":
            more = f"{e.data['ml']:.0f} ml"
            return f"{name}: {pot.kitchen.says(more) if pot else more} more"
        case "lid":
            return f"{name}: {LID_WORDS.get(e.data['lid'], e.data['lid'])}"
        case "note":
            return f"Note: {e.data['text']}"
        case "out":
            return f"{e.data['thing']}: {'found' if e.data.get('found', True) else 'not found after all'}"
        case "wrong":
            return f"{name}: {WRONGS.get(e.data['what'], e.data['what'])}"
        case "whistle":
            return f"{name}: it whistled"
        case "weighed":
            return f"{name}: {e.data['grams']:.0f} g on the scale"
        case "probed":
            said = f"{name}: {e.data['celsius']:.0f} °C"
            return pot.kitchen.manner.degrees(said) if pot else said
        case "ended":
            return "Stopped"
    return ""


def said(script: Script, state: State, minute: float) -> list[str]:
    """What is otherwise than planned, a sentence each."""
    out = []
    late = round_half_up(serving(script, state, minute) - script.serve)
    if late >= 1:
        out.append(f"{late} {'minute' if late == 1 else 'minutes'} later than planned.")
    elif late <= -3:
        out.append(f"{-late} minutes ahead of the plan: hold the closed pots.")
    for key, pot in script.pots.items():
        now = state.pots[key]
        more = sum(ml for _, ml in now.top_ups)
        if now.poured is not None and abs(now.poured - pot.pour_ml) >= 5:
            out.append(f"{pot.grain.short.capitalize()}: {now.poured:.0f} ml poured instead of {pot.pour_ml}.")
        if more:
            out.append(f"{pot.grain.short.capitalize()}: {more:.0f} ml more than the pour.")
    return out


def the_recipes(shifts: dict[str, Shift | AsItIs]) -> list[DishTonight]:
    """Each dish as it is cooked tonight: its list with the new amounts, its steps as rewritten, under their headings."""
    return [
        {
            "title": dish,
            "ingredients": [
                {"section": ln.section, "text": ln.text} for ln in made.lines if ln.text and not ln.in_step
            ],
            "steps": [{"section": st.section, "text": st.text} for st in made.method.steps if st.text],
        }
        for dish, made in shifts.items()
    ]
