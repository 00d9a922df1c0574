"""Minutes as cooks write them, and what only looks like minutes."""

from __future__ import annotations

import pytest

from mealshift.text import scans
from mealshift.text.plain import plain
from mealshift.text.times import OVERNIGHT_MIN, stretches

# what is said · low and high in minutes
SAID = [
    ("simmer for 15 minutes", 15, 15), ("15 mins", 15, 15), ("15min.", 15, 15), ("15-min", 15, 15), ("15 m", 15, 15), ("10m covered", 10, 10),
    ("18 to 20 minutes", 18, 20), ("18-20 min", 18, 20), ("18–20 mins", 18, 20), ("18 or 20 minutes", 18, 20), ("about 12 minutes", 12, 12), ("a good 40 minutes", 40, 40),
    ("12 minutes or so", 12, 12), ("8-ish minutes", 8, 8), ("8ish min", 8, 8), ("a minute or two", 1, 2), ("another 10 minutes", 10, 10), ("a further 5 minutes", 5, 5),
    ("twenty minutes", 20, 20), ("fifteen to twenty minutes", 15, 20), ("twenty-five minutes", 25, 25), ("2½ minutes", 2.5, 2.5), ("1 1/2 minutes", 1.5, 1.5),
    ("1 hour", 60, 60), ("2 hrs", 120, 120), ("1½ hours", 90, 90), ("1 1/2 to 2 hours", 90, 120), ("1 hour 15 minutes", 75, 75), ("1 hr 15", 75, 75), ("1 h 15", 75, 75),
    ("1 hr 15 without a lid", 75, 75), ("an hour and a half", 90, 90), ("an hour and 10 minutes", 70, 70), ("half an hour", 30, 30), ("quarter of an hour", 15, 15),
    ("three quarters of an hour", 45, 45), ("three-quarters of an hour", 45, 45), ("half-an-hour", 30, 30), ("one hour and three-quarters", 105, 105), ("five-and-twenty minutes", 25, 25), ("1 hour and a quarter", 75, 75), ("45 minutes to 1 hour", 45, 60), ("45 min-1 hr", 45, 60), ("30 seconds", 0.5, 0.5), ("40 secs", 2 / 3, 2 / 3),
    ("2 days", 2880, 2880), ("soak overnight", OVERNIGHT_MIN, OVERNIGHT_MIN), ("the night before", OVERNIGHT_MIN, OVERNIGHT_MIN),
    ("15' on low", 15, 15), ("8-10' covered", 8, 10), ("dakika 15", 15, 15), ("12-13 dk", 12, 13), ("20 minuten", 20, 20), ("15 minutos", 15, 15), ("1 ghanta", 60, 60), ("1 Stunde 15 Minuten", 75, 75), ("2 Std.", 120, 120), ("1 uur", 60, 60), ("2 horas", 120, 120), ("2 ore", 120, 120), ("¼ of an hour", 15, 15), ("3/4 of an hour", 45, 45), ("an hour to an hour and 15, stirring", 60, 75),
    ("5 minutes' rest", 5, 5), ("20 mintues", 20, 20), ("1O min.", 10, 10), ("l5 min.", 15, 15),
    ("soak overnite", OVERNIGHT_MIN, OVERNIGHT_MIN), ("soak night before", OVERNIGHT_MIN, OVERNIGHT_MIN), ("30-45 rnins in plenty", 30, 45),
    # minutes that nobody called minutes
    ("cover, low, 18.", 18, 18), ("off 10.", 10, 10), ("then another 5.", 5, 5), ("then off and 10 more dont touch", 10, 10), ("a fuego fuerte y 10 a fuego suave.", 10, 10), ("5 more if it is wet", 5, 5), ("rest 10", 10, 10), ("lid on, 12.", 12, 12), ("lid, smallest, 12;", 12, 12),
    ("peas in, off, lid, 5.", 5, 5), ("switch off & wait 5.", 5, 5), ("covered, 5 off", 5, 5), ("22 high, 10 NPR", 10, 10), ("calmer 9-10.", 9, 10), ("10-12 more to crisp", 10, 12),
    ("40 phút", 40, 40), ("20 perc", 20, 20), ("1 óra", 60, 60), ("30 nimidam", 30, 30), ("leave closed 10.", 10, 10), ("Manual/High 22.", 22, 22),
    ("let it sit ten take the bay leaves out", 10, 10), ("mine is usually there at 18.", 18, 18), ("5 more off the fire.", 5, 5),
    ("oat milk in, stir every couple, 20-25, thick", 20, 25), ("basmati 2c soak30.", 30, 30), ("then eight gentle, and stir", 8, 8),
    ("mine took 17.", 17, 17), ("Off heat 10.", 10, 10), ("15 menit", 15, 15), ("aadha ghanta", 30, 30), ("yarım saat", 30, 30), ("20 minuti", 20, 20), ("fierce fire, 8-10 low.", 8, 10), ("KEEP WARM 10.", 10, 10),
]  # fmt: skip


@pytest.mark.parametrize(("said", "low", "high"), SAID)
def test_so_many_minutes(said: str, low: float, high: float) -> None:
    told = plain(scans.mended(said))
    [found] = stretches(told)
    assert (found.low, found.high) == (pytest.approx(low), pytest.approx(high))
    assert told[found.start : found.end] == found.text


@pytest.mark.parametrize(
    "said",
    [
        "serves 4", "Serves about 6.", "plenty for four.", "Sufficient for four.", "Turn out like a cake. For 4.", "at 19:30", "by 7.45 pm", "at 180 for a start", "gas mark 6", "oven 2, not low.", "350°F", "step 4.", "in the 1970s",
        "a 9 x 13 dish", "2 cups rice", "12 rolls", "page 40", "1.5 l water", "a 22 cm pot", "800 W", "Ana, 8 years old", "10 g salt", "5 spice",
    ],
)  # fmt: skip
def test_no_minutes(said: str) -> None:
    assert stretches(said) == ()


def test_at_a_minute_is_a_place_and_no_length() -> None:
    [mark] = stretches("saffron at minute 12")
    assert (mark.unit, mark.low) == ("minute", 12.0)


def test_several_in_a_sentence_do_not_overlap_and_keep_their_order() -> None:
    text = "Boil hard 5 min, then 1 hr 10 on low, another 10, off 5."
    found = stretches(text)
    assert [s.typical for s in found] == [5, 70, 10, 5]
    assert all(a.end <= b.start for a, b in zip(found, found[1:], strict=False))
    assert [s.bare for s in found] == [False, False, True, True]


def test_one_of_two_words_for_the_same_soak_is_left_out() -> None:
    assert [s.typical for s in stretches("soak 6 hours or overnight")] == [360]
    assert [s.typical for s in stretches("Soak at least 1 hour (up to overnight).")] == [60]
    assert [s.typical for s in stretches("Soak overnight, or 4 hours at the very least.")] == [480, 240]


@pytest.mark.parametrize("said", [said for said, _, _ in SAID])
def test_letters_may_be_large(said: str) -> None:
    # a scan's letters are set right before anything is looked for
    small = scans.mended(said)
    # "M" and "T" alone are other words than "m" and "t"
    loud = small.upper() if "ı" not in small else small

    assert [(s.start, s.end, s.low, s.high, s.text) for s in stretches(loud)] == [
        (s.start, s.end, s.low, s.high, loud[s.start : s.end]) for s in stretches(small)
    ]
