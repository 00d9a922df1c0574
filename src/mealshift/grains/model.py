"""One grain of the catalogue. Units: g/ml, g water per g dry grain, minutes at the boil, minutes."""

from __future__ import annotations

import re
from dataclasses import dataclass, field
from functools import cache

from ..results import Texture

# Texture is a coordinate; a name is a point on it.
TEXTURES: tuple[Texture, ...] = ("separate", "fluffy", "moist", "soft", "porridge", "thin")
MEAL_WORDS = ("crumbly", "tender", "moist", "soft-set", "spoonable", "pouring")
# thin (congee, gruel) = porridge's water × this
THIN = 1.6


@dataclass(frozen=True, slots=True)
class Soak:
    """Peleg's form: uptake after t minutes = u_max · t / (t + t_half), at 20 °C. beta: share of the
    cooking time that a full soak saves."""

    u_max: float
    t_half: float
    beta: float


@dataclass(frozen=True, slots=True)
class School:
    """A practised way of cooking a grain. What is None stays as the cook has it. why: only of a default."""

    slug: str
    name: str
    suits: str
    grains: tuple[str, ...]
    default: bool = False
    why: str = ""
    soak_min: float | None = None
    roast: str | None = None
    texture: str | None = None
    method: str | None = None
    lid: str | None = None
    release: str | None = None


@dataclass(frozen=True, slots=True)
class Roast:
    """When and why to roast. `for_textures`: where roasting is the default."""

    kind: str
    min: float
    why: str
    for_textures: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True, repr=False)
class Grain:
    slug: str
    name: str
    short: str
    family: str
    form: str
    gluten: bool
    whole: bool
    density: float
    hydration: dict[str, float]
    simmer: float
    rest: float
    rinse: int
    rinse_why: str
    methods: tuple[str, ...]
    done_when: str
    keeping: str
    aliases: tuple[str, ...] = ()
    names: dict[str, str] = field(default_factory=dict)
    soak: Soak | None = None
    roast: Roast | None = None
    roast_never: str = ""
    flush_min: float | None = None
    steep_min: float | None = None
    steam_min: float | None = None
    electric_min: float | None = None
    whistles: tuple[int, int] | None = None
    sprouts: bool = False
    cautions: tuple[str, ...] = ()
    basis: dict[str, str] = field(default_factory=dict)
    range: dict[str, float] = field(default_factory=dict)
    quick: bool = False
    parboiled: bool = False
    pressure_texture: float | None = None
    # the texture its minutes are said of, where that is not fluffy: a meal's or a porridge grain's own
    usual: str = ""
    # a blend is a grain made of grains: (grain, share of the volume), shares summing to 1
    parts: tuple[tuple[Grain, float], ...] = ()
    # the stretch of the texture coordinate that it reaches, and the texture its minutes are said of: fluffy where it does that, else its own usual or driest
    _reach: tuple[float, float] = field(init=False, repr=False, compare=False)
    usual_at: float = field(init=False, repr=False, compare=False)
    is_meal: bool = field(init=False, repr=False, compare=False)

    def __post_init__(self) -> None:
        low, high = _range(tuple(self.hydration))
        object.__setattr__(self, "_reach", (low, high))
        usual = float(TEXTURES.index(self.usual)) if self.usual else min(max(1.0, low), high)
        object.__setattr__(self, "usual_at", usual)
        object.__setattr__(self, "is_meal", self.form == "meal")

    def __repr__(self) -> str:
        return f"Grain({self.slug})"

    @property
    def textures(self) -> tuple[Texture, ...]:
        """The named textures this grain can reach, driest first."""
        return _reached(tuple(self.hydration))

    @property
    def many(self) -> bool:
        """Is it spoken of in the plural: grits, oats?"""
        return self.short.endswith(("grits", "oats", "groats"))

    def texture_range(self) -> tuple[float, float]:
        """The stretch of the texture coordinate (0 separate … 5 thin) this grain reaches."""
        return self._reach

    def hydration_at(self, texture: float) -> float:
        """g water per g dry grain at a texture coordinate, interpolated between the named points.

        >>> from mealshift.grains import grain
        >>> round(grain("quinoa").hydration_at(1.5), 2)
        2.25
        """
        low, high = self._reach
        if not low <= texture <= high:
            raise ValueError(f"{self.slug} does not reach texture {texture}")
        below = int(texture)
        part = texture - below
        at = self._point(below)
        return at if part == 0 else at + part * (self._point(below + 1) - at)

    def _point(self, index: int) -> float:
        return self.hydration["porridge"] * THIN if index == 5 else self.hydration[TEXTURES[index]]

    def sign(self, texture: float) -> str:
        """The sign that it is done, at that texture: from soft on there is liquid left in the pot, and that is right."""
        if texture < 2.5:
            return self.done_when
        tail = ("it holds a soft mound", "it falls slowly off the spoon", "it pours off the spoon")[
            min(2, round(texture) - 3) if texture >= 3 else 0
        ]
        return f"{self.tender()[:-1]}; {tail}, and thickens as it rests."

    def tender(self) -> str:
        """Its sign without what is said of the water."""
        body = re.sub(
            r"[;,]?\s*(?:no water (?:when you tilt the pot|left|at the side of the pot)|the water gone|the (?:water|liquid) (?:is|left is)[^;.]*?\bgone(?: and the pan[^;.]*| and)?)[;,.]?\s*",
            "",
            self.done_when,
            flags=re.I,
        )
        body = body.strip(" .;,") or "tender through"
        return f"{body[:1].upper()}{body[1:]}."

    def texture_word(self, texture: float) -> str:
        """What this texture is called on screen: a meal is crumbly where a grain is separate."""
        return (MEAL_WORDS if self.is_meal else TEXTURES)[max(0, min(5, round(texture)))]


@cache
def _reached(stated: tuple[str, ...]) -> tuple[Texture, ...]:
    """Of the textures whose water is stated those by name, and what is thinner than the last."""
    reached = [t for t in TEXTURES if t in stated]
    return (*reached, "thin") if "porridge" in stated else tuple(reached)


@cache
def _range(stated: tuple[str, ...]) -> tuple[float, float]:
    names = _reached(stated)
    return float(TEXTURES.index(names[0])), float(TEXTURES.index(names[-1]))
