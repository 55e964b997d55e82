"""Patterns become layouts: where every piece lies in its fabric, and what is left of it."""

from collections import Counter
from collections.abc import Iterator, Sequence
from fractions import Fraction

from kersey.core.cutting.patterns import Kind, Pattern, Strip
from kersey.core.cutting.problem import Cut, CuttingProblem, Fabric, Layout, Need

# A side shorter than an inch is no use: it is a crumb (handbook section 1).
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
    return tuple(
        _layout(problem.needs, fabric, pattern, copies)
        for (fabric, pattern), copies in found.items()
    )


def _spare(problem: CuttingProblem, used: Sequence[tuple[int, Pattern]], blocks: int) -> list[int]:
    """Pieces made of each need beyond those of the blocks; none where prints must match."""
    made = [0] * len(problem.needs)
    for _, pattern in used:
        for strip in pattern.strips:
            for need, _ in strip.pieces:
                made[need] += 1
    ruled = {role for rule in problem.rules for role in rule.roles}
    return [
        0 if need.role in ruled else count - blocks * need.count
        for need, count in zip(problem.needs, made, strict=True)
    ]


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


def _layout(needs: Sequence[Need], fabric: Fabric, pattern: Pattern, copies: int) -> Layout:
    cuts: list[Cut] = []
    left: list[tuple[Fraction, Fraction]] = []
    along = pattern.along
    across, run = (fabric.width, fabric.length) if along else (fabric.length, fabric.width)
    side = Fraction(0)
    for strip in pattern.strips:
        # In a strip across the fabric a piece on its side lies upright as the fabric is seen.
        sizes = [_extent(needs[need], side_down == along) for need, side_down in strip.pieces]
        breadth = max(width if along else length for width, length in sizes)
        place = Fraction(0)
        order = sorted(zip(strip.pieces, sizes, strict=True), key=lambda p: _longest(p[1], along))
        for (need, _), (width, length) in order:
            x, y = (side, place) if along else (place, side)
            cuts.append(Cut(needs[need], x, y, width, length))
            here, ahead = (width, length) if along else (length, width)
            _keep(left, breadth - here, ahead, along)
            place += ahead
        _keep(left, breadth, run - place, along)
        side += breadth
    _keep(left, across - side, run, along)
    left.sort(key=lambda size: (-size[0] * size[1], size))
    return Layout(fabric, copies, tuple(cuts), tuple(left), along)


def _extent(need: Need, turned: bool) -> tuple[Fraction, Fraction]:
    return (need.height, need.width) if turned else (need.width, need.height)


def _longest(size: tuple[Fraction, Fraction], along: bool) -> tuple[Fraction, Fraction]:
    """Longest crosscut first (handbook section 4: biggest pieces first)."""
    width, length = size
    return (-length, -width) if along else (-width, -length)


def _keep(
    left: list[tuple[Fraction, Fraction]], breadth: Fraction, run: Fraction, along: bool
) -> None:
    """Note a rectangle that is left, as width x length of the fabric, if it is of use."""
    if breadth >= SHORTEST_KEPT and run >= SHORTEST_KEPT:
        left.append((breadth, run) if along else (run, breadth))
