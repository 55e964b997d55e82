"""Yield: what the fabric makes."""

from kersey.core.measure.counting import counted
from kersey.core.measure.length import format_size
from kersey.core.planning.standing import Standing
from kersey.web.open_project import OpenProject
from kersey.web.stage import Stage


def _status(opened: OpenProject) -> str:
    kept = opened.project.plan
    if kept is None or opened.news.standing is Standing.NOTHING:
        return "not worked out yet"
    if kept.block.makes_one_piece and kept.finished is not None:
        return f"one piece, {format_size(*kept.finished, opened.units)}"
    blocks = counted(kept.possible, kept.block.unit)
    if opened.news.standing is Standing.BEFORE:
        return f"{blocks}, out of date"
    if opened.project.design.even:
        return f"{blocks}, all cut the same way"
    sure = "proved" if kept.most.proved else f"best so far; {kept.most.bound} at most"
    return f"{blocks}, {sure}"


STAGE = Stage("yield", "Yield", "See what it makes", _status)
