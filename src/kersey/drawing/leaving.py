"""What a quilt leaves, drawn at one scale: pieces in their prints, triangles as pairs."""

from collections.abc import Sequence
from fractions import Fraction

from kersey.core.cloth.fabric import Print
from kersey.core.cloth.forms import Form
from kersey.core.measure.counting import counted
from kersey.core.measure.length import Units, format_size
from kersey.drawing.cloth import Cloths
from kersey.drawing.look import draw_look
from kersey.drawing.svg import element, number, picture

# Pieces of several prints lie a little beside one another; more than so many say no more.
_STEP, _MOST = 0.5, 5


def draw_leaving(
    width: Fraction,
    length: Fraction,
    form: Form,
    prints: Sequence[Print],
    units: Units,
    px_per_inch: float,
) -> str:
    """Pieces of a size in their prints, one behind the other; triangles have a square corner."""
    across, down = sorted((float(width), float(length)), reverse=True)
    cloths, shown = Cloths(), list(prints)[:_MOST]
    behind = _STEP * (len(shown) - 1)
    parts = []
    for n, cloth in reversed(list(enumerate(shown))):
        x, y = n * _STEP, behind - n * _STEP
        half = f"M{number(x)} {number(y)}L{number(x + across)} {number(y + down)}H{number(x)}z"
        whole = f"M{number(x)} {number(y)}h{number(across)}v{number(down)}h{number(-across)}z"
        if cloth.swatch.look:
            parts += draw_look(cloth.swatch.look, x, y, across, down)
        shown_as = "none" if cloth.swatch.look else cloths.fill(cloth)
        parts.append(
            element(
                "path",
                d=half if form is Form.TRIANGLE else whole,
                fill=shown_as,
                class_="piece",
                stroke_width=0.12,
            )
        )
    words = format_size(width, length, units)
    return picture(
        -0.1,
        -0.1,
        across + behind + 0.2,
        down + behind + 0.2,
        cloths.definitions,
        *parts,
        label=f"{words}, in {counted(len(prints), 'print')}." if len(prints) > 1 else f"{words}.",
        px_per_inch=px_per_inch,
    )
