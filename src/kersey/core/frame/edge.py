"""How the edge of a quilt is finished, and what size that makes it.

    bound     double-fold, single-fold or bias strips: finished = top - 2s shows inside the binding,
              which wraps the raw edge: from edge to edge it is as large as its trimmed top
    folded    the backing is cut with the margin for quilting, and never less than 2w + 1 a side, w
              the finished width; trimmed to 2w beyond the top it is folded to the front:
              finished = top; it hides w of the top all round
    turned    the backing is cut D larger both ways, D = 4f for a frame f, sewn on and turned:
              finished = top - 2s + D / 2

Bias strips of a width w come off a length h of cloth, at 45 degrees: those that reach from edge to
edge are h sqrt 2 long, and there are n while  h + n w sqrt 2 <= usable width; in the two corners
each is 2w shorter than the one before.
Source: docs/trade.md section 6.
"""

from dataclasses import dataclass
from fractions import Fraction
from math import isqrt

from kersey.core.errors import Infeasible, InvalidValue
from kersey.core.frame.binding import SHORTEST_SCRAP
from kersey.core.measure.length import YARD, format_length
from kersey.core.measure.root2 import Root2
from kersey.core.measure.spoken import Spoken

_EIGHTH_YARD = YARD / 8
# Square roots are written down to this: a strip is never longer than it is said to be.
_WRITTEN_TO = Fraction(1, 64)


class BadEdge(InvalidValue):
    """An edge that cannot be finished so."""


class NoBias(Infeasible):
    """The cloth is too narrow to cut so much bias from one length of it."""

    def __init__(self) -> None:
        super().__init__(
            "One length of this fabric won't give that much bias binding. Use wider "
            "fabric or straight binding."
        )


class EdgeStyle(Spoken):
    """The schools of finishing an edge."""

    DOUBLE_FOLD = "double-fold"
    SINGLE_FOLD = "single-fold"
    BIAS = "bias"
    FOLDED = "folded-backing", "backing folded to the front"
    TURNED = "turned", "backing turned to a frame"


# Strips as they are cut; of the folded backing and the turned frame what shows.
USUAL_WIDTHS = {
    EdgeStyle.DOUBLE_FOLD: Fraction(5, 2),
    EdgeStyle.SINGLE_FOLD: Fraction(5, 4),
    EdgeStyle.BIAS: Fraction(5, 2),
    EdgeStyle.FOLDED: Fraction(1, 2),
    EdgeStyle.TURNED: Fraction(2),
}
# What a backing is cut beyond its fold, to be quilted and then trimmed.
_TO_HOLD = Fraction(1)
_WIDTHS = {
    EdgeStyle.DOUBLE_FOLD: (Fraction(3, 2), Fraction(4)),
    EdgeStyle.SINGLE_FOLD: (Fraction(3, 4), Fraction(4)),
    EdgeStyle.BIAS: (Fraction(3, 2), Fraction(4)),
    EdgeStyle.FOLDED: (Fraction(1, 4), Fraction(3)),
    EdgeStyle.TURNED: (Fraction(1, 2), Fraction(6)),
}


_CALLED = {
    EdgeStyle.DOUBLE_FOLD: "Binding strips can be",
    EdgeStyle.SINGLE_FOLD: "Single-fold strips can be",
    EdgeStyle.BIAS: "Bias strips can be",
    EdgeStyle.FOLDED: "A folded backing can show",
    EdgeStyle.TURNED: "A turned frame can show",
}


@dataclass(frozen=True)
class Edge:
    """A school, and its width in inches: cut, or what shows of the folded and the turned one."""

    style: EdgeStyle = EdgeStyle.DOUBLE_FOLD
    width: Fraction = USUAL_WIDTHS[EdgeStyle.DOUBLE_FOLD]

    def __post_init__(self) -> None:
        least, most = _WIDTHS[self.style]
        if not least <= self.width <= most:
            usual = format_length(USUAL_WIDTHS[self.style])
            raise BadEdge(
                f"{_CALLED[self.style]} {format_length(least)} to "
                f"{format_length(most)} wide, like {usual}.",
                "width",
            )

    @property
    def has_strips(self) -> bool:
        """Whether it is a binding of its own, cut in strips."""
        return self.style not in (EdgeStyle.FOLDED, EdgeStyle.TURNED)

    def hides(self, seam: Fraction) -> Fraction:
        """How much of the top's edge does not show, all round."""
        return self.width if self.style is EdgeStyle.FOLDED else seam

    def finished(self, top: Fraction, seam: Fraction) -> Fraction:
        """A side of the quilt once it is finished, from the side of its unfinished top.

        >>> Edge(EdgeStyle.TURNED, Fraction(2)).finished(Fraction(81, 2), Fraction(1, 4))
        Fraction(44, 1)
        """
        if self.style is EdgeStyle.FOLDED:
            return top
        return top - 2 * seam + (2 * self.width if self.style is EdgeStyle.TURNED else 0)

    def outer(self, top: Fraction, seam: Fraction) -> Fraction:
        """A side of the quilt from edge to edge, from the side of its trimmed top."""
        return self.finished(top, seam) if self.style is EdgeStyle.TURNED else top

    def backing(self, top: Fraction, margin: Fraction) -> Fraction:
        """A side of the backing as it is cut, with `margin` inches a side for quilting.

        >>> Edge(EdgeStyle.TURNED, Fraction(2)).backing(Fraction(81, 2), Fraction(2))
        Fraction(97, 2)
        >>> Edge(EdgeStyle.FOLDED, Fraction(1, 2)).backing(Fraction(73, 2), Fraction(2))
        Fraction(81, 2)
        """
        if self.style is EdgeStyle.TURNED:
            return top + 4 * self.width
        folded = 2 * self.width + _TO_HOLD if self.style is EdgeStyle.FOLDED else Fraction(0)
        return top + 2 * max(margin, folded)

    def batting(self, top: Fraction, seam: Fraction, margin: Fraction) -> Fraction:
        """A side of the batting: under a turned frame it fills the finished quilt.

        >>> frame = Edge(EdgeStyle.TURNED, Fraction(3))
        >>> frame.batting(Fraction(81, 2), Fraction(1, 4), Fraction(2))
        Fraction(46, 1)
        """
        turned = self.style is EdgeStyle.TURNED
        return self.finished(top, seam) if turned else top + 2 * margin


USUAL_EDGE = Edge()


@dataclass(frozen=True)
class BiasCut:
    """A length of cloth cut up on the bias: the strips, longest first. Inches."""

    cloth: Fraction
    strips: tuple[Fraction, ...]

    def joined(self, cut_width: Fraction) -> Fraction:
        """How long they are when joined on the diagonal."""
        return sum(self.strips, Fraction(0)) - max(0, len(self.strips) - 1) * cut_width


def cut_bias(length: Fraction, cut_width: Fraction, usable_width: Fraction) -> BiasCut:
    """The least cloth, in eighths of a yard, that gives a bias strip so long, and its strips.

    Raises `NoBias`.

    >>> cut = cut_bias(Fraction(240), Fraction(5, 2), Fraction(42))
    >>> cut.cloth / 36, len(cut.strips), float(cut.joined(Fraction(5, 2)))
    (Fraction(5, 8), 10, 250.625)
    """
    cloth = _EIGHTH_YARD
    while cloth <= usable_width:
        strips, every = list[Fraction](), bias_strips(cloth, cut_width, usable_width)
        for strip in every:
            strips.append(strip)
            cut = BiasCut(cloth, tuple(strips))
            if cut.joined(cut_width) >= length:
                return cut
        cloth += _EIGHTH_YARD
    raise NoBias


def bias_strips(cloth: Fraction, width: Fraction, usable_width: Fraction) -> list[Fraction]:
    """Every strip worth joining of a length no longer than it is wide: those from edge to edge,
    then those of both corners.

    From edge to edge there are n while  2 n^2 <= ((usable - h) / w)^2.
    """
    reach = Root2(root=cloth).floor_to(_WRITTEN_TO)
    ratio = (usable_width - cloth) / width
    strips = [reach] * isqrt(int(ratio * ratio / 2))
    shorter = reach - 2 * width
    while shorter >= max(SHORTEST_SCRAP, width + 1):
        strips += [shorter] * 2
        shorter -= 2 * width
    return strips
