"""Borders as they are sewn on: cut to the quilt that lies there, one pair after the other.

    before a border    three readings across and three down
    first pair         as long as the quilt measures that way
    second pair        as long as it measures once the first is on (butted), or as before
                       (corner squares lengthen it; mitres are cut longer by two widths and 4)

Cut as wide as was reckoned, or each pair as wide as brings its own axis to the reckoned size:
the side borders answer the width, those above and below the length, so that corner squares may be
rectangles. What was measured goes on from border to border. Source: docs/trade.md section 6.
"""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from enum import IntEnum
from fractions import Fraction

from kersey.core.finish.border_readings import SideSays, quarter_marks, side_says
from kersey.core.frame.borders import MITRE_NEEDS, BadBorder, Border, Corners, fitted_cut
from kersey.core.measure.length import EIGHTH, round_to
from kersey.core.project.project import Project
from kersey.core.project.sewing import Measured
from kersey.core.quilt.quilt import Quilt

Size = tuple[Fraction, Fraction]
# The quilt is measured a couple of inches in from each edge, and in the middle.
PLACES = ("near one edge", "in the middle", "near the other edge")


class Axis(IntEnum):
    """What is measured before a border; `AGAIN` is the second pair's way, once the first is on."""

    ACROSS = 0
    DOWN = 1
    AGAIN = 2


@dataclass(frozen=True)
class Pair:
    """Two strips alike: at the sides, or above and below. Lengths in inches, as they are cut.

    `rests` are the readings that its length rests on; without any it is `reckoned`. The width is
    `fitted` where it brings the quilt to its size; to be mitred it reaches `beyond` its side by so
    much in all. `corner` is the square, or rectangle, that is
    sewn to both ends of each.
    """

    sides: bool
    cut_width: Fraction
    cut_length: Fraction
    reckoned: Fraction
    rests: SideSays | None
    fitted: bool = False
    beyond: Fraction = Fraction(0)
    corner: Size | None = None

    @property
    def side(self) -> Fraction:
        """How long the side is that it is sewn to."""
        return self.cut_length - self.beyond

    @property
    def marks(self) -> tuple[Fraction, Fraction, Fraction]:
        """Where it is marked to be pinned to the quilt's middle and quarters, from one end."""
        return quarter_marks(self.cut_length, self.side)


@dataclass(frozen=True)
class BorderSewn:
    """One border: what is measured for it by axis, with what is expected of each; both pairs in
    the order of sewing; and the unfinished size that the quilt has with it."""

    number: int
    expected: Mapping[Axis, Fraction]
    says: Mapping[Axis, SideSays]
    pairs: tuple[Pair, Pair]
    size: Size


def borders_sewn(quilt: Quilt, project: Project) -> tuple[BorderSewn, ...]:
    """Every border of a quilt as it is cut to what was measured, the innermost first."""
    found = list[BorderSewn]()
    size = body_size(quilt)
    wanted = size
    for number, border in enumerate(quilt.borders):
        if border.key is not None:
            # The spacer that makes keys fit is sewn on before them.
            size, wanted = _with_spacer(quilt, size), _with_spacer(quilt, wanted)
        says = _says(project, number)
        wanted = wanted[0] + 2 * border.finished_width, wanted[1] + 2 * border.finished_width
        sewn = _sewn(quilt, project, border, number, size, wanted, says)
        if found and border.key is None and project.design.corners is Corners.MITRED:
            sewn = _in_one_band(sewn, found[0])
        found.append(sewn)
        size = sewn.size
    return tuple(found)


def _in_one_band(sewn: BorderSewn, first: BorderSewn) -> BorderSewn:
    """A border joined to the first and sewn on with it: its marks are those of the quilt."""
    one, other = (
        replace(pair, beyond=pair.cut_length - inner.side)
        for pair, inner in zip(sewn.pairs, first.pairs, strict=True)
    )
    return replace(sewn, pairs=(one, other))


def body_size(quilt: Quilt) -> Size:
    """The unfinished top inside its borders, as reckoned."""
    width, length = (side + 2 * quilt.kept.seam for side in quilt.scheme.body)
    return width, length


def _with_spacer(quilt: Quilt, size: Size) -> Size:
    across, down = quilt.size.spacer
    return size[0] + 2 * across, size[1] + 2 * down


def reading_number(border: int, axis: Axis) -> int:
    """What the readings of an axis before a border are kept under."""
    return len(Axis) * border + axis


def _says(project: Project, border: int) -> dict[Axis, SideSays]:
    found = {}
    for axis in Axis:
        number = reading_number(border, axis)
        read = [r.read for r in project.sewing.of(Measured.BORDER) if r.number == number]
        if read:
            found[axis] = side_says(read)
    return found


def _sewn(
    quilt: Quilt,
    project: Project,
    border: Border,
    number: int,
    size: Size,
    wanted: Size,
    says: Mapping[Axis, SideSays],
) -> BorderSewn:
    design, seam = project.design, quilt.kept.seam
    across = _known(says.get(Axis.ACROSS), size[0])
    down = _known(says.get(Axis.DOWN), size[1])
    # Keys are as wide as they are: they are pieced, not cut to measure.
    fitting = project.finishing.own_width and border.key is None
    side_cut, side_fitted = _width(border, across, wanted[0], seam, fitting)
    end_cut, end_fitted = _width(border, down, wanted[1], seam, fitting)
    after = across + 2 * (side_cut - 2 * seam), down + 2 * (end_cut - 2 * seam)
    first_sides = design.sides_first
    sides = Pair(True, side_cut, _cut(down), size[1], says.get(Axis.DOWN), side_fitted)
    ends = Pair(False, end_cut, _cut(across), size[0], says.get(Axis.ACROSS), end_fitted)
    pairs = (sides, ends) if first_sides else (ends, sides)
    expected = {Axis.ACROSS: size[0], Axis.DOWN: size[1]}
    if border.corner is not None:
        pairs = pairs[0], _with(pairs[1], corner=(side_cut, end_cut))
    elif design.corners is Corners.MITRED:
        longer = _mitre(quilt, number)
        pairs = _with(pairs[0], longer=longer), _with(pairs[1], longer=longer)
        # Sewn to one another first, borders are measured for together.
        expected = expected if number == 0 else {}
    elif border.key is None:
        again = after[0] if first_sides else after[1]
        expected[Axis.AGAIN] = again
        said = says.get(Axis.AGAIN)
        length = _known(said, again)
        pairs = pairs[0], _with(pairs[1], length=_cut(length), rests=said)
        after = (length, after[1]) if first_sides else (after[0], length)
    return BorderSewn(number, expected, says, pairs, after)


def _mitre(quilt: Quilt, number: int) -> Fraction:
    """How much longer than the quilt before it a border is cut: all are as long as the outermost
    that is mitred needs; keys are pieced round them."""
    widths = [each.finished_width for each in quilt.borders if each.key is None]
    return 2 * sum(widths[number:], Fraction(0)) + MITRE_NEEDS


def _known(says: SideSays | None, reckoned: Fraction) -> Fraction:
    """A side as reckoned, or as it is once it was eased to the strip that was cut by readings."""
    return reckoned if says is None else _cut(says.average)


def _cut(length: Fraction) -> Fraction:
    return round_to(EIGHTH, length)


def _width(
    border: Border, measured: Fraction, wanted: Fraction, seam: Fraction, fitting: bool
) -> tuple[Fraction, bool]:
    """How wide a pair is cut, to the nearest eighth, and whether that is to reach the size."""
    if not fitting:
        return border.cut_width, False
    try:
        cut = round_to(EIGHTH, fitted_cut(wanted, measured, seam))
    except BadBorder:
        return border.cut_width, False
    return (cut, True) if cut > 2 * seam else (border.cut_width, False)


def _with(
    pair: Pair,
    length: Fraction | None = None,
    longer: Fraction = Fraction(0),
    rests: SideSays | None = None,
    corner: Size | None = None,
) -> Pair:
    return Pair(
        pair.sides,
        pair.cut_width,
        (pair.cut_length if length is None else length) + longer,
        pair.reckoned if length is None else length,
        pair.rests if length is None else rests,
        pair.fitted,
        longer,
        corner,
    )
