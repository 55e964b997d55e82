"""Lots as they lie: one piece to scale, and the colours of all prints side by side."""

import math
from functools import lru_cache

from kersey.core.cloth.fabric import Lot
from kersey.core.cloth.forms import Form
from kersey.core.measure.length import Units, format_size
from kersey.drawing.cloth import Cloths
from kersey.drawing.svg import element, number, picture, rect

# Every picture of a piece is so many inches across, so that all are to one scale; what is larger
# runs out of the picture.
_ACROSS = 84.0
_HIGHEST = 22.0


def draw_piece(lot: Lot, units: Units) -> str:
    """One piece of a lot in its first print, lying on its side, to the scale of all others.

    Scraps are drawn as a square of the area they are thought to have.
    """
    cloths = Cloths()
    side = math.sqrt(float(lot.area)) if lot.grams else 0.0
    width = side or float(lot.most_width or lot.width)
    length = side or float(lot.most_length or lot.length)
    fill = cloths.fill(lot.prints[0], upright=True)
    piece = rect(0, 0, length, width, fill=fill)
    if lot.form is Form.TRIANGLE:
        piece = element("path", d=f"M0 0H{number(length)}L0 {number(width)}z", fill=fill)
    return picture(
        0,
        0,
        _ACROSS,
        min(width, _HIGHEST),
        cloths.definitions,
        piece,
        label=f"A piece of {format_size(lot.width, lot.length, units)}.",
        class_="piece-drawing",
    )


# A list shows the same rolls again and again.
@lru_cache(maxsize=2048)
def draw_colours(blends: tuple[str, ...]) -> str:
    """Colours side by side, for a list; `blends` are the colours that prints blend to."""
    boxes = "".join(f'<path d="M{i} 0h1.02v1h-1.02z" fill="{b}"/>' for i, b in enumerate(blends))
    box = f'viewBox="0 0 {len(blends)} 1" preserveAspectRatio="none"'
    return f'<svg {box} class="colours" aria-hidden="true">{boxes}</svg>'
