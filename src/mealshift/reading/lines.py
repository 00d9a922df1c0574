"""Which line of a text is what: a trained tagger over the lines' shapes and their neighbours.

Classes: title, servings, meta (times, calories, sources), heading (Ingredients, Method), section ("For the sauce"), ingredient,
ingredients (several in one line), step, note (tips, storage), chatter. The tagger is a linear-chain CRF; its weights ship in models/ and are made
by `make train-reading` (docs/reading.md says on which texts, docs/decisions/0007 why). A heading is a strong feature, not a command.
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass

from ..measures import RANGE_PATTERN, UNIT_PATTERN
from ..quick import lazy, quick
from ..text.plain import TextLine
from ..text.times import stretches
from .crf import Tagger
from .names import as_rice, find_grains
from .words import word_list

CLASSES = ("title", "servings", "meta", "heading", "section", "ingredient", "ingredients", "step", "note", "chatter")

_ING = quick(
    r"\b(?:ingredients?|you(?:'ll| will)? need|what you(?:'ll)? need|what goes in|zutaten|ingredientes|ingredienti|ingrédients|ingredienser|shopping list|need)\b",
    re.I,
)
_STEPS = quick(
    r"\b(?:method|directions?|instructions?|steps?|procedure|preparation|how to|what to do|to (?:make|cook|prepare)|making it|cooking|preparación|preparazione|preparação|préparation|elaboración|procedimiento|procedimento|modo de preparo|zubereitung|fremgangsmåde)\b",
    re.I,
)
_NOTES = quick(
    r"\b(?:notes?|tips?|storage|to store|variations?|faqs?|substitut\w+|make[- ]ahead|leftovers?|freezer|comments?|reviews?)\b",
    re.I,
)
# what others say under a page
_TALK = lazy(
    r"\b(?:comments?|reviews?|guest ?book|thoughts? on|repl(?:y|ies)|responses?|what (?:others|readers) say|leave a)\b",
    re.I,
)
_SERVES = quick(r"\b(?:serves|serving[s]?|feeds|yields?|makes|portions?|people|persons?|pax|servings?:)\b", re.I)
_META = quick(
    r"\b(?:prep(?:aration)?|cook(?:ing)?|total|ready|active|soak(?:ing)?|resting|chill(?:ing)?|time|difficulty|cuisine|course|category|author|calories|kcal|rating|print|nutrition|published|updated|source|level|cost|keywords?|pin|jump|allergens?|diet)\b",
    re.I,
)
_FOR = lazy(r"^(?:for|to)\b", re.I)
_AMOUNT = lazy(rf"^(?:about |abt |approx\.? |a |the )?{RANGE_PATTERN}", re.I)
_AMOUNT_UNIT = lazy(
    rf"^(?:about |abt |approx\.? )?{RANGE_PATTERN}\s*-?\s*(?:(?:scant|heaped|heaping|level|generous|small|large|big|good)\s+)?(?:\(?x?\s*[\d.,]+\s*-?\s*)?(?:{UNIT_PATTERN})(?![\w])",
    re.I,
)
_ANY_UNIT = lazy(rf"{RANGE_PATTERN}\s*-?\s*(?:{UNIT_PATTERN})(?![\w])", re.I)
_TAIL = lazy(rf"(?:[:,–—=-]|\s)\s*(?:about )?{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})?\.?(?:\s*\([^)]*\))?$", re.I)
_WORDS = lazy(r"[^\W\d_]+")
_MAYBE_TIME = quick(r"min|hour|hr|\bh\b|\d\s?m\b|night|sec|\bm[nt]s?\b|\d'|another|leave|rest|last", re.I)
_UNITISH = quick(r"[\d½¼¾⅓⅔]|\b(?:one|two|three|four|half|a|an)\b", re.I)
_URL = lazy(r"https?:|www\.|\.com\b|@\w|#\w")
_VERBS = word_list("verbs")
_DIGIT = lazy(r"\d")
_PREPARED = quick(
    r"\b(?:to taste|chopped|sliced|diced|minced|peeled|grated|drained|rinsed|optional|for (?:serving|garnish)|to serve)\b"
)
_COOKS = quick(r"\b(?:until|till|then|heat|simmer|cover|stir|boil)\b")
_I = quick(r"\b(?:i|i'm|i've|my|we|our|me|us)\b", re.I)


@dataclass(frozen=True, slots=True)
class Tagged:
    """One line with its class and how sure the tagger is (0 … 1)."""

    line: TextLine
    cls: str
    sure: float


def tag(lines: Sequence[TextLine]) -> list[Tagged]:
    if not lines:
        return []
    return [Tagged(ln, cls, p) for ln, (cls, p) in zip(lines, _tagger().tag(features(lines)), strict=True)]


def _tagger() -> Tagger:
    return Tagger.load("lines")


def features(lines: Sequence[TextLine]) -> list[list[str]]:
    """One list of features a line: its own shape, that of two lines on either side, and what the last heading promised."""
    own = [_own(ln, n, len(lines)) for n, ln in enumerate(lines)]
    short = [[f for f in fs if f[0] in "_"] for fs in own]
    promised = _promises(lines)
    ingredient_like = [("_amount" in fs or "_tail" in fs) for fs in own]
    seen_steps = seen_ing = 0
    out = []
    for n, ln in enumerate(lines):
        fs = list(own[n])
        for d in (-2, -1, 1, 2):
            if 0 <= n + d < len(lines):
                fs += [f"{d}{f}" for f in short[n + d]]
            else:
                fs.append(f"{d}edge")
        fs.append(f"promised={promised[n]}")
        block = ingredient_like[max(0, n - 4) : n + 5]
        fs.append(f"block={round(4 * sum(block) / len(block))}")
        fs.append(f"seen={min(3, seen_ing)}{min(2, seen_steps)}")
        if ln.blank_before:
            fs.append("blank")
        if n + 1 < len(lines) and lines[n + 1].blank_before:
            fs.append("blank_after")
        if n + 1 == len(lines) or lines[n + 1].blank_before:
            fs.append("ends_block")
        seen_ing += ingredient_like[n]
        seen_steps += "_verb" in own[n]
        out.append(fs)
    return out


def _promises(lines: Sequence[TextLine]) -> list[str]:
    """What the nearest heading above announces."""
    out, now = [], "-"
    for ln in lines:
        out.append(now)
        words = len(ln.text.split())
        if (
            words <= 6
            and (ln.heading or ln.bold or ln.text.endswith(":") or ln.text.isupper() or words <= 3)
            and not _AMOUNT.match(ln.text)
        ):
            if _TALK.search(ln.text):
                now = "talk"
            elif _NOTES.search(ln.text):
                now = "notes"
            elif _ING.search(ln.text):
                now = "ing"
            elif _STEPS.search(ln.text):
                now = "steps"
            elif _META.search(ln.text) and ln.text.endswith(":"):
                now = "meta"
    return out


def _own(ln: TextLine, n: int, of: int) -> list[str]:
    t = ln.text
    low = t.lower()
    words = _WORDS.findall(as_rice(low))
    fs = ["bias", f"at={min(5, n)}", f"part={min(4, 5 * n // max(1, of))}"]
    if n >= of - 2:
        fs.append("last")
    k = len(words)
    fs.append(
        f"_len={0 if k == 0 else 1 if k <= 2 else 2 if k <= 4 else 3 if k <= 7 else 4 if k <= 12 else 5 if k <= 25 else 6}"
    )
    if _AMOUNT_UNIT.match(t):
        fs += ["_amount", "_unit"]
    elif _AMOUNT.match(t):
        fs.append("_amount")
    if k <= 9 and re.search(r"\d|[½¼¾⅓⅔]", t) and _TAIL.search(t):
        fs.append("_tail")
    units = len(_ANY_UNIT.findall(t[:2000])) if k > 2 and _UNITISH.search(t) else 0
    fs.append(f"units={min(4, units)}")
    commas = t.count(",") + t.count(";")
    fs.append(f"commas={min(4, commas)}")
    if units >= 2 and commas >= 2:
        fs.append("_many")
    if words:
        fs.append(f"w0={words[0]}")
        if words[0] in _VERBS:
            fs.append("_verb")
        if k > 1:
            fs.append(f"w1={words[1]}")
            fs.append(f"w01={words[0]} {words[1]}")
        fs.append(f"wl={words[-1]}")
        verbs = sum(w in _VERBS for w in words[:60])
        fs.append(f"_verbs={0 if not verbs else 1 if verbs == 1 else 2 if verbs < 4 else 3}")
        fs.append(f"verbshare={round(5 * verbs / k)}")
        fs += [f"w={w}" for w in dict.fromkeys(words[:14]) if len(w) > 2]
    if t.endswith(":"):
        fs.append("_colon")
    elif ":" in t[:30]:
        fs.append("colon_in")
    if t[-1:] in ".!":
        fs.append("_stop")
    if t[-1:] == "?":
        fs.append("_asks")
    if t[:1].islower():
        fs.append("_lower")
    if t.isupper() and k:
        fs.append("_upper")
    elif k >= 2 and sum(w[:1].isupper() for w in t.split()) >= 0.7 * len(t.split()):
        fs.append("_titlecase")
    if ln.heading:
        fs.append("_#")
    if ln.bold:
        fs.append("_bold")
    if ln.number is not None:
        fs.append("_number" if ln.number else "_order")
    if ln.marks:
        fs.append("_bullet" if not ln.marks[0].isdigit() and ln.marks[0] != "[" else "_stamp")
        if ":" in ln.marks:
            fs.append("_says")
    if ln.row:
        fs += ["_row", f"cells={min(5, ln.cells)}"]
    if ln.indent > 3:
        fs.append("indent")
    for name, pattern in (
        ("_ing", _ING),
        ("_steps", _STEPS),
        ("_notes", _NOTES),
        ("_serves", _SERVES),
        ("_meta", _META),
        ("_for", _FOR),
        ("_url", _URL),
        ("i", _I),
    ):
        if pattern.search(t[:400]):
            fs.append(name)
            if k <= 5:
                fs.append(f"{name}_short")
    if _MAYBE_TIME.search(t) and any(True for _ in stretches(t[:600])):
        fs.append("_time")
    if find_grains(t[:300]):
        fs.append("_grain")
    if _DIGIT.search(t):
        fs.append("digit")
    if t[:1] in "\"'":
        fs.append("quote")
    if 0 <= t.find("(") < t.rfind(")"):
        fs.append("brackets")
    if _PREPARED.search(low):
        fs.append("_prepared")
    if _COOKS.search(low):
        fs.append("_cooks")
    return fs
