"""Where sentences end, for everyone who asks: clauses, the minutes' tagger, the process and the rewriting.

Many cooks write no capitals, so a whole word's stop ends a sentence, whatever follows; an abbreviation's does not, but where the next word bids.

>>> text = "roll them tight. add water, simmer 10 min. stirring twice, then rest 5 min. serve with 3.5 dl dip"
>>> [text[a:b].strip() for a, b in sentences(text)]
['roll them tight', 'add water, simmer 10 min. stirring twice, then rest 5 min', 'serve with 3.5 dl dip']
"""

from __future__ import annotations

import re
from functools import lru_cache

from ..quick import lazy

# "nach ca. 18 Minuten", "ok. 15 minut"
_ABOUT = r"(?:(?<=\b[Cc]a)|(?<=\b[Oo]k)|(?<=\babt)|(?<=\bcca)|(?<=\benv)|(?<=\baprox)|(?<=\b[Aa]pprox))\.(?=\s\d)"
_BETWEEN = lazy(
    rf"(?:[^.;!?。\n]|(?<=\d)\.(?=\d)|(?<=[a-z] (?:min|max))\.(?=\s\d)|{_ABOUT}|\.(?=\s?[a-z(])|[.!?](?=\S))+"
)
# "low 15. off 10. mix": a number's stop ends one where the next word bids
_STOP = lazy(r"\.\s(?=[a-z])")
_BEFORE_IT = lazy(r"(?:[^\W\d_]+|\d+)\Z")
# no word, and no number, is longer
LONGEST_WORD = 60
_SHORTENED = lazy(
    r"(?P<time>mins?|hrs?|secs?|[mh])|[a-z]|abt|approx|bot|ca|deg|dia|diam|etc|fl|gms?|gr|incl|lbs?|lg|med|ml|nos?|nr|opt|oz|pcs?|pkgs?|pkt|pts?|qts?|sm|sq|tblsp|tbsp?s?|temp|tsps?|vs",
    re.I,
)
_BIDS = lazy(
    r"(?:add|put|pour|stir|cover|fluff|serve|serves|drain|rinse|turn|take|let|leave|remove|boil|simmer|cook|bring|mix|fold|season|lower|reduce|open|switch|stand|rest|keep|cool|steam|sit|then|now|meanwhile|when|once|after|do|dont|don|never|off|lid|heat|fry|spread|transfer|sprinkle|top|garnish|wait|check|set|uncover|tip|throw|scatter|discard|wash|soak|enjoy|crumble|pick|squeeze|grate|chop|slice|drizzle|dot|fish|pull|shred|flip|swirl|whisk|beat|toss|tear|loosen|invert|unmou?ld|return|place|lay|lift)\b"
    # "simmer 40 min. rice on top", "low 15. peas in"
    r"|(?!all |or )[a-z]+ (?:on top|in|goes in|go in)(?=[,.;]|$)"
)


@lru_cache(maxsize=1024)
def sentences(text: str) -> tuple[tuple[int, int], ...]:
    """Places of the sentences, in order, without the stop that ends each."""
    out = []
    for m in _BETWEEN.finditer(text):
        at = m.start()
        for stop in _STOP.finditer(text, at, m.end()):
            word = _BEFORE_IT.search(text[max(at, stop.start() - LONGEST_WORD) : stop.start()])
            if word is None:
                continue
            short, number = _SHORTENED.fullmatch(word[0]), word[0].isdigit()
            bid = (short["time"] if short else number) and _BIDS.match(text, stop.end())
            if bid or not (short or number):
                out.append((at, stop.start()))
                at = stop.end()
        out.append((at, m.end()))
    return tuple(out)
