"""What the grain's pot drinks: of the list's liquids, of what the steps pour, and of what is told by its sum."""

from __future__ import annotations

import pytest

from mealshift import pipeline
from mealshift.reading import read

# the list · the steps · the way · the water it brings, ml
POTS = [
    ("300 g long-grain rice\n600 ml water", "Bring the water to the boil, add the rice, cover and simmer 15 minutes.", "covered", 600),
    ("300 g long-grain rice", "Put the rice in a pot with 600 ml water, bring to the boil, cover and simmer 15 minutes.", "covered", 600),
    ("300 g long-grain rice\n450 ml stock\n150 ml water", "Add the rice, stock and water, boil, cover, simmer 15 minutes.", "covered", 591),
    # another dish's own
    ("For the rice:\n300 g long-grain rice\n600 ml water\n\nFor the sauce:\n200 ml stock\n1 onion", "Boil the rice in the water, covered, 15 minutes.\nSimmer the sauce's onion and stock 10 minutes.", "covered", 600),
    ("RICE: 300 g long-grain rice, 600 ml water\nBEANS: 400 g beans, 2 l water", "Beans: simmer 1 hour.\nRice: boil, cover, low 15 minutes.", "covered", 600),
    # by its sum
    ("350 g basmati\n300 ml milk\n1 fish", "Poach the fish in the milk 8 minutes. Make the milk up to 600 ml with water, add the rice, boil, cover and simmer 12 minutes.", "covered", 600),
    ("360 g paella rice\n1.5 l water\n1 leek", "Simmer the leek in the water 25 minutes, strain. You want 1.1 l; keep it hot. Add the rice to the stock, cook 17 minutes uncovered.", "open", 1078),
    ("300 g long-grain rice\n1 chicken\n3 l water", "Boil the chicken in the water 1 hour. Strain. 700 ml. Add the rice to it, boil, cover and simmer 15 minutes.", "covered", 686),
    ("300 g long-grain rice\n1 ham hock\n2 l water", "Simmer the hock 1 hour. Measure the broth: 600 ml. Rice in. Boil, cover, 15 minutes.", "covered", 588),
    ("300 g long-grain rice\n1 chicken\n3 l water", "Boil the chicken in the water 1 hour. Keep the broth! You need 700 ml. Add the rice to it, boil, cover and simmer 15 minutes.", "covered", 686),
    ("250 g basmati\n400 g smoked fish", "Poach the fish in 500 ml milk and water 8 minutes. Lift out, keep the liquor.\nRice in butter, 400 ml of the liquor, lid on, lowest 12 minutes.", "covered", 400),
    ("60 g long-grain rice\n1 carcass", "1 carcass, 2½ litres water, simmered 2 hours. Strain.\n1.5 litres of the stock, the rice. Simmer 20 minutes.", "open", 1470),
    ("300 g short-grain rice\nDashi\n200 g oysters", "Simmer the oysters 2 minutes. Keep the liquor.\nLiquor + dashi = 400 ml. Rice and this into the pot, boil, lid, low 15 minutes.", "covered", 400),
    ("3 cups long-grain rice\n1 can (400 ml) coconut milk + water = 4 cups", "All in the pot, boil, lid on, lowest heat 18 minutes.", "covered", 836),
    ("8 cups chicken stock\n2 cups long-grain rice\n6 pork chops", "Rice: bring 4 cups of the stock to a boil, stir in the rice, cover, low 18 minutes.\nChops: brown, add the other 4 cups stock, simmer 40 minutes.", "covered", 929),
    ("2 cups long-grain rice\n1 cup dried beans\n6 cups water", "Cook the beans in the 6 cups of water 1 hour. Keep the water.\nFry the rice 2 minutes.\nAdd the beans with 3 cups of their water. When it boils, cover, lowest heat 20 minutes.", "covered", 711),
    ("2 tazas de arroz de grano largo\n1 taza de frijoles negros\n6 tazas de agua", "Cocer los frijoles con las 6 tazas de agua 1 hora. Guardar el agua.\nSofreír el arroz 2 min.\nAgregar los frijoles con 3 tazas de su agua. Tapar, fuego bajo, 20 minutos.", "covered", 720),
    # of another pot
    ("1 cup brown rice\n½ cup lentils", "Boil the rice in 2½ cups of water, covered, 40 minutes.\nIn another pan cook the lentils in 3 cups of water for 25 minutes. Drain.\nMix and serve.", "covered", 593),
    ("1 cup brown rice\n½ cup lentils", "Boil the rice in 2½ cups of water, covered, 40 minutes.\nBoil the lentils separately in 3 cups water for 25 minutes. Drain.\nMix and serve.", "covered", 593),
    ("1 c long-grain rice\n1 lb ground pork\nSAUCE: 1 c water, 2 T brown sugar", "Cook the rice in 1½ c water for 15 minutes, covered. Mix with the pork.", "covered", 356),
    ("", "STICKY RICE: 300 g glutinous rice. Put in a pot with 350 ml water, boil, cover, low 15 minutes.\nMINCE: 400 g pork mince, 60 ml water, 2 tbsp fish sauce. Cook the mince in the water 5 minutes.", "covered", 350),
    ("8 drumsticks\n1 cup water\n1½ cups jasmine rice, 2 cups water", "Brown the drumsticks, pour over the cup of water, simmer 30 minutes.\nRice: bring rice and water to the boil, cover, lowest 15 minutes.", "covered", 474),
    ("300 g basmati\n900 g lamb", "Lamb in oil, 3 cups water, lid, low, 2 hours.\nBig pot of water, boil. Rice in, boil 9 minutes. Drain.", "drain", 0),
    # by the tin, by what covers it, in the milk of a tin
    ("1.5 cups jasmine rice\n1 can coconut milk 400 ml, plus fill can halfway w water\n1 tsp salt", "Everything in the pot, boil, lid on, lowest heat 18 minutes.", "covered", 488),
    ("300 g medium-grain rice\n1 kg lamb\n3 carrots", "Brown the lamb. Water to cover by 2 cm (about 1.2 l). Simmer 40 minutes. Add the rice on top, lid, lowest heat 25 minutes.", "covered", 1200),
    ("300 g medium-grain rice\n1 kg lamb\n3 carrots", "Brown the lamb with 2 tbsp oil. Water to cover by 2 cm (about 1.2 l). Simmer 40 minutes. Add the rice on top, lid, lowest heat 25 minutes.", "covered", 1200),
    ("120 g pudding rice\n1 l milk\n1 tin (397 g) sweetened condensed milk", "Simmer the rice in the milk 40 minutes, stirring. Stir in the condensed milk, 5 minutes.", "open", 977),
    # in other tongues the grain goes in as late
    ("Arroz bomba 400 g\nPollo 800 g\nAgua 1,3 l\nAceite 80 ml", "Sofreír el pollo 20 min. Agua; hervir 25 min. Arroz en cruz, repartir. Fuego fuerte 8 min, bajo 10 min. Reposar 5 min.", "open", 1300),
    # thrown away, or not the pot's
    ("300 g long-grain rice\n600 ml water", "Soak the rice in plenty of cold water 30 minutes, drain. Add the rice and the 600 ml water, boil, cover, simmer 12 minutes.", "covered", 600),
    ("300 g basmati\n3 l water\n2 tbsp salt", "Bring the water to a rolling boil with the salt, boil the rice 8 minutes. Drain. Back in the pot, lid, lowest, 10 minutes.", "drain", 3000),
    # each dish has its own, under its name
    ("GOULASH\n800 g beef\n500 ml beef stock\n\nBrown the beef, add the stock, lid on, 2 hours.\n\nTHE RICE\n450 g long-grain rice\n900 ml water", "Rice and water, bring to the boil, lid on, lowest, 16 minutes.", "covered", 900),
    ("Stock : 1 litre\nBasmati : 400 g\nMutton : 500 g", "Boil the mutton in 5 cups water 40 minutes. Strain.\nAdd the stock to the mutton. When it boils add the rice, cover, 15 minutes.", "covered", 980),
    # where it only says what in, and what over
    ("300 g basmati", "Bring a large pot of salted water to the boil, rice in, 6 minutes, drain. Back in the pot, 1/4 cup water over, lid, lowest 30 minutes.", "drain", 0),
    ("2 cups sticky rice", "Soak overnight, drain. Into a basket over a pot of boiling water, cover, steam 25 minutes.", "steam", 0),
    # told behind its name, as a part of it, as what stands ready, or cut by the page
    ("3 cups rice", "Fry an onion. Water 5 cups. When it boils put the rice, cover, low 20 minutes.", "covered", 1185),
    ("2 cups rice\n1 can (8 oz) tomato sauce", "Blend an onion with a bit of water from the 4 cups. Rice in oil till golden, then the rest of the water, cover, low 20 minutes.", "covered", 1160),
    ("320 g risotto rice", "The broth must be boiling in another pot: keep 1.2 litres ready. Rice in butter 2 minutes, a ladle at a time, stirring, 17 minutes.", "open", 1176),
    ("225 g long-grain\n   rice\n600 ml (1 pint) chicken\n   stock", "Rice and stock, bring to the boil, cover, simmer 15 minutes.", "covered", 588),
    # what only stands beside it
    ("1 cup rice\n2 cups water\n1 cup water, to soak the raisins\n1/4 cup raisins", "Soak the raisins in their cup of water. Boil the rice in the 2 cups of water, covered, 15 minutes.", "covered", 474),
]  # fmt: skip


@pytest.mark.parametrize(("listed", "steps", "way", "ml"), POTS)
def test_the_pots_own_water(listed: str, steps: str, way: str, ml: float) -> None:
    numbered = "\n".join(f"{n}. {s}" for n, s in enumerate(steps.split("\n"), 1))
    read_ = pipeline.read_report(read(f"A pot of it\nServes 4\n\n{listed}\n\n{numbered}\n"))
    asked = {d["field"] for d in read_["doubts"]}
    # right, or asked: never wrong without a doubt
    assert read_["liquid_water_ml"] == pytest.approx(ml, rel=0.03) or "water" in asked, read_["liquid_water_ml"]
    assert read_["method"] == way or "method" in asked, read_["method"]


@pytest.mark.parametrize(
    ("steps", "way"),
    [
        ("Put the rice and water in the rice cooker and press cook. When it clicks leave it 10 minutes.", "rice-cooker"),
        ("Instant Pot: rice and water in, lid on, HIGH pressure 4 minutes, natural release 10.", "electric-pressure"),
        ("Pressure cook for 2 whistles. Let the pressure drop by itself.", "pressure"),
        ("Brown it in the open cooker 5 minutes. Rice, water. Lid, bring to high pressure, 6 min exactly. Release.", "pressure"),
        ("Rice and water in a bowl, microwave on full power 5 minutes, then half power 12 minutes. Stand 5.", "microwave"),
        ("Heat the oven to 190C. Rice and boiling water in a dish, foil, bake 35 minutes.", "oven"),
        ("Rice, water in a 9 x 13 pan. Foil. 325° for 1 hr. Do not peek.", "oven"),
        ("Boil the rice in plenty of salted water 12 minutes, drain.", "drain"),
        ("Soak the rice, drain. Boil the water, add the rice, cover, lowest heat 12 minutes. Off, 10.", "covered"),
        ("Rice and water in the clay pot, both lids. Medium heat 13 minutes until steam comes from the hole. Off, 20.", "covered"),
        ("Simmer the rice in the water, uncovered, 20 minutes, stirring often.", "open"),
        ("Wash until clear, cook on Regular. Fold in the peas.", "rice-cooker"),
        ("Drain 15 minutes in a sieve. Cooker on sushi setting. When it beeps leave 10 minutes.", "rice-cooker"),
        ("Boil the water, add the rice, lid ajar, 40 minutes. Keep covered 10 minutes. Pressure cook the green gram with salt for 3 whistles.", "covered"),
        ("Steam the soaked rice in a muslin-lined steamer over boiling water 25 minutes.", "steam"),
    ],
)  # fmt: skip
def test_the_way_it_is_cooked(steps: str, way: str) -> None:
    text = f"A pot of it\nServes 4\n\n300 g long-grain rice\n600 ml water\n1 tsp salt\n\n1. {steps}\n"
    read_ = pipeline.read_report(read(text))
    assert read_["method"] == way
