"""A quilt for a bed or a lap, whatever blocks there are: rows and columns that come nearest to it.

The other way round than the best size: first what is to be covered, then how many blocks that
takes. What is lacking is then a shopping list.
"""

from dataclasses import replace
from fractions import Fraction

from kersey.core.frame.purposes import LARGEST_SIDE, Wish
from kersey.core.frame.setting import BlockGrid, suiting
from kersey.core.frame.size_search import MOST_ROWS, SizeQuestion, size_option
from kersey.core.measure.length import Units
from kersey.core.planning.plan_question import regridded
from kersey.core.project.project import Project


def enough_for(project: Project, wish: Wish, units: Units) -> Project:
    """The project in the size nearest to a wish, its border as chosen or as suits; needs a plan.

    Places without a block stay empty.
    """
    design, kept = project.design, project.plan
    assert kept is not None
    assert kept.finished is not None
    setting, block = suiting(design.setting, kept.finished), kept.finished
    most_width = max(purpose.most_width for purpose in wish.purposes(units))
    most_length = max(purpose.most_length for purpose in wish.purposes(units))
    best: tuple[float, int, int] | None = None
    for columns in range(1, MOST_ROWS + 1):
        for rows in range(1, MOST_ROWS + 1):
            grid = BlockGrid(rows, columns, setting)
            width, length = grid.body(block, design.parted_by)
            if width > most_width + block[0] or length > most_length + block[1]:
                break
            if max(width, length) > LARGEST_SIDE:
                break
            question = SizeQuestion(
                block,
                grid.blocks,
                wish,
                design.border_width,
                units,
                design.parted_by,
                sum(design.outer_borders, Fraction(0)),
                design.edge_adds,
                setting,
            )
            found = size_option(question, rows, columns).cost, columns, rows
            best = min(best, found) if best else found
    assert best is not None
    _, columns, rows = best
    sized = replace(design, wish=wish, columns=columns, rows=rows)
    return regridded(replace(project, design=sized), units)
