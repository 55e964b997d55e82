"""A border that was to be cut of what is left, narrower, where less is left than was thought."""

from collections.abc import Iterator
from dataclasses import replace
from fractions import Fraction

from kersey.core.measure.length import Units
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Quilt, Source, make_quilt

# Narrower, a border is no border but an edge.
_STEP, _NARROWEST = Fraction(1, 4), Fraction(1)


def narrower_border(
    before: Quilt, project: Project, units: Units
) -> tuple[Project, Fraction] | None:
    """The project with the widest border that what is left is enough for, and its finished width in
    inches; None where the border is cut as before, or none would do."""
    if before.border is None or before.border_cloth.source is not Source.LEFT:
        return None
    if make_quilt(project, units).border_cloth.source is Source.LEFT:
        return None
    for width in _narrower(before.border.finished_width):
        narrow = _with_border(project, width)
        if make_quilt(narrow, units).border_cloth.source is Source.LEFT:
            return narrow, width
    return None


def _narrower(width: Fraction) -> Iterator[Fraction]:
    step = (width - _STEP) // _STEP * _STEP
    while step >= _NARROWEST:
        yield step
        step -= _STEP


def _with_border(project: Project, width: Fraction) -> Project:
    kept = project.plan
    assert kept is not None
    grid = kept.grid and replace(kept.grid, border_width=width)
    return replace(
        project,
        design=replace(project.design, border_width=width),
        plan=replace(kept, grid=grid),
    )
