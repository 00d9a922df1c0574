"""A blend is a grain made of grains: its account is the sum of theirs, its time that of the slowest."""

from __future__ import annotations

from collections.abc import Callable

from ..problems import Refusal
from .catalogue import grain
from .model import TEXTURES, Grain, Soak


def blend(parts: tuple[tuple[str, float], ...], known: Callable[[str], Grain] = grain) -> Grain:
    """Two to four grains by shares of the volume, as one Grain. known: the grain of a slug, where its packet says otherwise than the catalogue.
    Refusal if they cannot reach one texture together."""
    if not 2 <= len(parts) <= 4:
        raise Refusal("blend", "blend", "A blend has two to four grains; choose that many.")
    if len({slug for slug, _ in parts}) < len(parts):
        raise Refusal("blend", "blend", "A grain stands twice in the blend; give each one share.")
    if any(not 0 < share <= 1000 for _, share in parts):
        raise Refusal(
            "blend", "blend", "Every grain of a blend needs a share above zero, such as 1 and 2, or 30 and 70."
        )
    total = sum(share for _, share in parts)
    made = tuple((known(slug), share / total) for slug, share in parts)
    density = sum(g.density * s for g, s in made)
    mass = [(g, g.density * s / density) for g, s in made]
    shared = [t for t in TEXTURES if all(t in g.hydration for g, _ in made)]
    if not shared:
        raise Refusal(
            "blend", "blend", f"{_names(made)} never come out alike: cook them in two pots and join them on the plate."
        )
    slow = max((g for g, _ in made), key=lambda g: g.simmer)
    methods = [m for m in made[0][0].methods if all(m in g.methods for g, _ in made)]
    soaks = [g.soak for g, _ in made if g.soak]
    families = {g.family for g, _ in made}
    return Grain(
        slug="+".join(g.slug for g, _ in made),
        name=_names(made),
        short=made[0][0].short if len({g.short for g, _ in made}) == 1 else "grain",
        family=families.pop() if len(families) == 1 else "blend",
        form="meal" if all(g.is_meal for g, _ in made) else "grain",
        gluten=any(g.gluten for g, _ in made),
        whole=any(g.whole for g, _ in made),
        density=density,
        hydration={t: sum(g.hydration[t] * w for g, w in mass) for t in shared},
        simmer=slow.simmer,
        rest=max(g.rest for g, _ in made),
        rinse=max(g.rinse for g, _ in made),
        rinse_why=slow.rinse_why,
        methods=tuple(methods),
        done_when=slow.done_when,
        keeping=slow.keeping,
        soak=Soak(max(s.u_max for s in soaks), max(s.t_half for s in soaks), max(s.beta for s in soaks))
        if soaks
        else None,
        steep_min=max((g.steep_min or 0.0 for g, _ in made), default=0.0) or None,
        electric_min=max((g.electric_min or 0.0 for g, _ in made), default=0.0) or None,
        cautions=tuple(dict.fromkeys(c for g, _ in made for c in g.cautions)),
        basis={"all": "the sum of its grains"},
        parts=made,
    )


def _names(made: tuple[tuple[Grain, float], ...]) -> str:
    names = [g.name for g, _ in made]
    return ", ".join(names[:-1]) + f" and {names[-1]}"
