"""A quilt over the bed or lap it is for, seen from above, what hangs down laid flat.

The head of the bed is above: pillows lie there, and of the quilt what is tucked under them. The
mattress is a dashed line; what hangs over it is shaded and measured.
"""

from dataclasses import dataclass
from fractions import Fraction

from kersey.core.frame.on_bed import OnBed
from kersey.core.frame.purposes import Purpose
from kersey.core.measure.length import Units, format_length
from kersey.core.quilt.quilt import Quilt
from kersey.drawing.cloth import Cloths
from kersey.drawing.quilt import describe, draw_whole
from kersey.drawing.svg import box_path, element, picture, rect, text

_ROOM = 4.0
_PILLOW = (26.0, 17.0)
_TAG_HIGH, _LETTER = 4.2, 3.2
# Less than this needs no number.
_WORTH_A_TAG = 1


@dataclass(frozen=True)
class Over:
    """What a quilt lies over: a bed, or the largest that is meant by a purpose; or nothing."""

    bed: OnBed | None = None
    purpose: Purpose | None = None

    def held(self, quilt: Quilt) -> tuple[float, float]:
        """Width and length of what a picture of both must hold."""
        sides = [(quilt.size.width, quilt.size.length)]
        if self.bed:
            sides.append((self.bed.bed.width, self.bed.bed.length + self.bed.tuck))
        elif self.purpose:
            sides.append((self.purpose.most_width, self.purpose.most_length))
        width, length = (max(float(side[n]) for side in sides) for n in (0, 1))
        return width + 2 * _ROOM, length + 2 * _ROOM


def draw_over(quilt: Quilt, over: Over, px_per_inch: float) -> str:
    """The quilt in its colours over what it is for."""
    held_width, held_length = over.held(quilt)
    width, length = quilt.size.width, quilt.size.length
    left = -width / 2
    parts = [draw_whole(quilt, left, Fraction(0), Cloths(flat=True))]
    label = describe(quilt)
    if over.bed:
        parts = [_mattress(over.bed), *parts, _hanging(over.bed), _pillows(over.bed)]
        parts.append(_tags(over.bed, quilt.units))
        label += f" Shown on a {over.bed.bed.name}."
    elif over.purpose:
        most_width, most_length = over.purpose.most_width, over.purpose.most_length
        y = (length - most_length) / 2
        parts.append(
            rect(-most_width / 2, y, most_width, most_length, class_="meant", fill="none",
                 stroke_width=0.6, stroke_dasharray="2.4 2")
            + text(over.purpose.name, most_width / 2, y + most_length + 3.4, font_size=_LETTER,
                   text_anchor="end", class_="meant-name")
        )  # fmt: skip
    top = min(0.0, float(length - (over.purpose.most_length if over.purpose else length)) / 2)
    top = 0.0 if over.bed else top
    return picture(
        -held_width / 2,
        top - _ROOM,
        held_width,
        held_length,
        *parts,
        label=label,
        class_="over-drawing",
        px_per_inch=px_per_inch,
    )


def _mattress(lying: OnBed) -> str:
    bed = lying.bed
    return rect(-bed.width / 2, lying.tuck, bed.width, bed.length, class_="mattress", rx=1.5)


def _hanging(lying: OnBed) -> str:
    """Shade over what hangs, and the mattress's edge through the quilt."""
    bed = lying.bed
    outer = box_path(-lying.width / 2, 0, lying.width, lying.length)
    wide = min(bed.width, lying.width)
    long = min(bed.length + lying.tuck, lying.length)
    inner = box_path(-wide / 2, 0, wide, long)
    edge = rect(
        -bed.width / 2,
        lying.tuck,
        bed.width,
        bed.length,
        class_="mattress-edge",
        fill="none",
        stroke_width=0.6,
        stroke_dasharray="2.4 2",
        rx=1.5,
    )
    shade = element("path", d=outer + inner, fill="#10181f", fill_opacity=0.34, fill_rule="evenodd")
    return shade + edge


def _pillows(lying: OnBed) -> str:
    """One pillow on a narrow bed, two on a wide one."""
    wide, high = _PILLOW
    room = float(lying.bed.width)
    count = 2 if room >= 2 * wide else 1
    wide = min(wide, room / count - 2)
    xs = [0.0] if count == 1 else [-room / 4, room / 4]
    y = float(lying.tuck) - min(float(lying.tuck), high / 2) + 1
    return "".join(rect(x - wide / 2, y, wide, high, rx=3, class_="pillow") for x in xs)


def _tags(lying: OnBed, units: Units) -> str:
    """How much hangs, on a piece of tape."""
    found = []
    middle = lying.tuck + lying.bed.length / 2
    if abs(lying.at_each_side) >= _WORTH_A_TAG:
        x = (lying.bed.width / 2 + lying.width / 2) / 2
        found += [(-x, middle, lying.at_each_side), (x, middle, lying.at_each_side)]
    if abs(lying.at_the_foot) >= _WORTH_A_TAG:
        y = lying.tuck + lying.bed.length + lying.at_the_foot / 2
        found.append((Fraction(0), y, lying.at_the_foot))
    if lying.tuck >= _WORTH_A_TAG:
        found.append((Fraction(0), lying.tuck / 2, lying.tuck))
    return "".join(_tag(float(x), float(y), over, units) for x, y, over in found)


def _tag(x: float, y: float, over: Fraction, units: Units) -> str:
    words = format_length(abs(over), units)
    wide = 1.9 * len(words) + 1.6
    kind = "short-tag" if over < 0 else "hang-tag"
    return rect(x - wide / 2, y - _TAG_HIGH / 2, wide, _TAG_HIGH, class_=kind, rx=0.5) + text(
        words,
        x,
        y + _LETTER * 0.36,
        font_size=_LETTER,
        text_anchor="middle",
        class_=f"{kind}-words",
    )
