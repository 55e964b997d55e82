"""How close the cliff is: the least cloth that still gives as many blocks, and where more begin.

The count can change only where a side of some piece of fabric becomes a sum of sides of the block's
pieces. Between two such lengths nothing changes, and longer cloth never gives fewer: so the cliff
is found exactly, by halving the list of those lengths.

    change   inches added to the side of every fabric that depends on how wide the cloth was
"""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.cutting.patterns import reachable
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Layout, Need
from kersey.core.cutting.scale import in_units, unit_of
from kersey.core.cutting.solver import Sought
from kersey.core.measure.length import Units, format_length
from kersey.core.yields.report import at_usable, near, room_to_spare

# As far as cloth differs from its label: 40 instead of 42, 44 at the most. Where fewer blocks
# begin is looked for further down.
REACH = Fraction(2)
_DEEPEST = Fraction(6)


@dataclass(frozen=True)
class Cliffs:
    """At `change` (0 or less) there are still as many blocks, with any less cloth only `below`.

    None: six inches less give as many. `more_at`: so much more cloth first gives `more` blocks.
    """

    change: Fraction | None
    below: int
    more_at: Fraction | None
    more: int

    def in_words(self, usable: Fraction, blocks: int, units: Units, cloth: str = "cloth") -> str:
        """What there is to know, in one or two sentences, for cloth of a usable length.

        `cloth` names what is so long.
        """
        parts = []
        if self.change is not None:
            needed = format_length(usable + self.change, units)
            need = "One block needs" if blocks == 1 else f"{blocks} blocks need"
            less = f"{self.below}" if self.below else "none"
            parts.append(f"{need} {needed} of {cloth}; any less gives {less}.")
        if self.more_at is not None:
            parts.append(f"From {format_length(usable + self.more_at, units)} on: {self.more}.")
        stays = "one block" if blocks == 1 else f"{blocks} blocks"
        return " ".join(parts) or f"As far as one need look it stays {stays}."


def cliffs(
    plan: CuttingPlan,
    blocks_of: Callable[[CuttingProblem, Sought], int],
    known: Mapping[Fraction, int] | None = None,
) -> Cliffs:
    """Where the count of a plan changes.

    `blocks_of` gives the blocks of the same question with other cloth, as far as they are sought,
    and `known` those of some
    changes already. Wider cloth never gives fewer, even where a search was cut short.
    """
    problem = plan.problem
    tried = {Fraction(0): plan.blocks, **(known or {})}
    free = room_to_spare(plan)

    def at(change: Fraction) -> int:
        if -free <= change <= 0:
            return plan.blocks
        if change not in tried:
            changed = at_usable(problem, change)
            tried[change] = blocks_of(changed, near(plan, change)) if changed else 0
        return max(blocks for step, blocks in tried.items() if step <= change)

    steps = _steps(problem)
    fewer = [step for step in steps if step <= 0]
    least = _first(fewer, lambda step: at(step) >= plan.blocks)
    more = [step for step in steps if step > 0]
    gain = _first(more, lambda step: at(step) > plan.blocks)
    lower = [step for step in fewer if least is not None and step < least]
    below = at(lower[-1]) if lower else 0
    return Cliffs(
        change=least if lower else None,
        below=below if lower else plan.blocks,
        more_at=gain,
        more=at(gain) if gain is not None else plan.blocks,
    )


def _steps(problem: CuttingProblem) -> list[Fraction]:
    """Every change within reach at which some side becomes a sum of pieces' sides."""
    sides = [side for need in problem.needs for side in (need.width, need.height)]
    unit = unit_of(sides)
    lengths = {getattr(fabric, fabric.selvedge_side) for fabric in problem.fabrics}
    sums = reachable([in_units(side, unit) for side in sides], in_units(max(lengths) + REACH, unit))
    found = {int(total) * unit - length for total in sums for length in lengths}
    return sorted(step for step in found if -_DEEPEST <= step <= REACH)


def _first(steps: Sequence[Fraction], holds: Callable[[Fraction], bool]) -> Fraction | None:
    """The first step for which it holds; once it holds it goes on holding."""
    low, high = 0, len(steps)
    while low < high:
        middle = (low + high) // 2
        if holds(steps[middle]):
            high = middle
        else:
            low = middle + 1
    return steps[low] if low < len(steps) else None


@dataclass(frozen=True)
class Tight:
    """A division without any margin: `parts` fill a side of a fabric exactly, in cutting order.

    `lost` is the piece at the far edge, which a fabric the least bit short does not give. It is so
    in `pieces` pieces of these fabrics.
    """

    parts: tuple[Fraction, ...]
    lost: Need
    fabrics: tuple[str, ...]
    pieces: int


def tight_divisions(plan: CuttingPlan) -> list[Tight]:
    """Divisions at zero margin, those in most pieces first. Source: docs/trade.md section 4."""
    found: dict[tuple[tuple[Fraction, ...], Need], dict[str, int]] = {}
    in_sets = plan.problem.strip_sets
    for layout in map(_in_segments, plan.layouts) if in_sets else plan.layouts:
        name = layout.fabric.name
        for key in {*_full(layout, across=True), *_full(layout, across=False)}:
            pieces = found.setdefault(key, {})
            pieces[name] = pieces.get(name, 0) + layout.copies
    tight = [Tight(*key, tuple(pieces), sum(pieces.values())) for key, pieces in found.items()]
    return sorted(tight, key=lambda t: (-t.pieces, t.parts, t.lost.label))


def _in_segments(layout: Layout) -> Layout:
    """The whole strips of a layout as the segments that their sets are crosscut into."""
    cuts = []
    for strip in layout.cuts:
        long = strip.need.height
        along = strip.length == layout.fabric.length and strip.width == strip.need.width
        for place in range(strip.segments):
            ahead = place * long
            cuts.append(
                replace(strip, y=strip.y + ahead, length=long)
                if along
                else replace(strip, x=strip.x + ahead, width=long)
            )
    return replace(layout, cuts=tuple(cuts))


def _full(layout: Layout, across: bool) -> list[tuple[tuple[Fraction, ...], Need]]:
    """(lengths in order, piece at the edge) of each row of pieces that leaves nothing."""
    spans = [
        (c.x, c.x + c.width, c.y, c.y + c.length)
        if across
        else (c.y, c.y + c.length, c.x, c.x + c.width)
        for c in layout.cuts
    ]
    whole = layout.fabric.width if across else layout.fabric.length
    found = []
    for number, (_, end, *_) in enumerate(spans):
        if end == whole:
            row = [number]
            while spans[row[0]][0] > 0:
                here = spans[row[0]]
                before = [n for n, s in enumerate(spans) if s[1] == here[0] and _meet(s, here)]
                if not before:
                    break
                row.insert(0, before[0])
            # A strip that is as wide as its piece was not divided.
            if spans[row[0]][0] == 0 and len(row) > 1:
                parts = tuple(spans[n][1] - spans[n][0] for n in row)
                found.append((parts, layout.cuts[number].need))
    return found


def _meet(
    one: tuple[Fraction, Fraction, Fraction, Fraction],
    other: tuple[Fraction, Fraction, Fraction, Fraction],
) -> bool:
    return one[2] < other[3] and other[2] < one[3]
