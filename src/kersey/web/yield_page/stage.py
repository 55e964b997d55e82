"""Yield: what the fabric makes."""

from kersey.core.measure.counting import counted
from kersey.core.measure.length import format_size
from kersey.core.quilt.standing import Standing
from kersey.web.open_project import OpenProject
from kersey.web.stage import Stage


def _status(opened: OpenProject) -> str:
    kept = opened.project.plan
    if kept is None or opened.news.standing is Standing.NOTHING:
        return "not counted yet"
    if kept.block.makes_one_piece and kept.finished is not None:
        return f"one piece, {format_size(*kept.finished, opened.units)}"
    blocks = counted(kept.possible, kept.block.unit)
    if opened.news.standing is Standing.BEFORE:
        return f"{blocks}, before the change"
    if opened.project.design.even:
        return f"{blocks}, cut alike"
    sure = "proved" if kept.most.proved else f"at most {kept.most.bound}"
    return f"{blocks}, {sure}"


STAGE = Stage("yield", "Yield", "See what it makes", _status)
