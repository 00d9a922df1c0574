"""The kitchen's doors: pots, the boil-off test, devices."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any

from django.db.models import QuerySet
from django.http import HttpRequest
from django.shortcuts import get_object_or_404
from ninja import Router, Status

from mealshift_server.base.answers import BAD, MISSING
from mealshift_server.base.schemas import Trouble
from mealshift_server.households.scope import house

from . import actions, queries
from . import schemas as s
from .models import Device, Pot

router = Router(tags=["kitchen"])


def _pots(request: HttpRequest) -> QuerySet[Pot]:
    return Pot.objects.filter(household=house(request))


@router.get("/kitchen", response={200: s.KitchenOut, 401: Trouble}, tags=["kitchen"])
def kitchen(request: HttpRequest) -> Any:
    return queries.shown(house(request))


@router.put("/kitchen", response={200: s.KitchenOut, **BAD}, tags=["kitchen"])
def set_kitchen(request: HttpRequest, data: s.KitchenIn) -> Any:
    actions.set_kitchen(house(request), data.model_dump())
    return queries.shown(house(request))


@router.post("/kitchen/pots", response={201: s.PotRow, **BAD}, tags=["kitchen"])
def add_pot(request: HttpRequest, data: s.PotIn) -> Any:
    return Status(201, actions.add_pot(house(request), data.model_dump()))


@router.post("/kitchen/appliances", response={200: s.KitchenOut, **BAD}, tags=["kitchen"])
def add_appliance(request: HttpRequest, data: s.ApplianceIn) -> Any:
    actions.add_appliance(house(request), data.name)
    return queries.shown(house(request))


@router.delete("/kitchen/took", response={200: s.KitchenOut, 401: Trouble}, tags=["kitchen"])
def forget_took(request: HttpRequest) -> Any:
    actions.forget_took(house(request))
    return queries.shown(house(request))


@router.put("/kitchen/pots/{int:pot_id}", response={200: s.PotRow, **MISSING}, tags=["kitchen"])
def change_pot(request: HttpRequest, pot_id: int, data: s.PotIn) -> Any:
    return actions.change_pot(get_object_or_404(_pots(request), pk=pot_id), data.model_dump())


@router.delete("/kitchen/pots/{int:pot_id}", response={204: None, **MISSING}, tags=["kitchen"])
def drop_pot(request: HttpRequest, pot_id: int) -> Any:
    get_object_or_404(_pots(request), pk=pot_id).delete()
    return Status(204, None)


@router.post("/kitchen/pots/{int:pot_id}/boil-off", response={200: s.BoilOffOut, **MISSING}, tags=["kitchen"])
def boil_off(request: HttpRequest, pot_id: int, data: s.BoilOffIn) -> Any:
    pot = get_object_or_404(_pots(request), pk=pot_id)
    found = actions.test_boil_off(pot, data.before_ml, data.after_ml, data.minutes, data.lid, data.keep)
    return {**asdict(found), "problems": [p.as_dict() for p in found.problems], "pot": pot}


@router.delete("/kitchen/pots/{int:pot_id}/boil-off", response={200: s.PotRow, **MISSING}, tags=["kitchen"])
def forget_boil_off(request: HttpRequest, pot_id: int) -> Any:
    return actions.forget_test(get_object_or_404(_pots(request), pk=pot_id))


@router.post("/kitchen/devices", response={201: s.DeviceMade, **BAD}, tags=["kitchen"])
def add_device(request: HttpRequest, data: s.DeviceIn) -> Any:
    device, key = actions.add_device(house(request), data.name, data.kind)
    return Status(201, {"id": device.pk, "name": device.name, "kind": device.kind, "key": key})


@router.delete("/kitchen/devices/{int:device_id}", response={204: None, **MISSING}, tags=["kitchen"])
def drop_device(request: HttpRequest, device_id: int) -> Any:
    get_object_or_404(Device.objects.filter(household=house(request)), pk=device_id).delete()
    return Status(204, None)
