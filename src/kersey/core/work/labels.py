"""Labels for what is cut: one for each pile of like pieces, and one for each kit.

pile   pieces of one need from one print: code, cut size, how many, for which blocks
kit    what one block takes, print by print; blocks that come of one set of pieces share it

And sheets of labels, told by the size of a label and how many are on a page. Lengths in inches.
"""

from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.blocks.piece_codes import piece_codes
from kersey.core.cutting.problem import Need
from kersey.core.errors import InvalidValue
from kersey.core.frame.setting import Seat
from kersey.core.kits.pieces import slots_of
from kersey.core.measure.length import CENTIMETRE
from kersey.core.quilt.quilt import Quilt
from kersey.core.wall.numbers import number_of

_LONGEST = Fraction(60)


class BadSheet(InvalidValue):
    """A sheet of labels that cannot be."""


@dataclass(frozen=True)
class PileLabel:
    """Like pieces of one print; `blocks` are the numbers of the places they are for."""

    code: str
    print_name: str
    need: Need
    count: int
    blocks: tuple[str, ...]


@dataclass(frozen=True)
class KitLabel:
    """What one kit takes: print, codes of its pieces; `blocks` as above."""

    blocks: tuple[str, ...]
    pieces: tuple[tuple[str, str], ...]


@dataclass(frozen=True)
class LabelSheet:
    """A page of labels: `columns` x `rows` of them, the first so far from the left and the top,
    each so far from the next, measured from edge to edge of the labels."""

    paper_width: Fraction
    paper_length: Fraction
    columns: int
    rows: int
    width: Fraction
    height: Fraction
    left: Fraction
    top: Fraction
    across: Fraction = Fraction(0)
    down: Fraction = Fraction(0)

    def __post_init__(self) -> None:
        if not 1 <= self.columns <= 20 or not 1 <= self.rows <= 60:
            raise BadSheet("A page can have 1 to 20 labels across and 1 to 60 down.", "columns")
        if self.width <= 0 or self.height <= 0 or min(self.left, self.top) < 0:
            raise BadSheet("Type a width and a height for the label.", "width")
        if self.paper_width > _LONGEST or self.paper_length > _LONGEST:
            raise BadSheet("A page can be up to 60″ long.", "width")
        wide = self.left + self.columns * self.width + (self.columns - 1) * self.across
        if wide > self.paper_width:
            raise BadSheet(
                "Those labels are too wide for the page. Use fewer across or a narrower label.",
                "width",
            )
        long = self.top + self.rows * self.height + (self.rows - 1) * self.down
        if long > self.paper_length:
            raise BadSheet(
                "Those labels are too tall for the page. Use fewer down or a shorter label.",
                "height",
            )

    @property
    def on_a_page(self) -> int:
        """How many labels one page has."""
        return self.columns * self.rows

    def places(self) -> Iterator[tuple[Fraction, Fraction]]:
        """The upper left corner of every label, row by row."""
        for row in range(self.rows):
            for column in range(self.columns):
                yield (
                    self.left + column * (self.width + self.across),
                    self.top + row * (self.height + self.down),
                )


def _mm(millimetres: float) -> Fraction:
    return Fraction(str(millimetres)) / 10 * CENTIMETRE


def _a4(columns: int, rows: int, width: float, height: float, across: float = 0) -> LabelSheet:
    """Labels in the middle of a page of A4."""
    left = (210 - columns * width - (columns - 1) * across) / 2
    top = (297 - rows * height) / 2
    return LabelSheet(
        _mm(210),
        _mm(297),
        columns,
        rows,
        _mm(width),
        _mm(height),
        _mm(round(left, 3)),
        _mm(round(top, 3)),
        _mm(across),
    )


def _letter(
    columns: int, rows: int, width: Fraction, height: Fraction, left: Fraction, across: Fraction
) -> LabelSheet:
    return LabelSheet(
        Fraction(17, 2),
        Fraction(11),
        columns,
        rows,
        width,
        height,
        left,
        (11 - rows * height) / 2,
        across,
    )


# The sizes that sheets of labels commonly have, told by their measure.
SHEETS: dict[str, LabelSheet] = {
    "A4, 3 × 7": _a4(3, 7, 63.5, 38.1, 2.5),
    "A4, 3 × 8": _a4(3, 8, 70, 37),
    "A4, 2 × 7": _a4(2, 7, 99, 38, 2.5),
    "A4, 4 × 10": _a4(4, 10, 48.5, 25.4),
    "Letter, 3 × 10": _letter(3, 10, Fraction(21, 8), Fraction(1), Fraction(3, 16), Fraction(1, 8)),
    "Letter, 2 × 5": _letter(2, 5, Fraction(4), Fraction(2), Fraction(5, 32), Fraction(3, 16)),
    "Letter, 2 × 3": _letter(2, 3, Fraction(4), Fraction(10, 3), Fraction(5, 32), Fraction(3, 16)),
}


def pile_labels(quilt: Quilt) -> tuple[PileLabel, ...]:
    """A label for each pile, the prints in their order and the largest pieces first."""
    problem = quilt.kept.cutting.problem
    codes, slots = piece_codes(problem.needs), slots_of(problem)
    count, blocks = Counter[tuple[str, Need]](), dict[tuple[str, Need], dict[str, None]]()
    for kit, places in _kits(quilt):
        for name, number in zip(kit, slots, strict=True):
            pile = quilt.prints[name].name, problem.needs[number]
            count[pile] += 1
            blocks.setdefault(pile, {}).update(dict.fromkeys(places))
    order = sorted(count, key=lambda pile: (pile[0], -pile[1].width * pile[1].height))
    return tuple(
        PileLabel(codes[need], name, need, count[name, need], tuple(blocks[name, need]))
        for name, need in order
    )


def kit_labels(quilt: Quilt) -> tuple[KitLabel, ...]:
    """A label for each kit, in the order of their places in the quilt."""
    problem = quilt.kept.cutting.problem
    codes, slots = piece_codes(problem.needs), slots_of(problem)
    found = []
    for kit, places in _kits(quilt):
        pieces: dict[str, list[str]] = {}
        for name, number in zip(kit, slots, strict=True):
            pieces.setdefault(quilt.prints[name].name, []).append(codes[problem.needs[number]])
        together = tuple((name, " ".join(of_it)) for name, of_it in pieces.items())
        found.append(KitLabel(places, together))
    return tuple(found)


def _kits(quilt: Quilt) -> Iterator[tuple[tuple[str, ...], tuple[str, ...]]]:
    """The kits that lie in the quilt, with the places of their blocks."""
    batch = quilt.kept.cutting.problem.batch
    places: dict[int, list[str]] = {}
    for placed in quilt.placed:
        places.setdefault(placed.kit // batch, []).append(
            number_of(Seat(placed.row, placed.column))
        )
    for number, of_it in places.items():
        yield quilt.kept.kits[number * batch], tuple(of_it)
