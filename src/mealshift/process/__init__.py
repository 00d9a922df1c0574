"""The one model of what happens in the pot."""

from .model import BASES, BOILED_THROUGH, KINDS, TRACK, Operation, Process, Span, Vessel, one_sentence

__all__ = ["BASES", "BOILED_THROUGH", "KINDS", "TRACK", "Operation", "Process", "Span", "Vessel", "one_sentence"]
