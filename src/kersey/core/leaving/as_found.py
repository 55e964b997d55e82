"""What somebody found of what was to be left: fewer pieces than proposed, or smaller ones.

    3 of 4 x 9        so many, so large
    3                 so many, as large as proposed

More than the plan leaves, or larger, is not taken: cloth would come from nowhere.
"""

import re
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.errors import InvalidValue
from kersey.core.measure.length import Units, parse_length

_FOUND = re.compile(r"\s*(\d{1,5})\s*(?:of\s*(\S.*?))?\s*", re.IGNORECASE)
_BY = re.compile(r"\s*[x×*]\s*|\s+by\s+")


class BadFound(InvalidValue):
    """What cannot have been found."""


@dataclass(frozen=True)
class FoundPieces:
    """So many pieces; of the size proposed where none is said. Inches."""

    count: int
    size: tuple[Fraction, Fraction] | None = None


def read_found(text: str, units: Units = Units.INCHES) -> FoundPieces:
    """What is written of pieces that were found; raises `BadFound`.

    >>> read_found("3 of 4 x 9 1/2")
    FoundPieces(count=3, size=(Fraction(4, 1), Fraction(19, 2)))
    >>> read_found("0")
    FoundPieces(count=0, size=None)
    """
    read = _FOUND.fullmatch(text)
    if read is None:
        raise BadFound("Type the count and size, like 3 of 4 x 9.", "found")
    if read[2] is None:
        return FoundPieces(int(read[1]))
    sides = _BY.split(read[2])
    if len(sides) > 2:
        raise BadFound("Type two sides, like 4 x 9.", "found")
    try:
        lengths = [parse_length(side, units) for side in sides]
    except InvalidValue as error:
        raise BadFound(str(error), "found") from None
    if min(lengths) <= 0:
        raise BadFound("A side must be larger than 0.", "found")
    return FoundPieces(int(read[1]), (lengths[0], lengths[-1]))
