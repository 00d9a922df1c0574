"""What a week's dishes want beyond the larder: like added to like, whatever unit each recipe says it in.

A case by hand: "1 onion, grated", "2 onions" and "200 g passata", "1 cup passata (240 ml)" become "3 onions" and "200 g + 240 ml passata": what is
counted, weighed and poured is added each for itself, for a cup of chopped onion is no number of onions.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field, replace

from ..manner import Manner
from ..measures import Measures, jug_ml, round_half_up, unit_kind
from ..pot.account import mass_shares
from ..reading.ingredients import stem
from ..shifting import Shift
from ..shifting.wording import plural, said_quantity
from ..text.amounts import Item, items

_WATERS = re.compile(r"\b(?:hot |boiling |cold )?water\b", re.I)
_SIZE = re.compile(r"^(?:(?:large|small|medium|big|ripe|fresh|whole|heaped|level)\s+)+", re.I)
_POURED = ("volume", "cup", "measure", "vessel")
# packets are not sold to the gram
PACKET_G = 50


@dataclass(slots=True)
class Wanted:
    """One thing to buy. for_: the dishes that want it."""

    text: str
    for_: list[str] = field(default_factory=list)


def shopping(
    shifts: Iterable[tuple[str, Shift]], larder: Mapping[str, float], measures: Measures | None = None
) -> list[Wanted]:
    """Grain by what is missing of it, then every other line, like added to like. Water is not bought."""
    measures, manner = measures or Measures(), Manner()
    need: dict[str, tuple[str, float, list[str]]] = {}
    heaps: dict[str, _Heap] = {}
    for dish, made in shifts:
        manner = made.kitchen.manner
        for pot in (made.pot, *made.aside):
            for g, share in mass_shares(pot.grain):
                name, grams, dishes = need.get(g.slug, (g.name, 0.0, []))
                need[g.slug] = (name, grams + share * pot.dry_g, [*dishes, dish])
        for line in made.lines:
            if line.role == "source_grain" or line.is_sum or not line.text.strip():
                continue
            if line.role == "pot_liquid" and _WATERS.search(line.text):
                continue
            found = items(line.text, measures)
            for item in found:
                said = line.text if len(found) == 1 else item.text
                heaps.setdefault(_key(item) or said.lower(), _Heap()).put(item, said, dish)
    grains = []
    for slug, (name, grams, dishes) in need.items():
        missing = grams - larder.get(slug, 0.0)
        if missing > 0:
            grains.append(Wanted(f"{max(PACKET_G, PACKET_G * -(-int(missing) // PACKET_G))} g {name}", dishes))
    wanted = grains + [Wanted(h.said(), h.dishes) for h in heaps.values()]
    # what was added up is in grams and millilitres
    return [replace(w, text=manner.said(w.text, measures)) for w in wanted]


def _key(item: Item) -> str:
    """The thing's name, so that one onion and two large onions are of a kind."""
    name = _SIZE.sub("", " ".join(item.name.lower().split()))
    *before, last = name.split() or [""]
    return " ".join([*before, stem(last)])


@dataclass(slots=True)
class _Heap:
    texts: list[str] = field(default_factory=list)
    dishes: list[str] = field(default_factory=list)
    names: list[tuple[float, str]] = field(default_factory=list)
    g: float = 0.0
    ml: float = 0.0
    # spoons and cups stay what they are while all say the same
    poured: dict[str, tuple[float, str]] = field(default_factory=dict)
    counted: dict[str, tuple[float, str]] = field(default_factory=dict)

    def put(self, item: Item, text: str, dish: str) -> None:
        self.texts.append(text)
        self.dishes.append(dish)
        value = item.high or 0.0
        self.names.append((value, item.name))
        kind = unit_kind(item.unit) if item.unit else ""
        if kind == "mass":
            self.g += (item.g or 0.0) * (value / item.value if item.value else 1.0)
        elif kind in _POURED:
            self.ml += (item.ml or 0.0) * (value / item.value if item.value else 1.0)
            self.poured[item.unit] = (self.poured.get(item.unit, (0.0, ""))[0] + value, item.unit_word)
        elif value:
            self.counted[item.unit] = (self.counted.get(item.unit, (0.0, ""))[0] + value, item.unit_word)

    def said(self) -> str:
        if len(set(self.texts)) == 1 and (len(self.texts) == 1 or not (self.g or self.ml or self.counted)):
            return self.texts[0]
        parts = []
        if self.g:
            parts.append(
                f"{self.g / 1000:.1f} kg".replace(".0 kg", " kg") if self.g >= 1000 else f"{round_half_up(self.g)} g"
            )
        if self.ml and len(self.poured) == 1 and "ml" not in self.poured:
            [(unit, (value, word))] = self.poured.items()
            parts.append(f"{said_quantity(value)} {plural(unit, value, word)}")
        elif self.ml:
            parts.append(f"{jug_ml(self.ml)} ml")
        name = max(self.names)[1]
        for unit, (value, word) in self.counted.items():
            parts.append(f"{said_quantity(value)} {plural(unit, value, word)}".rstrip())
        if list(self.counted) == [""] and len(parts) == 1 and self.counted[""][0] > 1:
            name = _many(name)
        return f"{' + '.join(parts)} {name}".strip()


def _many(name: str) -> str:
    if name.endswith("s"):
        return name
    if re.search(r"[^aeiou]y$", name):
        return name[:-1] + "ies"
    return name + ("es" if re.search(r"(?:ato|ch|sh|x)$", name) else "s")
