"""Lessons: what the estimate would change, a sentence each, with the entries behind it; and the factors from those accepted."""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from ..pot import Factors
from .estimate import SAFE, Entry, Key, estimate

# a change smaller than this is not worth a sentence
WORTH = {"water_grain": 0.03, "water_bag": 0.03, "pot": 0.08, "time_grain": 0.04, "time_bag": 0.04, "liking": 0.15}
# nor is one that chance would say: so many standard deviations it must be off, the first time and when it is said more closely
SURE, SURE_MORE = 1.8, 0.4
# so many whole entries must stand behind one
LEAST = 2.5
_COUNT = ("no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve")


@dataclass(frozen=True, slots=True)
class Lesson:
    """kind, subject: what it is about. value: the new figure (share, logarithm or texture step); was: what is reckoned with now."""

    kind: str
    subject: str
    value: float
    was: float
    text: str
    entries: tuple[str, ...]


def lessons(
    entries: Iterable[Entry], held: Mapping[Key, float], refused: Mapping[Key, float], names: Mapping[Key, str]
) -> list[Lesson]:
    """held: what is reckoned with now, by (kind, subject). refused: the values the cook has said no to: such a lesson stays away until
    the pots say something noticeably else. names: how each subject is called in a sentence."""
    found = estimate(entries)
    out = []
    for key, value in found.value.items():
        kind, subject = key
        was, no = held.get(key, 0.0), refused.get(key)
        rounded = round(value, 2) if kind != "liking" else round(value * 4) / 4
        sure = SURE_MORE if was else SURE
        if abs(rounded - was) < max(WORTH[kind], sure * found.sd[key]) or (found.weight[key] < LEAST and not was):
            continue
        if no is not None and abs(rounded - no) < WORTH[kind]:
            continue
        ids = found.said_by[key]
        out.append(
            Lesson(kind, subject, rounded, was, _sentence(kind, names.get(key, subject), rounded, was, len(ids)), ids)
        )
    return sorted(out, key=lambda x: (-abs(x.value - x.was) / WORTH[x.kind], x.kind, x.subject))


def _percent(kind: str, value: float) -> int:
    share = math.exp(value) - 1 if kind.startswith("time") else value
    return round(abs(share) * 100)


def _sentence(kind: str, name: str, value: float, was: float, pots: int) -> str:
    count = _COUNT[pots] if pots < len(_COUNT) else str(pots)
    so = f"{count} {'pot says' if pots == 1 else 'pots say'} so"
    name = name[:1].upper() + name[1:]
    if kind == "liking":
        if value == 0:
            return f"The catalogue's texture is right for this household after all; {so}."
        return f"This household likes its grain {'softer' if value > 0 else 'firmer'} than the catalogue, by {abs(value):g} of a step; {so}."
    n = _percent(kind, value)
    what = {"water": "water", "time": "time"}.get(kind.split("_")[0], "")
    if n == 0:
        return f"{name} is as the catalogue has it after all; {so}."
    before = f", not {_percent(kind, was)} % {'more' if was > 0 else 'less'}" if was else ""
    if kind == "pot":
        return f"{name} boils off {n} % {'more' if value > 0 else 'less'} than reckoned{before}; {so}."
    return f"{name} takes {n} % {'more' if value > 0 else 'less'} {what}{before}; {so}."


def factors_from(held: Mapping[Key, float], grain: str, pot: str, bag: str = "") -> Factors:
    """The factors for one grain, from this bag, in this pot under this lid, from the accepted lessons. Safe whatever they hold."""

    def of(kind: str, subject: str) -> float:
        low, high = SAFE[kind]
        return min(max(held.get((kind, subject), 0.0), low), high) if subject or kind == "liking" else 0.0

    return Factors(
        water=round(1 + of("water_grain", grain) + of("water_bag", bag), 4),
        time=round(math.exp(of("time_grain", grain) + of("time_bag", bag)), 4),
        boil_off=round(1 + of("pot", pot), 4),
        liking=of("liking", ""),
    )
