"""What a cook reads, what an evening is made of and what the stove asks for, as recorded (corpus/recorded.txt): no number and no sentence moves unseen.

Where one is meant to: `make recorded` writes it anew, and the diff says what moved.
"""

from __future__ import annotations

import pytest

from mealshift.grains import Grain, all_grains

from .recorded import OUT, POTS_OUT, Record, pots, records, told

KEPT = dict(b.split("\n", 1) for b in ("\n" + OUT.read_text(encoding="utf-8")).split("\n%%% ")[1:])
ALL = records()


@pytest.mark.parametrize("record", ALL, ids=[r.head for r in ALL])
def test_it_comes_out_as_recorded(record: Record) -> None:
    assert told(record).split("\n")[1:] == KEPT[record.head.removeprefix("%%% ")].rstrip("\n").split("\n")


def test_nothing_is_recorded_that_is_not_asked() -> None:
    assert {r.head.removeprefix("%%% ") for r in ALL} == set(KEPT)
    refused = [head for head, text in KEPT.items() if text.startswith("refused")]
    assert len(refused) < len(KEPT) / 20, refused


@pytest.mark.parametrize("g", all_grains(), ids=[g.slug for g in all_grains()])
def test_a_pot_of_each_grain_comes_out_as_recorded(g: Grain) -> None:
    kept = POTS_OUT.read_text(encoding="utf-8").splitlines()
    assert pots(g) == [line for line in kept if line.startswith(f"{g.slug} by ")]
