"""What all the writers say: ingredients, steps, the pour and the cautions as plain sentences."""

from __future__ import annotations

from typing import Any


def ingredients(shift: dict[str, Any]) -> list[str]:
    return [i["text"] for i in shift["ingredients"] if i["text"] and not i.get("in_step")]


def steps(shift: dict[str, Any]) -> list[str]:
    return [s["text"] for s in shift["steps"] if s["text"]]


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
