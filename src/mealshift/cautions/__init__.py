"""Which cautions a pot or a shift calls for, each with the reason it is shown. Texts are data; rules are here."""

from __future__ import annotations

import re
import tomllib
from dataclasses import dataclass, replace
from functools import cache
from importlib import resources

from ..manner import Manner
from ..pot import Pot
from ..pot.ways import cap
from ..reading.ingredients import allergens, heat_wanted
from ..reading.tongues import named, prepared
from ..recipe import Recipe
from ..results import CautionRow
from ..shifting import AsItIs, Shift


@dataclass(frozen=True, slots=True)
class Caution:
    code: str
    text: str
    because: str

    def as_dict(self) -> CautionRow:
        return {"code": self.code, "text": self.text, "because": self.because}


@cache
def _texts() -> dict[str, str]:
    return tomllib.loads(resources.files(__package__).joinpath("data/cautions.toml").read_text(encoding="utf-8"))


def _make(code: str, because: str, **filled: str) -> Caution:
    return Caution(code, _texts()[code].format(**filled), because)


# ingredients that small children must not have as they are
_HONEY = named("honey")
_NUT_FINE = re.compile(
    r"\b(?:ground|flour|meal|butter|milk|oil|slivered|flaked|chopped|sliced|crushed|paste|nibbed|pesto|praline|marzipan)\b"
    r"|\b(?:gehackt|gehobelt|gestiftet|effilé|haché|laminad|filetead|picad|tritat|gehakt|geschaafd|hackad|hakk|siekan|posiekan|doğranmış)\w*",
    re.I,
)
_WARM_ABROAD = r"(?:bei (?:zimmer|raum)temperatur|à température ambiante|[aà] temperatura ambiente|op kamertemperatuur|i rumstemperatur|ved (?:stue|rom)temperatur|w temperaturze pokojowej|oda sıcaklığında|suhu ruang\w*)"
_NIGHT_ABROAD = r"(?:über nacht|(?:toute )?(?:la|une) nuit|tod[ao] la noche|una noche|la noche anterior|(?:tutta )?(?:la|una) notte|a noite (?:toda|inteira)|de um dia para o outro|een nacht|(?:hele|de) nacht|över natten|natten over|na (?:całą )?noc|gece boyunca|bir gece|semalam(?:an)?)"
# what a recipe's own words ask for that is not safe as it stands: (pattern, code, why)
_IN_WORDS = (
    (
        r"\b(?:room temperature|on the (?:counter|worktop|side)|out of the fridge)\b[^.;]{0,40}\b(?:over ?night|[5-9] hours|\d\d hours|all (?:day|night))"
        r"|\b(?:over ?night|[5-9] hours|\d\d hours|all (?:day|night))\b[^.;]{0,40}\b(?:at room temperature|on the (?:counter|worktop|side))\b"
        rf"|\b{_WARM_ABROAD}\b[^.;]{{0,60}}\b{_NIGHT_ABROAD}\b|\b{_NIGHT_ABROAD}\b[^.;]{{0,60}}\b{_WARM_ABROAD}\b",
        "words_warm",
        "the recipe leaves it out of the fridge",
    ),
    (
        r"\bdeep[- ]?fr(?:y|ies|ied|ying)\b|\b(?:smoking|very|really|shimmering)[- ]hot (?:oil|fat|ghee)\b|\b(?:oil|ghee|fat) (?:is |until |till )?(?:smoking|very hot|shimmering)\b|\bboil(?:ing)? (?:the )?(?:sugar )?syrup\b|\bsyrup\b[^.;]{0,30}\bboil\w*\b"
        r"|\b(?:frittier\w*|im heißen fett|grande friture|abundante aceite (?:muy )?caliente|olio bollente|fritar em imersão|friteuse|fritöz\w*|frityr\w*|frituur\w*|w głębokim (?:oleju|tłuszczu)|kızgın yağ\w*)\b",
        "hot_fat",
        "fat or syrup is heated",
    ),
    (
        r"\b(?:keep|hold|leave|stand|rest)\w*\b[^.;]{0,40}\bwarm\b[^.;]{0,30}\b(?:[1-5]\d) ?(?:°|degrees|º)? ?C\b|\b(?:[1-5]\d) ?(?:°|º) ?C\b[^.;]{0,30}\bkeep\w* (?:it )?warm\b",
        "words_lukewarm",
        "the recipe keeps it below 60 °C",
    ),
)


def _in(manner: Manner, found: list[Caution]) -> list[Caution]:
    return [replace(c, text=manner.degrees(c.text), because=manner.degrees(c.because)) for c in found]


def for_words(text: str, manner: Manner | None = None) -> list[Caution]:
    """Cautions that a recipe's own sentence calls for, to be shown where it stands."""
    found = [_make(code, why) for pattern, code, why in _IN_WORDS if re.search(pattern, text[:5000], re.I)]
    return _in(manner or Manner(), found)


def for_pot(pot: Pot) -> list[Caution]:
    """Cautions of the grain and the way it is cooked, without a recipe."""
    out = [_make("gluten", "of the grain", grain=cap(pot.grain.name))] if pot.grain.gluten else []
    return _in(pot.kitchen.manner, out + _for_way(pot) + [_make("cooling", "there may be some left over")])


def for_dish(dish: Shift | AsItIs) -> list[Caution]:
    """Cautions of a shift, or of a dish that is cooked as it is."""
    if isinstance(dish, AsItIs):
        raw = any(heat_wanted(ln)[1] for ln in dish.recipe.lines)
        first = [_make("raw_meat", "raw meat or fish goes in")] if raw else []
        found = [*first, *_for_recipe(dish.recipe), _make("cooling_dish", "there may be some left over")]
        return _in(dish.kitchen.manner, found)
    return for_shift(dish)


def for_shift(shift: Shift) -> list[Caution]:
    """Cautions of a whole shift: those of the pot, what the grain brings in, and what the recipe already held."""
    pot, recipe = shift.pot, shift.recipe
    out = []
    glutinous = next((p.grain for p in (pot, *shift.aside) if p.grain.gluten), None)
    if glutinous and "gluten" not in recipe.allergens and not (shift.same and not shift.aside):
        out.append(_make("gluten_in", "the new grain brings it in", grain=cap(glutinous.name)))
    elif glutinous:
        # also where a sauce brings gluten already: who changes the sauce must know of the grain
        out.append(_make("gluten", "of the grain", grain=cap(glutinous.name)))
    elif (
        not pot.grain.gluten
        and pot.grain.family in ("millet", "coarse meal", "pseudo-grain", "oats")
        and not shift.same
    ):
        out.append(_make("gluten_certified", "this grain is often milled beside wheat", grain=cap(pot.grain.name)))
    out += _for_way(pot)
    out += _for_recipe(recipe)
    return _in(shift.kitchen.manner, [*out, _make("cooling", "there may be some left over")])


def _for_way(pot: Pot) -> list[Caution]:
    way, kitchen = pot.way, pot.kitchen
    out = []
    if way.method not in ("open", "steep", "microwave"):
        out.append(_make("steam", "a lid comes off a boiling pot"))
    if way.soak_min > 240 and kitchen.room_c > 21:
        out.append(_make("soak_warm", f"soaked {way.soak_min / 60:.0f} hours at {kitchen.room_c:.0f} °C"))
    if way.sprouted:
        out.append(_make("sprouts", "the grain is sprouted"))
    if way.method in ("drain", "flush"):
        out.append(_make("scald", "a full pot of boiling water is poured off"))
    if way.locked:
        out.append(_make("pressure", "cooked under pressure"))
        if way.release == "quick":
            out.append(_make("quick_foam", "the pressure is let out at once"))
    if way.method == "slow-cooker":
        out.append(_make("slow_cooker", "cooked for hours below the boil"))
    if way.method == "microwave":
        out.append(_make("microwave", "cooked in the microwave"))
    if way.lid == "sealed":
        out.append(_make("cloth", "a cloth seals the lid"))
    out += [_make(code, "of the grain") for code in pot.grain.cautions]
    return out


def _for_recipe(recipe: Recipe) -> list[Caution]:
    out = []
    if recipe.dry_beans:
        out.append(_make("kidney_beans", "dry kidney beans are in the pot"))
    if any(_HONEY.search(ln.text) for ln in recipe.lines):
        out.append(_make("honey", "there is honey in it"))
    nuts = [ln.text for ln in recipe.lines if {"nuts", "peanut"} & set(allergens([ln.text]))]
    if any(not _NUT_FINE.search(t) and not prepared("ground").search(t) for t in nuts):
        out.append(_make("whole_nuts", "there are nuts in it"))
    if recipe.allergens:
        out.append(_make("allergens", "carried over from the recipe", allergens=", ".join(recipe.allergens)))
    if recipe.count_out:
        out.append(_make("count_out", "whole things are in the pot", things="; ".join(recipe.count_out)))
    return out
