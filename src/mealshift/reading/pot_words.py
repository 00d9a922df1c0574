"""What a word says about the pot: is it heat, rest, a soak, a thing that goes in."""

from __future__ import annotations

import re
from functools import lru_cache

from .names import OTHER_GRAINS

WORD = re.compile(r"[^\W\d_]+(?:'[^\W\d_]+)?")
# what a word says about the pot; stems
_CLASSES = {
    "OFF": r"(?:off|out of the oven|remove|removed|switch\w*|turn\w* off|kill|away|stove off|fire off|flame off|band|choolha)",
    "REST": r"(?:rest\w*|stand\w*|sit|sits|sitting|set aside|leave|left|steam\w*|dum|dam|settle|brew|undisturbed|wait\w*|cool\w*)",
    "SOAK": r"(?:soak\w*|steep\w*|bhigo\w*|overnight)",
    "DRAIN": r"(?:drain\w*|strain\w*|sieve|colander)",
    "HEAT": r"(?:simmer\w*|cook\w*|boil\w*|bubbl\w*|bake\w*|baking|oven|lowest|low|gentl\w*|putter\w*|tick)",
    "FRY": r"(?:fry|fried|frying|saut\w*|brown\w*|soften\w*|sweat\w*|golden|sear\w*|bhun\w*|roast\w*|toast\w*|sizzl\w*|temper\w*)",
    "BOILUP": r"(?:bring|comes?|coming|reach\w*|return\w*|back)",
    "COVER": r"(?:cover\w*|lid|lidded|close\w*|closed|foil|clamp|locked|seal\w*)",
    "OPEN": r"(?:uncover\w*|open\w*|lid off)",
    "PRESS": r"(?:pressure|whistle\w*|release|npr|qr|valve|vent\w*|instant|manual|high)",
    "LAST": r"(?:last|final|end|remaining|before)",
    "AFTER": r"(?:after|once|later|first|halfway|half-way)",
    "EVERY": r"(?:every|each|per|side)",
    "STIR": r"(?:stir\w*|turn\w*|toss\w*|shake)",
    "COOL": r"(?:cool\w*|chill\w*|fridge|refrigerat\w*|freez\w*|tray|spread|marinat\w*|room)",
    "ADD": r"(?:add\w*|tip|pour\w*|scatter\w*|fold|in goes|goes in|go in|throw|put|drop|sprinkle)",
    "GRAIN": rf"(?:rice|nasi|grain\w*|grits|arroz|chawal|riz|beras|paddy|sadam|{OTHER_GRAINS})",
    "LIQUID": r"(?:water|stock|broth|milk|liquid|juice|cream|tomato\w*|yakhni|soup|dashi|wine|santan)",
    "PULSE": r"(?:lentil\w*|dal|dhal|beans?|peas?|chickpeas?|moong|chana)",
    "VEG": r"(?:onion\w*|garlic|ginger|pepper\w*|carrot\w*|celery|leek\w*|mushroom\w*|spinach|cabbage|veg\w*|pyaz|squash|pumpkin|potato\w*|shallot\w*|scallion\w*)",
    "MEAT": r"(?:chicken|beef|pork|lamb|mutton|sausage\w*|bacon|mince|meat|turkey|ham|fish|prawn\w*|shrimp\w*|salmon|cod|duck|chorizo|tofu|paneer|egg|eggs)",
    "SAUCE": r"(?:sauce|dressing|gravy|syrup|raita|chutney|salsa|marinade|topping|garnish|relish|stew|curry|tempering|tadka)",
    "SPICE": r"(?:spice\w*|cumin|jeera|mustard|cinnamon|cardamom|masala|turmeric|seeds?)",
    "DONE": r"(?:tender|absorbed|done|soft|cooked|dry|craters|holes|thick\w*|creamy)",
    "SERVE": r"(?:serve\w*|serving|eat|plate\w*|garnish\w*)",
}
CLASS = {k: re.compile(rf"\b{v}\b", re.I) for k, v in _CLASSES.items()}


@lru_cache(maxsize=2_000)
def classes(text: str) -> tuple[str, ...]:
    """What the words of a text say about the pot, each class once. The sentence before, and the one after, are asked for by every stretch beside them."""
    words = WORD.findall(text.lower())
    found = {k for w in words for k in of_words(w)}
    found.update(k for a, b in zip(words, words[1:], strict=False) for k in of_words(f"{a} {b}"))
    return tuple(k for k in _CLASSES if k in found)


@lru_cache(maxsize=20_000)
def of_words(words: str) -> tuple[str, ...]:
    """The classes of one word or of two as they stand together; the same few thousand words come again and again."""
    return tuple(k for k, p in CLASS.items() if p.fullmatch(words))
