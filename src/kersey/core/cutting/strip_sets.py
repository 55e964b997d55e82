"""Strip sets: whole strips are sewn side by side, and the set is crosscut into blocks.

A set gives as many blocks as its shortest strip has segments (docs/trade.md section 3). Strips run
the whole side of their fabric; how many pieces of fabric are cut which way, and how many sets of
each number of segments are sewn, is a small integer programme. It is exact:

    strips with at least n segments that sets of at least n segments take are there, for every n;
    prints that must differ can be dealt out when no print is drawn for more strips than there are
    sets (König, as in `print_rules`); a set of one print takes all its strips from it.
"""

from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction
from math import inf

from kersey.core.cutting.highs import WholeNumbers
from kersey.core.cutting.layout import SHORTEST_KEPT
from kersey.core.cutting.print_rules import read_rules
from kersey.core.cutting.problem import Cut, CuttingPlan, CuttingProblem, Fabric, Layout, Need
from kersey.core.cutting.watch import Watch

_ONE_CLASS = ""


@dataclass(frozen=True)
class _Way:
    """Fabrics alike and how their strips run: so many strips of so many segments each."""

    print: str
    fabrics: tuple[Fabric, ...]
    along: bool
    strips: int
    segments: int


def solve_sets(problem: CuttingProblem, watch: Watch) -> CuttingPlan:
    """The most blocks from strip sets, for a problem asked in sets."""
    need = problem.needs[0]
    if read_rules(problem).contradictory:
        return CuttingPlan(problem, 0, 0, ())
    ways = list(_ways(problem))
    numbers = WholeNumbers()
    pieces = [numbers.number() for _ in ways]
    for alike in dict.fromkeys(way.fabrics for way in ways):
        of_these = [(n, 1) for n, way in zip(pieces, ways, strict=True) if way.fabrics == alike]
        numbers.between(0, sum(fabric.count for fabric in alike), of_these)
    prints = list(dict.fromkeys(way.print for way in ways))
    lengths = sorted({way.segments for way in ways}, reverse=True)
    drawn: dict[tuple[int, str], int] = {}
    for length in lengths:
        sets = numbers.number(gain=length)
        drawn |= {(length, name): numbers.number() for name in prints}
        of_sets = [(drawn[length, name], 1) for name in prints]
        numbers.between(0, 0, [(sets, -need.count), *of_sets])
        for name in prints:
            _bind(problem, numbers, sets, drawn[length, name])
            there = [
                (n, way.strips)
                for n, way in zip(pieces, ways, strict=True)
                if way.print == name and way.segments >= length
            ]
            taken = [(drawn[other, name], -1) for other in lengths if other >= length]
            numbers.between(0, inf, [*there, *taken])
    found, bound = numbers.solve(watch)
    used = {key: found[number] for key, number in drawn.items() if found[number]}
    blocks = sum(length * strips for (length, _), strips in used.items()) // need.count
    cut = {way: found[n] for n, way in zip(pieces, ways, strict=True) if found[n]}
    return CuttingPlan(problem, blocks, max(blocks, bound), tuple(_layouts(need, cut, used)))


def _ways(problem: CuttingProblem) -> Iterator[_Way]:
    """Fabrics alike together, each way in which strips may run."""
    need = problem.needs[0]
    found: dict[tuple[str, tuple[object, ...]], list[Fabric]] = {}
    for fabric in problem.fabrics:
        if fabric.serves(need):
            name = fabric.print if problem.rules else _ONE_CLASS
            size = (fabric.width, fabric.length, fabric.is_strip, fabric.directional)
            found.setdefault((name, size), []).append(fabric)
    for (name, _), alike in found.items():
        fabric = alike[0]
        for along in (True,) if fabric.is_strip or fabric.directional else (True, False):
            across, run = (fabric.width, fabric.length) if along else (fabric.length, fabric.width)
            strips, segments = int(across // need.width), int(run // need.height)
            if strips and segments:
                yield _Way(name, tuple(alike), along, strips, segments)


def _bind(problem: CuttingProblem, numbers: WholeNumbers, sets: int, drawn: int) -> None:
    """Strips drawn from one print, as the rules allow."""
    for rule in problem.rules:
        if rule.same:
            whole = numbers.number()
            numbers.between(0, 0, [(drawn, 1), (whole, -problem.needs[0].count)])
        else:
            numbers.between(0, inf, [(sets, 1), (drawn, -1)])


def _layouts(
    need: Need, cut: dict[_Way, int], used: dict[tuple[int, str], int]
) -> Iterator[Layout]:
    """Each piece of fabric with the strips that are taken from it, like copies together."""
    taken: Counter[_Way] = Counter()
    for length, name in sorted(used, reverse=True):
        # Of the strips that are long enough the shortest, so that longer ones stay whole.
        fitting = [way for way in cut if way.print == name and way.segments >= length]
        wanted = used[length, name]
        for way in sorted(fitting, key=lambda way: way.segments):
            here = min(wanted, cut[way] * way.strips - taken[way])
            taken[way] += here
            wanted -= here
    queues: dict[tuple[Fabric, ...], Iterator[Fabric]] = {}
    copies: Counter[tuple[Fabric, bool, int]] = Counter()
    for way, strips in taken.items():
        pieces = queues.setdefault(
            way.fabrics, (fabric for fabric in way.fabrics for _ in range(fabric.count))
        )
        for done in range(0, strips, way.strips):
            copies[(next(pieces), way.along, min(strips - done, way.strips))] += 1
    for (fabric, along, strips), times in copies.items():
        yield _layout(need, fabric, along, strips, times)


def _layout(need: Need, fabric: Fabric, along: bool, strips: int, copies: int) -> Layout:
    breadth = need.width
    across, run = (fabric.width, fabric.length) if along else (fabric.length, fabric.width)
    rest = across - strips * breadth
    cuts = tuple(
        Cut(need, n * breadth, Fraction(0), breadth, run)
        if along
        else Cut(need, Fraction(0), n * breadth, run, breadth)
        for n in range(strips)
    )
    kept = rest >= SHORTEST_KEPT and run >= SHORTEST_KEPT
    left = ((rest, run) if along else (run, rest),) if kept else ()
    return Layout(fabric, copies, cuts, left, along)
