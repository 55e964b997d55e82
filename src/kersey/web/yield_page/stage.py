"""Yield: what the fabric makes."""

from kersey.core.cutting.problem import CuttingPlan
from kersey.core.measure.counting import counted
from kersey.core.measure.length import format_size
from kersey.core.planning.standing import Standing
from kersey.core.project.project import Project
from kersey.web.open_project import OpenProject
from kersey.web.stage import Stage


def _status(opened: OpenProject) -> str:
    kept = opened.project.plan
    if kept is None or opened.news.standing is Standing.NOTHING:
        return "not worked out yet"
    if kept.block.makes_one_piece and kept.finished is not None:
        return f"one piece, {format_size(*kept.finished, opened.units)}"
    if opened.news.standing is Standing.BEFORE:
        return f"{counted(kept.possible, kept.block.unit)}, out of date"
    alike = opened.project.design.even
    return how_many(opened.project, kept.most, kept.possible, kept.block.unit, alike)


def how_many(project: Project, most: CuttingPlan, blocks: int, unit: str, alike: bool) -> str:
    """How many blocks there are, and how sure that is."""
    if not blocks and most.bound:
        return f"none found yet; up to {most.bound} may be possible"
    if project.is_estimated:
        sure = "estimated"
    elif alike:
        sure = "all cut the same way"
    else:
        sure = "proved" if most.proved else f"best so far; {most.bound} at most"
    return f"{counted(blocks, unit)}, {sure}"


STAGE = Stage("yield", "Yield", "See what it makes", _status)
