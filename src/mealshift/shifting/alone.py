"""Just a pot: a grain and an amount, written as the recipe a cook would have written, so that all that can be done with a recipe can be done with it."""

from __future__ import annotations

from ..grains import TEXTURES, Grain
from ..measures import Measures, jug_ml, parse_amount, round_half_up, unit_kind
from ..pot import Kitchen, Pot, default_way, solve
from ..pot.ways import cap
from ..problems import Refusal
from . import sentences

# g of dry grain that is a plate of it
A_PLATE_G = 75.0
# textures from this on are stirred out of the pot, not loosened
_HOLDS = 2.5


def alone(g: Grain, amount: str, texture: str | None, kitchen: Kitchen, measures: Measures) -> tuple[str, str]:
    """(the recipe's text, the way it is cooked). amount: in the cook's words ("1 cup", "200 g"). texture: None for what the grain is cooked to as a rule.

    Refusal for an amount that is none, and for a texture the grain does not reach.
    """
    if texture is not None and texture not in g.textures:
        raise Refusal("texture", "texture", f"{cap(g.name)} is never {texture}; choose {' or '.join(g.textures[:4])}.")
    said = " ".join(amount.split())
    dry = parse_amount(said, measures)
    ml = dry.ml if dry.ml is not None else (dry.g / g.density if dry.g is not None else None)
    if ml is None:
        raise Refusal("amount", "amount", "Say how much of it: an amount with its measure, such as 1 cup or 200 g.")
    # a vessel of the house says what it holds, so that the recipe can be given away
    listed = f"{said} {g.name}" + (f" ({round_half_up(ml)} ml)" if unit_kind(dry.unit) in ("measure", "vessel") else "")
    method = next((m for m in ("covered", "steep", "open") if m in g.methods), g.methods[0])
    at = float(TEXTURES.index(texture)) if texture else g.usual_at
    pot = solve(g, ml, default_way(g, method, at), kitchen)
    steps = [f"{n}. {s}" for n, s in enumerate(_steps(pot), 1)]
    people = max(1, round_half_up(pot.dry_g / A_PLATE_G))
    named = {"porridge": f"{cap(g.name)} porridge, spoonable", "thin": f"{cap(g.name)} porridge, pouring"}.get(
        texture or ""
    )
    title = named or f"{cap(g.name)}, on its own" + (f", {texture}" if texture else "")
    text = "\n".join(
        [
            title,
            f"Serves {people}",
            "",
            "Ingredients",
            listed,
            f"{jug_ml(pot.pour_ml)} ml water",
            "",
            "Method",
            *steps,
            "",
        ]
    )
    return text, method


def _steps(pot: Pot) -> list[str]:
    g, way = pot.grain, pot.way
    out = [sentences.rinse(g).text] if g.rinse and way.rinsed else []
    if way.roast == "dry":
        out.append(sentences.roast(g, "dry").text)
    lid = {"open": "without a lid"}.get(way.lid, "under a lid")
    if way.method == "steep":
        out.append(sentences.steep(pot).text)
    elif g.is_meal:
        out.append(
            f"Bring the water to the boil. Rain in the {g.short} in a thin stream, stirring all the while, and simmer it {lid} on the lowest heat "
            f"for {pot.cook_typical} minutes, stirring now and then."
        )
    else:
        out.append(
            f"Bring the water to the boil, add the {g.short} and simmer {lid} on the lowest heat for {pot.cook_typical} minutes."
        )
    if rest := round_half_up(pot.rest_min):
        loosen = " Loosen it with a fork." if way.texture < _HOLDS and not g.is_meal else ""
        out.append(f"Take it off the heat and let it rest, covered, for {rest} minutes.{loosen}")
    return out
