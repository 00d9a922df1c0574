"""The catalogue: what each grain is and how it behaves, read once from data/*.toml and checked."""

from .catalogue import all_grains, grain, load
from .model import TEXTURES, Grain, Roast, Soak

__all__ = ["TEXTURES", "Grain", "Roast", "Soak", "all_grains", "grain", "load"]
