"""What is in the jug, from the bottom up: the grain, what is there already, what it drinks, what stays as broth, what is lost."""

from __future__ import annotations

from ..manner import Manner
from ..measures import Measures, round_half_up, said_fraction
from ..results import Jug, JugLayer, LedgerRow, PotAlone

# terms of the ledger that never reach the grain, and those that only leave less to drink: a recipe that pours less than its grain
# needs brings no water, nor does a roast
LOST = frozenset({"boil_off", "come_up", "cloth", "drained", "base", "head_start"})
LESS = frozenset({"recipe_habit", "roast"})
# what a packed millilitre of dry grain takes up itself; the rest is air between the grains
SOLID = 0.6
# the vessel is so much larger than what it holds, and no smaller than a mug
ROOM, SMALLEST_ML = 1.07, 200.0
WHERE = {"cling": "on the rinsed grain", "soak": "from the soak"}


def jug(pot: PotAlone, name: str, manner: Manner, measures: Measures) -> Jug:
    """The layers of the jug in ml, bottom first, labelled in the household's measure; they sum to the pour and what is there.

    pot: as it is told, so that one kept long ago has its jug too."""
    rows, water, cups = pot["ledger"], pot["water"], manner.amounts == "cups"
    there = [r for r in rows if r["ml"] < 0 and r["term"] not in LESS]
    pour, reserve = water["pour_ml"], water["reserve_ml"]
    told = water.get("kettle_ml")
    kept = reserve if told is None else told
    off = min(pour, max(0, sum(r["ml"] for r in rows if r["term"] in LOST)))
    broth = min(pour - off, next((r["ml"] for r in rows if r["term"] == "broth"), 0))
    drinks = pour - off - broth
    grain, shown = pot["dry"]["ml"] * SOLID, -sum(r["ml"] for r in there)

    def said(ml: float) -> str:
        # beside a drawing to scale "both" would be too long: the number alone, as on the vessel's marks
        return manner.roughly(ml, measures) if cups else str(round_half_up(ml))

    dry = said(pot["dry"]["ml"]) if cups else f"{pot['dry']['g']} g"
    out: list[JugLayer] = [_layer("grain", grain, f"{dry} {name}", pot["texture_word"])]
    if shown:
        note = ", ".join(WHERE.get(r["term"]) or _where(r) for r in there)
        out.append(_layer("there", shown, f"{said(shown)} already there", note))
    if drinks > 0:
        out.append(_layer("drinks", drinks, f"{said(drinks)} for the grain"))
    if broth > 0:
        out.append(_layer("broth", broth, f"{said(broth)} of broth", "it stays"))
    if off > 0:
        drained = pot["method"] == "drain"
        why = next((_where(r) for r in rows if r["term"] == "boil_off"), "")
        label = f"{said(off)} boils off or is drained" if drained else f"{said(off)} boils off"
        out.append(_layer("off", off, label, "" if drained else why))
    surface = grain + shown + pour
    need = (surface + reserve) * ROOM
    return {
        "layers": out,
        "surface_ml": round(surface, 1),
        "reserve_ml": kept,
        "reserve": f"{_kept(pot) or said(kept)} kept hot" if kept else "",
        "capacity_ml": round(max(need, SMALLEST_ML), 1),
        "tick_ml": 500 if need > 3000 else 200 if need > 1400 else 100 if need > 500 else 50,
    }


def _kept(pot: PotAlone) -> str:
    """As the bench and the stove say it, where that is in cups."""
    told = pot["water"].get("kettle_said")
    if not told or told["unit"] != "cup":
        return ""
    return f"{said_fraction(told['amount'])} {'cups' if told['amount'] > 1 else 'cup'}"


def _where(row: LedgerRow) -> str:
    """What an older program kept has only its sentence."""
    return row.get("where") or row["because"]


def _layer(key: str, ml: float, label: str, note: str = "") -> JugLayer:
    return {"key": key, "ml": round(ml, 1), "label": label, "note": note}
