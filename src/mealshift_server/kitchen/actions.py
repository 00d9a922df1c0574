"""Changes of state of a kitchen, one function each."""

from __future__ import annotations

import secrets
import zoneinfo
from typing import Any

from django.utils import timezone

from mealshift.pot import Kitchen as CoreKitchen
from mealshift.pot.boil_off import BoilOff, boil_off_test
from mealshift.pot.ways import BURNER_W, BURNERS, MICROWAVE_W
from mealshift.problems import Refusal
from mealshift_server.base.clock import today
from mealshift_server.base.keys import digest
from mealshift_server.households.models import Household

from .models import Device, Kitchen, Pot, Took
from .queries import FIELDS, kitchen_row

MOST_POTS, MOST_DEVICES = 20, 10
# of how long one thing took
KEPT_OF_EACH = 8


# an appliance by the word that plans use → what the kitchen holds when it is there
APPLIANCES: dict[str, tuple[str, Any]] = {
    "rice cooker": ("rice_cooker", True),
    "pressure cooker": ("pressure_cooker", True),
    "electric cooker": ("electric_pressure", True),
    "slow cooker": ("slow_cooker", True),
    "microwave": ("microwave_w", MICROWAVE_W),
}


def add_appliance(household: Household, name: str) -> Kitchen:
    """The household has it after all. Refusal for what is no appliance."""
    if name not in APPLIANCES:
        raise Refusal("appliance", "name", f"“{name[:30]}” is no appliance I know; choose {', '.join(APPLIANCES)}.")
    field, value = APPLIANCES[name]
    row = kitchen_row(household) or Kitchen(household=household, burners=[BURNER_W] * BURNERS)
    setattr(row, field, value)
    row.save()
    return row


def note_took(household: Household, rows: list[tuple[str, float]]) -> None:
    """What a cooking has shown; of each key the last are kept."""
    now = timezone.now()
    Took.objects.bulk_create(Took(household=household, key=k[:60], value=v, at=now) for k, v in rows)
    for key in {k for k, _ in rows}:
        old = (
            Took.objects.filter(household=household, key=key)
            .order_by("-id")
            .values_list("pk", flat=True)[KEPT_OF_EACH:]
        )
        Took.objects.filter(pk__in=list(old)).delete()


def forget_took(household: Household) -> None:
    Took.objects.filter(household=household).delete()


def set_kitchen(household: Household, data: dict[str, Any]) -> Kitchen:
    """All of the kitchen but its pots. Refusal names the field at fault."""
    burners = data["burners"]
    if not 1 <= len(burners) <= 8:
        raise Refusal("burners", "burners", "A kitchen here has 1 to 8 burners; add one, or take some off.")
    for watts in burners:
        CoreKitchen(burner_w=watts)
    if not 0 <= data["oven_places"] <= 6:
        raise Refusal("oven_places", "oven_places", "An oven takes 0 (no oven) to 6 dishes at once.")
    CoreKitchen(
        watts=data["microwave_w"] or MICROWAVE_W,
        altitude_m=data["altitude_m"],
        room_c=data["room_c"],
        whistle_min=data["whistle_min"],
        jar_ml=data["jar_ml"],
    )
    zone = data.get("time_zone")
    if zone is not None:
        if zone not in zoneinfo.available_timezones():
            raise Refusal("time_zone", "time_zone", f"“{zone[:40]}” is no time zone I know; write it as Europe/Lisbon.")
        household.time_zone = zone
        household.save(update_fields=["time_zone"])
    row, _ = Kitchen.objects.update_or_create(
        household=household, defaults={"burners": burners, **{f: data[f] for f in FIELDS}}
    )
    return row


def add_pot(household: Household, data: dict[str, Any]) -> Pot:
    if Pot.objects.filter(household=household).count() >= MOST_POTS:
        raise Refusal("pots", "name", f"{MOST_POTS} pots are enough for any dinner: change one instead.")
    return Pot.objects.create(household=household, **_checked(data))


def change_pot(pot: Pot, data: dict[str, Any]) -> Pot:
    """Another width makes the old boil-off test void."""
    checked = _checked(data)
    if checked["diameter_cm"] != pot.diameter_cm:
        pot.boil_off, pot.test = 1.0, None
    for field, value in checked.items():
        setattr(pot, field, value)
    pot.save()
    return pot


def _checked(data: dict[str, Any]) -> dict[str, Any]:
    name = data["name"].strip()
    if not name or len(name) > 40:
        raise Refusal("name", "name", "Give the pot a short name, such as “the blue one”.")
    CoreKitchen(pot_cm=data["diameter_cm"], pot_l=data["litres"], lid=data["lid"])
    return {"name": name, "diameter_cm": data["diameter_cm"], "litres": data["litres"], "lid": data["lid"]}


def test_boil_off(pot: Pot, before_ml: float, after_ml: float, minutes: float, lid: str, keep: bool) -> BoilOff:
    """The pot's boil-off test; `keep` sets the pot's rate by it."""
    found = boil_off_test(CoreKitchen(pot_cm=pot.diameter_cm), before_ml, after_ml, minutes, lid)
    if keep:
        pot.boil_off = round(found.factor, 3)
        pot.test = {
            "before_ml": before_ml,
            "after_ml": after_ml,
            "minutes": minutes,
            "lid": lid,
            "on": today(pot.household).isoformat(),
        }
        pot.save(update_fields=["boil_off", "test"])
    return found


def forget_test(pot: Pot) -> Pot:
    pot.boil_off, pot.test = 1.0, None
    pot.save(update_fields=["boil_off", "test"])
    return pot


def add_device(household: Household, name: str, kind: str) -> tuple[Device, str]:
    """The device and its key, which is shown this once."""
    name = name.strip()
    if not name or len(name) > 40:
        raise Refusal("name", "name", "Give the device a short name.")
    if kind not in ("scale", "probe"):
        raise Refusal("kind", "kind", "A device is a scale or a probe.")
    if Device.objects.filter(household=household).count() >= MOST_DEVICES:
        raise Refusal("devices", "name", f"{MOST_DEVICES} devices are enough: take one off first.")
    key = secrets.token_urlsafe(24)
    return Device.objects.create(household=household, name=name, kind=kind, key_digest=digest(key)), key
