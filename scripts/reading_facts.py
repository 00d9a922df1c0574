"""One text's facts held against its label: (field, right, asked, want, got). Asked: wrong, but a doubt names it."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

from mealshift import pipeline
from mealshift.problems import Refusal
from mealshift.reading import read

# a label's word for a grain → the slugs that are right for it
GRAINS = {
    "rice-white": {"rice-white-long", "rice-white-medium", "rice-white-raw", "rice-white-short", "rice-parboiled"},
    "risotto": {"rice-risotto"}, "paella": {"rice-paella"}, "pudding": {"rice-pudding", "rice-white-short", "rice-white-medium"},
    "sushi": {"rice-white-short"}, "glutinous": {"rice-glutinous"}, "parboiled": {"rice-parboiled"}, "broken": {"rice-broken"},
    "rice-wild": {"wild-rice"}, "rice-white-medium": {"rice-white-medium", "rice-white-short"},
}  # fmt: skip
WAYS = {"drained": "drain", "stirred": "open"}
ALL = ("grain", "amount", "water", "simmer", "rest", "soak", "method", "servings", "count_out")
Row = tuple[str, bool, bool, Any, Any]


def near(a: float | None, b: float | None, share: float = 0.08) -> bool:
    return a is not None and bool(b) and abs(a - (b or 0)) <= share * (b or 0)


def check(label: dict[str, Any], brought: str) -> Iterator[Row]:
    try:
        j = pipeline.read_report(read(brought))
    except Refusal as refused:
        j = None
        said = refused.problem.text[:60]
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
