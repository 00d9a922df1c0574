"""What happens in the pots of one recipe: vessels, and operations in order. Reading makes it, shifting changes it, everything else shows it.

An operation keeps the clause it was read from (span), so that a rewritten text can edit it in place; an inserted one has none. Minutes are low, typical
and high. See docs/decisions/0007.
"""

from __future__ import annotations

from dataclasses import dataclass, field, replace

from ..results import ProcessRow
from ..text.sentences import sentences

KINDS = (
    "rinse",
    "soak",
    "sprout",
    "drain",
    "dry",
    "grind",
    "chop",
    "toast",
    "fry",
    "add",
    "boil",
    "cook",
    "stir",
    "whisk",
    "top-up",
    "look",
    "off",
    "release",
    "rest",
    "fluff",
    "flush",
    "cool",
    "chill",
    "cover",
    "preheat",
    "combine",
    "season",
    "serve",
    "other",
)
BASES = ("said", "implied", "inserted", "retired")
VESSELS = (
    "pot",
    "pan",
    "oven dish",
    "rice cooker",
    "pressure cooker",
    "electric cooker",
    "microwave bowl",
    "steamer",
    "bowl",
    "tray",
    "jar",
    "fridge",
)
# the order in which these can happen to the grain
# of a grain's usual minutes, from which it is called boiled through
BOILED_THROUGH = 0.75
TRACK = ("rinse", "soak", "sprout", "drain", "toast", "boil", "cook", "look", "off", "release", "rest", "fluff")


@dataclass(frozen=True, slots=True)
class Span:
    """Characters start … end of the recipe's text."""

    start: int
    end: int


@dataclass(frozen=True, slots=True)
class Vessel:
    id: str
    kind: str
    grain: bool = False


@dataclass(frozen=True, slots=True)
class Operation:
    """kind: see KINDS. what: indices of the recipe's lines. typical_min: None where only a sign ends it. hands: all along, now and then, none.
    lid: on, off, ajar, cloth, locked. basis: said in the text, implied by it, inserted or retired by a shift. step: the step it stands in.
    phase: which of the grain's minutes these are (heat, rest, …), "" if none. told: where those minutes stand in the text. was: what a shift changed,
    as it was before. reason: why it was inserted, changed or retired. text: the clause, or the sentence of what is inserted."""

    id: str
    dish: str
    kind: str
    vessel: str
    what: tuple[int, ...] = ()
    low_min: float | None = None
    typical_min: float | None = None
    high_min: float | None = None
    until: str = ""
    heat: str = ""
    lid: str = ""
    hands: str = "now and then"
    span: Span | None = None
    basis: str = "said"
    step: int | None = None
    phase: str = ""
    text: str = ""
    sure: float = 1.0
    told: Span | None = None
    was: tuple[tuple[str, float], ...] = ()
    reason: str = ""

    def with_(self, **changes: object) -> Operation:
        return replace(self, **changes)  # type: ignore[arg-type]


@dataclass(frozen=True, slots=True)
class Process:
    vessels: tuple[Vessel, ...] = ()
    operations: tuple[Operation, ...] = field(default=())

    def track(self) -> tuple[Operation, ...]:
        """What happens in the grain's vessels, in order."""
        mine = {v.id for v in self.vessels if v.grain}
        return tuple(o for o in self.operations if o.vessel in mine and o.basis != "retired")

    def minutes(self, phase: str) -> float:
        return sum(o.typical_min or 0.0 for o in self.operations if o.phase == phase and o.basis != "retired")

    def as_dict(self) -> ProcessRow:
        return {
            "vessels": [{"id": v.id, "kind": v.kind, "grain": v.grain} for v in self.vessels],
            "operations": [
                {
                    "id": o.id,
                    "dish": o.dish,
                    "kind": o.kind,
                    "vessel": o.vessel,
                    "what": list(o.what),
                    "low_min": o.low_min,
                    "typical_min": o.typical_min,
                    "high_min": o.high_min,
                    "until": o.until or None,
                    "heat": o.heat,
                    "lid": o.lid,
                    "hands": o.hands,
                    "span": [o.span.start, o.span.end] if o.span else None,
                    "basis": o.basis,
                    "was": dict(o.was) or None,
                    "reason": o.reason or None,
                    "step": o.step,
                    "phase": o.phase or None,
                    "text": o.text,
                    "doubt": None if o.sure >= 0.6 else {"sure": round(o.sure, 2)},
                }
                for o in self.operations
            ],
        }


def one_sentence(text: str, a: Operation, b: Operation) -> bool:
    """Do two operations of one step stand in one sentence of the recipe's text?"""
    if a.step is None or a.step != b.step or a.span is None or b.span is None:
        return False
    said = text[a.span.start : b.span.end].replace("\n", " ")
    return next((end for _, end in sentences(said)), 0) >= b.span.start - a.span.start
