"""Sashing: strips between the blocks, with cornerstones or without, and round them if framed.

R rows, C columns of blocks fw x fl finished, w a strip finished, u a block unfinished:

    plain          R (C - 1) short of u;  R - 1 long of  C fw + (C - 1) w + 2s
    framed         and a long one above and below; two sides of  R fl + (R + 1) w + 2s
    cornerstones   R (C - 1) + C (R - 1) short, (R - 1)(C - 1) squares;
                   framed  R (C + 1) + C (R + 1)  and  (R + 1)(C + 1)
    rows           only between the rows:  R - 1 of  C fw + 2s

Plain is sewn in rows first. Source: docs/trade.md section 5.
"""

from dataclasses import dataclass
from fractions import Fraction

from kersey.core.errors import InvalidValue
from kersey.core.frame.strips import StripPieces

WIDEST_SASHING = Fraction(20)
# docs/trade.md section 5: a quarter to a third of the finished block.
SLIMMEST, BROADEST = Fraction(1, 4), Fraction(1, 3)


class BadSashing(InvalidValue):
    """Sashing that cannot be."""


@dataclass(frozen=True)
class Sashing:
    """How blocks are parted. `width` finished; 0: not at all. `rows_only`: no upright strips."""

    width: Fraction = Fraction(0)
    cornerstones: bool = False
    framed: bool = False
    rows_only: bool = False

    def __post_init__(self) -> None:
        check_sashing_width(self.width)
        if self.rows_only and (self.cornerstones or self.framed):
            raise BadSashing("Sashing between rows only can't have cornerstones or outside strips.")

    def body(
        self, columns: int, rows: int, block: tuple[Fraction, Fraction]
    ) -> tuple[Fraction, Fraction]:
        """Finished width and length of the blocks with it.

        >>> Sashing(Fraction(2)).body(4, 5, (Fraction(10), Fraction(10)))
        (Fraction(46, 1), Fraction(58, 1))
        """
        more = 1 if self.framed else -1
        across = 0 if self.rows_only else columns + more
        return columns * block[0] + across * self.width, rows * block[1] + (
            rows + more
        ) * self.width

    def pieces(
        self, columns: int, rows: int, block: tuple[Fraction, Fraction], seam: Fraction
    ) -> tuple[StripPieces, ...]:
        """The strips as they are cut, without those there are none of.

        >>> for piece in Sashing(Fraction(2)).pieces(4, 5, (Fraction(10),) * 2, Fraction(1, 4)):
        ...     piece.name, piece.count, piece.cut_length
        ('short', 15, Fraction(21, 2))
        ('long', 4, Fraction(93, 2))
        """
        if not self.width:
            return ()
        cut, (wide, long) = self.width + 2 * seam, (side + 2 * seam for side in block)
        if self.cornerstones:
            more = 1 if self.framed else -1
            found = [
                ("upright", rows * (columns + more), long),
                ("across", columns * (rows + more), wide),
            ]
        else:
            between = 0 if self.rows_only else columns - 1
            row = columns * block[0] + between * self.width + 2 * seam
            found = [
                ("short", rows * between, long),
                ("long", rows + (1 if self.framed else -1), row),
            ]
            if self.framed:
                found.append(("side", 2, rows * block[1] + (rows + 1) * self.width + 2 * seam))
        return tuple(
            StripPieces(name, count, cut, length) for name, count, length in found if count
        )

    def uprights(self, columns: int) -> int:
        """How many strips stand in a row of blocks as it is joined; long sides come later."""
        if self.rows_only or not self.width:
            return 0
        return columns + 1 if self.framed and self.cornerstones else columns - 1

    def corner_squares(self, columns: int, rows: int) -> int:
        """How many cornerstones."""
        if not self.cornerstones or not self.width:
            return 0
        more = 1 if self.framed else -1
        return (rows + more) * (columns + more)


def check_sashing_width(width: Fraction) -> None:
    """Raise `BadSashing` for strips nobody could sew."""
    if not 0 <= width <= WIDEST_SASHING:
        raise BadSashing("Sashing can be 0 (none) to 20″ (50 cm) wide, like 2.")


NO_SASHING = Sashing()


def proposed_widths(
    block: tuple[Fraction, Fraction], step: Fraction = Fraction(1, 2)
) -> tuple[Fraction, ...]:
    """Whole steps from a quarter to a third of the smaller side of a block; else the nearest one.

    >>> proposed_widths((Fraction(10), Fraction(10)))
    (Fraction(5, 2), Fraction(3, 1))
    """
    least, most = min(block) * SLIMMEST, min(block) * BROADEST
    steps = range(-int(-least // step), int(most // step) + 1)
    return tuple(n * step for n in steps) or (max(step, round(least / step) * step),)
