"""What is left over: until when it must be cold, until when it may be eaten, and how it comes back to the table.

Usual advice (docs/decisions/0003): cooked grain is in the fridge within one hour of serving, two at the most, at 5 °C or colder; the
stricter rule lets it stay one day, some authorities up to four. The stricter is said first, the household's own beside it.

The clock remembers. What is left is judged by every place it has lain in, not by the last one: grain that stood warm too long or was
past its days is over for good, wherever it is put afterwards; cold does not make it safe again. Thawed grain has one day.

A case by hand: served at 19:00, fridge at 19:40, freezer two days later, thawed on the 10th at 8:00: eat it by the 11th at 8:00. Served at
19:00 and put into the fridge at 01:00: six hours warm, throw it away, today and on every day after.
"""

from __future__ import annotations

import re
from dataclasses import dataclass
from datetime import datetime, timedelta

from .grains import grain
from .manner import Manner
from .problems import Refusal

COOL_BY, COOL_AT_MOST = timedelta(hours=1), timedelta(hours=2)
STRICT_DAYS, MOST_DAYS = 1, 4
# frozen grain stays safe; this is for the taste
FREEZER_DAYS = 90
THAWED = timedelta(days=1)
# a second touch so soon is a slip of the finger that is put right
SLIP = timedelta(minutes=5)
PLACES = ("table", "fridge", "freezer", "gone")
_WARM = "It has stood warm for more than two hours: throw it away. Neither the fridge nor reheating undoes what has grown in it."


@dataclass(frozen=True, slots=True)
class Move:
    """From `at` on it lies in `place`."""

    at: datetime
    place: str


@dataclass(frozen=True, slots=True)
class Kept:
    """cool_by, at_most: it must be in the fridge. eat_by: the stricter rule; local_by: the household's, where it is longer. over: it must go."""

    cool_by: datetime
    at_most: datetime
    eat_by: datetime
    local_by: datetime | None
    over: bool
    said: str
    reheat: str
    idea: str


def keep(
    slug: str,
    served: datetime,
    moves: tuple[Move, ...],
    now: datetime,
    local_days: int = STRICT_DAYS,
    dish: str = "",
    manner: Manner | None = None,
) -> Kept:
    """Of grain served at `served`, which lay on the table until the first of `moves` (in the order they were made)."""
    check_days(local_days)
    manner = manner or Manner()
    way = [Move(served, "table"), *moves]
    for m in way:
        check_place(m.place)
    cool_by, at_most = served + COOL_BY, served + COOL_AT_MOST
    allowed = timedelta(days=local_days)
    warm, cold_by, thawed, over = timedelta(0), served + allowed, None, ""
    for here, after in zip(way, [*way[1:], Move(now, "now")], strict=True):
        stay = max(timedelta(0), after.at - here.at)
        if here.place == "table":
            warm += stay
            if warm > COOL_AT_MOST:
                over = over or _WARM
        elif here.place == "fridge" and after.at > cold_by:
            over = over or (
                "Thawed grain has one day, and that is over: throw it away."
                if thawed is not None
                else "Its time in the fridge is over: throw it away."
            )
        if here.place == "freezer" and after.place in ("fridge", "table"):
            thawed, cold_by = after.at, after.at + THAWED
    place, since = way[-1].place, way[-1].at
    eat_by, local = served + timedelta(days=STRICT_DAYS), None
    if thawed is not None and place != "freezer":
        eat_by = thawed + THAWED
        said = f"Thawed: eat it by {eat_by:%A} {manner.time(eat_by)}, and do not freeze it again."
    elif place == "table":
        # what has been warm before has less of its two hours left
        left = COOL_AT_MOST - (warm - (now - since))
        cool_by, at_most = min(cool_by, since + left), since + left
        said = f"Shallow, and into the fridge by {manner.time(cool_by)}; {manner.time(at_most)} at the latest."
        if now > cool_by:
            said = f"Shallow, and into the fridge now; {manner.time(at_most)} at the latest."
    elif place == "freezer":
        eat_by = since + timedelta(days=FREEZER_DAYS)
        said = f"Frozen, best by {eat_by:%-d %B}. Thaw it in the fridge, not on the table, and eat it within a day."
    elif local_days > STRICT_DAYS:
        local = served + allowed
        said = f"Eat it by {eat_by:%A} {manner.time(eat_by)} by the stricter rule; by {local:%A} by the one you follow."
        if now > eat_by:
            said = f"Past the stricter rule; by the one you follow, eat it by {local:%A} {manner.time(local)}."
    else:
        said = f"Eat it by {eat_by:%A} {manner.time(eat_by)}."
    return Kept(
        cool_by,
        at_most,
        eat_by,
        local,
        bool(over),
        over or said,
        manner.degrees(_reheat(slug)),
        _idea(slug, dish) if not over else "",
    )


def moved(moves: tuple[Move, ...], place: str, now: datetime) -> tuple[Move, ...]:
    """The moves with one more, to `place`. Refusal where that would only look safe."""
    check_place(place)
    # a slip that is put right leaves no trace, unless it is older than a moment
    kept = moves[:-1] if moves and now - moves[-1].at <= SLIP else moves
    here = kept[-1].place if kept else "table"
    if here == place:
        return kept
    if place == "freezer" and any(m.place == "freezer" for m in kept):
        raise Refusal(
            "place",
            "place",
            "Thawed grain is not frozen a second time: eat it within the day, or throw it away.",
        )
    return (*kept, Move(now, place))


def check_place(place: str) -> str:
    if place not in PLACES:
        raise Refusal("place", "place", "What is left is on the table, in the fridge, in the freezer, or gone.")
    return place


def check_days(days: int) -> int:
    if not STRICT_DAYS <= days <= MOST_DAYS:
        raise Refusal(
            "days",
            "days",
            f"Authorities say {STRICT_DAYS} to {MOST_DAYS} days for cooked grain in the fridge; choose the rule of your own.",
        )
    return days


def _reheat(slug: str) -> str:
    splash = (
        "two spoons of water a plate" if not grain(slug).is_meal else "as much water or milk as it will take, stirring"
    )
    return f"Once only, {splash}, under a lid, until it steams all through (74 °C)."


# minutes under a lid until a few portions steam all through, and what each wants of water
WARM_MIN, SPLASH_TBSP = 6, 2


def warmed(slug: str, name: str, portions: int, over: bool) -> str:
    """What is left, warmed through, as a recipe that is cooked as it is. Refusal where it is to be thrown away."""
    if over:
        raise Refusal("over", "left", "Its time is over: throw it away, it is not to be warmed.")
    dish = re.sub(r", in [^,]+$", "", name).strip() or name
    stirred = grain(slug).is_meal
    wet = f"{SPLASH_TBSP * portions} tablespoons water" + (" or milk" if stirred else "")
    first = "beat it smooth with the water" if stirred else "break it up and sprinkle the water over it"
    return "\n".join(
        [
            f"{dish}, warmed through",
            f"Serves {portions}",
            "",
            "Ingredients",
            f"{portions} {'portion' if portions == 1 else 'portions'} of what is left, from the fridge",
            wet,
            "",
            "Method",
            f"1. Put what is left into a pan, {first}.",
            f"2. Cover and warm it over low heat for {WARM_MIN} minutes, stirring once or twice, until it steams all through (74 °C in the middle).",
            "3. Serve at once. It is warmed only once: what is left now is thrown away.",
            "",
        ]
    )


def _idea(slug: str, dish: str) -> str:
    g = grain(slug)
    if g.is_meal:
        return "Cold, it can be sliced and fried in a little fat."
    if dish in ("porridge", "pudding", "stirred"):
        return "It sets when cold: shape it into cakes and fry them."
    return "Cold through, it fries well tomorrow: hot pan, little fat, break it up with the hands first."
