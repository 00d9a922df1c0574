"""Something went wrong: an amount and minutes for this pot as it stands, from its simulation.

The simulated pot says how much water is still free, how much the grain has drunk and how far it is done; what the cook sees
says where the model is off, and is believed before the model: grain that is hard is not done, whatever the dose, and a pot that is dry
has lost what the model still has in it. From both:

    rate    = the pot's own, and where it is dry what it has shown: + free water of the model / minutes at the boil
    missing = (hydration wanted − hydration now) · m       what the grain has yet to drink; of hard grain at least a seventh of all
    longer  = (1 − dose) · minutes of the whole            at least what practice gives a second try
    splash  = missing + rate · longer − free

A case by hand: 240 ml of quinoa, dry after 12 of 15 minutes: dose .8, hydration 1.7 of 2.05: missing 60; the model still has 20 ml, so
it loses 1.7 a minute more than the 5.7 reckoned, three more minutes 22: pour 90 boiling, 3 more minutes, lid on.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

from ..measures import round_half_up
from ..pot import Pot, Way, solve
from ..pot.account import TEXTURE_TIME, between, boil_rate
from ..pot.methods import method
from ..pot.simulation import Moment, Run
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
    "too_thick": "too thick",
    "too_thin": "too thin",
    "salty": "too salty",
    "no_time": "no time left",
    "not_sprouting": "it does not sprout",
    "mould": "it smells or looks mouldy",
}
# from this texture on it is judged by how thick it is
STIRRED_FROM = 2.5
# the least share of its water that hard grain lacks, whatever the model says
HARD_LACKS = 1 / 7
# more than this share of all it drinks is not poured at once: soup, if the eye or the model is wrong
MOST_AT_ONCE = 0.8
# a pot shows at most so many times the rate that was reckoned: beyond that it leaks, or the eye is wrong
MOST_SHOWN = 4.0


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
    out = [w for w in WRONGS if w not in ("lumps", "too_thick", "too_thin", "not_sprouting", "mould", "crust")]
    out.insert(4, "crust")
    if pot.grain.is_meal:
        out.insert(5, "lumps")
    if pot.grain.is_meal or pot.way.texture >= STIRRED_FROM or pot.way.lid == "open" and not pot.plenty:
        out[4:4] = ["too_thick", "too_thin"]
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
    now = _Now(pot, run, minute, what.startswith("dry") or what == "scorched", what.endswith("hard"), locked)
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

    def __init__(self, pot: Pot, run: Run | None, minute: float, dry: bool, hard: bool, locked: bool) -> None:
        self.pot, self.m = pot, pot.dry_g
        # what stood under pressure goes on as an open pot
        self.row = method("covered") if locked else pot.way.row
        self.at: Moment = (
            min(run.moments, key=lambda x: abs(x.minute - minute))
            if run
            else Moment(0.0, pot.kitchen.room_c, pot.pour_ml, pot.uptake, 0.0)
        )
        self.free = self.at.free_ml
        self.whole = pot.cook_min or 10.0
        self.wanted = pot.grain.hydration_at(pot.way.texture)
        self.missing = max(0.0, self.wanted - self.at.hydration) * self.m
        boil = pot.loss_ml
        self.rate = boil / self.whole if self.whole else 0.0
        self.open_rate = boil_rate(pot.grain, pot.way.with_(method="open"), pot.kitchen, "open")
        self.because = ""
        if dry and run:
            boiled = max(1.0, self.at.minute - run.boil_at)
            shown = min(self.rate * MOST_SHOWN, self.rate + self.free / boiled)
            if shown > self.rate + 0.5:
                self.because = f"; this pot has shown that it loses about {shown:.0f} ml a minute, not {self.rate:.0f}"
            self.rate = shown
        if hard:
            self.missing = max(self.missing, HARD_LACKS * self.wanted * self.m)

    def longer(self) -> int:
        return max(math.ceil(self.row.least_more), math.ceil((1.0 - self.at.dose) * self.whole))

    def splash(self, minutes: float, free: float | None = None) -> int:
        """Boiling water so that the grain drinks what it misses and the pot is just dry at the end; to the ten, at least 20."""
        raw = max(self.missing, 0.08 * self.m) + self.rate * minutes - (self.free if free is None else free)
        return min(max(20, 10 * math.ceil(raw / 10)), max(20, 10 * math.ceil(MOST_AT_ONCE * self.wanted * self.m / 10)))

    def again(self, ml: int, minutes: float) -> str:
        rest = max(self.missing, 0.08 * self.m) + self.rate * minutes - ml
        return f" Then look: it may want up to {10 * math.ceil(rest / 10)} ml more." if rest > 20 else ""

    def said(self, words: str, minutes: float, ml: int = 0) -> str:
        return words.format(ml=ml, n=math.ceil(minutes), watts=f"{self.pot.kitchen.watts:g}")

    def _dry_hard(self) -> Answer:
        minutes = self.longer()
        ml = self.splash(minutes, 0.0)
        return Answer(
            "dry_hard",
            self.said(self.row.add, minutes, ml) + self.again(ml, minutes),
            ml,
            minutes,
            self._lid(),
            f"the grain has yet to drink about {self.missing:.0f} ml, and {self.rate * minutes:.0f} boil off meanwhile{self.because}",
        )

    def _lid(self) -> str:
        """How it is covered while it cooks on: on a stove under its lid."""
        return "ordinary" if self.row.loss_lid and self.pot.way.lid != "open" else ""

    def _wet_hard(self) -> Answer:
        minutes = self.longer()
        over = self.free - self.missing - self.rate * minutes
        free = f"about {self.free:.0f} ml are free"
        if self.pot.plenty or self.row.slug != "covered" or over <= 0.15 * self.m:
            short = max(0, 10 * math.ceil(-over / 10)) if over < -10 and not self.pot.plenty else 0
            add = f" Keep {short} ml boiling beside it: it will want them near the end." if short else ""
            return Answer(
                "wet_hard", self.said(self.row.more, minutes) + add, 0, minutes, "", f"{free}, and it needs them"
            )
        if math.ceil(over / max(1.0, self.open_rate - self.rate)) <= minutes:
            return Answer(
                "wet_hard",
                f"There is water enough: lid off, {minutes} more minutes at a gentle boil, then look.",
                0,
                minutes,
                "open",
                f"{free}, {over:.0f} more than it needs; without the lid they go",
            )
        return Answer(
            "wet_hard",
            f"Pour off {10 * round(over / 10)} ml, lid on, {minutes} more minutes.",
            0,
            minutes,
            "ordinary",
            f"{free}, {over:.0f} more than it needs",
        )

    def _wet_soft(self) -> Answer:
        over = max(self.free, 0.1 * self.m)
        minutes = max(1, math.ceil(over / max(1.0, self.open_rate)))
        if minutes <= 6 or self.row.slug in ("soup", "open"):
            minutes = min(minutes, 20)
            return Answer(
                "wet_soft",
                self.said(self.row.shed, minutes),
                0,
                minutes,
                "open" if self.row.loss_lid else "",
                f"about {over:.0f} ml have to go, {self.open_rate:.0f} a minute without a lid",
            )
        return Answer(
            "wet_soft",
            f"Off the heat now. Tip it into a sieve, let about {over:.0f} ml run off, back in the pot, a cloth under the lid, 5 minutes.",
            0,
            5,
            "sealed",
            f"boiling {over:.0f} ml away would take {minutes} minutes and cook it to mush",
        )

    def _too_thick(self) -> Answer:
        ml = 10 * max(2, round(0.12 * self.wanted * self.m / 10))
        return Answer(
            "too_thick",
            f"Stir in {ml} ml of hot water or of the dish's own liquid, a splash at a time, until it falls as you want it; 2 more minutes. It thickens again as it stands.",
            ml,
            2,
            "",
            f"an eighth of the {self.wanted * self.m:.0f} ml it holds is one step looser",
        )

    def _too_thin(self) -> Answer:
        over = max(self.free, 0.1 * self.wanted * self.m)
        minutes = min(15, max(2, math.ceil(over / max(1.0, self.open_rate))))
        return Answer(
            "too_thin",
            f"Lid off, {minutes} more minutes at a gentle bubble, stirring along the bottom. Stop while it is a little looser than you want: it thickens as it stands.",
            0,
            minutes,
            "open",
            f"about {over:.0f} ml have to go, {self.open_rate:.0f} a minute without a lid",
        )

    def _scorched(self) -> Answer:
        minutes = self.longer() if self.at.dose < 0.97 else 5
        ml = self.splash(minutes, 0.0)
        if self.at.dose >= 0.97 and self.missing < 0.08 * self.m:
            return Answer(
                "scorched",
                "Off the heat, do not stir or scrape. Lift the good grain into a warm pot and rest it there 5 minutes, lid closed.",
                0,
                5,
                "",
                "it is done; only the bottom has caught",
            )
        return Answer(
            "scorched",
            f"Off the heat, do not stir or scrape. Lift the good grain into another pot, {ml} ml of boiling water over it, lid on, lowest heat, {minutes} more minutes.{self.again(ml, minutes)}",
            ml,
            minutes,
            "ordinary",
            f"the bottom ran dry before the rest was done; the good part has yet to drink about {self.missing:.0f} ml",
        )

    def _crust(self) -> Answer:
        # half a centimetre over the bottom softens what sticks
        ml = max(50, 10 * round(self.pot.kitchen.area_cm2 * 0.5 / 10))
        return Answer(
            "crust",
            f"Wanted and golden? Leave it dry, no lid, and lift it with a flat spatula. Burnt: take the good grain out, pour {ml} ml of boiling water on the crust, lid on, "
            "10 minutes off the heat, and scrape with wood. If it is still black, boil that water 5 minutes more.",
            ml,
            10,
            "",
            f"half a centimetre of water over the bottom of a {self.pot.kitchen.pot_cm:g} cm pot",
        )

    def _boiled_over(self) -> Answer:
        # foam carries off about a centimetre of the pot at most; what really went is only seen later
        lost = 10 * max(2, round(self.pot.kitchen.area_cm2 * 0.15 / 10))
        left = max(round(self.row.least_more), math.ceil((1.0 - self.at.dose) * self.whole))
        return Answer(
            "boiled_over",
            f"Heat right down, lid ajar until the foam is gone, then back on. Keep {lost} ml boiling beside it and look {min(3, left)} minutes before the end: it may want them.",
            0,
            0,
            "ajar",
            f"a pot of {self.pot.kitchen.pot_cm:g} cm loses about {lost} ml as foam",
        )

    def _boiled_over_locked(self) -> Answer:
        return Answer(
            "boiled_over",
            "Off the heat, or switch it off, and stand back from the valve: foam is coming through it. Let the pressure go down by itself and open it by the maker's manual, never by force. "
            "Clean valve and lid before it is closed again, never more than half full; or finish it in an open pot.",
            0,
            0,
            "",
            "foam can block a valve; what it carried off is seen when the lid is open",
        )

    def _lumps(self) -> Answer:
        ml = 10 * max(2, round(0.25 * self.m / 10))
        return Answer(
            "lumps",
            f"Off the heat. Press the lumps against the side, whisk in {ml} ml of boiling water in a thread, then low heat, stirring, {round(self.row.least_more)} more minutes.",
            ml,
            round(self.row.least_more),
            "",
            f"a quarter of the meal's {self.m:.0f} g loosens it enough to whisk",
        )

    def _salty(self) -> Answer:
        more = max(20.0, self.pot.dry_ml * 0.25)
        extra = solve(
            self.pot.grain,
            more,
            replace(self.pot.way, soak_min=0.0, soak_water="discarded", sprouted=False),
            self.pot.kitchen,
        )
        minutes = round_half_up(extra.come_up_min) + extra.cook_typical
        return Answer(
            "salty",
            f"Cook {round_half_up(more)} ml more {self.pot.grain.short} in {extra.pour_ml} ml of unsalted water ({minutes} minutes) and fold it in: a fifth less salt in every bite. "
            "Or serve it beside something unsalted and sour; a potato in the pot does not help.",
            0,
            minutes,
            "",
            "salt does not leave the grain, it can only be spread over more",
        )

    def _no_time(self) -> Answer:
        firm = max(0.0, self.pot.grain.texture_range()[0])
        share = between(TEXTURE_TIME, firm) / between(TEXTURE_TIME, self.pot.way.texture)
        cook = max(0, math.ceil((share - self.at.dose) * self.whole))
        rest = round_half_up(self.pot.rest_min)
        saved = round_half_up(max(0.0, (1 - self.at.dose) * self.whole)) - cook + rest
        over = max(0.0, self.free - self.rate * cook)
        drain = f" Pour off what is left, about {over:.0f} ml." if over > 0.1 * self.m else ""
        if cook == 0:
            return Answer(
                "no_time",
                f"It can be eaten now, {self.pot.grain.texture_word(firm)}: off the heat.{drain} Skip the rest of {rest} minutes; loosen and serve.",
                0,
                0,
                "open",
                f"saves {saved} minutes; the grain stays a little firmer and wetter outside",
            )
        return Answer(
            "no_time",
            f"{cook} minutes more at a full boil, lid on, then eat it {self.pot.grain.texture_word(firm)}.{drain} Skip the rest of {rest} minutes.",
            0,
            cook,
            "",
            f"saves {saved} minutes; less cannot be done: before that the middle is hard",
        )

    def _not_sprouting(self) -> Answer:
        plain: Way = replace(self.pot.way, sprouted=False, soak_min=720.0)
        other = solve(self.pot.grain, self.pot.dry_ml, plain, self.pot.kitchen)
        more, longer = other.pour_ml - self.pot.pour_ml, other.cook_typical - self.pot.cook_typical
        return Answer(
            "not_sprouting",
            f"No tip after two days: it is old, polished or heated, and will only go sour. If it smells fresh, cook it as soaked grain: pour {other.pour_ml} ml and cook "
            f"{other.cook_typical} minutes, not {self.pot.pour_ml} ml and {self.pot.cook_typical}. If it smells sour, throw it away.",
            max(0, more),
            max(0, longer),
            "",
            "soaked, unsprouted grain holds less water and is slower",
        )

    def _mould(self) -> Answer:
        return Answer(
            "mould",
            "Throw all of it away, do not taste it and do not wash it to save it. Wash jar, cloth and sieve hot. For tonight choose a grain that needs no soak.",
            0,
            0,
            "",
            "mould's poisons go through the grain and stand cooking; kodo millet is known for it",
        )
