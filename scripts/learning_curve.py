"""Draws docs/learning-curve.svg: the errors of pour and minutes in simulated kitchens, with fixed seeds, beside the untaught engine."""

from __future__ import annotations

import sys
from pathlib import Path

ROOT = Path(__file__).parents[1]
sys.path.insert(0, str(ROOT))
KITCHENS, MEALS = 60, 40
W, H, LEFT, FLOOR, TOP = 720, 320, 54, 262, 24


def main() -> None:
    from tests.core.simulated_kitchens import curves

    real, plain = curves(KITCHENS, MEALS, 1.0), curves(KITCHENS, MEALS, 0.0)
    lines = [
        ("pour, taught", "#0a6e7c", "3", "", [m[0] for m in real]),
        ("pour, untaught", "#0a6e7c", "1.5", "3 4", [m[1] for m in real]),
        ("minutes, taught", "#18221f", "3", "", [m[2] for m in real]),
        ("minutes, untaught", "#18221f", "1.5", "3 4", [m[3] for m in real]),
        ("pour where there is nothing to learn", "#b4371e", "2", "", [m[0] for m in plain]),
    ]
    top = 0.10

    def x(n: int) -> float:
        return LEFT + (W - LEFT - 20) * n / (MEALS - 1)

    def y(v: float) -> float:
        return FLOOR - (FLOOR - TOP) * v / top

    out = [
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {W} {H}" font-family="sans-serif" font-size="13">',
        f'<rect width="{W}" height="{H}" fill="#fbfcfa"/>',
    ]
    for share in (0, 0.02, 0.04, 0.06, 0.08, 0.10):
        out.append(f'<path d="M{LEFT} {y(share):.1f}H{W - 20}" stroke="#c9d2cb"/>')
        out.append(f'<text x="{LEFT - 8}" y="{y(share) + 4:.1f}" text-anchor="end" fill="#56635e">{share:.0%}</text>')
    for n in (0, 9, 19, 29, 39):
        out.append(f'<text x="{x(n):.1f}" y="{FLOOR + 18}" text-anchor="middle" fill="#56635e">{n + 1}</text>')
    out.append(f'<text x="{W - 20}" y="{FLOOR + 34}" text-anchor="end" fill="#56635e">meals</text>')
    for i, (name, hue, width, dash, values) in enumerate(lines):
        path = "".join(f"{'L' if n else 'M'}{x(n):.1f} {y(min(v, top)):.1f}" for n, v in enumerate(values))
        out.append(f'<path d="{path}" fill="none" stroke="{hue}" stroke-width="{width}" stroke-dasharray="{dash}"/>')
        key = LEFT + 8 + (i % 2) * 190 + (i // 2) * 0
        row = H - 30 + (i // 2) * 12
        out.append(f'<path d="M{key} {row - 4}h22" stroke="{hue}" stroke-width="{width}" stroke-dasharray="{dash}"/>')
        out.append(f'<text x="{key + 28}" y="{row}" font-size="11" fill="#18221f">{name}</text>')
    out.append("</svg>")
    (ROOT / "docs" / "learning-curve.svg").write_text("\n".join(out) + "\n", encoding="utf-8")
    for a, b in ((0, 5), (5, 10), (10, 20), (20, 30), (30, 40)):
        row = [sum(m[k] for m in real[a:b]) / (b - a) for k in range(4)]
        nothing = [sum(m[k] for m in plain[a:b]) / (b - a) for k in (0, 2)]
        print(
            f"meals {a + 1:2}–{b:2}: pour {row[0]:.1%} of {row[1]:.1%}, minutes {row[2]:.1%} of {row[3]:.1%}; nothing to learn {nothing[0]:.1%}, {nothing[1]:.1%}"
        )


if __name__ == "__main__":
    main()
