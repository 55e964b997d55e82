"""Choices made while sewing, and readings entered, as changes of a project."""

from dataclasses import replace

from kersey.core.project.project import Project
from kersey.core.project.sewing import Follow, Reading, School

# A log of a whole quilt is some hundred readings.
MOST_READINGS = 2000


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


def in_batches(project: Project, batch: int, note: str) -> Project:
    """The project sewn so many blocks at a time, with a person's own note."""
    return replace(project, sewing=replace(project.sewing, batch=batch, note=note))
