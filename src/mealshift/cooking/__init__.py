"""The events of one cooking: a plan as a script, events folded into its state, what to do when it goes wrong, simulated devices."""

from .alone import touches
from .fold import Event, State, check, fold, is_locked, is_over, pot_run, serving
from .record import predicted, records
from .report import report, the_recipes
from .rescue import WRONGS, Answer, rescue
from .script import Script, Step, pots_of, script_from, script_of

__all__ = [
    "WRONGS",
    "Answer",
    "Event",
    "Script",
    "State",
    "Step",
    "check",
    "fold",
    "is_locked",
    "is_over",
    "pot_run",
    "pots_of",
    "predicted",
    "records",
    "report",
    "rescue",
    "script_from",
    "script_of",
    "serving",
    "the_recipes",
    "touches",
]
