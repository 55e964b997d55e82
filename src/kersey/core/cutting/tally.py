"""Whole strips counted otherwise than by sets: columns of a wave, strips mirrored from the centre.

tube     a strip set whose long edges are sewn together; it is crosscut into rings
wave     the widths of rings, over and over; each ring becomes a column
onward   the rings are cut on from one tube into the next; else odd columns come from the first,
         third ... tube and even ones from the others, so that every join nests

Strips go into tubes longest first: then the shortest of each tube is as long as it can be, and no
other way of sharing them out gives a column more. Source: docs/trade.md section 3.
"""

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from fractions import Fraction
from functools import cached_property, lru_cache
from itertools import cycle

from kersey.core.measure.root2 import Root2


@dataclass(frozen=True)
class Waves:
    """Columns in a wave of `widths`, from tubes of so many `strips`; of 0, half of all.

    There are no more than so many `repeats` of the wave; of 0, as many as can be.
    """

    widths: tuple[Fraction, ...]
    strips: int = 0
    onward: bool = False
    repeats: int = 0

    def tubes(self, lengths: Sequence[Fraction]) -> list[Fraction]:
        """How long each tube is, of strips so long: as its shortest strip."""
        in_one = self.strips or len(lengths) // 2
        counted = Counter(lengths)
        longest_first = [n for n in sorted(counted, reverse=True) for _ in range(counted[n])]
        ends = range(in_one, len(lengths) + 1, in_one) if in_one else ()
        return [longest_first[end - 1] for end in ends]

    def columns(self, tubes: Sequence[Fraction]) -> int:
        """How many columns tubes so long give.

        >>> up = [Fraction(5, 4) + n * Fraction(1, 4) for n in range(8)]
        >>> wave = Waves((*up, *up[-2:0:-1]))
        >>> [wave.columns([Fraction(usable)] * 2) for usable in (40, 41, 42)]
        [36, 37, 38]
        """
        return len(self.cut_from(tubes))

    def cut_from(self, tubes: Sequence[Fraction]) -> list[int]:
        """The number of the tube that each column is cut from."""
        numbers = range(len(tubes))
        if self.onward:
            return self._swapped(self._in_turn(tubes, [numbers]))
        if len(tubes) < 2:
            return []
        # Which of two tubes the odd columns come from is free: the better way round.
        rows = numbers[0::2], numbers[1::2]
        return max((self._in_turn(tubes, order) for order in (rows, rows[::-1])), key=len)

    def _in_turn(self, tubes: Sequence[Fraction], rows: Sequence[Sequence[int]]) -> list[int]:
        waiting, at = [list(row) for row in rows], [Fraction(0)] * len(rows)
        found: list[int] = []
        for width, row in zip(cycle(self.widths), cycle(range(len(rows))), strict=False):
            while waiting[row] and at[row] + width > tubes[waiting[row][0]]:
                waiting[row].pop(0)
                at[row] = Fraction(0)
            enough = self.repeats and len(found) == self.repeats * len(self.widths)
            if not waiting[row] or enough:
                break
            at[row] += width
            found.append(waiting[row][0])
        return found

    def _swapped(self, cut_from: list[int]) -> list[int]:
        """Even columns of the first tube exchanged for those as wide of the second, so that odd and
        even ones come from different tubes and nearly all joins nest."""
        first = [n for n, tube in enumerate(cut_from) if n % 2 and tube == 0]
        second = [n for n, tube in enumerate(cut_from) if n % 2 and tube == 1]
        for place in first:
            width = self.widths[place % len(self.widths)]
            others = (n for n in second if self.widths[n % len(self.widths)] == width)
            other = next(others, None)
            if other is not None:
                second.remove(other)
                cut_from[place], cut_from[other] = 1, 0
        return cut_from

    def units(self, strips: Sequence[tuple[str, Fraction]]) -> int:
        """Columns of strips of these prints and lengths."""
        return _columns(self, tuple(self.tubes([length for _, length in strips])))

    def used(self, strips: Sequence[tuple[str, Fraction]]) -> Counter[tuple[str, Fraction]]:
        """The strips that are sewn into tubes, the longest first."""
        lengths = [length for _, length in strips]
        if not self.units(strips):
            return Counter()
        in_tubes = len(self.tubes(lengths)) * (self.strips or len(lengths) // 2)
        return Counter(_evenly(sorted(strips, key=lambda s: -s[1]), in_tubes))


@lru_cache(maxsize=512)
def _columns(waves: Waves, tubes: tuple[Fraction, ...]) -> int:
    """Columns of tubes so long; like tubes come of many ways to cut the strips."""
    return waves.columns(tubes)


@dataclass(frozen=True)
class Mirrored:
    """Strips side by side; `mirrored`: of each print one on either side of a single one."""

    mirrored: bool = True

    def units(self, strips: Sequence[tuple[str, Fraction]]) -> int:
        """How many strips lie in it.

        >>> colours = [(name, Fraction(42)) for name in ("dawn", "noon", "dusk") for _ in range(2)]
        >>> Mirrored().units(colours), Mirrored(mirrored=False).units(colours)
        (5, 6)
        """
        return sum(self.used(strips).values())

    def used(self, strips: Sequence[tuple[str, Fraction]]) -> Counter[tuple[str, Fraction]]:
        """The strips that lie in it."""
        there = Counter(strips)
        if not self.mirrored:
            return there
        by_print: dict[str, list[Fraction]] = {}
        for name, length in strips:
            by_print.setdefault(name, []).append(length)
        odd = [name for name, lengths in by_print.items() if len(lengths) % 2]
        # One single strip lies in the centre; without any, one of a pair does.
        centre = odd[0] if odd else next(iter(by_print), "")
        for name, lengths in by_print.items():
            pairs = len(lengths) // 2 * 2
            taken = pairs + 1 if name == centre and odd else pairs - (name == centre)
            for length in sorted(lengths)[: len(lengths) - taken]:
                there[name, length] -= 1
        return +there


@dataclass(frozen=True)
class Strings:
    """Strings sewn on a foundation: from the middle outward until both corners, or edges, are
    covered.

    `side` of the foundation, as it is cut; `diagonal`: from corner to corner, else straight. A
    string covers `COVER` beyond the foundation at both ends. No seam lies nearer a corner or an
    edge than `FROM_THE_END`. With `constant` the middle string of every block is of role middle.
    """

    side: Fraction
    diagonal: bool
    seam: Fraction
    constant: bool = False

    @cached_property
    def half(self) -> Fraction:
        """From the middle to the corner, or the edge; never less than it is."""
        if not self.diagonal:
            return self.side / 2
        return Root2(root=self.side / 2).ceil_to(_SIXTEENTH)

    def length_at(self, reached: Fraction) -> Fraction:
        """How long a string is that begins so far from the middle.

        >>> Strings(Fraction(9), True, Fraction(1, 4)).length_at(Fraction(0)) - 2 * COVER
        Fraction(51, 4)
        """
        across = 2 * (self.half - reached) if self.diagonal else self.side
        return across + 2 * COVER


# docs/trade.md section 7: covering well past both ends; no seam in a corner or just at the edge.
COVER, FROM_THE_END = Fraction(1, 2), Fraction(3, 4)
_SIXTEENTH = Fraction(1, 16)


@dataclass(frozen=True)
class Crumbs:
    """Crumbs sewn into a sheet, from which shapes of so much `area` are cut; only an estimate.

    Each crumb loses its seams; a crooked sheet and its edges lose more. The sheet gives shapes for
    between `WASTEFUL` and `THRIFTY` of what is left of it: counted on is the lower figure.
    """

    shape: Fraction
    seam: Fraction

    def shapes(self, sizes: Sequence[tuple[Fraction, Fraction]], share: Fraction) -> int:
        """How many shapes come of crumbs of these sizes, where so large a share of them is used.

        >>> crumbs = [(Fraction(5, 2), Fraction(9, 2))] * 100
        >>> made = Crumbs(Fraction(81, 4), Fraction(1, 4))
        >>> [made.shapes(crumbs, share) for share in (WASTEFUL, THRIFTY)]
        [27, 35]
        """
        net = (
            (w - 2 * self.seam) * (h - 2 * self.seam) for w, h in sizes if min(w, h) > 2 * self.seam
        )
        return int(share * sum(net, Fraction(0)) // self.shape)


@dataclass(frozen=True)
class Drawer:
    """Finished units of several kinds laid on one grid, with plain squares between them.

    `unit`: what one square of the grid shows; so many `columns`, of 0 as many as leave fewest plain
    squares. `held`: so many places, each of so many squares both ways, are kept plain for appliqué.
    """

    unit: Fraction
    seam: Fraction
    columns: int = 0
    held: int = 0
    held_side: int = 3

    def squares(self, width: Fraction, length: Fraction) -> tuple[int, int] | None:
        """How many squares of the grid an unfinished unit covers; None where it does not fit it."""
        across, down = (width - 2 * self.seam) / self.unit, (length - 2 * self.seam) / self.unit
        whole = across.denominator == down.denominator == 1
        return (int(across), int(down)) if whole and min(across, down) >= 1 else None


# Of a sheet of made fabric so much becomes shapes, at worst and at best.
WASTEFUL, THRIFTY = Fraction(7, 10), Fraction(9, 10)
Tally = Waves | Mirrored | Strings | Crumbs | Drawer


def _evenly(strips: Sequence[tuple[str, Fraction]], wanted: int) -> Iterator[tuple[str, Fraction]]:
    """So many of the longest; among those as long as the last, of the prints there is most of."""
    if not wanted:
        return
    shortest = strips[wanted - 1][1]
    longer = [strip for strip in strips if strip[1] > shortest]
    yield from longer
    left = Counter(name for name, length in strips if length == shortest)
    drop = sum(left.values()) - (wanted - len(longer))
    for _ in range(drop):
        # A print that is there an odd number of times cannot lie in both tubes alike.
        name = max(left, key=lambda n: (left[n] % 2, left[n]))
        left[name] -= 1
    for name, count in left.items():
        for _ in range(count):
            yield name, shortest
