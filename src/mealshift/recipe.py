"""The words every stage speaks: a recipe as it was read, each piece with its place in the text."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, field, replace
from functools import wraps
from typing import Any, Concatenate, ParamSpec, TypeVar

from .measures import Measures
from .problems import Problem
from .process.model import Process, Span
from .results import Role

# what minutes in a step may be for
DURATION_KINDS = (
    "heat",
    "come_up",
    "rest",
    "release",
    "soak",
    "pan",
    "toast",
    "from_end",
    "from_start",
    "whistles",
    "other",
)
LINE_CLASSES = (
    "title",
    "servings",
    "meta",
    "heading",
    "section",
    "ingredient",
    "ingredients",
    "step",
    "note",
    "chatter",
)
DOUBT_FIELDS = (
    "grain",
    "amount",
    "water",
    "simmer",
    "rest",
    "soak",
    "method",
    "servings",
    "role",
    "minutes",
    "count_out",
)
ROLES = ("source_grain", "pot_liquid", "absorber", "watery", "fat", "salt", "timed", "after", "beside")


@dataclass(frozen=True, slots=True)
class Duration:
    """Minutes said in a step. kind: heat (the grain with its liquid), come_up, rest, release (of pressure), soak, pan (the grain's pot before the
    grain), toast (the grain before its liquid), from_end ("for the last 5"), from_start ("at minute 15"), whistles (a count), other. sure: 0 … 1."""

    low: float
    high: float
    span: Span
    text: str
    kind: str = "other"
    sure: float = 1.0

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
    role: Role = "beside"
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
    """instead: it tells another way to cook the same dish ("Microwave: …"), of which the first way told is the recipe."""

    index: int
    text: str
    span: Span
    section: str = ""
    durations: tuple[Duration, ...] = ()
    mentions: tuple[int, ...] = ()
    instead: bool = False


@dataclass(frozen=True, slots=True)
class Correction:
    """The cook's word against ours, anchored to the text of a line or step so that a second reading keeps it.

    amount: "300 ml", as the cook types it. minutes and kind: of the duration written so in that step, what it is for.
    """

    line: str
    role: Role | None = None
    grain: str | None = None
    amount: str | None = None
    minutes: str | None = None
    kind: str | None = None
    # a line's class; and, with an empty line, of the whole recipe: how it is cooked, how many it serves
    cls: str | None = None
    method: str | None = None
    servings: float | None = None
    # of a line: it is counted in whole and counted out again
    whole: bool | None = None


@dataclass(frozen=True, slots=True)
class Reading:
    """One of the readings of a doubt, and the cook's word that settles it; also: what it says of a second line."""

    label: str
    correction: Correction
    also: Correction | None = None


@dataclass(frozen=True, slots=True)
class Doubt:
    """Something that can be read in more than one way, with the two or three likeliest as touches. where: the text it stands in."""

    field: str
    where: str
    text: str
    choices: tuple[Reading, ...] = ()


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
    soak_kept: bool = False
    whistles: float | None = None
    release_min: float | None = None
    plain: str = ""
    line_classes: tuple[tuple[int, int, str, float], ...] = ()
    doubts: tuple[Doubt, ...] = ()
    process: Process = field(default_factory=Process)
    simmer_min: float | None = None
    rest_min: float | None = None
    count_out: tuple[str, ...] = ()
    allergens: tuple[str, ...] = ()
    problems: tuple[Problem, ...] = field(default=())
    # the vessels its amounts are said in: the text's own where it says what they hold, else the household's
    vessels: Measures = field(default_factory=Measures)
    # what hangs on the recipe alone, found once of it (`once`); a changed recipe begins anew
    found: dict[Any, Any] = field(default_factory=dict, init=False, repr=False, compare=False)

    @property
    def source_line(self) -> Line | None:
        return None if self.source is None else self.lines[self.source]

    @property
    def liquid_water_ml(self) -> float:
        """Water that the pot's liquids and tomatoes bring."""
        return sum(ln.water for ln in self.lines if ln.role == "pot_liquid" or ln.kind == "tomato")

    @property
    def dry_beans(self) -> tuple[Line, ...]:
        """Kidney beans and their relatives that were not boiled before they came here."""
        return tuple(ln for ln in self.lines if ln.kind == "kidney beans" and ln.minutes > 0)

    def with_(self, **changes: object) -> Recipe:
        return replace(self, **changes)  # type: ignore[arg-type]


_Rest = ParamSpec("_Rest")
_Found = TypeVar("_Found")


def once(find: Callable[Concatenate[Recipe, _Rest], _Found]) -> Callable[Concatenate[Recipe, _Rest], _Found]:
    """What `find` says of a recipe, found when it is first asked: one recipe is shifted to a shelf of grains, and anew at each touch of the bench.

    What else it is asked with must be hashable. What is found must not be changed by who asked.
    """

    @wraps(find)
    def asked(recipe: Recipe, /, *rest: _Rest.args, **named: _Rest.kwargs) -> _Found:
        key = (find, *rest, *named.items())
        if key not in recipe.found:
            recipe.found[key] = find(recipe, *rest, **named)
        return recipe.found[key]  # type: ignore[no-any-return]

    return asked
