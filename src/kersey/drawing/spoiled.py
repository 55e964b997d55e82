"""A thing that went wrong, to scale, with a line across it that can be dragged to where it was cut.

side "length"   the line crosses the piece, so much of its longer run is before it
side "width"    the line runs along it
"""

from fractions import Fraction

from kersey.core.cloth.fabric import Print
from kersey.core.measure.length import Units, format_size
from kersey.drawing.cloth import Cloths
from kersey.drawing.svg import element, number, picture, rect
from kersey.drawing.tape import tape_across, tape_down

_TAPE, _GAP = 0.9, 0.25


def draw_spoiled(
    cloth: Print, across: Fraction, long: Fraction, at: Fraction | None, side: str, units: Units
) -> str:
    """The piece lying with its longer side across the picture."""
    cloths = Cloths()
    fill = cloths.fill(cloth)
    parts = [rect(0, 0, long, across, fill=fill)]
    if at is not None:
        before, after = _parts(across, long, at, side)
        parts += [
            rect(*before, class_="table-next", fill="none"),
            rect(*after, class_="table-rest"),
        ]
    line = at if at is not None else (long if side == "length" else across)
    parts.append(_blade(line, across, long, side))
    edge = _TAPE + _GAP
    tapes = tape_across(0, -_GAP, long, _TAPE, units, fine=True)
    tapes += tape_down(-_GAP, 0, across, _TAPE, units)
    return picture(
        -edge - 0.3,
        -edge - 0.3,
        float(long) + edge + 1.2,
        float(across) + edge + 0.9,
        cloths.definitions,
        *parts,
        tapes,
        class_="table-drawing spoiled-drawing",
        label=f"The piece, {format_size(across, long, units)}, with the cutting line.",
    )


def _parts(
    across: Fraction, long: Fraction, at: Fraction, side: str
) -> tuple[tuple[Fraction, ...], tuple[Fraction, ...]]:
    zero = Fraction(0)
    if side == "length":
        at = min(at, long)
        return (zero, zero, at, across), (at, zero, long - at, across)
    at = min(at, across)
    return (zero, zero, long, at), (zero, at, long, across - at)


def _blade(at: Fraction, across: Fraction, long: Fraction, side: str) -> str:
    if side == "length":
        line = f"M{number(at)} -0.4v{number(float(across) + 0.8)}"
    else:
        line = f"M-0.4 {number(at)}h{number(float(long) + 0.8)}"
    return element("path", d=line, class_="table-blade", id="blade")
