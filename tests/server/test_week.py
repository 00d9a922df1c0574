"""The week through HTTP."""

from __future__ import annotations

from datetime import date, timedelta

import vobject

from mealshift_server.week.models import Meal
from tests.core.kitchen import demo

from .test_api import post
from .test_stove import put

# a week to come, whatever day the tests run on
MONDAY = date.today() - timedelta(days=date.today().weekday()) + timedelta(days=7)


def on(n: int) -> str:
    return (MONDAY + timedelta(days=n)).isoformat()


def test_a_week_is_filled_suggested_shopped_and_planned(cook, neighbour, as_) -> None:
    client, other = as_(cook), as_(neighbour)
    ids = [post(client, "recipes", text=demo(n)).json()["id"] for n in ("01", "03", "07")]
    for day, recipe in zip((0, 2, 4), ids, strict=True):
        shown = post(client, "week/meals", on=on(day), recipe_id=recipe).json()
    assert (len(shown["meals"]), shown["shifted"], shown["target"]) == (3, 0, 2)
    put(client, "week/pace", per_week=2, grows=False)
    shown = post(client, "week/suggest", start=on(0)).json()
    assert shown["shifted"] == 2 and all(m["reason"] for m in shown["meals"] if m["shifted"])
    assert post(client, "week/suggest", start=on(0)).status_code == 422
    grains = [w for w in shown["shopping"] if " g " in w["text"]]
    assert grains and all(w["dishes"] for w in shown["shopping"])
    text = client.get(f"/api/week/shopping.txt?day={on(0)}").content.decode()
    assert all(w["text"] in text for w in shown["shopping"])
    assert client.get(f"/api/week/shopping.csv?day={on(0)}").content.decode().splitlines()[0] == "what,for"
    events = list(vobject.readOne(client.get(f"/api/week.ics?day={on(0)}").content.decode()).vevent_list)
    assert sorted(e.dtstart.value for e in events) == [MONDAY, MONDAY + timedelta(days=2), MONDAY + timedelta(days=4)]
    # a meal is moved, given a cook, kept to be planned, and put back to rice
    meal = next(m for m in shown["meals"] if m["shifted"])
    moved = put(client, f"week/meals/{meal['id']}", on=on(6), cook_id=cook.pk, minutes=45).json()
    assert next(m for m in moved["meals"] if m["id"] == meal["id"])["cook"] == "fen"
    # cooked double on purpose: twice the grain, kept anew for the evening
    keep = f"week/meals/{meal['id']}/keep"
    single = client.get(f"/api/shifts/{post(client, keep).json()['shift_id']}").json()
    assert put(client, f"week/meals/{meal['id']}", double=True).status_code == 200
    double = client.get(f"/api/shifts/{post(client, keep).json()['shift_id']}").json()
    assert abs(double["result"]["pots"][0]["dry"]["g"] - 2 * single["result"]["pots"][0]["dry"]["g"]) <= 2
    kept = post(client, f"week/meals/{meal['id']}/keep").json()["shift_id"]
    assert post(client, f"week/meals/{meal['id']}/keep").json()["shift_id"] == kept
    assert client.get(f"/api/shifts/{kept}").status_code == 200
    # as if it were off already, the list of what to buy too
    as_if = client.get(f"/api/week?day={on(0)}&without={meal['id']}").json()
    assert (len(as_if["meals"]), as_if["shifted"]) == (2, 1) and len(as_if["shopping"]) < len(shown["shopping"])
    assert put(client, f"week/meals/{meal['id']}", shifted=False).json()["shifted"] == 1
    # the week after takes the same days
    again = post(client, "week/usual", start=on(7)).json()
    assert len(again["meals"]) == 3 and again["shifted"] == 0
    # and nothing of it is the neighbour's
    assert other.get(f"/api/week?day={on(0)}").json()["meals"] == []
    assert put(other, f"week/meals/{meal['id']}", on=on(1)).status_code == 404
    assert post(other, "week/meals", on=on(1), recipe_id=ids[0]).status_code == 404
    assert put(client, f"week/meals/{meal['id']}", cook_id=neighbour.pk).status_code == 422


def test_a_week_that_cannot_be(cook, as_) -> None:
    client = as_(cook)
    recipe = post(client, "recipes", text=demo("01")).json()["id"]
    for _ in range(3):
        post(client, "week/meals", on=on(0), recipe_id=recipe)
    answers = [
        post(client, "week/meals", on=on(0), recipe_id=recipe),
        put(client, "week/pace", per_week=9, grows=False),
        post(client, "week/usual", start=on(-70)),
        put(client, f"week/meals/{Meal.objects.first().pk}", minutes=2),
        post(client, f"week/meals/{Meal.objects.first().pk}/keep"),
    ]
    for answer in answers:
        assert answer.status_code == 422 and answer.json()["text"].endswith(".")
    past = (MONDAY - timedelta(days=14)).isoformat()
    post(client, "week/meals", on=past, recipe_id=recipe)
    assert "have passed" in post(client, "week/suggest", start=past).json()["text"]
    # a recipe nobody can read is on the week all the same, and says so
    odd = post(client, "recipes", text="Supper\n\nsomething nice\n").json()["id"]
    shown = post(client, "week/meals", on=on(1), recipe_id=odd).json()
    assert next(m for m in shown["meals"] if m["recipe_id"] == odd)["trouble"].startswith("This recipe names no grain")
