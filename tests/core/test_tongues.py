"""A recipe in another tongue is read, and warned of, as one in English is."""

from __future__ import annotations

from pathlib import Path

import pytest

from mealshift.cautions import for_shift, for_words
from mealshift.pipeline import read, shift
from mealshift.process import Span
from mealshift.reading.ingredients import allergens, heat_wanted, is_drained, is_whole, kind_of, tables
from mealshift.reading.tongues import _table
from mealshift.recipe import Line, Recipe
from mealshift.shifting import Choice
from mealshift.shifting.beside import early

CORPUS = Path(__file__).parent / "corpus"

# tongue → (whom it serves, over the list, over the method, an onion fried and the rice put in, the end, the list)
PARTS = {
    "de": ("Für 4 Personen", "Zutaten", "Zubereitung", "Die Zwiebel in der Butter 6 Minuten andünsten. Den Reis zugeben und 2 Minuten anrösten.", "Die Erbsen unterheben und servieren.", "1 Zwiebel, gehackt|2 EL Butter|300 g Basmatireis|600 ml Gemüsebrühe|1 TL Salz|150 g Erbsen"),
    "fr": ("Pour 4 personnes", "Ingrédients", "Préparation", "Faire revenir l'oignon dans le beurre 6 minutes. Ajouter le riz et le faire nacrer 2 minutes.", "Ajouter les petits pois et servir.", "1 oignon haché|2 c. à soupe de beurre|300 g de riz basmati|600 ml de bouillon de légumes|1 c. à café de sel|150 g de petits pois"),
    "es": ("Para 4 personas", "Ingredientes", "Preparación", "Sofreír la cebolla en la mantequilla 6 minutos. Añadir el arroz y rehogar 2 minutos.", "Añadir los guisantes y servir.", "1 cebolla picada|2 cucharadas de mantequilla|300 g de arroz basmati|600 ml de caldo de verduras|1 cucharadita de sal|150 g de guisantes"),
    "it": ("Per 4 persone", "Ingredienti", "Preparazione", "Soffriggere la cipolla nel burro per 6 minuti. Unire il riso e tostarlo 2 minuti.", "Unire i piselli e servire.", "1 cipolla tritata|2 cucchiai di burro|300 g di riso basmati|600 ml di brodo vegetale|1 cucchiaino di sale|150 g di piselli"),
    "pt": ("Para 4 pessoas", "Ingredientes", "Modo de preparo", "Refogue a cebola na manteiga por 6 minutos. Junte o arroz e refogue 2 minutos.", "Junte as ervilhas e sirva.", "1 cebola picada|2 colheres de sopa de manteiga|300 g de arroz basmati|600 ml de caldo de legumes|1 colher de chá de sal|150 g de ervilhas"),
    "nl": ("Voor 4 personen", "Ingrediënten", "Bereiding", "Fruit de ui 6 minuten in de boter. Voeg de rijst toe en bak 2 minuten mee.", "Schep de doperwten erdoor en serveer.", "1 ui, gesnipperd|2 el boter|300 g basmatirijst|600 ml groentebouillon|1 tl zout|150 g doperwten"),
    "sv": ("4 portioner", "Ingredienser", "Gör så här", "Fräs löken i smöret 6 minuter. Tillsätt riset och fräs 2 minuter.", "Vänd ner ärtorna och servera.", "1 lök, hackad|2 msk smör|300 g basmatiris|6 dl grönsaksbuljong|1 tsk salt|150 g ärtor"),
    "da": ("4 personer", "Ingredienser", "Sådan gør du", "Svits løget i smørret i 6 minutter. Tilsæt risene og svits dem i 2 minutter.", "Vend ærterne i og server.", "1 løg, hakket|2 spsk smør|300 g basmatiris|6 dl grøntsagsbouillon|1 tsk salt|150 g ærter"),
    "pl": ("4 porcje", "Składniki", "Przygotowanie", "Zeszklij cebulę na maśle przez 6 minut. Dodaj ryż i smaż 2 minuty.", "Dodaj groszek i podawaj.", "1 cebula, posiekana|2 łyżki masła|300 g ryżu basmati|600 ml bulionu warzywnego|1 łyżeczka soli|150 g groszku"),
    "tr": ("4 kişilik", "Malzemeler", "Yapılışı", "Soğanı tereyağında 6 dakika kavurun. Pirinci ekleyip 2 dakika kavurun.", "Bezelyeleri ekleyip servis edin.", "1 soğan, doğranmış|2 yemek kaşığı tereyağı|300 g basmati pirinç|600 ml sebze suyu|1 çay kaşığı tuz|150 g bezelye"),
    "id": ("Untuk 4 porsi", "Bahan", "Cara membuat", "Tumis bawang dalam mentega selama 6 menit. Masukkan beras, tumis 2 menit.", "Masukkan kacang polong dan sajikan.", "1 bawang bombay, cincang|2 sdm mentega|300 g beras basmati|600 ml kaldu sayur|1 sdt garam|150 g kacang polong"),
}  # fmt: skip
# a raw thing for 35 minutes in a pot of brown rice: (line, grain, carrots), and the sentence that puts it in and cooks it
RAW = {
    "de": ("600 g Hähnchenschenkel", "300 g Naturreis", "3 Möhren", "Reis, Möhren, Hähnchen, Brühe und Salz zugeben und aufkochen. Zudecken und bei kleiner Hitze 35 Minuten garen."),
    "fr": ("4 cuisses de poulet", "300 g de riz complet", "3 carottes", "Ajouter le riz, les carottes, le poulet, le bouillon et le sel, porter à ébullition. Couvrir et cuire à feu doux 35 minutes."),
    "es": ("4 muslos de pollo", "300 g de arroz integral", "3 zanahorias", "Añadir el arroz, las zanahorias, el pollo, el caldo y la sal y llevar a ebullición. Tapar y cocer a fuego lento 35 minutos."),
    "it": ("4 cosce di pollo", "300 g di riso integrale", "3 carote", "Unire il riso, le carote, il pollo, il brodo e il sale e portare a ebollizione. Coprire e cuocere a fuoco basso per 35 minuti."),
    "pt": ("4 coxas de frango", "300 g de arroz integral", "3 cenouras", "Junte o arroz, as cenouras, o frango, o caldo e o sal e deixe ferver. Tampe e cozinhe em fogo baixo por 35 minutos."),
    "nl": ("600 g kippendijen", "300 g zilvervliesrijst", "3 wortels", "Voeg de rijst, de wortels, de kip, de bouillon en het zout toe en breng aan de kook. Laat afgedekt op laag vuur 35 minuten koken."),
    "sv": ("600 g kycklinglår", "300 g råris", "3 morötter", "Tillsätt riset, morötterna, kycklingen, buljongen och saltet och koka upp. Låt koka under lock på svag värme i 35 minuter."),
    "da": ("600 g kyllingelår", "300 g brune ris", "3 gulerødder", "Tilsæt ris, gulerødder, kylling, bouillon og salt og bring det i kog. Lad det simre under låg ved svag varme i 35 minutter."),
    "pl": ("600 g udek z kurczaka", "300 g brązowego ryżu", "3 marchewki", "Dodaj ryż, marchewki, kurczaka, bulion i sól, zagotuj. Przykryj i gotuj na małym ogniu 35 minut."),
    "tr": ("600 g tavuk but", "300 g esmer pirinç", "3 havuç", "Pirinci, havuçları, tavuğu, sebze suyunu ve tuzu ekleyip kaynatın. Kapağını kapatıp kısık ateşte 35 dakika pişirin."),
    "id": ("600 g paha ayam", "300 g beras merah", "3 wortel", "Masukkan beras, wortel, ayam, kaldu dan garam, didihkan. Tutup dan masak dengan api kecil selama 35 menit."),
}  # fmt: skip
ROWS = [r for r in (CORPUS / "tongues.txt").read_text(encoding="utf-8").split("\n") if r and r[0] != "#"]


def recipe(tongue: str, lines: list[str], method: str) -> Recipe:
    serves, listed, how, *_ = PARTS[tongue]
    return read(f"{listed} 7\n{serves}\n\n{listed}\n" + "\n".join(lines) + f"\n\n{how}\n{method}\n")


@pytest.mark.parametrize("row", ROWS)
def test_the_pot_is_read_in_every_tongue(row: str) -> None:
    tongue, way, heat, rest, soak, told = row.split("|", 5)
    *_, first, end, listed = PARTS[tongue]
    lines = [ln for ln in listed.split("|") if not ("%" in told and ln.startswith("6"))]
    body = told.lstrip("%^").replace("\\n", "\n")
    r = recipe(tongue, lines, f"{body}\n{end}" if "^" in told else f"{first}\n{body}\n{end}")
    minutes = [r.simmer_min or 0.0, r.rest_min or 0.0, r.soak_min or 0.0]
    assert minutes == [float(n or 0) for n in (heat, rest, soak)]
    assert not way or r.method == way
    assert r.servings == 4
    assert "%" in told or sum(ln.water for ln in r.lines if ln.carrier) == pytest.approx(588)


@pytest.mark.parametrize("tongue", RAW)
def test_raw_chicken_has_its_minutes_beside_a_quick_grain(tongue: str) -> None:
    raw, rice, carrots, told = RAW[tongue]
    liquid, salt = PARTS[tongue][5].split("|")[3:5]
    r = recipe(tongue, [raw, rice, liquid.replace("600", "800").replace("6 dl", "8 dl"), carrots, salt], told)
    assert r.simmer_min == 35
    found = {e.line.text: (e.minutes, e.raw) for e in early(r, 15)}
    assert found[raw] == (10, True)
    new = shift(r, Choice("couscous"))
    assert any("25 minutes" in st.text for st in new.method.steps)


# (line, kind, minutes from raw, unsafe before them, allergens)
NAMED = [
    ("500 g Hähnchenoberkeulen", None, 25, True, ()),
    ("1 l Hühnerbrühe", "stock", 0, False, ()),
    ("800 ml su", None, 0, False, ()),
    ("su", "water", 0, False, ()),
    ("garam", "salt", 0, False, ()),
    ("garam pani", "water", 0, False, ()),
    # English words that begin as theirs do
    ("1 tsp cumin", "spice", 0, False, ()),
    ("1 lb bulk sausage", None, 15, True, ()),
    ("200 g pollock", None, 8, True, ()),
    ("rapeseed oil", "fat", 0, False, ()),
    ("200 g vegan mince", None, 0, False, ()),
    ("500 g venison", None, 45, True, ()),
    ("atún en su jugo", None, 0, False, ("fish",)),
    ("Hähnchenfond", "stock", 0, False, ()),
    ("500 g Rinderhackfleisch", None, 10, True, ()),
    ("100 g Speckwürfel", None, 0, False, ()),
    ("200 g poulet rôti", None, 0, False, ()),
    ("300 g de carne picada", None, 10, True, ()),
    ("1 pastilla de caldo de pollo", "salt", 0, False, ()),
    ("2 filety z kurczaka", None, 15, True, ()),
    ("400 g köttfärs", None, 10, True, ()),
    ("300 g lax", None, 8, True, ("fish",)),
    ("250 g gamberetti", None, 8, True, ("shellfish",)),
    ("50 g burro", "fat", 0, False, ("milk",)),
    ("2 EL Sonnenblumenöl", "fat", 0, False, ()),
    ("une noix de beurre", "fat", 0, False, ("milk",)),
    ("400 ml lait de coco", "coconut milk", 0, False, ()),
    ("1 c. à soupe de beurre de cacahuètes", "not fat", 0, False, ("peanut",)),
    ("1 łyżka mąki pszennej", None, 0, False, ("gluten",)),
    ("200 g Reisnudeln", None, 0, False, ()),
    ("2 uova", None, 0, False, ("egg",)),
    ("1 cucchiaio di salsa di soia", "salt", 0, False, ("soya", "gluten")),
    ("200 g oyster mushrooms", "watery", 0, False, ()),
    ("100 g mandorle", None, 0, False, ("nuts",)),
    ("1 batata-doce", None, 15, False, ()),
]


@pytest.mark.parametrize(("text", "kind", "minutes", "raw", "holds"), NAMED)
def test_a_thing_is_what_it_is_called(
    text: str, kind: str | None, minutes: int, raw: bool, holds: tuple[str, ...]
) -> None:
    found = kind_of(text)[0]
    assert (found.kind if found else None) == kind
    assert heat_wanted(Line(0, text, Span(0, len(text)), name=text)) == (minutes, raw)
    assert set(allergens([text])) == set(holds)


def test_what_is_out_of_a_tin_or_ground_is_told_in_every_tongue() -> None:
    tins = [
        "1 Dose Kichererbsen",
        "1 boîte de pois chiches",
        "garbanzos cocidos",
        "ceci in scatola",
        "ciecierzyca z puszki",
    ]
    assert all(is_drained(t) for t in tins)
    assert not any(is_drained(t) for t in ("200 g getrocknete Bohnen", "pois chiches secs, cuits", "lentejas"))
    assert all(is_whole(t) for t in ("2 Lorbeerblätter", "1 rama de canela", "3 goździki", "2 clous de girofle"))
    assert not any(is_whole(t) for t in ("1 TL gemahlene Nelken", "clavo molido", "cannella in polvere"))


def test_dry_beans_and_honey_are_cautioned_of_in_every_tongue() -> None:
    beans = [
        "200 g rote Kidneybohnen",
        "200 g de haricots rouges secs",
        "200 g de alubias rojas",
        "200 g fagioli borlotti",
    ]
    honey = ["1 EL Honig", "1 c. à soupe de miel", "1 cucharada de miel", "1 cucchiaio di miele"]
    for tongue, bean, sweet in zip(("de", "fr", "es", "it"), beans, honey, strict=True):
        *_, rice, liquid, salt, _ = PARTS[tongue][5].split("|")
        new = shift(recipe(tongue, [rice, liquid, bean, sweet, salt], RAW[tongue][3]), Choice("quinoa"))
        assert {"kidney_beans", "honey"} <= {c.code for c in for_shift(new)}


@pytest.mark.parametrize(
    "told",
    [
        "Den Reis über Nacht bei Zimmertemperatur stehen lassen.",
        "Laisser le riz à température ambiante toute la nuit.",
        "Dejar el arroz a temperatura ambiente toda la noche.",
        "Zostaw ryż w temperaturze pokojowej na całą noc.",
    ],
)
def test_a_night_at_room_temperature_is_warned_of_in_every_tongue(told: str) -> None:
    assert [c.code for c in for_words(told)] == ["words_warm"]


def test_every_word_of_ours_is_in_our_tables_and_none_of_theirs_means_two_things() -> None:
    ours = {w for k in (*tables()["kind"], *tables()["at_heat"]) for w in k["words"]} | {"honey"}
    ours |= {w for table in ("allergens", "not_allergens") for words in tables()[table].values() for w in words}
    ours |= set(tables()["count_out"]["words"])
    rows = [row for section, table in _table().items() if section != "cooked" for row in table.items()]
    assert {word for word, _ in rows} <= ours
    theirs = [w for _, words in rows for w in words]
    assert len(theirs) == len(set(theirs))
