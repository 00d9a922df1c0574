"""One grain in one pot: how much water, how long, and what each number is made of."""

from .account import Brought, Pot, Row, solve
from .ways import LIDS, Factors, Kitchen, Way, default_way

__all__ = ["LIDS", "Brought", "Factors", "Kitchen", "Pot", "Row", "Way", "default_way", "solve"]
