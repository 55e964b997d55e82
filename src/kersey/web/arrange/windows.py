"""Windows: a block in every second place and a plain square between, by one touch.

It is a choice of the size, and stands on Size too; the blocks that stay keep their places.
"""

from dataclasses import replace
from fractions import Fraction

from kersey.core.errors import KerseyError
from kersey.core.frame.part import PartKind
from kersey.core.frame.setting import Setting
from kersey.core.measure.counting import counted
from kersey.core.measure.length import format_bought
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.web.open_project import settled

KEY = "windows"


def with_windows(project: Project) -> Project:
    """The project with plain squares in every second place; or without them, if it has them."""
    assert project.plan is not None
    assert project.plan.grid is not None
    grid, there = project.plan.grid, project.design.setting is Setting.ALTERNATE
    setting = Setting.STRAIGHT if there else Setting.ALTERNATE
    design = replace(project.design, setting=setting, rows=grid.rows, columns=grid.columns)
    return replace(project, design=design)


def has_windows(quilt: Quilt) -> bool:
    """Whether plain squares lie between the blocks."""
    return quilt.grid.setting is Setting.ALTERNATE


def seen_with_windows(quilt: Quilt) -> Quilt | None:
    """The quilt as it would be; None where it cannot be set so."""
    if quilt.kept.block.makes_one_piece or quilt.grid.setting is Setting.ON_POINT:
        return None
    try:
        changed = settled(quilt.project, with_windows(quilt.project), quilt.units)
        return make_quilt(changed, quilt.units)
    except KerseyError:
        return None


def what_it_costs(quilt: Quilt, otherwise: Quilt) -> str:
    """What windows would take and leave, and what rows and columns would suit them."""
    more = otherwise.grid.blocks - quilt.grid.blocks
    if has_windows(quilt):
        return f"needs {counted(more, 'more block')}"
    plain = otherwise.part(PartKind.SETTING)
    cloth = format_bought(plain.takes if plain else Fraction(0), quilt.units)
    costs = f"leaves {counted(-more, 'block')}, needs {cloth} of plain fabric"
    rows, columns = quilt.grid.rows, quilt.grid.columns
    if rows % 2 and columns % 2:
        return costs
    odd = f"{columns + 1 - columns % 2} × {rows + 1 - rows % 2}"
    return f"{costs}; {odd} looks balanced"
