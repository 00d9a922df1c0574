"""A plan as iCalendar, with an alarm at each task; a week, a day each."""

from __future__ import annotations

from datetime import UTC, date, datetime, timedelta

from ..planning import Plan


def to_ics(plan: Plan, made_at: datetime) -> bytes:
    """One event a task; its alarm rings when it starts, five minutes before for what takes the hands."""
    from icalendar import Alarm, Calendar, Event

    calendar = Calendar()
    calendar.add("prodid", "-//Meal Shift//plan//EN")
    calendar.add("version", "2.0")
    for s in plan.tasks:
        event = Event()
        event.add("uid", f"{_uid(s.task.id)}-{s.start:%Y%m%dT%H%M}@mealshift")
        event.add("dtstamp", made_at)
        event.add("dtstart", _instant(s.start))
        event.add("dtend", _instant(s.end))
        event.add("summary", f"{s.task.dish}: {s.task.what}")
        alarm = Alarm()
        alarm.add("action", "DISPLAY")
        alarm.add("description", s.task.what)
        alarm.add("trigger", timedelta(minutes=-5 if s.task.hands_on else 0))
        event.add_component(alarm)
        calendar.add_component(event)
    return bytes(calendar.to_ical())


def week_to_ics(days: list[tuple[date, str, str, str]], made_at: datetime) -> bytes:
    """One whole day each: (day, dish, what is to know, an id that stays)."""
    from icalendar import Calendar, Event

    calendar = Calendar()
    calendar.add("prodid", "-//Meal Shift//week//EN")
    calendar.add("version", "2.0")
    for on, dish, note, uid in days:
        event = Event()
        event.add("uid", f"{uid}@mealshift")
        event.add("dtstamp", made_at)
        event.add("dtstart", on)
        event.add("dtend", on + timedelta(days=1))
        event.add("summary", dish)
        if note:
            event.add("description", note)
        calendar.add_component(event)
    return bytes(calendar.to_ical())


def _instant(at: datetime) -> datetime:
    """In UTC where the zone is known: right in every calendar, whatever the clocks do that night."""
    return at if at.tzinfo is None else at.astimezone(UTC)


def _uid(text: str) -> str:
    return "".join(c if c.isascii() and c.isalnum() else "-" for c in text.lower())
