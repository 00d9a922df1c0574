"""The things of a recipe: what its list holds, what only the steps name, and what is found in talk where nothing else names a grain."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import replace

from ..measures import RANGE_PATTERN, UNIT_PATTERN, Measures, canonical_unit, unit_kind
from ..problems import Problem
from ..process import Span
from ..quick import lazy, quick
from ..recipe import Line
from ..text.amounts import AMOUNT, AND_A_HALF, MOST_ITEM, Item, items, parse
from ..text.times import stretches
from . import ingredients
from .dish import stands_for_listed
from .instead import without
from .names import find_grains, kind_of_rice
from .otherwise import AS_LIKED, OF_ANOTHER
from .structure import NUTRITION, PRICE, Structure
from .ways import instead_blanked
from .words import word_list


def things_in(laid: Structure, text: str, measures: Measures) -> tuple[list[Line], list[Problem]]:
    problems: list[Problem] = []
    lines = listed(laid, text, measures, problems)
    lines = _said_again(_same_tin(lines, problems))
    return lines + in_prose(lines, laid, text, measures, problems), problems


_TAKEN_BACK = lazy(r"\W*(?:sorry|oops|i mean|correction|make that|no wait|wait,? no)\b", re.I)


def _said_again(lines: list[Line]) -> list[Line]:
    """ "1 cup stock", and in the next message "sorry 1.5 cups stock": the second is meant."""
    out: list[Line] = []
    for ln in lines:
        said = _TAKEN_BACK.match(ln.text)
        before = next((x for x in reversed(out) if said and x.name and x.name.lower() in ln.text.lower()), None)
        if before is not None:
            out.remove(before)
            water = (ln.ml or ln.g or 0.0) * before.fraction
            ln = ln.with_(
                name=before.name,
                kind=before.kind,
                role=before.role,
                fraction=before.fraction,
                water=water,
                carrier=before.carrier,
            )
        out.append(ln)
    return [ln.with_(index=n) for n, ln in enumerate(out)]


def _same_tin(lines: list[Line], problems: list[Problem]) -> list[Line]:
    """ "1 can consomme (10½ oz), 1 can water": water is measured in the tin that the other thing came in."""
    sizes = [
        (ln.ml or ln.g or 0.0) / ln.quantity for ln in lines if ln.unit == "tin" and ln.quantity and not ln.carrier
    ]
    sizes = [
        *(x for x in sizes if x),
        *(ln.ml / ln.quantity for ln in lines if ln.unit == "tin" and ln.kind == "stock" and ln.ml and ln.quantity),
    ]
    out = []
    for ln in lines:
        assumed = [p for p in problems if p.code == "assumed_size" and p.where == ln.text]
        if ln.unit == "tin" and ln.kind == "water" and assumed and sizes and ln.quantity:
            ml = sizes[0] * ln.quantity
            ln = ln.with_(ml=ml, g=ml, water=ml * ln.fraction)
            problems[:] = [p for p in problems if p not in assumed]
        out.append(ln)
    return out


# a line of more words than this tells something, and is no list
_MOST_LISTED = 25


def overlooked(laid: Structure, text: str, measures: Measures) -> dict[str, str]:
    """Of a text in which no grain was found: the lines that name one with an amount, whatever they were taken for, and the list they stand in.

    A recipe is not refused because its list reads like talk. class by the line's text.
    """
    out: dict[str, str] = {}
    places = [(a, b, cls, laid.plain[a:b]) for a, b, cls, _ in laid.classes]
    for n, (a, b, cls, told) in enumerate(places):
        named = _mentions(told[:MOST_ITEM], measures)
        grains = [i for i in named if find_grains(i.text)]
        if cls in ("ingredient", "ingredients") or not grains:
            continue
        if len(named) > len(items(told, measures, True)) or len(told.split()) > _MOST_LISTED:
            out[" ".join(text[a:b].split())] = "step" if any(stretches(told)) else "ingredients"
            continue
        out[" ".join(text[a:b].split())] = "ingredients" if len(named) > 1 else "ingredient"
        for way in (-1, 1):
            k = n + way
            while 0 <= k < len(places) and places[k][2] in ("chatter", "meta", "note", "title"):
                upper, lower = sorted((places[k - way], places[k]))
                if text[upper[1] : lower[0]].count("\n") > 1 or not _LISTED.search(places[k][3]):
                    break
                out[" ".join(text[places[k][0] : places[k][1]].split())] = "ingredient"
                k += way
    return out


# an amount, or what a list sets apart by dots and dashes
_LISTED = lazy(r"\.{3,}|\s[–—]\s|^\W*(?:\d|[½¼¾⅓⅔])|(?:\d|[½¼¾⅓⅔])[^.!?]{0,12}$")


def listed(laid: Structure, text: str, measures: Measures, problems: list[Problem]) -> list[Line]:
    out: list[Line] = []
    for piece, many in laid.lines:
        first = len(out)
        # what is offered instead measures nothing of the pot
        own, stood = without(piece.text)
        as_much = _AND_AS_MUCH.search(own) if own == piece.text else None
        if as_much:
            own = own[: as_much.start()]
        for item in items(own, measures, many or _lists_foods(own)):
            item = _in_its_line(item, piece.text, stood)
            line = ingredients.lines_of_item(item, text, piece.span.start, len(out), piece.section, problems)
            if len(out) > first and _LESS_OF_IT.match(line.text):
                # "water to the 2 mark, minus 2T": of the same water
                span = Span(out[-1].span.start, line.span.end)
                out[-1] = out[-1].with_(text=" ".join(text[span.start : span.end].split()), span=span)
                continue
            out.append(_of_the_same(line, out[-1]) if len(out) > first and _MORE.match(line.name) else line)
        if as_much and len(out) > first and (more := _as_much_of(as_much, out[-1], piece.span.start)):
            out.append(more)
    return out


# "half a litre of milk, and the same of vegetable stock"
_AND_AS_MUCH = lazy(
    r"(?:,|;|\band|&|\+)\s*(?:and |plus )?(?P<all>(?P<much>(?:the |an? )?(?:same|equal)(?: again)?(?: (?:amount|quantity|volume))?(?: again)?) (?:of|in) (?P<of>(?:(?:hot|cold|boiling|warm|chicken|vegetable|veg|beef|fish|coconut) )*(?:water|stock|broth|milk|cream)))\b",
    re.I,
)


def _as_much_of(m: re.Match[str], before: Line, start: int) -> Line | None:
    """The line of a second liquid, of which there is as much as of the one before it."""
    kind = ingredients.kind_of(m["of"])[0]
    if kind is None or not before.fraction or not before.ml:
        return None
    much = Span(0, m.end("much") - m.start("all"))
    at = start + m.start("all")
    return ingredients.liquid(
        before.index + 1,
        m["all"],
        at,
        before.section,
        m["of"],
        kind,
        before.ml,
        much,
        before.quantity,
        before.unit,
    )


def _in_its_line(item: Item, line: str, stood: tuple[int, ...]) -> Item:
    """An item of a line without its offers, at its places in the line; to what is offered in its stead it reaches on. stood: where each letter did."""
    if len(stood) == len(line) + 1:
        return item

    def there(a: int, b: int) -> tuple[int, int]:
        return stood[a], stood[b - 1] + 1 if b > a else stood[a]

    start, end = there(item.start, item.end)
    reach = stood[item.end]
    offered = line[end:reach]
    end = end + len(offered.rstrip(" ,;|•·")) if offered.strip() else end
    return replace(
        item,
        start=start,
        end=end,
        text=line[start:end],
        name_span=None if item.name_span is None else there(*item.name_span),
        amount_span=None if item.amount_span is None else there(*item.amount_span),
    )


# of the parts of a line between commas, so many, so short, mostly foods: a list
LEAST_LISTED_FOODS, MOST_WORDS, MOSTLY_FOODS = 4, 3, 0.6


def _lists_foods(text: str) -> bool:
    """ "ghee, mustard, curry leaves, 2 cloves, 1 cinnamon": things, though no amount leads most of them."""
    parts = [p.split() for p in text.split(",") if p.strip()]
    if len(parts) < LEAST_LISTED_FOODS or any(len(p) > MOST_WORDS for p in parts):
        return False
    known = sum(re.sub(r"(?<=[^s])s$", "", p[-1].lower()) in ingredients.foods() for p in parts)
    return known >= MOSTLY_FOODS * len(parts)


_LESS_OF_IT = lazy(r"(?:minus|less)\b", re.I)
_MORE = lazy(r"(?:more|extra|again|(?:for )?later|afterwards|to finish|at the end|then)\b", re.I)


def _of_the_same(line: Line, before: Line) -> Line:
    """ "400 ml milk + 200 ml more later": milk too."""
    if not before.fraction or not line.ml:
        return line
    return line.with_(
        name=before.name,
        kind=before.kind,
        fraction=before.fraction,
        carrier=before.carrier,
        role=before.role,
        water=line.ml * before.fraction,
    )


_NAME_AFTER = lazy(
    r"\s*(?:of\s+)?(?:the\s+|that\s+|good\s+|your\s+|(?:well[- ])?(?:washed|rinsed|drained|cleaned)\s+)*(?P<name>(?:[^\W\d_]+(?:['-][^\W\d_]+)*\s+){0,4}[^\W\d_]+(?:['-][^\W\d_]+)*)",
    re.I,
)
_STOP = r"(?:and|then|in|into|to|until|till|with|on|over|or|at|for|when|so|if|but|go|goes|is|are|you|from|per|each|beside|more|stir\w*|add|bring|cover|simmer|cook|boil|pour|put|chopped|sliced|sorry|um|uh|not|which|that|washed|rinsed)"
_IF_NEEDED = quick(
    r"\b(?:not yet|if (?:it|the|needed|necessary|dry|too|you|still|not|any)|more if|extra|top up|splash|another(?! (?:large |small |big |heavy |wide )?(?:pan|pot|saucepan|skillet|bowl|dish|cooker))|too (?:thick|dry)|unsoaked|skip|instead|brown rice:|use up to)\b",
    re.I,
)
_SKIP = lazy(r"\bskip\b", re.I)
# "a small glass of white wine (say 100 ml; leave it out for children)"
_HOLDS_SO_MUCH = lazy(r"\s*\((?:say |about |abt |ca\.? |~ ?)?(?P<n>\d{2,4}) ?(?P<u>ml|cl)\b", re.I)
_WEIGHS = lazy(
    r"\s*(?:\((?:that's |that is )?(?:say |about |abt |ca\.? |~ ?|roughly )?\d{2,4} ?(?:g|gr|grams?|oz|ml)\.?\)"
    # "one cup of rice, that's about 150 grams, and half a cup of peas"
    r"|\s?[,–—-]\s*(?:(?:that'?s|that is|which is|it'?s) )?(?:say |about |abt |ca\.? |~ ?|roughly |around )\d{2,4} ?(?:g|gr|grams?)\b(?=\s*(?:[,.;–—-]|and\b|$)))",
    re.I,
)
_MORE_OF_IT = lazy(r"\b(?:a further|another|an extra|an additional)\s+$", re.I)
_MEANT = quick(r"[\s,.…-]*(?:sorry|no|wait|i mean|rather|make that)\b[\s,.…\w]{0,20}$", re.I)
# where what was begun ends: "rinse 300 g jasmine, put in a pan with 375 ml water"
_OTHERWISE = lazy(
    r"[.;!?]|, (?=\d)|, (?:(?:and|then) )*(?=(?:put|add|pour|tip|place|bring|boil|cook|simmer|into|in)\b)"
    # "rinse the rice and cook with 260 ml water"
    r"|\b(?:and|then) (?=(?:bring|boil|cook|simmer)\b)",
    re.I,
)
_THEN_ANOTHER = lazy(r",? (?:and )?then (?=(?:add|pour|tip|stir|cover|top with)\b)", re.I)
# "600 ml stock; if it looks dry later add a splash more": the condition is of what comes behind it
_ADDED_LATER = lazy(r"[.;] ?(?=if [^.;!?]{2,30}\b(?:add|pour|splash|top up|give it)\b)", re.I)
# "add a glass of water and let it cook away": none of it is left for the grain
COOKED_AWAY = lazy(
    r"[^.;!?]{0,24}\b(?:let|until|till|leave|allow)\b[^.;!?]{0,24}?\b(?:(?:cook|boil|bubble|simmer)\w*(?: it)? (?:away|off)|evaporat\w*|(?:has|have|is|'s) (?:all |almost |nearly )?(?:gone|cooked away|boiled away))\b",
    re.I,
)
_WATER_YET = lazy(r"\d ?(?:ml|cl|dl|l|litres?|liters?|cups?|pints?|oz)\b[^.;!?\n]{0,30}\b(?:water|stock|broth)\b", re.I)
_SOAKING = lazy(
    r"\b(?:soak(?!ed (?:[^\W\d]+ )?(?:beans?|peas?|lentils?|chickpeas|dal|pulses?)\b)\w*|rinse(?! out)|wash|cover (?:the rice |it |them )?with)\b",
    re.I,
)


# "soak the rice in 500 ml water and cook it 12 minutes"
_COOKED_IN_IT = lazy(
    r",? (?:and |then )+(?:cook|boil|simmer) (?:it|them|the rice|in it)\b(?![^.;!?]{0,60}\b(?:fresh|new|other|clean)\b)",
    re.I,
)
# "wash in 3 changes of water"
_A_WASH = lazy(r"(?:changes?|washe?s|rinses?|rounds?) (?:of|in)\b", re.I)
_FAR_BEHIND = 80
# of an amount in the steps, what the list must have of the same liquid to be it
LEAST_LISTED = 0.4


def in_prose(lines: list[Line], laid: Structure, text: str, measures: Measures, problems: list[Problem]) -> list[Line]:
    """What only the steps name: all of a recipe told as prose; of one with a list the grain or liquids the list leaves out."""
    have_grain = any(ln.grain for ln in lines)
    alone = len(lines) < 3
    kinds: dict[str, float] = {}
    for ln in lines:
        if ln.fraction and ln.ml:
            kinds[ln.kind] = kinds.get(ln.kind, 0.0) + ln.ml
    known = {(ln.kind, round(ln.ml or 0)) for ln in lines if ln.fraction}
    # a grain that neither list nor steps name may stand in the talk around them
    elsewhere = not have_grain and bool(laid.steps)
    mine = instead_blanked([p.text for p in laid.steps], [p.section for p in laid.steps])
    pieces = [*laid.steps, *(laid.notes if alone or elsewhere else [])]
    out: list[Line] = []
    for piece in pieces:
        n = laid.steps.index(piece) + 1 if piece in laid.steps else 0
        if n and not mine[n - 1].strip():
            # another way to cook it
            continue
        if not n and (PRICE.match(piece.text) or len(NUTRITION.findall(piece.text)) > 1):
            # what it costs, or feeds, is nothing that goes in
            continue
        for item in _mentions(piece.text, measures):
            if (n and not mine[n - 1][item.start : item.end].strip()) or _A_WASH.match(item.name):
                # a bigger pot's, or another way's; or it is poured away
                continue
            line = ingredients.lines_of_item(
                item, text, piece.span.start, len(lines) + len(out), f"step {n}" if n else "", problems
            )
            # "deglaze with a splash of water, then pour in 600 ml" is no splash
            before = _THEN_ANOTHER.split(piece.text[max(0, item.start - 50) : item.end])[-1]
            # "a glass of wine (skip it if you like)" is meant all the same
            then = AS_LIKED.sub("", OF_ANOTHER.sub("", piece.text[item.end : item.end + _FAR_BEHIND]))
            around = before + _SKIP.sub("", _ADDED_LATER.split(then)[0][:25])
            if not alone and not n and not line.grain:
                continue
            if not n and line.fraction and any(x.kind == line.kind and x.ml for x in out):
                # the steps have poured their water; what is said of it beside them is another pot's
                continue
            if line.grain:
                keep = not have_grain and not any(x.grain == line.grain for x in out)
            elif line.fraction and line.ml:
                # "and a further ½ pint of stock" is more than the list has of it
                listed = not _MORE_OF_IT.search(piece.text[max(0, item.start - 20) : item.start]) and (
                    # "4 tbsp warm water" for the sauce is not the 375 ml the rice is cooked in
                    kinds.get(line.kind, 0.0) >= LEAST_LISTED * line.ml or (line.kind, round(line.ml)) in known
                )
                # "BEANS: …, 8 c. water" and "RICE: 2 c. Carolina gold, 3 c. water": it stands with the grain it is for
                listed = listed and not _of_a_part(line, lines, piece.text, item.start)
                listed = listed and not (
                    out and out[-1].grain and _BESIDE_IT.fullmatch(text[out[-1].span.end : line.span.start])
                )
                keep = (
                    not listed
                    and not _IF_NEEDED.search(around)
                    and not (
                        line.kind == "water"
                        and not find_grains(before)
                        and COOKED_AWAY.match(piece.text, item.end)
                        # "600 ml water, and cook until it has gone" is the grain's, if no other comes
                        and _WATER_YET.search(
                            "\n".join((piece.text[item.end :], *(p.text for p in laid.steps[n:] if n)))
                        )
                    )
                    # nobody soaks or washes in coconut milk or stock
                    and not (
                        line.kind == "water"
                        and _SOAKING.search(_OTHERWISE.split(piece.text[max(0, item.start - 50) : item.end])[-1])
                        and not _COOKED_IN_IT.match(piece.text, item.end)
                    )
                )
                known.add((line.kind, round(line.ml)))
            else:
                keep = alone and line.quantity is not None and (line.kind != "" or bool(line.unit))
            if keep and out and _MEANT.match(text[out[-1].span.end : line.span.start]) and out[-1].kind == line.kind:
                # "two and a half cups, sorry, two and a quarter": the second is meant
                out.pop()
            if keep:
                out.append(line.with_(index=len(lines) + len(out)))
    return [*out, *_forgotten([*lines, *out], laid, text, measures)]


def _of_a_part(line: Line, lines: list[Line], text: str, at: int) -> bool:
    """ "Cook rice in 1½ c water", and the list's one cup stands under the sauce: it is no part of that."""
    theirs = [ln for ln in lines if ln.fraction and ln.ml and ln.kind == line.kind]
    mine = next((ln for ln in lines if ln.grain), None)
    if mine is None or not theirs or any(ln.section == mine.section or find_grains(ln.section) for ln in theirs):
        return False
    said = re.split(r"[.;!?]\s", text[max(0, at - 80) : at])[-1]
    return bool(find_grains(said)) and (line.ml or 0.0) > 1.15 * sum(ln.ml or 0.0 for ln in theirs)


def _one_of(word: str) -> str:
    """Without the s of many."""
    return word[:-1] if word[-1:] == "s" and word[-2:-1] not in ("", "s") else word


def foods_in(text: str) -> Iterator[tuple[int, int]]:
    """Places of what can be eaten, two words before one."""
    for m in _JUICE.finditer(text):
        yield m.span()
    for m in _CLOVES.finditer(text):
        # the garlic's stand alone; the spice stands among its like
        if _WHOLE_SPICE.search(text[max(0, m.start() - 60) : m.end() + 60]):
            yield m.span()
    words = [(m.start(), m.end(), _one_of(m[0].lower().replace("pepper-", "pepper"))) for m in _WORDS.finditer(text)]
    taken = -1
    for i, (start, end, word) in enumerate(words):
        # the word behind it, if nothing but a blank stands between
        then = words[i + 1] if i + 1 < len(words) and text[end : words[i + 1][0]] == " " else None
        if then and f"{text[start:end].lower()} {then[2]}" in ingredients.foods():
            taken = i + 1
            yield start, then[1]
        elif i > taken and word in ingredients.foods():
            if then and text[then[0] : then[1]].lower() in word_list("food_part") and word not in ("oil", "butter"):
                taken, end = i + 1, then[1]
            yield start, end


_WORDS = lazy(r"[^\W\d_]+(?:-[^\W\d_]+)*")
_JUICE = quick(
    r"\b(?P<part>juice|zest|rind|peel) of (?:(?:an?|one|two|three|half an?|the|\d+|[½¼]) )?(?:small |large |whole )?(?:lemon|lime|orange)s?\b",
    re.I,
)
_CLOVES = quick(r"(?<!garlic )(?<!fat )\bcloves\b(?! (?:of |garlic))", re.I)
_WHOLE_SPICE = quick(r"\b(?:cinnamon|cardamoms?|bay|pepper ?corns?|cumin|nutmeg|mace|anise|allspice)\b", re.I)
_FROM_THE = lazy(r"dal\s+(?:fuoco|forno|fornello|brodo|riso)\b", re.I)
_EATEN_WITH = lazy(r"\b(?:serv(?:e[ds]?|ing)|eat|eaten|topp?(?:ed)?|pass)\b[^.;]{0,12}\bwith\b[^.;]{0,40}$", re.I)
# "Squash them for the little ones", "Juice it": a deed, and no food
_DOES_IT = quick(r" (?:them|it|these|those)\b", re.I)
_NOT_THERE = quick(
    r"\b(?:no|without|instead of|or|like|than|not|as for|size of an?|if using|optional)\s+(?:\w+\s+)?$", re.I
)


def _forgotten(lines: list[Line], laid: Structure, text: str, measures: Measures) -> list[Line]:
    """What goes in by the steps and stands in no list: without an amount, but said, so that it is bought and not lost."""
    listed = " ".join(ln.text.lower() for ln in lines)
    out: list[Line] = []
    for n, piece in enumerate(laid.steps, 1):
        for start, end in foods_in(piece.text[:6000]):
            said = piece.text[start:end].lower()
            part = _JUICE.fullmatch(said)
            head = part["part"] if part else re.sub(r"(?:es|s)$", "", said.split()[-1])
            if said == "dal" and _FROM_THE.match(piece.text, start):
                # "fuori dal fuoco"
                continue
            if (
                head in listed
                or stands_for_listed(said, listed)
                or _NOT_THERE.search(piece.text[max(0, start - 40) : start])
                or _DOES_IT.match(piece.text, end)
                or len(out) > 30
            ):
                continue
            item = parse(piece.text, start, end, measures)
            line = ingredients.lines_of_item(item, text, piece.span.start, len(lines) + len(out), f"step {n}", [])
            if line.grain or (line.fraction and not _EATEN_WITH.search(piece.text[max(0, start - 60) : start])):
                continue
            if line.fraction:
                # a sauce at the table wets no grain
                line = line.with_(kind="", fraction=0.0, water=0.0, ml=None, carrier=False)
            listed += " " + said
            out.append(line)
    return out


# "Water to cover by 2 cm (about 1.2 l)": what stands in the bracket is of the water before it
_COVERED_BY = quick(
    rf"\b(?P<what>(?:(?:boiling|hot|cold|fresh) )?(?:water|stock|broth))\b[^.;()]{{0,12}}\b(?:cover|come|stand|reach|above|over|below|top)(?:[^.;()]|\d\.\d){{0,40}}\((?:about|abt|ca\.?|approx\.?|~|around|roughly|some)?\s*(?P<a>{RANGE_PATTERN}\s*(?:{UNIT_PATTERN}))(?![\w])\s*\)",
    re.I,
)
# "a large pot of water (3 litres)", "boiling water (about 500 ml)"
_SAID_BEHIND = quick(
    rf"\b(?P<what>(?:(?:boiling|hot|cold|warm|salted) )?(?:water|stock|broth))\s*\((?:about |abt |ca\.? |approx\.? |~ ?|roughly |say )?(?P<a>{RANGE_PATTERN}\s*(?:{UNIT_PATTERN}))(?![\w])\s*\)",
    re.I,
)
# "water 5 cups. when it boils", "pani 2 glass, namak"
_LIQUID_FIRST = quick(
    rf"\b(?P<what>(?:(?:hot|boiling|cold|warm) )?(?:water|stock|broth|pani|maji|coconut milk|milk))\s*[:=-]?\s*(?P<a>{RANGE_PATTERN}\s*(?:{UNIT_PATTERN}))(?![\w'])(?=\.?\s*(?:[,.;)]|$|\n|(?:and|when|then|in|to|put|add|boil|bring|salt|lid|cover|on high|on low)\b))",
    re.I,
)
# "a bit of water from the 4 cups"
_OUT_OF_SO_MUCH = lazy(
    rf"\b(?P<what>water|stock|broth) (?:from|out of|of) the (?P<a>{RANGE_PATTERN}\s*(?:{UNIT_PATTERN}))(?![\w])", re.I
)
_STATE = quick(r"(?:raw|uncooked|cooked|dry)\b(?! (?:and|or)? ?[^\W\d]{4,})", re.I)
_COOKED_BEHIND = lazy(
    rf"[^.;!?\n\d,–—-]{{0,20}}[,–—-]?\s*(?:like |about |say |abt |around |roughly )?{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})\.?\s*(?:of it )?(?:cooked|boiled|raw|uncooked)\b",
    re.I,
)
LONGEST_ABBREVIATION = 3
_SENTENCE_ENDS = lazy(r"\.\s+(?=[A-Z])")
# "maybe 900 ml. Roast the squash first"
_BIDS_THEN = lazy(rf"\.?\s+(?:{'|'.join(w.capitalize() for w in sorted(word_list('verbs')))})\b")
_BESIDE_IT = lazy(r"[,;+&\s]*(?:and |with |to |in )?")
# "let it sit ten take the bay leaves out", spoken without a stop: no ten of a thing
_TELLS = quick(r"(?:take|remove|pull|fluff|fork|serve|stir|open|then|do|don't)\b", re.I)
_DONE_TO_IT = quick(r"(?:soak|wash|rinse|drain|boil|cook|steam)(?:ed|s)?(?=\b|\d)", re.I)
_PART_OF = quick(
    r"(?:an? )?(?:half|third|quarter|two thirds|three quarters|one third|one half)(?: of)? +(?:the|that|this|it|them|your)\b",
    re.I,
)


_AND_SO_MUCH = lazy(rf"\s*(?:\+|plus|&)\s*{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})(?![\w'])\.?", re.I)
# "3 cups rice, the parboiled one"
_THE_KIND = lazy(r",? the (?:[^\W\d_]+[- ]){1,2}(?:one|kind|sort|type)\b", re.I)
_HOW_IT_IS = quick(r"(?:ready|hot|warm|boiling|simmering|by|aside|near(?:by)?|handy)", re.I)
_LIQUIDS = lazy(r"\b(?:water|stock|broth|bouillon|dashi)\b", re.I)


def _or_else(text: str, end: int) -> int:
    """Characters of the other choice behind a thing: "1/2 tsp butter or oil", "300 g of arborio or double-carolina rice"."""
    for m in re.finditer(r"\s+or(?=\s)", text[end : end + 4]):
        for words in range(1, 4):
            other = re.match(
                rf"\s+(?:[^\W\d_]+(?:-[^\W\d_]+)*\s+){{{words - 1}}}(?P<last>[^\W\d_]+)\b", text[end + m.end() :]
            )
            if other is None:
                break
            if other["last"].lower() in ingredients.foods() or find_grains(other[0]):
                return m.end() + other.end()
    return 0


_SALT_NEXT = quick(r"\s*(?:salt|namak|oil|ghee|butter)\b", re.I)
_LIQUID_BEFORE = lazy(r"\b(?:water|stock|broth|pani|maji|milk)\s*[:=-]?\s*$", re.I)


def _mentions(text: str, measures: Measures) -> list[Item]:
    """Amounts with the name that follows or, for the grain, stands before."""
    out: list[Item] = []
    end_before = 0
    for m in AMOUNT.finditer(text):
        unit = canonical_unit(m["u"] or "") or ""
        if m.start() < end_before or (not m["u"] and m["n"].lower() in ("a", "an")):
            continue
        if (m["u"] or "").lower() in ("pot", "bowl", "basin") and m["n"].lower() in ("a", "an", "one"):
            # "over a pot of boiling water" says where, and not how much
            continue
        measured = bool(unit)
        more = AND_A_HALF.match(text, m.end()) if measured else None
        stated = more.end() if more else m.end()
        if measured and (plus := _AND_SO_MUCH.match(text, stated)):
            # "1½ cups + 6 tbsp water"
            stated = plus.end()
        after = text[stated:]
        if not measured and _PART_OF.match(f"{m['n']} {after[:12]}"):
            # "half the tomatoes" are no other tomatoes
            continue
        if measured and _SALT_NEXT.match(after) and _LIQUID_BEFORE.search(text, max(0, m.start() - 20), m.start()):
            # "water 2 cup salt. boil": nobody salts with cups
            continue
        bracket = re.match(r"\s*\([^)]*\)", after)
        at = stated + (bracket.end() if bracket else 0)
        name = _NAME_AFTER.match(text, at)
        if not name or (
            (len(m["u"] or "") > LONGEST_ABBREVIATION or _BIDS_THEN.match(text, m.end()))
            and _SENTENCE_ENDS.match(text, m.end() - m[0].endswith("."))
        ):
            # "Rice 1.5 mana. Wash."
            continue
        cut = re.search(rf"\s+{_STOP}\b", name["name"] + " ", re.I)
        words = name["name"][: cut.start()] if cut else name["name"]
        bids = words.split()[0].lower() if words and measured and "." in text[m.end() - 1 : name.start("name")] else ""
        named = bool(bids) and any(f.span.start == 0 for f in find_grains(words))
        if not named and (bids in word_list("verbs") or bids in ("soak", "wash", "rinse")):
            # "water 200-220ml. soak 20": what stands behind the stop is no name, but for "1 c. brown rice"
            continue
        if re.match(rf"{_STOP}\b", words, re.I) or not words or (not measured and _TELLS.match(words)):
            continue
        if measured and unit_kind(canonical_unit(words) or "") in ("cup", "measure", "vessel"):
            # "1 mug basmati (200ml mug)"
            continue
        if measured and _HOW_IT_IS.fullmatch(words) and ingredients.kind_of(words)[0] is None:
            # "the broth must be boiling in another pot: keep 1.2 litres ready"
            of = list(_LIQUIDS.finditer(re.split(r"[.;!?]\s", text[max(0, m.start() - 90) : m.start()])[-1]))
            if of and unit_kind(unit) in ("volume", "cup", "measure", "vessel"):
                told = parse(text, m.start(), stated, measures)
                told.name = of[-1][0]
                out.append(told)
                end_before = stated
            continue
        end = name.start("name") + len(words)
        kind = ingredients.kind_of(words)[0]
        wet = kind is not None and kind.water > 0
        stop = re.search(r"[.;!?\n](?!\d)", text[end : end + 30])
        window = end + (stop.start() if stop else 30)
        if another := AMOUNT.search(text, end, window):
            # "2 tbsp butter, 1.5 c short grain rice": that is the next thing's
            window = another.start()
        grains = [] if wet else find_grains(text[m.start() : min(len(text), window)])
        if grains and grains[0].span.start + m.start() <= end + 12:
            end = max(end, m.start() + grains[0].span.end)
            tail = re.match(r"[^,.;\n]{0,30}", text[end:])
            if tail and re.search(r"\b(?:type|one|kind|grain|basmati|jasmine)\b", tail[0]):
                end += tail.end()
            elif which := _THE_KIND.match(text, end):
                end = which.end()
        elif kind is None and (not measured or _STATE.match(words)):
            # "150g raw the night before" is of what was spoken of
            continue
        end += _or_else(text, end)
        size = re.match(r"\s*\([^()]{2,40}\)", text[end:]) if unit in ("tin", "packet") else None
        if size and AMOUNT.search(size[0]):
            # "1 can coconut milk (400 ml)"
            end += size.end()
        elif grains and (weighs := _WEIGHS.match(text, end)):
            # "a teacup of long grain rice (about 200g)"
            end = weighs.end()
        if re.match(r"\s*(?:min|hour|second|degrees|people|times|parts?)", after, re.I) or re.match(
            r"\s*(?:rice )?cooker\b(?! cups?)", text[end:], re.I
        ):
            continue
        item = parse(text, m.start(), end, measures)
        if unit_kind(unit) in ("measure", "vessel") and (holds := _HOLDS_SO_MUCH.match(text, end)):
            item.ml = float(holds["n"]) * (10.0 if holds["u"].lower() == "cl" else 1.0)
        out.append(item)
        end_before = end
    for m in _COVERED_BY.finditer(text):
        if not any(i.start < m.end() and m.start("a") < i.end for i in out):
            told = parse(text, m.start("a"), m.end("a"), measures)
            told.name = m["what"]
            out.append(told)
    for m in _SAID_BEHIND.finditer(text):
        if not any(i.start < m.end("a") and m.start("what") < i.end for i in out):
            told = parse(text, m.start("a"), m.end("a"), measures)
            told.name = m["what"]
            out.append(told)
    for m in _LIQUID_FIRST.finditer(text):
        if not any(i.start < m.end("a") and m.start("a") < i.end for i in out):
            told = parse(text, m.start("what"), m.end("a"), measures)
            out.append(told)
    for m in _OUT_OF_SO_MUCH.finditer(text):
        if not any(i.start < m.end("a") and m.start("a") < i.end for i in out):
            told = parse(text, m.start("a"), m.end("a"), measures)
            told.name = m["what"]
            out.append(told)
    for g in find_grains(text):
        # "Rice is two mugs", "rice 2 cups"
        if any(i.start <= g.span.start < i.end for i in out):
            continue
        if cooked := _COOKED_BEHIND.match(text, g.span.end):
            # "leftover rice is best, like 400g cooked"
            out = [i for i in out if i.end <= g.span.start or cooked.end() <= i.start]
            out.append(parse(text, g.span.start, cooked.end(), measures))
            continue
        m2 = re.match(r"\s*(?:is|are|[-:=(]|\.{2,}|…|about)?\s*", text[g.span.end :])
        a = AMOUNT.match(text, g.span.end + (m2.end() if m2 else 0))
        there = next((i for i in out if a and i.start < a.end() and a.start() < i.end), None)
        if there and _DONE_TO_IT.match(there.name):
            # "basmati 2c soak30": what is done with it is no thing
            out.remove(there)
            out.append(parse(text, g.span.start, a.end() if a else there.end, measures))
            continue
        if there and (
            find_grains(there.text)
            or kind_of_rice(f"{there.name} rice") is None
            or ingredients.kind_of(there.name)[0] is not None
        ):
            # "Rice: 2 cups jasmine rice" is said once, and of "coconut rice: a tin of coconut milk" the tin holds none
            continue
        if there:
            # "Rice 200 g easy-cook": the kind stands behind, and is the rice's
            out.remove(there)
            out.append(parse(text, g.span.start, there.end, measures))
            continue
        if a and a["u"] and canonical_unit(a["u"]) and unit_kind(canonical_unit(a["u"]) or "") != "count":
            out.append(parse(text, g.span.start, a.end(), measures))
    return sorted(out, key=lambda i: i.start)
