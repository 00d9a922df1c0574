"""What shares the grain's pot and wants more minutes than a quick grain gives it: how many, from when, and what is raw."""

from __future__ import annotations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mealshift.problems import Refusal
from mealshift.reading import read
from mealshift.shifting import Choice, shift
from mealshift.shifting.beside import early, raw_at_rest, raw_later, raw_meanwhile

from .test_laws import SLUGS, TEXTS

HEAD = "Supper\n\n300 g basmati rice\n600 ml water\n"


def of(things: str, steps: str) -> str:
    return f"{HEAD}{things}\n\n1. {steps}"


# what else goes in · the steps · the new grain's minutes · (thing, minutes before it, raw?)
EARLY = [
    # what the recipe gives it is all it wants: it lacks what the grain is quicker
    ("100 g green lentils", "Put everything in the pot, cover and simmer 25 minutes.", 12, [("green lentils", 13, False)]),
    ("100 g green lentils", "Put everything in the pot, cover and simmer 25 minutes.", 25, []),
    # fewer than two are within what a pot differs
    ("100 g green lentils", "Put everything in the pot, cover and simmer 25 minutes.", 24, []),
    ("100 g green lentils", "Put everything in the pot, cover and simmer 25 minutes.", 23, [("green lentils", 2, False)]),
    # no more than its own
    ("100 g red lentils", "Put everything in the pot, cover and simmer 40 minutes.", 5, [("red lentils", 10, False)]),
    # what it had before counts
    ("100 g green lentils", "Boil the lentils in the water for 15 minutes. Add the rice, cover and simmer 18 minutes.", 10, [("green lentils", 3, False)]),
    # raw meat wants its own time, or what the recipe gives it
    ("400 g chicken thighs", "Brown the chicken 5 minutes. Add rice and water, cover and simmer 25 minutes.", 12, [("chicken thighs", 8, True)]),
    ("400 g chicken thighs", "Brown the chicken 5 minutes. Add rice and water, cover and simmer 25 minutes.", 40, []),
    ("400 g chicken thighs", "Put the chicken, rice and water in the pot, cover and simmer 18 minutes.", 12, [("chicken thighs", 6, True)]),
    # called by its name or not, it goes in with everything, but where it is left out
    ("400 g chicken thighs", "Put everything in the pot, cover and simmer 25 minutes.", 12, [("chicken thighs", 13, True)]),
    ("400 g chicken thighs", "Combine all the ingredients in a pot, cover and simmer 25 minutes.", 12, [("chicken thighs", 13, True)]),
    ("400 g chicken thighs", "Put everything except the chicken in the pot, cover and simmer 25 minutes.", 12, []),
    # browned and taken out, it is not in there
    ("400 g chicken thighs", "Brown the chicken 5 minutes and set it aside. Add rice and water, cover and simmer 25 minutes. Serve with the chicken.", 12, []),
    # taken out and put back, by its name or with all the rest
    ("400 g chicken thighs", "Brown the chicken 5 minutes. Remove the chicken. Add rice and water. Put the chicken on top, cover and simmer 30 minutes.", 6, [("chicken thighs", 14, True)]),
    ("400 g chicken thighs", "Brown the chicken 5 minutes and set it aside. Add everything else, bring to the boil, cover and simmer 30 minutes.", 6, [("chicken thighs", 13, True)]),
    ("400 g chicken thighs", "Brown the chicken 5 minutes and set it aside. Add everything except the chicken, cover and simmer 30 minutes.", 6, []),
    ("400 g chicken thighs", "Brown the chicken 5 minutes and set it aside. Simmer everything together for 30 minutes, covered.", 6, [("chicken thighs", 13, True)]),
    ("400 g stewing beef", "Brown the beef. Add the rice and water, cover and simmer 40 minutes until the beef is tender.", 5, [("stewing beef", 34, True)]),
    # at pressure a pulse takes four tenths of its time, and what it had before counts
    ("100 g green lentils", "Put everything in the pressure cooker and cook at high pressure for 15 minutes, natural release.", 3, [("green lentils", 2, False)]),
    ("100 g green lentils", "Boil the lentils in the water for 5 minutes. Add the rice, close the pressure cooker, cook at high pressure for 12 minutes, natural release.", 2, []),
    ("100 g dried chickpeas, soaked", "Put everything in the pressure cooker and cook at high pressure for 15 minutes, natural release.", 3, [("dried chickpeas", 11, False)]),
    # frozen vegetables were blanched
    ("100 g frozen carrots", "Put the carrots, rice and water in the pot, cover and simmer 20 minutes.", 1, []),
    # another grain that had its own pot first lacks the rest of its time
    ("1/2 cup wild rice", "Cook the wild rice in a small pot of water for 35 minutes. In another pot bring the basmati and water to the boil, stir in the wild rice, cover and simmer 15 minutes.", 5, [("wild rice", 8, False)]),
    # cut small it is done in ten
    ("300 g chicken breast, thinly sliced", "Put everything in the pot, cover and simmer 25 minutes.", 8, []),
    ("300 g chicken breast, thinly sliced", "Put everything in the pot, cover and simmer 25 minutes.", 5, [("chicken breast", 5, True)]),
    # made tender first, it lacks nothing
    ("400 g stewing beef", "Simmer the beef in the water for 2 hours until tender. Add the rice, cover and simmer 18 minutes.", 5, []),
    # boiled with other things for minutes that stand behind them, and not those of the next sentence
    ("400 g chicken thighs\n1 onion\n2 bay leaves", "Boil the chicken with the onion, bay leaves, 10 minutes. Add the rice and water, cover and simmer 25 minutes.", 5, [("chicken thighs", 10, True)]),
    ("400 g chicken thighs\n1 onion\n2 bay leaves", "Boil the chicken with the onion, bay leaves. Boil the rice in the water 20 minutes, covered.", 5, [("chicken thighs", 14, True)]),
    # a second grain that stays what it is wants what the recipe gives it, cooked it wants nothing
    ("100 g wild rice", "Put the wild rice, basmati and water in the pot, cover and simmer 30 minutes.", 5, [("wild rice", 25, False)]),
    ("100 g wild rice", "Simmer the wild rice in the water for 30 minutes. Add the basmati, cover and simmer 15 minutes.", 5, [("wild rice", 40, False)]),
    ("100 g cooked wild rice", "Put the wild rice, basmati and water in the pot, cover and simmer 30 minutes.", 5, []),
    ("2 carrots", "Put the carrots, rice and water in the pot, cover and simmer 20 minutes.", 10, []),
    ("2 carrots", "Put the carrots, rice and water in the pot, cover and simmer 20 minutes.", 5, [("carrots", 7, False)]),
]  # fmt: skip


@pytest.mark.parametrize(("things", "steps", "now", "wanted"), EARLY)
def test_what_goes_in_before_a_quick_grain(things: str, steps: str, now: float, wanted: list) -> None:
    assert [(e.name, e.minutes, e.raw) for e in early(read(of(things, steps)), now)] == wanted


PARTS = "Supper\n\nFor the rice:\n300 g basmati rice\n600 ml water\n\nFor the sauce:\n400 g chicken thighs\n1 onion\n\n{steps}"


@pytest.mark.parametrize(
    ("steps", "minutes"),
    [
        # a list of its own, and one pot
        ("1. Put the chicken, rice and water in the pot, cover and simmer 25 minutes. Serve.", [20]),
        # a list and steps of its own: another dish
        ("For the rice:\n1. Cover and simmer rice and water 25 minutes.\n\nFor the sauce:\n1. Simmer the chicken with the onion 30 minutes.", []),
        ("For the sauce:\n1. Brown the chicken and the onion 5 minutes in the pot.\n\nFor the rice:\n1. Cover and simmer rice and water 25 minutes.", []),
        # … until the grain is put in with it
        ("For the sauce:\n1. Brown the chicken and the onion 5 minutes in the pot.\n\nFor the rice:\n1. Add rice and water to the chicken, cover and simmer 25 minutes.", [14]),
    ],
)  # fmt: skip
def test_what_has_a_list_of_its_own_is_in_the_pot_only_if_the_steps_put_it_there(
    steps: str, minutes: list[int]
) -> None:
    assert [e.minutes for e in early(read(PARTS.format(steps=steps)), 5)] == minutes


LATER = [
    ("400 g prawns, raw", "Simmer rice and water, covered, 12 minutes. Lay the prawns on top, cover and cook 6 minutes more.", ["prawns"]),
    ("400 g cooked prawns", "Simmer rice and water, covered, 12 minutes. Lay the prawns on top, cover and cook 6 minutes more.", []),
    ("400 g prawns, raw", "Simmer rice, prawns and water, covered, 12 minutes. Cook 6 minutes more.", []),
]  # fmt: skip


@pytest.mark.parametrize(("things", "steps", "wanted"), LATER)
def test_what_is_laid_raw_on_the_grain(things: str, steps: str, wanted: list[str]) -> None:
    recipe = read(of(things, steps))
    assert [j.line.name for j in raw_later(recipe)] == wanted
    assert [j.line.name for j in raw_meanwhile(recipe)] == wanted


def test_all_but_the_grain_goes_in_where_something_has_a_head_start() -> None:
    text = of("400 g chicken thighs", "Put everything in the pot, bring to the boil, cover and simmer 25 minutes.")
    steps = [
        st.text for st in shift(read(text.replace("basmati", "long-grain brown")), Choice("couscous")).method.steps
    ]
    assert steps[0].startswith("Put everything but the couscous in the pot.")


def test_what_is_laid_raw_into_a_cooker_at_work() -> None:
    cooker = of(
        "250 g chicken thigh",
        "Add rice and water to the rice cooker. Press cook. When it starts to steam lay the chicken on top, close the lid. When it clicks leave it 10 minutes.",
    )
    assert raw_later(read(cooker)) == ()
    assert [j.line.name for j in raw_meanwhile(read(cooker))] == ["chicken thigh"]
    before = cooker.replace(
        "Press cook. When it starts to steam lay the chicken on top, close the lid.",
        "Lay the chicken on top. Press cook.",
    )
    assert raw_meanwhile(read(before)) == ()


@pytest.mark.parametrize(
    ("steps", "done"),
    [
        ("Cover and simmer rice and water 15 minutes. Off the heat, stir in the prawns, cover, 8 minutes.", True),
        ("Cover and simmer rice, prawns and water 15 minutes. Off the heat, cover, 8 minutes.", False),
        ("Cover and simmer rice and water 15 minutes. Off the heat, cover, 8 minutes. Fry the prawns 4 minutes and serve beside it.", False),
    ],
)  # fmt: skip
def test_what_is_done_by_the_rest(steps: str, done: bool) -> None:
    assert raw_at_rest(read(of("200 g prawns, raw", steps))) is done


@settings(max_examples=25, deadline=None)
@given(st.sampled_from(sorted(TEXTS)), st.lists(st.sampled_from(SLUGS), min_size=2, max_size=4, unique=True))
def test_a_recipe_shifted_before_is_shifted_as_one_just_read(name: str, slugs: list[str]) -> None:
    """What is found once of a recipe hangs on nothing that was chosen."""
    known = read(TEXTS[name])
    try:
        for slug in slugs:
            shift(known, Choice(slug))
    except Refusal:
        return
    assert shift(known, Choice(slugs[0])) == shift(read(TEXTS[name]), Choice(slugs[0]))
