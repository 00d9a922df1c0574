"""What a line of a text is: the same words are a thing in one place, a step or the head of a part in another."""

from __future__ import annotations

import pytest

from mealshift.reading import structure
from mealshift.reading.intake import clean

HEAD = "Tomato pilaf with chickpeas\n"
LIST = "300 g long-grain rice\n600 ml water\n1 onion\n2 tbsp oil\n"
STEPS = "1. Fry the onion in the oil 6 minutes. Add the rice and water, bring to the boil, cover and simmer 15 minutes.\n2. Rest 10 minutes.\n"


def classes(text: str) -> dict[str, str]:
    laid = structure.lay_out(clean(text))
    return {" ".join(laid.plain[a:b].split()): cls for a, b, cls, _ in laid.classes}


# a line · the text it stands in ("{}" is the line) · what it is
PLACES = [
    ("Serves 4", HEAD + "{}\n\n" + LIST + "\n" + STEPS, "servings"),
    ("for 4", HEAD + "{}\n\n" + LIST + "\n" + STEPS, "servings"),
    ("serves 4", HEAD + LIST + "\n" + STEPS + "{}\n", "servings"),
    ("Prep 10 min | Cook 25 min", HEAD + "{}\n\n" + LIST + "\n" + STEPS, "meta"),
    ("Oven 200C / 180 fan.", HEAD + LIST + "{}\n" + STEPS, "step"),
    ("For the sauce:", HEAD + LIST + "\n{}\n200 ml stock\n1 tomato\n\n" + STEPS, "section"),
    ("Ingredients", HEAD + "\n{}\n" + LIST + "\nMethod\n" + STEPS, "heading"),
    ("Method", HEAD + "\nIngredients\n" + LIST + "\n{}\n" + STEPS, "heading"),
    ("salt", HEAD + LIST + "{}\n\n" + STEPS, "ingredient"),
    ("2 tins toms, 1 l stock, salt", HEAD + LIST + "{}\n\n" + STEPS, "ingredients"),
    ("1 1/2 c rice, 2 3/4 c stock -> 9x13, foil, 1 hr, no peeking", HEAD + "{}\nfold in parsley\n", "step"),
    ("3. Scatter the herbs over and serve.", HEAD + LIST + "\n" + STEPS + "{}\n", "step"),
    ("onions (19)", "Labels\nsalads (4)\n{}\nsoups (2)\n\n" + HEAD + "\n" + LIST + "\n" + STEPS, "chatter"),
    ("onions (2)", HEAD + "\nIngredients\n300 g long-grain rice\n600 ml water\n{}\n\nMethod\n" + STEPS, "ingredient"),
    ("Keeps 2 days in the fridge; reheat once, steaming hot.", HEAD + LIST + "\n" + STEPS + "\nNotes\n{}\n", "note"),
    ("covered with a cloth, for ten", HEAD + LIST + "\nThrow in the rice and let it boil until soft. Drain it. Set it before the fire,\n{}\nminutes, shaking now and then. Serve it. It does for a curry of five persons.\n", "step"),
    ("Hi Priti,", "{}\nas promised the rice from Saturday! So easy.\n\n" + LIST + "\n" + STEPS, "chatter"),
    ("Ratio: 1 cup of rice = 2 of stock", HEAD + "{}\n\n" + LIST + "\n" + STEPS, "note"),
    ("posted by timur_k » Sat Aug 12 9:14 pm", "Re: pilaf for a crowd\n{}\n" + LIST + "\n" + STEPS, "chatter"),
    ("@olya here you go, for an 8 litre pot:", "Pilaf for a crowd\n{}\n" + LIST + "\n" + STEPS, "chatter"),
    ("Qty | Unit | Item | Prep", "| {} |\n|---|---|---|---|\n| 300 | g | long-grain rice | rinsed |\n| 600 | ml | water | |\n| 1 | | onion | sliced |\n\n" + STEPS, "heading"),
    ("2 cups long grain rice | stir, 2 min", "Pan of the day\n| 1 onion, 2 ribs celery | soften, 8 min |\n| {} |\n| 3½ cups stock | boil, cover, low 22 min |\n", "step"),
    ("Odstaw 10 minut. Najlepsze na drugi dzień.", HEAD + LIST + "\n" + STEPS + "{}\n", "step"),
    ("4 raciones", HEAD + "{}\n" + LIST + "\n" + STEPS, "servings"),
    ("rinse it. 3 and 3/4 cups water. no salt", "Ana 17:41: 2 cups jasmine\nAna 17:42: {}\nBo 17:42: lid\nAna 17:42: boil first then lid then lowest, 14 min\nAna 17:58: off. 10 min then look\n", "step"),
    ("choy sum", "Clay pot\n\n• 1½ cups jasmine\n• 1⅔ cups water\n• 2 sausages\n• {}\n1. Rice + water in, lid, lowest heat 16 min.\n2. Off, 5 min.\n", "ingredient"),
    ("per 4 persone", HEAD + "{}\n" + LIST + "\n" + STEPS, "servings"),
    ("soak overnight (min 4 h), drain", HEAD + "300 g glutinous rice\nwater for soaking\n- {}\n- steam over hard boiling water 15 min, flip it over, 10 min more\n", "step"),
    ("Ocağı kapatın, 15 dakika demlendirin.", HEAD + LIST + "\nSıcak suyu ekleyin. Kaynayınca 12 dakika pişirin.\n{}\n", "step"),
    ("On Mon, Aya wrote:", "> {}\n> > send me the rice one?\n" + HEAD + LIST + "\n" + STEPS, "chatter"),
]  # fmt: skip


@pytest.mark.parametrize(("line", "text", "want"), PLACES)
def test_what_a_line_is(line: str, text: str, want: str) -> None:
    got = classes(text.format(line))
    shown = next(
        c
        for told, c in got.items()
        if told.replace(";", "->") == line.replace(";", "->") or told in line or line in told
    )
    assert shown == want


def test_each_line_has_one_class_and_each_letter_its_place() -> None:
    text = HEAD + "Serves 4\n\nIngredients\n" + LIST + "\nMethod\n" + STEPS + "\nNotes\nLovely cold.\n"
    laid = structure.lay_out(clean(text))
    spans = [(a, b) for a, b, _, _ in laid.classes]
    assert len(spans) == sum(bool(line.strip()) for line in text.splitlines())
    assert all(a[1] <= b[0] for a, b in zip(spans, spans[1:], strict=False))


@pytest.mark.parametrize(
    ("text", "sections"),
    [
        (HEAD + "\nRICE: 300 g rice, 600 ml water\nBEANS: 400 g beans, 2 l water\n\n" + STEPS, {"BEANS"}),
        (HEAD + "\nFor the rice:\n" + LIST + "\nFor the sauce: 2 tbsp oil, 4 cloves garlic\n\n" + STEPS, {"For the rice", "For the sauce"}),
        # a label over a list of the one pot parts nothing from it
        (HEAD + "\n" + LIST + "Blend: 4 peppers, 2 onions, 1 tomato\n\n" + STEPS, {""}),
    ],
)  # fmt: skip
def test_a_part_named_on_its_own_line(text: str, sections: set[str]) -> None:
    laid = structure.lay_out(clean(text))
    assert sections <= {piece.section for piece, _ in laid.lines}


def test_steps_of_one_way_stand_under_its_name() -> None:
    ways = (
        HEAD
        + LIST
        + "\nStovetop\n1. Boil, cover, simmer 15 minutes.\n\nMicrowave\n1. Full power 5 minutes, half power 12.\n"
    )
    laid = structure.lay_out(clean(ways))
    assert [piece.section for piece in laid.steps] == ["Stovetop", "Microwave"]
