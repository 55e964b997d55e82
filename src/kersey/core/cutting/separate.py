"""Needs that share neither fabric nor a print rule: whatever is cut for one takes nothing away.

Light logs of light fabric and dark logs of dark are two problems, each half as large, and a quilt
has as many blocks as the scarcer of them gives.
"""

from collections.abc import Iterator
from dataclasses import replace

from kersey.core.cutting.problem import CuttingProblem


def separate(problem: CuttingProblem) -> list[CuttingProblem]:
    """The problem as those it is made of; itself if it does not come apart.

    Fabric that serves no need is in none of them.
    """
    groups: list[set[int]] = [{number} for number in range(len(problem.needs))]
    for together in _bonds(problem):
        touched = [group for group in groups if group & together]
        if len(touched) > 1:
            groups = [group for group in groups if not group & together]
            groups.append(set().union(*touched))
    if len(groups) == 1:
        return [problem]
    return [_part(problem, group) for group in sorted(groups, key=min)]


def _bonds(problem: CuttingProblem) -> Iterator[set[int]]:
    """Needs that one fabric serves, and those under one rule."""
    for fabric in problem.fabrics:
        yield {number for number, need in enumerate(problem.needs) if fabric.serves(need)}
    for rule in problem.rules:
        yield {number for number, need in enumerate(problem.needs) if need.role in rule.roles}


def _part(problem: CuttingProblem, group: set[int]) -> CuttingProblem:
    needs = tuple(problem.needs[number] for number in sorted(group))
    roles = {need.role for need in needs}
    return replace(
        problem,
        needs=needs,
        fabrics=tuple(f for f in problem.fabrics if any(f.serves(need) for need in needs)),
        rules=tuple(rule for rule in problem.rules if roles & set(rule.roles)),
    )
