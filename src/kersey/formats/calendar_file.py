"""A schedule as a calendar file (.ics): one event an evening, known by its day, so that a calendar
that reads the file again changes the events in their places."""

from datetime import datetime, timedelta

from icalendar import Calendar, Event

from kersey.core.sewing.schedule import Schedule, Sitting

_BEGINS = 19, 30


def calendar_file(
    schedule: Schedule, name: str, project_id: int, revision: int, now: datetime
) -> bytes:
    """The file; its times are those of whoever reads it."""
    calendar = Calendar()
    calendar.add("prodid", "-//Kersey//Sewing evenings//EN")
    calendar.add("version", "2.0")
    calendar.add("method", "PUBLISH")
    calendar.add("x-wr-calname", f"Sewing: {name}")
    for sitting in schedule.sittings:
        calendar.add_component(_event(sitting, name, project_id, revision, now))
    return bytes(calendar.to_ical())


def _event(sitting: Sitting, name: str, project_id: int, revision: int, now: datetime) -> Event:
    event = Event()
    begin = datetime(sitting.day.year, sitting.day.month, sitting.day.day, *_BEGINS)
    spent = sum(minutes for _, minutes in sitting.doing)
    event.add("uid", f"project-{project_id}-{sitting.day.isoformat()}@kersey")
    event.add("dtstamp", now)
    event.add("sequence", revision)
    event.add("dtstart", begin)
    event.add("dtend", begin + timedelta(minutes=spent))
    event.add("summary", f"{name}: {', '.join(work.value for work, _ in sitting.doing)}")
    event.add("description", "\n".join(f"{work.value}: {m} min" for work, m in sitting.doing))
    return event
