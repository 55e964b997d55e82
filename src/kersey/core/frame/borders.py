"""A plain border, butted: sides first, then top and bottom.

    cut = finished + 2s
    sides            two as long as the unfinished quilt before this border
    top and bottom   two as long as the unfinished width once the sides are on

Source: docs/trade.md section 6.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.errors import InvalidValue
from kersey.core.frame.joining import strips_to_join
from kersey.core.measure.length import CENTIMETRE, Units
from kersey.core.measure.workshop import Workshop

WIDEST_BORDER = Fraction(20)
# Widths people really choose; 0 is no border.
INCH_WIDTHS = tuple(Fraction(w) for w in ("0", "1", "3/2", "2", "5/2", "3", "4", "5", "6"))
METRIC_WIDTHS = tuple(
    Fraction(w) * CENTIMETRE for w in ("0", "2.5", "4", "5", "6", "7.5", "10", "12", "15")
)


class BadBorder(InvalidValue):
    """A border that cannot be."""


@dataclass(frozen=True)
class Border:
    """One border: what is cut for it. Lengths in inches; `sides` and `ends` are two of each."""

    finished_width: Fraction
    cut_width: Fraction
    sides: Fraction
    ends: Fraction
    strips: int
    joined: bool

    @property
    def cloth(self) -> Fraction:
        """Length of cloth that the strips take off the bolt, in inches, not rounded."""
        return self.strips * self.cut_width


def widths_to_propose(units: Units) -> tuple[Fraction, ...]:
    """Finished border widths worth trying, none first."""
    return INCH_WIDTHS if units is Units.INCHES else METRIC_WIDTHS


def check_border_width(finished_width: Fraction) -> None:
    """Raise `BadBorder` for a border nobody could sew."""
    if not 0 <= finished_width <= WIDEST_BORDER:
        raise BadBorder("A border is from 0 (none) to 20″ (50 cm) wide, like 3.")


def plan_border(
    body_width: Fraction, body_length: Fraction, finished_width: Fraction, shop: Workshop
) -> Border | None:
    """The border round a body of this finished size; None when its width is 0.

    >>> border = plan_border(Fraction(48), Fraction(60), Fraction(3), Workshop())
    >>> border.sides, border.ends, border.strips
    (Fraction(121, 2), Fraction(109, 2), 6)
    """
    check_border_width(finished_width)
    if finished_width == 0:
        return None
    sides = body_length + 2 * shop.seam
    ends = body_width + 2 * finished_width + 2 * shop.seam
    lengths = (sides, sides, ends, ends)
    joined = max(lengths) > shop.usable_width
    strips = (
        strips_to_join(sum(lengths, Fraction(0)), shop.usable_width, 2 * shop.seam)
        if joined
        else fewest_strips(lengths, shop.usable_width)
    )
    return Border(finished_width, finished_width + 2 * shop.seam, sides, ends, strips, joined)


def fewest_strips(lengths: Sequence[Fraction], strip_length: Fraction) -> int:
    """The fewest strips out of which all `lengths` can be cut whole, by trying every way.

    Meant for the four lengths of a border; each must fit a strip.

    >>> fewest_strips([Fraction(30), Fraction(30), Fraction(12), Fraction(12)], Fraction(42))
    2
    """
    return _fewest(tuple(sorted(lengths, reverse=True)), (), strip_length)


def _fewest(
    lengths: tuple[Fraction, ...], open_strips: tuple[Fraction, ...], strip_length: Fraction
) -> int:
    if not lengths:
        return len(open_strips)
    first, rest = lengths[0], lengths[1:]
    choices = [
        _fewest(rest, (*open_strips[:i], left - first, *open_strips[i + 1 :]), strip_length)
        for i, left in enumerate(open_strips)
        if left >= first
    ]
    return min([*choices, _fewest(rest, (*open_strips, strip_length - first), strip_length)])
