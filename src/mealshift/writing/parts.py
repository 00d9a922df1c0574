"""What all the writers say: ingredients, steps, the pour and the cautions as plain sentences."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from ..measures import jug_ml
from ..pot.methods import method


def ingredients(shift: Mapping[str, Any]) -> list[str]:
    return [_even(i["text"]) for i in _listed(shift)]


def steps(shift: Mapping[str, Any]) -> list[str]:
    return [_even(s["text"]) for s in shift["steps"] if s["text"]]


def _even(text: str) -> str:
    """One blank between two words; where a page cut a word there are more (text/plain.py, joined)."""
    return " ".join(text.split())


def ingredient_parts(shift: Mapping[str, Any]) -> list[tuple[str, list[dict[str, Any]]]]:
    """The recipe's own list under its own headings, in its order."""
    return _under_headings(_listed(shift))


def step_parts(shift: Mapping[str, Any]) -> list[tuple[str, list[dict[str, Any]]]]:
    return _under_headings([s for s in shift["steps"] if s["text"]])


def _listed(shift: Mapping[str, Any]) -> list[dict[str, Any]]:
    """What only the steps name stands in them."""
    return [i for i in shift["ingredients"] if i["text"] and not i.get("in_step")]


def _under_headings(rows: list[dict[str, Any]]) -> list[tuple[str, list[dict[str, Any]]]]:
    out: list[tuple[str, list[dict[str, Any]]]] = []
    for row in rows:
        # what is inserted stands where it stands, under the heading of what is around it
        section = row.get("section") or (out[-1][0] if out and row.get("was") is None else "")
        if not out or out[-1][0] != section:
            out.append((section, []))
        out[-1][1].append({**row, "text": _even(row["text"])})
    return out


def cautions(shift: Mapping[str, Any]) -> list[str]:
    return [c["text"] for c in shift["cautions"]]


def to_check(shift: Mapping[str, Any]) -> list[str]:
    return [c["text"] for c in [*shift["check"], *shift["problems"]] if c.get("severity") != "note"]


def pour(shift: Mapping[str, Any]) -> str:
    """The numbers to act on, a sentence or two for every pot, rounded as jug and list are."""
    return " ".join(_pour(pot) for pot in shift["pots"])


def _pour(pot: Mapping[str, Any]) -> str:
    water, time = pot["water"], pot["time"]
    ratio, kept, low, high = water["ratio_by_volume"], _kettle_ml(water), time["cook"]["low"], time["cook"]["high"]
    sentence = f"Pour {jug_ml(water['pour_ml'])} ml for {pot['dry']['g']} g of {pot['name']}"
    sentence += "" if ratio is None else f" (1 to {ratio:g} by volume)"
    sentence += f"; keep {kept} ml hot beside it." if kept else "."
    minutes = [f"at the heat {low} to {high} minutes"] if high else []
    minutes += [f"rest {time['rest_min']}"] if time["rest_min"] else []
    said = ", ".join(minutes)
    return f"{sentence} {said[0].upper()}{said[1:]}." if said else sentence


def _kettle_ml(water: Mapping[str, Any]) -> int:
    kept = water.get("kettle_ml")
    return int(water["reserve_ml"] if kept is None else kept)


def times(shift: Mapping[str, Any]) -> str:
    """The minutes of the one pot added up, in a line of their own; "" where two pots each have theirs."""
    if len(shift["pots"]) != 1:
        return ""
    pot = shift["pots"][0]
    soak, heat, rest = pot["soak"]["min"], pot["time"]["cook"]["typical"], pot["time"]["rest_min"]
    said = [
        f"soak {_minutes(round(soak))}" if soak else "no soak",
        *([f"at the heat {_minutes(heat)}"] if heat else []),
        # what is spread out to cool does not rest
        *([] if method(pot["method"]).rest_fixed else [f"rest {_minutes(rest)}" if rest else "no rest"]),
    ]
    return "Times: " + ", ".join(said)


def _minutes(n: int) -> str:
    return f"{n} minute{'' if n == 1 else 's'}"


def said_servings(shift: Mapping[str, Any]) -> str:
    return f"{shift['servings']:g}" if shift["servings"] else ""
