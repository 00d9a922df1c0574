"""The method for the new grain, in the recipe's own sentences: names, amounts, minutes and order change in place,
steps are inserted or retired with a reason, and what cannot be rewritten safely is marked to check."""

from __future__ import annotations

import re
from dataclasses import dataclass, field

from .. import preparing
from ..grains import Grain
from ..measures import RANGE_PATTERN, Measures, canonical_unit, make_amount, number_range, round_half_up
from ..pot import Pot
from ..pot.account import said_minutes
from ..pot.stages import stages
from ..pot.ways import cap
from ..problems import Problem
from ..reading.names import find_grains
from ..recipe import Duration, Recipe, Step
from .backwards import Own
from .blends import Plan
from .lines import Amounts
from .wording import Edit, apply, nearest, said_grain, said_liquid, said_time

_LIQUID_AMOUNT = re.compile(
    rf"(?P<n>{RANGE_PATTERN})\s*(?P<unit>ml|l|litres?|liters?|cups?|pints?|glass(?:es)?|mugs?|measures?)\b(?=\s*(?:of\s+)?(?:the\s+)?"
    r"(?:boiling |hot |cold |warm |fresh |salted |vegetable |chicken |mushroom |ginger )*(?:water|stock|broth|liquid))",
    re.I,
)
_GRAIN_AMOUNT = re.compile(
    rf"(?P<n>{RANGE_PATTERN})\s*(?P<unit>g|kg|oz|cups?|ml|glass(?:es)?|mugs?|measures?)\b(?=\s*(?:of\s+)?(?:the\s+)?(?:[\w-]+\s+){{0,3}}rice\b)",
    re.I,
)
_WHISTLES = re.compile(rf"(?P<n>{RANGE_PATTERN})\s*whistles?\b", re.I)
_OWN_LOOK = re.compile(r"Look: .* (?:Not yet\? Add|Then drain)")
_BAKED = re.compile(r"\b(?:bake|oven)\b", re.I)
_RINSE_SENTENCE = re.compile(r"(?:^|(?<=[.;]\s))(?:Rinse|Wash)\b[^.;]{0,50}[.;]\s*(?=\S)")
_RINSE_AND = re.compile(r"\b(?P<r>Rinse|rinse|Wash|wash) (?P<g>(?:the )?[\w-]+(?: rice)?) and (?P<v>\w+) it\b")
_RINSE = re.compile(r"\b(?:rins|wash)(?:e|es|ed|ing)?\b", re.I)


@dataclass(frozen=True, slots=True)
class NewStep:
    """was: the old step, None if inserted. text: "" if retired. kind names what an inserted step does."""

    text: str
    was: str | None
    reason: str = ""
    marks: tuple[tuple[int, int], ...] = ()
    kind: str = ""
    olds: tuple[str, ...] = ()


@dataclass(slots=True)
class Method:
    steps: list[NewStep] = field(default_factory=list)
    check: list[Problem] = field(default_factory=list)
    # (name, minute of the new pot) of what goes in while it cooks
    additions: list[tuple[str, int]] = field(default_factory=list)


def rewrite_steps(
    recipe: Recipe,
    own: Own,
    pot: Pot,
    a: Amounts,
    measures: Measures,
    mix: Plan,
    aside: tuple[Pot, ...] = (),
    home_meal: bool = False,
) -> Method:
    out = Method()
    if own.line.cooked:
        _cooked_ahead(recipe, own, pot, a, out)
        return out
    work = _Work(recipe, own, pot, a, measures, out, mix, aside, home_meal)
    if not a.same:
        out.steps += work.before()
    heat_at = [s.index for s in recipe.steps if any(d.kind == "heat" for d in s.durations)]
    ends = [s.index for s in recipe.steps if any(d.kind in ("heat", "from_end", "from_start") for d in s.durations)]
    for step in recipe.steps:
        if not a.same and heat_at and step.index == heat_at[0]:
            out.steps += work.at_the_boil()
        out.steps += work.step(step)
        if not a.same and heat_at and step.index == ends[-1]:
            out.steps += work.look(baked=bool(_BAKED.search(step.text)))
    whistles = any(_WHISTLES.search(s.text) for s in recipe.steps) and pot.way.method == "pressure"
    if whistles and not a.same:
        at = next(i for i, s in enumerate(out.steps) if "whistle" in s.text.lower())
        out.steps[at + 1 : at + 1] = work.look()
    elif not heat_at and not a.same:
        out.steps += work.whole_cooking()
    return out


@dataclass(slots=True)
class _Work:
    recipe: Recipe
    own: Own
    pot: Pot
    a: Amounts
    measures: Measures
    out: Method
    mix: Plan
    aside: tuple[Pot, ...]
    home_meal: bool = False

    # -- inserted steps ------------------------------------------------------------------------------------

    def before(self) -> list[NewStep]:
        target, way = self.a.target, self.pot.way
        steps = []
        if beans := self.recipe.dry_beans:
            steps.append(
                _new(
                    "beans",
                    f"The day before, soak the {beans[0].name} in plenty of water; throw that water away, and boil them hard in fresh water "
                    "for at least 10 minutes (some authorities say 30) before they join the pot.",
                    "Dry kidney beans and their relatives can poison if they are only simmered.",
                )
            )
        if self.home_meal and target.is_meal:
            made = preparing.mill_for(target, self.pot.dry_g, self.pot.kitchen.jar_ml)
            steps.append(
                _new(
                    "pulse",
                    f"Make the meal: rinse and drain {round_half_up(made.batches * made.batch_g)} g of whole grain, dry it half an hour on a cloth, "
                    f"pulse it in {made.batches} {'batch' if made.batches == 1 else 'batches'} in a dry jar to the grain of semolina, never to flour; sift if it is fine.",
                    f"About an eighth is lost as flour and on the cloth: that leaves {round_half_up(made.meal_g)} g of meal.",
                )
            )
        if target.rinse and (not self.own.rinses or self._roasts()):
            steps.append(
                _new(
                    "rinse",
                    f"Rinse the {target.short} once, quickly, and drain."
                    if target.rinse == 1
                    else f"Rinse the {target.short} {_times(target.rinse)} in a fine sieve until the water runs clear. Drain well.",
                    f"{cap(target.rinse_why)}.",
                )
            )
        if way.sprouted:
            steps.append(
                _new(
                    "sprout",
                    f"Start two days ahead: soak the {target.short} 12 hours, drain it tilted, and rinse and drain it morning and evening until a small "
                    "white tip shows; cook it at once or keep it cold.",
                    "Sprouted grain needs less water and less time.",
                )
            )
        elif way.soak_min and not self.recipe.soak_min:
            after = "Keep it in that water: it is part of what you pour." if way.soak_water == "kept" else "Drain."
            steps.append(
                _new(
                    "soak",
                    f"Soak the {target.short} in cold water for {said_minutes(way.soak_min)}. {after}",
                    "The soak counts as water already in, and shortens the cooking.",
                )
            )
        if way.roast == "dry" and not self.own.toasts:
            minutes = round_half_up(target.roast.min) if target.roast else 3
            steps.append(
                _new(
                    "roast",
                    f"Dry-roast the {target.short} in the pot over low heat for {minutes} minutes, stirring, until it smells nutty.",
                    cap(target.roast.why if target.roast else "a nuttier taste") + ".",
                )
            )
        elif way.roast == "fat" and not self.own.toasts:
            steps.append(
                _new(
                    "roast",
                    f"Turn the {target.short} in a spoonful of the fat over low heat for 3 minutes, until it smells nutty.",
                    "You chose to roast it in fat.",
                )
            )
        return steps

    def at_the_boil(self) -> list[NewStep]:
        steps = []
        target = self.a.target
        if target.is_meal and not self.own.grain.is_meal:
            steps.append(
                _new(
                    "rain",
                    f"In the next step bring the liquid to the boil first; then rain in the {target.short} in a thin stream, stirring all the while.",
                    "A meal thrown into liquid sets in lumps.",
                )
            )
            self.out.check.append(
                Problem("order", "", f"Liquid first, {target.short} second: read the next step with that in mind.")
            )
        steps += self._blend()
        steps += self._pulses()
        if self.pot.way.method == "steep":
            steps.append(
                _new(
                    "steep",
                    f"Boil the liquid, pour it over the {target.short} off the heat, cover and leave {self.pot.cook_typical} minutes: it is not simmered.",
                    f"{cap(target.name)} only steeps.",
                )
            )
            self.out.check.append(
                Problem(
                    "method",
                    "",
                    f"{cap(target.name)} is steeped, not simmered: where a step says simmer, leave the pot off the heat.",
                )
            )
        lid, was = self.pot.way.lid, self.own.way.lid
        if lid != was or self.pot.way.method != self.own.way.method:
            said = {
                "open": "without a lid",
                "sealed": "with a cloth under the lid, its ends kept clear of the flame",
                "tight": "under a tight lid",
                "ajar": "with the lid ajar",
                "ordinary": "with the lid on",
            }[lid]
            if self.pot.way.method not in ("covered", "open", "steep"):
                told = "; ".join(f"{w} ({n} min)" if n else w for w, n in stages(self.pot))
                steps.append(
                    _new(
                        "way",
                        f"This time it cooks another way: {told}.",
                        "You chose another way than the recipe's; water and minutes are reckoned for it.",
                    )
                )
                self.out.check.append(
                    Problem(
                        "method",
                        "",
                        "Where a step speaks of lid, heat or minutes, go by the inserted line: the water is reckoned for it.",
                    )
                )
            elif self.pot.way.method != "steep":
                steps.append(
                    _new(
                        "lid",
                        f"This time it cooks {said}.",
                        "You chose another lid or method than the recipe's; the water is reckoned for it.",
                    )
                )
                self.out.check.append(
                    Problem(
                        "lid",
                        "",
                        "Where a step speaks of the lid, go by the inserted line: the water is reckoned for it.",
                    )
                )
        return steps

    def _blend(self) -> list[NewStep]:
        """What a blend adds to the order: a late start in the same pot, or a second pot."""
        steps = []
        for g, before_end in self.mix.late:
            n = round_half_up(before_end * self.pot.cook_min / max(1.0, self.a.target.simmer))
            at = max(0, self.pot.cook_typical - n)
            steps.append(
                _new(
                    "stagger",
                    f"The {g.name} waits: it goes in at minute {at}, {n} minutes before the end; start with the other alone.",
                    cap(self.mix.because) + ".",
                )
            )
            self.out.additions.append((g.name, at))
        for p in self.aside:
            own = Amounts(p.grain, p.dry_ml, 1.0, 1.0, p.pour_ml, 0.0, False)
            steps.append(
                _new(
                    "aside",
                    f"In a second pot: {_lower(_cook_sentence(p, p.grain, own))} {_rested(p)}old the two together at the end.",
                    cap(self.mix.because) + ".",
                )
            )
        return steps

    def _pulses(self) -> list[NewStep]:
        """A quick grain leaves a slow pulse hard: it needs the minutes that the grain no longer gives it."""
        was, now = self.recipe.simmer_min, self.pot.cook_typical
        steps = []
        for ln in self.recipe.lines:
            if ln.role != "absorber" or not ln.minutes or was is None:
                continue
            missing = round_half_up(min(ln.minutes, was) - now)
            if missing >= 2:
                steps.append(
                    _new(
                        "head_start",
                        f"Give the {ln.name} {missing} minutes in the liquid before the {self.a.target.short} goes in.",
                        f"{cap(self.a.target.name)} is done {missing} minutes before {ln.name} would be.",
                    )
                )
                self.out.check.append(
                    Problem(
                        "slow_pulse",
                        ln.text,
                        f"The {ln.name} would stay hard beside a grain of {now} minutes: start it {missing} minutes earlier, soak it, "
                        "or take it cooked or tinned.",
                    )
                )
        return steps

    def look(self, baked: bool = False) -> list[NewStep]:
        target, pot = self.a.target, self.pot
        splash = max(20, nearest((pot.high_ml - pot.pour_ml) / 2, 10))
        more = max(2, round_half_up(pot.cook_min * 0.15))
        sign = _lower(target.sign(pot.way.texture))
        text = f"Look: {sign} Not yet? Add {splash} ml of boiling water and give it {more} more minutes."
        if pot.way.method == "drain":
            text = f"Look: {sign} Then drain."
        if pot.way.locked:
            text = (
                f"When the pressure is down and the lid is open, look: {sign} Not yet? Add {splash} ml of boiling water and "
                f"simmer it {more} more minutes, the lid only laid on."
            )
        steps = [_new("look", text, "Minutes are a guide; the sign decides.")]
        if self.recipe.dish == "pan" and pot.way.method in ("open", "covered"):
            steps.append(
                _new(
                    "crust",
                    "For a crust: when the water is gone, medium heat for 2 minutes, until it crackles and smells toasted. No lid and no water on it afterwards, or it softens.",
                    "This dish is often wanted with one; leave it out if not.",
                )
            )
        if (
            self.recipe.rest_min is None
            and not baked
            and target.rest >= 3
            and pot.way.method in ("covered", "oven", "open")
            and pot.way.texture < 3.5
        ):
            steps.append(
                _new(
                    "rest",
                    f"Rest {round_half_up(pot.rest_min)} minutes, lid on, off the heat; then loosen gently.",
                    "The last water moves into the middle of each grain.",
                )
            )
        return steps

    def whole_cooking(self) -> list[NewStep]:
        pot, target = self.pot, self.a.target
        if self.recipe.steps and self.pot.way.method != "rice-cooker":
            self.out.check.append(
                Problem(
                    "minutes",
                    "",
                    f"No minutes for the grain stood in the steps: cook the {target.short} as the inserted step says.",
                )
            )
        if pot.way.method not in ("covered", "open", "steep"):
            told = "; ".join(f"{w} ({n} min)" if n else w for w, n in stages(pot))
            return [_new("cook", f"The {target.short}: {told}.", "The recipe gives no minutes for its grain.")]
        return [
            _new("cook", _cook_sentence(pot, target, self.a), "The recipe gives no minutes for its grain."),
            *self.look(),
        ]

    # -- rewritten steps -----------------------------------------------------------------------------------

    def step(self, step: Step) -> list[NewStep]:
        if not self.a.same and _OWN_LOOK.match(step.text):
            return [NewStep("", step.text, "The sign of the other grain.", kind="retired")]
        if self._other_component(step):
            return [NewStep(step.text, step.text)]
        edits = [*self._names(step), *self._amounts(step), *self._minutes(step), *self._whistles(step)]
        if not self.a.same and self._unrinsed() and _RINSE.search(step.text) and find_grains(step.text):
            if len(step.text.split()) < 14 and not any(d.kind in ("heat", "rest", "soak") for d in step.durations):
                return [NewStep("", step.text, self._unrinsed(), kind="retired")]
            edits = self._without_rinse(step, edits)
        if self.recipe.soak_min and not self.pot.way.soak_min and (retired := self._soak_only(step)):
            return [retired]
        edited = apply(step.text, edits)
        changed = edited.text != step.text
        return [NewStep(edited.text, step.text, self._reason(step) if changed else "", edited.marks, "", edited.olds)]

    def _other_component(self, step: Step) -> bool:
        """A step under another dish's heading, with no word about the grain, is left as it is."""
        home = self.own.line.section
        return (
            bool(step.section)
            and step.section != home
            and not find_grains(step.text)
            and not any(d.kind in ("heat", "rest") for d in step.durations)
        )

    def _reason(self, step: Step) -> str:
        if any(d.kind == "heat" for d in step.durations):
            return f"{cap(self.a.target.name)} takes about {said_minutes(self.pot.cook_typical)} here."
        if any(d.kind == "rest" for d in step.durations):
            return "The rest is this grain's."
        return ""

    def _names(self, step: Step) -> list[Edit]:
        if self.a.same:
            return []
        edits = []
        taken = [
            f
            for f in find_grains(step.text)
            if f.slug == self.own.grain.slug
            or f.text.lower() in ("rice", "grain")
            or f.text.lower().endswith(self.own.grain.short)
        ]
        for f in taken:
            new = self.a.target.short
            edits.append(Edit(f.span.start, f.span.end, cap(new) if f.text[:1].isupper() else new))
        return edits

    def _amounts(self, step: Step) -> list[Edit]:
        edits = self._told_here(step)
        carriers = [ln for ln in self.recipe.lines if ln.role == "pot_liquid" and ln.carrier and ln.ml]
        told = [(e.start, e.end) for e in edits]
        for m in _LIQUID_AMOUNT.finditer(step.text):
            if re.search(r"\b(?:not yet|if it)\b[^.]{0,30}$", step.text[: m.start()], re.I):
                continue
            if any(m.start() < end and start < m.end() for start, end in told):
                continue
            ml = self._ml(m)
            if ml is None or not self.a.carrier_was_ml:
                continue
            new = self.a.carrier(ml)
            whole = any(abs((ln.ml or 0) - ml) < 3 for ln in carriers)
            if not whole and ml > self.a.carrier_was_ml + 3:
                self.out.check.append(
                    Problem("liquid", step.text, f"“{m[0]}” is not one of the pot's liquids as I read them; check it.")
                )
                continue
            if abs(new - ml) >= 2.5:
                edits.append(
                    Edit(m.start(), m.end(), said_liquid(new, canonical_unit(m["unit"]) or "ml", self.measures))
                )
        for m in _GRAIN_AMOUNT.finditer(step.text):
            if any(m.start() < end and start < m.end() for start, end in told):
                continue
            ml = self._ml(m)
            if ml is None:
                amount = make_amount(*number_range(m["n"]), canonical_unit(m["unit"]) or "", self.measures)
                ml = amount.g / self.own.grain.density if amount.g else None
            if ml and self.own.dry_ml:
                part = ml * self.a.dry_ml / self.own.dry_ml
                if abs(part * self.a.target.density - ml * self.own.grain.density) >= 0.5:
                    edits.append(
                        Edit(
                            m.start(),
                            m.end(),
                            said_grain(
                                part, part * self.a.target.density, canonical_unit(m["unit"]) or "", self.measures
                            ),
                        )
                    )
        return edits

    def _told_here(self, step: Step) -> list[Edit]:
        """New amounts of the grain and liquids that only this step states."""
        edits = []
        for ln in self.recipe.lines:
            if ln.section != f"step {step.index + 1}" or ln.amount_span is None or not ln.ml:
                continue
            at = ln.span.start - step.span.start
            start, end = at + ln.amount_span.start, at + ln.amount_span.end
            was = step.text[start:end]
            if ln.index == self.recipe.source and not ln.cooked:
                same = abs(self.a.dry_ml - ln.ml) < 0.5 and (self.a.same or ln.unit not in ("g", "kg", "oz", "lb"))
                said = was if same else said_grain(self.a.dry_ml, self.a.dry_g, ln.unit, self.measures, was)
                edits.append(Edit(start, end, said))
            elif ln.role == "pot_liquid" and ln.carrier:
                new = self.a.carrier(ln.ml)
                edits.append(
                    Edit(start, end, was if abs(new - ln.ml) < 2.5 else said_liquid(new, ln.unit, self.measures, was))
                )
        return edits

    def _ml(self, m: re.Match[str]) -> float | None:
        try:
            return make_amount(*number_range(m["n"]), canonical_unit(m["unit"]) or "", self.measures).ml
        except ValueError:
            return None

    def _minutes(self, step: Step) -> list[Edit]:
        was = self.recipe.simmer_min
        now = float(self.pot.cook_typical)
        edits = []
        for d in step.durations:
            new = self._new_minutes(step, d, was, now)
            if new is None:
                continue
            half = (d.high - d.low) / 2
            low, high = new - half * _ratio(new, d.typical), new + half * _ratio(new, d.typical)
            if d.kind == "from_start" and d.text.isdigit():
                said = str(max(0, round_half_up(new)))
            else:
                said = said_time(low, high, d.text)
            if abs(new - d.typical) >= 0.5:
                edits.append(Edit(d.span.start, d.span.end, said))
        return edits

    def _whistles(self, step: Step) -> list[Edit]:
        """Whistles are counted anew; under another method they are no guide and are marked to check."""
        edits = []
        for m in _WHISTLES.finditer(step.text):
            if self.a.same:
                continue
            if self.pot.way.method != "pressure":
                self.out.check.append(
                    Problem(
                        "whistles", step.text, "Whistles are no guide in this way of cooking: go by the inserted line."
                    )
                )
                continue
            n = max(1, round_half_up(self.pot.cook_min / self.pot.kitchen.whistle_min))
            edits.append(Edit(m.start("n"), m.end("n"), str(n)))
        return edits

    def _new_minutes(self, step: Step, d: Duration, was: float | None, now: float) -> float | None:
        if d.kind == "heat" and was:
            return self._heat_part(d, was, now)
        if d.kind == "rest" and self.recipe.rest_min and not self.a.same:
            return self.pot.rest_min * d.typical / self.recipe.rest_min
        if d.kind == "soak":
            return self.pot.way.soak_min if self.pot.way.soak_min else None
        if (
            d.kind in ("pan", "toast")
            and not self.a.same
            and self.pot.way.roast == "dry"
            and find_grains(step.text[max(0, d.span.start - 40) : d.span.end])
            and self.pot.grain.roast
        ):
            return self.pot.grain.roast.min
        if d.kind == "from_start" and was:
            new = now - (was - d.typical)
            self.out.additions.append((_what(step, d), max(0, round_half_up(new))))
            if new < 0.5:
                self.out.check.append(
                    Problem(
                        "addition", step.text, "This addition needs as long as the new grain: put it in from the start."
                    )
                )
            return max(0.0, new)
        if d.kind == "from_end":
            if d.typical > now:
                self.out.check.append(
                    Problem(
                        "addition",
                        step.text,
                        f"It needs {d.typical:.0f} minutes but the {self.a.target.short} takes only {now:.0f}: give it a head start.",
                    )
                )
            self.out.additions.append((_what(step, d), max(0, round_half_up(now - d.typical))))
            return None
        if d.kind in ("heat", "rest", "soak") and d.sure < 0.5:
            self.out.check.append(
                Problem("minutes", step.text, f"I could not tell what the {d.text} are for; they stay as they were.")
            )
        return None

    def _heat_part(self, d: Duration, was: float, now: float) -> float:
        """Later stretches keep their length, so what joins late keeps its distance from the end; the first takes the change."""
        parts = [x for s in self.recipe.steps for x in s.durations if x.kind == "heat"]
        later = sum(x.typical for x in parts[1:])
        if len(parts) == 1 or now - later >= 1:
            return now - later if d is parts[0] else d.typical
        return d.typical * now / was

    def _unrinsed(self) -> str:
        """Why the recipe's own rinse is dropped; "" if it stays."""
        target = self.a.target
        if target.rinse == 0:
            return f"Do not rinse {target.name}: {target.rinse_why}."
        return "The rinse now stands before the roast." if self._roasts() else ""

    def _roasts(self) -> bool:
        return self.pot.way.roast == "dry" and not self.own.toasts

    def _without_rinse(self, step: Step, edits: list[Edit]) -> list[Edit]:
        """Takes the rinse out of a step that does more, and asks the cook to look where that cannot be done in words."""
        cut: Edit | None = None
        if m := _RINSE_SENTENCE.search(step.text):
            following = step.text[m.end() : m.end() + 12]
            cut = Edit(m.start(), m.end(), "")
            if it := re.match(r"(\w+) it\b", following):
                cut = Edit(m.start(), m.end() + it.end(), f"{it[1]} the {self.a.target.short}")
        elif m := _RINSE_AND.search(step.text):
            verb = m["v"].capitalize() if m["r"][0].isupper() else m["v"]
            cut = Edit(m.start(), m.end(), f"{verb} the {self.a.target.short}")
        if cut is None:
            self.out.check.append(Problem("rinse", step.text, self._unrinsed()))
            return edits
        return [cut, *(e for e in edits if e.end <= cut.start or e.start >= cut.end)]

    def _soak_only(self, step: Step) -> NewStep | None:
        if any(d.kind == "soak" for d in step.durations):
            if len(step.durations) == 1 and len(step.text.split()) < 24:
                return NewStep("", step.text, f"This way the {self.a.target.short} is not soaked.", kind="retired")
            self.out.check.append(
                Problem("soak", step.text, f"This way the {self.a.target.short} is not soaked: leave that part out.")
            )
        return None


def _cooked_ahead(recipe: Recipe, own: Own, pot: Pot, a: Amounts, out: Method) -> None:
    """A recipe that starts from cooked grain: cook it first, then the recipe as it stands."""
    work = _Work(recipe, own, pot, a, Measures(), out, Plan("single", a.target), ())
    if not a.same:
        out.steps += work.before()
        out.steps.append(
            _new(
                "cook", _cook_sentence(pot, a.target, a), "The recipe starts from cooked grain; this is how to get it."
            )
        )
        out.steps.append(
            _new("look", f"Look: {_lower(a.target.sign(pot.way.texture))}", "Minutes are a guide; the sign decides.")
        )
        cold = recipe.dish in ("fried", "salad")
        text = (
            f"Rest {round_half_up(pot.rest_min)} minutes, lid on, then loosen."
            if not cold
            else f"Rest {round_half_up(pot.rest_min)} minutes, spread it out shallow, and get it into the fridge within an hour; fry it cold the next day."
        )
        out.steps.append(
            _new(
                "rest",
                text,
                "Cold grain is firm and stays apart in the pan."
                if cold
                else "The last water moves into the middle of each grain.",
            )
        )
    for step in recipe.steps:
        edited = apply(step.text, work._names(step))
        out.steps.append(NewStep(edited.text, step.text, "", edited.marks, "", edited.olds))


def _cook_sentence(pot: Pot, target: Grain, a: Amounts) -> str:
    lid = {
        "open": "uncovered",
        "sealed": "with a cloth under the lid",
        "tight": "under a tight lid",
        "ajar": "with the lid ajar",
    }.get(pot.way.lid, "covered")
    how = f"simmer {lid} on the lowest heat for {pot.cook_typical} minutes"
    if pot.way.method == "steep":
        return f"Bring {nearest(pot.pour_ml, 5)} ml of water to the boil, pour it over the {round_half_up(a.dry_g)} g of {target.short} off the heat, cover and leave {pot.cook_typical} minutes."
    if target.is_meal:
        return f"Bring {nearest(pot.pour_ml, 5)} ml of water to the boil, rain in the {round_half_up(a.dry_g)} g of {target.short} while stirring, and {how}."
    return f"Bring {nearest(pot.pour_ml, 5)} ml of water and the {round_half_up(a.dry_g)} g of {target.short} to the boil, then {how}."


def _new(kind: str, text: str, reason: str) -> NewStep:
    return NewStep(text, None, reason, ((0, len(text)),), kind)


def _rested(pot: Pot) -> str:
    return f"Rest it {round_half_up(pot.rest_min)} minutes, then f" if pot.rest_min >= 1 else "F"


def _times(n: int) -> str:
    return {1: "once", 2: "twice"}.get(n, f"{n} times")


def _lower(text: str) -> str:
    return text[:1].lower() + text[1:]


def _ratio(new: float, old: float) -> float:
    return new / old if old else 1.0


def _what(step: Step, d: Duration) -> str:
    """What goes in at that minute: the few words of the clause around it."""
    before = re.split(r"[.;:]", step.text[: d.span.start])[-1]
    clause = re.sub(
        r"\b(?:for|in|at|after|the|last|final|minute|add|stir in|tip in|about|then|and|with)\b", " ", before, flags=re.I
    )
    if not re.search(r"[^\W\d]{3}", clause):
        clause = re.split(r"[.;:]", step.text[d.span.end :])[0]
        clause = re.sub(
            r"\b(?:before the end|from the end|add|stir in|tip in|the|in|scatter|over)\b", " ", clause, flags=re.I
        )
    words = [w for w in re.findall(r"[^\W\d_]+", clause) if len(w) > 2]
    return " ".join(words[-2:]) or "the addition"
