"""How a quilt lies on a bed: what hangs at the sides and the foot, what is tucked at the head.

    at each side   (quilt width - mattress width) / 2
    at the foot    quilt length - tuck - mattress length

Less than nothing is mattress that is left bare. Source: docs/trade.md section 5.
"""

from dataclasses import dataclass
from fractions import Fraction

from kersey.core.frame.purposes import Bed
from kersey.core.measure.length import Units, format_length


@dataclass(frozen=True)
class OnBed:
    """A quilt of a finished size on a bed, its upper edge `tuck` inches under the pillow."""

    bed: Bed
    width: Fraction
    length: Fraction
    tuck: Fraction

    @property
    def at_each_side(self) -> Fraction:
        """Inches that hang over each long side; negative: bare mattress."""
        return (self.width - self.bed.width) / 2

    @property
    def at_the_foot(self) -> Fraction:
        """Inches that hang over the foot; negative: bare mattress."""
        return self.length - self.tuck - self.bed.length


def says(lying: OnBed, units: Units) -> str:
    """How it lies, in a sentence.

    >>> twin = Bed("twin", "twin bed", Fraction(39), Fraction(75))
    >>> says(OnBed(twin, Fraction(60), Fraction(72), Fraction(0)), Units.INCHES)
    'On a twin bed it hangs 10½″ at each side and leaves 3″ at the foot uncovered.'
    """
    hangs, bare = list[str](), list[str]()
    for over, where in ((lying.at_each_side, "at each side"), (lying.at_the_foot, "at the foot")):
        if over:
            found = hangs if over > 0 else bare
            found.append(f"{format_length(abs(over), units)} {where}")
    parts = [
        f"hangs {' and '.join(hangs)}" if hangs else "",
        f"leaves {' and '.join(bare)} uncovered",
    ]
    said = " and ".join(part for part, there in zip(parts, (hangs, bare), strict=True) if there)
    tucked = f", with {format_length(lying.tuck, units)} for the pillow tuck" if lying.tuck else ""
    if not hangs:
        said = f"covers only the mattress top{' and ' * bool(said)}{said}"
    return f"On a {lying.bed.name} it {said}{tucked}."
