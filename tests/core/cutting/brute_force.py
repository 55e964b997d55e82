"""Every way to cut small fabric, tried: what the solver must agree with. Shares no code with it."""

from collections.abc import Iterable, Iterator
from functools import cache
from itertools import product

from kersey.core.cutting.problem import CuttingProblem, Fabric, PrintRule

# Pieces of each need; with print rules, of each need from each print.
Made = tuple[int, ...]


def most_blocks(problem: CuttingProblem) -> int:
    """The most blocks, by trying every cut of every fabric, and every way to deal prints out."""
    prints = sorted({fabric.print for fabric in problem.fabrics})
    if not problem.rules:
        return max(_most_of_one_kind(problem, made) for made in _made(problem, problem.fabrics))
    made_of = [_made(problem, [f for f in problem.fabrics if f.print == one]) for one in prints]
    blocks = set(_blocks(problem, len(prints)))
    width = len(problem.needs)

    def can_be_made(wanted: Made) -> bool:
        """Whether every print can give what is wanted of it."""
        of_each = [wanted[n : n + width] for n in range(0, len(wanted), width)]
        return all(
            any(all(m >= w for m, w in zip(made, part, strict=True)) for made in of_print)
            for part, of_print in zip(of_each, made_of, strict=True)
        )

    wanted, most = {(0,) * width * len(prints)}, -1
    while wanted:
        wanted = {more for one in wanted for more in (_add(one, b) for b in blocks)}
        wanted = {each for each in wanted if can_be_made(each)}
        most += 1
    return most


def _made(problem: CuttingProblem, fabrics: Iterable[Fabric]) -> set[Made]:
    """What can be cut of these fabrics together, but for what other cuts better."""
    reachable: set[Made] = {(0,) * len(problem.needs)}
    for fabric in fabrics:
        ways = _pareto(set(ways_to_cut(problem, fabric)))
        for _ in range(fabric.count):
            reachable = _pareto({_add(a, b) for a in reachable for b in ways})
    return reachable


def _most_of_one_kind(problem: CuttingProblem, made: Made) -> int:
    return min(there // need.count for there, need in zip(made, problem.needs, strict=True))


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


def ways_to_cut(problem: CuttingProblem, fabric: Fabric) -> Iterator[Made]:
    """Pieces of each need out of one piece of fabric, in every way to cut it."""
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
