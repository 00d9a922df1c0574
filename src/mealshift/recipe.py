"""The words every stage speaks: a recipe as it was read, each piece with its place in the text."""

from __future__ import annotations

from dataclasses import dataclass, field, replace

from .problems import Problem

# what minutes in a step may be for
DURATION_KINDS = ("heat", "rest", "soak", "before", "from_start", "from_end", "beside", "unknown")
ROLES = ("source_grain", "pot_liquid", "absorber", "watery", "fat", "salt", "timed", "after", "beside")


@dataclass(frozen=True, slots=True)
class Span:
    """Characters start … end of the recipe's text."""

    start: int
    end: int


@dataclass(frozen=True, slots=True)
class Duration:
    """Minutes said in a step. kind: heat, rest, soak, before (in the pan before the liquid), beside,
    from_start ("at minute 15"), from_end ("5 minutes before the end"), unknown."""

    low: float
    high: float
    span: Span
    text: str
    kind: str = "unknown"

    @property
    def typical(self) -> float:
        return (self.low + self.high) / 2


@dataclass(frozen=True, slots=True)
class Line:
    """One ingredient line. ml and g are the whole line's amount, None where the words do not say.

    water: ml of water it brings to the grain's pot; drinks: ml it takes from it; minutes: from dry to tender.
    carrier: water or stock, which carry a change of the pour.
    """

    index: int
    text: str
    span: Span
    section: str = ""
    quantity: float | None = None
    quantity_range: tuple[float, float] | None = None
    unit: str = ""
    name: str = ""
    name_span: Span | None = None
    amount_span: Span | None = None
    role: str = "beside"
    kind: str = ""
    ml: float | None = None
    g: float | None = None
    water: float = 0.0
    fraction: float = 0.0
    drinks: float = 0.0
    minutes: float = 0.0
    carrier: bool = False
    grain: str | None = None
    cooked: bool = False
    corrected: bool = False

    def with_(self, **changes: object) -> Line:
        return replace(self, **changes)  # type: ignore[arg-type]


@dataclass(frozen=True, slots=True)
class Step:
    index: int
    text: str
    span: Span
    section: str = ""
    durations: tuple[Duration, ...] = ()
    mentions: tuple[int, ...] = ()


@dataclass(frozen=True, slots=True)
class Recipe:
    """A recipe as read. `text` is what was brought, cleaned letter for letter, so that spans hold."""

    text: str
    title: str
    title_span: Span | None
    servings: float | None
    servings_span: Span | None
    lines: tuple[Line, ...]
    steps: tuple[Step, ...]
    notes: tuple[tuple[str, Span], ...] = ()
    headings: tuple[tuple[str, Span], ...] = ()
    source: int | None = None
    method: str = "covered"
    lid: str = "ordinary"
    texture: str = "fluffy"
    dish: str = ""
    soak_min: float = 0.0
    simmer_min: float | None = None
    rest_min: float | None = None
    count_out: tuple[str, ...] = ()
    allergens: tuple[str, ...] = ()
    problems: tuple[Problem, ...] = field(default=())

    @property
    def source_line(self) -> Line | None:
        return None if self.source is None else self.lines[self.source]

    @property
    def liquid_water_ml(self) -> float:
        """Water that the pot's liquids and tomatoes bring."""
        return sum(ln.water for ln in self.lines if ln.role == "pot_liquid" or ln.kind == "tomato")

    def with_(self, **changes: object) -> Recipe:
        return replace(self, **changes)  # type: ignore[arg-type]


@dataclass(frozen=True, slots=True)
class Correction:
    """The cook's word against ours, anchored to the text of a line or step so that a second reading keeps it.

    amount: "300 ml", as the cook types it. minutes and kind: of the duration written so in that step, what it is for.
    """

    line: str
    role: str | None = None
    grain: str | None = None
    amount: str | None = None
    minutes: str | None = None
    kind: str | None = None
