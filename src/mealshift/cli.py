"""The `mealshift` command. Bad input: exit 2 and one line on stderr, never a traceback or a usage block."""

from __future__ import annotations

import argparse
import json
import os
import re
import sys
from collections.abc import Mapping, Sequence
from dataclasses import replace
from datetime import datetime, timedelta
from typing import Any, NoReturn

from . import comparing, pipeline, writing
from .grains import TEXTURES, Grain, all_grains, grain
from .grains.catalogue import METHODS
from .manner import Manner
from .measures import CUP_ML, MEASURE_ML, Measures, parse_amount, parse_minutes, unit_kind
from .planning import Dish, plan_dinner
from .planning.schedule import report as plan_report
from .pot import LIDS, Kitchen, Pot, Way, default_way, reverse, solve
from .pot.packet import Packet, by_packet
from .pot.ways import ALTITUDE_M, BURNERS, MICROWAVE_W, POT_CM, ROOM_C
from .problems import Refusal
from .reading import read
from .shifting import KEEPS, Choice, as_it_is, shift


class _Parser(argparse.ArgumentParser):
    def error(self, message: str) -> NoReturn:
        raise Refusal(
            "usage",
            "",
            f"{message[:1].upper() + message[1:]}; see `mealshift {self.prog.split()[-1]} --help`."
            if " " in self.prog
            else f"{message[:1].upper() + message[1:]}; see `mealshift --help`.",
        )


def main(argv: Sequence[str] | None = None) -> int:
    try:
        args = _parser().parse_args(argv)
        data, text = args.run(args)
        print(json.dumps(data, ensure_ascii=False, indent=2) if args.json else text)
    except Refusal as refused:
        print(" ".join(refused.problem.text.split()), file=sys.stderr)
        return 2
    except BrokenPipeError:
        sys.stderr.close()
    except Exception as fault:  # noqa: BLE001 - whatever a text may do to us, the cook gets one line and no traceback
        if os.environ.get("MEALSHIFT_TRACEBACK"):
            raise
        print(
            f"Something in this input is beyond me ({type(fault).__name__}): leave out the odd part, or send it to us.",
            file=sys.stderr,
        )
        return 2
    return 0


def _parser() -> _Parser:
    p = _Parser(prog="mealshift", description="Turns a rice recipe into a recipe for another grain, and says why.")
    sub = p.add_subparsers(required=True, metavar="grains|read|pot|shift|compare|plan", parser_class=_Parser)

    c = sub.add_parser("grains", help="the catalogue")
    c.set_defaults(run=_grains)
    c.add_argument("--json", action="store_true")

    c = sub.add_parser("read", help="what was understood of a recipe")
    c.set_defaults(run=_read)
    c.add_argument("file", metavar="FILE|-")
    c.add_argument("--cup-ml", type=_number, default=CUP_ML)
    c.add_argument("--json", action="store_true")

    c = sub.add_parser("pot", help="one grain in one pot")
    c.set_defaults(run=_pot)
    c.add_argument("--grain", required=True, metavar="SLUG")
    c.add_argument("--amount", metavar="'240 ml'")
    c.add_argument("--water", metavar="'500 ml'", help="instead of --amount: how much grain for this much water")
    c.add_argument("--depth-cm", type=_number, help="instead of --amount: water standing so high above the grain")
    c.add_argument("--fill", action="store_true", help="instead of --amount: as much as the pot takes")
    _pot_options(c)

    c = sub.add_parser("shift", help="a recipe for another grain")
    c.set_defaults(run=_shift)
    c.add_argument("file", metavar="FILE|-")
    c.add_argument("--to", required=True, action="append", metavar="SLUG")
    c.add_argument("--text", action="store_true", help="the rewritten recipe alone, fit to be read again")
    c.add_argument("--keep", default="volume", metavar="|".join(KEEPS))
    c.add_argument("--servings", type=_number)
    c.add_argument("--amounts", default="", metavar="metric|cups|both", help="instead of the recipe's own units")
    c.add_argument("--degrees", default="", metavar="C|F")
    _pot_options(c)

    c = sub.add_parser("compare", help="every grain for this dish, ranked")
    c.set_defaults(run=_compare)
    c.add_argument("file", metavar="FILE|-")
    c.add_argument("--by-hours", type=_number)
    c.add_argument("--gluten-free", action="store_true")
    c.add_argument("--pot-cm", type=_number, default=POT_CM)
    c.add_argument("--altitude", type=_number, default=ALTITUDE_M, metavar="M")
    c.add_argument("--cup-ml", type=_number, default=CUP_ML)
    c.add_argument("--json", action="store_true")

    c = sub.add_parser("plan", help="dishes worked back from the serving time")
    c.set_defaults(run=_plan)
    c.add_argument(
        "files",
        nargs="+",
        metavar="FILE[=SLUG[+SLUG:SHARE][,method=…][,lid=…][,soak=…][,texture=…][,whistles=N][,roast=…][,sprouted][,quick]]",
        help="a recipe, the grain it goes to and how it is cooked; a text without a grain is cooked as it is",
    )
    c.add_argument("--serve-at", required=True, metavar="19:00|7 pm|'Sat 19:00'|ISO")
    c.add_argument("--now", metavar="ISO")
    c.add_argument("--burners", type=_whole, default=BURNERS)
    c.add_argument("--ics", metavar="OUT")
    c.add_argument("--soak", metavar="'30 min'")
    c.add_argument("--pot-cm", type=_number, default=POT_CM)
    c.add_argument("--json", action="store_true")
    return p


def _pot_options(c: argparse.ArgumentParser) -> None:
    c.add_argument("--method", metavar="|".join(METHODS))
    c.add_argument("--texture", metavar="|".join(TEXTURES))
    c.add_argument("--lid", metavar="|".join(LIDS))
    c.add_argument("--heat", metavar="gentle|brisk")
    c.add_argument("--pot-cm", type=_number, default=POT_CM)
    c.add_argument("--pot-l", type=_number)
    c.add_argument("--soak", metavar="'30 min'")
    c.add_argument("--soak-water", default="discarded", metavar="kept|discarded")
    c.add_argument("--room-c", type=_number, default=ROOM_C)
    c.add_argument("--sprouted", action="store_true")
    c.add_argument("--roast", metavar="none|dry|fat")
    c.add_argument("--whistles", type=_whole)
    c.add_argument("--release", default="natural", metavar="natural|quick")
    c.add_argument("--altitude", type=_number, default=ALTITUDE_M, metavar="M")
    c.add_argument("--watts", type=_number, default=MICROWAVE_W)
    c.add_argument("--age", default="fresh", metavar="fresh|old")
    c.add_argument("--broth", metavar="'1 l'", help="soup: the broth that is to stay")
    c.add_argument("--cup-ml", type=_number, default=CUP_ML)
    c.add_argument("--packet-ratio", type=_number, help="go by the packet: so much water to one of grain")
    c.add_argument("--packet-min", type=_number, help="go by the packet: minutes at the boil")
    c.add_argument("--measure-ml", type=_number)
    c.add_argument("--json", action="store_true")


def _number(text: str) -> float:
    try:
        value = float(text.replace(",", "."))
    except ValueError:
        raise argparse.ArgumentTypeError(f"“{text[:20]}” is not a number") from None
    if value != value or abs(value) == float("inf"):
        raise argparse.ArgumentTypeError(f"“{text[:20]}” is not a number")
    return value


def _whole(text: str) -> int:
    try:
        return int(text)
    except ValueError:
        raise argparse.ArgumentTypeError(f"“{text[:20]}” is not a whole number") from None


def _cup(ml: float) -> float:
    if not 50 <= ml <= 1000:
        raise Refusal("cup_ml", "cup_ml", f"A cup of {ml:g} ml is outside what I can reckon with; give 50 to 1,000 ml.")
    return ml


def _kitchen(a: argparse.Namespace) -> Kitchen:
    return Kitchen(
        pot_cm=a.pot_cm,
        pot_l=a.pot_l,
        watts=a.watts,
        altitude_m=a.altitude,
        room_c=a.room_c,
        measure_ml=a.measure_ml if a.measure_ml is not None else MEASURE_ML,
    )


def _text(file: str) -> str:
    try:
        if file == "-":
            raw = sys.stdin.buffer.read(6_000_001)
        else:
            with open(file, "rb") as f:
                raw = f.read(6_000_001)
    except OSError as fault:
        raise Refusal("file", "file", f"I cannot open {file}: {fault.strerror or fault}; check the name.") from None
    if len(raw) > 6_000_000:
        raise Refusal("too_long", "file", f"{file} is larger than any recipe; bring one of under 3 MB.")
    for encoding in ("utf-8-sig", "utf-16" if raw[:2] in (b"\xff\xfe", b"\xfe\xff") else "utf-8-sig", "cp1252"):
        try:
            return raw.decode(encoding)
        except UnicodeDecodeError:
            continue
    return raw.decode("utf-8", errors="replace")


def _grains(a: argparse.Namespace) -> tuple[Any, str]:
    rows = [f"{g.slug:20} {g.name:26} {g.simmer:3.0f} min  {'gluten' if g.gluten else ''}" for g in all_grains()]
    return pipeline.grains_report(), "\n".join(rows)


def _read(a: argparse.Namespace) -> tuple[Any, str]:
    recipe = read(_text(a.file), Measures(cup_ml=_cup(a.cup_ml)))
    for p in recipe.problems:
        if p.code in ("no_grain", "no_recipe"):
            raise Refusal(p.code, "text", p.text)
    data = pipeline.read_report(recipe)
    out = [f"{recipe.title}" + (f", serves {recipe.servings:g}" if recipe.servings else "")]
    out += [f"  {ln.role:12} {ln.text}" for ln in recipe.lines]
    out += [f"  {i}. {s.text}" for i, s in enumerate(recipe.steps, 1)]
    out += [
        f"  {recipe.method}, {recipe.texture}; at the heat {recipe.simmer_min or '?'} min; water from the liquids {recipe.liquid_water_ml:.0f} ml"
    ]
    out += [f"  ? {p.text}" for p in recipe.problems]
    out += [
        f"  ? {d.text}" + (f" ({' / '.join(c.label for c in d.choices)})" if d.choices else "") for d in recipe.doubts
    ]
    return data, "\n".join(out)


def _pot(a: argparse.Namespace) -> tuple[Any, str]:
    g = by_packet(grain(a.grain), Packet(a.grain, a.packet_ratio, a.packet_min))
    kitchen = _kitchen(a)
    way = default_way(
        g,
        a.method,
        a.texture,
        a.lid,
        a.heat or "gentle",
        _soak(a) or 0.0,
        a.soak_water,
        a.sprouted,
        a.roast,
        a.release,
        a.whistles,
        a.age,
        _broth(a),
    )
    pot, asked = _asked(a, g, way, kitchen)
    unit = {"cup": "cup", "measure": "measure", "mass": "g"}.get(asked, "ml")
    if a.measure_ml is not None:
        unit = "measure"
    size = {"cup": _cup(a.cup_ml), "measure": kitchen.measure_ml}.get(unit, 1.0)
    data = pipeline.pot_report(pot, unit, size)
    return data, _pot_text(data)


def _asked(a: argparse.Namespace, g: Grain, way: Way, kitchen: Kitchen) -> tuple[Pot, str]:
    """The pot, and the kind of unit it was asked in; by amount, or the other way round."""
    questions = [a.amount is not None, a.water is not None, a.depth_cm is not None, a.fill]
    if sum(questions) != 1:
        raise Refusal(
            "amount", "amount", "Give one of --amount, --water, --depth-cm or --fill, such as --amount '240 ml'."
        )
    measures = Measures(cup_ml=_cup(a.cup_ml), measure_ml=kitchen.measure_ml)
    if a.water is not None:
        water = parse_amount(a.water, measures)
        return reverse.grain_for_water(g, water.ml or water.g or 0.0, way, kitchen), unit_kind(water.unit)
    if a.depth_cm is not None:
        return reverse.grain_for_depth(g, a.depth_cm, way, kitchen), "volume"
    if a.fill:
        return reverse.grain_for_pot(g, way, kitchen), "volume"
    amount = parse_amount(a.amount, measures)
    ml = amount.ml if amount.ml is not None else (amount.g or 0.0) / g.density
    return solve(g, ml, way, kitchen), unit_kind(amount.unit)


def _broth(a: argparse.Namespace) -> float | None:
    if a.broth is None:
        return None
    amount = parse_amount(a.broth, Measures(cup_ml=_cup(a.cup_ml)))
    return amount.ml if amount.ml is not None else amount.g


def _soak(a: argparse.Namespace) -> float | None:
    return None if a.soak is None else parse_minutes(a.soak, "soak")


def _pot_text(d: Mapping[str, Any]) -> str:
    w, t = d["water"], d["time"]
    ratio = "" if w["ratio_by_volume"] is None else f" (1 to {w['ratio_by_volume']:g})"
    out = [
        f"{d['dry']['g']} g {d['grain']}, {d['texture_word']}: pour {w['jug_ml']} ml{ratio}, keep {w['kettle_ml']} ml hot beside it",
        f"{d['method']}, {d['lid']} lid: {t['cook']['low']} to {t['cook']['high']} minutes, {t['total_min']} to the plate. {d['done_when']}",
    ]
    out += [f"  {r['ml']:+5d} ml  {r['because']}" for r in d["ledger"]]
    out += [f"  {r['min']:+5d} min {r['because']}" for r in d["time_ledger"]]
    out += [f"  ! {c['text']}" for c in d["cautions"]]
    out += [f"  ? {p['text']}" for p in d["problems"]]
    return "\n".join(out)


def _shift(a: argparse.Namespace) -> tuple[Any, str]:
    parts = tuple(_share(to) for to in a.to)
    slug = parts[0][0]
    kitchen = replace(_kitchen(a), cup_ml=_cup(a.cup_ml), manner=Manner(a.amounts, a.degrees.upper()))
    measures = Measures(cup_ml=_cup(a.cup_ml), measure_ml=kitchen.measure_ml)
    choice = Choice(
        slug,
        a.method,
        a.texture,
        a.lid,
        a.heat,
        _soak(a),
        a.soak_water,
        a.roast,
        a.sprouted,
        a.release,
        a.whistles,
        a.age,
        _broth(a),
        a.keep,
        a.servings,
        kitchen,
        said_unit="measure" if a.measure_ml is not None else None,
        blend=parts if len(parts) > 1 else (),
        packets=(Packet(slug, a.packet_ratio, a.packet_min),),
    )
    data = pipeline.shown(shift(read(_text(a.file), measures), choice))
    return data, writing.recipe_alone(data) if a.text else _shift_text(data)


def _compare(a: argparse.Namespace) -> tuple[Any, str]:
    recipe = read(_text(a.file), Measures(cup_ml=_cup(a.cup_ml)))
    data = comparing.report(recipe, Kitchen(pot_cm=a.pot_cm, altitude_m=a.altitude), a.by_hours, a.gluten_free)
    rows: Any = data["grains"]
    out = [f"{recipe.title}: {recipe.texture} wanted"]
    out += [f"  {'' if r['suited'] else 'not suited: '}{r['name']}: {r['reason']}" for r in rows]
    return data, "\n".join(out)


def _plan(a: argparse.Namespace) -> tuple[Any, str]:
    now = _moment(a.now, "now") if a.now else None
    serve = _serving(a.serve_at, now or datetime.now().replace(second=0, microsecond=0))
    dishes = [_dish(word, n, a) for n, word in enumerate(a.files)]
    dinner = plan_dinner(dishes, serve, now, a.burners)
    plan, data = dinner.plan, plan_report(dinner.plan)
    data["problems"] += [p.as_dict() for made in dinner.shifts.values() for p in made.problems if p.severity == "ask"]
    for ways in dinner.ways_out.values():
        data["problems"] += [{"code": "way_out", "where": w.kind, "text": w.text, "severity": "note"} for w in ways]
    if a.ics:
        try:
            with open(a.ics, "wb") as out:
                out.write(writing.to_ics(plan, now or datetime.now()))
        except OSError as fault:
            raise Refusal(
                "ics", "ics", f"I cannot write {a.ics}: {fault.strerror or fault}; give another place."
            ) from None
    lines = [
        f"{s.start:%a %H:%M} to {s.end:%H:%M}  {s.task.dish}: {s.task.what}"
        + (f"  [{s.task.resource}]" if s.task.resource else "")
        for s in plan.tasks
    ]
    return data, "\n".join([*lines, f"{serve:%a %H:%M}  serve", *(f"  ? {p['text']}" for p in data["problems"])])


def _dish(word: str, n: int, a: argparse.Namespace) -> Dish:
    """One dish of a dinner: FILE=SLUG+SLUG:SHARE,option=value,…; whatever is wrong with it is said with its file's name."""
    file, _, told = word.rpartition("=") if "=" in word and "," not in word else word.partition("=")
    if not file:
        file, told = word, ""
    grains, *options = [part.strip() for part in told.split(",")]
    try:
        recipe = read(_text(file))
        if recipe.source_line is None and not told:
            as_it_is(recipe)
            return Dish(str(n), recipe, None)
        parts = tuple(_share(part) for part in grains.split("+")) if grains else ()
        own = recipe.source_line.grain if recipe.source_line else None
        choice = Choice(
            parts[0][0] if parts else own or "",
            soak_min=_soak(a),
            kitchen=Kitchen(pot_cm=a.pot_cm),
            blend=parts if len(parts) > 1 else (),
        )
        choice = replace(choice, **dict(_option(o) for o in options))
        shift(recipe, choice)
    except Refusal as fault:
        raise Refusal(fault.problem.code, fault.problem.where, f"{file}: {fault.problem.text}") from None
    return Dish(str(n), recipe, choice)


def _option(text: str) -> tuple[str, Any]:
    """One choice of a dish: "method=pressure", "soak=8 h", "sprouted"."""
    name, equals, value = (x.strip() for x in text.partition("="))
    if name == "sprouted" and not equals:
        return "sprouted", True
    if name == "quick" and not equals:
        return "release", "quick"
    if name == "soak" and value:
        return "soak_min", parse_minutes(value, "soak")
    if name == "whistles" and value.isdigit():
        return "whistles", int(value)
    if name in ("method", "lid", "texture", "roast") and value:
        return name, value
    raise Refusal(
        "files",
        "files",
        f"“{text[:30]}” is no choice of a dish; write method=, lid=, texture=, roast=, soak=, whistles=, sprouted or quick.",
    )


def _moment(text: str, field: str) -> datetime:
    try:
        return datetime.fromisoformat(text)
    except ValueError:
        raise Refusal(field, field, f"“{text[:30]}” is no point in time; write it as 2026-11-25T19:00.") from None


_TIME = re.compile(
    r"(?:(?P<day>today|tomorrow|[a-z]{3,9})\s+)?(?P<h>\d{1,2})(?:\s*[:.h]\s*(?P<m>\d{2})|(?P<m2>\d{2}))?\s*(?:(?P<half>[ap])\.?m\.?)?",
    re.I,
)
_DAYS = ("monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday")


def _serving(text: str, now: datetime) -> datetime:
    """A bare time is its next occurrence; a weekday's is that of the next such day."""
    if m := _TIME.fullmatch(text.strip()):
        hour, minute = int(m["h"]), int(m["m"] or m["m2"] or 0)
        if m["half"] and 1 <= hour <= 12:
            hour = hour % 12 + (12 if m["half"].lower() == "p" else 0)
        elif m["half"]:
            hour = 99
        day = (m["day"] or "").lower()
        days = [n for n, name in enumerate(_DAYS) if len(day) >= 3 and name.startswith(day)]
        if hour > 23 or minute > 59 or (day and day not in ("today", "tomorrow") and len(days) != 1):
            raise Refusal(
                "serve_at", "serve_at", f"“{text[:30]}” is no time of day; write it as 19:00, 7 pm or Sat 19:00."
            )
        at = now.replace(hour=hour, minute=minute, second=0, microsecond=0)
        if day == "today":
            return at
        if day == "tomorrow":
            return at + timedelta(days=1)
        if days:
            at += timedelta(days=(days[0] - now.weekday()) % 7)
            return at if at > now else at + timedelta(days=7)
        return at if at > now else at + timedelta(days=1)
    at = _moment(text, "serve_at")
    if (at.tzinfo is None) != (now.tzinfo is None):
        at = at.replace(tzinfo=now.tzinfo) if at.tzinfo is None else at.replace(tzinfo=None)
    return at


def _share(text: str) -> tuple[str, float]:
    """SLUG or SLUG:SHARE."""
    slug, colon, share = text.partition(":")
    grain(slug)
    try:
        value = _number(share) if colon else 1.0
    except argparse.ArgumentTypeError as fault:
        raise Refusal("to", "to", f"{fault}; write a share as SLUG:2.") from None
    if value <= 0:
        raise Refusal("to", "to", f"A share of {share} is no share; leave it out or give a number above zero.")
    return slug, value


def _shift_text(d: Mapping[str, Any]) -> str:
    out = [d["title"], ""]
    out += [
        f"  {i['text']}"
        + ("   (new)" if i["was"] is None else f"   (was: {i['was']})" if i["was"] != i["text"] else "")
        for i in d["ingredients"]
        if i["text"]
    ]
    out.append("")
    n = 0
    for s in d["steps"]:
        if s["text"]:
            n += 1
            out.append(f"  {n}. {s['text']}")
        else:
            out.append(f"  -  left out: {s['was']} ({s['reason']})")
    out += ["", *(_pot_text({**p, "cautions": [], "problems": []}) for p in d["pots"])]
    out += [f"  ! {c['text']}" for c in d["cautions"]]
    out += [f"  ? {p['text']}" for p in [*d["check"], *d["problems"]]]
    return "\n".join(out)


if __name__ == "__main__":
    sys.exit(main())
