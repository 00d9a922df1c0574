"""The catalogue: what each grain is and how it behaves, read once from data/*.toml and checked."""

from .blend import blend
from .catalogue import all_grains, grain, load, schools
from .model import TEXTURES, Grain, Roast, School, Soak

__all__ = ["TEXTURES", "Grain", "Roast", "School", "Soak", "all_grains", "blend", "grain", "load", "schools"]
