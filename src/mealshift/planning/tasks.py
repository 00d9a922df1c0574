"""A shift as tasks: how long, how much of it with the hands, on what, after what, and how long it may wait.

Only what has minutes becomes a task; a step without minutes belongs to the task before it. Times are whole minutes.
"""

from __future__ import annotations

import re
from dataclasses import dataclass, replace

from .. import preparing
from ..measures import round_half_up
from ..pot import Pot
from ..pot.afterwards import SHALLOW_CM, minutes_to
from ..recipe import Recipe
from ..shifting import Shift

# minutes in the grain's pot before its liquid
BEFORE = ("pan", "toast")
# a closed pot holds warm about so long; soaked grain may wait in the fridge, drained grain not long
HOLD_MIN = 30
AFTER_SOAK_MIN = 60
AFTER_ROAST_MIN = 15
# grain to be fried must be cold through: at least so long in the fridge after it has cooled
CHILL_MIN = 60
# a salad is dressed warm and eaten lukewarm
LUKEWARM_C = 30.0


@dataclass(frozen=True, slots=True)
class Task:
    """hands_on: minutes of hands from its start. resource: burner, oven, an appliance, or "" for none.
    after: ids that must have ended; within: at most so many minutes after the last of them; waits: at most so many minutes after each
    of these. holds: it may wait hot so long. kind: rinse, soak, sprout, dry, pulse, sift, roast, pan, pot, rest, cool, chill, beside, finish. needs: what
    must be owned beside the resource."""

    id: str
    what: str
    dish: str
    minutes: int
    hands_on: int
    resource: str = ""
    after: tuple[str, ...] = ()
    within: int | None = None
    holds: int = 0
    last: bool = False
    kind: str = ""
    waits: tuple[tuple[str, int], ...] = ()
    needs: str = ""


def tasks_of(shift: Shift, dish: str) -> list[Task]:
    """The tasks of one shift, in order; ids are unique within a plan if the dish names are."""
    out: list[Task] = []
    ready: list[str] = []
    for n, pot in enumerate((shift.pot, *shift.aside)):
        made = _pot_tasks(shift, pot, f"{dish}/{n + 1}", dish, main=n == 0)
        out += made
        ready.append(made[-1].id)
    beside = _beside(shift.recipe, dish)
    out += beside
    if beans := _beans(shift.recipe, dish):
        out = [*beans, *(replace(t, after=(*t.after, beans[-1].id)) if t.kind == "pot" else t for t in out)]
    out.append(
        Task(
            f"{dish}/finish",
            "finish and taste",
            dish,
            3,
            3,
            after=(*ready, *(t.id for t in beside)),
            holds=HOLD_MIN,
            last=True,
            kind="finish",
            # a closed pot keeps warm so long; what is served or fried cold may wait
            waits=tuple((i, HOLD_MIN) for i in ready if not i.endswith(("/cool", "/chill"))),
        )
    )
    return out


def _pot_tasks(shift: Shift, pot: Pot, key: str, dish: str, main: bool) -> list[Task]:
    grain, way = pot.grain, pot.way
    out: list[Task] = []

    def add(
        name: str,
        what: str,
        minutes: float,
        hands: float,
        resource: str = "",
        within: int | None = None,
        needs: str = "",
    ) -> None:
        whole = round_half_up(minutes)
        if whole > 0:
            after = (out[-1].id,) if out else ()
            out.append(
                Task(
                    f"{key}/{name}",
                    what,
                    dish,
                    whole,
                    min(whole, round_half_up(hands)),
                    resource,
                    after,
                    within,
                    kind=name.rstrip("0123456789"),
                    needs=needs,
                )
            )

    if way.sprouted:
        for n, t in enumerate(preparing.sprout(grain, pot.kitchen.room_c)):
            add(f"sprout{n + 1}", t.what, t.minutes, t.hands_on, within=0 if n else None)
    rinse = preparing.rinse(grain) if way.rinsed else None
    if shift.choice.home_meal and main and grain.is_meal:
        for t in preparing.mill_for(grain, pot.dry_g, pot.kitchen.jar_ml).tasks:
            add(t.what.split()[0].replace("spread", "dry"), t.what, t.minutes, t.hands_on)
    elif rinse:
        add("rinse", rinse.what, rinse.minutes, rinse.hands_on)
    if way.soak_min and not way.sprouted:
        add("soak", preparing.soak(grain, way.soak_min, pot.kitchen.room_c).what, way.soak_min, 2, within=10)
    if way.roast == "dry" and grain.roast and not shift.own.toasts:
        add(
            "roast",
            f"dry-roast {grain.short}",
            grain.roast.min,
            grain.roast.min,
            "burner",
            AFTER_SOAK_MIN if way.soak_min else None,
        )
    if main and not shift.own.line.cooked:
        first = sum(d.typical for s in shift.recipe.steps for d in s.durations if d.kind in BEFORE)
        add(
            "pan",
            "the pan first, as the steps say",
            first,
            first,
            "burner",
            AFTER_ROAST_MIN if out and out[-1].id.endswith("roast") else None,
        )
    device = way.row.resource
    up = round_half_up(pot.come_up_min)
    add("pot", f"{grain.short}: to the boil and {_cooks(pot)}", up + pot.cook_typical, min(4, up + pot.cook_typical), device,
        (AFTER_SOAK_MIN if way.soak_min else AFTER_ROAST_MIN) if out else None, way.row.needs)  # fmt: skip
    add(
        "rest",
        "let the pressure fall, then rest" if pot.release_min else "rest, lid closed",
        pot.release_min + pot.rest_min,
        0,
        within=0,
    )
    if main and shift.recipe.dish in ("salad", "fried"):
        cool = minutes_to(max(LUKEWARM_C, pot.kitchen.room_c + 5), SHALLOW_CM, pot.kitchen.room_c)
        add("cool", f"spread {grain.short} on a tray and let it cool", cool, 2, within=0)
    if main and shift.recipe.dish == "fried":
        add("chill", f"{grain.short} into the fridge until cold through; overnight is best", CHILL_MIN, 1)
    return out


# usual advice for kidney beans and their relatives: hours in water that is thrown away, then a hard boil
BEANS_SOAK_MIN, BEANS_BOIL_MIN = 480, 10


def _beans(recipe: Recipe, dish: str) -> list[Task]:
    """Dry kidney beans are made safe before they come near the pot, whatever the recipe says."""
    if not recipe.dry_beans:
        return []
    name = recipe.dry_beans[0].name or "beans"
    out = []
    if not any("soaked" in ln.text.lower() for ln in recipe.dry_beans):
        out.append(
            Task(
                f"{dish}/beans1",
                f"soak the {name} 8 hours in plenty of water, throw that water away",
                dish,
                BEANS_SOAK_MIN,
                3,
                kind="beans",
            )
        )
    out.append(
        Task(
            f"{dish}/beans2",
            f"boil the {name} hard in fresh water, at least {BEANS_BOIL_MIN} minutes (some authorities say 30)",
            dish,
            BEANS_BOIL_MIN + 10,
            3,
            "burner",
            tuple(t.id for t in out),
            AFTER_SOAK_MIN if out else None,
            kind="beans",
        )
    )
    return out


def _cooks(pot: Pot) -> str:
    return {"steep": "steep"}.get(pot.way.method, f"cook {pot.cook_typical} minutes")


def _beside(recipe: Recipe, dish: str) -> list[Task]:
    """Other components: steps with minutes that are not the grain's, in the order of the recipe."""
    out: list[Task] = []
    for s in recipe.steps:
        minutes = sum(d.typical for d in s.durations if d.kind == "other" and d.typical <= 240)
        if not minutes or re.search(r"\bevery\b|\bafter the first\b", s.text, re.I):
            continue
        resource = "oven" if re.search(r"\b(?:bake|roast|oven)\b", s.text, re.I) else "burner"
        words = " ".join(s.text.split()[:8])
        out.append(
            Task(
                f"{dish}/beside{s.index + 1}",
                words,
                dish,
                round_half_up(minutes),
                min(3, round_half_up(minutes)),
                resource,
                kind="beside",
            )
        )
    return out
