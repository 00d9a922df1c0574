"""The one model of what happens in the pot."""

from .model import BASES, KINDS, TRACK, Operation, Process, Span, Vessel, one_sentence

__all__ = ["BASES", "KINDS", "TRACK", "Operation", "Process", "Span", "Vessel", "one_sentence"]
