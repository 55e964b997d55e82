"""A plan that came from elsewhere: judged by the checkers, and by what is read of it, before it is
taken."""

from dataclasses import replace

from kersey.core.cutting.checker import faults
from kersey.core.errors import Infeasible, KerseyError
from kersey.core.kits.kit_checker import kit_faults
from kersey.core.measure.length import Units
from kersey.core.planning.asking import kept_most
from kersey.core.project.kept_plan import KeptPlan
from kersey.core.project.project import Project
from kersey.core.project.question import yield_asked
from kersey.core.quilt.quilt import make_quilt
from kersey.core.work.work_order import work_order

# What reading a plan can come to that was damaged; none of it is looked for one by one.
_DAMAGE = (KerseyError, ArithmeticError, AssertionError, AttributeError, LookupError, TypeError)


def with_sound_plan(project: Project) -> Project:
    """The project with its plan, or without it where the plan cannot be trusted."""
    kept = project.plan
    sound = kept is None or (_adds_up(kept) and _can_be_read(project))
    return project if sound else replace(project, plan=None)


def _adds_up(kept: KeptPlan) -> bool:
    """Whether its cutting is free of faults, its kits are cut by it and its places are theirs."""
    try:
        keyed = len(kept.keys) == len(kept.cutting.problem.fabrics) and kept.seam > 0
        numbers = [place for place in kept.places if place is not None]
        dealt = len(numbers) == len(set(numbers)) and all(
            n in range(len(kept.kits)) for n in numbers
        )
        grid = kept.grid is None or kept.grid.blocks == len(kept.places)
        laid = kept.laying is None or len(kept.laying.turns) == len(kept.places)
        cut = not faults(kept.cutting) and not faults(kept.most)
        return keyed and dealt and grid and laid and cut and not kit_faults(kept.cutting, kept.kits)
    except (*_DAMAGE, ValueError):
        return False


def _can_be_read(project: Project) -> bool:
    """Whether the quilt and the steps for it follow from it; that there is none is no fault."""
    try:
        kept_most(project, yield_asked(project))
        quilt = make_quilt(project, Units.INCHES)
        for kit in quilt.kept.kits:
            quilt.patch_prints(kit)
        return all(placed.kit in range(len(quilt.kept.kits)) for placed in quilt.placed) and bool(
            work_order(quilt)
        )
    except Infeasible:
        return True
    except (*_DAMAGE, ValueError):
        return False
