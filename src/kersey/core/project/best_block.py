"""The block that suits a fabric best: the one a quilt opens on until somebody chooses.

Every block is asked for the most it can be cut from the fabric, without its print rules and only as
long as takes no wait; the one that turns most of the cloth into blocks wins. A block that uses
nearly all of it is not given up for one that uses a little more: blocks are tried in the order in
which people try them.
"""

from collections.abc import Iterable
from dataclasses import replace
from fractions import Fraction

from kersey.core.blocks.catalogue import as_tried
from kersey.core.blocks.choice import BlockChoice
from kersey.core.cutting.problem import CuttingProblem
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch
from kersey.core.errors import KerseyError
from kersey.core.project.project import Project
from kersey.core.project.question import yield_asked

# Seconds for one block.
_A_BLOCK = 0.15
# Using this share of the cloth is as good as any.
_GOOD = Fraction(3, 4)
# More fabrics than this are not searched before the page opens.
_MOST_FABRICS = 400


def best_block(project: Project) -> BlockChoice:
    """The block that uses most of what is pulled; the project's own if none can be cut."""
    best, share = project.design.block, Fraction(0)
    if len(project.fabrics) > _MOST_FABRICS:
        project = replace(project, fabrics=project.fabrics[:_MOST_FABRICS])
    for block in (BlockChoice(recipe.id) for recipe in as_tried()):
        known = block.known
        if known is not None and known.whole and (share or not (known.strings or known.crumbs)):
            # One piece of everything is for those who choose it, and for what makes no block.
            continue
        found = _used(replace(project, design=replace(project.design, block=block)))
        if found > share:
            best, share = block, found
        if share >= _GOOD:
            break
    return best


def _used(project: Project) -> Fraction:
    """The share of the cloth that becomes blocks."""
    try:
        problem = replace(yield_asked(project).problem, rules=())
        plan = solve(problem, Watch(_A_BLOCK))
    except KerseyError:
        return Fraction(0)
    if problem.tally:
        return Fraction(plan.blocks > 0)
    return plan.blocks * _block_area(problem) / _area(problem)


def _block_area(problem: CuttingProblem) -> Fraction:
    batch = _sum(need.width * need.height * need.count for need in problem.needs)
    return batch / problem.batch


def _area(problem: CuttingProblem) -> Fraction:
    return _sum(fabric.width * fabric.length * fabric.count for fabric in problem.fabrics)


def _sum(areas: Iterable[Fraction]) -> Fraction:
    return sum(areas, Fraction(0))
