"""Every way to cut small fabric, tried: what the solver must agree with. Shares no code with it."""

from collections.abc import Iterator
from functools import cache
from itertools import product

from kersey.core.cutting.problem import CuttingProblem, Fabric, PrintRule

# Pieces made of each need; with print rules, of each need from each print.
Made = tuple[int, ...]


def most_blocks(problem: CuttingProblem) -> int:
    """The most blocks, by trying every cut of every fabric, and every way to deal prints out."""
    prints = sorted({fabric.print for fabric in problem.fabrics}) if problem.rules else [""]
    reachable: set[Made] = {(0,) * len(problem.needs) * len(prints)}
    for fabric in problem.fabrics:
        place = prints.index(fabric.print) if problem.rules else 0
        before = (0,) * len(problem.needs) * place
        after = (0,) * len(problem.needs) * (len(prints) - place - 1)
        ways = [before + way + after for way in _pareto(set(_ways(problem, fabric)))]
        for _ in range(fabric.count):
            reachable = _pareto({_add(a, b) for a in reachable for b in ways})
    blocks = tuple(sorted(set(_blocks(problem, len(prints)))))
    return max(_dealt(vector, blocks) for vector in reachable)


def _blocks(problem: CuttingProblem, prints: int) -> Iterator[Made]:
    """Every way to make one block: pieces of each need from each print, as the rules allow."""
    pieces = [n for n, need in enumerate(problem.needs) for _ in range(need.count)]
    for chosen in product(range(prints), repeat=len(pieces)):
        if all(_keeps(problem, rule, pieces, chosen) for rule in problem.rules):
            used = [0] * (len(problem.needs) * prints)
            for need, print_place in zip(pieces, chosen, strict=True):
                used[print_place * len(problem.needs) + need] += 1
            yield tuple(used)


def _keeps(
    problem: CuttingProblem, rule: PrintRule, pieces: list[int], chosen: tuple[int, ...]
) -> bool:
    of_role = {
        role: [c for n, c in zip(pieces, chosen, strict=True) if problem.needs[n].role == role]
        for role in rule.roles
    }
    together = [c for found in of_role.values() for c in found]
    if rule.same:
        return len(set(together)) <= 1
    if len(of_role) == 1:
        return len(set(together)) == len(together)
    return sum(len(set(found)) for found in of_role.values()) == len(set(together))


@cache
def _dealt(there: Made, blocks: tuple[Made, ...]) -> int:
    """The most blocks made of these pieces, tried one kind of block after the other."""
    if not blocks:
        return 0
    first, rest = blocks[0], blocks[1:]
    best = count = 0
    while min(there) >= 0:
        best = max(best, count + _dealt(there, rest))
        there = tuple(a - b for a, b in zip(there, first, strict=True))
        count += 1
    return best


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
