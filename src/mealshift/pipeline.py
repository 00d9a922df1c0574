"""The way of the data as one readable function, and each stage's result as plain data (the command line's contract)."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import asdict
from functools import lru_cache
from typing import Any, cast

from . import ENGINE_VERSION, SCHEMA, cautions, preparing
from .grains import TEXTURES, Grain, all_grains, grain, schools
from .manner import Manner
from .measures import WHISTLE_MIN, Measures, jug_ml, round_half_up, unit_kind
from .planning.acts import Act, acts_of
from .pot import Kitchen, Pot, default_way, reverse, solve
from .pot.account import report, said
from .pot.afterwards import afterwards
from .pot.afterwards import report as after_report
from .pot.jug import jug
from .pot.simulation import Run, curve, simulate
from .pot.stages import stages
from .pot.ways import ALTITUDE_M, BURNER_W, BURNER_WORDS, MICROWAVE_W, POT_CM, ROOM_C
from .problems import Refusal
from .reading import read
from .recipe import Correction, Doubt, Duration, Line, Recipe
from .results import (
    CorrectionRow,
    DoubtRow,
    GrainPage,
    GrainRow,
    GrainsReport,
    LadderPot,
    LawRow,
    NamedPot,
    PotReport,
    PotShown,
    ReadDuration,
    ReadLine,
    ReadReport,
    RunRow,
    SchoolChoice,
    SchoolRow,
    ShiftReport,
    SourceGrain,
    StripRow,
    TaskRow,
    Tried,
    TriedRow,
    UsualKitchen,
    WhatIf,
)
from .shifting import Choice, Shift, laws, shift
from .shifting.backwards import carriers
from .shifting.wording import of_line, plural
from .writing.text import recipe_alone


def whole_way(
    text: str, choice: Choice, measures: Measures | None = None, corrections: tuple[Correction, ...] = ()
) -> ShiftReport:
    """Recipe text → recipe → shift → what to show. Refusal if the way is barred."""
    return shown(shift(read_once(text, measures, corrections), choice))


@lru_cache(maxsize=64)
def read_once(text: str, measures: Measures | None = None, corrections: tuple[Correction, ...] = ()) -> Recipe:
    """The same text is asked for again with every touch on the bench, and read the same."""
    return read(text, measures, corrections)


def shown(s: Shift) -> ShiftReport:
    """The shift as it is shown, its text read back: what does not come out as meant is said with it."""
    made = shift_report(s)
    if s.same and s.pot.way == s.own.way:
        return made
    try:
        again = read(recipe_alone(made), s.recipe.vessels)
    except Refusal:
        found = [
            laws.Broken("read back", "Read again, the new text holds no recipe that can be cooked: check its lines.")
        ]
    else:
        found = laws.read_back(s, again)
    made["laws"] += [_law(b) for b in found]
    return made


# the same plate in six grains: what one who tries it is shown
TRIED = ("foxtail-millet", "quinoa", "bulgur-coarse", "little-millet", "barley-pearl", "rice-brown-long")


def tried(text: str, to: str) -> Tried:
    """A recipe in six grains of an ordinary kitchen, and whole in one of them. Refusal if it cannot be shifted.

    {"title", "rows": [{"grain", "name", "family", "pour_ml", "cook_min", "rest_min"}], "shift": as `whole_way`}
    """
    recipe = read_once(text)
    rows: list[TriedRow] = []
    for slug in dict.fromkeys((to, *TRIED)):
        try:
            pot = shift(recipe, Choice(slug)).pot
        except Refusal:
            if slug == to:
                raise
            continue
        rows.append(
            {
                "grain": slug,
                "name": pot.grain.name,
                "family": pot.grain.family,
                "pour_ml": jug_ml(pot.pour_ml),
                "cook_min": pot.cook_typical,
                "rest_min": round_half_up(pot.rest_min),
            }
        )
    order = [*TRIED, to]
    rows.sort(key=lambda r: order.index(str(r["grain"])))
    return {"title": recipe.title, "rows": rows, "shift": whole_way(text, Choice(to))}


# -- each stage's result as plain data ---------------------------------------------------------------------


def _law(b: laws.Broken) -> LawRow:
    return {"law": b.law, "text": b.text, "where": b.where}


def _task(t: preparing.Task, kitchen: Kitchen) -> TaskRow:
    return {
        "what": kitchen.says(t.what),
        "minutes": t.minutes,
        "hands_on": t.hands_on,
        "sign": kitchen.says(t.sign),
        "why": kitchen.says(t.why),
    }


def grain_row(g: Grain) -> GrainRow:
    return {
        "slug": g.slug,
        "name": g.name,
        "short": g.short,
        "names": g.names,
        "family": g.family,
        "form": g.form,
        "gluten": g.gluten,
        "whole": g.whole,
        "density": g.density,
        "hydration": g.hydration,
        "simmer_min": g.simmer,
        "rest_min": g.rest,
        "soaks": g.soak is not None,
        "soak": {"u_max": g.soak.u_max, "t_half": g.soak.t_half, "beta": g.soak.beta} if g.soak else None,
        "rinse": g.rinse,
        "rinse_why": g.rinse_why,
        "roast": {
            "kind": g.roast.kind,
            "min": g.roast.min,
            "why": g.roast.why,
            "for_textures": list(g.roast.for_textures),
        }
        if g.roast
        else None,
        "roast_never": g.roast_never,
        "sprouts": g.sprouts,
        "methods": list(g.methods),
        "textures": list(g.textures),
        "texture_words": [g.texture_word(float(TEXTURES.index(t))) for t in g.textures],
        "done_when": g.done_when,
        "keeping": g.keeping,
        "basis": g.basis or {"all": "practice"},
    }


def grains_report() -> GrainsReport:
    return {"schema": SCHEMA, "grains": [grain_row(g) for g in all_grains()]}


def usual_kitchen() -> UsualKitchen:
    """What a kitchen is taken to be until it is described."""
    return {
        "pot_cm": POT_CM,
        "burner_w": BURNER_W,
        "microwave_w": MICROWAVE_W,
        "altitude_m": ALTITUDE_M,
        "room_c": ROOM_C,
        "whistle_min": WHISTLE_MIN,
        "burners": [{"word": word, "watts": watts} for word, watts in BURNER_WORDS],
    }


def grain_page(slug: str, kitchen: Kitchen) -> GrainPage:
    """All about one grain, reckoned for one of the cook's measures: textures, schools, and what can be done before the pot."""
    g = grain(slug)
    ml, unit, name = kitchen.measure_ml, "measure", kitchen.measure_name

    def solved(**way: Any) -> PotReport:
        return pot_report(solve(g, ml, default_way(g, **way), kitchen), unit, ml, name)

    ladder: list[LadderPot] = [solved(texture=t) for t in g.textures]
    ways: list[SchoolRow] = []
    for school in schools(slug):
        named: SchoolChoice = {
            "soak_min": school.soak_min,
            "roast": school.roast,
            "texture": school.texture,
            "method": school.method,
            "lid": school.lid,
            "release": school.release,
        }
        asked = {k: v for k, v in named.items() if v is not None}
        if asked.get("soak_min") and not g.soak:
            continue
        ways.append(
            {
                "slug": school.slug,
                "name": school.name,
                "suits": school.suits,
                "default": school.default,
                "why": school.why,
                "choice": named,
                "pot": solved(**asked),
            }
        )
    mill = (
        None
        if g.is_meal or g.form == "cracked" or not g.whole and g.family not in ("rice", "millet")
        else preparing.mill(g, ml * g.density)
    )
    return {
        **grain_row(g),
        "aliases": list(g.aliases),
        "range": g.range,
        "quick": g.quick,
        "parboiled": g.parboiled,
        "electric_min": g.electric_min,
        "whistles": list(g.whistles) if g.whistles else None,
        "measure_ml": ml,
        "measure_name": name,
        "ladder": ladder,
        "schools": ways,
        "sprout": [_task(t, kitchen) for t in preparing.sprout(g, kitchen.room_c)] if g.sprouts else [],
        "mill": None
        if mill is None
        else {
            "tasks": [_task(t, kitchen) for t in mill.tasks],
            "batches": mill.batches,
            "said": kitchen.says(
                f"One {name} gives about {jug_ml(mill.meal_ml)} ml of meal ({round_half_up(mill.meal_g)} g), and {round_half_up(mill.flour_g)} g of flour to sift out."
            ),
        },
        "cautions": [c.as_dict() for c in cautions.for_pot(solve(g, ml, default_way(g), kitchen))],
    }


def other_way(
    slug: str,
    kitchen: Kitchen,
    water_ml: float | None,
    depth_cm: float | None,
    fill: bool,
    dry_ml: float | None,
    **asked: Any,
) -> PotReport:
    """How much grain for this water, depth or pot; or, with dry_ml and water_ml, which texture."""
    g = grain(slug)
    way = default_way(g, **{k: v for k, v in asked.items() if v is not None})
    if dry_ml is not None and water_ml is not None:
        if not 5 <= dry_ml <= 20000:
            raise Refusal("dry_ml", "dry_ml", "Give between 5 ml and 20 litres of grain.")
        pot = reverse.texture_for_water(g, dry_ml, water_ml, way, kitchen)
    elif water_ml is not None:
        pot = reverse.grain_for_water(g, water_ml, way, kitchen)
    elif depth_cm is not None:
        pot = reverse.grain_for_depth(g, depth_cm, way, kitchen)
    elif fill:
        pot = reverse.grain_for_pot(g, way, kitchen)
    else:
        raise Refusal(
            "water", "water", "Say how much water there is, how deep it stands, or that the pot is to be filled."
        )
    return pot_report(pot, *kitchen.pours_in)


def what_if(s: Shift, pour_ml: float | None, minutes: float | None, lid: str | None, start: str = "cold") -> WhatIf:
    """The shifted pot minute by minute, as planned and as changed; each with what comes of it."""
    if pour_ml is not None and not 0 <= pour_ml <= 20000:
        raise Refusal("pour_ml", "pour_ml", "Pour between 0 and 20,000 ml; give an amount in between.")
    if minutes is not None and not 0 <= minutes <= 240:
        raise Refusal("minutes", "minutes", "Cook between 0 and 240 minutes; give a time in between.")
    plan = simulate(s.pot, start=start)
    changed = simulate(s.pot, pour_ml, minutes, lid, start) if (pour_ml, minutes, lid) != (None, None, None) else plan
    poured = s.pot.pour_ml if pour_ml is None else pour_ml
    return {
        "plan": run_report(plan, s.pot.kitchen),
        "changed": run_report(changed, s.pot.kitchen),
        "pour_said": said(poured, *said_measure(s.choice, s.recipe)),
    }


# what became of a pot, in a few words
CAME_OUT = {
    "right": "It comes out right",
    "dry": "Too dry",
    "scorched": "It catches",
    "hard-cored": "Hard in the middle",
    "wet": "Too wet",
    "soup": "Soup",
    "mushy": "Mush",
}


def run_report(run: Run, kitchen: Kitchen) -> RunRow:
    """kitchen: as whose household it is said."""
    v = run.verdict
    return {
        "curve": curve(run, kitchen),
        "boil_at": run.boil_at,
        "off_at": run.off_at,
        "done_at": run.done_at,
        "dry_at": run.dry_at,
        "verdict": {
            "code": v.code,
            "said": CAME_OUT[v.code],
            "minute": v.minute,
            "text": kitchen.says(v.text),
            "add_ml": v.add_ml,
            "add_min": v.add_min,
        },
    }


def pot_report(pot: Pot, said_unit: str = "ml", said_ml: float = 1.0, said_name: str | None = None) -> PotReport:
    return {
        "schema": SCHEMA,
        **report(pot, said_unit, said_ml, said_name),
        "after": after_report(afterwards(pot)),
        "stages": [{"what": w, "min": n} for w, n in stages(pot)],
        "cautions": [c.as_dict() for c in cautions.for_pot(pot)],
        "problems": [p.as_dict() for p in pot.problems],
    }


def _line(ln: Line) -> ReadLine:
    return {
        "text": ln.text,
        "section": ln.section,
        "quantity": ln.quantity,
        "unit": ln.unit,
        "name": ln.name,
        "role": ln.role,
        "ml": None if ln.ml is None else round(ln.ml, 1),
        "g": None if ln.g is None else round(ln.g, 1),
        "kind": ln.kind,
        "grain": ln.grain,
        "cooked": ln.cooked,
        "water_ml": round_half_up(ln.water),
        "corrected": ln.corrected,
        "span": [ln.span.start, ln.span.end],
        "name_span": [ln.span.start + ln.name_span.start, ln.span.start + ln.name_span.end] if ln.name_span else None,
        "amount_span": [ln.span.start + ln.amount_span.start, ln.span.start + ln.amount_span.end]
        if ln.amount_span
        else None,
    }


def _duration(d: Duration, at: int) -> ReadDuration:
    return {
        "low_min": d.low,
        "high_min": d.high,
        "text": d.text,
        "kind": d.kind,
        "span": [at + d.span.start, at + d.span.end],
    }


def read_report(recipe: Recipe) -> ReadReport:
    line = recipe.source_line
    source: SourceGrain | None = None
    if line is not None and line.grain is not None:
        source = {
            "slug": line.grain,
            "as": "cooked" if line.cooked else "raw",
            "ml": None if line.ml is None else round(line.ml, 1),
            "g": None if line.g is None else round(line.g, 1),
            "line": line.index,
        }
    return {
        "schema": SCHEMA,
        "title": recipe.title,
        "servings": recipe.servings,
        "source_grain": source,
        "lines": [_line(ln) for ln in recipe.lines],
        "steps": [
            {
                "text": s.text,
                "section": s.section,
                "durations": [_duration(d, s.span.start) for d in s.durations],
                "mentions": list(s.mentions),
                "span": [s.span.start, s.span.end],
            }
            for s in recipe.steps
        ],
        "method": recipe.method,
        "lid": recipe.lid,
        "texture": recipe.texture,
        "dish": recipe.dish,
        "soak_min": recipe.soak_min,
        "simmer_min": recipe.simmer_min,
        "rest_min": recipe.rest_min,
        "release_min": recipe.release_min,
        "whistles": recipe.whistles,
        "liquid_water_ml": round(recipe.liquid_water_ml, 1),
        "count_out": list(recipe.count_out),
        "allergens": list(recipe.allergens),
        "problems": [p.as_dict() for p in recipe.problems],
        "notes": [{"text": t, "span": [s.start, s.end]} for t, s in recipe.notes],
        "headings": [{"text": t, "span": [s.start, s.end]} for t, s in recipe.headings],
        "text": recipe.text,
        "plain": recipe.plain,
        "line_classes": [[at, cls] for at, _, cls, _ in recipe.line_classes],
        "classes": [
            {"span": [a, b], "text": " ".join(recipe.text[a:b].split()), "cls": cls, "sure": round(sure, 2)}
            for a, b, cls, sure in recipe.line_classes
        ],
        "minutes": [
            {"text": d.text, "low_min": d.low, "high_min": d.high, "kind": d.kind, "sure": round(d.sure, 2)}
            for s in recipe.steps
            for d in s.durations
        ],
        "doubts": [doubt_row(d) for d in recipe.doubts],
        "process": recipe.process.as_dict(),
    }


def _correction(c: Correction) -> CorrectionRow:
    """What it says, and nothing of what it does not."""
    return cast(CorrectionRow, {k: v for k, v in asdict(c).items() if v is not None})


def doubt_row(d: Doubt) -> DoubtRow:
    """A doubt with the correction each of its readings stands for."""
    return {
        "field": d.field,
        "where": d.where,
        "text": d.text,
        "choices": [
            {"label": c.label, "correction": _correction(c.correction), "also": _correction(c.also) if c.also else None}
            for c in d.choices
        ],
    }


def said_measure(choice: Choice, recipe: Recipe) -> tuple[str, float, str | None]:
    """The words for the pour: the cook's own vessel, or those its line is written in (the grain's where several lines carry it)."""
    if choice.said_unit == "measure" or choice.kitchen.manner.amounts in ("metric", "cups"):
        return choice.kitchen.pours_in
    carry = carriers(recipe)
    line = carry[0] if len(carry) == 1 and carry[0].unit else recipe.source_line
    unit = line.unit if line else ""
    own = of_line(line, recipe.vessels) if line else recipe.vessels
    if unit_kind(unit) == "cup":
        return "cup", own.cup_ml, "cup"
    if unit_kind(unit) == "measure" and abs(own.measure_ml - choice.kitchen.measure_ml) < 1:
        return "measure", choice.kitchen.measure_ml, choice.kitchen.measure_name
    if unit_kind(unit) in ("measure", "vessel") and line is not None and line.amount_span is not None:
        # the recipe's own glass, by its own name
        said = line.text[line.amount_span.start : line.amount_span.end]
        return "measure", own.measure_ml, plural("measure", 1, said)
    return ("g", 1.0, None) if unit_kind(unit) == "mass" and choice.said_unit == "g" else ("ml", 1.0, None)


def shift_report(s: Shift) -> ShiftReport:
    """Every ingredient line of the input stands in "ingredients" (its `was`) or in "check"."""
    unit, size, name = said_measure(s.choice, s.recipe)
    return {
        "schema": SCHEMA,
        "engine": ENGINE_VERSION,
        "title": s.title.text,
        "title_marks": [list(m) for m in s.title.marks],
        "servings": s.servings,
        "from": {
            "grain": s.own.grain.slug,
            "name": s.own.grain.name,
            "dry_ml": round_half_up(s.own.dry_ml),
            "dry_g": round_half_up(s.own.pot.dry_g),
            "cook_min": s.recipe.simmer_min,
            "water_ml": round_half_up(s.own.recipe_water_ml),
            "was_title": s.recipe.title,
        },
        "pots": [_named(p, unit, size, name, s.poured if p is s.pot else "water") for p in (s.pot, *s.aside)],
        "blend": {"kind": s.plan.kind, "because": s.plan.because},
        "ingredients": [
            {
                "text": ln.text,
                "was": ln.was,
                "role": ln.role,
                "marks": [list(m) for m in ln.marks],
                "olds": list(ln.olds),
                "because": ln.because,
                "in_step": ln.in_step,
                "section": ln.section,
            }
            for ln in s.lines
            if not ln.is_sum
        ],
        "steps": [
            {
                "text": st.text,
                "was": st.was,
                "reason": st.reason,
                "marks": [list(m) for m in st.marks],
                "olds": list(st.olds),
                "kind": st.kind,
                "section": st.section,
                "kept": st.kept,
                "cautions": [c.text for c in cautions.for_words(st.text, s.kitchen.manner)],
            }
            for st in s.method.steps
        ],
        "changes": [{"what": c.what, "was": c.was, "now": c.now, "because": c.because} for c in s.changes],
        "check": [p.as_dict() for p in s.check],
        "problems": [p.as_dict() for p in s.problems],
        "cautions": [c.as_dict() for c in cautions.for_shift(s)],
        "count_out": list(s.recipe.count_out),
        "strip": strip(s),
        "process": s.process.as_dict(),
        "laws": [_law(b) for b in laws.broken(s)],
    }


def _named(pot: Pot, unit: str, size: float, name: str | None, of: str) -> NamedPot:
    """of: what is poured."""
    made = pot_report(pot, unit, size, name)
    return {
        **made,
        "water": {**made["water"], "of": of},
        "name": pot.grain.name,
        "short": pot.grain.short,
        "jug": jug(made, pot.grain.name, pot.kitchen.manner, pot.kitchen.measures),
    }


def with_jugs(pots: Sequence[PotShown], manner: Manner, measures: Measures) -> list[PotShown]:
    """The pots of a shift that was kept, by whatever version, with their jugs as the household says amounts now."""
    return [{**p, "jug": jug(p, p["name"], manner, measures)} for p in pots]


# what stands on the strip of an act's work, by its kind; shorter work without minutes of its own is not drawn
_ON_STRIP = {
    "cook": "simmer",
    "cook_on": "simmer on",
    **{k: k for k in ("fry", "toast", "chop", "grind", "whisk", "cool", "chill", "preheat")},
}
LEAST_DRAWN_MIN = 3


def strip(s: Shift) -> list[StripRow]:
    """Time from now to the plate, in order, as plan and stove have it: what, minutes, kind. What goes in late stands on its segment ("at")."""
    pot, acts = s.pot, acts_of(s)
    out: list[StripRow] = []

    def put(what: str, minutes: float, kind: str, at: Sequence[tuple[str, int]] = ()) -> None:
        if whole := round_half_up(minutes):
            out.append({"what": what, "min": whole, "kind": kind, "at": [{"what": w, "minute": n} for w, n in at]})

    def put_acts(found: Sequence[Act]) -> None:
        for a in found:
            # what runs beside, or is a dish of its own, makes the way to the plate no longer
            if (
                not (a.beside or a.part)
                and (a.timed or a.minutes >= LEAST_DRAWN_MIN)
                and a.kind not in ("rest", "release")
            ):
                put("bake" if a.resource == "oven" else _ON_STRIP.get(a.kind, "hands"), a.minutes, "before")

    if pot.way.soak_min:
        put("soak", pot.way.soak_min, "soak")
    if not s.own.line.cooked:
        put_acts(acts.before)
    if pot.grain.roast and pot.way.roast == "dry" and not s.own.toasts:
        put("roast", pot.grain.roast.min, "roast")
    put("to the boil", pot.come_up_min, "come_up")
    if acts.cooking.early:
        put("head start", acts.cooking.early.minutes, "before")
    cook = {"steep": "steep", "oven": "oven"}.get(pot.way.method, "simmer")
    put(cook, acts.cooking.minutes or pot.cook_typical, "cook", () if pot.way.locked else s.method.additions)
    # where the recipe does something before it rests, so does the strip
    at = 0 if acts.cooking.rest.words else next((n for n, a in enumerate(acts.after) if a.is_rest), 0)
    put("release", pot.release_min, "rest")
    put_acts(acts.after[:at])
    put("rest", pot.rest_min, "rest")
    put_acts(acts.after[at:])
    return out


__all__ = [
    "Choice",
    "grains_report",
    "pot_report",
    "read",
    "read_report",
    "shift",
    "shift_report",
    "solve",
    "strip",
    "whole_way",
    "with_jugs",
]
