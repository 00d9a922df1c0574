"""What the words beside a stretch say outright, against a tagger that thinks otherwise. A rule without a sentence here fails the last test."""

from __future__ import annotations

import pytest

from mealshift.reading.clauses import clauses
from mealshift.reading.entry import entry
from mealshift.reading.minutes import places_of
from mealshift.reading.told_minutes import RULES, Block, Place, Timed, together, told

# step · what the stretches before the last were settled as · what the tagger thinks of the last · what its words say. "~": the tagger's own word stays possible
SAID = [
    ("Add everything to the pot. Cook on manual (high pressure) for 5 minutes.", "", "pan", "heat~"),
    ("Cook on high pressure for 5 minutes for the blend (25 minutes for 100% wild rice).", "heat", "heat", "other"),
    ("Bring to the boil, cover, simmer 15 min. Off the heat, keep covered 5 min; fluff.\nFry the kale 3 min. Add the rice, fry 5 minutes undisturbed so it crisps.", "heat rest other", "rest", "other~"),
    ("Chicken on top skin up. Lid on, oven 25 min; lid off 10 min. Rest a while.", "heat", "rest", "heat~"),
    ("Drain the rice, add it to the milk. Keep stirring, 45 min low flame till thick. Sugar, cardamom, 5 more min.", "heat", "rest", "heat~"),
    ("Boil the rice 6 minutes, strain. Mix the vegetables with yoghurt; cook 8 mins until almost tender. Layer them with the rice.", "heat", "heat", "other~"),
    ("Turn it down, cover it, twenty minutes. If yuh want it grainy give it ten minutes more.", "heat", "heat", "other"),
    ("Boil the soaked rice in plenty of salted water with the spices for 6 minutes and drain.", "", "soak", "heat~"),
    ("Boil the soaked rice in plenty of salted water with the spices for 6 minutes and drain.", "", "heat", "heat"),
    ("Dry roast the semolina on a low flame for 5 mins until it smells nutty.", "", "heat", "toast"),
    ("Night before: rinse the rice, cook it in the rice cooker.", "", "heat", "other~"),
    ("Roast the semolina 5 min, keep aside. Soften the onion. Add the carrots, a little water, cover and cook for 5 mins. Add the semolina.", "toast", "heat", "other"),
    ("Rice and water: boil then low 10 till gone. Oat milk in, low, no lid, stir often, 20-25, thick.", "heat", "other", "heat~"),
    ("Zugedeckt 18-20 Minuten garen. 5 Minuten vor Ende die Erbsen zugeben.", "heat", "heat", "from_end"),
    ("Cover tightly with foil and bake 40 minutes. Remove the foil and bake 20 to 25 minutes more.", "heat", "other", "heat~"),
    ("Rinse rice, in the cooker, press the switch. Cooker clicks (abt 22 min), leave on warm.", "", "other", "heat~"),
    ("Take the rice, it never goes sticky. Boil it in a big pot of salted water like pasta, 14 minutes or what the packet says.", "", "other", "heat~"),
    ("Simmer 15 minutes. Rest 5 minutes. Leave at least 1 hour before eating.", "heat rest", "rest", "other~"),
    ("Rinse the rice, drain 15 min in a sieve.", "", "soak", "other"),
    ("High pressure 22 mins. Let it come down by itself for 10 mins. Kale in on top, lid back on for 5.", "heat release", "heat", "rest~"),
    ("Sim 15 min. Wait till pin drops abt 15 min.", "heat", "heat", "release"),
    ("Cook uncovered like pasta, 30 min. Drain, back into the hot pan, tea towel over, 5 min.", "heat", "other", "rest~"),
    ("8 min strong fire, 10 min soft. Out of the fire, a cloth on top 5 min.", "heat heat", "other", "rest~"),
    ("1/2 c vermicelli browned in butter, 1.5 c short grain rice (soaked 15 min, drained), 2 c water.", "", "toast", "soak~"),
    ("Add rice and water to the rice cooker. Press cook. When it starts to steam (around 10 mins), lay chicken on top.", "", "heat", "come_up~"),
    ("Wash rice, soak 30min, leave on sieve 10min.", "soak", "rest", "other~"),
    ("10 min high, then prawns on top, 8 min low. Newspaper on top 5 min.", "heat heat", "heat", "rest~"),
    ("Simmer 15 minutes. Toss the cucumber with vinegar. Set aside to pickle, tossing occasionally, at least 10 minutes.", "heat", "rest", "other~"),
    ("The stock boiling, all. 8 min strong fire, 10 min soft.", "heat", "other", "heat~"),
    ("Simmer 20 minutes. Remove from heat, stir in vanilla. Cool 5 minutes to serve warm.", "heat", "other", "rest~"),
    ("Cover, very low, 15 minutes. Stir from the bottom, cover again, another 8 to 10.", "heat", "rest", "heat~"),
    ("Cook it for 3 whistles, medium heat (about 9 min).", "whistles", "heat", "other"),
    ("Pressure cook on low for 2 whistles / 12 minutes.", "whistles", "heat", "other"),
    ("After 3 whistles, then sim 5 minutes.", "whistles", "pan", "heat~"),
    ("Cook on HIGH for 1½ hours or LOW for 3 hours.", "heat", "heat", "other"),
    ("Cook 3 hours on low or 1½ hours on high.", "heat", "heat", "other"),
    ("Boil the rice 16 minutes. Strain, drain 5 minutes.", "heat", "heat", "other"),
    ("Pressure cook the rice for 3 whistles. Spread on a plate, let it cool. Add to the onions. Simmer for 2 minutes.", "whistles", "heat", "other~"),
    ("Put everything except the rice and lemon in the slow cooker. Cook on low 6 hours.\nStir in the rice, cover.", "", "heat", "other~"),
    ("Rice cooker, normal setting. When it beeps, butter in, mix, close the lid 5 minutes.", "", "heat", "rest"),
    ("Unire tonno e olive. Lasciare in frigo 2 ore.", "", "heat", "other~"),
    ("Wash rice twice. Cook with the 4 cups of water in an open pot till just done, 15 mins.", "", "other", "heat~"),
    ("Cook the rice 15 mins, cover for 5 mins then spread on a plate.", "heat", "other", "rest"),
    ("Zugedeckt 60 Minuten backen, nach 30 Minuten einmal umrühren.", "heat", "heat", "from_start~"),
    ("Boil 5 minutes, then into the sleeping bag. Saves you 10 minutes of gas.", "heat", "rest", "other"),
    ("Add the rice and water. Lid off till craters. Cloth round the lid. Lowest. 30 minutes.", "", "other", "heat~"),
    ("Agrega el arroz y el agua. Tapa, fuego bajo, 15 minutos.", "", "rest", "heat~"),
    ("Toss all. Leave 30 minutes for the flavours.", "", "rest", "other"),
    ("Den Reis zugedeckt bei kleiner Hitze 18 Minuten quellen lassen.", "", "soak", "heat~"),
    ("Boil the chicken with bay and an onion 45 minutes. Keep the broth.", "", "heat", "other~"),
    ("Simmer 20 minutes. Or wrap the pot and leave it in the bed for 2 hours instead.", "heat", "rest", "other~"),
    ("2 seeti. Gas band. Pressure apne aap nikalne do (10 minutes).", "whistles", "rest", "release"),
    ("Fry the paste till the oil floats, 20 minutes.", "", "heat", "pan~"),
    ("Pour the tamarind in. It must boil till oil comes on top, 20 minutes.", "", "other", "other"),
    ("Boil a big pot of water. Tip the rice in. Count 6 minutes.", "", "other", "heat~"),
    ("Rice and stock into the pot, 20 minutes standing before heat.", "", "rest", "soak"),
    ("Duś 60 minut. Odstaw 10 minut.", "heat", "other", "rest"),
    ("Kook de rijst 12 min. Haal van het vuur en laat 10 min. staan.", "heat", "heat", "rest"),
    ("Lid, oven 18 minutes. Out, stir hard. Lid back, 3 minutes.", "heat", "other", "rest~"),
    ("Lowest heat 15 minutes. Pour over the milk. Lid on, 10 minutes.", "heat", "heat", "heat"),
    ("Ladle in the stock. Mine is usually there at 18.", "", "other", "heat"),
    ("Lid on, lowest, 20 minutes. Rose water, 5 more off the fire.", "heat", "heat", "rest~"),
    ("Cook on HIGH 2½ hours (LOW 4-5 hours).", "heat", "heat", "other"),
    ("Put the balls and rice in the sauce. Cover. Simmer 45 minutes, turn twice, till the rice pokes out.", "", "pan", "heat~"),
    ("Bake: conventional oven 350 F 60 minutes; convection 325 F 50 minutes.", "heat", "heat", "other"),
    ("At minute 12 add the peas.", "", "heat", "from_start"),
    ("Unire il riso, tostare 2 minuti, sfumare col vino.", "", "heat", "toast~"),
    ("Turn to the lowest ring and set the timer to 10 min. After 10 min take it off the heat.", "heat", "heat", "from_start~"),
    ("Boil it for the time on the packet minus 2 minutes.", "", "heat", "other~"),
    ("Pressure cook it for 8 minutes, then natural release. Takes about 20 minutes.", "heat", "other", "release~"),
    ("Cocer 16 minutos. A los 12 minutos añadir las gambas.", "heat", "heat", "from_start~"),
    ("Cocer el arroz 18 min. Romero los últimos 2 min.", "heat", "heat", "from_end"),
    ("Boil the rice, covered, 40 minutes. Mix all. Press into a lined loaf tin. Bake 45 minutes.", "heat", "heat", "other~"),
    ("Cook the rice 10 minutes, drain. Chill it. Heat the oil, stir-fry the rice. Crack in the eggs. Add the peas, 2 minutes.", "heat", "heat", "other~"),
    ("Cook the rice 10 minutes. Core the cabbage, boil 10 minutes.", "heat", "heat", "other~"),
    ("Lid on, the rice simmers 12 minutes. Fry the carrots in the oil for 4 minutes.", "heat", "heat", "other~"),
    ("At the 10 minute mark stir in the peas.", "", "heat", "from_start~"),
    ("Scatter the peas over 4 minutes before the end.", "", "heat", "from_end"),
    ("Cook 20 minutes, stirring every 4 minutes.", "heat", "heat", "other"),
    ("Fry the onion. Wash the rice and leave it in cold water for half an hour.", "", "other", "soak~"),
    ("Boil, cover, 12 min low, 10 min off.", "heat", "heat", "rest~"),
    ("Simmer 12 minutes. Done in 20 min, one pan.", "heat", "heat", "other"),
    ("Cook 35 minutes, then 10 minutes without the lid, 45 minutes in total.", "heat heat", "heat", "other"),
    ("Simmer 15 minutes. If it is still hard, give it another 5 minutes.", "heat", "heat", "other"),
    ("Simmer 15 minutes (45 minutes if it was not frozen).", "heat", "heat", "other"),
    ("It can be made the day before and kept; then bake 45 minutes.", "", "heat", "other"),
    ("Put it in the rice cooker. When it clicks leave it 10 minutes.", "", "heat", "rest"),
    ("Cook the rice in the rice cooker. Bake the salmon 12 minutes.", "", "heat", "other"),
    ("Boil the rice for 5 minutes. Drain.\nFry the onions 15 minutes. Add the carrots, cook 10 minutes.", "heat other", "heat", "other~"),
    ("Boil the rice 5 minutes. Drain.\nLayer the carrots and rice in a dish, cover with foil, bake 30 minutes.", "heat", "other", "heat~"),
    ("Mix, salt, ferment overnight 8-12 hours.", "other", "heat", "other"),
    ("Then lid and lowest 15 minutes. Don't open for 10 minutes more.", "heat", "heat", "rest~"),
    ("In the rice cooker. When cooked, steam as it is 10 minutes.", "", "heat", "rest"),
    ("Bake 1 hour. Check at 50 minutes.", "heat", "heat", "from_start~"),
    ("Cover, low, 15 minutes. Rest 5 minutes.", "heat", "other", "rest~"),
    ("Cover, low, 15 minutes. Rest 5 minutes.", "heat", "rest", "rest"),
    ("Boil 8 minutes. Drain and freeze. From frozen: microwave 3 minutes.", "heat", "heat", "other~"),
    ("Simmer 18 minutes. If your prawns are frozen give them 2 minutes more.", "heat", "heat", "other~"),
    ("Simmer 18 minutes (25 minutes for bone-in pieces).", "heat", "heat", "other~"),
    ("Everything in the rice cooker. Cook on the normal setting, then keep shut 15 min.", "", "heat", "rest~"),
    ("Roast 25 minutes more. Rest the bird 10 minutes.", "heat", "rest", "other~"),
    ("Simmer for 1 hour. For a thinner one add a cup of water near the end and give it 10 minutes more.", "heat", "heat", "other~"),
    ("Soak rice 1 hour. Boil in the salted water 6 minutes, drain. Heat oil in the pot, heap rice in a cone.", "soak", "other", "heat"),
    ("Cover with foil. Bake at 375F for 25 minutes, or at 350F for 35 minutes.", "heat", "heat", "other"),
    ("Cover with foil. Bake at 375F for 25 minutes (or 350F for 35 minutes, or 325F for 45 minutes).", "heat other", "heat", "other"),
    ("Covered 30 min., uncovered 20 min. Let set 5 min.", "heat heat", "heat", "rest"),
    ("Mit Brühe 15 Minuten köcheln, ab und zu umrühren. Erbsen dazu, weitere 5 Minuten.", "heat", "rest", "heat~"),
    ("Add the rice; cook, stirring, until golden, 5 minutes.", "", "heat", "toast~"),
    ("The night before wash the rice and leave it in cold water.", "", "other", "soak~"),
    ("Wash the rice, salt it, leave it 30 minutes.", "", "rest", "soak~"),
    ("Soak the split peas 1 hour.", "", "soak", "other~"),
    ("Soak the rice and the split peas 1 hour.", "", "soak", "soak"),
    ("Simmer the chicken 25 minutes. Add the rice to the broth.", "", "heat", "other~"),
    ("Simmer the rice 12 minutes. Put it in the fridge. Bake it 5 minutes.", "heat", "heat", "other~"),
    ("Give the lentils 10 minutes in the liquid before the quinoa goes in.", "", "heat", "other"),
    ("Pour the boiling water over and let it steep for 5 minutes.", "", "rest", "heat~"),
    ("Bring it to the boil (8 minutes).", "", "heat", "come_up"),
    ("Set it for 4 minutes. It takes 8 minutes to come up.", "heat", "heat", "come_up"),
    ("High pressure 4 minutes, natural release 10 minutes.", "heat", "rest", "release"),
    ("Add the rice and cook till 70 % done, about 5 minutes.", "", "other", "heat"),
    ("Boil 1 minute, then into the sleeping bag for 15 minutes.", "heat", "heat", "rest"),
    ("Lid on, lowest, 11 min. Off. Do not peep. 12 min.", "heat", "heat", "rest"),
    ("Cook on sim 12 min. don't open after for 10 min", "heat", "heat", "rest"),
    ("Bring to the boil, low 12m, off & steam 10m.", "heat", "heat", "rest"),
    ("Rice: boil, cover, low 20 min.\nSprouts: boil 4m covered.", "heat", "rest", "other~"),
    ("Wash it, into the rice cooker, press start (mine takes 46 minutes).", "", "other", "heat~"),
    ("Keep on warm 15 minutes.", "", "heat", "rest"),
    ("Lock the lid. High pressure 8 minutes.", "", "pan", "heat~"),
    ("Bring it up to a boil, about 3 minutes. Cover.", "", "heat", "come_up~"),
    ("When it starts to bubble (5 ish min) put the lid on.", "", "heat", "come_up~"),
    ("Bring to the boil on high heat, 7 min, low 12 min.", "come_up", "come_up", "heat"),
    ("Bake for 18 minutes. While it bakes, boil the beans for 3 minutes.", "heat", "heat", "other~"),
    ("Cover until it is drunk. Cool 20 minutes.", "", "heat", "other"),
    ("Steep the saffron 10 minutes.", "", "soak", "other~"),
    ("Put it with the measured water in a heavy pot and leave to stand 10 minutes.", "", "other", "soak~"),
    ("Rice: boil, cover, low 20 min.\nChicken: brown it, cover 25 min.", "heat", "heat", "other~"),
    ("Boil 12-14 min (easy-cook 16 min).", "heat", "heat", "other"),
    ("2 whistles on medium (or 1 whistle on high and 4 min sim).", "whistles whistles", "heat", "other"),
    ("Ladle it in, 14 minutes (carnaroli 16 minutes).", "heat", "heat", "other"),
    ("Soak 30 minutes (winter: 60 minutes).", "soak", "soak", "other"),
    ("When cooked, steam as it is 10 minutes.", "", "heat", "rest"),
    ("Reis waschen und 1 Stunde in Salzwasser einweichen.", "", "heat", "soak~"),
    ("Pirinci suda 30 dk beklet, süz.", "", "heat", "soak~"),
    ("Pirinci ekle 3 dk daha kavur.", "", "heat", "toast~"),
    ("Cook 25 minutes. Open, simmer 5 minutes if you want it thicker.", "heat", "heat", "other~"),
    ("Simmer 15 minutes. Don't stir, shake the pot at 10 minutes.", "heat", "heat", "from_start~"),
    ("Wait for the pressure to go down itself (12 minutes).", "", "heat", "release"),
    ("Set it for 18 minutes. When it rings turn the heat to 0. Set the timer for 5 minutes.", "heat", "heat", "rest"),
    ("Put it in the rice cooker, 22 min, 10 min keep warm.", "other", "other", "rest~"),
    ("Bake 25 minutes. Take the foil off, crumble the feta over, and give it another 10 minutes.", "heat", "rest", "heat~"),
    ("Seal the lid. Lowest flame 20 min. Open after 10 min.", "heat", "other", "rest"),
    ("Simmer 20 min. Stuff the pork with it, roast 1 hour. Rest 15 min before carving.", "heat other", "rest", "other"),
    ("Cut a slit in the onions and boil them whole for 20 minutes.", "", "heat", "other~"),
    ("Mit Deckel 30 Minuten backen. Feta darüber und weitere 10 Minuten ohne Deckel überbacken.", "heat", "rest", "heat~"),
    ("Simmer 29 minutes; let it stand, spread out, 33 minutes to cool.", "heat", "rest", "other~"),
    ("The rice: into the pot; cooks without being opened, for every look costs heat (218 min).", "", "other", "heat~"),
    ("Haddock in the milk, bring just to a simmer, heat off, 10 min.\nWash the rice and add it to the milk.", "", "rest", "other~"),
    ("Rinse rice, 20 minute soak in the cooker's bowl.", "", "heat", "soak~"),
    ("Boil the rice 7 minutes, drain. Mound it in the pot. Cover, reduce to low, steam 45 minutes.", "heat", "other", "heat~"),
    ("Pressure cooker: rice and water in, high till the weight dances, then 3 min.", "", "other", "heat~"),
    ("In the pressure cooker till it hisses 3 min, turn to low 5 min, off.", "heat", "other", "heat~"),
    ("Rice in, lid, lowest flame 25 min. Turn the rice over (no stir, turn). 10 more min.", "heat", "rest", "heat~"),
    ("Rice in, lowest 25 min. Off. Turn it over. 10 more min.", "heat", "rest", "rest"),
    ("Boil lots of water, drained rice in, 4-5 min only - it must be hard inside. Strain.", "", "other", "heat~"),
    ("Kaynayınca kısık ateşte kapağı kapalı 15 dakika pişirin.", "", "other", "heat~"),
    ("15 dakika pişirin. Ocağı kapatın, 15 dakika demlendirin.", "heat", "other", "rest~"),
    ("Rice and peas in.\nWhen it boils turn it down and cover it.\nTwenty five minutes.", "", "other", "heat~"),
    ("Add rice, cover, low 20 min. Off, let it draw 10.", "heat", "other", "rest~"),
    ("Cook on low 25 minutes. Steam 5 minutes with the fire off.", "heat", "heat", "rest~"),
    ("Pre-heat the flask with hot water 5 min, empty. Rice and boiling water in.", "", "heat", "other"),
    ("Steam the rice over water 25 minutes. Warm coconut milk and sugar, 5 minutes.", "heat", "heat", "other~"),
    ("Steam 25 minutes. Pour the coconut milk over and let it drink for 20 minutes.", "heat", "pan", "rest"),
    ("Sort and wash the peas; soak overnight. Drain. Add the rice.", "", "soak", "other~"),
    ("Spread rice in 9x13. Pour the soup over. Lay chicken on. Cover w/ foil. 350 - 1 hr.", "", "other", "heat~"),
    ("Eat. Dishes: soak the pot right away, 10 minutes.", "", "rest", "other"),
    # and what they do not say
    ("Cook the rice 15 minutes, add peas or beans, cook 5 minutes.", "heat", "heat", "heat"),
    ("Water boiling below. Steam 20 minutes, turn over the cake of rice, add salt.", "", "heat", "heat"),
    ("Rice: boil, cover, low 20 min.\nFinish: cover 5 min.", "heat", "heat", "heat"),
    ("Bring to the boil, 5 minutes.", "", "heat", "heat"),
    ("Bake 18 minutes. While it bakes, boil the rice for 3 minutes.", "heat", "heat", "heat"),
    ("Fry the onion 5 minutes.", "", "pan", "pan"),
    ("Cook on low for 15 minutes or until tender.", "", "heat", "heat"),
    ("Soak the rice 1 hour.", "", "soak", "soak"),
    ("Simmer the rice 12 minutes, or 15 minutes for an old bag.", "heat", "heat", "other"),
    ("Bake every piece of it 20 minutes.", "", "heat", "heat"),
]  # fmt: skip


def place(step: str, earlier: str, kind: str) -> Place:
    steps = step.split("\n")
    blocks, found = [Block(x, 0) for x in steps], clauses(steps)
    *before, (n, s) = places_of(blocks)
    was = [Timed(b, m, k, 0.9) for (m, b), k in zip(before, earlier.split(), strict=True)]
    steeps, cookers, pressed = "steep" in step, "cooker" in step, "pressure" in step
    return Place(blocks, found, n, s, kind, 0.6, (), was, entry(found), (), cookers, pressed, steeps)


@pytest.mark.parametrize(("step", "earlier", "tagged", "want"), SAID)
def test_words_beside_minutes(step: str, earlier: str, tagged: str, want: str) -> None:
    t = told(place(step, earlier, tagged))
    assert t.kind == want.rstrip("~")
    assert (t.chance(tagged) > 0) == (want.endswith("~") or tagged == t.kind)
    assert 0.5 < t.sure <= 0.99 and t.sure + sum(p for _, p in t.others) <= 1.02


def test_every_rule_has_a_sentence() -> None:
    fired = {next((r for r in RULES if r.fits(p)), None) for p in (place(*row[:3]) for row in SAID)}
    assert [r.says for r in RULES if r not in fired] == []


TOGETHER = [
    ("Bake 30 minutes. Uncover, bake another 30 minutes.", "other heat", "heat heat"),
    ("Bake 30 minutes. Stir the sauce, bake another 30 minutes.", "other heat", "other heat"),
    ("Add stock. After 15 minutes add the zest. Al dente (18 minutes in all), off.", "heat other", "from_start heat"),
    ("Simmer 15 minutes, uncover for 10 minutes (25 minutes in all).", "heat heat other", "heat heat other"),
    ("After 10 minutes add the peas. Carry on for another 8 minutes.", "from_start heat", "heat heat"),
    ("Steam 20 minutes, sprinkle with water, turn over the cake of rice, steam 12 more.", "other heat", "heat heat"),
    ("Boil 20 minutes, drain, fry the onions, steam 12 minutes more.", "other heat", "other heat"),
]  # fmt: skip


@pytest.mark.parametrize(("step", "each", "all_"), TOGETHER)
def test_one_stretch_by_another(step: str, each: str, all_: str) -> None:
    blocks = [Block(step, 0)]
    rows = zip(places_of(blocks), each.split(), strict=True)
    # of what is no heat the tagger is not sure
    timed = [Timed(s, n, k, 0.6, (("heat", 0.3),) if k == "other" else ()) for (n, s), k in rows]
    assert " ".join(t.kind for t in together(timed, blocks)) == all_
