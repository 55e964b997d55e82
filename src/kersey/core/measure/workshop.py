"""What a quilter has settled once for all work: seam, usable width, units."""

from dataclasses import dataclass
from fractions import Fraction

from kersey.core.errors import InvalidValue
from kersey.core.measure.length import Units

# docs/trade.md section 1: a quarter inch everywhere, 42 usable unless measured.
QUARTER_INCH = Fraction(1, 4)
USUAL_WIDTH = Fraction(42)
WIDEST_SEAM = Fraction(1)
NARROWEST_CLOTH = Fraction(18)
WIDEST_CLOTH = Fraction(120)


class BadWorkshop(InvalidValue):
    """A seam or a usable width that nobody sews with."""


@dataclass(frozen=True)
class Workshop:
    """Seam and usable width of bought fabric in inches; the units a person thinks in."""

    seam: Fraction = QUARTER_INCH
    usable_width: Fraction = USUAL_WIDTH
    units: Units = Units.INCHES

    def __post_init__(self) -> None:
        check_seam(self.seam)
        check_usable_width(self.usable_width)


def check_seam(seam: Fraction) -> None:
    """Raise `BadWorkshop` unless the seam is more than 0 and at most an inch."""
    if not 0 < seam <= WIDEST_SEAM:
        raise BadWorkshop("A seam allowance can be up to 1″ (2.5 cm), like 1/4 or 0.75 cm.", "seam")


def check_usable_width(width: Fraction) -> None:
    """Raise `BadWorkshop` unless fabric is sold in this usable width."""
    if not NARROWEST_CLOTH <= width <= WIDEST_CLOTH:
        raise BadWorkshop(
            "Usable width can be 18″ (45 cm) to 120″ (3 m), like 42 or 107 cm.", "usable_width"
        )
