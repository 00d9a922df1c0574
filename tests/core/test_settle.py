"""Which stretches are the grain's, weighed together: one cooking near its usual time, one rest after it, and honest chances for the rest."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mealshift.grains import grain
from mealshift.reading.settle import AFTER_REST, settle
from mealshift.reading.told_minutes import Timed
from mealshift.text.times import Stretch

KINDS = ("heat", "rest", "soak", "other", "pan", "toast", "come_up", "release")


def timed(*rows: str) -> list[Timed]:
    """ "16 heat .9 other": minutes, what it is taken for, how surely, and what else it may be."""
    out = []
    for n, row in enumerate(rows):
        minutes, kind, sure, *others = row.split()
        left = (1 - float(sure)) / max(1, len(others))
        out.append(
            Timed(
                Stretch(n * 10, n * 10 + 5, float(minutes), float(minutes), minutes),
                0,
                kind,
                float(sure),
                tuple((k, left) for k in others),
            )
        )
    return out


def kinds(
    *rows: str, slug: str = "rice-white-long", way: str = "covered", dish: str = "", **stated: float
) -> list[str]:
    return [t.kind for t in settle(timed(*rows), grain(slug), way, dish, stated or None).timed]


@pytest.mark.parametrize(
    ("rows", "want"),
    [
        # nothing open: as the tagger has it
        (["6 pan .99", "16 heat .99", "10 rest .99"], ["pan", "heat", "rest"]),
        # what would make two cookings of one is another pot's
        (["16 heat .95 other", "45 heat .55 other", "10 rest .95"], ["heat", "other", "rest"]),
        # what would leave the grain raw is its own after all
        (["12 other .6 heat", "4 heat .9 other", "10 rest .95"], ["heat", "heat", "rest"]),
        # nothing rests before it was hot
        (["30 rest .6 other", "16 heat .99", "10 rest .99"], ["other", "heat", "rest"]),
        # grain that was cooked and has stood is done
        (["16 heat .99", "10 rest .95", "25 heat .7 other"], ["heat", "rest", "other"]),
        # the fridge is no rest of the grain
        (["16 heat .99", "10 rest .9 other", "480 rest .5 other"], ["heat", "rest", "other"]),
        # what stands after more work is the dish's; a moment of work, or a pan's, changes nothing
        (["16 heat .99", "10 rest .95", "30 other .9", "15 rest .9 other"], ["heat", "rest", "other", "other"]),
        (["16 heat .99", "10 rest .95", "2 other .9", "15 rest .9 other"], ["heat", "rest", "other", "rest"]),
        (["16 heat .99", "10 rest .95", "20 pan .9", "15 rest .9 other"], ["heat", "rest", "pan", "rest"]),
        # a pan that was left to stand has not cooked the grain
        (["10 pan .9", "5 rest .8 other", "16 heat .99 other"], ["pan", "rest", "heat"]),
        # no pot stands over the heat for days, nor does it rest for them
        (["4320 heat .6 other", "16 heat .9 other", "10 rest .95"], ["other", "heat", "rest"]),
        (["1440 soak .9", "16 heat .9", "2880 rest .7 other"], ["soak", "heat", "other"]),
        # of two soaks the longer counts, and neither is cooking
        (["30 soak .95", "480 soak .95", "16 heat .99"], ["soak", "soak", "heat"]),
    ],
)
def test_weighed_together(rows: list[str], want: list[str]) -> None:
    assert kinds(*rows) == want


def test_what_the_recipe_adds_up_itself_decides() -> None:
    open_ = ("16 heat .9 other", "10 other .5 heat", "10 rest .9")
    assert kinds(*open_, simmer=26.0)[1] == "heat" and kinds(*open_, simmer=16.0)[1] == "other"
    # as exactly as a page adds up: within seven of a hundred
    rows = ("43 heat .9 other", "10 other .6 heat")
    assert kinds(*rows, simmer=56.9)[1] == "heat" and kinds(*rows, simmer=43.0)[1] == "other"


def test_how_sure_it_is_is_a_share_of_all_it_may_be() -> None:
    # minutes that only can be the grain's: without them it would be raw
    assert settle(timed("16 heat .7 other"), grain("rice-white-long"), "covered", "").sure["simmer"] > 0.95
    # what follows a rest is hardly its cooking, and the surer that it is something else
    rows = ("16 heat .99", "10 rest .95", "25 heat .7 other")
    last = settle(timed(*rows), grain("rice-white-long"), "covered", "").timed[2]
    assert last.kind == "other" and last.sure == pytest.approx(1 - 0.7 * AFTER_REST) and last.chance("heat") > 0


@pytest.mark.parametrize(("hours", "kind"), [(15, "heat"), (16, "other"), (30, "other")])
def test_a_slow_cooker_goes_on_for_hours_and_for_no_days(hours: int, kind: str) -> None:
    assert kinds(f"{60 * hours} heat .99", way="slow-cooker")[0] == kind


def test_a_cooker_that_was_opened_in_between_goes_on() -> None:
    assert kinds("6 heat .99", "10 rest .95", "5 heat .7 other", way="pressure") == ["heat", "rest", "heat"]


def test_half_boiled_grain_goes_on_in_what_it_fills() -> None:
    rows = ("5 heat .99", "45 other .6 heat")
    assert kinds(*rows, dish="stuffing") == ["heat", "heat"]
    # a quarter of an hour at the least, and only where the tagger thinks so at all
    assert kinds("5 heat .99", "14 other .95 heat", dish="stuffing")[1] == "other"
    assert kinds("5 heat .99", "45 other .99", dish="stuffing")[1] == "other"
    # boiled through, what is filled with it is baked for itself
    assert kinds("16 heat .99", "45 other .85 heat", dish="stuffing")[1] == "other"


@settings(max_examples=150, deadline=None)
@given(
    st.lists(
        st.tuples(
            st.sampled_from([2, 5, 10, 16, 25, 40, 120, 480]),
            st.sampled_from(KINDS),
            st.floats(0.3, 0.99),
            st.sampled_from(KINDS),
        ),
        max_size=9,
    ),
    st.sampled_from(["rice-white-long", "basmati", "rice-brown-long", "wild-rice"]),
    st.sampled_from(["covered", "drain", "oven", "pressure", "open"]),
)
def test_every_stretch_has_one_kind_and_says_what_it_was_taken_for(rows, slug, way) -> None:
    given_ = [
        Timed(
            Stretch(n * 10, n * 10 + 5, m, m, str(m)),
            0,
            kind,
            sure,
            ((other, round(1 - sure, 3)),) if other != kind else (),
        )
        for n, (m, kind, sure, other) in enumerate(rows)
    ]
    out = settle(given_, grain(slug), way, "")
    assert len(out.timed) == len(given_)
    for was, now in zip(given_, out.timed, strict=True):
        assert now.stretch == was.stretch and 0 < now.sure <= 1
        # what it is, it is not beside that as well
        assert now.kind == was.kind or now.kind not in [k for k, _ in now.others]
        if now.kind != was.kind:
            # or nobody would ask
            assert now.chance(was.kind) > 0
    for field in ("simmer", "rest", "soak"):
        assert 0 <= out.sure[field] <= 1 + 1e-9 and len(out.totals[field]) <= 3
    # the sum that is said is among the likeliest, and made of the stretches that say so
    heat = sum(t.stretch.typical for t in out.timed if t.kind == "heat")
    assert (
        any(abs(heat - total) <= max(1.0, 0.07 * total) for total in out.totals["simmer"]) or out.sure["simmer"] < 0.9
    )


def test_what_is_added_up_tells_nothing_of_whistles() -> None:
    """The minutes after the whistles are the grain's, though the recipe adds up to something else: the whistles stand in that sum."""
    late = timed("3 heat .9 other", "12 heat .6 other")
    counted = [replace(late[0], kind="whistles", stretch=replace(late[0].stretch, unit="whistle")), late[1]]
    settled = settle(counted, grain("rice-white-long"), "pressure", "", {"simmer": 8})
    assert settled.timed[1].kind == "heat"
    # without whistles the sum is the word that counts
    assert kinds("8 heat .9 other", "12 heat .6 other", simmer=8) == ["heat", "other"]
