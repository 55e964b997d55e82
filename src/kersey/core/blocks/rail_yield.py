"""How many rail blocks the strips give, with the proof and the cliff.

A strip of usable length L divides into segments of length u: n = floor(L / u). The *margin* is
L - n u; the *cliff* is the usable length n u below which a segment of every strip is lost.

Segments: all strips give S = strips x n segments, and k make a block: floor(S / k) blocks.
Strip sets: floor(strips / k) sets of k whole strips, each crosscut into n blocks.

When the prints of a block must all differ, k different ones are drawn m times from stacks of
c1, c2, ... : the largest m with sum(min(ci, m)) >= k m (docs/trade.md section 3).
"""

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from functools import cached_property

from kersey.core.blocks.rails import RailBlock
from kersey.core.cloth.fabric import Lot
from kersey.core.measure.length import Units, format_length


class Method(StrEnum):
    """How a rail block is made."""

    SEGMENTS = "segments"
    SETS = "sets"


@dataclass(frozen=True)
class Division:
    """One strip of `strip_length` divided into pieces of `piece_length`, in inches.

    >>> division = Division(Fraction(42), Fraction(13, 2))
    >>> division.pieces, division.needed, division.margin
    (6, Fraction(39, 1), Fraction(3, 1))
    """

    strip_length: Fraction
    piece_length: Fraction

    @property
    def pieces(self) -> int:
        """Whole pieces in a strip."""
        return int(self.strip_length // self.piece_length)

    @property
    def needed(self) -> Fraction:
        """The least strip that gives as many: the cliff."""
        return self.pieces * self.piece_length

    @property
    def margin(self) -> Fraction:
        """What the strip has beyond the cliff; also the end that is left of it."""
        return self.strip_length - self.needed


@dataclass(frozen=True)
class RailYield:
    """What one method makes of a lot of strips. Counts are whole; lengths in inches."""

    method: Method
    block: RailBlock
    lot: Lot
    different_prints: bool

    @cached_property
    def division(self) -> Division:
        """One strip cut into segments."""
        return Division(self.lot.usable_length, self.block.unfinished_size)

    @cached_property
    def sets(self) -> int:
        """Strip sets that can be sewn; 0 when single segments are cut."""
        if self.method is Method.SEGMENTS:
            return 0
        return groups(self.lot.counts, self.block.strips, self.different_prints)

    @cached_property
    def blocks(self) -> int:
        """Whole blocks."""
        n = self.division.pieces
        if self.method is Method.SETS:
            return self.sets * n
        segments = [count * n for count in self.lot.counts]
        return groups(segments, self.block.strips, self.different_prints)

    @property
    def segments(self) -> int:
        """Segments that all strips together give."""
        return self.lot.count * self.division.pieces

    @property
    def strips_over(self) -> int:
        """Whole strips that go into no set."""
        return self.lot.count - self.sets * self.block.strips if self.sets else 0

    @property
    def segments_over(self) -> int:
        """Single segments that make no whole block."""
        if self.method is Method.SETS:
            return 0
        return self.segments - self.blocks * self.block.strips

    def at_length(self, usable_length: Fraction) -> "RailYield":
        """The same question for strips of another usable length."""
        lot = self.lot.measured(max(usable_length, self.lot.width + Fraction(1, 8)))
        return RailYield(self.method, self.block, lot, self.different_prints)

    @property
    def below_the_cliff(self) -> "RailYield":
        """The yield when each strip gives one segment less."""
        shorter = max(self.division.needed - self.block.unfinished_size, Fraction(0))
        return self.at_length(shorter)


@dataclass(frozen=True)
class YieldQuestion:
    """The choices that a yield depends on, next to the lot. `different_prints` None: Kersey's."""

    strips_per_block: int
    seam: Fraction
    different_prints: bool | None = None


def rail_yield(lot: Lot, question: YieldQuestion, method: Method) -> RailYield:
    """The most rail blocks of a lot by one method.

    Prints in a block all differ if asked for, or, when nothing was asked, if that costs no
    block. Raises `BadRailBlock` when the block cannot be sewn.

    >>> from kersey.core.stash.quick_entry import take_line
    >>> roll = take_line("roll of 40 strips, 20 prints").lot
    >>> question = YieldQuestion(3, Fraction(1, 4))
    >>> [rail_yield(roll, question, method).blocks for method in Method]
    [80, 78]
    """
    block = RailBlock(question.strips_per_block, lot.width, question.seam)
    different = RailYield(method, block, lot, different_prints=True)
    any_prints = RailYield(method, block, lot, different_prints=False)
    if question.different_prints is None:
        return different if different.blocks == any_prints.blocks else any_prints
    return different if question.different_prints else any_prints


def groups(counts: Sequence[int], size: int, different: bool) -> int:
    """How many groups of `size` pieces can be drawn from stacks of `counts`.

    With `different`, no two pieces of a group come from one stack: the largest m with
    sum(min(c, m)) >= size x m. Source: docs/trade.md section 3, same-print rules.

    >>> groups([10, 1, 1], 2, different=True), groups([10, 1, 1], 2, different=False)
    (2, 6)
    """
    most = sum(counts) // size
    if not different:
        return most
    low, high = 0, most
    while low < high:
        middle = (low + high + 1) // 2
        if sum(min(count, middle) for count in counts) >= size * middle:
            low = middle
        else:
            high = middle - 1
    return low


def proof(answer: RailYield, units: Units) -> tuple[str, ...]:
    """Why there are just so many blocks, in sentences that can be checked by hand."""
    n, k = answer.division.pieces, answer.block.strips
    u = format_length(answer.block.unfinished_size, units)
    if n == 0:
        length = format_length(answer.lot.usable_length, units)
        return (f"No segment of {u} fits in a strip of {length}.",)
    rule = _print_rule_proof(answer)
    if answer.method is Method.SETS:
        return (
            f"{answer.lot.count} strips make {answer.sets} sets of {_in_words(k)}{rule}.",
            f"{answer.sets} sets × {n} blocks of {u} = {answer.blocks}.",
        )
    return (
        f"{answer.lot.count} strips × {n} segments of {u} = {answer.segments}, "
        f"{_in_words(k)} a block{rule}.",
    )


def cliff(answer: RailYield, units: Units) -> str:
    """Where the count drops and to what."""
    n = answer.division.pieces
    if n == 0:
        return "Longer strips, or fewer strips a block, would give the first one."
    needed = format_length(answer.division.needed, units)
    fewer = answer.below_the_cliff
    by = "by sets" if answer.method is Method.SETS else "by segments"
    return (
        f"{n} to a strip needs {needed} usable; below that {n - 1}, and {fewer.blocks} blocks {by}."
    )


def _print_rule_proof(answer: RailYield) -> str:
    if not answer.different_prints:
        return ""
    return (
        ", no print twice in a block" if answer.method is Method.SEGMENTS else " different prints"
    )


def _in_words(number: int) -> str:
    return {2: "two", 3: "three", 4: "four", 5: "five", 6: "six"}.get(number, str(number))
