"""Size: rows and columns, frame and finish."""

from kersey.core.measure.counting import counted
from kersey.core.measure.length import format_size
from kersey.web.open_project import OpenProject
from kersey.web.stage import Stage
from kersey.web.workroom import Reckoned


def _status(opened: OpenProject) -> str:
    quilt = opened.quilt
    if quilt is None:
        return ""
    if quilt.blocks_short:
        return f"{counted(quilt.blocks_short, 'block')} short"
    size = format_size(quilt.size.width, quilt.size.length, quilt.units)
    if not quilt.project.design.size_chosen:
        return f"suggested: {size}"
    return f"{quilt.size.columns} × {quilt.size.rows}, {size}"


def _waits(known: Reckoned) -> bool:
    return not known.project.design.size_chosen


def _falls_short(opened: OpenProject) -> bool:
    return opened.quilt is not None and opened.quilt.blocks_short > 0


STAGE = Stage("size", "Size", "Choose a size", _status, _waits, _falls_short)
