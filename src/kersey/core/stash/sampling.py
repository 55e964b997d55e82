"""Scraps reckoned from a sample: measure ten, weigh all.

    area of all      grams / grams of a square metre (145 unless the sample was weighed)
    pieces           area of all / mean area of the sample
    usable           the share of the sample that a size fits into, of all pieces

A sample tells no more than it can: the mean is off by about two standard errors, 2 s / sqrt n of
the sample's own scatter; a share p by 2 sqrt(p (1 - p) / n), and of a sample that has none, or all,
by as much as three pieces more would make. Both are said as a spread, about 19 times in 20 true.
Source: docs/trade.md section 2.
"""

import re
from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from math import sqrt

from kersey.core.cloth.fabric import MOST_GRAMS, area_of_scraps
from kersey.core.errors import InvalidValue
from kersey.core.measure.length import Units, parse_length

Size = tuple[Fraction, Fraction]
LEAST_SAMPLE, MOST_SAMPLE = 3, 200
# So many standard errors on either side: true about 19 times in 20.
_ERRORS = 2.0
# Of what was never seen in n pieces there may be this many in n all the same.
_UNSEEN = 3.0
_BETWEEN = re.compile(r"\s*[x×*]\s*|\s+by\s+")
_AND = re.compile(r"\s*[;,\n]\s*")


class BadSample(InvalidValue):
    """A sample that says nothing."""


@dataclass(frozen=True)
class Spread:
    """A number that is likely, and between which two it lies."""

    likely: float
    low: float
    high: float


@dataclass(frozen=True)
class Estimate:
    """What scraps come to: square inches, pieces, and of those how many a size fits into."""

    area: Spread
    pieces: Spread
    usable: Spread | None


def read_sample(text: str, units: Units = Units.INCHES) -> tuple[Size, ...]:
    """The sizes of a sample, like ``2 x 9, 3 1/2 x 4``. Raises `BadSample`.

    >>> [tuple(map(str, size)) for size in read_sample("2 x 9; 3 1/2 x 4; 1 x 1")]
    [('2', '9'), ('7/2', '4'), ('1', '1')]
    """
    parts = [part for part in _AND.split(text.strip()) if part]
    if not LEAST_SAMPLE <= len(parts) <= MOST_SAMPLE:
        raise BadSample(
            f"Measure {LEAST_SAMPLE} to {MOST_SAMPLE} pieces; ten is a good number.", "sample"
        )
    return tuple(_size(part, units) for part in parts)


def _size(text: str, units: Units) -> Size:
    sides = [side for side in _BETWEEN.split(text) if side.strip()]
    if len(sides) != 2:
        raise BadSample("Type sizes like 2 x 9, 3 1/2 x 4.", "sample")
    try:
        one, other = sorted(parse_length(side.strip(), units) for side in sides)
    except ValueError as error:
        raise BadSample(str(error), "sample") from None
    if one <= 0:
        raise BadSample("A piece must be larger than 0.", "sample")
    return one, other


def estimate(
    sample: Sequence[Size], grams: int, sample_grams: int | None = None, wanted: Size | None = None
) -> Estimate:
    """What scraps of so many grams come to by a sample of them, which weighs so much, if that is
    known; and how many pieces are `wanted` at least so large. Raises `BadSample`."""
    if not 1 <= grams <= MOST_GRAMS:
        raise BadSample("Scraps can weigh 1 g to 100 kg, like 900.", "grams")
    if sample_grams is not None and not 1 <= sample_grams <= grams:
        raise BadSample("The sample can't weigh more than the whole lot.", "sample_grams")
    areas = [float(width * length) for width, length in sample]
    count, mean = len(areas), sum(areas) / len(areas)
    scatter = sqrt(sum((area - mean) ** 2 for area in areas) / max(1, count - 1))
    off = _ERRORS * scatter / sqrt(count) / mean
    area = _area(grams, sample_grams, sum(areas))
    pieces = _around(area.likely / mean, off)
    return Estimate(area, pieces, None if wanted is None else _usable(sample, pieces, wanted))


def _area(grams: int, sample_grams: int | None, sampled: float) -> Spread:
    """By the sample's own weight where it was weighed; a kitchen scale is a gram off."""
    if sample_grams is None:
        # Quilting cottons differ by a fifth either way.
        return _around(float(area_of_scraps(grams)), 0.2)
    return _around(sampled * grams / sample_grams, 1.0 / sample_grams)


def _usable(sample: Sequence[Size], pieces: Spread, wanted: Size) -> Spread:
    short, long = sorted(wanted)
    fitting = sum(min(size) >= short and max(size) >= long for size in sample)
    count = len(sample)
    share = fitting / count
    off = _ERRORS * sqrt(share * (1 - share) / count)
    low, high = max(0.0, share - off), min(1.0, share + off)
    if fitting == 0:
        high = min(1.0, _UNSEEN / count)
    if fitting == count:
        low = max(0.0, 1 - _UNSEEN / count)
    return Spread(share * pieces.likely, low * pieces.low, high * pieces.high)


def _around(likely: float, off: float) -> Spread:
    """A number that may be off by a part of itself either way."""
    return Spread(likely, likely * max(0.0, 1 - off), likely * (1 + off))
