"""Choices made while sewing, and readings entered, as changes of a project."""

from dataclasses import replace
from datetime import date, datetime

from kersey.core.project.project import Project
from kersey.core.project.sewing import Evening, Follow, Reading, School, Spell, Work

# A log of a whole quilt is some hundred readings.
MOST_READINGS, MOST_SPELLS = 2000, 1000


def with_reading(project: Project, reading: Reading) -> Project:
    """The project with one reading more."""
    readings = (*project.sewing.readings, reading)[-MOST_READINGS:]
    return replace(project, sewing=replace(project.sewing, readings=readings))


def without_reading(project: Project, place: int) -> Project:
    """The project without a reading, by its place in the log; one that is not there changes
    nothing."""
    readings = project.sewing.readings
    if not 0 <= place < len(readings):
        return project
    kept = (*readings[:place], *readings[place + 1 :])
    return replace(project, sewing=replace(project.sewing, readings=kept))


def following(project: Project, follow: Follow) -> Project:
    """The project with what becomes of blocks and rows that are not as reckoned."""
    return replace(project, sewing=replace(project.sewing, follow=follow))


def pressed_by(project: Project, school: School) -> Project:
    """The project with another school of pressing."""
    return replace(project, sewing=replace(project.sewing, school=school))


def noted(project: Project, words: str, now: datetime) -> Project:
    """The project with what was done last, and when; that it may be found again."""
    return replace(project, sewing=replace(project.sewing, last=words, last_at=now))


def timed(project: Project, work: Work, done: int, now: datetime) -> Project:
    """The clock started for some work of which so much is done, or stopped where it runs."""
    sewing = project.sewing
    running = sewing.running
    if running is None:
        spells = (*sewing.spells, Spell(work, now, done))
    else:
        ended = replace(running, end=max(now, running.begin), after=done)
        spells = (*sewing.spells[:-1], ended)
    return replace(project, sewing=replace(sewing, spells=spells[-MOST_SPELLS:]))


def with_evenings(
    project: Project, evenings: tuple[Evening, ...], ready_by: date | None, stretch: int
) -> Project:
    """The project with the time one has, the day it is to be ready by, and after how many minutes
    one stands up."""
    sewing = replace(project.sewing, evenings=evenings, ready_by=ready_by, stretch=stretch)
    return replace(project, sewing=sewing)


def in_batches(project: Project, batch: int, note: str) -> Project:
    """The project sewn so many blocks at a time, with a person's own note."""
    return replace(project, sewing=replace(project.sewing, batch=batch, note=note))
