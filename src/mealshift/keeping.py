"""What is left over: until when it must be cold, until when it may be eaten, and how it comes back to the table.

Usual advice (docs/decisions/0003): cooked grain is in the fridge within one hour of serving, two at the most, at 5 °C or colder; the
stricter rule lets it stay one day, some authorities up to four. The stricter is said first, the household's own beside it.
"""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime, timedelta

from .grains import grain
from .problems import Refusal

COOL_BY, COOL_AT_MOST = timedelta(hours=1), timedelta(hours=2)
STRICT_DAYS, MOST_DAYS = 1, 4
# frozen grain stays safe; this is for the taste
FREEZER_DAYS = 90
PLACES = ("table", "fridge", "freezer", "gone")


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


def keep(slug: str, served: datetime, place: str, now: datetime, local_days: int = STRICT_DAYS, dish: str = "") -> Kept:
    """Of grain served at `served` and lying in `place` ("table" until somebody says where it went)."""
    if place not in PLACES:
        raise Refusal("place", "place", "What is left is on the table, in the fridge, in the freezer, or gone.")
    check_days(local_days)
    cool_by, at_most = served + COOL_BY, served + COOL_AT_MOST
    days = FREEZER_DAYS if place == "freezer" else STRICT_DAYS
    eat_by = served + timedelta(days=days)
    local = served + timedelta(days=local_days) if place == "fridge" and local_days > STRICT_DAYS else None
    if place == "table" and now > at_most:
        over, said = (
            True,
            "It has stood warm for more than two hours: throw it away. Reheating does not undo what has grown in it.",
        )
    elif place == "table":
        over, said = False, f"Shallow, and into the fridge by {cool_by:%H:%M}; {at_most:%H:%M} at the latest."
    elif place == "freezer":
        over, said = now > eat_by, f"Frozen, best by {eat_by:%-d %B}. Thaw it in the fridge, not on the table."
    elif now > (local or eat_by):
        over, said = True, "Its time in the fridge is over: throw it away."
    elif local:
        over = False
        said = f"Eat it by {eat_by:%A %H:%M} by the stricter rule; by {local:%A} by the one you follow."
        if now > eat_by:
            said = f"Past the stricter rule; by the one you follow, eat it by {local:%A %H:%M}."
    else:
        over, said = False, f"Eat it by {eat_by:%A %H:%M}."
    return Kept(cool_by, at_most, eat_by, local, over, said, _reheat(slug), _idea(slug, dish) if not over else "")


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


def _idea(slug: str, dish: str) -> str:
    g = grain(slug)
    if g.is_meal:
        return "Cold, it can be sliced and fried in a little fat."
    if dish in ("porridge", "pudding", "stirred"):
        return "It sets when cold: shape it into cakes and fry them."
    return "Cold through, it fries well tomorrow: hot pan, little fat, break it up with the hands first."
