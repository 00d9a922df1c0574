"""From shifts and a serving time to a schedule: tasks with hands, burners and oven, worked back from the plate."""

from .dinner import Dinner, Dish, WayOut, plan_dinner
from .schedule import Plan, Scheduled, make_plan
from .tasks import Task, tasks_of

__all__ = ["Dinner", "Dish", "Plan", "Scheduled", "Task", "WayOut", "make_plan", "plan_dinner", "tasks_of"]
