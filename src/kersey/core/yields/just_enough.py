"""A plan for just so many blocks: the fewest fabrics opened, then the largest pieces left over.

opened   a piece of fabric that is cut at all

Where fabrics have turns, those whose turn comes later stay closed as long as the blocks can still
be had; of those that must be opened after all, only what the earlier ones do not give is cut.
Fabrics of few sorts are taken away piece by piece, sort after sort, as long as the blocks can
still be had. Of many different ones the largest are opened first: as few of them as will do. What
is left of the opened ones then lies in whole strips, for pieces that nobody needs are not cut.
"""

from collections import Counter
from collections.abc import Collection, Iterable, Mapping, Sequence
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


def just_enough(
    most: CuttingPlan, blocks: int, even: bool = False, turns: Mapping[str, int] | None = None
) -> CuttingPlan:
    """A plan for so many blocks, of those that a plan for the most gives.

    Raises `FaultyPlan`. `even`: every fabric is cut alike, as far as so many blocks can be had so.
    `turns`: in which turn each fabric is opened, by its name, 0 first.
    """
    blocks = min(blocks, most.blocks)
    if even:
        found = even_plan(most, Watch(ALL_TRIALS / 3), blocks)
        if found is not None and found.plan.blocks >= blocks:
            return replace(found.plan, bound=max(found.plan.blocks, most.bound))
    return _Thinner(most, blocks, turns or {}).thinned()


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


def _but(problem: CuttingProblem, closed: Collection[str]) -> CuttingProblem | None:
    """The question without these fabrics; None when nothing is left."""
    kept = tuple(fabric for fabric in problem.fabrics if fabric.name not in closed)
    return replace(problem, fabrics=kept) if kept else None


class _Thinner:
    """Takes fabric away while the blocks can still be had."""

    def __init__(self, most: CuttingPlan, blocks: int, turns: Mapping[str, int]) -> None:
        self._whole, self._blocks, self._turns = most, blocks, turns
        self._watch = Watch(ALL_TRIALS)
        self._best = most

    def thinned(self) -> CuttingPlan:
        """The plan that opens least of what was tried."""
        sorts = sorts_of(self._whole.problem)
        if self._blocks < self._whole.blocks:
            self._try(self._whole.problem)
        by_roles: dict[object, list[Fabric]] = {}
        for fabrics in sorts.values():
            by_roles.setdefault(fabrics[0].roles, []).extend(fabrics)
        in_turn = [fabrics for fabrics in by_roles.values() if len(self._turns_of(fabrics)) > 1]
        for fabrics in in_turn:
            self._open_in_turn(fabrics)
        if len(sorts) <= _FEW_SORTS:
            for fabrics in sorts.values():
                if by_roles[fabrics[0].roles] not in in_turn:
                    self._thin_out(fabrics)
        else:
            for fabrics in by_roles.values():
                if fabrics not in in_turn:
                    self._open_the_largest(fabrics)
        self._last_of_all(in_turn)
        return self._as_wanted()

    def _turns_of(self, fabrics: Iterable[Fabric]) -> list[int]:
        """The turns of these, the first first."""
        return sorted({self._turns[f.name] for f in fabrics if f.name in self._turns})

    def _open_in_turn(self, fabrics: Sequence[Fabric]) -> None:
        """Only those of these whose turn comes first, of as few turns as will do."""
        turns, problem = self._turns_of(fabrics), self._best.problem
        least, most = 0, len(turns)
        while least < most:
            middle = (least + most) // 2
            later = {f.name for f in fabrics if self._turns.get(f.name, 0) in turns[middle:]}
            if self._try(_but(problem, later)):
                most = middle
            else:
                least = middle + 1

    def _last_of_all(self, groups: Sequence[Sequence[Fabric]]) -> None:
        """Of the last that are opened only what the others do not give: first as many blocks as
        those make, then the rest, if that can be found."""
        problem = self._best.problem
        there = {fabric.name for fabric in problem.fabrics}
        last = set[str]()
        for group in groups:
            opened = [fabric for fabric in group if fabric.name in there]
            turns = self._turns_of(opened)
            if len(turns) > 1:
                last |= {f.name for f in opened if self._turns.get(f.name, 0) == turns[-1]}
        first = _but(problem, last) if last else None
        of_first = self._sought(first, Sought(most=self._blocks))
        if of_first is None:
            return
        blocks = of_first.blocks - of_first.blocks % problem.batch
        if blocks >= self._blocks:
            self._best = of_first
        if not 0 < blocks < self._blocks:
            return
        used = Counter[str]()
        for layout in of_first.layouts:
            used[layout.fabric.name] += layout.copies
        rest = replace(
            problem,
            fabrics=tuple(
                replace(f, count=f.count - used[f.name])
                for f in problem.fabrics
                if f.count > used[f.name]
            ),
        )
        more = self._blocks - blocks
        of_rest = self._sought(rest, Sought(more - 1, more))
        if of_rest is not None and of_rest.blocks >= more:
            layouts = (*of_first.layouts, *of_rest.layouts)
            self._best = CuttingPlan(problem, self._blocks, self._blocks, layouts)

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
            if self._try(_but(problem, {fabric.name for fabric in largest[middle:]})):
                most = middle
            else:
                least = middle + 1

    def _try(self, problem: CuttingProblem | None) -> bool:
        """Whether the blocks can be had of it; then it is the best so far."""
        found = self._sought(problem, Sought(self._blocks - 1, self._blocks))
        if found is None or found.blocks < self._blocks:
            return False
        self._best = found
        return True

    def _sought(self, problem: CuttingProblem | None, sought: Sought) -> CuttingPlan | None:
        """What a trial finds; None without a question, or once all trials are over."""
        if problem is None or self._watch.left <= 0:
            return None
        trial = Watch(A_TRIAL)
        found = checked_plan(problem, trial, sought)
        self._watch.spend(trial.spent)
        return found

    def _as_wanted(self) -> CuttingPlan:
        """The best plan with no more blocks than are wanted, as cuts of all there is."""
        problem = self._whole.problem
        return CuttingPlan(
            problem,
            self._blocks,
            max(self._blocks, self._whole.bound),
            on_all_fabric(problem, self._best),
        )
