"""One text's facts held against its label: (field, right, asked, want, got). Asked: wrong, but a doubt names it.

.venv/bin/python scripts/reading_facts.py     writes tests/core/corpus/readings.txt: a line for each text of the corpus, with what the shipped weights read otherwise than its
                                              label. They are trained on these very texts, so this is a bar against slips and a list of work, and no result.
                                              And corpus/shifts.txt: a line for each text shifted to one of six grains, its numbers and the sum of all that is told of it.
"""

from __future__ import annotations

import json
import zlib
from collections import Counter
from collections.abc import Iterator
from functools import lru_cache
from itertools import cycle
from pathlib import Path
from typing import Any

from mealshift import pipeline
from mealshift.problems import Refusal
from mealshift.reading import read
from mealshift.recipe import Recipe
from mealshift.shifting import Choice, shift
from mealshift.text import scans
from mealshift.writing.text import recipe_alone

ROOT = Path(__file__).parents[1]
BAR = ROOT / "tests" / "core" / "corpus" / "readings.txt"
SHIFTS = BAR.with_name("shifts.txt")
# a quick grain, a meal, one under pressure, one that drinks little, one that takes its time
TO = (
    Choice("quinoa"),
    Choice("millet-grits"),
    Choice("barley-pearl", method="pressure"),
    Choice("bulgur-coarse"),
    Choice("rice-brown-long"),
    Choice("couscous"),
)

# a label's word for a grain → the slugs that are right for it
GRAINS = {
    "rice-white": {"rice-white-long", "rice-white-medium", "rice-white-raw", "rice-white-short", "rice-parboiled"},
    "risotto": {"rice-risotto"},
    "paella": {"rice-paella"},
    "pudding": {"rice-pudding", "rice-white-short", "rice-white-medium"},
    "sushi": {"rice-white-short"},
    "glutinous": {"rice-glutinous"},
    "parboiled": {"rice-parboiled"},
    "broken": {"rice-broken"},
    "rice-wild": {"wild-rice"},
    "rice-white-medium": {"rice-white-medium", "rice-white-short"},
}
WAYS = {"drained": "drain", "stirred": "open"}
ALL = ("grain", "amount", "water", "simmer", "rest", "soak", "method", "servings", "count_out")
Row = tuple[str, bool, bool, Any, Any]


def near(a: float | None, b: float | None, share: float = 0.08) -> bool:
    return a is not None and bool(b) and abs(a - (b or 0)) <= share * (b or 0)


@lru_cache(maxsize=2000)
def _recipe(brought: str) -> Recipe:
    """Kept: the whole corpus is asked for twice, to be read and to be shifted."""
    return read(brought)


@lru_cache(maxsize=2)
def _report(brought: str) -> tuple[dict[str, Any] | None, str]:
    try:
        return pipeline.read_report(_recipe(brought)), ""
    except Refusal as refused:
        return None, refused.problem.text[:60]


def check(label: dict[str, Any], brought: str) -> Iterator[Row]:
    j, said = _report(brought)
    stopped = j is not None and any(p["code"] in ("no_grain", "no_recipe") for p in j["problems"])
    if not label.get("rice_recipe", True):
        yield (
            "no recipe",
            j is None or stopped or not j["source_grain"],
            False,
            "refused",
            (j or {}).get("source_grain"),
        )
        return
    f = label["facts"]
    if not f:
        return
    if j is None:
        yield from ((k, False, True, "read", said) for k in ALL if f.get(k))
        return
    s = j["source_grain"] or {}
    asked = {d["field"] for d in j["doubts"]}
    if not s or (s["ml"] is None and s["g"] is None):
        asked = set(ALL)

    def row(field: str, good: bool, want: Any, got: Any) -> Row:
        return field, bool(good), field in asked, want, got

    if f.get("grain"):
        want = str(f["grain"]).split(" ")[0]
        yield row(
            "grain",
            bool(s) and (want.startswith("other") or s["slug"] in GRAINS.get(want, {want})),
            want,
            s.get("slug"),
        )
    if f.get("cooked_ml"):
        yield row("amount", s.get("as") == "cooked", "cooked", s.get("as"))
    elif f.get("dry_g") or f.get("dry_ml"):
        yield row(
            "amount",
            near(s.get("g"), f.get("dry_g")) or near(s.get("ml"), f.get("dry_ml")),
            f.get("dry_g") or f.get("dry_ml"),
            (s.get("ml"), s.get("g")),
        )
    w, got = f.get("water_ml"), j["liquid_water_ml"] or 0
    if isinstance(w, list) and len(w) == 2 and f.get("method") not in ("cooked", "drain"):
        yield row("water", w[0] * 0.95 <= got <= w[1] * 1.05, w, got)
    elif w == "not stated":
        yield row(
            "water",
            got < 80
            and (
                "water" in asked
                or "no_water" in {p["code"] for p in j["problems"]}
                or j["method"] in ("drain", "rice-cooker", "steam")
            ),
            w,
            got,
        )
    for k in ("simmer", "rest", "soak"):
        want_min, have = f.get(k), j[k + "_min"] or 0
        if want_min is None and k == "simmer":
            continue
        yield row(k, abs(have - (want_min or 0)) <= max(1, 0.07 * (want_min or 0)), want_min or 0, have)
    if f.get("method"):
        want = WAYS.get(f["method"], f["method"])
        have_way = str(j["method"])
        good = (
            have_way == want
            or want.startswith("cooked")
            or (f["method"] == "stirred" and have_way in ("covered", "open"))
        )
        yield row("method", good, want, have_way)
    if f.get("servings"):
        yield row("servings", j["servings"] == f["servings"], f["servings"], j["servings"])
    said_out = str(j["count_out"]).lower()
    for spice in f.get("count_out") or []:
        yield row("count_out", spice.lower().rstrip("s") in said_out, spice, j["count_out"])


def parts(label: dict[str, Any], brought: str) -> Iterator[tuple[str, bool]]:
    """Lines, minutes and things of one text: (which, is it as the label has it)."""
    j, _ = _report(brought)
    if j is None or not label.get("rice_recipe", True):
        return
    if label.get("lines") and len(label["lines"]) == len(j["line_classes"]):
        yield from (
            ("line classes", mine == theirs[1]) for mine, theirs in zip(label["lines"], j["line_classes"], strict=True)
        )
    left = [(m["text"].lower().strip(), m["kind"]) for m in j["minutes"]]
    for text, kind, *_ in label.get("minutes") or []:
        hit = next((x for x in left if x[0] in text.lower() or text.lower().strip() in x[0]), None)
        if hit:
            left.remove(hit)
        yield "minutes' kinds", bool(hit and hit[1] == kind)
    listed = [ln["text"].lower() for ln in j["lines"]]
    for thing in label.get("ingredients") or []:
        said = (thing.get("text") or "").lower().strip()
        if said:
            yield "things", any(said in ln or ln in said for ln in listed)


def told(name: str, label: dict[str, Any], brought: str) -> str:
    """One text in a line: what is read of it, how many of its facts are right, what is asked though right, what is wrong and asked or silent, and how many
    of its parts are not as labelled."""
    rows = list(check(label, brought))
    out = [_read_as(brought), f"{sum(good for _, good, *_ in rows)}/{len(rows)}"]
    for field, good, asked, want, got in rows:
        if good and asked:
            out.append(f"{field}?")
        elif not good:
            out.append(f"{field} {'asked' if asked else 'SILENT'} {_short(got)} for {_short(want)}")
    of: Counter[str] = Counter()
    wrong: Counter[str] = Counter()
    for which, good in parts(label, brought):
        of[which] += 1
        wrong[which] += not good
    out += [f"{which} -{wrong[which]}" for which in sorted(of) if wrong[which]]
    return f"{name} | " + " ; ".join(out)


def _read_as(brought: str) -> str:
    j, refused = _report(brought)
    if j is None:
        return f"refused: {refused}"
    s = j["source_grain"] or {}
    told = (
        s.get("slug"),
        s.get("as"),
        s.get("ml"),
        j["liquid_water_ml"],
        j["simmer_min"],
        j["rest_min"],
        j["soak_min"],
    )
    kinds = " ".join(f"{m['kind']}{m['low_min']:g}" for m in j["minutes"])
    roles = " ".join(f"{line['role']}{'' if line['ml'] is None else round(line['ml'])}" for line in j["lines"])
    return " ".join(map(_short, (*told, j["method"], j["servings"]))) + f" | {kinds} | {roles}"


def _short(value: Any) -> str:
    return f"{value:.4g}" if isinstance(value, float) else str(value).replace(" ", "")[:60]


def label_of(file: Path, brought: str) -> dict[str, Any]:
    """A text's label. It quotes the page as a scan had it; what is read has the letters set right."""
    words = scans.misread(brought)

    def mended(said: Any) -> Any:
        if isinstance(said, dict):
            return {k: mended(v) for k, v in said.items()}
        if isinstance(said, list):
            return [mended(v) for v in said]
        return scans.mended(said, words) if isinstance(said, str) else said

    return dict(mended(json.loads(file.read_text(encoding="utf-8"))))


def texts() -> Iterator[tuple[str, Path, Path]]:
    """(name, its label's file, its own) of the whole corpus."""
    for label in sorted((ROOT / "corpus").glob("*/*.label.json")):
        stem = label.name.removesuffix(".label.json")
        yield f"{label.parent.name}/{stem}", label, next(p for p in label.parent.glob(f"{stem}.*") if p != label)


def shifts() -> list[str]:
    """The whole corpus shifted, a line for each text: to what, water, minutes, rest, how many laws its text breaks, and the sum of all its words."""
    out = []
    for (name, _, file), choice in zip(texts(), cycle(TO), strict=False):
        brought = file.read_text(encoding="utf-8")
        head = f"{name} → {choice.to}{f' by {choice.method}' if choice.method else ''} | "
        try:
            made = pipeline.shift_report(shift(_recipe(brought), choice))
        except Refusal as refused:
            out.append(f"{head}refused: {refused.problem.text[:60]}")
            continue
        pot = made["pots"][0]
        water, time = pot["water"]["pour_ml"], pot["time"]
        words = json.dumps(
            [
                recipe_alone(made),
                [s["reason"] for s in made["steps"]],
                made["changes"],
                made["problems"],
                pot["ledger"],
                pot["time_ledger"],
            ],
            ensure_ascii=False,
        )
        told = f"{water} ml, {time['cook']['typical']} min, rest {time['rest_min']}, laws -{len(made['laws'])}"
        out.append(f"{head}{told} | {zlib.crc32(words.encode()):08x}")
    return out


def readings() -> list[str]:
    """The whole corpus, a line for each text; the sums in the last."""
    out: list[str] = []
    sums: Counter[str] = Counter()
    for name, labelled, file in texts():
        brought = file.read_text(encoding="utf-8")
        label = label_of(labelled, brought)
        rows = [("facts", good, asked) for _, good, asked, *_ in check(label, brought)]
        for which, good, asked in [*rows, *((w, g, False) for w, g in parts(label, brought))]:
            sums[f"{which} right" if good else f"{which} asked" if asked else f"{which} wrong"] += 1
        out.append(told(name, label, brought))
    return [*out, "all | " + " ; ".join(f"{k} {sums[k]}" for k in sorted(sums))]


if __name__ == "__main__":
    BAR.write_text("\n".join(readings()) + "\n", encoding="utf-8")
    SHIFTS.write_text("\n".join(shifts()) + "\n", encoding="utf-8")
