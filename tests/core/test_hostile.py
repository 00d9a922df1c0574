"""No text stops the reader: runs of every sign and of every word its patterns look for are read or refused within a bound on the work."""

from __future__ import annotations

import sys
import time
from concurrent.futures import ThreadPoolExecutor

import pytest

from mealshift.manner import Manner
from mealshift.problems import Refusal
from mealshift.reading import read

from .kitchen import demo

RUNS = [
    "1 ", "1/", "1 1/2 ", "a ", "and ", "or ", "then ", "two and a ", "half a ", "½", "1,5 ", "1,000,", "2 to 3 ", "2-3-", "(", ")", "()", "(1 cup) ", "( 1 ", "1 (400 g) tin ", "200 g x ",
    ", ", "rice, ", "null,", ". ", "! ", "\n", "  \n", "- ", "• ", "1 · ", "a — ", "a|b|", "=", "1 cup = ", "mug is 300 ml ", "&amp;", "<script ", "<div ", "</script>", "é", "中", "😀",
    "**", "_", "# h\n", "> ", "1. a\n", "[12:00] A: x\n", "1 cup rice\n", "rice ", "water to the ", "cover ", "simmer until ", "serves 4 ", "Add rice. ", "off. ", "leave 10. ", "10 minutes, ",
    "3 whistles ", "5 more ", "fill up with water to ", "Brown rice in ", '{"a":', "'", '"',
]  # fmt: skip
USUAL = (
    "Tomato pilaf\nServes 4\n\nIngredients\n1 1/2 cups long-grain rice\n3 cups stock\n1 tin tomatoes\n1 tsp salt\n\nMethod\n"
    "1. Fry the onion 6 minutes, add the rice, stir 2 minutes.\n2. Add stock and tomatoes, cover, simmer 18 minutes. Turn off, rest 10 minutes.\n"
)
STEP = "Pot\nServes 4\n1 cup rice\n2 cups water\n\nMethod\n1. {}\n"
LINE = "Pot\nServes 4\n\nIngredients\n1 cup rice\n2 cups water\n{}\n\nMethod\n1. Boil the water, add the rice, cover and simmer 16 minutes."


def work(text: str) -> float:
    began = time.process_time()
    try:
        read(text)
    except Refusal as refused:
        assert refused.problem.text and "\n" not in refused.problem.text
    return time.process_time() - began


@pytest.mark.parametrize("run", RUNS)
def test_no_run_of_signs_costs_more_than_many_recipes(run: str) -> None:
    read(USUAL)
    usual = min(work(USUAL + " ") for _ in range(3))
    line = (run.replace("\n", " ") * 3900)[:3900]
    for text in (
        run * (60_000 // len(run)),
        STEP.format(line),
        LINE.format(line),
        STEP.format("\n".join([line[:300]] * 60)),
    ):
        # a text of sixty usual ones' length: what grows with its square would take hundreds
        assert work(text) < 120 * usual + 0.2


@pytest.mark.parametrize("run", [*RUNS, "1", "12 x ", "350°", "9 inch ", "1 lb ", "1 cup (", "20 cm "])
def test_no_run_of_signs_is_dear_to_say_otherwise(run: str) -> None:
    usual = min(work(USUAL + " ") for _ in range(3))
    text = (run * 20_000)[:20_000]
    for manner in (Manner("metric", "C"), Manner("cups", "F"), Manner("both")):
        began = time.process_time()
        manner.said(text)
        assert time.process_time() - began < 40 * usual + 0.2


@pytest.mark.parametrize(
    ("text", "word"),
    [("salt\n" * 700, "lines"), ("x" * 5000, "letters"), ("word " * 9000, "thousand"), ("12 " * 1500, "numbers")],
)
def test_what_is_longer_than_a_recipe_is_refused_in_a_sentence(text: str, word: str) -> None:
    with pytest.raises(Refusal) as refused:
        read("Pot\n1 cup rice\n" + text)
    assert word in refused.value.problem.text


def test_two_who_read_at_once_read_what_each_would_alone() -> None:
    """The taggers hold the sequence they tagged last: each thread has its own."""
    texts = [demo(n) for n in ("01", "03", "05", "07", "09", "10")]
    alone = [read(t) for t in texts]
    switch = sys.getswitchinterval()
    sys.setswitchinterval(1e-6)
    try:
        with ThreadPoolExecutor(4) as pool:
            together = list(pool.map(read, texts * 6))
    finally:
        sys.setswitchinterval(switch)
    assert together == alone * 6
