"""What washing takes of a quilt, learned from those that were measured before and after.

    taken = 1 - after / before      across and down

Only quilts that were measured once they were quilted count: what quilting draws in is no shrinkage.
Source: docs/trade.md section 11; the log of measures.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.finish.top import Size
from kersey.core.measure.counting import counted
from kersey.core.measure.length import HALF, Units, format_size, round_to
from kersey.core.project.sewing import HEIGHT, WIDTH, Measured, Sewing


@dataclass(frozen=True)
class Learned:
    """What the wash took of so many `quilts`, each across and down, as parts of what they were."""

    taken: tuple[tuple[Fraction, Fraction], ...]

    @property
    def quilts(self) -> int:
        """How many it was learned of."""
        return len(self.taken)

    @property
    def least(self) -> tuple[Fraction, Fraction]:
        """The least it took, across and down."""
        across, down = zip(*self.taken, strict=True)
        return min(across), min(down)

    @property
    def most(self) -> tuple[Fraction, Fraction]:
        """The most it took, across and down."""
        across, down = zip(*self.taken, strict=True)
        return max(across), max(down)

    def after(self, size: Size) -> Size:
        """How large a quilt is about, once it is washed: by the mean, to half an inch.

        >>> F = Fraction
        >>> Learned(((F(1, 25), F(1, 20)), (F(1, 25), F(3, 100)))).after((F(50), F(60)))
        (Fraction(48, 1), Fraction(115, 2))
        """
        parts = [sum(each, Fraction(0)) / self.quilts for each in zip(*self.taken, strict=True)]
        across, down = (
            round_to(HALF, side * (1 - part)) for side, part in zip(size, parts, strict=True)
        )
        return across, down


def learned(logs: Iterable[Sewing]) -> Learned | None:
    """What the logs of quilts say; None where none was measured before its wash and after."""
    found = [part for part in map(_taken, logs) if part is not None]
    return Learned(tuple(found)) if found else None


def washing_words(washings: Learned | None, size: Size, units: Units) -> str:
    """How large a quilt will be once it is washed, by what was learned; nothing if nothing was."""
    if washings is None:
        return ""
    across, down = (
        _between(least, most) for least, most in zip(washings.least, washings.most, strict=True)
    )
    quilts = "the quilt" if washings.quilts == 1 else f"the {counted(washings.quilts, 'quilt')}"
    after = format_size(*washings.after(size), units)
    return (
        f"After washing, about {after}: {quilts} you measured shrank about "
        f"{across} in width and {down} in length."
    )


def _taken(sewing: Sewing) -> tuple[Fraction, Fraction] | None:
    before, after = (
        {each.place: each.read for each in sewing.of(what)}
        for what in (Measured.QUILTED, Measured.WASHED)
    )
    if not {WIDTH, HEIGHT} <= after.keys() & before.keys():
        return None
    # What was washed is what the readings after the wash were held against: with its edge.
    was = {each.place: each.target for each in sewing.of(Measured.WASHED)}
    return 1 - after[WIDTH] / was[WIDTH], 1 - after[HEIGHT] / was[HEIGHT]


def _between(least: Fraction, most: Fraction) -> str:
    low, high = f"{float(least) * 100:.1f}", f"{float(most) * 100:.1f}"
    return f"{low}%" if low == high else f"{low} to {high}%"
