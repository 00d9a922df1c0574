"""Recipe + Choice → Shift: amounts, liquids, minutes and steps for another grain."""

from . import laws
from .as_it_is import AsItIs, as_it_is
from .choice import KEEPS, Choice
from .shift import Shift, shift

__all__ = ["KEEPS", "AsItIs", "Choice", "Shift", "as_it_is", "laws", "shift"]
