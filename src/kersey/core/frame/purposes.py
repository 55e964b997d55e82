"""What a quilt is for: the beds and laps it may cover.

A purpose is a range of finished sizes. A bed's is one size: mattress + drop on each side and at
the foot + pillow tuck (docs/trade.md section 5), each of which a person may change.
"""

from dataclasses import dataclass
from fractions import Fraction

from kersey.core.errors import InvalidValue
from kersey.core.measure.length import CENTIMETRE, Units

# docs/trade.md section 5: 12 by default; a crib quilt only covers the mattress.
USUAL_DROP = Fraction(12)
NO_TUCK = Fraction(0)
# A quilt is still for a purpose when it is this much larger or smaller than asked for.
NEAR_ENOUGH = Fraction(4)
SMALLEST_SIDE = Fraction(6)
LARGEST_SIDE = Fraction(140)

ANY_PURPOSE = "any"
OWN_SIZE = "own"


class BadPurpose(InvalidValue):
    """A size that no quilt has."""


@dataclass(frozen=True)
class Purpose:
    """A range of finished sizes, width x length, in inches."""

    key: str
    name: str
    least_width: Fraction
    least_length: Fraction
    most_width: Fraction
    most_length: Fraction

    def short_by(self, width: Fraction, length: Fraction) -> tuple[Fraction, Fraction]:
        """How far a size is from the range: (width, length), negative when too small.

        >>> THROW.short_by(Fraction(54), Fraction(73))
        (Fraction(-6, 1), Fraction(1, 1))
        """
        return (
            _outside(width, self.least_width, self.most_width),
            _outside(length, self.least_length, self.most_length),
        )

    def distance(self, width: Fraction, length: Fraction) -> Fraction:
        """Inches by which a size misses the range, both ways added."""
        across, down = self.short_by(width, length)
        return abs(across) + abs(down)


@dataclass(frozen=True)
class Bed:
    """A mattress, width x length in inches, and whether the quilt hangs over its sides."""

    key: str
    name: str
    width: Fraction
    length: Fraction
    hangs: bool = True

    def purpose(self, drop: Fraction, tuck: Fraction) -> Purpose:
        """The quilt for this bed: the drop on both sides and the foot, the tuck at the head.

        >>> bed = Bed("twin", "twin bed", Fraction(39), Fraction(75))
        >>> quilt = bed.purpose(Fraction(12), Fraction(0))
        >>> quilt.least_width, quilt.least_length
        (Fraction(63, 1), Fraction(87, 1))
        """
        over = drop if self.hangs else Fraction(0)
        return exact_purpose(self.key, self.name, self.width + 2 * over, self.length + over + tuck)


def exact_purpose(
    key: str,
    name: str,
    width: Fraction,
    length: Fraction,
    fields: tuple[str, str] = ("drop", "drop"),
) -> Purpose:
    """A purpose of one size; raises `BadPurpose` for one that no quilt has.

    `fields` are those that width and length follow from.
    """
    for field, side in zip(fields, (width, length), strict=True):
        if not SMALLEST_SIDE <= side <= LARGEST_SIDE:
            raise BadPurpose("A side can be 6″ (15 cm) to 140″ (3.5 m), like 54 or 1.4 m.", field)
    return Purpose(key, name, width, length, width, length)


def _range(key: str, name: str, *sides: int) -> Purpose:
    return Purpose(key, name, *(Fraction(side) for side in sides))


def _inch_bed(key: str, width: int, length: int, hangs: bool = True) -> Bed:
    return Bed(key, f"{key} bed", Fraction(width), Fraction(length), hangs)


def _metric_bed(width: int, length: int) -> Bed:
    name = f"bed {width} × {length} cm"
    return Bed(f"{width}x{length}", name, width * CENTIMETRE, length * CENTIMETRE)


BABY = _range("baby", "baby quilt", 36, 45, 45, 60)
WHEELCHAIR = _range("wheelchair", "wheelchair lap quilt", 36, 42, 36, 42)
LAP = _range("lap", "lap quilt", 45, 60, 60, 70)
THROW = _range("throw", "throw", 60, 72, 60, 72)
COVERS = (BABY, WHEELCHAIR, LAP, THROW)
BEDS = (
    _inch_bed("crib", 28, 52, hangs=False),
    _inch_bed("twin", 39, 75),
    _inch_bed("full", 54, 75),
    _inch_bed("queen", 60, 80),
    _inch_bed("king", 76, 80),
)
METRIC_BEDS = (
    _metric_bed(90, 200),
    _metric_bed(140, 200),
    _metric_bed(160, 200),
    _metric_bed(180, 200),
)
ALL_BEDS = {bed.key: bed for bed in (*BEDS, *METRIC_BEDS)}


def _outside(value: Fraction, least: Fraction, most: Fraction) -> Fraction:
    if value < least:
        return value - least
    return max(value - most, Fraction(0))


@dataclass(frozen=True)
class Wish:
    """What is to be covered: a purpose's key, a bed's drop and tuck, or a size of one's own."""

    key: str = ANY_PURPOSE
    drop: Fraction = USUAL_DROP
    tuck: Fraction = NO_TUCK
    own_width: Fraction | None = None
    own_length: Fraction | None = None

    def __post_init__(self) -> None:
        if self.key not in WISH_KEYS:
            raise BadPurpose(
                f"Choose what the quilt is for from the list; “{self.key[:30]}” isn't on it.",
                "purpose",
            )
        for field, over in (("drop", self.drop), ("tuck", self.tuck)):
            if not 0 <= over <= 30:
                raise BadPurpose("Drop and tuck can be 0 to 30″ (75 cm), like 12.", field)
        self.purposes()

    def purposes(self, units: Units = Units.INCHES) -> tuple[Purpose, ...]:
        """The purposes a size may be held against: one, or all when anything will do."""
        if self.key == ANY_PURPOSE:
            beds = BEDS if units is Units.INCHES else (BEDS[0], *METRIC_BEDS)
            return (*COVERS, *(bed.purpose(self.drop, self.tuck) for bed in beds))
        if self.key == OWN_SIZE:
            return (self._own_purpose(),)
        if self.key in ALL_BEDS:
            return (ALL_BEDS[self.key].purpose(self.drop, self.tuck),)
        return tuple(cover for cover in COVERS if cover.key == self.key)

    def _own_purpose(self) -> Purpose:
        if self.own_width is None or self.own_length is None:
            raise BadPurpose("Type the width and length you want, like 28 and 74.", "own_width")
        said = ("own_width", "own_length")
        return exact_purpose(OWN_SIZE, "your size", self.own_width, self.own_length, said)


WISH_KEYS = frozenset({ANY_PURPOSE, OWN_SIZE, *ALL_BEDS, *(cover.key for cover in COVERS)})
