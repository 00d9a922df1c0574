"""How the recipe cooks its grain: one trained choice among the ways, from the words of the steps and of the clauses in the grain's pot.

Labels: covered · open · stirred · drain · steam · oven · rice-cooker · pressure · electric-pressure · microwave · cooked (it only uses cooked grain).
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from itertools import pairwise

from ..quick import lazy, quick
from .clauses import Clause
from .crf import Tagger
from .names import as_rice
from .pot_words import CLASS, OVEN_ABROAD, POURED_ABROAD, PRESSURE_ABROAD, RICE_COOKERS_ABROAD

_FLAGS = {
    "microwave": r"\bmicrowav\w*|\bnuke\b",
    "watts": r"\b\d{3,4}\s?w(?:atts?)?\b",
    "cooker": rf"\brice[- ]?cookers?\b|\b(?:magic ?(?:com|jar)|{RICE_COOKERS_ABROAD}|p[eouy]l[oa]u?paz|suihanki)\b|\b(?:mixed|white|brown|plain|quick|sushi|normal|regular|standard|porridge)(?: rice)?[\"'’”]? (?:mode|setting)\b|(?<!slow )(?<!pressure )\bcooker(?:'s)? bowl\b|\b(?:regular|normal|standard|mixed|white rice|mixed rice|porridge) (?:course|cycle|program(?:me)?)\b|\bstart\W{{1,3}}(?:sushi|regular|normal|white rice|quick)\b|\b\d[ -]?(?:gou?|gō|cup) (?:line|mark)\b|\b(?:cook|start|run|set)(?: (?:it|the rice))? (?:on|to) (?:the )?(?:regular|normal|white rice|sushi|mixed)\b",
    "press_cook": r"\b(?:press|hit|push|switch to|on) (?:the )?(?:cook|start|white rice|porridge)\b|\bkeep[- ]warm\b|\bclicks?\b|\bbutton\b",
    "whistle": r"\b(?:whistles?|seetis?|sitis?|siti)\b",
    "pressure": rf"\bpressure\b|\bPC:|\b{PRESSURE_ABROAD}",
    "high_pressure": r"\b(?:high pressure|on high|manual|natural(?:ly)? release|npr|quick release|sealing|instant pot|multi-?cooker|come down naturally)\b|\bN\.?P?R\b|\b(?:lid on|lock)[^.;]{0,24}\b(?:vent|valve|lid|again)\b|\bHI(?:GH)?,? (?:for )?\d|\bHP,? (?:for )?\d|\d+ ?m(?:in\w*)? (?:at |on )?HP\b",
    "electric": r"\belectric (?:pressure )?(?:cooker|pot)\b|\b(?:(?:hit|press|on|to|switch to|set to|use) (?:the )?saut[eé]|saut[eé] (?:mode|function|setting|low|normal|high)|instant pot|multi-?cooker|e-?pot|EPC|npr|natural release)\b|\bSAUT[EÉ]:|\bNR\b",
    "hob_cooker": r"\bstove ?-?top\b|\bpsi\b|\b(?:the )?weight (?:starts|jiggles|rocks)|\b(?:jiggl|hiss)\w*|\b(?:reduce|lower|turn down) (?:the )?(?:heat|flame|gas)\b[^.;]{0,30}\b(?:pressure|keep|maintain)",
    "slow": r"\b(?:slow[- ]?cooker|crock(?:pot)?)\b",
    "oven": r"\b(?:oven|bake|bakes|baked|baking|horno|hornea\w*|forno|infornare|au four|enfourn\w+|(?:back)?ofen|fırın\w*|piekarnik\w*|ugn\w*)\b",
    "preheat": r"\bpreheat\b|\b(?:1[4-9]0|2[0-4]0|3[0-9][05]|4[0-7][05])\s*(?:°|degrees|º|C\b|F\b)",
    # not "the drained artichokes"
    "drain": r"\bdrain(?:s|ing|er)?\b|\babgie(?:ß|ss)en\b|\bescurr\w+|\bscol(?:are|ate)\b|\bégoutt\w+|\bafgieten\b|\bgiet af\b|\bescorr\w+|\bodcedz\w*|\bodcedź|\b(?:häll|slå) av\b|\bhæld (?:af|vandet)\b|\bdrained\b(?! (?!and\b|well\b|in\b|off\b|the\b|rice\b|grains?\b|through\b|then\b|but\b|or\b|for\b|into\b|over\b|on\b)[a-z]{3,})",
    "plenty": r"\b(?:plenty of|lots of|large pan of|big pot of|like pasta|as you would pasta|large pot of|rolling boil|saucepan of (?:salted|boiling) water|abbondante acqua|abundante agua|(?:reichlich|viel) (?:kochende[sm] )?(?:salz)?wasser|(?:ruim|veel) (?:kokend )?water|bol (?:\w+ )?su(?:yu|da|yla)?|rigeligt (?:\w+ )?vand|dużą ilość (?:\w+ )?wody|dużo wody|banyak air|air (?:yang )?banyak|grande? (?:quantité|volume) d'eau|(?:bastante|muita) água|água abundante|dużej ilości (?:\w+ )?wody|rikligt med (?:\w+ )?vatten|masser af vand|rikelig med (?:\w+ )?vann)\b",
    "steam": r"\bsteam(?:er|ing)?\b",
    "steamer": r"\b(?:steamer|steaming basket|muslin|cheesecloth|bamboo|idli)\b",
    "lid": r"\b(?:lid|cover|covered|foil|close|(?<!apaga, )(?<!apaga y )(?<!apagar, )(?<!apagamos, )(?<!apagamos y )(?<!fuego, )(?<!fuego y )tap(?:[aeá]|ar|ado|ada|amos)\b(?! con (?:un |el )?(?:paño|trapo|papel))|cubr\w+(?! con)|copr(?:ire|ite)|copert[oa]|coperchio|couvrir|couvrez|couvert|couvercle|deckel|zugedeckt|abgedeckt|abdecken|lock(?=[ .,;])|lokk|deksel|afgedekt|przykry(?:ć|j|cie|ciem))\b",
    "uncovered": r"\b(?:uncovered|destapad[oa]s?|sin tapar|scopert[oe]|senza coperchio|à découvert|sans couvercle|ohne deckel|offen köcheln|utan lock|uten lokk|zonder deksel|bez przykrycia|without (?:a |the )?lid|no lid|lid off|open pan)\b",
    "stirring": r"\b(?:stirring (?:often|constantly|all|continuously|frequently|occasionally|now|every)|keep stirring|stir (?:often|constantly|every|all the time|now and then))\b",
    "ladle": r"\bladle(?:ful|s)?\b",
    "creamy": r"\b(?:creamy|creaminess|all'onda|risotto)\b",
    "porridge": r"\b(?:congee|porridge|jook|pudding|kheer|payasam|(?<!the )kanji|lugaw|arroz caldo)\b",
    "fried": r"\b(?:fried rice|stir-?fr\w+|wok)\b",
    "cold": r"\b(?:cold|cooked|leftover|day[- ]old) rice\b",
    "absorbed": r"\babsorb\w*\b",
    "cook_rice": r"\bcook (?:the )?rice (?:as|according|by|per|following)\b",
    "foil": r"\bfoil\b",
    "stuff": r"\b(?:stuff|fill)(?:ed|ing)?\b",
    "paella": r"\bpaella\b",
}
_COMPILED = {k: quick(v, re.I) for k, v in _FLAGS.items()}


_IN_OVEN = quick(
    rf"\b(?:oven|bak(?:e|es|ed|ing)|gas mark|gas \d|halogen|air fry\w*|{OVEN_ABROAD})\b|\b(?:1[4-9]0|2[0-4]0|3[0-9][05]|4[0-7][05])\s*(?:°|º|C\b|F\b|for\b|fan\b)|\b(?:3[0-9][05]|4[0-7][05])\s*[-–—]\s*(?=\d|an hour|one hour)|\b(?:min\w*|hours?|hrs?) at (?:1[4-9]0|2[0-4]0|3[0-9][05]|4[0-7][05])\b(?! ?(?:w|watts?|ml|g)\b)",
    re.I,
)
# "a ladle at a time": so nothing is cooked under a lid, whatever the grain
_BY_THE_LADLE = lazy(
    r"\bladle(?:ful)?(?:s? at a time|s? by (?:a )?ladle\w*| of (?:hot |the )*(?:stock|broth|water),? (?:and )?(?:stir|wait|let))\b",
    re.I,
)
_PUT_IN_OVEN = lazy(
    r"\b(?:cook|put|place|transfer|pop|slide|goes|return)\w*\b[^.;!?]{0,30}\bin(?:to)? (?:the |a |your )?(?:hot |pre-?heated |medium |moderate )*oven\b"
    rf"|\b{OVEN_ABROAD}\b",
    re.I,
)
_IN_MICROWAVE = quick(
    r"\bmicrowav\w*|\b(?:on|at) (?:full|high|medium|low|medium[/-]low)\b[^.;]{0,12}\d{2} ?%|\b(?:full|high|medium|half|50 ?%) power\b|\bpower \d|\b\d{3,4} ?w\b|\bnuke\b",
    re.I,
)
_HOT_OVEN = quick(
    r"\b(?:pre-?)?heat (?:the |your |an? )?oven\b|\boven to \d{2,3}\b|\boven (?:at|on) (?:gas|\d)|\boven:? (?:1[3-9]0|2[0-4]0|3\d[05]|gas \d)\b",
    re.I,
)
_ON_THE_HOB = lazy(
    r"\b(?:simmer\w*|boil(?:s|ed)?|hob|stove|saucepan|skillet|frying pan|microwav\w*|pressure|rice cooker|steam\w*|(?:pan|pot) of (?:boiling|simmering|salted)|boiling,? salted water|ladle\w*|(?:wide|heavy|heavy-based|deep|sauté) pan)\b",
    re.I,
)
# "keep hot in the oven at 100": nothing is cooked there
_KEPT_IN_OVEN = quick(
    r"\bkeep\w*\b[^.;!?]{0,20}\b(?:warm|hot)\b[^.;!?]{0,20}\boven\b(?: at \d{2,3}\b ?°?(?: ?[CF]\b)?)?", re.I
)
# "reheat with a splash of water, 3 min microwave", "warm the vinegar 30 seconds in the microwave": no grain is cooked there
_SENTENCE_OF = r"[^.;!?\n]*"
_WARMED_IN_MICROWAVE = quick(
    rf"\b(?:re-?heat|re-?warm|defrost|thaw|from (?:the )?fro(?:zen|ze)|from (?:the )?freezer)\w*\b{_SENTENCE_OF}\bmicrowav\w*"
    rf"|\bmicrowav\w*{_SENTENCE_OF}\b(?:re-?heat\w*|sec(?:ond)?s?\b)"
    # "Eat within 2 days, microwave 3 min till piping hot"
    rf"|\bmicrowav\w*{_SENTENCE_OF}\b(?:piping|steaming) hot|\beat within\b{_SENTENCE_OF}\bmicrowav\w*"
    # "it keeps 3 days in the fridge, 2 min in the microwave"
    rf"|\b(?:keeps?|fridge|left-?overs?|next day)\b{_SENTENCE_OF}\bmicrowav\w*"
    rf"|\b(?:sec(?:ond)?s?|melt\w*|dissolve\w*)\b{_SENTENCE_OF}\bmicrowav\w*",
    re.I,
)
_COOKED_IN_COOKER = quick(
    r"\brice\b[^.;!?]{0,40}\b(?:cook|steam|make)\w*\b[^.;!?]{0,16}\bin (?:the |a |your )?rice[- ]?cooker\b|\b(?:cook|steam|make)\w* (?:the |your )?rice\b[^.;!?]{0,16}\bin (?:the |a |your )?rice[- ]?cooker\b"
    # "fry the rice 2 min. Put into rice cooker with the stock, cook"
    r"|\b(?:put|tip|scrape|transfer|move|pour|add)\b[^.;!?]{0,24}\binto (?:the |a |your )?rice[- ]?cooker\b",
    re.I,
)
_STEAMED = lazy(r"\bsteam(?:ed|s|ing|er)?\b", re.I)
_OVER_WATER = lazy(r"\bsteam(?:ed|s|ing)?\b[^.;!?]{0,24}\bover (?:\w+ )?(?:boiling|simmering) water\b", re.I)
_AT_PRESSURE = lazy(
    rf"\b(?:(?:high|full|to) pressure|HP,? (?:for )?\d|{PRESSURE_ABROAD}|onder druk|sous pression|a presión|em pressão|unter druck|dal fischio|du sifflement|desde que (?:silbe|pite))",
    re.I,
)
_LOCKED_ABROAD = lazy(
    rf"\b{PRESSURE_ABROAD}\b[\s\S]{{0,400}}?\b(?:(?:re)?ferm(?:er|ez)|(?:ver)?schlie(?:ß|ss)en|verschlossen|cerr(?:ar|amos|ad)|cierra|tapar|chiud\w+|feche|tampe|sluit|stäng|luk\b|lukk|zamknij|zamknąć|kapat\w*|soupape|valvola|válvula|ventil)\b",
    re.I,
)
# who writes so has a pot with a display
_HP = lazy(r"\bHP\b")
_WHISTLES = lazy(r"\b(?:whistle|pressure|cooker|seeti|siti)\w*", re.I)
# so long at a heat without a word of whistles: they are another dish's
OPEN_MIN = 12.0
# the water that steps name, over the grain's volume: so much, or none named, is plenty
PLENTY = 4.0
# of the minutes at the heat, what must be told of a place for it to be the way
MOST_MINUTES, ALL_MINUTES = 0.6, 0.95


def in_oven(told: str) -> bool:
    """Does a sentence tell of the oven?"""
    return bool(_IN_OVEN.search(told))


def _where(heats: Sequence[tuple[str, float]], pattern: re.Pattern[str]) -> float:
    """The share of the grain's minutes at the heat that are told of a place."""
    total = sum(m for _, m in heats)
    return sum(m for text, m in heats if pattern.search(text)) / total if total else 0.0


def choose(
    title: str,
    texts: Sequence[str],
    found: Sequence[Clause],
    grain: str,
    cooked: bool,
    ratio: float | None,
    heats: Sequence[tuple[str, float]] = (),
    milky: bool = False,
    whistled: bool = True,
) -> tuple[str, float, list[tuple[str, float]]]:
    """(way, how sure, the other ways that are nearly as likely). heats: the sentence and the minutes of each stretch at the grain's heat. milky: it swims in
    milk, which nobody pours off. whistled: are whistles counted for the grain, and not another's?"""
    tagger = Tagger.load("method")
    texts = [_KEPT_IN_OVEN.sub("", t) for t in texts]
    fs = set(features(title, texts, found, grain, cooked, ratio))
    [(way, sure)] = tagger.tag([sorted(fs)])
    kept = milky or _drained_before(found) or _only_excess(texts)
    likely = [x for x in tagger.others(0, 0.005) if _evident(x[0], fs) and not (kept and x[0] == "drain")]
    others = "in:whistle" not in fs or not whistled
    elsewhere = others and sum(m for _, m in heats) >= OPEN_MIN and not _where(heats, _WHISTLES)
    another_pot = elsewhere and not whistled and "all:whistle" in fs
    if another_pot:
        # "Cook open 40 minutes … pressure cook the beans for 3 whistles"
        likely = [x for x in likely if "pressure" not in x[0]] or [("covered", 0.6)]
    if "all:whistle" in fs and not cooked and not elsewhere:
        likely = _first("pressure", 0.9, likely)
    elif not cooked and any(_COOKED_IN_COOKER.search(as_rice(t)) for t in texts):
        # "cook in the rice cooker … press into a dish, bake 15 minutes"
        likely = _first("rice-cooker", 0.85, likely)
    elif (
        ("all:cooker" in fs or {"all:press_cook", "in:microwave"} <= fs)
        and "simmered" not in fs
        # "porridge setting, 20 mins … NPR": the pot of many programmes
        and not {"all:electric", "all:high_pressure"} <= fs
        and not cooked
    ):
        likely = _first("rice-cooker", 0.85, likely)
    elif "title:cooker" in fs and not cooked and not (heats and _ON_THE_HOB.search("\n".join(texts))):
        # "Salmon rice (rice cooker)": wash, pour, "cook on normal", and no minutes of a hob
        likely = _first("rice-cooker", 0.8, likely)
    elif (
        fs & {"all:electric", "title:electric"}
        and "all:hob_cooker" not in fs
        and fs & {"all:pressure", "all:high_pressure", "title:pressure"}
        and not fs & {"all:whistle", "all:slow"}
        and not cooked
    ):
        likely = _first("electric-pressure", 0.85, likely)
    elif (
        ("in:microwave" in fs and not fs & {"in:oven", "simmered"})
        or ("title:microwave" in fs and ("simmered" not in fs or _where(heats, _IN_MICROWAVE) > 0))
        or _where(heats, _IN_MICROWAVE) >= MOST_MINUTES
    ) and not cooked:
        likely = _first("microwave", _by_place("microwave", likely), likely)
    elif (
        _where(heats, _IN_OVEN) >= MOST_MINUTES
        and not cooked
        # with all its minutes in the oven, what is drained before was soaked
        and not (likely and likely[0][0] in ("steam", "drain") and _where(heats, _IN_OVEN) < ALL_MINUTES)
    ):
        likely = _first("oven", _by_place("oven", likely), likely)
    elif not (cooked or heats) and any(c.grains and _PUT_IN_OVEN.search(c.text) for c in found):
        # "cook in the oven until the liquid is absorbed", and the tagger knows no minutes yet
        likely = _first("oven", 0.7, likely)
    elif not cooked and _HOT_OVEN.search(whole := "\n".join(texts)) and not _ON_THE_HOB.search(whole):
        # "Heat the oven … cook for 2 hours", and nothing stands on a hob
        likely = _first("oven", max(0.85, _by_place("oven", likely)), likely)
    elif (
        not cooked
        and likely
        and _where(heats, _STEAMED) >= MOST_MINUTES
        and (
            "all:steamer" in fs
            or _OVER_WATER.search("\n".join(texts))
            or grain in ("rice-glutinous", "rice-black-sticky")
        )
    ):
        # "spread it on the muslin, set over boiling water, steam 20 minutes"
        likely = _first("steam", 0.85, likely)
    elif not cooked and likely and likely[0][0] == "steam" and "all:steamer" not in fs and _only_its_own_steam(texts):
        # "both lids, medium heat until steam comes from the hole": it stands in its water
        likely = _first("covered", 0.7, likely)
    elif not cooked and likely and likely[0][0] in ("covered", "open", "cooked") and _hisses("\n".join(texts)):
        # "Lid, full flame, hiss, lowest 6 min … leave to drop by itself, nobody touch the valve"
        kind = "electric-pressure" if "all:electric" in fs else "pressure"
        likely = _first(kind, 0.8, likely)
    elif _where(heats, _AT_PRESSURE) >= MOST_MINUTES and not cooked and likely and "pressure" not in likely[0][0]:
        kind = "electric-pressure" if "all:electric" in fs or any(_HP.search(t) for t in texts) else "pressure"
        likely = _first(kind, 0.75, likely)
    elif (
        not cooked
        and likely
        and likely[0][0] in ("covered", "open")
        and _LOCKED_ABROAD.search("\n".join((title, *texts)))
    ):
        # "Riz à l'autocuiseur … fermer et cuire 5 min": its minutes stand in another sentence than its name
        likely = _first("pressure", 0.75, likely)
    elif "all:hob_cooker" in fs and not cooked and likely and likely[0][0] == "electric-pressure":
        likely = _first("pressure", 0.8, likely)
    elif (
        "in:pressure" in fs
        and "simmered" not in fs
        and not (cooked or another_pot)
        and likely
        and "pressure" not in likely[0][0]
    ):
        kind = "electric-pressure" if "all:high_pressure" in fs else "pressure"
        likely = _first(kind, 0.7, likely)
    if not likely:
        return way, sure, []
    lots = "mine:plenty" in fs or ratio is not None and (ratio or PLENTY) >= PLENTY
    plenty = lots and poured_off(found)
    parboiled = not milky and any(_half_done(t) for t in texts)
    # what is parboiled and drained was boiled in plenty, be it baked an hour behind
    first_boiled = (
        likely[0][0] == "oven" and not milky and any(_PARBOILED.search(t) for t in texts) and poured_off(found)
    )
    told = (plenty and not milky) or parboiled or first_boiled or any(_IN_WATER.search(as_rice(t)) for t in texts)
    roasts = likely[0][0] == "oven" and told and poured_off(found) and not _where(heats, _IN_OVEN)
    if told and not cooked and (roasts or first_boiled or likely[0][0] in ("covered", "open")):
        # "Cook the rice in salted water for 10 minutes and drain"
        rest = [(w, min(p, 0.15) if plenty or parboiled or first_boiled else p) for w, p in likely if w != "drain"]
        likely = [("drain", max(0.75, dict(likely).get("drain", 0.0))), *rest]
    total = sum(p for _, p in likely)
    best, p = likely[0]
    first = next((c for c in found if c.verb == "cook" and c.grains and c.before.grain), None)
    simmered = _where(heats, _ON_THE_SIMMER) >= MOST_MINUTES and _where(heats, _IN_OVEN) < 1 - MOST_MINUTES
    if best == "oven" and heats and _where(heats, _IN_OVEN) == 0 and _before_any_oven(texts, heats):
        # "Cook rice in the water, covered, 12 minutes. Heat oven … spoon into a tin, bake": the muffins bake
        best, p = ("drain" if told else "covered"), max(p, 0.7)
    boiled_first = (
        first is not None
        and first.before.wet
        and _ON_THE_SIMMER.search(first.text)
        and not _BROUGHT_TO_IT.search(first.text)
    )
    if best == "oven" and (simmered or boiled_first):
        # it is baked later, as something else; its water went in under a lid, or was poured off
        best, p = ("drain" if told else "covered"), min(p, 0.6)
    ladled = "in:ladle" in fs and (grain == "rice-risotto" or any(_BY_THE_LADLE.search(t) for t in texts))
    if best in ("covered", "drain") and ladled:
        # a lid on it at the end does not make it one cooked under a lid
        best, p = "stirred", max(0.75, dict(likely).get("stirred", 0.0))
    if best == "covered" and "in:uncovered" in fs and "in:lid" not in fs:
        # "simmer uncovered, stirring often", and nobody speaks of a lid
        best, p = "stirred" if "in:stirring" in fs else "open", max(p, 0.6)
    lid = "in:lid" in fs or ("all:lid" in fs and not fs & {"in:stirring", "all:stirring", "all:paella"})
    if best in ("open", "stirred") and lid and not fs & {"all:uncovered", "all:ladle", "all:creamy"}:
        best, p = "covered", min(p, 0.75)
    rival = max((x for w, x in likely if w != best), default=0.0)
    alone = p >= LEAST_UNDER_A_LID and rival <= MOST_OF_A_RIVAL and not fs & _OTHER_THAN_A_LID
    if best == "covered" and alone and grain not in ("rice-paella", "rice-risotto") and _under_a_lid(found):
        # "boil, lid on, 12 min low", and no word of any other way
        p = max(p, 0.88)
    return best, p / total if total > 1 else p, [x for x in likely[1:] if x[1] >= 0.12][:2]


# how likely the words must find a pot under a lid, and at most any other way, that a lid on the grain settles it
LEAST_UNDER_A_LID, MOST_OF_A_RIVAL = 0.45, 0.3
_OTHER_THAN_A_LID = {
    f"{where}:{what}"
    for where in ("all", "title")
    for what in (
        *("uncovered", "stirring", "ladle", "creamy", "porridge", "paella", "stuff", "drain", "oven", "preheat"),
        *("microwave", "whistle", "pressure", "high_pressure", "cooker", "slow", "steamer", "cold", "fried"),
    )
}


def _under_a_lid(found: Sequence[Clause]) -> bool:
    """Is a lid put on the grain?"""
    return any(c.grains and c.before.grain and CLASS["COVER"].search(c.text) for c in found)


_OWN_STEAM = lazy(
    r"\b(?:until|till|when|once)\b[^.;!?]{0,24}\bsteam\b|\bsteam (?:comes|rises|escapes|hole|shoots|starts|stops)\b|\b(?:see|full of|let off|the) steam\b",
    re.I,
)


def _only_its_own_steam(texts: Sequence[str]) -> bool:
    """Is steam only what comes from the pot, and nothing is steamed?"""
    whole = "\n".join(texts)
    return bool(_OWN_STEAM.search(whole)) and not _STEAMED.search(_OWN_STEAM.sub("", whole))


# "Bring to simmer, cover, 375 oven for 35 min"
_BROUGHT_TO_IT = lazy(r"\b(?:bring|come)\w*\b[^.;!?]{0,40}\bto (?:an? )?simmer\b", re.I)


def _before_any_oven(texts: Sequence[str], heats: Sequence[tuple[str, float]]) -> bool:
    """Is the grain cooked, in so many words, in sentences that all stand before the first word of an oven?"""
    whole = "\n".join(texts)
    oven = _IN_OVEN.search(whole)
    places = [whole.find(said.strip()) for said, _ in heats]
    cooked = all(re.search(r"\b(?:cook|simmer|boil)", said, re.I) for said, _ in heats)
    return oven is not None and cooked and all(0 <= at < oven.start() for at in places)


def _hisses(text: str) -> bool:
    """Does the pot hiss or have a valve, and come down from its pressure?"""
    return bool(_VALVE.search(text) and _COMES_DOWN.search(text))


_VALVE = quick(
    r"\b(?:hiss(?:es|ing)?|(?:until|when|once) it (?:hums|whistles)|valve|gasket|(?:the )?weight (?:rocks|jiggles))\b",
    re.I,
)
_COMES_DOWN = lazy(r"\b(?:drops?|falls?|comes? down|lets? (?:it )?(?:drop|fall)|releas\w*|depressuri[sz]\w*)\b", re.I)


def poured_off(found: Sequence[Clause]) -> bool:
    """Is water poured off the grain when it has boiled in it? What a bone or a pepper was boiled in is strained before the grain is in the pot."""

    def boiling(c: Clause) -> bool:
        return c.grains and c.before.grain and (c.before.cooked or c.before.boiled)

    return any(
        c.verb == "drain"
        # "fry for 4 minutes, drain": of its oil
        and before.verb != "fry"
        # "Drain in a colander": a vessel of its own, which says nothing yet of the pot before it
        and (boiling(c) or (_INTO_A_SIEVE.search(c.text) and boiling(before)))
        and _POURED_OFF.search(c.text)
        and not _IF_ANY.search(c.text)
        for before, c in pairwise(found)
    )


def _drained_before(found: Sequence[Clause]) -> bool:
    """Is the grain drained only before it is at any heat? That was its soak; and nothing is said of plenty of water."""
    drains = [i for i, c in enumerate(found) if c.grains and (c.verb == "drain" or _POURED_OFF.search(c.text))]
    hot = [i for i, c in enumerate(found) if c.grains and c.before.grain and (c.before.boiled or c.before.cooked)]
    if drains and not hot:
        # nobody says that it goes in: "Drain the rice, level it over the meat … smallest flame 25 min"
        return any(_AT_A_HEAT.search(c.text) for c in found[max(drains) + 1 :])
    return bool(drains and hot) and max(drains) < min(hot)


_AT_A_HEAT = lazy(r"\b(?:heat|flame|fire|gas|simmer\w*|low(?:est)?|boil\w*)\b[^.;!?]{0,40}\d", re.I)


def _only_excess(texts: Sequence[str]) -> bool:
    """Is all that is drained what may be left over?"""
    drains = [m for t in texts for m in _DRAINS.finditer(t)]
    return bool(drains) and all(_IF_ANY.match(m.string, m.start()) for m in drains)


_DRAINS = quick(r"\bdrain(?:s|ed|ing)?\b", re.I)
_IN_WATER = quick(
    # "Soak rice 1 hour. Boil in the salted water 6 minutes, drain."
    r"\brice\b[^.;!?]{0,40}[.;] ?(?:boil|cook)\w* in (?:(?:the|plenty of|lots of|boiling|salted|fast) )+water[^.;!?\d]{0,24}\d[^.;!?]{0,16}\bmin\w*[^.;!?]{0,24}(?:[.;,] ?)?\s*(?:then |and )?drain|"
    r"\b(?:cook|boil|simmer)\w*\b[^.;!?]{0,50}\b(?:rice|grains?|it)\b[^.;!?]{0,80}\bwater\b(?:[^.;!?]|\d\.\d){0,90}(?:[.;] ?)?\s*\b(?:then |and )?drain(?:ed)?\b",
    re.I,
)
# "6-8 min. Bite: soft edge, firm heart. Drain", "5-7 min - al dente. Drain": what is poured off half done was boiled in plenty, whatever it is steamed in then
_HALF_DONE = quick(
    r"\b(?:\d{1,2}|minutes?|mins?|boil\w*)\b[^;!?]{0,60}\b(?:al dente|(?:firm|hard|chalky|white) (?:heart|core|centre|center|middle|inside)|(?:half|three[- ]quarters?|70 ?%|75 ?%|80 ?%)[- ]?(?:done|cooked))\b[^;!?]{0,40}\b(?:drain|strain|colander|sieve)",
    re.I,
)


_PARBOILED = lazy(r"\bpar-?boil(?:s|ing)?\b[^;:.!?]{0,40}\b(?:rice|grains?|it)\b", re.I)


def _half_done(text: str) -> bool:
    """Is the grain poured off half done: it, and not the lentils, is the last thing named before?"""
    for m in _HALF_DONE.finditer(text):
        last = {k: max((x.start() for x in CLASS[k].finditer(text, 0, m.end())), default=-1) for k in ("GRAIN", *_ELSE)}
        if last["GRAIN"] > max(last[k] for k in _ELSE):
            return True
    return False


_ELSE = ("PULSE", "MEAT")
# "drain if any liquid is left": mostly there is none
_IF_ANY = lazy(r"\bdrain\w*\b[^.;]{0,20}\b(?:if|any|excess|necessary|needed)\b", re.I)
_INTO_A_SIEVE = lazy(r"\b(?:colander|sieve|strainer|chh?ann?i)\b", re.I)
_POURED_OFF = quick(
    rf"\b(?:(?:drain|strain|colander|sieve|pour(?:ed|ing)? (?:off|away))\w*|{POURED_ABROAD})\b",
    re.I,
)


def _first(way: str, least: float, likely: Sequence[tuple[str, float]]) -> list[tuple[str, float]]:
    """This way before all others, and at least so sure."""
    return [(way, max(least, dict(likely).get(way, 0.0))), *(x for x in likely if x[0] != way)]


def _by_place(way: str, likely: Sequence[tuple[str, float]]) -> float:
    """How sure a way is that the minutes' place gives: where the words gave hardly anything to it, it is asked."""
    words = dict(likely).get(way, 0.0)
    return max(0.85, words) if words > 0.3 else 0.75


# not "bring to a simmer", after which it goes into the oven
_ON_THE_SIMMER = lazy(r"(?<!to a )(?<!to the )(?<!gentle )\b(?:simmer|boil)", re.I)
# a way that no word of the steps speaks of is not the way
_EVIDENCE = {
    "microwave": ("all:microwave",),
    "rice-cooker": ("all:cooker", "all:press_cook"),
    "pressure": ("all:whistle", "all:pressure"),
    "electric-pressure": ("all:pressure", "all:high_pressure"),
    "oven": ("all:oven", "all:preheat"),
    "steam": ("all:steam", "all:steamer"),
    "drain": ("all:drain", "all:plenty"),
}


def _evident(way: str, fs: set[str]) -> bool:
    return way not in _EVIDENCE or any(e in fs for e in _EVIDENCE[way])


def features(
    title: str, texts: Sequence[str], found: Sequence[Clause], grain: str, cooked: bool, ratio: float | None
) -> list[str]:
    whole = as_rice("\n".join(texts))
    mine = as_rice("\n".join(c.text for c in found if c.grains))
    grainy = as_rice("\n".join(c.text for c in found if c.grains and (c.before.grain or "grain" in c.things)))
    title = as_rice(title)
    fs = ["bias", f"grain={grain}", f"cooked={cooked}"]
    cooks = _WARMED_IN_MICROWAVE.sub("", whole)
    for k, p in _COMPILED.items():
        # what the steps do not say anywhere, their clauses do not
        if p.search(cooks if k == "microwave" else whole):
            fs.append(f"all:{k}")
            if p.search(mine):
                fs.append(f"mine:{k}")
            if p.search(grainy):
                fs.append(f"in:{k}")
        if p.search(title):
            fs.append(f"title:{k}")
    if ratio is not None:
        r = 0 if ratio < 0.3 else 1 if ratio < 1.2 else 2 if ratio < 2.7 else 3 if ratio < 4.5 else 4
        fs += [f"ratio={r}", f"ratio={r}&drain={'all:drain' in fs}"]
    else:
        fs += ["ratio=?", f"ratio=?&drain={'all:drain' in fs}"]
    if any(c.verb == "drain" and c.grains and (c.before.cooked or c.before.boiled) for c in found):
        fs.append("drained")
    if any(
        c.verb == "cook"
        and c.grains
        and c.before.grain
        and c.before.wet
        and not re.search(r"\bmicrowav|\bbak|\boven|\bpress|\brice[- ]?cooker", c.text, re.I)
        for c in found
    ):
        fs.append("simmered")
    fs.append(f"cooked={cooked}&fried={'all:fried' in fs}")
    return fs
