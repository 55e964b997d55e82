"""How good a whole quilt is: six opinions from 0 to 1, weighed against one another by its aim.

    use      how much of what the cloth could give lies in the quilt
    fit      how near its size comes to what it is for; 0 from 24 inches off, both ways together
    shape    how near length : width comes to 1.3
    look     sashing a quarter to a third of a block; the outer border near half a block
    buying   how little is bought: 0 where four times the quilt's area is
    size     how large it is, of the largest that there is

The score is their sum, each times its weight; weights add up to 1.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from enum import StrEnum
from fractions import Fraction

import numpy as np
from numpy.typing import NDArray

from kersey.core.errors import InvalidValue
from kersey.core.frame.purposes import Purpose
from kersey.core.frame.sashing import BROADEST, SLIMMEST
from kersey.core.whole.scheme_space import Floats, Schemes

OPINIONS = ("use", "fit", "shape", "look", "buying", "size")
_PLEASANT_RATIO, _RATIO_OFF = 1.3, 0.7
_FAR_OFF = 24.0
_MUCH_BOUGHT = 4.0
# Neither sashing nor borders are needed; what is well chosen is a little better than none.
_PLAIN = 0.85
# Off the share of a block by so much, sashing is no better than none at all.
_SASHING_OFF = 0.25


class BadWeights(InvalidValue):
    """Weights that cannot be."""


class Aim(StrEnum):
    """What the best quilt is best at."""

    BALANCED = "balanced"
    LARGEST = "largest"
    TARGET = "target"
    LEAST_WASTE = "least-waste"
    NO_BUYING = "no-buying"


_WEIGHTS: Mapping[Aim, tuple[float, ...]] = {
    Aim.BALANCED: (0.30, 0.25, 0.10, 0.15, 0.20, 0.0),
    Aim.LARGEST: (0.10, 0.0, 0.05, 0.05, 0.10, 0.70),
    Aim.TARGET: (0.10, 0.70, 0.0, 0.10, 0.10, 0.0),
    Aim.LEAST_WASTE: (0.70, 0.0, 0.10, 0.10, 0.10, 0.0),
    Aim.NO_BUYING: (0.10, 0.10, 0.0, 0.10, 0.70, 0.0),
}


@dataclass(frozen=True)
class Target:
    """A finished size that is wanted, in inches, and how far off is still good."""

    width: Fraction
    length: Fraction
    tolerance: Fraction = Fraction(4)


@dataclass(frozen=True)
class Judge:
    """What quilts are judged by: the weights of an aim, or a person's own; purposes or a target."""

    aim: Aim = Aim.BALANCED
    purposes: tuple[Purpose, ...] = ()
    target: Target | None = None
    own_weights: Mapping[str, float] = field(default_factory=dict)

    def __post_init__(self) -> None:
        for name, weight in self.own_weights.items():
            if name not in OPINIONS:
                raise BadWeights(f"“{name[:30]}” isn't one of {', '.join(OPINIONS)}.", name)
            if not 0 <= weight <= 100:
                raise BadWeights("A weight can be 0 to 100.", name)
        if self.own_weights and not sum(self.own_weights.values()):
            raise BadWeights("At least one weight must be more than 0.", "weights")

    @property
    def weights(self) -> dict[str, float]:
        """What each opinion counts for; together 1."""
        if not self.own_weights:
            return dict(zip(OPINIONS, _WEIGHTS[self.aim], strict=True))
        everything = sum(self.own_weights.values())
        return {name: self.own_weights.get(name, 0.0) / everything for name in OPINIONS}

    def score(self, opinions: Mapping[str, Floats | float]) -> Floats:
        """Opinions, weighed; in one order, so that the same opinions make the same sum."""
        weights, total = self.weights, np.zeros(1)
        for name in OPINIONS:
            opinion = np.asarray(opinions[name])
            if name == "buying" and self.aim is Aim.NO_BUYING and not self.own_weights:
                # What needs nothing bought at all comes before anything else.
                opinion = np.where(opinion < 1, opinion / 2, opinion)
            total = total + weights[name] * opinion
        return total

    def fit(self, width: Floats, length: Floats) -> Floats:
        """How near sizes come to what they are for."""
        if self.target is not None:
            return self._fit_of_target(width, length)
        off = np.full(np.broadcast(width, length).shape, np.inf)
        for purpose in self.purposes:
            across = _outside(width, purpose.least_width, purpose.most_width)
            down = _outside(length, purpose.least_length, purpose.most_length)
            off = np.minimum(off, across + down)
        return np.maximum(0.0, 1.0 - off / _FAR_OFF)

    def _fit_of_target(self, width: Floats, length: Floats) -> Floats:
        """Within the tolerance always better than beyond it."""
        assert self.target is not None
        across = np.abs(width - float(self.target.width))
        down = np.abs(length - float(self.target.length))
        near = np.maximum(across, down) <= float(self.target.tolerance)
        closeness = np.maximum(0.0, 1.0 - (across + down) / _FAR_OFF)
        return np.where(near, 0.5 + closeness / 2, closeness / 2)


def shape(width: Floats, length: Floats) -> Floats:
    """How near the sides come to a pleasant proportion."""
    ratio = np.maximum(width, length) / np.minimum(width, length)
    return np.maximum(0.0, 1.0 - np.abs(ratio - _PLEASANT_RATIO) / _RATIO_OFF)


def buying(bought: Floats | float, width: Floats, length: Floats) -> Floats:
    """How little is bought: square inches of cloth, against the size of the quilt."""
    return np.maximum(0.0, 1.0 - np.asarray(bought) / (_MUCH_BOUGHT * width * length))


def look(schemes: Schemes) -> Floats:
    """What sashing and borders do for the blocks: a row for each body, a column for its borders."""
    side = float(min(schemes.block))
    kinds = np.array([_sashing_looks(float(kind.width) / side) for kind in schemes.sashings])
    of_sashing = kinds[schemes.sashing]
    of_borders = np.array([_borders_look(widths, side) for widths in schemes.space.borders])
    both: Floats = (of_sashing.reshape(-1, 1) + of_borders) / 2
    return both


def _sashing_looks(share: float) -> float:
    if not share:
        return _PLAIN
    off = max(float(SLIMMEST) - share, share - float(BROADEST), 0.0)
    return max(0.0, 1.0 - off / _SASHING_OFF)


def _borders_look(widths: Sequence[Fraction], side: float) -> float:
    if not widths:
        return _PLAIN
    off = abs(float(widths[-1]) / side - 0.5)
    # Each border more must be worth its sewing.
    return max(0.0, 1.0 - off) - 0.05 * (len(widths) - 1)


def _outside(values: Floats, least: Fraction, most: Fraction) -> NDArray[np.float64]:
    off: Floats = np.maximum(0.0, np.maximum(float(least) - values, values - float(most)))
    return off
