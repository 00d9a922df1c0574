"""Which lines of the text are the title, the servings, the ingredients and the steps.

Headings are used where there are any; else a line is judged by its own shape. A line that fits nothing
becomes a note: it is kept and shown, never lost.
"""

from __future__ import annotations

import re
from dataclasses import dataclass, field

from ..measures import RANGE_PATTERN, UNIT_PATTERN
from ..recipe import Span
from .words import word_list

_ING = re.compile(
    r"^(?:the\s+)?(?:ingredients?|you(?:'ll| will)? need|what you(?:'ll)? need|what goes in)\b[^.]{0,30}$", re.I
)
_STEPS = re.compile(
    r"^(?:the\s+)?(?:method|directions?|instructions?|steps?|preparation|how to .{0,30}|what to do|to cook)\s*:?$", re.I
)
_NOTES = re.compile(r"^(?:notes?|tips?|to store|storage|variations?)\s*:?$", re.I)
_SECTION = re.compile(r"^(?:(?:for|to make)\s+(?:the\s+)?[^.,;\d]{2,40}|and|also|plus|to (?:serve|finish)):?$", re.I)
_SERVES = re.compile(
    r"\b(?:serves|serving|feeds|makes|yields?|servings)\b\s*:?\s*(?:about\s+)?(?P<a>\d+)"
    r"|\b(?:for\s+)?(?P<b>\d+)\s+(?:servings?|portions?|people|persons)\b",
    re.I,
)
_META = re.compile(r"^(?:prep(?:aration)?|cook(?:ing)?|total|ready|active)(?:\s+(?:time|in))?\s*:?\s*\d", re.I)
_BULLET = re.compile(r"^\s*(?:[-*•·–‣◦▪]\s+|\[\s?\]\s*)")
_NUMBERED = re.compile(r"^\s*(?:step\s+)?(\d{1,2})\s*[.):]\s+(?=\D)", re.I)
_AMOUNT_FIRST = re.compile(rf"^(?:about\s+|roughly\s+)?{RANGE_PATTERN}", re.I)
_UNIT_SOON = re.compile(rf"^{RANGE_PATTERN}\s*(?:x\s*\d+\s*)?(?:{UNIT_PATTERN})\b", re.I)
_NAME_FIRST = re.compile(rf"^[^:.;]{{2,40}}(?::|\s[-–—])\s*(?:about\s+|roughly\s+)?{RANGE_PATTERN}", re.I)
VERBS = word_list("verbs")


@dataclass(slots=True)
class Piece:
    """One line or step of the text with its place and the heading it stands under."""

    text: str
    span: Span
    section: str = ""


@dataclass(slots=True)
class Layout:
    title: Piece | None = None
    servings: tuple[float, Span] | None = None
    lines: list[Piece] = field(default_factory=list)
    steps: list[Piece] = field(default_factory=list)
    notes: list[Piece] = field(default_factory=list)
    # lines that only order the text: headings, sections, servings
    headings: list[Piece] = field(default_factory=list)


def lay_out(text: str) -> Layout:
    out = Layout()
    mode, section, offset = "", "", 0
    after_blank = True
    for raw in text.split("\n"):
        start = offset
        offset += len(raw) + 1
        line = raw.strip()
        if not line:
            after_blank = True
            continue
        lead = start + len(raw) - len(raw.lstrip())
        bare = re.sub(r"^#{1,6}\s*|^\*\*|\*\*:?$|^__|__$", "", line).strip().rstrip(":").strip()
        at = lead + max(0, line.find(bare))
        heading = line.startswith(("#", "**"))
        piece = Piece(bare, Span(at, at + len(bare)), section)
        blank, after_blank = after_blank, False

        if _ING.match(bare):
            mode, section = "lines", ""
            out.headings.append(piece)
        elif _STEPS.match(bare):
            mode, section = "steps", ""
            out.headings.append(piece)
        elif _NOTES.match(bare):
            mode, section = "notes", ""
            out.headings.append(piece)
        elif (
            out.title is None
            and (heading or not _looks_like_line(line))
            and not _SERVES.match(bare)
            and len(bare) < 120
        ):
            _note_servings(out, bare, at)
            shown = re.sub(r"\s*[(,–-]\s*(?:serves|feeds|for|makes)\s+\d+[^)]*\)?$", "", bare, flags=re.I) or bare
            out.title = Piece(shown, Span(at, at + len(shown)))
            mode = ""
        elif out.servings is None and len(bare) < 60 and _SERVES.search(bare) and mode != "steps":
            _note_servings(out, bare, at)
            out.headings.append(piece)
        elif _META.match(bare) and len(bare) < 60:
            out.notes.append(piece)
        elif (heading or _SECTION.match(bare) or (line.endswith(":") and len(bare.split()) <= 6)) and not _BULLET.match(
            line
        ):
            section = bare
            out.headings.append(piece)
        else:
            mode = _place(out, line, lead, section, mode, blank)
    return out


def _note_servings(out: Layout, text: str, at: int) -> None:
    if m := _SERVES.search(text):
        out.servings = (float(m["a"] or m["b"]), Span(at + m.start(), at + m.end()))


def _looks_like_line(line: str) -> bool:
    bare = _BULLET.sub("", line)
    return bool(
        _BULLET.match(line)
        or _UNIT_SOON.match(bare)
        or _NAME_FIRST.match(bare)
        or (_AMOUNT_FIRST.match(bare) and re.match(r"^[\d½¼¾⅓⅔]", bare) and len(bare) < 60)
    )


def _place(out: Layout, line: str, lead: int, section: str, mode: str, blank: bool) -> str:
    numbered, bullet = _NUMBERED.match(line), _BULLET.match(line)
    cut = numbered.end() if numbered else bullet.end() if bullet else 0
    body = line[cut:].strip()
    at = lead + line.find(body, cut) if body else lead
    piece = Piece(body, Span(at, at + len(body)), section)
    if not body:
        return mode
    if mode == "lines" or mode == "notes":
        (out.lines if mode == "lines" else out.notes).append(piece)
        return mode
    if mode == "steps":
        _add_step(out, piece, bool(numbered or bullet), blank)
        return mode
    # no heading yet: by shape
    first = re.match(r"[^\W\d]+", body)
    verb = bool(first and first[0].lower() in VERBS)
    words = len(body.split())
    if numbered and not (words <= 4 and not verb):
        _add_step(out, piece, True, blank)
    elif verb and words > 2:
        _add_step(out, piece, bool(bullet), blank)
    elif _looks_like_line(line) and words < 22 or (not out.steps and words <= 7 and not body.endswith(".")):
        out.lines.append(piece)
    elif out.steps or (out.lines and words > 7):
        _add_step(out, piece, False, blank)
    else:
        out.notes.append(piece)
    return mode


def _add_step(out: Layout, piece: Piece, marked: bool, blank: bool) -> None:
    """A wrapped line goes on the step before it; spans stay true because a newline and a space are one letter each."""
    if out.steps and not marked and not blank:
        before = out.steps[-1]
        goes_on = piece.text[:1].islower() or before.text[-1:] not in ".!?:)"
        if goes_on and before.section == piece.section:
            gap = piece.span.start - before.span.end
            before.text += " " * gap + piece.text
            before.span = Span(before.span.start, piece.span.end)
            return
    out.steps.append(piece)
