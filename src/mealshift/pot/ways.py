"""What the cook chooses and where they cook: the values that the account of water and time reads."""

from __future__ import annotations

import math
from dataclasses import dataclass, field, replace

from ..grains import TEXTURES, Grain
from ..grains.catalogue import METHODS
from ..manner import Manner
from ..measures import CUP_ML, MEASURE_ML, WHISTLE_MIN, Measures
from ..problems import Refusal
from .methods import Method
from .methods import method as method_row

LIDS = ("sealed", "tight", "ordinary", "ajar", "open")
# g per minute per cm² at the boil, gentle heat; fitted to usual practice, docs/decisions/0010
EVAPORATION = {"sealed": 0.003, "tight": 0.012, "ordinary": 0.018, "ajar": 0.025, "open": 0.041}
# an open pan at a brisk boil loses 0.060; the same ratio is used under a lid (docs/decisions/0003)
BRISK = 0.060 / 0.037
CLOTH_G = 15.0
# a kitchen that has said nothing: an ordinary pot on an ordinary burner, by the sea
POT_CM, BURNER_W, MICROWAVE_W, ALTITUDE_M, ROOM_C, JAR_ML = 20.0, 1200.0, 800.0, 0.0, 20.0, 400.0
BURNERS, OVEN_PLACES = 2, 2
# what reaches a pot from a burner, W, by the words for it
BURNER_WORDS = (("small", 800.0), ("ordinary", BURNER_W), ("strong", 1800.0), ("very strong", 2600.0))


@dataclass(frozen=True, slots=True)
class Kitchen:
    """Pot, stove and place. pot_l None: height is 0.6 of the diameter. watts: the microwave's. lid: the pot's own, where a
    recipe only says "covered". boil_off: what this pot loses beside the usual figure, by its boil-off test. cookers: appliances
    and pressure cookers the household owns (None = not said, so none is ruled out)."""

    pot_cm: float = POT_CM
    pot_l: float | None = None
    burner_w: float = BURNER_W
    watts: float = MICROWAVE_W
    altitude_m: float = ALTITUDE_M
    room_c: float = ROOM_C
    measure_ml: float = MEASURE_ML
    measure_name: str = "measure"
    cup_ml: float = CUP_ML
    whistle_min: float = WHISTLE_MIN
    lid: str = "ordinary"
    boil_off: float = 1.0
    jar_ml: float = JAR_ML
    cookers: tuple[str, ...] | None = None
    # how long things have taken here, as cookings showed (cooking/took.py): (key, value)
    took: tuple[tuple[str, float], ...] = ()
    # how the household says its numbers
    manner: Manner = Manner()
    area_cm2: float = field(init=False, repr=False, compare=False)
    volume_ml: float = field(init=False, repr=False, compare=False)

    def lacks(self, way: Way) -> str:
        """The appliance a way of cooking needs and this kitchen does not list; "" if it has all, or has not said."""
        wanted = [n for n in (way.row.resource, way.row.needs) if n not in ("", "burner", "oven", "kettle")]
        return next((n for n in wanted if self.cookers is not None and n not in self.cookers), "")

    @property
    def pours_in(self) -> tuple[str, float, str | None]:
        """(unit, its ml, its name) that a pour is said in: the cook's own vessel, unless they go by cups or by the jug."""
        if self.manner.amounts == "metric":
            return "ml", 1.0, None
        return (
            ("cup", self.cup_ml, "cup")
            if self.manner.amounts == "cups"
            else ("measure", self.measure_ml, self.measure_name)
        )

    def says(self, text: str) -> str:
        """A sentence of our own with its amounts and degrees as this household says them."""
        return self.manner.said(text, self.measures)

    @property
    def measures(self) -> Measures:
        return Measures(self.cup_ml, self.measure_ml)

    def up_share(self, method: str) -> float:
        """So many times the reckoned way up to pressure takes here."""
        return dict(self.took).get(f"up:{method}", 1.0) if self.took else 1.0

    def __post_init__(self) -> None:
        def need(ok: bool, field: str, text: str) -> None:
            if not ok:
                raise Refusal(field, field, text)

        need(
            10 <= self.pot_cm <= 60,
            "pot_cm",
            f"A pot {self.pot_cm:g} cm wide is outside what I can reckon with; give 10 to 60 cm.",
        )
        need(
            self.pot_l is None or 0.4 <= self.pot_l <= 60,
            "pot_l",
            f"A pot of {self.pot_l or 0:g} l is outside what I can reckon with; give 0.4 to 60 litres.",
        )
        need(200 <= self.burner_w <= 6000, "burner_w", "A burner gives 200 to 6,000 W; give a number in between.")
        need(
            300 <= self.watts <= 2000,
            "watts",
            f"A microwave of {self.watts:g} W does not cook; give its output, 300 to 2,000 W.",
        )
        need(
            -430 <= self.altitude_m <= 5500,
            "altitude",
            f"Nobody keeps a kitchen at {self.altitude_m:g} m; give the altitude, up to 5,500 m (18,000 feet).",
        )
        need(
            0 <= self.room_c <= 45,
            "room_c",
            f"A kitchen at {self.room_c:g} °C is outside what I can reckon with; give 0 to 45 °C.",
        )
        need(
            1 <= self.whistle_min <= 10,
            "whistle_min",
            "A whistle stands for 1 to 10 minutes at pressure; give a number in between.",
        )
        need(self.lid in LIDS[:-1], "pot_lid", f"“{self.lid[:30]}” is no lid of a pot; choose {one_of(LIDS[:-1])}.")
        need(
            0.2 <= self.boil_off <= 5,
            "boil_off",
            "A pot boils off between a fifth and five times the usual; do its boil-off test again.",
        )
        need(
            100 <= self.jar_ml <= 3000,
            "jar_ml",
            f"A grinder jar of {self.jar_ml:g} ml is outside what I can reckon with; give 100 to 3,000 ml.",
        )
        need(
            20 <= self.measure_ml <= 2000,
            "measure_ml",
            f"A measure of {self.measure_ml:g} ml is outside what I can reckon with; give 20 to 2,000 ml.",
        )

        area = math.pi * (self.pot_cm / 2) ** 2
        object.__setattr__(self, "area_cm2", area)
        object.__setattr__(self, "volume_ml", self.pot_l * 1000 if self.pot_l else area * 0.6 * self.pot_cm)


@dataclass(frozen=True, slots=True)
class Factors:
    """What the household's notebook has learnt; 1.0 = the catalogue as it stands. liking: texture steps softer (or firmer) than the
    dish says, where the cook has not said."""

    water: float = 1.0
    time: float = 1.0
    boil_off: float = 1.0
    liking: float = 0.0


@dataclass(frozen=True, slots=True)
class Way:
    """How one grain is cooked. texture: 0 separate … 5 thin. soak and roast minutes included."""

    method: str = "covered"
    texture: float = 1.0
    lid: str = "ordinary"
    heat: str = "gentle"
    soak_min: float = 0.0
    soak_water: str = "discarded"
    sprouted: bool = False
    roast: str = "none"
    release: str = "natural"
    whistles: int | None = None
    age: str = "fresh"
    rinsed: bool = True
    # soup: the broth that must stay free, ml; None = as usual for so much grain
    broth_ml: float | None = None
    # share of the boil-off that a dish thick with milk loses: under its skin a pudding gives up little
    thick: float = 1.0
    # the method's row of the table
    row: Method = field(init=False, repr=False, compare=False)

    def __post_init__(self) -> None:
        object.__setattr__(self, "row", method_row(self.method))

    @property
    def locked(self) -> bool:
        """Under pressure: nothing opens, stirs, pours or looks into it before the pressure is down."""
        return self.row.locked

    def with_(self, **changes: object) -> Way:
        return replace(self, **changes)  # type: ignore[arg-type]


def default_way(
    grain: Grain,
    method: str | None = None,
    texture: str | float | None = None,
    lid: str | None = None,
    heat: str = "gentle",
    soak_min: float = 0.0,
    soak_water: str = "discarded",
    sprouted: bool = False,
    roast: str | None = None,
    release: str = "natural",
    whistles: int | None = None,
    age: str = "fresh",
    broth_ml: float | None = None,
) -> Way:
    """Fills in what the cook left open and refuses what contradicts itself or the grain.

    Defaults: covered (or open, if only an open lid is given), the grain's nearest to fluffy, ordinary lid,
    no soak, and a roast only where the grain calls for it at that texture.
    """
    if method is None and whistles is not None:
        method = "pressure"
    method = _method(grain, method, lid)
    if whistles is not None and method != "pressure":
        raise Refusal(
            "whistles",
            "whistles",
            "Only a stove-top pressure cooker whistles; choose that way or leave the whistles out.",
        )
    row = method_row(method)
    if release == "quick" and not row.locked:
        raise Refusal(
            "release", "release", "Only a pressure cooker has a release; choose that way or leave the release out."
        )
    lid = _lid(row, lid)
    if texture is None and row.locked and grain.pressure_texture is not None:
        texture = grain.pressure_texture
    coordinate = _texture(grain, texture)
    if heat not in ("gentle", "brisk"):
        raise Refusal("heat", "heat", f"“{heat}” is not a heat; choose gentle or brisk.")
    if soak_min < 0 or soak_min > 1440:
        raise Refusal(
            "soak",
            "soak",
            "A soak is between none and 24 hours; after that grain sours or sprouts. Give a shorter one.",
        )
    if soak_min and not grain.soak:
        raise Refusal(
            "soak", "soak", f"{cap(grain.name)} is not soaked ahead: it takes up water too fast; leave the soak out."
        )
    if soak_water not in ("kept", "discarded"):
        raise Refusal("soak_water", "soak_water", f"“{soak_water}” is no use of soak water; choose kept or discarded.")
    if sprouted and not grain.sprouts:
        raise Refusal(
            "sprouted",
            "sprouted",
            f"{cap(grain.name)} is polished, cut or heated and will not sprout but go mouldy; cook it unsprouted.",
        )
    if roast is None:
        named = TEXTURES[round(coordinate)]
        wanted = grain.roast and named in grain.roast.for_textures and not soak_min and not sprouted
        roast = grain.roast.kind if grain.roast and wanted else "none"
    if roast not in ("none", "dry", "fat"):
        raise Refusal("roast", "roast", f"“{roast}” is not a roast; choose none, dry or fat.")
    if release not in ("natural", "quick"):
        raise Refusal("release", "release", f"“{release}” is not a release; choose natural or quick.")
    if age not in ("fresh", "old"):
        raise Refusal("age", "age", f"“{age}” is not an age; choose fresh or old.")
    if whistles is not None and not 1 <= whistles <= 20:
        raise Refusal("whistles", "whistles", "Whistles are counted from 1 to 20; give a number in between.")
    if broth_ml is not None and (method not in ("soup", "slow-cooker") or not 0 <= broth_ml <= 20000):
        raise Refusal(
            "broth",
            "broth",
            "Only a soup keeps broth free, in a pot or a slow cooker, up to 20 litres; choose that way or leave it out.",
        )
    return Way(
        method,
        coordinate,
        lid,
        heat,
        soak_min,
        soak_water,
        sprouted,
        roast,
        release,
        whistles,
        age,
        broth_ml=broth_ml,
    )


def _method(grain: Grain, method: str | None, lid: str | None) -> str:
    if method is None:
        method = "open" if lid == "open" and "open" in grain.methods else (grain.methods or ("covered",))[0]
        if method not in ("covered", "open") and "covered" in grain.methods:
            method = "covered"
    if method not in METHODS:
        raise Refusal(
            "method", "method", f"“{method[:30]}” is not a way to cook grain; choose one of {', '.join(METHODS)}."
        )
    if not grain.methods:
        raise Refusal("blend", "blend", f"{cap(grain.name)} share no way of cooking: cook them in two pots.")
    if method not in grain.methods:
        raise Refusal("method", "method", f"The {method} way is none for {grain.name}; choose {one_of(grain.methods)}.")
    return method


def _lid(row: Method, lid: str | None) -> str:
    if lid is None:
        return row.lid
    if lid not in LIDS:
        raise Refusal("lid", "lid", f"“{lid[:30]}” is not a lid; choose {one_of(LIDS)}.")
    if row.slug == "open" and lid != "open":
        raise Refusal("lid", "lid", f"An open pan has no {lid} lid; choose the covered way or leave the lid off.")
    if lid not in row.lids:
        if lid == "open":
            raise Refusal("lid", "lid", f"The {row.slug} way needs its lid on; choose the open way or another lid.")
        raise Refusal("lid", "lid", f"The {row.slug} way has no {lid} lid; choose {one_of(row.lids)}.")
    return lid


def _texture(grain: Grain, texture: str | float | None) -> float:
    low, high = grain.texture_range()
    if texture is None:
        return min(max(1.0, low), high)
    if isinstance(texture, str):
        if texture not in TEXTURES:
            raise Refusal("texture", "texture", f"“{texture[:30]}” is not a texture; choose {one_of(TEXTURES)}.")
        coordinate = float(TEXTURES.index(texture))
    else:
        coordinate = float(texture)
        if not 0 <= coordinate <= 5:
            raise Refusal("texture", "texture", "Texture runs from 0 (separate) to 5 (thin); give a number in between.")
    if not low <= coordinate <= high:
        nearest = TEXTURES[int(low if coordinate < low else high)]
        raise Refusal(
            "texture",
            "texture",
            f"{cap(grain.name)} does not cook to {TEXTURES[round(coordinate)]}; the nearest it does is {nearest}.",
        )
    return coordinate


def cap(text: str) -> str:
    return text[:1].upper() + text[1:]


def one_of(words: tuple[str, ...]) -> str:
    """ "a, b or c", for sentences that say what to choose from."""
    return ", ".join(words[:-1]) + f" or {words[-1]}" if len(words) > 1 else words[0]
