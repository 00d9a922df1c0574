"""From the notebook's entries to factors the pot reads: a careful estimate, and sentences the cook accepts or refuses."""

from .estimate import Entry, Estimate, estimate
from .figures import CATALOGUE, Figures, figures, renewed
from .lessons import Lesson, factors_from, lessons

__all__ = [
    "CATALOGUE",
    "Entry",
    "Estimate",
    "Figures",
    "Lesson",
    "estimate",
    "factors_from",
    "figures",
    "lessons",
    "renewed",
]
