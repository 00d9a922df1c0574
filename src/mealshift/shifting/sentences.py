"""The sentences a shift puts in: what the new grain wants done that the recipe does not say, each with its reason.

They are operations without a place in the text; the words belong to the dish (nothing is loosened in a soup or a pudding), and the reader takes
every one of them back for what it is.
"""

from __future__ import annotations

import re
from collections.abc import Sequence

from .. import preparing
from ..grains import Grain
from ..measures import jug_ml, round_half_up
from ..pot import Pot
from ..pot.account import said_minutes
from ..pot.stages import in_words, stages
from ..pot.ways import cap
from ..process import Operation
from ..quick import lazy
from ..recipe import Line
from .beside import Early, Joins, called
from .wording import nearest

# a look that finds it hard gives it no more than this before the next
MOST_MORE = 10
# dishes whose grain is not loosened when it has rested
_NOT_LOOSE = ("soup", "porridge", "pudding", "stirred", "soft", "stuffing")


def inserted(kind: str, text: str, reason: str, minutes: float | None = None, phase: str = "") -> Operation:
    """An operation that the shift puts in; its vessel is the grain's."""
    return Operation(
        f"new-{kind}",
        "",
        kind,
        "",
        low_min=minutes,
        typical_min=minutes,
        high_min=minutes,
        basis="inserted",
        phase=phase,
        text=text,
        reason=reason,
    )


def beans(line: Line) -> Operation:
    return inserted(
        "beans",
        f"The day before, soak the {line.name} in plenty of water; throw that water away, and boil them hard in fresh water "
        "for at least 10 minutes (some authorities say 30) before they join the pot.",
        "Dry kidney beans and their relatives can poison if they are only simmered.",
    )


def pulse(pot: Pot) -> Operation:
    made = preparing.mill_for(pot.grain, pot.dry_g, pot.kitchen.jar_ml)
    batches = f"{made.batches} {'batch' if made.batches == 1 else 'batches'}"
    return inserted(
        "pulse",
        f"Make the meal: rinse and drain {round_half_up(made.batches * made.batch_g)} g of whole grain, dry it half an hour on a cloth, "
        f"pulse it in {batches} in a dry jar to the grain of semolina, never to flour; sift if it is fine.",
        f"About an eighth is lost as flour and on the cloth: that leaves {round_half_up(made.meal_g)} g of meal.",
    )


def rinse(g: Grain) -> Operation:
    text = (
        f"Rinse the {g.short} once, quickly, and drain."
        if g.rinse == 1
        else f"Rinse the {g.short} {_times(g.rinse)} in a fine sieve until the water runs clear. Drain well."
    )
    return inserted("rinse", text, f"{cap(g.rinse_why)}.")


def sprout(g: Grain) -> Operation:
    return inserted(
        "sprout",
        f"Start two days ahead: steep the {g.short} overnight, drain it tilted, and rinse and drain it morning and evening until a small "
        "white tip shows; cook it at once or keep it cold.",
        "Sprouted grain needs less water and less time.",
    )


def soak(g: Grain, minutes: float, kept: bool) -> Operation:
    after = "Keep it in that water: it is part of what you pour." if kept else "Drain."
    return inserted(
        "soak",
        f"Soak the {g.short} in cold water for {said_minutes(minutes)}. {after}",
        "The soak counts as water already in, and shortens the cooking.",
        minutes,
        "soak",
    )


def roast(g: Grain, kind: str, waits: bool = False) -> Operation:
    """waits: something else is cooked in the pot before the grain goes in."""
    minutes = round_half_up(g.roast.min) if g.roast else 3
    if kind == "fat":
        text, why = (
            f"Turn the {g.short} in a spoonful of the fat over low heat for 3 minutes, until {'they smell' if g.many else 'it smells'} nutty.",
            "You chose to roast it in fat.",
        )
        return inserted("roast", text, why, 3, "toast")
    they, them = ("they smell", "them") if g.many else ("it smells", "it")
    out = f", then tip {them} onto a plate" if waits else ""
    return inserted(
        "roast",
        f"Dry-roast the {g.short} in the pot over low heat for {minutes} minutes, stirring, until {they} nutty{out}.",
        cap(g.roast.why if g.roast else "a nuttier taste") + ".",
        minutes,
        "toast",
    )


def rain(g: Grain, poured: bool = True) -> Operation:
    """poured: the text has put a liquid in the pot before it."""
    when = "When the liquid boils, rain" if poured else "Bring the liquid to the boil and rain"
    return inserted(
        "rain",
        f"{when} in the {g.short} in a thin stream, stirring all the while.",
        "A meal thrown into liquid sets in lumps.",
    )


def steep(pot: Pot, is_in: bool = False) -> Operation:
    """is_in: the recipe's own words have stirred it in before."""
    how = (
        "Bring it to the boil, take it off the heat"
        if is_in
        else f"Bring the liquid to the boil, take it off the heat, stir in the {pot.grain.short}"
    )
    return inserted(
        "steep",
        f"{how}, cover and let it steep for {pot.cook_typical} minutes: it is not simmered.",
        f"{cap(pot.grain.name)} only steeps.",
        pot.cook_typical,
        "heat",
    )


def lid(pot: Pot) -> Operation:
    said = {
        "open": "without a lid",
        "sealed": "with a cloth under the lid, its ends kept clear of the flame",
        "tight": "under a tight lid",
        "ajar": "with the lid ajar",
        "ordinary": "with the lid on",
    }[pot.way.lid]
    return inserted(
        "lid", f"This time it cooks {said}.", "You chose another lid than the recipe's; the water is reckoned for it."
    )


def simmer(pot: Pot, why: str) -> Operation:
    """The cooking where all is in the pot and the recipe does not say how long."""
    return inserted("cook", in_words(pot), why, pot.cook_typical, "heat")


def pour(ml: float) -> Operation:
    """Water that the recipe left to its other liquids, to its tins, or unsaid."""
    return inserted(
        "pour",
        f"Pour in {jug_ml(ml)} ml of water.",
        "No step of the recipe speaks of it; this is what the grain drinks beside the rest.",
    )


def way(pot: Pot, why: str, rest_too: bool = True, amount: bool = False, rains: bool = False) -> Operation:
    """The whole cooking by another way, stage by stage, in the place of the recipe's own. rest_too: its rest is told with it. amount: no line and no other
    step says how much grain and water it is. rains: a meal, which goes in when its liquid boils."""
    # from the rest on
    behind = [n for n, (_, which) in enumerate(pot.way.row.stages) if which == "rest"]
    left_out = len(pot.way.row.stages) - behind[0] if behind and not rest_too else 0
    parts = stages(pot)[: len(stages(pot)) - left_out]
    each = [f"{w} ({n} min)" if n and f"{n} minutes" not in w else w for w, n in parts]
    if rains and each[0].startswith("to the boil"):
        said = f"Bring the liquid {each[0]}, rain in the {pot.grain.short} in a thin stream, stirring all the while; {'; '.join(each[1:])}."
        return inserted("way", said, why, pot.cook_typical, "heat")
    what = f"The {pot.grain.short}"
    if amount:
        what = f"{round_half_up(pot.dry_g)} g of {pot.grain.name}, {jug_ml(pot.pour_ml)} ml of water"
    return inserted("way", f"{what}: {'; '.join(each)}.", why, pot.cook_typical, "heat")


def goes_in(told: str, g: Grain) -> str:
    """The cooking told stage by stage, where nothing before it puts the grain in."""
    return re.sub(rf"^The {re.escape(g.short)}:", f"In {'go' if g.many else 'goes'} the {g.short}:", told)


def late(g: Grain, at: int, before_end: int, why: str) -> Operation:
    return inserted(
        "stagger",
        f"The {g.name} {'wait: they go' if g.many else 'waits: it goes'} in at minute {at}, {before_end} minutes before the end; start with the other alone.",
        cap(why) + ".",
    )


def aside(pot: Pot, why: str) -> Operation:
    rested = f"Rest it {round_half_up(pot.rest_min)} minutes, then f" if pot.rest_min >= 1 else "F"
    cooked = cook_sentence(pot)
    return inserted(
        "aside",
        f"In a second pot: {cooked[:1].lower()}{cooked[1:]} {rested}old the two together at the end.",
        cap(why) + ".",
    )


def head_start(
    found: Sequence[Early], g: Grain, waits: bool, cooked: bool = False, steeps: bool = False, locked: bool = False
) -> Operation:
    """found: the one that needs most first. locked: the cooker has to be opened for the grain. waits: the recipe's own words put the grain in before its liquid; it is held back there, and goes in here.
    cooked: the recipe gives the first some minutes of its own before. steeps: the sentence after this one stirs the grain in."""
    first, *others = found
    later = [f"the {e.name} the last {e.minutes}" for e in others]
    beside = f" ({', '.join(later)})" if later else ""
    given = f"Give the {first.name} {first.minutes} {'more ' if cooked else ''}minutes in the liquid{beside}"
    if locked:
        # what goes in last would have to be put into a closed cooker: all of it has the time of the slowest
        given = f"Close the cooker without the {g.short} and give the {first.name} {first.minutes} minutes at pressure; let it down and open it"
        return inserted(
            "head_start",
            f"{given}, then stir in the {g.short} and close it again.",
            f"{cap(g.name)} is done {first.minutes} minutes before {first.name} would be.",
            first.minutes,
        )
    return inserted(
        "head_start",
        f"{given}, then stir in the {g.short}."
        if waits and not steeps
        else f"{given} before the {g.short} {'go' if g.many else 'goes'} in.",
        f"{cap(g.name)} is done {first.minutes} minutes before {first.name} would be.",
        first.minutes,
    )


def into_the_liquid(names: Sequence[str], salted: bool) -> Operation:
    """names: what only the old cooking's words put in. salted: its salt was for water that was poured away."""
    goes = "goes" if len(names) == 1 and not names[0].endswith("s") else "go"
    told = [f"The {_all_of(names)} {goes} into the liquid too."] if names else []
    told += ["Salt the liquid to taste."] if salted else []
    why = "The words that put this in were those of the old way of cooking."
    return inserted("with", " ".join(told), why)


def stirred_in(names: Sequence[str]) -> Operation:
    return inserted(
        "with", f"Stir in the {_all_of(names)}.", "The words that put this in were those of the old way of cooking."
    )


def _all_of(names: Sequence[str]) -> str:
    """ "salt", "salt and butter", "salt, butter and thyme"."""
    return " and ".join(filter(None, (", ".join(names[:-1]), names[-1])))


# what a sign says of a pot, and not of the grain
_OF_THE_POT = lazy(r"[^;.]*\b(?:tilt|holes in the surface|side of the pot)\b[^;.]*;?\s*", re.I)


def _of_the_grain(sign: str) -> str:
    alone = _OF_THE_POT.sub("", sign).strip(" ;.")
    return f"{alone}." if alone else sign


def look(pot: Pot, drains: bool = False, where: str = "", opened: bool = False) -> Operation:
    """drains: the recipe's own words drain it next. where: "inside" what it was filled into, "steamed" when it was drained before. opened: a closed cooker's lid is
    off already, and it cooks on in the open."""
    splash = max(20, nearest((pot.high_ml - pot.pour_ml) / 2, 10))
    # where opening lets the heat out, minutes more are never few
    least = round_half_up(pot.way.row.least_more) if pot.way.row.least_more > MOST_MORE else 2
    more = max(least, min(MOST_MORE, round_half_up(pot.cook_min * 0.15)))
    sign = pot.sign
    sign = sign[:1].lower() + sign[1:]
    text = f"Look: {sign} Not yet? Add {splash} ml of boiling water and give it {more} more minutes."
    if where == "inside":
        alone = _of_the_grain(sign)
        text = f"Look: inside one of them, {alone} Not yet? Add {splash} ml of boiling water around them and give it {more} more minutes."
    elif where == "steamed":
        alone = _of_the_grain(sign)
        text = f"Look: {alone} Not yet? Add {splash} ml of boiling water and give it {more} more minutes."
    elif pot.swims and not pot.way.locked:
        text = f"Look: {sign} Not yet? Give it {more} more minutes."
    elif pot.way.method == "steam":
        text = f"Look: {sign} Not yet? Steam it {more} more minutes."
    elif pot.way.method == "drain":
        text = f"Look: {sign}" + ("" if drains else " Then drain.")
    elif pot.way.row.ends_dry:
        text = (
            f"When it has clicked, look: {sign} Not yet? Add {splash} ml of boiling water, close it and press cook again, "
            f"about {more} more minutes."
        )
    elif pot.way.locked and not opened:
        add = "Simmer" if pot.swims else f"Add {splash} ml of boiling water and simmer"
        text = f"When the pressure is down and the lid is open, look: {sign} Not yet? {add} it {more} more minutes, the lid only laid on."
    return inserted("look", text, "Minutes are a guide; the sign decides.")


def raw_too(j: Joins, more: bool = False) -> Operation:
    """Said as a look: the minutes are the raw thing's, and none of the grain's. more: it has had some of them beside the grain."""
    minutes = round_half_up(j.minutes)
    text = (
        f"Look: the {called(j.line)} went in raw; lid on and low heat, about {minutes} {'more ' if more else ''}minutes, "
        "until done in the middle (74 °C)."
    )
    return inserted("cook_on", text, "Its minutes are its own, however the grain is cooked.", minutes)


def bake_on(e: Early) -> Operation:
    """Said as a look: the grain is done, and what was baked raw on it need not be."""
    text = f"Look: the {e.name} went in raw; bake on, covered, about {e.minutes} minutes more, until done in the middle (74 °C)."
    return inserted("cook_on", text, f"It had {e.minutes} minutes more beside the rice.", e.minutes)


def crust() -> Operation:
    return inserted(
        "crust",
        "For a crust: when the water is gone, medium heat for 2 minutes, until it crackles and smells toasted. No lid and no water on it afterwards, or it softens.",
        "This dish is often wanted with one; leave it out if not.",
    )


def rest(pot: Pot, dish: str, is_off: bool) -> Operation:
    """is_off: the recipe's own words have taken it off the heat."""
    n = round_half_up(pot.rest_min)
    where = "lid on" if is_off else "lid on, off the heat"
    then = "" if not_loose(pot, dish) else "; then loosen gently"
    return inserted(
        "rest", f"Rest {n} minutes, {where}{then}.", "The last water moves into the middle of each grain.", n, "rest"
    )


def not_loose(pot: Pot, dish: str) -> bool:
    """Is there nothing to loosen when it has rested?"""
    return dish in _NOT_LOOSE or pot.way.texture > 2.5 or pot.grain.is_meal


def cold(g: Grain) -> Operation:
    return inserted(
        "cold",
        f"Spread the {g.short} out shallow, and get it into the fridge within an hour; it goes into the dish cold, best the next day.",
        "Cold grain is firm and stays apart in the pan.",
    )


def spread(g: Grain) -> Operation:
    return inserted("cool", f"Spread the {g.short} out shallow to cool.", "It has no water left to be rinsed off.")


def cook(pot: Pot, why: str) -> Operation:
    return inserted("cook", cook_sentence(pot), why, pot.cook_typical, "heat")


def instead(pot: Pot, why: str) -> Operation:
    """The whole cooking in the place of a way that the grain does not go."""
    said = cook_sentence(pot)
    return inserted("cook", f"Instead, {said[:1].lower()}{said[1:]}", why, pot.cook_typical, "heat")


def cook_sentence(pot: Pot) -> str:
    """The whole cooking in one sentence, where the recipe has none."""
    g, grams = pot.grain, round_half_up(pot.dry_g)
    under = {
        "open": "uncovered",
        "sealed": "with a cloth under the lid",
        "tight": "under a tight lid",
        "ajar": "with the lid ajar",
    }.get(pot.way.lid, "covered")
    water = f"{jug_ml(pot.pour_ml)} ml of water"
    if pot.way.method == "steep":
        return f"Bring {water} to the boil, pour it over the {grams} g of {g.short}, cover and let it steep for {pot.cook_typical} minutes."
    how = f"simmer {under} on the lowest heat for {pot.cook_typical} minutes"
    if pot.way.method == "drain":
        return f"Boil the {grams} g of {g.short} in plenty of water, {water}, for {pot.cook_typical} minutes."
    if g.is_meal:
        return f"Bring {water} to the boil, rain in the {grams} g of {g.short} while stirring, and {how}."
    return f"Bring {water} and the {grams} g of {g.short} to the boil, then {how}."


def _times(n: int) -> str:
    return {1: "once", 2: "twice"}.get(n, f"{n} times")
