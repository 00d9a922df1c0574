"""Recipe + Choice → Shift: amounts, liquids, minutes and steps for another grain."""

from . import laws
from .choice import KEEPS, Choice
from .shift import Shift, shift

__all__ = ["KEEPS", "Choice", "Shift", "laws", "shift"]
