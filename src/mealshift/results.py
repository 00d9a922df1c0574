"""The shapes of what the core answers with, as plain data: the command line prints them, the server sends them, the page's types are made from them.

One place for them all: whoever builds an answer is held to its shape by the type checker, and nobody mirrors it by hand. Volumes in ml, masses in g, times in
minutes, temperatures in °C; a place is [start, end] in letters of the recipe's text.
"""

from __future__ import annotations

from typing import Literal, NotRequired

# the library that reads these shapes at run time wants this one before Python 3.12
from typing_extensions import TypedDict

Role = Literal["source_grain", "pot_liquid", "absorber", "watery", "fat", "salt", "timed", "after", "beside"]
Texture = Literal["separate", "fluffy", "moist", "soft", "porridge", "thin"]
Severity = Literal["stop", "ask", "note"]
Place = list[int]


class ProblemRow(TypedDict):
    code: str
    where: str
    text: str
    severity: Severity


class CautionRow(TypedDict):
    code: str
    text: str
    because: str


# -- a recipe as it was read -----------------------------------------------------------------------------------------

SourceGrain = TypedDict(
    "SourceGrain",
    {"slug": str, "as": Literal["raw", "cooked"], "ml": float | None, "g": float | None, "line": int},
)


class ReadLine(TypedDict):
    text: str
    section: str
    quantity: float | None
    unit: str | None
    name: str
    role: Role
    ml: float | None
    g: float | None
    kind: str
    grain: str | None
    cooked: bool
    water_ml: int
    corrected: bool
    span: Place
    name_span: Place | None
    amount_span: Place | None


class ReadDuration(TypedDict):
    low_min: float
    high_min: float
    text: str
    kind: str
    span: Place


class ReadStep(TypedDict):
    text: str
    section: str
    durations: list[ReadDuration]
    mentions: list[int]
    span: Place


class ReadNote(TypedDict):
    text: str
    span: Place


class ReadClass(TypedDict):
    """What a line of the text is. sure: 0 … 1."""

    span: Place
    text: str
    cls: str
    sure: float


class _OfLine(TypedDict):
    line: str


class CorrectionRow(_OfLine, total=False):
    """The cook's word on a line, or with an empty line on the whole recipe; only what is said is there."""

    role: Role
    grain: str
    amount: str
    minutes: str
    kind: str
    cls: str
    method: str
    servings: float
    whole: bool


class DoubtReading(TypedDict):
    """One reading of a doubt, and the correction that settles it; also: that of a second line, or null."""

    label: str
    correction: CorrectionRow
    also: CorrectionRow | None


class DoubtRow(TypedDict):
    field: str
    where: str
    text: str
    choices: list[DoubtReading]


class VesselRow(TypedDict):
    id: str
    kind: str
    grain: bool


class OperationShown(TypedDict):
    """An operation as far as a screen marks it."""

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


class OperationRow(OperationShown):
    dish: str
    low_min: float | None
    high_min: float | None
    until: str | None
    heat: str
    lid: str
    hands: str
    was: dict[str, float] | None
    reason: str | None
    doubt: dict[str, float] | None


class ProcessShown(TypedDict):
    vessels: list[VesselRow]
    operations: list[OperationShown]


class ProcessRow(TypedDict):
    vessels: list[VesselRow]
    operations: list[OperationRow]


class _Read(TypedDict):
    title: str
    servings: float | None
    source_grain: SourceGrain | None
    lines: list[ReadLine]
    steps: list[ReadStep]
    method: str
    lid: str
    texture: str
    dish: str
    soak_min: float
    simmer_min: float | None
    rest_min: float | None
    release_min: float | None
    whistles: float | None
    liquid_water_ml: float
    count_out: list[str]
    allergens: list[str]
    problems: list[ProblemRow]
    notes: list[ReadNote]
    headings: list[ReadNote]
    text: str
    classes: list[ReadClass]
    doubts: list[DoubtRow]


class Reading(_Read):
    """A recipe as a screen shows it."""

    process: ProcessShown


class ReadMinutes(TypedDict):
    text: str
    low_min: float
    high_min: float
    kind: str
    sure: float


class ReadReport(_Read):
    """All that `read --json` tells."""

    schema: int
    plain: str
    line_classes: list[list[int | str]]
    minutes: list[ReadMinutes]
    process: ProcessRow


# -- a pot -----------------------------------------------------------------------------------------------------------


class Said(TypedDict):
    amount: float
    unit: str


class Dry(TypedDict):
    ml: int
    g: int


class Water(TypedDict):
    pour_ml: int
    # as it is said and poured; what an older program kept does not have it
    jug_ml: NotRequired[int | None]
    reserve_ml: int
    # the reserve as a kettle is filled
    kettle_ml: NotRequired[int | None]
    kettle_said: NotRequired[Said]
    # how much grain, how firm, and between which amounts is usual; in the household's measure
    about: NotRequired[str]
    low_ml: int
    high_ml: int
    # None: too thin a layer for a ratio to say anything
    ratio_by_volume: float | None
    depth_above_cm: float
    depth_said: NotRequired[str]
    pour_said: Said
    # what is poured: water, stock, or the milk of a milk dish
    of: NotRequired[str]


class Soak(TypedDict):
    min: int
    uptake_ml: int


class Roast(TypedDict):
    kind: str
    min: int
    why: str


class Cook(TypedDict):
    low: int
    typical: int
    high: int


class Time(TypedDict):
    come_up_min: int
    cook: Cook
    release_min: int
    rest_min: int
    total_min: int


class LedgerRow(TypedDict):
    """where: from where it comes or to where it goes, in a few words; what an older program kept does not have it."""

    term: str
    ml: int
    because: str
    where: NotRequired[str]


class JugLayer(TypedDict):
    """key: grain, there, drinks, broth or off. label and note: what it is, in the household's measure."""

    key: str
    ml: float
    label: str
    note: str


class Jug(TypedDict):
    """A jug to scale, from the bottom up. surface_ml: where the pour ends; capacity_ml: to its rim; tick_ml: from mark to mark."""

    layers: list[JugLayer]
    surface_ml: float
    reserve_ml: int
    reserve: str
    capacity_ml: float
    tick_ml: int


class TimeRow(TypedDict):
    term: str
    min: int
    because: str


class AfterRow(TypedDict):
    spread_to_60_min: float
    spread_cool_min: float
    pot_to_60_min: float
    pot_cool_min: float
    cold_texture: str
    drinks_on_ml: int


class StageRow(TypedDict):
    what: str
    min: int


class LadderPot(TypedDict):
    """A pot as far as a list of several shows it."""

    dry: Dry
    method: str
    texture: str
    texture_word: str
    lid: str
    water: Water
    soak: Soak
    roast: Roast
    time: Time
    done_when: str


_Yield = TypedDict("_Yield", {"yield": Dry})


class PotAlone(LadderPot, _Yield):
    """A grain in its pot, without what is said around it."""

    grain: str
    texture_at: float
    ledger: list[LedgerRow]
    time_ledger: list[TimeRow]
    basis: str


class PotReport(PotAlone):
    """All that `pot --json` tells."""

    schema: int
    after: AfterRow
    stages: list[StageRow]
    cautions: list[CautionRow]
    problems: list[ProblemRow]


class NamedPot(PotReport):
    """One of a shift's pots."""

    name: str
    short: str
    jug: Jug


class PotShown(PotAlone):
    """A pot as a screen shows it; what an older program kept lacks what stands behind it."""

    name: str
    short: str
    jug: NotRequired[Jug | None]
    after: NotRequired[AfterRow | None]
    stages: NotRequired[list[StageRow]]


# -- a shift ---------------------------------------------------------------------------------------------------------


class From(TypedDict):
    grain: str
    name: str
    dry_ml: int
    dry_g: int
    cook_min: float | None
    water_ml: int
    was_title: str


class IngredientRow(TypedDict):
    text: str
    # none: it was put in
    was: str | None
    role: str
    marks: list[Place]
    olds: list[str]
    because: str
    in_step: NotRequired[bool]
    section: NotRequired[str]


class StepRow(TypedDict):
    text: str
    was: str | None
    reason: str
    marks: list[Place]
    olds: list[str]
    kind: str
    section: NotRequired[str]
    kept: NotRequired[bool]
    # of the step's own words
    cautions: NotRequired[list[str]]


class ChangeRow(TypedDict):
    what: str
    was: str
    now: str
    because: str


class Addition(TypedDict):
    what: str
    minute: int


class StripRow(TypedDict):
    what: str
    min: int
    kind: str
    at: list[Addition]


class BlendRow(TypedDict):
    kind: str
    because: str


class LawRow(TypedDict):
    law: str
    text: str
    where: NotRequired[str]


_From = TypedDict("_From", {"from": From})


class _Shift(_From):
    engine: str
    title: str
    title_marks: list[Place]
    servings: float | None
    ingredients: list[IngredientRow]
    steps: list[StepRow]
    changes: list[ChangeRow]
    check: list[ProblemRow]
    problems: list[ProblemRow]
    cautions: list[CautionRow]
    count_out: list[str]
    strip: list[StripRow]


class ShiftReport(_Shift):
    """All that `shift --json` tells."""

    schema: int
    pots: list[NamedPot]
    blend: BlendRow
    process: ProcessRow
    laws: list[LawRow]


class Shifted(_Shift):
    """A shift as a screen shows it; one kept by an older program lacks what stands behind it."""

    pots: list[PotShown]
    blend: NotRequired[BlendRow | None]
    laws: NotRequired[list[LawRow]]


class TriedRow(TypedDict):
    grain: str
    name: str
    family: str
    pour_ml: int
    cook_min: int
    rest_min: int


class Tried(TypedDict):
    """The same recipe in several grains, and whole in one of them."""

    title: str
    rows: list[TriedRow]
    shift: ShiftReport


# -- a pot over time -------------------------------------------------------------------------------------------------


class Point(TypedDict):
    minute: float
    celsius: float
    free_ml: float
    # the same as the household says a volume
    left: str
    hydration: float
    done: float


class VerdictRow(TypedDict):
    """said: the code in a few words."""

    code: str
    said: str
    minute: float
    text: str
    add_ml: int
    add_min: int


class RunRow(TypedDict):
    curve: list[Point]
    boil_at: float
    off_at: float
    done_at: float | None
    dry_at: float | None
    verdict: VerdictRow


class WhatIf(TypedDict):
    """pour_said: what is poured in the pot as changed, in the cook's own measure."""

    plan: RunRow
    changed: RunRow
    pour_said: Said


# -- grains ----------------------------------------------------------------------------------------------------------


class GrainShown(TypedDict):
    """A grain as the lists of a screen name it."""

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


class SoakFacts(TypedDict):
    """u_max in g water per g grain, t_half in minutes at 20 °C, beta: how much of the time it saves."""

    u_max: float
    t_half: float
    beta: float


class RoastFacts(TypedDict):
    kind: str
    min: float
    why: str
    for_textures: list[str]


class BurnerWord(TypedDict):
    word: str
    watts: float


class UsualKitchen(TypedDict):
    """What a kitchen is taken to be until it is described; burners: what reaches a pot, by the words for it."""

    pot_cm: float
    burner_w: float
    microwave_w: float
    altitude_m: float
    room_c: float
    whistle_min: float
    burners: list[BurnerWord]


class GrainRow(GrainShown):
    """All that `grains --json` tells of one."""

    names: dict[str, str]
    density: float
    hydration: dict[str, float]
    soak: SoakFacts | None
    roast: RoastFacts | None
    basis: dict[str, str]


class GrainsReport(TypedDict):
    schema: int
    grains: list[GrainRow]


class TaskRow(TypedDict):
    what: str
    minutes: float
    hands_on: float
    sign: str
    why: str


class MillRow(TypedDict):
    tasks: list[TaskRow]
    batches: int
    said: str


class SchoolChoice(TypedDict):
    soak_min: float | None
    roast: str | None
    texture: str | None
    method: str | None
    lid: str | None
    release: str | None


class SchoolRow(TypedDict):
    slug: str
    name: str
    suits: str
    default: bool
    why: str
    choice: SchoolChoice
    pot: LadderPot


class GrainPage(GrainRow):
    aliases: list[str]
    range: dict[str, float]
    quick: bool
    parboiled: bool
    electric_min: float | None
    whistles: list[int] | None
    measure_ml: float
    measure_name: str
    ladder: list[LadderPot]
    schools: list[SchoolRow]
    sprout: list[TaskRow]
    mill: MillRow | None
    cautions: list[CautionRow]


# -- every grain for one dish ----------------------------------------------------------------------------------------


class WayRow(TypedDict):
    """One way of one grain. gap: how far from the texture wanted; away and ring: how much another dish it becomes."""

    grain: str
    name: str
    family: str
    method: str
    soak_min: int
    texture: str
    texture_word: str
    gap: float
    total_min: int
    cook_min: int
    ratio_by_volume: float
    gluten: bool
    suited: bool
    in_time: bool
    fits: bool
    score: float
    reason: str
    away: float
    ring: int
    notice: list[str]
    kin: bool
    pour_ml: int
    pour_said: Said
    rest_min: int


class RatherRow(TypedDict):
    """Another grain near this one, and how it would differ."""

    grain: str
    name: str
    text: str


class CompareRow(WayRow):
    in_larder: bool
    rather: list[RatherRow]
    ways: list[WayRow]


class WasRow(TypedDict):
    grain: str
    name: str
    family: str


class Compared(TypedDict):
    """The best way of each grain for a dish. weighed: how many ways were held against each other."""

    title: str
    dish: str
    texture: str
    weighed: int
    was: WasRow | None
    grains: list[CompareRow]


class CompareReport(Compared):
    """All that `compare --json` tells."""

    schema: int


# -- a cooking -------------------------------------------------------------------------------------------------------


Style = Literal["do", "begin", "follow", "remind"]


class CookStep(TypedDict):
    id: str
    dish: str
    part: str
    key: str
    kind: str
    style: Style
    title: str
    words: str
    look: str
    minutes: int
    pot: str
    pour_ml: int
    reserve_ml: int
    reserve_said: Said
    cautions: list[str]
    count_out: list[str]
    goes_in: list[str]
    after: list[str]
    anchor: str
    offset: int
    planned: int
    rank: int
    status: Literal["done", "running", "ready", "waiting"]
    ready: float | None
    start: float | None
    due: float | None
    end: float | None
    expected: float


class UnderHeading(TypedDict):
    section: str
    text: str


class DishTonight(TypedDict):
    """One dish of a cooking, whole, as rewritten."""

    title: str
    ingredients: list[UnderHeading]
    steps: list[UnderHeading]


class Mend(TypedDict):
    """What to do at `minute` since the pot's heat went on. add_ml: boiling water. add_min: minutes more. lid: how it is covered
    meanwhile; "" as it is."""

    minute: float
    what: str
    text: str
    add_ml: int
    add_said: Said
    add_min: int
    lid: str
    because: str


class WrongRow(TypedDict):
    """What the cook may see, and what to do about it: now, and some minutes on, for a page without a network."""

    code: str
    text: str
    mends: list[Mend]


class Splash(TypedDict):
    ml: int
    said: str


class CookPot(TypedDict):
    key: str
    name: str
    short: str
    grain: str
    pour_ml: int
    poured_ml: float | None
    top_ups_ml: int
    lid: str
    reserve_ml: int
    wrongs: list[WrongRow]
    on: float | None
    curve: list[Point]
    boil_at: float | None
    off_at: float | None
    verdict: str
    scale: str
    celsius: float | None
    own_lid: str
    locks: bool
    # so many whistles are its time, so many were heard; 0 where none are counted
    whistles: int
    whistled: int
    locked: bool
    pour_said: Said
    splashes: list[Splash]


class Serve(TypedDict):
    planned: int
    expected: float


class CookNote(TypedDict):
    minute: float
    text: str


class EventRow(TypedDict):
    """One thing that was done, as it is folded, and in words."""

    id: str
    kind: str
    minute: float
    data: dict[str, str | float | bool | None]
    text: str


class CookState(TypedDict):
    title: str
    minute: float
    steps: list[CookStep]
    now: str | None
    serve: Serve
    pots: list[CookPot]
    out: list[str]
    notes: list[CookNote]
    said: list[str]
    events: list[EventRow]
    ended: float | None
    all_done: bool
