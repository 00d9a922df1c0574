"""From shifts and a serving time to a schedule: tasks with hands, burners and oven, worked back from the plate."""

from .schedule import Plan, Scheduled, make_plan
from .tasks import Task, tasks_of

__all__ = ["Plan", "Scheduled", "Task", "make_plan", "tasks_of"]
