"""Which strips are cut for a number of blocks, which prints meet in each, what stays whole.

A block is written as the places of its prints in the lot: ``(0, 7, 3)`` is three rails of the
first, eighth and fourth print. Prints are drawn from the tallest stack first: that uses stacks
evenly, and while a group of different prints can be drawn at all it never runs into a dead end.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from random import Random

from kersey.core.blocks.rail_yield import Method, RailYield, groups
from kersey.core.errors import Infeasible

Block = tuple[int, ...]
# Equal stacks are taken in an order that varies, so that the same companions do not keep meeting;
# the order must be the same each time, or the quilt would change whenever it is looked at.
_SHUFFLE = 7


class TooFewStrips(Infeasible):
    """More blocks are asked for than the strips give."""

    def __init__(self, wanted: int, possible: int) -> None:
        self.wanted, self.possible = wanted, possible
        super().__init__(
            f"{wanted} blocks are {wanted - possible} more than these strips give: "
            f"choose at most {possible}."
        )


@dataclass(frozen=True)
class StripPlan:
    """The strips put to work for `blocks`. Per print, in the order of the lot's stacks:

    `cut_strips` that are cut or sewn into sets, `whole_strips` that stay as they are,
    `spare_segments` cut but in no block. `sets` is empty when single segments are cut;
    `spare_blocks` come off the last set beyond those asked for.
    """

    blocks: tuple[Block, ...]
    sets: tuple[Block, ...]
    cut_strips: tuple[int, ...]
    whole_strips: tuple[int, ...]
    spare_segments: tuple[int, ...]
    spare_blocks: int


def plan_strips(answer: RailYield, blocks: int) -> StripPlan:
    """Put the fewest strips to work for `blocks` blocks.

    Raises `TooFewStrips` when the yield is smaller.

    >>> from kersey.core.stash.quick_entry import take_line
    >>> from kersey.core.blocks.rail_yield import YieldQuestion, rail_yield
    >>> from fractions import Fraction
    >>> lot = take_line("roll of 40 strips, 20 prints").lot
    >>> answer = rail_yield(lot, YieldQuestion(3, Fraction(1, 4)), Method.SEGMENTS)
    >>> plan = plan_strips(answer, 72)
    >>> sum(plan.cut_strips), sum(plan.whole_strips), sum(plan.spare_segments)
    (36, 4, 0)
    """
    if blocks > answer.blocks:
        raise TooFewStrips(blocks, answer.blocks)
    if answer.method is Method.SETS:
        return _plan_sets(answer, blocks)
    return _plan_segments(answer, blocks)


def draw_groups(counts: Sequence[int], size: int, wanted: int) -> tuple[Block, ...]:
    """Draw `wanted` groups of `size` pieces, tallest stacks first, different prints if it can be.

    >>> draw_groups([2, 1, 1], 2, 2)
    ((0, 1), (0, 2))
    """
    left = list(counts)
    shuffle = Random(_SHUFFLE)
    drawn = []
    for _ in range(wanted):
        order = sorted(range(len(left)), key=lambda i: (-left[i], shuffle.random()))
        group = _draw(order, left, size)
        for index in group:
            left[index] -= 1
        drawn.append(tuple(group))
    return tuple(drawn)


def _draw(order: Sequence[int], left: Sequence[int], size: int) -> list[int]:
    group = [index for index in order if left[index] > 0][:size]
    while len(group) < size:
        again = max(order, key=lambda i: left[i] - group.count(i))
        group.append(again)
    return group


def _plan_sets(answer: RailYield, blocks: int) -> StripPlan:
    each = answer.division.pieces
    counts = answer.lot.counts
    sets = draw_groups(counts, answer.block.strips, math.ceil(blocks / each) if each else 0)
    cut = _tally(sets, len(counts))
    made = [strip_set for strip_set in sets for _ in range(each)]
    return StripPlan(
        blocks=tuple(made[:blocks]),
        sets=sets,
        cut_strips=cut,
        whole_strips=tuple(have - used for have, used in zip(counts, cut, strict=True)),
        spare_segments=(0,) * len(counts),
        spare_blocks=len(made) - blocks,
    )


def _plan_segments(answer: RailYield, blocks: int) -> StripPlan:
    cut = _fewest_strips(answer, blocks)
    each = answer.division.pieces
    drawn = draw_groups([count * each for count in cut], answer.block.strips, blocks)
    used = _tally(drawn, len(cut))
    return StripPlan(
        blocks=drawn,
        sets=(),
        cut_strips=cut,
        whole_strips=tuple(have - c for have, c in zip(answer.lot.counts, cut, strict=True)),
        spare_segments=tuple(c * each - u for c, u in zip(cut, used, strict=True)),
        spare_blocks=0,
    )


def _fewest_strips(answer: RailYield, blocks: int) -> tuple[int, ...]:
    """Leave strips whole, from the tallest stack each time, while the blocks can still be made.

    The tallest stack limits a draw of different prints least, so no other choice leaves more.
    """
    cut = list(answer.lot.counts)
    each = answer.division.pieces
    while any(cut):
        tallest = max(range(len(cut)), key=lambda i: (cut[i], i))
        cut[tallest] -= 1
        segments = [count * each for count in cut]
        if groups(segments, answer.block.strips, answer.different_prints) < blocks:
            cut[tallest] += 1
            break
    return tuple(cut)


def _tally(drawn: Sequence[Block], prints: int) -> tuple[int, ...]:
    used = [0] * prints
    for group in drawn:
        for index in group:
            used[index] += 1
    return tuple(used)
