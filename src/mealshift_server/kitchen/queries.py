"""What is asked of a kitchen, and the core's Kitchen that comes of it."""

from __future__ import annotations

from typing import Any

from mealshift.cooking.took import said as said_of
from mealshift.cooking.took import usual
from mealshift.pot import Kitchen as CoreKitchen
from mealshift.pot.ways import BURNER_W, BURNERS
from mealshift_server.households.models import Household

from .models import Device, Kitchen, Pot, Took

GIVEN = ("pot_cm", "pot_l", "burner_w", "watts", "altitude_m", "room_c", "whistle_min", "boil_off", "jar_ml")
FIELDS = (
    "oven_places",
    "rice_cooker",
    "pressure_cooker",
    "electric_pressure",
    "slow_cooker",
    "microwave_w",
    "whistle_min",
    "altitude_m",
    "room_c",
    "jar_ml",
)


def kitchen_row(household: Household) -> Kitchen | None:
    return Kitchen.objects.filter(household=household).first()


def owned(row: Kitchen | None) -> tuple[str, ...] | None:
    """The appliances by the words that plans use; None if the household has not said."""
    if row is None:
        return None
    have = {
        "rice cooker": row.rice_cooker,
        "pressure cooker": row.pressure_cooker,
        "electric cooker": row.electric_pressure,
        "slow cooker": row.slow_cooker,
        "microwave": row.microwave_w is not None,
    }
    return tuple(name for name, there in have.items() if there)


def core_kitchen(household: Household, given: dict[str, Any]) -> CoreKitchen:
    """The core's Kitchen: what the cook gave on the page, else the pot and kitchen of the household, else the core's own figures."""
    row = kitchen_row(household)
    known: dict[str, Any] = {}
    if row is not None:
        known = {
            "altitude_m": row.altitude_m,
            "room_c": row.room_c,
            "whistle_min": row.whistle_min,
            "jar_ml": row.jar_ml,
            "cookers": owned(row),
        }
        known |= {"burner_w": max(row.burners)} if row.burners else {}
        known |= {"watts": row.microwave_w} if row.microwave_w else {}
    known["took"] = (
        tuple((str(k), float(v)) for k, v in given["took"]) if given.get("took") is not None else took_here(household)
    )
    pot = pot_of(household, given)
    if pot is not None:
        known |= {"pot_cm": pot.diameter_cm, "pot_l": pot.litres, "lid": pot.lid, "boil_off": pot.boil_off}
    known |= {k: given[k] for k in GIVEN if given.get(k) is not None}
    known |= {"lid": given["pot_lid"]} if given.get("pot_lid") else {}
    h = household
    return CoreKitchen(**known, measure_ml=h.measure_ml, measure_name=h.measure_name, cup_ml=h.cup_ml, manner=h.manner)


def pot_of(household: Household, given: dict[str, Any]) -> Pot | None:
    """The pot that was named; else, where no width was given, the household's first."""
    if given.get("pot_id") is not None:
        return Pot.objects.filter(household=household, pk=given["pot_id"]).first()
    return Pot.objects.filter(household=household).first() if given.get("pot_cm") is None else None


def frozen(household: Household, choice: dict[str, Any]) -> dict[str, Any]:
    """The choice with the kitchen as it is now written into it, so that a kept shift stays as it was."""
    k = core_kitchen(household, choice)
    return {
        **choice,
        "pot_cm": k.pot_cm,
        "pot_l": k.pot_l,
        "pot_lid": k.lid,
        "boil_off": k.boil_off,
        "burner_w": k.burner_w,
        "watts": k.watts,
        "altitude_m": k.altitude_m,
        "room_c": k.room_c,
        "whistle_min": k.whistle_min,
        "jar_ml": k.jar_ml,
        "took": [list(t) for t in k.took],
    }


def took_here(household: Household) -> tuple[tuple[str, float], ...]:
    """How long things take in this kitchen, as far as its cookings have shown."""
    return usual(Took.objects.filter(household=household).values_list("key", "value"))


def shown(household: Household) -> dict[str, Any]:
    """The kitchen as its page shows it; said: somebody has described it."""
    row = kitchen_row(household)
    there = row or Kitchen(burners=[BURNER_W] * BURNERS)
    return {
        "said": row is not None,
        "burners": there.burners,
        "time_zone": household.time_zone,
        "pots": list(Pot.objects.filter(household=household)),
        "devices": list(Device.objects.filter(household=household)),
        **{f: getattr(there, f) for f in FIELDS},
        "took": said_of(took_here(household)),
    }
