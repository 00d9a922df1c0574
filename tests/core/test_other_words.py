"""One pan told in other words: its minutes, its water, its way and its eaters are the same, and the new text holds nothing of the old pot."""

from __future__ import annotations

import pytest

from mealshift import pipeline
from mealshift.pipeline import read_once
from mealshift.shifting import Choice
from mealshift.writing.text import recipe_alone

PAN = """Pan with peas
{serves}

Ingredients
1 onion, chopped
2 tbsp butter
300 g basmati rice
{liquid}
1 tsp salt
150 g peas

Method
{steps}
Stir through the peas and serve.
"""
FRIED = "Soften the onion in the butter, 6 minutes. Stir in the rice and cook for 2 minutes.\n"


def pan(steps: str, liquid: str = "600 ml hot stock", serves: str = "Serves 4", fried: bool = True) -> str:
    return PAN.format(steps=(FRIED if fried else "") + steps, liquid=liquid, serves=serves)


def written(text: str, method: str | None = None) -> str:
    choice = Choice("quinoa", **({"method": method} if method else {}))
    made = pipeline.whole_way(text, choice)
    assert made["laws"] == []
    return recipe_alone(made).split("Method\n")[1]


BOILS = "Pour in the stock, bring to the boil, cover"
# what is told behind it; minutes at the heat and of rest; what the new text says, and what it no longer does
MINUTES = (
    (" and cook over a very low flame for a quarter of an hour. Ten minutes off the heat and it's done.", 15, 10, "flame for 17 minutes", "quarter"),
    (". Twelve minutes on low, ten off.", 12, 10, "5 minutes off.", "ten off"),
    (", low, 15 minutes; 10 minutes off.", 15, 10, "5 minutes off.", "10 minutes"),
    (" and cook 15 minutes plus 10 minutes standing.", 15, 10, "cook 17 minutes plus 5 minutes standing. Look:", "15 minutes"),
    (", cook for 15 + rest for 10 min.", 15, 10, "cook for 17 + rest for 5 min. Look:", "15"),
    (", and for the next 15 minutes leave it alone over a low heat.", 15, None, "for the next 17 minutes leave it alone", "15"),
    (", simmer 15 minutes. A ten minute rest makes all the difference.", 15, 10, "A 5 minute rest makes", " ten "),
    (", simmer 15 minutes. Wrap the lid in a towel and put it back for 10 minutes.", 15, 10, "put it back for 5 minutes", "10"),
    (", simmer 15 minutes. The residual heat finishes it in 10 minutes.", 15, 10, "finishes it in 5 minutes", "10"),
    (", simmer 15 minutes. It will keep hot for 30 minutes with the lid on.", 15, None, "keep hot for 30 minutes", "15"),
    (", simmer 15 minutes. With 5 minutes to go, scatter the chives on. Off; rest 5 minutes.", 15, 5, "17 minutes. With 5 minutes to go, scatter", "15"),
    (", simmer 15 minutes. When the rice has had 10 minutes, throw in the chives. Rest 5 minutes off the heat.", 15, 5, "has had 12 minutes", "15"),
    (", simmer 15 minutes. Microwave the peas for 2 minutes and fork them in after the rice has rested for 5 minutes.", 15, 5, "Microwave the peas for 2 minutes", "15"),
)  # fmt: skip


@pytest.mark.parametrize(("told", "heat", "rest", "now", "gone"), MINUTES)
def test_minutes_in_other_words(told: str, heat: float, rest: float | None, now: str, gone: str) -> None:
    text = pan(BOILS + told)
    read = read_once(text)
    assert (read.simmer_min, read.rest_min) == (heat, rest)
    new = written(text)
    assert now in new and gone not in new


def test_a_boil_that_takes_minutes_of_its_own_is_no_simmer() -> None:
    text = pan("Pour in the stock, bring to the boil over high heat, 3-4 mins. Reduce heat, cover, 15 mins.")
    assert read_once(text).simmer_min == 15
    assert "over high heat, 3-4 mins. Reduce heat, cover, 17 mins." in written(text)
    # longer than what follows, it may as well be its cooking
    assert read_once(text.replace("3-4 mins", "20 mins")).simmer_min != 15


SOAKS = (
    ("Put the rice in a bowl, cover with cold water and forget it for half an hour. Drain.", 30),
    ("Start with the rice: into cold water it goes for 30 minutes, then into a sieve.", 30),
    ("An hour before you want to cook, put the rice to soak.", 60),
    # what is rinsed soaks not, and what drips no more
    ("Rinse the rice under cold water for 2 minutes, then drain.", 0),
    ("Rinse the rice in cold water and leave it to drip for 30 minutes.", 0),
)


@pytest.mark.parametrize(("told", "soak"), SOAKS)
def test_soaks_in_other_words(told: str, soak: float) -> None:
    text = pan(
        f"{told}\nSoften the onion in the butter. Add the rice and the stock, boil, cover, simmer 15 minutes.",
        fried=False,
    )
    read = read_once(text)
    assert (read.soak_min, read.simmer_min) == (soak, 15)


COOKS = " Bring to the boil, cover, simmer 15 minutes."
WATER = (
    # the list's line, the step; millilitres poured; what the new step or list says
    ("", "Add one and a half times its volume of water.", 577, "Add 640 ml water."),
    ("", "Add two and a half times its weight of water.", 750, "Add 830 ml water."),
    ("", "Add 1.5 times the weight of the rice in water.", 450, "Add 510 ml water."),
    ("", "Add water (2 parts to 1 of rice).", 769, "Add water 850 ml."),
    ("", "Add water in the ratio 1:1.5.", 577, "Add water 640 ml."),
    ("1 stock cube, dissolved in 600 ml boiling water", "Add the stock.", 600, "Add the stock."),
    ("1 stock pot", "Stir in the stock pot and 600 ml boiling water.", 600, "670 ml boiling water"),
    ("400 ml tin coconut milk", "Pour in the coconut milk and a tinful of water.", 688, "milk and 475 ml water."),
    ("400 ml tin coconut milk", "Pour in the coconut milk, then fill the tin three quarters with water and add that too.", 588, "then measure 370 ml water and add"),
    ("400 g tin chopped tomatoes", "Add the tomatoes and half a tinful of water.", 423, "tomatoes and 255 ml water."),
    ("", "Tip in 600 ml stock; if it looks dry later add a splash more water.", 600, "Tip in 670 ml stock; if it looks dry"),
    ("", "Deglaze with a splash of water, then pour in 600 ml water.", 600, "then pour in 670 ml water."),
    ("", "Add a glass of water (200 ml) and let it cook away with the onions. Add 600 ml water.", 600, "Add a glass of water (200 ml) and let it cook away with the onions. Add 670 ml water."),
    # no other water comes: it is the grain's
    ("", "Add 600 ml water, cook until the water has gone, 5 minutes.", 600, "Add 660 ml water"),
    # what the mushrooms are soaked in is a part of it, and no measure of the pot's
    ("1 litre stock", "Pour 600 ml of the stock over the dried mushrooms and soak them. Add the stock and the mushrooms.", 1000, "Add the stock and the mushrooms."),
    ("1 litre water", "Add 600 ml of the water.", 600, "Add 670 ml of the water."),
    ("1 litre hot stock", "Pour 600ml of stock over the rice.", 600, "Pour 670 ml of stock over the quinoa."),
    # all of it goes in, if not at once
    ("1 litre hot stock", "Add 500 ml of the stock and let it drink, then pour in the remaining stock.", 1000, "the remaining stock"),
    ("1 litre hot stock", "Add 500 ml of the stock, stir, and add the rest bit by bit.", 1000, "add the rest"),
    ("400 ml dry cider and 200 ml stock", "Pour in the liquid.", 600, "Pour in the liquid."),
    ("300 ml stock, and the same of water", "Pour in the stock and water.", 600, "Pour in the stock and water."),
)  # fmt: skip


@pytest.mark.parametrize(("line", "step", "ml", "now"), WATER)
def test_water_in_other_words(line: str, step: str, ml: float, now: str) -> None:
    text = pan(step + COOKS, line)
    read = read_once(text)
    poured = sum(ln.ml or 0.0 for ln in read.lines if ln.role == "pot_liquid")
    # milk and tomatoes are counted by the water in them
    assert read.liquid_water_ml == pytest.approx(ml, rel=0.03) or poured == pytest.approx(ml, rel=0.03)
    assert now in written(text)


def test_what_is_bought_and_not_all_poured_stays_on_the_list() -> None:
    made = pipeline.whole_way(pan("Add 600 ml of the water." + COOKS, "1 litre water"), Choice("quinoa"))
    assert "- 1 litre water\n" in recipe_alone(made) and "top up" not in recipe_alone(made)
    short = pipeline.whole_way(pan("Add 950 ml of the water." + COOKS, "1 litre water"), Choice("quinoa"))
    assert "top up with water if short" in recipe_alone(short)


WAYS = (
    ("Add the rice and the stock. Cover and cook in the oven (gas 5) until the liquid is absorbed, 25 minutes.", "oven"),
    ("Everything in the dish, foil on, 1 hour at 180.", "oven"),
    ("Add the hot stock a ladle at a time, stirring, about 18 minutes in all. Off the heat, cover for 2 minutes.", "open"),
    ("Seal and cook on Manual for 6 minutes. Wait 10 minutes, then vent the rest of the steam.", "electric-pressure"),
    ("Rice cooker: rice and stock, normal cycle (40 minutes).", "rice-cooker"),
    # the peas' own, and the next day's
    ("Pour in the stock, boil, lid, lowest, 12 min. Box up, fridge. Eat within 2 days, microwave 3 min till piping hot.", "covered"),
    ("Pour in the stock, boil, cover, simmer 15 minutes. Microwave the peas for 2 minutes.", "covered"),
)  # fmt: skip


@pytest.mark.parametrize(("steps", "method"), WAYS)
def test_ways_in_other_words(steps: str, method: str) -> None:
    read = read_once(pan(steps))
    assert read.method == method


def test_what_vents_is_pressure_let_down_and_no_rest() -> None:
    read = read_once(pan("Seal and cook on Manual for 6 minutes. Wait 10 minutes, then vent the rest of the steam."))
    assert (read.release_min, read.rest_min) == (10, None)


def test_no_crumb_is_left() -> None:
    milk = pan("Bring the stock to a simmer. Rain in the rice, stirring, and cook gently for 30 minutes.", fried=False)
    rained = recipe_alone(pipeline.whole_way(milk, Choice("millet-grits")))
    assert "stirring all the while. Cook gently" in rained
    soup = pan(BOILS + ", simmer 15 minutes. It thickens as it stands: let it down with water when you reheat it.")
    assert "when you reheat it." in written(soup)
    bracket = pan(BOILS + ", simmer 15 minutes.").replace("basmati rice", "basmati rice (not rinsed)")
    assert "- 277 g quinoa\n" in recipe_alone(pipeline.whole_way(bracket, Choice("quinoa")))


EATERS = (
    ("Serves 2 adults and 3 kids", 5),
    ("2 adults, 2 kids", 4),
    ("Serves 4 adults or 2 adults and 3 kids", 4),
    ("Servings4", 4),
    # rolls or eaters
    ("Makes about 12", 12),
    ("Serves 2 as a main or 4 as a side", 2),
)


@pytest.mark.parametrize(("said", "many"), EATERS)
def test_eaters_in_other_words(said: str, many: float) -> None:
    read = read_once(pan(BOILS + ", simmer 15 minutes.", serves=said))
    assert read.servings == many
    # who knows how much the children eat
    assert any(d.field == "servings" for d in read.doubts) == (many in (5, 12) or said == "2 adults, 2 kids")


TONGUES = {
    "de": "Erbsenpfanne\nFür 4 Personen\n\nZutaten\n300 g Basmatireis\n600 ml Gemüsebrühe\n150 g Erbsen\n\nZubereitung\n{}\nDie Erbsen unterheben und servieren.\n",
    "fr": "Poêlée aux petits pois\nPour 4 personnes\n\nIngrédients\n300 g de riz basmati\n600 ml de bouillon de légumes\n150 g de petits pois\n\nPréparation\n{}\nAjouter les petits pois et servir.\n",
    "es": "Arroz con guisantes\nPara 4 personas\n\nIngredientes\n300 g de arroz basmati\n600 ml de caldo de verduras\n150 g de guisantes\n\nPreparación\n{}\nAñadir los guisantes y servir.\n",
    "it": "Riso con piselli\nPer 4 persone\n\nIngredienti\n300 g di riso basmati\n600 ml di brodo vegetale\n150 g di piselli\n\nPreparazione\n{}\nUnire i piselli e servire.\n",
    "nl": "Rijst met doperwten\nVoor 4 personen\n\nIngrediënten\n300 g basmatirijst\n600 ml groentebouillon\n150 g doperwten\n\nBereiding\n{}\nSchep de doperwten erdoor en serveer.\n",
    "pt": "Arroz com ervilhas\nPara 4 pessoas\n\nIngredientes\n300 g de arroz basmati\n600 ml de caldo de legumes\n150 g de ervilhas\n\nModo de preparo\n{}\nJunte as ervilhas e sirva.\n",
}
# minutes of soak, heat and rest; what the new text says
ABROAD = (
    ("de", "Den Reis in die Brühe geben, aufkochen und in einer guten Viertelstunde gar ziehen lassen.", 0, 15, None, "in 17 Minuten gar ziehen"),
    ("de", "Reis und Brühe zum Kochen bringen (ca. 4 Minuten), dann zugedeckt 15 Minuten bei schwacher Hitze garen.", 0, 15, None, "(ca. 4 Minuten), dann zugedeckt 17 Minuten"),
    ("de", "Reis in eine Schüssel geben, mit kaltem Wasser bedecken und eine halbe Stunde stehen lassen. Abgießen.\nReis und Brühe aufkochen, zugedeckt 15 Minuten garen.", 30, 15, None, "zugedeckt 17 Minuten"),
    ("fr", "Ajouter le riz et le bouillon chaud, couvrir et laisser cuire un quart d'heure à petit feu.", 0, 15, None, "laisser cuire 17 minutes à petit feu"),
    ("fr", "Verser le bouillon sur le riz, porter à ébullition, couvrir, cuire 15 minutes. Couper le feu, glisser un torchon sous le couvercle, attendre 10 minutes.", 0, 15, 10, "attendre 5 minutes"),
    ("es", "Lavar el arroz y dejarlo en remojo media hora. Escurrir.\nAñadir el arroz y el caldo, hervir, tapar, cocer 15 minutos.", 30, 15, None, "cocer 17 minutos"),
    ("es", "Añadir el arroz y el caldo, llevar a ebullición, tapar, 15 minutos. A falta de 5 minutos, añadir el perejil. Dejar reposar 5 minutos.", 0, 15, 5, "A falta de 5 minutos, añadir el perejil"),
    ("it", "Aggiungere il riso e il brodo, coprire e far cuocere a fiamma dolce un quarto d'ora circa.", 0, 15, None, "a fiamma dolce 17 minuti"),
    ("it", "Versare il riso nel brodo, coprire, cuocere 15 minuti. A 5 minuti dalla fine aggiungere il prezzemolo. Far riposare 5 minuti.", 0, 15, 5, "A 5 minuti dalla fine"),
    ("it", "Sciacquare il riso e lasciarlo a bagno mezz'ora, poi scolare.\nUnire il riso e il brodo, portare a bollore, coprire, cuocere 15 minuti.", 30, 15, None, "cuocere 17 minuti"),
    ("nl", "Voeg rijst en bouillon toe, breng aan de kook en laat afgedekt op laag vuur in een kwartier gaar worden.", 0, 15, None, "in 17 minuten gaar worden"),
    ("pt", "Lave o arroz e deixe de molho meia hora. Escorra.\nJunte o arroz e o caldo, ferva, tampe, cozinhe 15 minutos.", 30, 15, None, "cozinhe 17 minutos"),
)  # fmt: skip


@pytest.mark.parametrize(("tongue", "steps", "soak", "heat", "rest", "now"), ABROAD)
def test_minutes_in_other_tongues(
    tongue: str, steps: str, soak: float, heat: float, rest: float | None, now: str
) -> None:
    text = TONGUES[tongue].format(steps)
    read = read_once(text)
    assert (read.soak_min, read.simmer_min, read.rest_min, read.servings) == (soak, heat, rest, 4)
    told = recipe_alone(pipeline.whole_way(text, Choice("quinoa")))
    assert now in told
    # the last line is a step, and the heading of the steps none of them
    assert "Preparazione" not in told and "Bereiding" not in told
    assert any(w in told.lower() for w in ("servir", "servier", "serveer", "sirva"))
