"""`make train-reading`: the weights of the reader's taggers from the labelled corpus, byte for byte the same each time.

python scripts/train_reading.py                     train on every hand, write src/mealshift/reading/models/
python scripts/train_reading.py --figures           leave each hand out in turn, train on the others, measure on it; prints the table of docs/reading.md
python scripts/train_reading.py --figures --misses  and what was read wrong
"""

from __future__ import annotations

import argparse
import re
from collections import Counter, defaultdict
from collections.abc import Iterable
from pathlib import Path
from typing import Any, NamedTuple

import pycrfsuite
from reading_facts import check, label_of, texts

from mealshift.measures import Measures
from mealshift.problems import Refusal
from mealshift.reading import crf, ingredients, lines, method, minutes, reader, roles, structure
from mealshift.reading.clauses import clauses
from mealshift.reading.intake import clean
from mealshift.reading.own_measures import own_measures
from mealshift.reading.placing import named, sorts, things
from mealshift.reading.things import in_prose, listed
from mealshift.reading.told_minutes import Block, Timed
from mealshift.text.plain import lines_of, plain

ROOT = Path(__file__).parents[1]
MODELS = ROOT / "src" / "mealshift" / "reading" / "models"
SEEN = ROOT / "src" / "mealshift" / "text" / "data" / "words_seen.txt"
# the same for all: little smoothing, so that words seen once do not decide
SETTINGS = {
    "lines": {"c1": 0.05, "c2": 0.4, "max_iterations": 120},
    "minutes": {"c1": 0.0, "c2": 0.7, "max_iterations": 150},
    "roles": {"c1": 0.02, "c2": 0.6, "max_iterations": 150},
    "method": {"c1": 0.0, "c2": 0.6, "max_iterations": 150},
}
WAYS = {"drained": "drain"}
# hands that teach and are measured by nothing: first read by this program, then mended by a reader, so their figures would flatter it
TAUGHT_ONLY = {"s"}


class Text(NamedTuple):
    hand: str
    name: str
    path: Path
    text: str
    label: dict[str, Any]


def corpus() -> list[Text]:
    out = []
    for name, labelled, path in texts():
        try:
            text = clean(path.read_text(encoding="utf-8"))
        except Refusal:
            continue
        hand, _, stem = name.partition("/")
        out.append(Text(hand, stem, path, text, label_of(labelled, path.read_text(encoding="utf-8"))))
    return out


# a word in so many texts that are no scans is a word
LEAST_TEXTS = 3


def words_seen() -> str:
    """The words of the corpus' texts and of foods' names, a line each: what a scan's misread letters may stand for."""
    seen: Counter[str] = Counter()
    for name, _, path in texts():
        if path.suffix == ".txt" and not re.search(r"ocr|scan", name.partition("/")[2]):
            seen.update(set(re.findall(r"(?<![\w'])[a-z]{3,}(?![\w'])", path.read_text(encoding="utf-8").lower())))
    names = "".join((MODELS / f).read_text(encoding="utf-8") for f in ("foods.txt", "foods_wide.txt"))
    said = {w for w, n in seen.items() if n >= LEAST_TEXTS} | set(re.findall(r"(?<!\w)[a-z]{3,}(?!\w)", names))
    return "".join(f"{w}\n" for w in sorted(said))


Sample = tuple[list[list[str]], list[str]]


def samples(t: Text) -> dict[str, list[Sample]]:
    """What each tagger learns from one text. Later stages stand on the labelled lines, as the tagger of lines will mostly give them."""
    out: dict[str, list[Sample]] = defaultdict(list)
    label = t.label
    told = plain(t.text)
    found_lines = lines_of(told, t.text)
    gold = label.get("lines") or []
    said: dict[str, str] = {}
    if mine := lines_samples(t):
        out["lines"] += mine
        said = {" ".join(t.text[ln.start : ln.end].split()): c for ln, c in zip(found_lines, gold, strict=True)}
    if not label.get("rice_recipe", True) or not (said or t.path.suffix != ".txt" or label.get("facts")):
        return out
    laid = structure.lay_out(t.text, said)
    measures = own_measures(told, Measures())
    read_lines = listed(laid, t.text, measures, [])
    read_lines += in_prose(read_lines, laid, t.text, measures, [])
    source = reader._source(read_lines, (), [p.text for p in laid.steps])
    line = None if source is None else read_lines[source]
    blocks = [Block(p.text, p.span.start, p.section) for p in laid.steps]
    found = clauses([p.text for p in laid.steps])
    named(found, read_lines, laid)
    places = minutes.places_of(blocks)
    kinds = kinds_of(places, label)
    # a text may be left out of one tagger: corpus/README.md says which, and why
    if (
        label.get("minutes")
        and places
        and (said or t.path.suffix != ".txt")
        and "minutes" in label.get("teaches", SETTINGS)
    ):
        cooked = bool(line and line.cooked)
        out["minutes"].append(
            (minutes.features(blocks, found, places, reader._usual(line), cooked, sorts(read_lines, source)), kinds)
        )
    timed = [Timed(s, n, k, 1.0) for (n, s), k in zip(places, kinds, strict=True)]
    if label.get("ingredients") and read_lines:
        seen = things(read_lines, source, found, timed)
        out["roles"].append((roles.features(seen), roles_of(read_lines, label)))
    way = (label.get("facts") or {}).get("method")
    if way and found:
        ratio = None
        if line is not None and line.ml:
            ratio = sum(x.water for x in read_lines if x.fraction and x.ml) / line.ml
        cooked = way.startswith("cooked")
        grain = line.grain or "" if line else ""
        title = laid.title.text if laid.title else ""
        fs = method.features(title, [p.text for p in laid.steps], found, grain, bool(line and line.cooked), ratio)
        out["method"].append(([fs], ["cooked" if cooked else WAYS.get(way, way)]))
    return out


def _norm(text: str) -> str:
    return re.sub(r"\s+", " ", text.lower()).strip()


def kinds_of(places: Iterable[tuple[int, Any]], label: dict[str, Any]) -> list[str]:
    left = [(_norm(m[0]), m[1]) for m in label.get("minutes") or []]
    out = []
    for _, s in places:
        said = _norm(s.text)
        hit = next((x for x in left if said in x[0] or x[0] in said), None)
        if hit:
            left.remove(hit)
        out.append(hit[1] if hit else "whistles" if s.unit == "whistle" else "other")
    return out


def roles_of(read_lines: list[Any], label: dict[str, Any]) -> list[str]:
    left = list(label["ingredients"])
    out = []
    for ln in read_lines:
        name, text = _norm(ln.name), _norm(ln.text)

        def fits(i: dict[str, Any], name: str = name, text: str = text) -> bool:
            said, told = _norm(i.get("text") or ""), _norm(i.get("name") or "")
            return bool(said and (said in text or text in said)) or bool(
                name and told and (name in told or told in name) and len(min(name, told, key=len)) > 2
            )

        hit = next((i for i in left if fits(i)), None)
        if hit:
            left.remove(hit)
        kind, _ = ingredients.kind_of(ln.name or ln.text)
        guess = "grain" if ln.grain else {"fat": "fat", "salt": "salt"}.get(kind.role if kind else "", "other")
        out.append(hit["role"] if hit and hit.get("role") else guess)
    return out


def train(name: str, data: list[Sample]) -> bytes:
    trainer = pycrfsuite.Trainer(verbose=False)
    trainer.set_params({**SETTINGS[name], "feature.possible_transitions": name != "method"})
    for xs, ys in data:
        trainer.append(xs, ys)
    out = MODELS / f"{name}.new"
    trainer.train(str(out))
    weights = out.read_bytes()
    out.unlink()
    return weights


def train_all(texts: list[tuple[Text, dict[str, list[Sample]]]]) -> dict[str, bytes]:
    return {name: train(name, [s for _, made in texts for s in made.get(name, [])]) for name in SETTINGS}


# -- figures -------------------------------------------------------------------------------------------------------


def figures(misses: bool) -> None:
    everything = [(t, samples(t)) for t in corpus()]
    hands = sorted({t.hand for t, _ in everything} - TAUGHT_ONLY)
    total: Counter[str] = Counter()
    print(
        "| hand | line classes | minutes' kinds | roles | facts right | asked | wrong without a doubt | right but asked, a text | texts |"
    )
    print("|---|---|---|---|---|---|---|---|---|")
    for hand in hands:
        weights = train_all([x for x in everything if x[0].hand != hand])
        crf.use(weights)
        got: Counter[str] = Counter()
        for t, made in everything:
            if t.hand != hand:
                continue
            for name in ("lines", "minutes", "roles"):
                # the text itself; the shapes made from it would flatter the figure
                for xs, ys in made.get(name, [])[:1]:
                    said = [label for label, _ in crf.Tagger.load(name).tag(xs)]
                    got[name] += sum(a == b for a, b in zip(said, ys, strict=True))
                    got[name + "_of"] += len(ys)
            got["texts"] += 1
            for field, right, asked, want, have in check(t.label, t.path.read_text(encoding="utf-8")):
                got["right" if right else "asked" if asked else "silent"] += 1
                got["needless"] += right and asked
                if misses and not right:
                    print(f"    {t.hand}/{t.name}: {field} {'asked' if asked else 'SILENT'}: want {want} got {have}")
        total += got
        print(_row(hand, got))
    print(_row("**all**", total))
    crf.use(None)


def _row(name: str, c: Counter[str]) -> str:
    facts = max(1, c["right"] + c["asked"] + c["silent"])

    def share(k: str) -> str:
        return f"{c[k] / c[k + '_of']:.1%}" if c[k + "_of"] else "–"

    return f"| {name} | {share('lines')} | {share('minutes')} | {share('roles')} | {c['right'] / facts:.1%} | {c['asked'] / facts:.1%} | {c['silent'] / facts:.1%} | {c['needless'] / max(1, c['texts']):.1f} | {c['texts']} |"


def main() -> None:
    ap = argparse.ArgumentParser(description=__doc__)
    ap.add_argument("--figures", action="store_true")
    ap.add_argument("--misses", action="store_true")
    ap.add_argument("--hand", help="print nothing but this hand's figures")
    a = ap.parse_args()
    if a.figures:
        figures(a.misses)
        return
    # the later samples stand on the tagger of lines, so that one is made first
    MODELS.mkdir(exist_ok=True)
    SEEN.write_text(words_seen(), encoding="utf-8")
    texts = corpus()
    (MODELS / "lines.crfsuite").write_bytes(train("lines", [s for t in texts for s in lines_samples(t)]))
    (MODELS / "foods.txt").write_text(foods(texts), encoding="utf-8")
    made = [(t, samples(t)) for t in texts]
    for name, weights in train_all(made).items():
        (MODELS / f"{name}.crfsuite").write_bytes(weights)
        print(f"{name}: {sum(len(m.get(name, [])) for _, m in made)} sequences, {len(weights) / 1000:.0f} kB")


def foods(texts: list[Text]) -> str:
    """Names that two hands at least call an ingredient by, a line each: what the steps may name that the list forgot."""
    hands: dict[str, set[str]] = defaultdict(set)
    # what the program itself called a thing first is no second witness
    for t in (t for t in texts if t.hand not in TAUGHT_ONLY):
        for i in t.label.get("ingredients") or []:
            name = re.sub(r"\(.*?\)", "", (i.get("name") or "").split(",")[0]).strip().lower()
            words = re.findall(r"[^\W\d_]+(?:-[^\W\d_]+)*", name)
            for said in {" ".join(words), words[-1] if words else ""}:
                if 3 <= len(said) <= 30 and len(said.split()) <= 2:
                    hands[re.sub(r"(?<=[^s])s$", "", said)].add(t.hand)
    return "".join(f"{name}\n" for name, of in sorted(hands.items()) if len(of) >= 2)


def lines_samples(t: Text) -> list[Sample]:
    found_lines = lines_of(plain(t.text), t.text)
    gold = t.label.get("lines") or []
    if not gold or t.path.suffix != ".txt" or len(gold) != len(found_lines):
        return []
    return [(lines.features(found_lines), gold), *as_we_write(found_lines, gold)]


_POUR = "Pour 310 ml for 160 g of {0} (1 to 1.4 by volume); keep 40 ml hot beside it. At the heat 12 to 16 minutes, rest 10."
_MIND = "Steam burns: open the lid away from you, with dry cloths."


def as_we_write(found_lines: list[Any], gold: list[str]) -> list[Sample]:
    """The same recipe in the two shapes this program writes, so that what it wrote is read back."""
    of = defaultdict(list)
    for ln, c in zip(found_lines, gold, strict=True):
        of[c].append(ln.text)
    things = [
        (ln.text, c) for c in ("ingredient", "ingredients") for ln, k in zip(found_lines, gold, strict=True) if k == c
    ]
    steps = of["step"]
    if not of["title"] or len(things) < 3 or not steps:
        return []
    rows: list[tuple[str, str]] = [
        (of["title"][0], "title"),
        ("Serves 4", "servings"),
        ("Times: soak 30 minutes, at the heat 16 minutes, no rest", "meta"),
        ("", ""),
        ("Ingredients", "heading"),
    ]
    rows += things
    rows += [("", ""), ("Method", "heading"), *((f"{n}. {x}", "step") for n, x in enumerate(steps, 1))]
    rows += [
        ("", ""),
        ("Notes", "heading"),
        (_POUR.format("barley"), "note"),
        ("To check: " + steps[-1][:60], "note"),
        ("Caution: " + _MIND, "note"),
    ]
    mark = {"title": "# {}", "heading": "## {}", "ingredient": "- {}", "ingredients": "- {}", "note": "- {}"}
    plain_rows = [t for t, _ in rows]
    marked = [mark.get(c, "{}").format(t) if t else "" for t, c in rows]
    ld = [f"- {t}" if c in ("ingredient", "ingredients") else t for t, c in rows]
    classes = [c for t, c in rows if t]
    made = []
    for shape in (plain_rows, marked, ld):
        text = "\n".join(shape)
        found = lines_of(plain(text), text)
        if len(found) == len(classes):
            made.append((lines.features(found), classes))
    return made


if __name__ == "__main__":
    main()
