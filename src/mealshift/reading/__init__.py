"""From a text to a Recipe: lay out, read lines, read steps, give roles, judge the dish."""

from .reader import read

__all__ = ["read"]
