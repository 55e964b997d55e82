"""The sum by hand, where strips of one size are only crosscut: proof and cliff in words.

A strip of usable length L divides into segments of length u: n = floor(L / u). The *margin* is
L - n u; the *cliff* is the usable length n u below which a segment of every strip is lost.

Segments: all strips give S = strips x n segments, and k make a block: floor(S / k) blocks.
Strip sets: floor(strips / k) sets of k whole strips, each crosscut into n blocks.

When the prints of a block must all differ, k different ones are drawn m times from stacks of
c1, c2, ... : the largest m with sum(min(ci, m)) >= k m (docs/trade.md section 3).
"""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from functools import cached_property

from kersey.core.cutting.problem import CuttingProblem
from kersey.core.measure.counting import counted
from kersey.core.measure.length import Units, format_length


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
class StripSum:
    """Strips alike, so many of each print, and how many of their segments make a block."""

    division: Division
    counts: tuple[int, ...]
    in_a_block: int
    by_sets: bool
    different: bool

    @property
    def strips(self) -> int:
        """All strips."""
        return sum(self.counts)

    @cached_property
    def sets(self) -> int:
        """Strip sets that can be sewn."""
        return groups(self.counts, self.in_a_block, self.different)

    @property
    def blocks(self) -> int:
        """Whole blocks."""
        if self.by_sets:
            return self.sets * self.division.pieces
        segments = [count * self.division.pieces for count in self.counts]
        return groups(segments, self.in_a_block, self.different)

    @property
    def below_the_cliff(self) -> "StripSum":
        """The same when each strip gives one segment less."""
        shorter = max(self.division.needed - self.division.piece_length, Fraction(0))
        division = Division(shorter, self.division.piece_length)
        return StripSum(division, self.counts, self.in_a_block, self.by_sets, self.different)


def strip_sum(problem: CuttingProblem) -> StripSum | None:
    """The sum for a problem, if it is one for which there is a sum; else None.

    It must be of one kind of piece, just as wide as the strips, which must be alike, and of no
    rule but that prints differ.

    >>> from kersey.core.cloth.forms import Form
    >>> from kersey.core.cutting.problem import Fabric, Need
    >>> rail = Need("A", "any", Fraction(5, 2), Fraction(13, 2), 3)
    >>> roll = Fabric("red", "red", Fraction(5, 2), Fraction(42), 40, form=Form.STRIP)
    >>> strip_sum(CuttingProblem((rail,), (roll,))).blocks
    80
    """
    need, first = problem.needs[0], problem.fabrics[0]
    alike = all(
        f.is_strip and (f.width, f.length) == (need.width, first.length) and f.serves(need)
        for f in problem.fabrics
    )
    sound = first.directional is False or need.width <= need.height
    if (
        len(problem.needs) > 1
        or problem.batch > 1
        or problem.tally
        or not alike
        or not sound
        or any(r.same for r in problem.rules)
    ):
        return None
    by_print: Counter[str] = Counter()
    for fabric in problem.fabrics:
        by_print[fabric.print] += fabric.count
    return StripSum(
        Division(first.length, need.height),
        tuple(by_print.values()),
        need.count,
        need.crosscut,
        bool(problem.rules),
    )


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


def proof(answer: StripSum, units: Units) -> tuple[str, ...]:
    """Why there are just so many blocks, in sentences that can be checked by hand."""
    n, k = answer.division.pieces, answer.in_a_block
    u = format_length(answer.division.piece_length, units)
    if n == 0:
        length = format_length(answer.division.strip_length, units)
        return (f"A {length} strip is too short for one {u} segment.",)
    if answer.by_sets:
        rule = " different prints" if answer.different else ""
        return (
            f"{counted(answer.strips, 'strip')} make {counted(answer.sets, 'strip set')} of "
            f"{_in_words(k)}{rule}.",
            f"{counted(answer.sets, 'set')} × {counted(n, 'block')} of {u} = {answer.blocks}.",
        )
    rule = ", no print twice in a block" if answer.different else ""
    return (
        f"{counted(answer.strips, 'strip')} × {counted(n, 'segment')} of {u} = "
        f"{answer.strips * n}, "
        f"{_in_words(k)} per block{rule}.",
    )


def cliff(answer: StripSum, units: Units) -> str:
    """Where the count drops and to what."""
    n = answer.division.pieces
    if n == 0:
        return "Use longer strips, or fewer strips per block, to get the first block."
    needed = format_length(answer.division.needed, units)
    fewer = answer.below_the_cliff
    by = "from strip sets" if answer.by_sets else "from segments"
    return (
        f"{counted(n, 'segment')} per strip need{'s' * (n == 1)} {needed} of usable length. Any "
        f"shorter makes {n - 1} per "
        f"strip, and {counted(fewer.blocks, 'block')} {by}."
    )


def _in_words(number: int) -> str:
    return {2: "two", 3: "three", 4: "four", 5: "five", 6: "six"}.get(number, str(number))
