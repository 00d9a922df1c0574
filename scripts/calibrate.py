"""Fits lid rates, cling and hydrations to usual practice, all at once: `make calibrate` prints the fitted figures and what they come to.

Data: tests/core/usual.tsv and tests/core/usual_more.json, two hands' tables of usual ratios. A case says a range; its residual is the log of the
ratio over the middle of the range, in half-widths of the range. Every parameter has a prior (its starting value and how far it may move, in
log); no case is fitted by itself: a hydration moves only as far as its prior lets it for all its cases together, a rate with all the grains.
Gauss-Newton with the priors as further residuals; Huber weights, so that one odd range does not pull the rest. docs/decisions/0010.
"""

from __future__ import annotations

import json
import sys
from dataclasses import dataclass, replace
from pathlib import Path

import numpy as np

from mealshift.grains import Grain, grain
from mealshift.measures import Measures, parse_amount, parse_minutes
from mealshift.pot import Kitchen, account, default_way, solve, ways
from mealshift.pot import methods as table

ROOT = Path(__file__).resolve().parents[1]
sys.path.insert(0, str(ROOT))
# name → (starting value, how far it may move: a standard deviation in log)
RATES = {
    "ordinary": (0.018, 0.15),
    "open": (0.040, 0.15),
    "cling": (0.06, 0.30),
    "thick": (1.0, 0.30),
    "oven": (0.015, 0.25),
    "rice-cooker": (3.5, 0.25),
    "microwave": (7.0, 0.20),
}
# hydrations that food-composition tables call low, with theirs (cooked water content of the usual tables, per g of dry grain as sold)
COMPOSITION = {
    "rice-brown-long": 1.95,
    "rice-brown-short": 1.8,
    "rice-parboiled": 2.0,
    "bulgur-coarse": 2.6,
    "wild-rice": 2.5,
    "freekeh-cracked": 2.1,
    "wheat-broken": 2.5,
}
MAY_MOVE, MAY_MOVE_WEAK = 0.12, 0.12


@dataclass(frozen=True)
class Case:
    slug: str
    method: str
    ml: float
    low: float
    high: float
    options: dict[str, str]


def cases() -> list[Case]:
    from tests.core.test_usual import rows

    out = [
        Case(
            r["grain"],
            r["way"].split()[0],
            237.0,
            float(r["ratio_low"]),
            float(r["ratio_high"]),
            dict(o.split("=") for o in r["way"].split()[1:]),
        )
        for r in rows()
    ]
    for c in json.loads((ROOT / "tests/core/usual_more.json").read_text())["cases"]:
        if not c["water"]:
            continue
        amount = parse_amount(c["amount"], Measures())
        g = grain(c["grain"])
        ml = amount.ml or (amount.g or 0.0) / g.density
        low, high = (v * (g.density if c["basis"] == "w" else 1.0) for v in c["water"])
        options = dict(o.split("=", 1) for o in c["extra"].replace(" h", "h").replace(" min", "min").split())
        if soak := options.pop("soak", ""):
            options["soak"] = f"{parse_minutes(soak):g}"
        out.append(Case(c["grain"], c["method"], ml, low, high, options))
    return out


def ratio(c: Case, g: Grain) -> float:
    way = default_way(g, c.method, c.options.get("texture"), soak_min=float(c.options.get("soak", 0)))
    return solve(g, c.ml, way, Kitchen(pot_cm=float(c.options.get("pot-cm", 20)))).raw_pour_ml / c.ml


def with_rates(rate: dict[str, float]) -> None:
    """Puts these rates where the account reads them; for this script alone."""
    k = rate["ordinary"] / 0.018
    ways.EVAPORATION.update(
        sealed=0.003 * k, tight=0.012 * k, ordinary=rate["ordinary"], ajar=0.025 * k, open=rate["open"]
    )
    account.EVAPORATION = ways.EVAPORATION
    account.CLING = rate["cling"]
    account.THICK_MEAL, account.THICK_PORRIDGE = 0.4 * rate["thick"], min(1.0, 0.6 * rate["thick"])
    rows = table._rows()
    rows["oven"] = replace(rows["oven"], loss_cm2=rate["oven"])
    rows["rice-cooker"] = replace(rows["rice-cooker"], loss_min=rate["rice-cooker"])
    rows["microwave"] = replace(rows["microwave"], loss_watts=rate["microwave"])


def main() -> None:
    found = cases()
    slugs = sorted({c.slug for c in found})
    names = [*RATES, *slugs]
    start = {n: RATES[n][0] for n in RATES} | {
        s: COMPOSITION.get(s, 0.0) / grain(s).hydration_at(1.0) if s in COMPOSITION else 1.0 for s in slugs
    }
    spread = np.array([RATES[n][1] if n in RATES else MAY_MOVE_WEAK if n in COMPOSITION else MAY_MOVE for n in names])

    def residuals(x: np.ndarray) -> np.ndarray:
        value = {n: start[n] * np.exp(v) for n, v in zip(names, x, strict=True)}
        with_rates({n: value[n] for n in RATES})
        grains = {s: replace(g := grain(s), hydration={t: h * value[s] for t, h in g.hydration.items()}) for s in slugs}
        return np.array(
            [
                np.log(ratio(c, grains[c.slug]) / ((c.low + c.high) / 2)) / (np.log(c.high / c.low) / 2 + 0.05)
                for c in found
            ]
        )

    x = np.zeros(len(names))
    for _ in range(12):
        r = residuals(x)
        jac = np.array([(residuals(x + 1e-4 * e) - r) / 1e-4 for e in np.eye(len(names))]).T
        weight = np.sqrt(1.0 / np.maximum(1.0, np.abs(r) / 2.5))
        a = np.vstack([jac * weight[:, None], np.diag(1 / spread)])
        step = np.linalg.lstsq(a, -np.concatenate([r * weight, x / spread]), rcond=None)[0]
        x += step
        if np.abs(step).max() < 1e-4:
            break
    r = residuals(x)
    for n, v in zip(names, x, strict=True):
        now = start[n] * np.exp(v)
        if n in RATES:
            print(f"{n:18} {RATES[n][0]:g} → {now:.4g}")
        else:
            h = grain(n).hydration_at(grain(n).usual_at)
            print(f"{n:18} × {now:.3f}   usual texture {h:.2f} → {h * now:.2f}")
    inside = sum(
        c.low
        <= round(
            ratio(
                c,
                replace(
                    grain(c.slug),
                    hydration={
                        t: h * start[c.slug] * np.exp(x[names.index(c.slug)])
                        for t, h in grain(c.slug).hydration.items()
                    },
                ),
            ),
            2,
        )
        <= c.high
        for c in found
    )
    print(f"{len(found)} cases, {inside} inside, median {np.median(r):+.2f} half-widths")


if __name__ == "__main__":
    main()
