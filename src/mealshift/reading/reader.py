"""Text → Recipe: the stage's one way through, and the judgement of what the dish wants of its grain."""

from __future__ import annotations

import re

from ..grains import TEXTURES, grain
from ..measures import Measures, canonical_unit, make_amount, number_range, parse_amount
from ..problems import Problem, Refusal
from ..recipe import ROLES, Correction, Line, Recipe, Span
from . import ingredients, steps
from .intake import clean
from .layout import Layout, Piece, lay_out
from .names import find_grains

MOST_GRAIN_G = 5000.0

# dish word -> (dish, texture); searched in the title first, then in the steps
_DISHES = (
    (r"\b(?:congee|gruel)\b", "porridge", "porridge"),
    (r"\bporridge\b", "porridge", "porridge"),
    (r"\b(?:pudding|kheer|payasam)\b(?! rice)", "pudding", "soft"),
    (r"\b(?:risotto|stirred|creamy)\b", "stirred", "moist"),
    (r"\b(?:paella|saffron pan)\b", "pan", "separate"),
    (r"\bsalad\b", "salad", "fluffy"),
    (r"\b(?:fried rice|fry$|day-after|cabbage fry|stir-fr\w+)\b", "fried", "separate"),
    (r"\b(?:stuffed|stuffing|dolma)\b", "stuffing", "separate"),
    (r"\b(?:pilaf|pilav|pilau|pulao|plov|biryani|jewelled)\b", "pilaf", "separate"),
    (r"\bsoft meal\b", "soft", "soft"),
    (r"\bsoup\b", "soup", "moist"),
)


def read(brought: str, measures: Measures | None = None, corrections: tuple[Correction, ...] = ()) -> Recipe:
    """The recipe in a text. Refusal only if there is nothing to read; what is unclear becomes a problem.

    corrections: the cook's earlier words about single lines, found again by the line's text.
    """
    measures = measures or Measures()
    text = clean(brought)
    layout = lay_out(text)
    problems: list[Problem] = []
    lines = [ingredients.read_line(p, i, measures, problems) for i, p in enumerate(layout.lines)]
    lines = [_corrected(ln, corrections) for ln in lines]
    lines += _grains_in_steps(lines, layout, measures)
    source = _source(lines, layout, corrections)
    reading = steps.read_steps(layout.steps, lines, None if source is None else lines[source])
    lines += _liquids_in_steps(lines, reading, layout, measures)
    if source is not None:
        lines = _related(lines, lines[source])
        lines += _relations_in_steps(lines, lines[source], layout)
    if not layout.lines:
        lines += _others_in_steps(lines, layout, measures, problems)
    parts = {c.line.strip().rstrip(":"): c.role for c in corrections if c.role}
    lines = [_role(ln, source, reading, lines, parts.get(ln.section)) for ln in lines]
    if source is not None:
        lines[source] = lines[source].with_(role="source_grain")
        problems += _grain_problems(lines[source], corrections)
    else:
        problems.append(
            Problem(
                "no_grain",
                "",
                "I found no rice or other grain in this text; add a line such as “200 g rice”, "
                "or touch the line that is the grain.",
                "stop",
            )
        )
    reading = steps.corrected(reading, corrections)
    recipe = Recipe(
        text=text,
        title=layout.title.text if layout.title else "Untitled recipe",
        title_span=layout.title.span if layout.title else None,
        servings=layout.servings[0] if layout.servings else None,
        servings_span=layout.servings[1] if layout.servings else None,
        lines=tuple(lines),
        steps=tuple(reading.steps),
        notes=tuple((p.text, p.span) for p in layout.notes),
        headings=tuple((p.text, p.span) for p in layout.headings),
        source=source,
        soak_min=reading.soak_min,
        simmer_min=reading.simmer_min,
        rest_min=reading.rest_min,
        count_out=ingredients.count_out([ln.text for ln in lines]),
        allergens=ingredients.allergens([ln.text for ln in lines]),
    )
    recipe = _judge(recipe, reading)
    problems += _pot_problems(recipe)
    return recipe.with_(problems=tuple(problems))


def _corrected(line: Line, corrections: tuple[Correction, ...]) -> Line:
    for c in corrections:
        if c.line.strip() != line.text.strip():
            continue
        if c.role and c.role not in ROLES:
            raise Refusal("role", "corrections", f"“{c.role[:30]}” is not a role; choose one of {', '.join(ROLES)}.")
        if c.grain:
            grain(c.grain)
            line = ingredients.sized(
                line.with_(
                    grain=c.grain,
                    kind="grain",
                    ml=None if line.unit not in ("ml", "l", "cup", "measure") else line.ml,
                    fraction=0.0,
                    drinks=0.0,
                ),
                [],
            )
        if c.amount:
            line = _amount_said(line, c.amount)
        if c.role:
            line = line.with_(role=c.role, corrected=True)
            if c.role == "pot_liquid" and not line.fraction and (line.ml or line.g):
                line = line.with_(fraction=0.9, water=0.9 * (line.ml or line.g or 0.0), ml=line.ml or line.g)
    return line


def _amount_said(line: Line, said: str) -> Line:
    """The cook's own amount for a line; Refusal if it is none."""
    amount = parse_amount(said)
    fresh = line.with_(
        ml=amount.ml, g=amount.g, quantity=amount.value, unit=amount.unit, corrected=True, water=0.0, drinks=0.0
    )
    kind, _ = ingredients.kind_of(line.name or line.text)
    if kind is not None and not line.grain and line.drinks:
        fresh = fresh.with_(drinks=kind.drinks)
    return ingredients.sized(fresh, [])


def _grains_in_steps(lines: list[Line], layout: Layout, measures: Measures) -> list[Line]:
    """A recipe written as prose names its grain only in a step: that becomes a line, placed there."""
    if any(ln.grain for ln in lines):
        return []
    extra: list[Line] = []
    for n, start, end, unit_end, amount, unit, slug in steps.grains_in_steps(layout.steps):
        text = layout.steps[n].text[start:end]
        at = layout.steps[n].span.start
        try:
            made = make_amount(*number_range(amount), canonical_unit(unit) or "", measures)
        except ValueError:
            continue
        name = find_grains(text)[-1]
        line = Line(
            len(lines) + len(extra), text, Span(at + start, at + end), f"step {n + 1}", made.value, None, made.unit, name.text, name.span,
            Span(0, unit_end - start), "beside", "generic rice" if name.generic else "grain", made.ml, made.g, grain=slug,
            cooked=bool(re.search(r"\bcooked\b", text)),
        )  # fmt: skip
        extra.append(ingredients.sized(line, []))
    return extra


def _related(lines: list[Line], source: Line) -> list[Line]:
    """ "double the volume of stock": a liquid's amount told by the grain's."""
    out = []
    for ln in lines:
        told = steps.relation(ln.text) if ln.fraction and ln.ml is None and source.ml else None
        if told:
            ml = told[0] * (source.ml or 0.0)
            ln = ln.with_(
                ml=ml, g=ml, water=ml * ln.fraction, quantity=told[0], unit="ml", amount_span=Span(told[1], told[2])
            )
        out.append(ln)
    return out


def _relations_in_steps(lines: list[Line], source: Line, layout: Layout) -> list[Line]:
    if any(ln.carrier and ln.ml for ln in lines) or not source.ml:
        return []
    for n, piece in enumerate(layout.steps):
        told = steps.relation(piece.text)
        if not told:
            continue
        liquid = re.match(r"\s*(?:the )?((?:[a-z]+ ){0,2}?(?:water|stock|broth|milk))\b", piece.text[told[2] :], re.I)
        kind, _ = ingredients.kind_of(liquid[1]) if liquid else (None, "")
        if liquid is None or kind is None:
            continue
        ml, end, at = told[0] * source.ml, told[2] + liquid.end(), piece.span.start
        text = piece.text[told[1] : end]
        return [Line(len(lines), text, Span(at + told[1], at + end), f"step {n + 1}", told[0], None, "ml", liquid[1], None, Span(0, told[2] - told[1]),
                     kind.role, kind.kind, ml, ml, ml * kind.water, kind.water, carrier=kind.carrier)]  # fmt: skip
    return []


def _others_in_steps(lines: list[Line], layout: Layout, measures: Measures, problems: list[Problem]) -> list[Line]:
    """The other things of a recipe that is prose alone."""
    taken = [(int(ln.section.split()[1]) - 1, ln.span.start - layout.steps[int(ln.section.split()[1]) - 1].span.start,
              ln.span.end - layout.steps[int(ln.section.split()[1]) - 1].span.start) for ln in lines if ln.section.startswith("step ")]  # fmt: skip
    extra: list[Line] = []
    for n, start, end, text in steps.others_in_steps(layout.steps, taken):
        at = layout.steps[n].span.start
        line = ingredients.read_line(
            Piece(text, Span(at + start, at + end), f"step {n + 1}"), len(lines) + len(extra), measures, problems
        )
        extra.append(line)
    return extra


def _source(lines: list[Line], layout: Layout, corrections: tuple[Correction, ...]) -> int | None:
    """The grain to be shifted: the cook's word, else the first rice, else the first other grain."""
    chosen = [ln for ln in lines if ln.corrected and ln.role == "source_grain"]
    if chosen:
        return chosen[0].index
    refused = {c.line.strip() for c in corrections if c.role and c.role != "source_grain"}
    grains = [ln for ln in lines if ln.grain and ln.text.strip() not in refused]
    rices = [ln for ln in grains if grain(ln.grain or "").family == "rice"]
    return (rices or grains)[0].index if grains else None


def _grain_problems(line: Line, corrections: tuple[Correction, ...]) -> list[Problem]:
    problems = []
    if word := ingredients.unknown_unit(line):
        problems.append(
            Problem(
                "unknown_unit",
                line.text,
                f"I do not know how much a “{word}” holds; write the rice in ml, g, cups or your measure.",
                "stop",
            )
        )
    elif line.ml is None or line.ml <= 0:
        problems.append(
            Problem(
                "no_amount",
                line.text,
                "This line does not say how much; write an amount before it, such as 200 g or 1 cup.",
                "stop",
            )
        )
    elif (line.g or 0) > MOST_GRAIN_G:
        problems.append(
            Problem(
                "absurd_amount",
                line.text,
                f"{(line.g or 0) / 1000:.0f} kg of grain fits no home pot; is the unit right? Write at most 5 kg.",
                "stop",
            )
        )
    if line.kind == "generic rice" and not any(c.line.strip() == line.text.strip() and c.grain for c in corrections):
        problems.append(
            Problem(
                "unnamed_rice",
                line.text,
                "It only says rice: I took long-grain white. Touch the line if it is another.",
                "note",
            )
        )
    return problems


def _liquids_in_steps(lines: list[Line], reading: steps.Reading, layout: Layout, measures: Measures) -> list[Line]:
    """Liquids that only a step names become lines of their own, placed in the step."""
    extra: list[Line] = []
    known = {(ln.kind, round(ln.ml or 0)) for ln in lines if ln.fraction}
    kinds = {ln.kind for ln in lines if ln.fraction and ln.ml}
    for n, m, span in reading.in_steps:
        kind, _ = ingredients.kind_of(m["what"])
        try:
            quantity, ml = steps.stated_liquid(m, measures)
        except ValueError:
            continue
        if kind is None or ml is None or (kind.kind, round(ml)) in known or kind.kind in kinds:
            continue
        at = layout.steps[n].span.start
        amount = Span(0, m.end("unit") - m.start())
        extra.append(
            Line(
                len(lines) + len(extra),
                m[0],
                Span(at + span.start, at + span.end),
                f"step {n + 1}",
                quantity,
                None,
                canonical_unit(m["unit"]) or "",
                m["what"],
                Span(m.start("what") - m.start(), m.end("what") - m.start()),
                amount,
                kind.role,
                kind.kind,
                ml,
                ml,
                ml * kind.water,
                kind.water,
                carrier=kind.carrier,
            )
        )
        known.add((kind.kind, round(ml)))
    return extra


def _role(line: Line, source: int | None, reading: steps.Reading, lines: list[Line], part: str | None = None) -> Line:
    """The line's role; `part` is the cook's word on its whole section: beside, after, or (anything else) in the grain's pot."""
    if line.corrected or line.index == source:
        return line
    home = lines[source].section if source is not None else ""
    when = reading.first_mention.get(line.index)
    section = line.section.lower()
    if part in ("beside", "after"):
        return line.with_(role=part, water=0.0, drinks=0.0)
    if part is not None:
        home = line.section
    if line.section != home and section and not section.startswith("step"):
        if re.search(r"\b(?:dressing|syrup|gravy)\b", section):
            return line.with_(role="after", water=0.0)
        if re.search(r"\b(?:relish|salad|raita|sauce|topping|side|garnish|to serve)\b", section):
            return line.with_(role="beside", water=0.0)
    if line.grain:
        other = grain(line.grain)
        if line.cooked or not line.g or other.simmer == 0 or line.section != home:
            return line.with_(role="beside")
        low, high = other.texture_range()
        return line.with_(
            role="absorber", drinks=line.g * other.hydration_at(min(max(1.0, low), high)), minutes=other.simmer
        )
    kind, _ = ingredients.kind_of(line.name or line.text)
    if line.role == "pot_liquid":
        late = when == "after" or (kind is not None and kind.joins_after and when in (None, "after"))
        if late:
            return line.with_(role="after", water=0.0)
        if when == "beside":
            return line.with_(role="beside", water=0.0)
        return line
    if line.role in ("fat", "salt"):
        return line
    if when == "cooking":
        return line.with_(role="timed")
    if when == "after":
        return line.with_(role="after")
    return line


def _judge(recipe: Recipe, reading: steps.Reading) -> Recipe:
    """Method, lid, dish and texture wanted, from title and steps."""
    prose = " ".join(s.text for s in recipe.steps)
    line = recipe.source_line
    g = grain(line.grain) if line and line.grain else None
    dish, texture = "", ""
    for where in (recipe.title, prose):
        hit = next(((d, t) for pattern, d, t in _DISHES if re.search(pattern, where, re.I)), None)
        if hit:
            dish, texture = hit
            break
    if g and not texture:
        low, high = g.texture_range()
        texture = TEXTURES[int(min(max(1.0, low), high))]
        if g.slug in ("rice-risotto", "rice-pudding", "rice-paella"):
            dish = {"rice-risotto": "stirred", "rice-pudding": "pudding", "rice-paella": "pan"}[g.slug]
            texture = {"stirred": "moist", "pudding": "soft", "pan": "separate"}[dish]
    if g and dish == "porridge" and line and line.g and recipe.liquid_water_ml:
        # porridge or gruel: the recipe's own water says which
        per_gram = recipe.liquid_water_ml / line.g
        texture = "thin" if abs(per_gram - g.hydration_at(5.0)) < abs(per_gram - g.hydration_at(4.0)) else "porridge"
    method, lid = _method(prose, dish, reading, bool(line and line.cooked))
    if g:
        texture = TEXTURES[int(min(max(float(TEXTURES.index(texture)), g.texture_range()[0]), g.texture_range()[1]))]
    return recipe.with_(dish=dish, texture=texture or "fluffy", method=method, lid=lid)


def _method(prose: str, dish: str, reading: steps.Reading, cooked: bool) -> tuple[str, str]:
    def says(pattern: str) -> bool:
        return bool(re.search(pattern, prose, re.I))

    uncovered = says(r"\b(?:uncovered|without (?:a |the )?lid|no lid|do not cover|open pan|lid off throughout)\b")
    if says(r"\brice cooker\b"):
        return "rice-cooker", "ordinary"
    if says(r"\bwhistles?\b") or says(r"\bpressure[ -]cook"):
        return (
            "electric-pressure" if says(r"\bhigh pressure|electric\b") and not says(r"whistle") else "pressure"
        ), "ordinary"
    if says(r"\bmicrowave\b"):
        return "microwave", "ordinary"
    if reading.oven and not cooked:
        covered = says(r"\b(?:foil|lid|covered?)\b") and not uncovered
        return "oven", "ordinary" if covered else "open"
    if reading.drained and says(r"\b(?:plenty of|large pan of|big pot of|lots of)\b|\bdrain\b"):
        return "drain", "open"
    if uncovered or (dish in ("stirred", "pan") and not says(r"\b(?:cover|lid)\b")):
        return "open", "open"
    if says(r"\b(?:foil|tea towel|cloth)\b") and says(r"\b(?:cover|lid|seal)\w*\b"):
        return "covered", "sealed"
    if says(r"\btight(?:ly)?(?:[- ]fitting)?\b"):
        return "covered", "tight"
    if says(r"\b(?:ajar|half[- ]cover\w*|partly cover\w*|partially cover\w*)\b"):
        return "covered", "ajar"
    return "covered", "ordinary"


def _pot_problems(recipe: Recipe) -> list[Problem]:
    line = recipe.source_line
    if line is None or line.cooked or not line.grain:
        return []
    problems = []
    if recipe.liquid_water_ml <= 0 and recipe.method != "drain":
        problems.append(
            Problem(
                "no_water",
                "",
                "The recipe says nowhere how much water goes in; I use the grain's own account. "
                "Add the amount if you know it.",
            )
        )
    if recipe.simmer_min is None:
        problems.append(
            Problem("no_minutes", "", "I found no minutes at the heat for this grain; I use the grain's own time.")
        )
    else:
        usual = grain(line.grain).simmer
        if (
            grain(line.grain).whole
            and recipe.simmer_min < 0.55 * usual
            and recipe.method in ("covered", "open", "drain")
        ):
            problems.append(
                Problem(
                    "implausible_minutes",
                    "",
                    f"{recipe.simmer_min:.0f} minutes is short for {grain(line.grain).name}, which "
                    f"takes about {usual:.0f}: is it a quick-cook kind, or another rice?",
                )
            )
    prose = " ".join(s.text for s in recipe.steps)
    mentioned = {m for s in recipe.steps for m in s.mentions}
    if recipe.steps and not re.search(
        r"\b(?:everything|all (?:of )?(?:the )?(?:other )?ingredients|all the rest)\b", prose, re.I
    ):
        for ln in recipe.lines:
            if (
                ln.index not in mentioned
                and not ln.section.startswith("step")
                and ln.role not in ("salt", "source_grain")
                and ln.name
            ):
                problems.append(Problem("unused", ln.text, f"No step says what becomes of “{ln.name}”.", "note"))
    for ln in recipe.lines:
        if (
            ln.unit == "cup"
            and ln.kind in ("coconut milk", "light coconut milk", "tomato", "pulse")
            and re.search(r"\d\s*c\b", ln.text)
        ):
            problems.append(
                Problem("can_or_cup", ln.text, "Is “c” a cup here, or a can? I took a cup; write “tin” if it is one.")
            )
    shared = re.search(
        r"\b(?:save|keep|set aside|reserve|put aside)\b[^.]{0,30}\b(?:half|a third|the rest|some)\b[^.]{0,40}\b(?:rice|grain|it)\b",
        prose,
        re.I,
    )
    if shared:
        problems.append(
            Problem(
                "shared_pot", "", "Part of this pot is for another dish: the amounts are for the whole pot.", "note"
            )
        )
    second = [ln for ln in recipe.lines if ln.grain and ln.role == "absorber"]
    if second:
        problems.append(
            Problem(
                "two_grains",
                second[0].text,
                f"A second grain is in the pot; it stays as it is and only {grain(line.grain).name} is shifted.",
            )
        )
    if not recipe.steps:
        problems.append(Problem("no_steps", "", "I found no steps; the grain's own steps are written for you."))
    return problems
