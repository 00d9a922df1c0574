"""The kitchen's doors: pots, the boil-off test, devices."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any

from django.db.models import QuerySet
from django.http import HttpRequest
from django.shortcuts import get_object_or_404
from ninja import Router, Status

from mealshift.cooking.took import said as said_of
from mealshift_server.base.answers import BAD, MISSING
from mealshift_server.base.schemas import Trouble
from mealshift_server.households.scope import house

from . import actions as kitchens
from . import schemas as s
from .models import Device, Kitchen, Pot

router = Router(tags=["kitchen"])


def _pots(request: HttpRequest) -> QuerySet[Pot]:
    return Pot.objects.filter(household=house(request))


def _kitchen(request: HttpRequest) -> dict[str, Any]:
    h = house(request)
    row = kitchens.kitchen_row(h)
    shown = row or Kitchen(burners=[1200.0, 1200.0])
    return {
        "said": row is not None,
        "burners": shown.burners,
        "time_zone": h.time_zone,
        "pots": list(_pots(request)),
        "devices": list(Device.objects.filter(household=h)),
        **{f: getattr(shown, f) for f in kitchens.FIELDS},
        "took": said_of(kitchens.took_here(h)),
    }


@router.get("/kitchen", response={200: s.KitchenOut, 401: Trouble}, tags=["kitchen"])
def kitchen(request: HttpRequest) -> Any:
    return _kitchen(request)


@router.put("/kitchen", response={200: s.KitchenOut, **BAD}, tags=["kitchen"])
def set_kitchen(request: HttpRequest, data: s.KitchenIn) -> Any:
    kitchens.set_kitchen(house(request), data.model_dump())
    return _kitchen(request)


@router.post("/kitchen/pots", response={201: s.PotRow, **BAD}, tags=["kitchen"])
def add_pot(request: HttpRequest, data: s.PotIn) -> Any:
    return Status(201, kitchens.add_pot(house(request), data.model_dump()))


@router.post("/kitchen/appliances", response={200: s.KitchenOut, **BAD}, tags=["kitchen"])
def add_appliance(request: HttpRequest, data: s.ApplianceIn) -> Any:
    kitchens.add_appliance(house(request), data.name)
    return _kitchen(request)


@router.delete("/kitchen/took", response={200: s.KitchenOut, 401: Trouble}, tags=["kitchen"])
def forget_took(request: HttpRequest) -> Any:
    kitchens.forget_took(house(request))
    return _kitchen(request)


@router.put("/kitchen/pots/{int:pot_id}", response={200: s.PotRow, **MISSING}, tags=["kitchen"])
def change_pot(request: HttpRequest, pot_id: int, data: s.PotIn) -> Any:
    return kitchens.change_pot(get_object_or_404(_pots(request), pk=pot_id), data.model_dump())


@router.delete("/kitchen/pots/{int:pot_id}", response={204: None, **MISSING}, tags=["kitchen"])
def drop_pot(request: HttpRequest, pot_id: int) -> Any:
    get_object_or_404(_pots(request), pk=pot_id).delete()
    return Status(204, None)


@router.post("/kitchen/pots/{int:pot_id}/boil-off", response={200: s.BoilOffOut, **MISSING}, tags=["kitchen"])
def boil_off(request: HttpRequest, pot_id: int, data: s.BoilOffIn) -> Any:
    pot = get_object_or_404(_pots(request), pk=pot_id)
    found = kitchens.test_boil_off(pot, data.before_ml, data.after_ml, data.minutes, data.lid, data.keep)
    return {**asdict(found), "problems": [p.as_dict() for p in found.problems], "pot": pot}


@router.delete("/kitchen/pots/{int:pot_id}/boil-off", response={200: s.PotRow, **MISSING}, tags=["kitchen"])
def forget_boil_off(request: HttpRequest, pot_id: int) -> Any:
    return kitchens.forget_test(get_object_or_404(_pots(request), pk=pot_id))


@router.post("/kitchen/devices", response={201: s.DeviceMade, **BAD}, tags=["kitchen"])
def add_device(request: HttpRequest, data: s.DeviceIn) -> Any:
    device, key = kitchens.add_device(house(request), data.name, data.kind)
    return Status(201, {"id": device.pk, "name": device.name, "kind": device.kind, "key": key})


@router.delete("/kitchen/devices/{int:device_id}", response={204: None, **MISSING}, tags=["kitchen"])
def drop_device(request: HttpRequest, device_id: int) -> Any:
    get_object_or_404(Device.objects.filter(household=house(request)), pk=device_id).delete()
    return Status(204, None)
