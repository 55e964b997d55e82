"""Every way to cut small fabric, tried: what the solver must agree with. Shares no code with it."""

from collections.abc import Iterator
from functools import cache
from itertools import product

from kersey.core.cutting.problem import CuttingProblem, Fabric

Made = tuple[int, ...]


def most_blocks(problem: CuttingProblem) -> int:
    """The most blocks, by trying every cut of every fabric; without print rules."""
    reachable: set[Made] = {(0,) * len(problem.needs)}
    for fabric in problem.fabrics:
        for _ in range(fabric.count):
            ways = _pareto(set(_ways(problem, fabric)))
            reachable = _pareto({_add(a, b) for a in reachable for b in ways})
    return max(
        min(made // need.count for made, need in zip(vector, problem.needs, strict=True))
        for vector in reachable
    )


def _ways(problem: CuttingProblem, fabric: Fabric) -> Iterator[Made]:
    width, length = int(fabric.width), int(fabric.length)
    served = [n for n, need in enumerate(problem.needs) if fabric.serves(need)]
    upright = [(n, int(problem.needs[n].width), int(problem.needs[n].height)) for n in served]
    turned = [] if fabric.directional else [(n, h, w) for n, w, h in upright]
    yield from _strips(upright + turned, width, length, len(problem.needs))
    if not fabric.is_strip:
        across = [(n, h, w) for n, w, h in upright + turned]
        yield from _strips(across, length, width, len(problem.needs))


def _strips(items: list[tuple[int, int, int]], across: int, run: int, needs: int) -> Iterator[Made]:
    """Items are (need, across the strips, along them)."""

    @cache
    def crosscuts(breadth: int, room: int) -> frozenset[Made]:
        found = {(0,) * needs}
        for need, thick, long in items:
            if thick <= breadth and long <= room:
                one = tuple(int(n == need) for n in range(needs))
                found |= {_add(one, rest) for rest in crosscuts(breadth, room - long)}
        return frozenset(_pareto(found))

    @cache
    def strips(left: int) -> frozenset[Made]:
        found = {(0,) * needs}
        for breadth in {thick for _, thick, _ in items if thick <= left}:
            pairs = product(crosscuts(breadth, run), strips(left - breadth))
            found |= {_add(a, b) for a, b in pairs}
        return frozenset(_pareto(found))

    yield from strips(across)


def _add(one: Made, other: Made) -> Made:
    return tuple(a + b for a, b in zip(one, other, strict=True))


def _pareto(vectors: set[Made]) -> set[Made]:
    kept: list[Made] = []
    for vector in sorted(vectors, reverse=True):
        if not any(all(a >= b for a, b in zip(k, vector, strict=True)) for k in kept):
            kept.append(vector)
    return set(kept)
