"""Strip sets: whole strips are sewn side by side, and the set is crosscut into blocks.

A set gives as many pieces as its shortest strip has segments (docs/trade.md section 3). Strips run
the whole side of their fabric; how many pieces of fabric are cut which way, and how many sets of
each kind and each number of segments are sewn, is a small integer programme. It is exact:

    strips with at least n segments that sets of at least n segments take are there, for every n;
    of each kind of set there are segments for all blocks;
    prints that must differ can be dealt out when no print is drawn for more strips than there are
    sets (König, as in `print_rules`); a set of one print takes all its strips from it.
"""

from collections import Counter
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from fractions import Fraction
from math import inf
from typing import NamedTuple

from kersey.core.cutting.highs import WholeNumbers
from kersey.core.cutting.layout import SHORTEST_KEPT
from kersey.core.cutting.print_rules import read_rules
from kersey.core.cutting.problem import Cut, CuttingPlan, CuttingProblem, Fabric, Layout
from kersey.core.cutting.watch import Watch

_ONE_CLASS = ""
# Of fabric that many kinds of strips may be cut from no more ways than this are tried.
_MOST_WAYS = 2000


@dataclass(frozen=True)
class _Way:
    """Fabrics alike and how their strips run: of each need so many strips, of so many segments."""

    print: str
    fabrics: tuple[Fabric, ...]
    along: bool
    strips: tuple[int, ...]
    segments: tuple[int, ...]


class Drawn(NamedTuple):
    """Strips for sets of a kind and so many segments: for which need, of which print."""

    kind: int
    segments: int
    need: int
    print: str


@dataclass(frozen=True)
class _Found:
    """What the programme found; `bound` is what no other numbers exceed."""

    blocks: int
    bound: int
    cut: Mapping[_Way, int]
    drawn: Mapping[Drawn, int]


def solve_sets(problem: CuttingProblem, watch: Watch) -> CuttingPlan:
    """The most blocks from strip sets, for a problem asked in sets."""
    if read_rules(problem).contradictory:
        return CuttingPlan(problem, 0, 0, ())
    found = _search(problem, watch)
    if len(problem.kinds_of_sets) > 1 and found.blocks:
        # Sets of one kind that the others leave no use for are not sewn.
        found = _search(problem, watch, found)
    return CuttingPlan(problem, found.blocks, found.bound, tuple(_layouts(problem, found)))


def sets_of_strips(problem: CuttingProblem) -> Mapping[Drawn, int]:
    """The strips that each kind of set takes, where every fabric is a strip of the plan."""
    return _search(problem, Watch()).drawn


def _search(problem: CuttingProblem, watch: Watch, most: _Found | None = None) -> _Found:
    """The most blocks; or, where that is known, as many of the fewest strips."""
    ways = list(_ways(problem))
    kinds = problem.kinds_of_sets
    numbers = WholeNumbers()
    pieces = [numbers.number() for _ in ways]
    for alike in dict.fromkeys(way.fabrics for way in ways):
        of_these = [(n, 1) for n, way in zip(pieces, ways, strict=True) if way.fabrics == alike]
        numbers.between(0, sum(fabric.count for fabric in alike), of_these)
    lengths = sorted({n for way in ways for n in way.segments if n}, reverse=True)
    blocks = numbers.number(gain=0 if most else 1, most=most.blocks if most else inf)
    if most:
        numbers.between(most.blocks, most.blocks, [(blocks, 1)])
    sets = {
        (kind, length): numbers.number(gain=-1 if most else 0)
        for kind in range(len(kinds))
        for length in lengths
    }
    for kind, of_it in enumerate(kinds):
        given = [(sets[kind, length], length) for length in lengths]
        numbers.between(0, inf, [*given, (blocks, -of_it.pieces)])
    drawn = _drawn(problem, ways, numbers, sets)
    _there(problem, ways, numbers, pieces, drawn)
    found, bound = numbers.solve(watch)
    cut = {way: found[n] for n, way in zip(pieces, ways, strict=True) if found[n]}
    taken = {key: found[number] for key, number in drawn.items() if found[number]}
    here = min(
        sum(length * found[sets[kind, length]] for length in lengths) // of_it.pieces
        for kind, of_it in enumerate(kinds)
    )
    if max(Counter((way.fabrics, way.along) for way in ways).values(), default=0) >= _MOST_WAYS - 1:
        # Not every way was tried: no more than the area is sure.
        bound = max(bound, problem.blocks_by_area)
    return _Found(here, max(here, bound if most is None else most.bound), cut, taken)


def _ways(problem: CuttingProblem) -> Iterator[_Way]:
    """Fabrics alike together, each way in which strips may run."""
    found: dict[tuple[str, tuple[object, ...], tuple[bool, ...]], list[Fabric]] = {}
    for fabric in problem.fabrics:
        served = tuple(fabric.serves(need) for need in problem.needs)
        if any(served):
            name = fabric.print if problem.rules else _ONE_CLASS
            size = (fabric.width, fabric.length, fabric.is_strip, fabric.directional)
            found.setdefault((name, size, served), []).append(fabric)
    for (name, _, served), alike in found.items():
        fabric = alike[0]
        for along in (True,) if fabric.is_strip or fabric.directional else (True, False):
            across, run = (fabric.width, fabric.length) if along else (fabric.length, fabric.width)
            segments = tuple(
                need.pieces_along(run) if serves else 0
                for need, serves in zip(problem.needs, served, strict=True)
            )
            widths = [
                need.width if n else inf for need, n in zip(problem.needs, segments, strict=True)
            ]
            for strips in _side_by_side(across, widths):
                yield _Way(name, tuple(alike), along, strips, segments)


def _side_by_side(across: Fraction, widths: Sequence[Fraction | float]) -> list[tuple[int, ...]]:
    """How many strips of each width lie side by side so that no other fits beside them."""
    most = [int(across // width) if width != inf else 0 for width in widths]
    found: list[tuple[int, ...]] = [()]
    for place, width in enumerate(widths):
        longer = []
        for taken in found:
            used = sum((n * w for n, w in zip(taken, widths, strict=False) if n), Fraction(0))
            room = int((across - used) // width) if most[place] else 0
            # Of the last sort as many as fit; of those before any number.
            last = not any(most[place + 1 :])
            longer += [(*taken, n) for n in range(room if last else 0, room + 1)]
        found = longer[:_MOST_WAYS]
    return [strips for strips in found if any(strips)]


def _drawn(
    problem: CuttingProblem,
    ways: Sequence[_Way],
    numbers: WholeNumbers,
    sets: Mapping[tuple[int, int], int],
) -> dict[Drawn, int]:
    """From which print the strips of each kind of set are drawn, as the rules allow."""
    prints = list(dict.fromkeys(way.print for way in ways))
    found: dict[Drawn, int] = {}
    for (kind, length), number in sets.items():
        for need, strips in problem.kinds_of_sets[kind].strips:
            of_prints = {name: numbers.number() for name in prints}
            numbers.between(0, 0, [(number, -strips), *((n, 1) for n in of_prints.values())])
            role = problem.needs[need].role
            for name, drawn in of_prints.items():
                found[Drawn(kind, length, need, name)] = drawn
                for rule in problem.rules:
                    if role in rule.roles:
                        _bind(rule.same, numbers, number, drawn, strips)
    return found


def _bind(same: bool, numbers: WholeNumbers, sets: int, drawn: int, strips: int) -> None:
    if same:
        whole = numbers.number()
        numbers.between(0, 0, [(drawn, 1), (whole, -strips)])
    else:
        numbers.between(0, inf, [(sets, 1), (drawn, -1)])


def _there(
    problem: CuttingProblem,
    ways: Sequence[_Way],
    numbers: WholeNumbers,
    pieces: Sequence[int],
    drawn: Mapping[Drawn, int],
) -> None:
    """Strips of at least so many segments are there for all sets of as many, or more."""
    rows = dict.fromkeys((key.segments, key.need, key.print) for key in drawn)
    for length, need, name in rows:
        there = [
            (n, way.strips[need])
            for n, way in zip(pieces, ways, strict=True)
            if way.print == name and way.segments[need] >= length and way.strips[need]
        ]
        taken = [
            (number, -1)
            for key, number in drawn.items()
            if key.need == need and key.print == name and key.segments >= length
        ]
        numbers.between(0, inf, [*there, *taken])


def _layouts(problem: CuttingProblem, found: _Found) -> Iterator[Layout]:
    """Each piece of fabric with the strips that are taken from it, like copies together."""
    taken: Counter[tuple[_Way, int]] = Counter()
    cut = found.cut
    for key in sorted(found.drawn, key=lambda key: -key.segments):
        # Of the strips that are long enough the shortest, so that longer ones stay whole.
        need, wanted = key.need, found.drawn[key]
        fitting = [w for w in cut if w.print == key.print and w.segments[need] >= key.segments]
        for way in sorted(fitting, key=lambda way: way.segments[need]):
            here = min(wanted, cut[way] * way.strips[need] - taken[way, need])
            taken[way, need] += here
            wanted -= here
    queues: dict[tuple[Fabric, ...], Iterator[Fabric]] = {}
    copies: Counter[tuple[Fabric, bool, tuple[int, ...]]] = Counter()
    for way in dict.fromkeys(way for way, _ in taken):
        pieces = queues.setdefault(
            way.fabrics, (fabric for fabric in way.fabrics for _ in range(fabric.count))
        )
        left = [taken[way, need] for need in range(len(problem.needs))]
        while any(left):
            strips = tuple(min(n, most) for n, most in zip(left, way.strips, strict=True))
            left = [n - used for n, used in zip(left, strips, strict=True)]
            copies[next(pieces), way.along, strips] += 1
    for (fabric, along, strips), times in copies.items():
        yield _layout(problem, fabric, along, strips, times)


def _layout(
    problem: CuttingProblem, fabric: Fabric, along: bool, strips: Sequence[int], copies: int
) -> Layout:
    across, run = (fabric.width, fabric.length) if along else (fabric.length, fabric.width)
    cuts, at = [], Fraction(0)
    for need, count in sorted(
        zip(problem.needs, strips, strict=True), key=lambda item: -item[0].width
    ):
        for _ in range(count):
            size = need.width, run
            place = at, Fraction(0)
            cuts.append(Cut(need, *place, *size) if along else Cut(need, *place[::-1], *size[::-1]))
            at += need.width
    rest = across - at
    kept = rest >= SHORTEST_KEPT and run >= SHORTEST_KEPT
    left = ((rest, run) if along else (run, rest),) if kept else ()
    return Layout(fabric, copies, tuple(cuts), left, along)
