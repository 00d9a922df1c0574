"""The trained taggers: weights as data in models/, read once, answers with their marginal probability."""

from __future__ import annotations

import threading
from collections.abc import Sequence
from functools import cache
from importlib import resources
from typing import Any


class Tagger:
    """A linear-chain CRF over lists of features."""

    def __init__(self, weights: bytes) -> None:
        # the library reads from these very bytes: they must live as long as it does
        self._weights = weights
        self._own = threading.local()
        self.labels: frozenset[str] = frozenset(self._tagger.labels())

    @property
    def _tagger(self) -> Any:
        """The library's tagger holds the sequence it tagged last: each thread has its own, or two who read at once would mix their texts."""
        if not hasattr(self._own, "tagger"):
            import pycrfsuite

            self._own.tagger = pycrfsuite.Tagger()
            self._own.tagger.open_inmemory(self._weights)
        return self._own.tagger

    @classmethod
    def load(cls, name: str) -> Tagger:
        return _instead.get(name) or _load(name)

    def tag(self, features: Sequence[Sequence[str]]) -> list[tuple[str, float]]:
        """(label, how sure: 0 … 1) of each item of the sequence."""
        if not features:
            return []
        labels = self._tagger.tag(features)
        return [(label, self._tagger.marginal(label, i)) for i, label in enumerate(labels)]

    def chance(self, label: str, index: int) -> float:
        """Of the sequence tagged last: how likely one item is of that label."""
        return float(self._tagger.marginal(label, index)) if label in self.labels else 0.0

    def others(self, index: int, least: float) -> list[tuple[str, float]]:
        """Of the sequence tagged last: the labels of one item that are at least so likely, the likeliest first."""
        found = [(label, self._tagger.marginal(label, index)) for label in self.labels]
        return sorted((x for x in found if x[1] >= least), key=lambda x: (-x[1], x[0]))


_instead: dict[str, Tagger] = {}


def use(weights: dict[str, bytes] | None) -> None:
    """Other weights in place of the package's, for measuring; None: the package's again."""
    _instead.clear()
    _instead.update({name: Tagger(w) for name, w in (weights or {}).items()})


@cache
def _load(name: str) -> Tagger:
    return Tagger(resources.files(__package__).joinpath(f"models/{name}.crfsuite").read_bytes())
