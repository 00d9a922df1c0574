"""What all the writers say: ingredients, steps, the pour and the cautions as plain sentences."""

from __future__ import annotations

from typing import Any


def ingredients(shift: dict[str, Any]) -> list[str]:
    return [i["text"] for i in _listed(shift)]


def steps(shift: dict[str, Any]) -> list[str]:
    return [s["text"] for s in shift["steps"] if s["text"]]


def ingredient_parts(shift: dict[str, Any]) -> list[tuple[str, list[dict[str, Any]]]]:
    """The recipe's own list under its own headings, in its order."""
    return _under_headings(_listed(shift))


def step_parts(shift: dict[str, Any]) -> list[tuple[str, list[dict[str, Any]]]]:
    return _under_headings([s for s in shift["steps"] if s["text"]])


def _listed(shift: dict[str, Any]) -> list[dict[str, Any]]:
    """What only the steps name stands in them."""
    return [i for i in shift["ingredients"] if i["text"] and not i.get("in_step")]


def _under_headings(rows: list[dict[str, Any]]) -> list[tuple[str, list[dict[str, Any]]]]:
    out: list[tuple[str, list[dict[str, Any]]]] = []
    for row in rows:
        # what is inserted stands where it stands, under the heading of what is around it
        section = row.get("section") or (out[-1][0] if out and row.get("was") is None else "")
        if not out or out[-1][0] != section:
            out.append((section, []))
        out[-1][1].append(row)
    return out


def cautions(shift: dict[str, Any]) -> list[str]:
    return [c["text"] for c in shift["cautions"]]


def to_check(shift: dict[str, Any]) -> list[str]:
    return [c["text"] for c in [*shift["check"], *shift["problems"]] if c.get("severity") != "note"]


def pour(shift: dict[str, Any]) -> str:
    """The number to act on, in one line."""
    pot = shift["pots"][0]
    water, time = pot["water"], pot["time"]
    sentence = (
        f"Pour {water['pour_ml']} ml for {pot['dry']['g']} g of {pot['name']} (1 to {water['ratio_by_volume']:g} by volume); "
        f"keep {water['reserve_ml']} ml hot beside it. At the heat {time['cook']['low']} to {time['cook']['high']} minutes"
    )
    return sentence + (f", rest {time['rest_min']}." if time["rest_min"] else ".")


def said_servings(shift: dict[str, Any]) -> str:
    return f"{shift['servings']:g}" if shift["servings"] else ""
