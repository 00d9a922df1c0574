"""Before the pot: rinse, soak, sprout, and a coarse meal made at home, as tasks with times and signs."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

from ..grains import Grain
from ..pot.account import said_minutes, uptake
from ..pot.ways import cap
from ..problems import Refusal

# shares of the whole grain that end as meal, as flour sifted out, and as loss on the cloth and in the jar
MEAL_SHARE, FLOUR_SHARE = 0.88, 0.09
MEAL_DENSITY = 0.72
# a jar grinds evenly up to a third full
JAR_FILL = 1 / 3
SPROUTED_VOLUME = 1.4


@dataclass(frozen=True, slots=True)
class Task:
    """One thing to do: minutes, how many of them with the hands, and the sign that it is done."""

    what: str
    minutes: float
    hands_on: float
    sign: str
    why: str = ""


def rinse(grain: Grain) -> Task | None:
    if not grain.rinse:
        return None
    times = {1: "once", 2: "twice"}.get(grain.rinse, f"{grain.rinse} times")
    return Task(
        f"rinse {grain.short} {times}, drain",
        2.0 + grain.rinse,
        2.0 + grain.rinse,
        "the water runs clear",
        grain.rinse_why,
    )


def soak(grain: Grain, minutes: float, room_c: float) -> Task:
    """A soak, and how much of what the grain can take up has gone in by then."""
    if not grain.soak:
        raise Refusal(
            "soak", "soak", f"{cap(grain.name)} is not soaked ahead: it takes up water too fast; leave the soak out."
        )
    share = uptake(grain, minutes, room_c) / grain.soak.u_max
    place = "in the fridge" if minutes > 240 and room_c > 21 else "on the counter"
    return Task(
        f"soak {grain.short} {said_minutes(minutes)}, {place}",
        minutes,
        2.0,
        "a grain breaks between two nails",
        f"{share:.0%} of what a soak can bring is in by then",
    )


def sprout(grain: Grain, room_c: float = 20.0) -> list[Task]:
    """Soak, then morning and evening rinses until the tip shows: a day in a warm kitchen, two in a cool one."""
    if not grain.sprouts:
        raise Refusal(
            "sprouted",
            "sprouted",
            f"{cap(grain.name)} is polished, cut or heated and will not sprout but go mouldy; cook it unsprouted.",
        )
    days = 1.0 if room_c >= 24 else 1.5 if room_c >= 19 else 2.0
    tasks = [Task(f"soak {grain.short} 12 hours", 720.0, 3.0, "plump")]
    tasks += [
        Task("rinse, drain tilted under a cloth", 720.0, 3.0, "damp, never standing in water")
        for _ in range(round(days * 2))
    ]
    return [
        *tasks,
        Task(
            "look for the small white tip",
            0.0,
            1.0,
            "a tip as long as the grain is wide; no smell, no mould",
            f"its volume is now {SPROUTED_VOLUME:g} times the dry; cook it at once or keep it cold, at most 2 days",
        ),
    ]


@dataclass(frozen=True, slots=True)
class Milling:
    """A coarse meal made at home: `batches` of `batch_g` each; meal and flour it gives, in g and ml."""

    tasks: tuple[Task, ...]
    batches: int
    batch_g: float
    meal_g: float
    meal_ml: float
    flour_g: float


def mill_for(meal: Grain, meal_g: float, jar_ml: float = 400.0) -> Milling:
    """The milling that gives so many grams of this meal. The whole grain is of the meal's own kind; its density is near the meal's."""
    whole = replace(meal, form="whole", rinse=max(2, meal.rinse), short=meal.short.removesuffix(" grits"))
    return mill(whole, meal_g / MEAL_SHARE, jar_ml)


def mill(grain: Grain, dry_g: float, jar_ml: float = 400.0) -> Milling:
    """Rinse, drain, dry half an hour on a cloth, pulse in a dry jar a third full, sift if fine."""
    if grain.is_meal:
        raise Refusal("mill", "grain", f"{cap(grain.name)} is a meal already.")
    if not 100 <= jar_ml <= 3000:
        raise Refusal(
            "jar_ml",
            "jar_ml",
            f"A grinder jar of {jar_ml:g} ml is outside what I can reckon with; give 100 to 3,000 ml.",
        )
    most_g = jar_ml * JAR_FILL * grain.density
    batches = max(1, math.ceil(dry_g / most_g - 1e-9))
    first = rinse(grain)
    tasks = ([first] if first else []) + [
        Task(
            "spread on a cloth and dry under moving air",
            30.0,
            2.0,
            "it runs through the fingers and does not stick together",
            "wet grain turns to paste, and must never go into the jar",
        ),
        Task(
            f"pulse in {batches} {'batch' if batches == 1 else 'batches'} of about {dry_g / batches:.0f} g",
            2.0 * batches,
            2.0 * batches,
            "like semolina, never flour",
            "a jar more than a third full grinds the bottom to flour; never grind hot or wet",
        ),
        Task("sift, if there is flour", 3.0, 3.0, "what stays in a fine sieve is the meal"),
    ]
    meal = dry_g * MEAL_SHARE
    return Milling(tuple(tasks), batches, dry_g / batches, meal, meal / MEAL_DENSITY, dry_g * FLOUR_SHARE)
