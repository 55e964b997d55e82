"""A border that was to be cut of what is left, narrower, where less is left than was thought."""

from collections.abc import Iterator
from dataclasses import replace
from fractions import Fraction

from kersey.core.frame.part import PartKind
from kersey.core.measure.length import Units
from kersey.core.project.project import Project
from kersey.core.quilt.parts import Source
from kersey.core.quilt.quilt import Quilt, make_quilt

# Narrower, a border is no border but an edge.
_STEP, _NARROWEST = Fraction(1, 4), Fraction(1)


def narrower_border(
    before: Quilt, project: Project, units: Units
) -> tuple[Project, Fraction] | None:
    """The project with the widest border that what is left is enough for, and its finished width in
    inches; None where the border is cut as before, or none would do."""
    if not _of_left(before) or _of_left(make_quilt(project, units)):
        return None
    for width in _narrower(before.borders[0].finished_width):
        narrow = _with_border(project, width)
        if _of_left(make_quilt(narrow, units)):
            return narrow, width
    return None


def _of_left(quilt: Quilt) -> bool:
    border = quilt.part(PartKind.BORDER, 1)
    return border is not None and border.cloth.source is Source.LEFT


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
        project, design=replace(project.design, border_width=width), plan=replace(kept, grid=grid)
    )
