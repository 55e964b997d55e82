"""A large sheet, a backing or a batting, put together in rows of the pieces there are.

    row     pieces side by side, all at least as high as the row; trimmed to it
    sheet   rows one above the other, along its width or along its length

    width of a row      sum of its pieces - (pieces - 1) x join  >=  the sheet's
    length of a sheet   sum of its rows   - (rows - 1) x join    >=  the sheet's

A join costs 1 inch of a backing (seams of 1/2) and nothing of a batting, which is butted. Fewest
seams first, then least cloth; or the other way round. Rows are as high as some piece is. Source:
docs/trade.md section 6.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from fractions import Fraction
from functools import lru_cache
from math import inf

from kersey.core.cutting.highs import WholeNumbers
from kersey.core.cutting.watch import Watch
from kersey.core.measure.spoken import Spoken

# Of more sorts only the largest are looked at; a sheet of more rows nobody sews.
_MOST_SORTS, _MOST_HEIGHTS, _MOST_ROWS = 14, 6, 6
# Lengths are whole sixteenths in the programme.
_MARKS = 16
_WORK = 2.0
# One seam more weighs more than any cloth that it saves, or the other way round.
_MUCH = 1e6


class Thrift(Spoken):
    """What a sheet is to have least of."""

    SEAMS = "fewest seams"
    CLOTH = "least cloth", "least fabric"


@dataclass(frozen=True)
class SheetPiece:
    """Pieces alike, in inches; only those that are not `directional` may be turned."""

    name: str
    width: Fraction
    length: Fraction
    count: int = 1
    directional: bool = False

    def ways(self, upright: bool) -> tuple[tuple[Fraction, Fraction], ...]:
        """How it may lie in a row: how far along it, and how high."""
        as_it_is = (self.length, self.width) if upright else (self.width, self.length)
        one_way = self.directional or self.width == self.length
        return (as_it_is,) if one_way else (as_it_is, as_it_is[::-1])


@dataclass(frozen=True)
class SheetRow:
    """A row: how high it is trimmed; of each piece its name, how far along the row, how high."""

    height: Fraction
    pieces: tuple[tuple[str, Fraction, Fraction], ...]


@dataclass(frozen=True)
class PiecedSheet:
    """A sheet in rows; with `upright` rows they run along its length. In inches."""

    width: Fraction
    length: Fraction
    join: Fraction
    upright: bool
    rows: tuple[SheetRow, ...]

    @property
    def seams(self) -> int:
        """Seams within rows, and between them."""
        return sum(len(row.pieces) for row in self.rows) - 1

    @property
    def cloth(self) -> Fraction:
        """Square inches of all pieces, before they are trimmed."""
        return sum((a * b for row in self.rows for _, a, b in row.pieces), Fraction(0))


@lru_cache(maxsize=64)
def piece_sheet(
    width: Fraction,
    length: Fraction,
    pieces: tuple[SheetPiece, ...],
    join: Fraction,
    thrift: Thrift = Thrift.SEAMS,
) -> PiecedSheet | None:
    """The sheet that takes least; None where these pieces give none, as far as is looked.

    >>> F = Fraction
    >>> half = SheetPiece("half", F(42), F(60), 2)
    >>> sheet = piece_sheet(F(58), F(80), (half,), F(1))
    >>> sheet.upright, [(row.height, len(row.pieces)) for row in sheet.rows]
    (False, [(Fraction(42, 1), 1), (Fraction(42, 1), 1)])
    """
    found = [
        sheet
        for upright in (False, True)
        for sheet in [_in_rows(width, length, pieces, join, thrift, upright)]
        if sheet is not None
    ]
    return min(found, key=lambda sheet: (*_least(sheet, thrift), sheet.upright), default=None)


def _least(sheet: PiecedSheet, thrift: Thrift) -> tuple[Fraction, Fraction]:
    seams = Fraction(sheet.seams)
    return (seams, sheet.cloth) if thrift is Thrift.SEAMS else (sheet.cloth, seams)


def _in_rows(
    width: Fraction,
    length: Fraction,
    pieces: tuple[SheetPiece, ...],
    join: Fraction,
    thrift: Thrift,
    upright: bool,
) -> PiecedSheet | None:
    along, up = (length, width) if upright else (width, length)
    largest = sorted(pieces, key=lambda p: (-p.width * p.length, p.name))[:_MOST_SORTS]
    lying = [(n, *way) for n, piece in enumerate(largest) for way in piece.ways(upright)]
    programme = _Rows(along, up, [piece.count for piece in largest], lying, join, thrift)
    rows = [
        SheetRow(height, tuple((largest[n].name, a, b) for n, a, b in row))
        for height, row in programme.found()
    ]
    rows.sort(key=lambda row: (-row.height, row.pieces))
    return PiecedSheet(width, length, join, upright, tuple(rows)) if rows else None


_Way = tuple[int, Fraction, Fraction]


class _Rows:
    """The programme: for each height so many rows, and in each so many pieces of a way to lie.

    y = 1 where a row is sewn; x pieces of a way in it:

        sum (along - join) x  >=  (sheet - join) y      x <= count y
        sum (height - join) y  >=  sheet's other side - join
    """

    def __init__(
        self,
        along: Fraction,
        up: Fraction,
        counts: Sequence[int],
        lying: Sequence[_Way],
        join: Fraction,
        thrift: Thrift,
    ) -> None:
        self._numbers = WholeNumbers()
        self._rows: list[tuple[Fraction, int, list[tuple[_Way, int]]]] = []
        heights = sorted({min(b, up) for _, _, b in lying if b > join}, reverse=True)
        for height in heights[:_MOST_HEIGHTS]:
            enough = -(-(up - join) // (height - join)) if height > join else 1
            for _ in range(min(_MOST_ROWS, int(enough))):
                self._row(height, along, counts, lying, join, thrift)
        rows = [(y, _marks(height - join)) for height, y, _ in self._rows]
        self._numbers.between(_marks(up - join), inf, rows)
        for n, count in enumerate(counts):
            used = [(x, 1.0) for _, _, row in self._rows for way, x in row if way[0] == n]
            self._numbers.between(0, count, used)

    def found(self) -> Iterator[tuple[Fraction, list[_Way]]]:
        """The rows that are sewn."""
        numbers, _ = self._numbers.solve(Watch(_WORK))
        for height, y, row in self._rows:
            if numbers[y]:
                yield height, [way for way, x in row for _ in range(numbers[x])]

    def _row(
        self,
        height: Fraction,
        along: Fraction,
        counts: Sequence[int],
        lying: Sequence[_Way],
        join: Fraction,
        thrift: Thrift,
    ) -> None:
        y = self._numbers.number(1)
        row = []
        for way in lying:
            if way[2] >= height and way[1] > join:
                cloth = float(way[1] * way[2])
                costs = 1 + cloth / _MUCH if thrift is Thrift.SEAMS else cloth + 1 / _MUCH
                most = min(counts[way[0]], int(-(-(along - join) // (way[1] - join))))
                row.append((way, self._numbers.number(most, -costs)))
        self._rows.append((height, y, row))
        run = [(x, _marks(way[1] - join)) for way, x in row]
        self._numbers.between(0, inf, [*run, (y, -_marks(along - join))])
        for way, x in row:
            self._numbers.between(-inf, 0, [(x, 1.0), (y, -float(counts[way[0]]))])


def _marks(length: Fraction) -> float:
    return float(length * _MARKS)
