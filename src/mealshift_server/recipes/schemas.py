"""What comes in and goes out of the doors of reading, shifting and kept recipes. They mirror the core's plain data, so the TypeScript types can be generated from them."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal

from ninja import Schema
from pydantic import Field

from mealshift_server.base.schemas import CautionOut, Lid, ProblemOut

Role = Literal["source_grain", "pot_liquid", "absorber", "watery", "fat", "salt", "timed", "after", "beside"]
Texture = Literal["separate", "fluffy", "moist", "soft", "porridge", "thin"]
# start and end, in characters
Place = list[int]


# of a list that is asked for page by page
Page = Annotated[int, Field(ge=1, le=10_000)]


class GrainOut(Schema):
    slug: str
    name: str
    short: str
    family: str
    form: str
    gluten: bool
    whole: bool
    simmer_min: float
    rest_min: float
    rinse: int
    rinse_why: str
    methods: list[str]
    textures: list[Texture]
    texture_words: list[str]
    soaks: bool
    sprouts: bool
    roast_never: str
    done_when: str
    keeping: str


class CorrectionIn(Schema):
    line: str = Field(max_length=6000)
    role: Role | None = None
    grain: str | None = Field(default=None, max_length=60)
    amount: str | None = Field(default=None, max_length=60)
    minutes: str | None = Field(default=None, max_length=80)
    kind: str | None = Field(default=None, max_length=20)
    # a line's class; and with an empty line, of the whole recipe
    cls: str | None = Field(default=None, max_length=20)
    method: str | None = Field(default=None, max_length=30)
    servings: float | None = Field(default=None, ge=1, le=200)
    whole: bool | None = None


class ReadIn(Schema):
    text: str
    corrections: list[CorrectionIn] = Field(default=[], max_length=300)


class TryIn(Schema):
    text: str = ""
    to: str = "foxtail-millet"


class SourceGrain(Schema):
    slug: str
    as_: Literal["raw", "cooked"] = Field(alias="as", serialization_alias="as")
    ml: float | None
    g: float | None
    line: int


class LineOut(Schema):
    text: str
    section: str
    quantity: float | None
    unit: str
    name: str
    role: Role
    ml: float | None
    g: float | None
    kind: str
    grain: str | None
    water_ml: int
    corrected: bool
    span: Place
    name_span: Place | None
    amount_span: Place | None


class DurationOut(Schema):
    low_min: float
    high_min: float
    text: str
    kind: str
    span: Place


class StepRead(Schema):
    text: str
    section: str
    durations: list[DurationOut]
    mentions: list[int]
    span: Place


class NoteOut(Schema):
    text: str
    span: Place


class ClassOut(Schema):
    """What a line of the text is. sure: 0 … 1."""

    span: Place
    text: str
    cls: str
    sure: float


class ReadingOut(Schema):
    """One reading of a doubt, and the correction that settles it."""

    label: str
    correction: CorrectionIn


class DoubtOut(Schema):
    field: str
    where: str
    text: str
    choices: list[ReadingOut]


class VesselOut(Schema):
    id: str
    kind: str
    grain: bool


class OperationOut(Schema):
    id: str
    kind: str
    vessel: str
    what: list[int]
    typical_min: float | None
    step: int | None
    phase: str | None
    span: Place | None
    basis: str
    text: str


class ProcessOut(Schema):
    vessels: list[VesselOut]
    operations: list[OperationOut]


class ReadOut(Schema):
    title: str
    servings: float | None
    source_grain: SourceGrain | None
    lines: list[LineOut]
    steps: list[StepRead]
    method: str
    lid: str
    texture: str
    dish: str
    soak_min: float
    simmer_min: float | None
    rest_min: float | None
    liquid_water_ml: float
    count_out: list[str]
    allergens: list[str]
    problems: list[ProblemOut]
    notes: list[NoteOut]
    headings: list[NoteOut]
    text: str
    classes: list[ClassOut]
    doubts: list[DoubtOut]
    process: ProcessOut
    whistles: float | None
    release_min: float | None


class BlendPart(Schema):
    grain: str = Field(max_length=60)
    share: float


class PacketIn(Schema):
    """What a packet says of its grain, where the cook goes by it: water to one of grain by volume, minutes at the boil."""

    grain: str = Field(max_length=60)
    ratio: float | None = None
    minutes: float | None = None


class FactorsIn(Schema):
    """What a kept shift was reckoned with beside the catalogue."""

    water: float = Field(default=1.0, ge=0.5, le=1.6)
    time: float = Field(default=1.0, ge=0.5, le=1.8)
    boil_off: float = Field(default=1.0, ge=0.3, le=3)
    liking: float = Field(default=0.0, ge=-1, le=1)


class ChoiceIn(Schema):
    to: str = Field(max_length=60)
    blend: list[BlendPart] = Field(default=[], max_length=8)
    method: str | None = Field(default=None, max_length=30)
    texture: float | Texture | None = None
    lid: Lid | None = None
    heat: Literal["gentle", "brisk"] = "gentle"
    soak_min: float | None = None
    soak_water: Literal["kept", "discarded"] = "discarded"
    roast: Literal["none", "dry", "fat"] | None = None
    sprouted: bool = False
    release: Literal["natural", "quick"] = "natural"
    whistles: int | None = None
    watts: float | None = None
    burner_w: float | None = None
    whistle_min: float | None = None
    age: Literal["fresh", "old"] = "fresh"
    broth_ml: float | None = None
    keep: Literal["volume", "weight", "plates"] = "volume"
    servings: float | None = None
    pot_id: int | None = None
    pot_lid: Lid | None = None
    boil_off: float | None = None
    jar_ml: float | None = None
    bag_id: int | None = None
    factors: FactorsIn | None = None
    home_meal: bool = False
    packets: list[PacketIn] = Field(default=[], max_length=8)
    # steps to be left in their own words; "+look": nothing of that kind put in
    as_was: list[Annotated[str, Field(max_length=6000)]] = Field(default=[], max_length=60)
    pot_cm: float | None = None
    pot_l: float | None = None
    altitude_m: float | None = None
    room_c: float | None = None


class ShiftIn(Schema):
    text: str
    corrections: list[CorrectionIn] = Field(default=[], max_length=300)
    choice: ChoiceIn
    recipe_id: int | None = None


class LedgerRow(Schema):
    term: str
    ml: int
    because: str


class TimeRow(Schema):
    term: str
    min: int
    because: str


class Said(Schema):
    amount: float
    unit: str


class WaterOut(Schema):
    pour_ml: int
    # as it is said and poured; shifts kept by older programs do not have it
    jug_ml: int | None = None
    reserve_ml: int
    # the reserve as a kettle is filled
    kettle_ml: int | None = None
    low_ml: int
    high_ml: int
    # None: too thin a layer for a ratio to say anything
    ratio_by_volume: float | None
    depth_above_cm: float
    pour_said: Said
    # what is poured: water, stock, or the milk of a milk dish
    of: str = "water"


class Dry(Schema):
    ml: int
    g: int


class SoakOut(Schema):
    min: int
    uptake_ml: int


class RoastOut(Schema):
    kind: str
    min: int
    why: str


class CookOut(Schema):
    low: int
    typical: int
    high: int


class TimeOut(Schema):
    come_up_min: int
    cook: CookOut
    release_min: int
    rest_min: int
    total_min: int


class AfterOut(Schema):
    spread_to_60_min: float
    spread_cool_min: float
    pot_to_60_min: float
    pot_cool_min: float
    cold_texture: str
    drinks_on_ml: int


class StageOut(Schema):
    what: str
    min: int


class PotOut(Schema):
    grain: str
    name: str
    short: str
    dry: Dry
    method: str
    texture: str
    texture_at: float
    texture_word: str
    lid: str
    water: WaterOut
    soak: SoakOut
    roast: RoastOut
    time: TimeOut
    yield_: Dry = Field(alias="yield", serialization_alias="yield")
    done_when: str
    ledger: list[LedgerRow]
    time_ledger: list[TimeRow]
    after: AfterOut | None = None
    stages: list[StageOut] = []
    basis: str


class FromOut(Schema):
    grain: str
    name: str
    dry_ml: int
    dry_g: int
    cook_min: float | None
    water_ml: int
    was_title: str


class IngredientOut(Schema):
    text: str
    # none: it was put in
    was: str | None
    role: str
    marks: list[Place]
    olds: list[str]
    because: str
    in_step: bool = False
    section: str = ""


class LawOut(Schema):
    law: str
    text: str
    where: str = ""


class StepOut(Schema):
    text: str
    was: str | None
    reason: str
    marks: list[Place]
    olds: list[str]
    kind: str
    section: str = ""
    kept: bool = False
    # of the step's own words; a shift kept by an older program has none
    cautions: list[str] = []


class ChangeOut(Schema):
    what: str
    was: str
    now: str
    because: str


class Addition(Schema):
    what: str
    minute: int


class StripOut(Schema):
    what: str
    min: int
    kind: str
    at: list[Addition]


class BlendOut(Schema):
    kind: str
    because: str


class ShiftOut(Schema):
    engine: str
    title: str
    title_marks: list[Place]
    servings: float | None
    from_: FromOut = Field(alias="from", serialization_alias="from")
    pots: list[PotOut]
    blend: BlendOut | None = None
    ingredients: list[IngredientOut]
    steps: list[StepOut]
    changes: list[ChangeOut]
    check: list[ProblemOut]
    problems: list[ProblemOut]
    cautions: list[CautionOut]
    count_out: list[str]
    strip: list[StripOut]
    laws: list[LawOut] = []


class RecipeRow(Schema):
    id: int
    title: str
    version: int
    updated: datetime
    shifts: int
    side: bool


class RecipeOut(Schema):
    id: int
    title: str
    text: str
    corrections: list[CorrectionIn]
    version: int
    updated: datetime
    side: bool


class DraftIn(Schema):
    """The recipe in hand with its choice; an empty text is none."""

    text: str = Field(max_length=60000)
    corrections: list[CorrectionIn] = Field(default=[], max_length=300)
    choice: ChoiceIn | None = None
    recipe_id: int | None = Field(default=None, ge=1, le=2**63 - 1)


class DraftOut(Schema):
    text: str
    corrections: list[CorrectionIn]
    choice: ChoiceIn | None
    recipe_id: int | None
    by: str
    changed: datetime | None


class RecipeIn(Schema):
    text: str
    corrections: list[CorrectionIn] = Field(default=[], max_length=300)


class RecipeChange(RecipeIn):
    version: int


class ShiftRow(Schema):
    id: int
    title: str
    grain: str
    name: str
    recipe_id: int | None
    created: datetime
    pour_ml: int
    cook_min: int
    total_min: int


class KeptShift(Schema):
    id: int
    title: str
    grain: str
    recipe_id: int | None
    created: datetime
    engine: str
    engine_now: str
    text: str
    corrections: list[CorrectionIn]
    choice: ChoiceIn
    result: ShiftOut


class Example(Schema):
    slug: str
    title: str
    text: str
    shape: str


class WhatIfIn(ShiftIn):
    pour_ml: float | None = None
    minutes: float | None = None
    lid: Lid | None = None
    start: Literal["cold", "boil"] = "cold"


class Point(Schema):
    minute: float
    celsius: float
    free_ml: float
    hydration: float
    done: float


class VerdictOut(Schema):
    code: str
    minute: float
    text: str
    add_ml: int
    add_min: int


class RunOut(Schema):
    curve: list[Point]
    boil_at: float
    off_at: float
    done_at: float | None
    dry_at: float | None
    verdict: VerdictOut


class WhatIfOut(Schema):
    plan: RunOut
    changed: RunOut


class OtherWayIn(Schema):
    water_ml: float | None = None
    depth_cm: float | None = None
    fill: bool = False
    dry_ml: float | None = None
    texture: Texture | None = None
    lid: Lid | None = None
    method: str | None = Field(default=None, max_length=30)
    soak_min: float | None = None
    pot_cm: float | None = None
    altitude_m: float | None = None


class TaskOut(Schema):
    what: str
    minutes: float
    hands_on: float
    sign: str
    why: str


class MillOut(Schema):
    tasks: list[TaskOut]
    batches: int
    meal_g: int
    meal_ml: int
    flour_g: int


class SchoolChoice(Schema):
    soak_min: float | None
    roast: str | None
    texture: str | None
    method: str | None
    lid: str | None
    release: str | None


class LadderPot(Schema):
    dry: Dry
    method: str
    texture: str
    texture_word: str
    lid: str
    water: WaterOut
    soak: SoakOut
    roast: RoastOut
    time: TimeOut
    done_when: str


class SchoolOut(Schema):
    slug: str
    name: str
    suits: str
    default: bool
    why: str
    choice: SchoolChoice
    pot: LadderPot


class GrainPage(GrainOut):
    names: dict[str, str]
    aliases: list[str]
    density: float
    hydration: dict[str, float]
    basis: dict[str, str]
    range: dict[str, float]
    quick: bool
    parboiled: bool
    electric_min: float | None
    whistles: list[int] | None
    sprouts: bool
    roast_never: str
    measure_ml: float
    measure_name: str
    ladder: list[LadderPot]
    schools: list[SchoolOut]
    sprout: list[TaskOut]
    mill: MillOut | None
    cautions: list[CautionOut]


class DishFrom(Schema):
    recipe_id: int
    title: str
    minutes: int
    reason: str
    needs_g: int
    enough: bool
    rank: float


class DishesFrom(Schema):
    dishes: list[DishFrom]
    page: int
    pages: int
    of: int


class TriedRow(Schema):
    grain: str
    name: str
    family: str
    pour_ml: int
    cook_min: int
    rest_min: int


class JustAPotIn(Schema):
    """Just a pot: an amount in the cook's words, and how it is to come out; null: as the grain is cooked as a rule."""

    amount: str = Field(max_length=60)
    texture: Literal["separate", "fluffy", "moist", "soft", "porridge", "thin"] | None = None
    pot_id: int | None = None


class JustAPotOut(Schema):
    text: str
    corrections: list[CorrectionIn]


class TriedOut(Schema):
    """text: what was tried, the example if nothing was brought. ingredients, steps: of the recipe as it becomes."""

    text: str
    title: str
    rows: list[TriedRow]
    becomes: str
    ingredients: list[str]
    steps: list[str]
    asked: int
