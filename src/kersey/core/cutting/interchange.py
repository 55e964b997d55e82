"""Pieces that can change places: of one cut size, cut from just the same fabrics, under no rule.

To the search they are one need: there are then far fewer ways to fill a strip. Afterwards each
piece gets a name again; which does not matter.
"""

from collections.abc import Iterator
from dataclasses import replace

from kersey.core.cutting.problem import Cut, CuttingPlan, CuttingProblem, Layout, Need


def merged(problem: CuttingProblem) -> tuple[CuttingProblem, dict[Need, list[Need]]]:
    """The problem with pieces that can change places as one need; and what each stands for."""
    ruled = {role for rule in problem.rules for role in rule.roles}
    turns = not any(fabric.directional for fabric in problem.fabrics)
    alike: dict[tuple[object, ...], list[Need]] = {}
    for number, need in enumerate(problem.needs):
        sides = (need.width, need.height)
        served = tuple(fabric.serves(need) for fabric in problem.fabrics)
        key = (tuple(sorted(sides)) if turns else sides, served)
        alike.setdefault(key if need.role not in ruled else (number,), []).append(need)
    stands_for = {
        replace(group[0], count=sum(need.count for need in group)): group
        for group in alike.values()
    }
    return replace(problem, needs=tuple(stands_for)), stands_for


def named_again(
    problem: CuttingProblem, plan: CuttingPlan, stands_for: dict[Need, list[Need]]
) -> CuttingPlan:
    """The plan of a merged problem, every cut with the need it is for."""
    if len(stands_for) == len(problem.needs):
        return replace(plan, problem=problem)
    waiting = {need: _in_turn(group, plan.blocks) for need, group in stands_for.items()}
    layouts: list[Layout] = []
    for layout in plan.layouts:
        copies: dict[tuple[Cut, ...], int] = {}
        for _ in range(layout.copies):
            cuts = tuple(replace(cut, need=next(waiting[cut.need])) for cut in layout.cuts)
            copies[cuts] = copies.get(cuts, 0) + 1
        layouts.extend(replace(layout, copies=n, cuts=cuts) for cuts, n in copies.items())
    return replace(plan, problem=problem, layouts=tuple(layouts))


def _in_turn(group: list[Need], blocks: int) -> Iterator[Need]:
    """As many of each as the blocks take, one need after the other; then the first for ever."""
    for need in group:
        for _ in range(need.count * blocks):
            yield need
    while True:
        yield group[0]
