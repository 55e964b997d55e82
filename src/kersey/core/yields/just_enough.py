"""A plan for just so many blocks: the fewest fabrics opened, then the largest pieces left over.

opened   a piece of fabric that is cut at all

Fabrics of few sorts are taken away piece by piece, sort after sort, as long as the blocks can
still be had. Of many different ones the largest are opened first: as few of them as will do. What
is left of the opened ones then lies in whole strips, for pieces that nobody needs are not cut.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric
from kersey.core.cutting.solver import Sought
from kersey.core.cutting.watch import Watch
from kersey.core.yields.even_plan import even_plan
from kersey.core.yields.report import checked_plan, on_all_fabric, sorts_of, without

# Seconds for each trial, and for all of them.
A_TRIAL, ALL_TRIALS = 0.7, 12.0
# Of so many sorts each is thinned out by itself.
_FEW_SORTS = 6
# So many pieces more of a sort are tried to mend what is short.
_MOST_MORE = 60


@dataclass(frozen=True)
class Mend:
    """So many pieces more like this fabric would make the blocks that are wanted."""

    fabric: Fabric
    pieces: int


def just_enough(most: CuttingPlan, blocks: int, even: bool = False) -> CuttingPlan:
    """A plan for so many blocks, of those that a plan for the most gives.

    Raises `FaultyPlan`. `even`: every fabric is cut alike, as far as so many blocks can be had so.
    """
    blocks = min(blocks, most.blocks)
    if even:
        found = even_plan(most, Watch(ALL_TRIALS / 3), blocks)
        if found is not None and found.plan.blocks >= blocks:
            return replace(found.plan, bound=max(found.plan.blocks, most.bound))
    return _Thinner(most, blocks).thinned()


def mends(most: CuttingPlan, wanted: int) -> tuple[Mend, ...]:
    """What would make more blocks than there are: of one sort alone, whichever would do.

    Each is a real search, the smallest number of pieces first found to be enough.
    """
    watch = Watch(ALL_TRIALS)
    found = []
    for fabrics in list(sorts_of(most.problem).values())[:_FEW_SORTS]:
        pieces = _enough_more(most.problem, fabrics[0], wanted, watch)
        if pieces:
            found.append(Mend(fabrics[0], pieces))
    return tuple(sorted(found, key=lambda mend: mend.pieces))


def _enough_more(problem: CuttingProblem, fabric: Fabric, wanted: int, watch: Watch) -> int:
    """How many pieces more are enough; 0 where none of those tried are."""
    low, high = 1, _MOST_MORE
    if _with_more(problem, fabric, high, wanted, watch) < wanted:
        return 0
    while low < high:
        middle = (low + high) // 2
        if _with_more(problem, fabric, middle, wanted, watch) >= wanted:
            high = middle
        else:
            low = middle + 1
    return high


def _with_more(
    problem: CuttingProblem, fabric: Fabric, pieces: int, wanted: int, watch: Watch
) -> int:
    """Blocks with so many pieces more, each of a print of its own, so that no rule stands in the
    way."""
    more = tuple(
        replace(fabric, name=f"{fabric.name} more {n}", print=f"{fabric.print} more {n}", count=1)
        for n in range(pieces)
    )
    if watch.left <= 0:
        return 0
    trial = Watch(A_TRIAL)
    with_them = replace(problem, fabrics=(*problem.fabrics, *more))
    plan = checked_plan(with_them, trial, Sought(wanted - 1, wanted))
    watch.spend(trial.spent)
    return plan.blocks


class _Thinner:
    """Takes fabric away while the blocks can still be had."""

    def __init__(self, most: CuttingPlan, blocks: int) -> None:
        self._whole, self._blocks = most, blocks
        self._watch = Watch(ALL_TRIALS)
        self._best = most

    def thinned(self) -> CuttingPlan:
        """The plan that opens least of what was tried."""
        sorts = sorts_of(self._whole.problem)
        if self._blocks < self._whole.blocks:
            self._try(self._whole.problem)
        if len(sorts) <= _FEW_SORTS:
            for fabrics in sorts.values():
                self._thin_out(fabrics)
        else:
            by_roles: dict[object, list[Fabric]] = {}
            for fabrics in sorts.values():
                by_roles.setdefault(fabrics[0].roles, []).extend(fabrics)
            for fabrics in by_roles.values():
                self._open_the_largest(fabrics)
        return self._as_wanted()

    def _thin_out(self, fabrics: Sequence[Fabric]) -> None:
        """As many pieces of a sort as can be spared, from the print that has most."""
        least, most = 0, sum(fabric.count for fabric in fabrics)
        problem = self._best.problem
        while least < most:
            middle = (least + most + 1) // 2
            if self._try(without(problem, fabrics, middle)):
                least = middle
            else:
                most = middle - 1

    def _open_the_largest(self, fabrics: Sequence[Fabric]) -> None:
        """Only the largest of these, as few as will do."""
        largest = sorted(fabrics, key=lambda f: (-f.width * f.length, f.name))
        problem = self._best.problem
        least, most = 0, len(largest)
        while least < most:
            middle = (least + most) // 2
            closed = {fabric.name for fabric in largest[middle:]}
            kept = tuple(f for f in problem.fabrics if f.name not in closed)
            if self._try(replace(problem, fabrics=kept) if kept else None):
                most = middle
            else:
                least = middle + 1

    def _try(self, problem: CuttingProblem | None) -> bool:
        """Whether the blocks can be had of it; then it is the best so far."""
        if problem is None or self._watch.left <= 0:
            return False
        trial = Watch(A_TRIAL)
        found = checked_plan(problem, trial, Sought(self._blocks - 1, self._blocks))
        self._watch.spend(trial.spent)
        if found.blocks < self._blocks:
            return False
        self._best = found
        return True

    def _as_wanted(self) -> CuttingPlan:
        """The best plan with no more blocks than are wanted, as cuts of all there is."""
        problem = self._whole.problem
        return CuttingPlan(
            problem,
            self._blocks,
            max(self._blocks, self._whole.bound),
            on_all_fabric(problem, self._best),
        )
