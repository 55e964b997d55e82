"""How much of the fabric shows at each finished size of a block, over a tape of sizes."""

from collections.abc import Sequence
from fractions import Fraction

from kersey.core.measure.counting import noun_for
from kersey.core.measure.length import CENTIMETRE, Units, format_length, format_number
from kersey.core.planning.size_curve import AtSize
from kersey.drawing.svg import element, number, picture, rect, text

_WIDE, _HIGH, _TAPE = 100.0, 20.0, 4.0
_YELLOW, _INK, _LEAF = "#f2c230", "#1c2733", "#2f6b3c"


def draw_size_curve(
    found: Sequence[AtSize], best: AtSize | None, now: Fraction, units: Units
) -> str:
    """A bar for each size; the best is green, the present one has its mark on the tape."""
    sides = [at.finished[0] for at in found]
    first, last = min(sides), max(sides)
    pace = _WIDE / (float(last - first) + 1)
    most = max((float(at.shows) for at in found), default=0.0) or 1.0
    wide = pace * 0.8 * (0.5 if len(found) > float(last - first) + 1 else 1)
    parts = []
    for at in found:
        x = (float(at.finished[0] - first) + 0.5) * pace
        high = _HIGH * float(at.shows) / most
        colour = _LEAF if best is not None and at.finished == best.finished else "currentColor"
        parts.append(
            rect(
                x - wide / 2,
                -high,
                wide,
                high,
                fill=colour,
                fill_opacity=1 if colour == _LEAF else 0.45,
            )
        )
        if best is not None and at.finished == best.finished:
            parts.append(
                text(
                    _blocks(at),
                    x,
                    -high - 0.8,
                    font_size=2.6,
                    font_weight=650,
                    text_anchor="middle",
                    class_="ruler-words",
                )
            )
    parts.append(rect(0, 0.4, _WIDE, _TAPE, fill=_YELLOW))
    unit = Fraction(1) if units is Units.INCHES else CENTIMETRE * 2
    place = -(-first // unit) * unit
    while place <= last:
        x = (float(place - first) + 0.5) * pace
        parts.append(element("path", d=f"M{number(x)} .4v1", stroke=_INK, stroke_width=0.25))
        parts.append(
            text(
                format_number(place, units), x, 3.9, font_size=2.5, text_anchor="middle", fill=_INK
            )
        )
        place += unit
    if first <= now <= last:
        x = (float(now - first) + 0.5) * pace
        parts.append(
            element(
                "path",
                d=f"M{number(x)} -{number(_HIGH)}V5",
                stroke="currentColor",
                stroke_width=0.3,
                stroke_dasharray="1 .8",
            )
        )
    words = "Nothing fits yet."
    if best is not None:
        words = (
            f"The most fabric shows at {format_length(best.finished[0], units)}: {_blocks(best)}."
        )
    return picture(
        0, -_HIGH - 4, _WIDE, _HIGH + _TAPE + 5, *parts, label=words, class_="size-curve"
    )


def _blocks(at: AtSize) -> str:
    return f"{at.count.in_words} {noun_for(at.count.bound, 'block')}"
