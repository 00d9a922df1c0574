"""What the cook got wrong is data; what stops the work altogether is a Refusal that carries it."""

from __future__ import annotations

from dataclasses import dataclass

from .results import ProblemRow, Severity


@dataclass(frozen=True, slots=True)
class Problem:
    """One thing to tell the cook.

    code: stable word for programs. where: the text or field it is about ("" = the whole recipe).
    text: one sentence that says what is wrong and what to do. severity: "stop", "ask" or "note".
    """

    code: str
    where: str
    text: str
    severity: Severity = "ask"

    def as_dict(self) -> ProblemRow:
        return {"code": self.code, "where": self.where, "text": self.text, "severity": self.severity}


class Refusal(Exception):  # noqa: N818 - it is not a fault of the program
    """The work cannot go on until the cook changes something; `problem` says what."""

    def __init__(self, code: str, where: str, text: str) -> None:
        super().__init__(text)
        self.problem = Problem(code, where, text, "stop")
