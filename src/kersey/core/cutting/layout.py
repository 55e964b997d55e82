"""Patterns become layouts: where every piece lies in its fabric, and what is left of it."""

from collections import Counter
from collections.abc import Iterator, Sequence
from fractions import Fraction
from math import ceil

from kersey.core.cutting.patterns import Kind, Pattern, Strip
from kersey.core.cutting.problem import Cut, CuttingProblem, Fabric, Layout
from kersey.core.cutting.scale import in_units, unit_of

# A side shorter than an inch is no use: it is a crumb (docs/trade.md section 1).
SHORTEST_KEPT = Fraction(1)


def lay_out(
    problem: CuttingProblem,
    kinds: Sequence[Kind],
    fabrics: Sequence[Sequence[int]],
    used: Sequence[tuple[int, Pattern]],
    blocks: int,
) -> tuple[Layout, ...]:
    """Every fabric that is cut, like copies together; pieces beyond those wanted are not cut."""
    spare = _spare(problem, used, blocks)
    queues = {kind: _physical(problem, fabrics[kind]) for kind, _ in used}
    found: Counter[tuple[Fabric, Pattern]] = Counter()
    for kind, pattern in used:
        thrifty = _without_spare(pattern, spare)
        if thrifty.strips:
            found[(next(queues[kind]), thrifty)] += 1
    layouts = _Layouts(problem)
    return tuple(layouts.of(fabric, pattern, copies) for (fabric, pattern), copies in found.items())


def lay_out_pattern(problem: CuttingProblem, fabric: Fabric, pattern: Pattern) -> Layout:
    """One piece of a fabric cut in a pattern."""
    return _Layouts(problem).of(fabric, pattern, 1)


def _spare(problem: CuttingProblem, used: Sequence[tuple[int, Pattern]], blocks: int) -> list[int]:
    """Pieces made of each need beyond those of the blocks; none where prints must match."""
    made = [0] * len(problem.needs)
    for _, pattern in used:
        for strip in pattern.strips:
            for need, _ in strip.pieces:
                made[need] += 1
    ruled = {role for rule in problem.rules for role in rule.roles}
    spare = [
        0 if need.role in ruled else count - blocks * need.count
        for need, count in zip(problem.needs, made, strict=True)
    ]
    for total in problem.totals:
        over = sum((made[place] * counts for place, counts in total.counts), -total.least)
        # What counts least is left out first: the fewest pieces are then joined.
        for place, counts in sorted(total.counts, key=lambda item: item[1]):
            spare[place] = min(made[place], int(over // counts))
            over -= spare[place] * counts
    return spare


def _physical(problem: CuttingProblem, numbers: Sequence[int]) -> Iterator[Fabric]:
    for number in numbers:
        for _ in range(problem.fabrics[number].count):
            yield problem.fabrics[number]


def _without_spare(pattern: Pattern, spare: list[int]) -> Pattern:
    """The pattern without pieces that nobody wants; whole strips are left out first."""
    if not any(spare):
        return pattern
    strips = []
    for strip in pattern.strips:
        kept = []
        for need, turned in strip.pieces:
            if spare[need]:
                spare[need] -= 1
            else:
                kept.append((need, turned))
        if kept:
            strips.append(Strip(strip.breadth, tuple(kept)))
    return Pattern(pattern.along, tuple(strips))


class _Layouts:
    """Makes layouts of patterns. Reckons in whole units, of which there may be very many."""

    def __init__(self, problem: CuttingProblem) -> None:
        self._needs = problem.needs
        sides = [side for need in problem.needs for side in (need.width, need.height)]
        sides += [side for fabric in problem.fabrics for side in (fabric.width, fabric.length)]
        self._unit = unit_of(sides)
        self._shortest_kept = ceil(SHORTEST_KEPT / self._unit)
        self._sizes = [(self._units(n.width), self._units(n.height)) for n in problem.needs]
        self._lengths: dict[int, Fraction] = {}
        self._ordered: dict[tuple[Strip, bool], tuple[int, list[tuple[int, int, int]]]] = {}

    def of(self, fabric: Fabric, pattern: Pattern, copies: int) -> Layout:
        """A pattern cut from a fabric so many times."""
        cuts: list[Cut] = []
        left: list[tuple[int, int]] = []
        along = pattern.along
        across, run = self._units(fabric.width), self._units(fabric.length)
        if not along:
            across, run = run, across
        side = 0
        for strip in pattern.strips:
            breadth, pieces = self._in_order(strip, along)
            place = 0
            for thick, long, need in pieces:
                at, size = (side, place), (thick, long)
                if not along:
                    at, size = at[::-1], size[::-1]
                cuts.append(Cut(self._needs[need], *map(self._length, (*at, *size))))
                self._keep(left, breadth - thick, long, along)
                place += long
            self._keep(left, breadth, run - place, along)
            side += breadth
        self._keep(left, across - side, run, along)
        left.sort(key=lambda size: (-size[0] * size[1], size))
        kept = tuple((self._length(width), self._length(length)) for width, length in left)
        return Layout(fabric, copies, tuple(cuts), kept, along)

    def _in_order(self, strip: Strip, along: bool) -> tuple[int, list[tuple[int, int, int]]]:
        """How broad a strip is, and its pieces: how far across, how far along, which need."""
        if (strip, along) not in self._ordered:
            pieces = sorted((self._thick_and_long(piece, along) for piece in strip.pieces), key=_by)
            self._ordered[strip, along] = max(thick for thick, _, _ in pieces), pieces
        return self._ordered[strip, along]

    def _thick_and_long(self, piece: tuple[int, bool], along: bool) -> tuple[int, int, int]:
        """How far a piece reaches across its strip and along it, and which need it is."""
        need, on_its_side = piece
        width, height = self._sizes[need]
        # In a strip across the fabric a piece on its side lies upright as the fabric is seen.
        if on_its_side == along:
            width, height = height, width
        return (width, height, need) if along else (height, width, need)

    def _keep(self, left: list[tuple[int, int]], breadth: int, run: int, along: bool) -> None:
        """Note a rectangle that is left, as width x length of the fabric, if it is of use."""
        if breadth >= self._shortest_kept and run >= self._shortest_kept:
            left.append((breadth, run) if along else (run, breadth))

    def _units(self, length: Fraction) -> int:
        return in_units(length, self._unit)

    def _length(self, units: int) -> Fraction:
        if units not in self._lengths:
            self._lengths[units] = units * self._unit
        return self._lengths[units]


def _by(piece: tuple[int, int, int]) -> tuple[int, int]:
    """Longest crosscut first (docs/trade.md section 4: biggest pieces first)."""
    thick, long, _ = piece
    return (-long, -thick)
