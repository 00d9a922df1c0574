"""Something went wrong: an amount and minutes for this pot as it stands, from its simulation.

The simulated pot says how much water is still free, how much the grain has drunk and how far it is done; what the cook sees
says where the model is off, and is believed before the model (grain that is hard is not done, whatever the dose). From both:

    missing = (hydration wanted − hydration now) · m       what the grain has yet to drink
    longer  = (1 − dose) · minutes of the whole            at least what practice gives a second try
    splash  = missing + boil-off over `longer` − free

A case by hand: 240 ml of quinoa, dry after 12 of 15 minutes: dose .8, hydration 1.6 of 1.9: missing 52, three more minutes boil
off 11: pour 60 boiling, 4 more minutes, lid on.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

from ..measures import round_half_up
from ..pot import Pot, Way, solve
from ..pot.account import TEXTURE_TIME, between
from ..pot.simulation import Moment, Run
from ..pot.ways import BRISK, EVAPORATION
from ..problems import Refusal

# code → what the cook sees, in the order shown
WRONGS = {
    "dry_hard": "dry and still hard",
    "wet_hard": "wet and still hard",
    "wet_soft": "wet and soft",
    "scorched": "it is catching",
    "crust": "a burnt crust",
    "boiled_over": "it boiled over",
    "lumps": "lumps",
    "salty": "too salty",
    "no_time": "no time left",
    "not_sprouting": "it does not sprout",
    "mould": "it smells or looks mouldy",
}
# a second try shorter than this changes nothing one can taste
LEAST_MORE = 3


@dataclass(frozen=True, slots=True)
class Answer:
    """One way to mend it. add_ml: boiling water. add_min: minutes more. lid: how it is covered meanwhile ("" = as it is)."""

    what: str
    text: str
    add_ml: int = 0
    add_min: int = 0
    lid: str = ""
    because: str = ""


def wrongs_for(pot: Pot) -> list[str]:
    """What can go wrong with this pot."""
    out = [w for w in WRONGS if w not in ("lumps", "not_sprouting", "mould", "crust")]
    out.insert(4, "crust")
    if pot.grain.is_meal:
        out.insert(5, "lumps")
    if pot.way.sprouted:
        out.append("not_sprouting")
    if pot.way.sprouted or pot.way.soak_min > 60 or "kodo_mould" in pot.grain.cautions:
        out.append("mould")
    return out


def rescue(pot: Pot, what: str, run: Run | None = None, minute: float = 0.0, locked: bool | None = None) -> Answer:
    """What to do now. run, minute: the pot as simulated, and the minute since its heat went on (None: it is not on yet).
    locked: it stands under pressure (None: it does if it is a pressure cooker and its heat is on)."""
    if what not in WRONGS:
        raise Refusal("what", "what", f"“{what[:30]}” is nothing I know how to mend; choose what you see.")
    if locked is None:
        locked = pot.way.locked and run is not None
    now = _Now(pot, run, minute)
    answer: Answer = getattr(now, "_boiled_over_locked" if locked and what == "boiled_over" else f"_{what}")()
    if not locked or what in ("boiled_over", "not_sprouting", "mould"):
        return answer
    # every other mend needs the open pot
    return replace(answer, text=f"{_OPEN_FIRST} {answer.text}", lid=answer.lid or "ordinary")


_OPEN_FIRST = (
    "Heat off, and let the pressure go down by itself; open it by the maker's manual, never by force. "
    "Then, as an open pot with the lid only laid on:"
)


class _Now:
    """One pot at one minute."""

    def __init__(self, pot: Pot, run: Run | None, minute: float) -> None:
        self.pot, self.m = pot, pot.dry_g
        self.at: Moment = (
            min(run.moments, key=lambda x: abs(x.minute - minute))
            if run
            else Moment(0.0, pot.kitchen.room_c, pot.pour_ml, pot.uptake, 0.0)
        )
        self.free = self.at.free_ml
        self.whole = pot.cook_min or 10.0
        self.wanted = pot.grain.hydration_at(pot.way.texture)
        self.missing = max(0.0, self.wanted - self.at.hydration) * self.m
        boil = sum(r.amount for r in pot.rows if r.term == "boil_off")
        self.rate = boil / self.whole if self.whole else 0.0
        heat = BRISK if pot.way.heat == "brisk" else 1.0
        self.open_rate = pot.kitchen.area_cm2 * EVAPORATION["open"] * heat * pot.kitchen.boil_off

    def longer(self) -> int:
        return max(LEAST_MORE, math.ceil((1.0 - self.at.dose) * self.whole))

    def splash(self, minutes: float, free: float | None = None) -> int:
        """Boiling water so that the grain drinks what it misses and the pot is just dry at the end; to the ten, at least 20."""
        raw = max(self.missing, 0.08 * self.m) + self.rate * minutes - (self.free if free is None else free)
        # small splashes: more than this at once is soup if the eye or the model is wrong
        return min(max(20, 10 * math.ceil(raw / 10)), max(20, 10 * math.ceil(0.3 * self.wanted * self.m / 10)))

    def again(self, ml: int, minutes: float) -> str:
        rest = max(self.missing, 0.08 * self.m) + self.rate * minutes - ml
        return f" Then look: it may want up to {10 * math.ceil(rest / 10)} ml more." if rest > 20 else ""

    def _dry_hard(self) -> Answer:
        minutes = self.longer()
        ml = self.splash(minutes, 0.0)
        return Answer("dry_hard", f"Sprinkle {ml} ml of boiling water over it, lid on, lowest heat, {minutes} more minutes. Do not stir.{self.again(ml, minutes)}", ml, minutes, "ordinary",
                      f"the grain has yet to drink about {self.missing:.0f} ml, and {self.rate * minutes:.0f} boil off meanwhile")  # fmt: skip

    def _wet_hard(self) -> Answer:
        minutes = self.longer()
        over = self.free - self.missing - self.rate * minutes
        free = f"about {self.free:.0f} ml are free"
        if over > 0.15 * self.m:
            shed = math.ceil(over / max(1.0, self.open_rate - self.rate))
            if shed <= minutes:
                return Answer("wet_hard", f"There is water enough: lid off, {minutes} more minutes at a gentle boil, then look.", 0, minutes, "open",
                              f"{free}, {over:.0f} more than it needs; without the lid they go")  # fmt: skip
            pour_off = 10 * round(over / 10)
            return Answer(
                "wet_hard",
                f"Pour off {pour_off} ml, lid on, {minutes} more minutes.",
                0,
                minutes,
                "ordinary",
                f"{free}, {over:.0f} more than it needs",
            )
        short = max(0, 10 * math.ceil(-over / 10)) if over < -10 else 0
        add = f" Keep {short} ml boiling beside it: it will want them near the end." if short else ""
        return Answer(
            "wet_hard",
            f"Leave it alone: lid on, lowest heat, {minutes} more minutes.{add}",
            0,
            minutes,
            "",
            f"{free}, and it needs them",
        )

    def _wet_soft(self) -> Answer:
        over = max(self.free, 0.1 * self.m)
        minutes = math.ceil(over / max(1.0, self.open_rate))
        if minutes <= 6:
            return Answer("wet_soft", f"Lid off, low heat, {max(1, minutes)} minutes, not stirring; then off and a cloth under the lid for 5.", 0, max(1, minutes), "open",
                          f"about {over:.0f} ml have to go, {self.open_rate:.0f} a minute without a lid")  # fmt: skip
        return Answer("wet_soft", f"Off the heat now. Tip it into a sieve, let about {over:.0f} ml run off, back in the pot, a cloth under the lid, 5 minutes.", 0, 5, "sealed",
                      f"boiling {over:.0f} ml away would take {minutes} minutes and cook it to mush")  # fmt: skip

    def _scorched(self) -> Answer:
        minutes = self.longer() if self.at.dose < 0.97 else 5
        ml = self.splash(minutes, 0.0)
        if self.at.dose >= 0.97 and self.missing < 0.08 * self.m:
            return Answer("scorched", "Off the heat, do not stir or scrape. Lift the good grain into a warm pot and rest it there 5 minutes, lid closed.", 0, 5, "",
                          "it is done; only the bottom has caught")  # fmt: skip
        return Answer("scorched", f"Off the heat, do not stir or scrape. Lift the good grain into another pot, {ml} ml of boiling water over it, lid on, lowest heat, {minutes} more minutes.{self.again(ml, minutes)}",
                      ml, minutes, "ordinary", f"the bottom ran dry before the rest was done; the good part has yet to drink about {self.missing:.0f} ml")  # fmt: skip

    def _crust(self) -> Answer:
        # half a centimetre over the bottom softens what sticks
        ml = max(50, 10 * round(self.pot.kitchen.area_cm2 * 0.5 / 10))
        return Answer("crust", f"Wanted and golden? Leave it dry, no lid, and lift it with a flat spatula. Burnt: take the good grain out, pour {ml} ml of boiling water on the crust, lid on, "
                      "10 minutes off the heat, and scrape with wood. If it is still black, boil that water 5 minutes more.", ml, 10, "",
                      f"half a centimetre of water over the bottom of a {self.pot.kitchen.pot_cm:g} cm pot")  # fmt: skip

    def _boiled_over(self) -> Answer:
        # foam carries off about a centimetre of the pot at most; what really went is only seen later
        lost = 10 * max(2, round(self.pot.kitchen.area_cm2 * 0.15 / 10))
        left = max(LEAST_MORE, math.ceil((1.0 - self.at.dose) * self.whole))
        return Answer("boiled_over", f"Heat right down, lid ajar until the foam is gone, then back on. Keep {lost} ml boiling beside it and look {min(3, left)} minutes before the end: it may want them.",
                      0, 0, "ajar", f"a pot of {self.pot.kitchen.pot_cm:g} cm loses about {lost} ml as foam")  # fmt: skip

    def _boiled_over_locked(self) -> Answer:
        return Answer("boiled_over", "Off the heat, or switch it off, and stand back from the valve: foam is coming through it. Let the pressure go down by itself and open it by the maker's manual, never by force. "
                      "Clean valve and lid before it is closed again, never more than half full; or finish it in an open pot.", 0, 0, "",
                      "foam can block a valve; what it carried off is seen when the lid is open")  # fmt: skip

    def _lumps(self) -> Answer:
        ml = 10 * max(2, round(0.25 * self.m / 10))
        return Answer("lumps", f"Off the heat. Press the lumps against the side, whisk in {ml} ml of boiling water in a thread, then low heat, stirring, {LEAST_MORE} more minutes.", ml, LEAST_MORE, "",
                      f"a quarter of the meal's {self.m:.0f} g loosens it enough to whisk")  # fmt: skip

    def _salty(self) -> Answer:
        more = max(20.0, self.pot.dry_ml * 0.25)
        extra = solve(
            self.pot.grain,
            more,
            replace(self.pot.way, soak_min=0.0, soak_water="discarded", sprouted=False),
            self.pot.kitchen,
        )
        minutes = round_half_up(extra.come_up_min) + extra.cook_typical
        return Answer("salty", f"Cook {round_half_up(more)} ml more {self.pot.grain.short} in {extra.pour_ml} ml of unsalted water ({minutes} minutes) and fold it in: a fifth less salt in every bite. "
                      "Or serve it beside something unsalted and sour; a potato in the pot does not help.", 0, minutes, "",
                      "salt does not leave the grain, it can only be spread over more")  # fmt: skip

    def _no_time(self) -> Answer:
        firm = max(0.0, self.pot.grain.texture_range()[0])
        share = between(TEXTURE_TIME, firm) / between(TEXTURE_TIME, self.pot.way.texture)
        cook = max(0, math.ceil((share - self.at.dose) * self.whole))
        rest = round_half_up(self.pot.rest_min)
        saved = round_half_up(max(0.0, (1 - self.at.dose) * self.whole)) - cook + rest
        over = max(0.0, self.free - self.rate * cook)
        drain = f" Pour off what is left, about {over:.0f} ml." if over > 0.1 * self.m else ""
        if cook == 0:
            return Answer("no_time", f"It can be eaten now, {self.pot.grain.texture_word(firm)}: off the heat.{drain} Skip the rest of {rest} minutes; loosen and serve.", 0, 0, "open",
                          f"saves {saved} minutes; the grain stays a little firmer and wetter outside")  # fmt: skip
        return Answer("no_time", f"{cook} minutes more at a full boil, lid on, then eat it {self.pot.grain.texture_word(firm)}.{drain} Skip the rest of {rest} minutes.", 0, cook, "",
                      f"saves {saved} minutes; less cannot be done: before that the middle is hard")  # fmt: skip

    def _not_sprouting(self) -> Answer:
        plain: Way = replace(self.pot.way, sprouted=False, soak_min=720.0)
        other = solve(self.pot.grain, self.pot.dry_ml, plain, self.pot.kitchen)
        more, longer = other.pour_ml - self.pot.pour_ml, other.cook_typical - self.pot.cook_typical
        return Answer("not_sprouting", f"No tip after two days: it is old, polished or heated, and will only go sour. If it smells fresh, cook it as soaked grain: pour {other.pour_ml} ml and cook "
                      f"{other.cook_typical} minutes, not {self.pot.pour_ml} ml and {self.pot.cook_typical}. If it smells sour, throw it away.", max(0, more), max(0, longer), "",
                      "soaked, unsprouted grain holds less water and is slower")  # fmt: skip

    def _mould(self) -> Answer:
        return Answer("mould", "Throw all of it away, do not taste it and do not wash it to save it. Wash jar, cloth and sieve hot. For tonight choose a grain that needs no soak.", 0, 0, "",
                      "mould's poisons go through the grain and stand cooking; kodo millet is known for it")  # fmt: skip
