"""Small questions to the search: a few pieces, of cloth that the plan leaves free.

A small "block" of just the pieces that are missing is cut first of what was opened, then of as few
whole pieces as can be seen at once.
"""

from collections import Counter
from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace

from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric, Layout
from kersey.core.cutting.solver import Sought
from kersey.core.cutting.watch import Watch
from kersey.core.mending.free_cloth import Free, free_cloth
from kersey.core.yields.report import checked_plan

# Seconds for a small question and for all of them.
SMALL, ALL_SMALL = 0.25, 0.4


@dataclass(frozen=True)
class Found:
    """So many blocks of a small problem, cut of `free` cloth by the names of its fabrics."""

    blocks: int
    layouts: tuple[Layout, ...]
    free: Mapping[str, Free]


class SmallSearch:
    """Small questions about what a plan leaves free, all of them with little work."""

    def __init__(self, plan: CuttingPlan) -> None:
        self.plan, self._watch = plan, Watch(ALL_SMALL)

    def cut_of_free(
        self,
        problem: CuttingProblem,
        wanted: int,
        serving: Callable[[Free], Fabric | None],
        more: Sequence[Fabric] = (),
    ) -> Found | None:
        """So many blocks of a small problem, of the free cloth that is `serving` it and of `more`:
        first of what was opened, then with as few whole pieces as can be seen at once."""
        found = self._cut_of(
            problem, wanted, serving, more, free_cloth(self.plan, False, problem.needs)
        )
        if found is not None and found.blocks >= wanted:
            return found
        there = list(free_cloth(self.plan, True, problem.needs))
        with_whole = self._cut_of(problem, wanted, serving, more, there)
        if with_whole is None or (found is not None and found.blocks >= with_whole.blocks):
            return found
        return self._thinned(problem, with_whole, serving, more)

    def _thinned(
        self,
        problem: CuttingProblem,
        found: Found,
        serving: Callable[[Free], Fabric | None],
        more: Sequence[Fabric],
    ) -> Found:
        """As many blocks of fewer whole pieces: those most is cut from, as many as it takes."""
        pieces = Counter[str]()
        for layout in found.layouts:
            pieces[layout.fabric.name] += layout.copies * len(layout.cuts)
        opened = [each for each in found.free.values() if each.cloth.opened]
        whole = [name for name, _ in pieces.most_common() if not found.free[name].cloth.opened]
        for many in range(1, len(whole)):
            if self._watch.left <= 0:
                break
            there = [*opened, *(found.free[name] for name in whole[:many])]
            fewer = self._cut_of(problem, found.blocks, serving, more, there)
            if fewer is not None and fewer.blocks >= found.blocks:
                return fewer
        return found

    def _cut_of(
        self,
        problem: CuttingProblem,
        wanted: int,
        serving: Callable[[Free], Fabric | None],
        more: Sequence[Fabric],
        there: Iterable[Free],
    ) -> Found | None:
        free, fabrics = dict[str, Free](), list(more)
        for each in there:
            cloth = serving(each)
            if cloth is not None:
                name = f"free {len(free)}"
                free[name] = each
                fabrics.append(replace(cloth, name=name))
        if not fabrics:
            return None
        asked = replace(problem, fabrics=tuple(fabrics))
        watch = Watch(SMALL)
        plan = checked_plan(asked, watch, Sought(most=wanted))
        self._watch.spend(watch.spent)
        cut = tuple(layout for layout in plan.layouts if layout.fabric.name in free)
        return Found(min(plan.blocks, wanted), cut, free)
