"""Lots as they lie: one piece to scale, and the colours of all prints side by side."""

import math

from kersey.core.fabric import Lot
from kersey.core.forms import Form
from kersey.core.length import Units, format_size
from kersey.drawing.cloth import Cloths
from kersey.drawing.svg import box_path, element, number, picture, rect

# Every picture of a piece is so many inches across, so that all are to one scale; what is larger
# runs out of the picture.
_ACROSS = 84.0
_HIGHEST = 22.0
_MOST_COLOURS = 24


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


def draw_colours(lot: Lot) -> str:
    """The prints of a lot as flat colours in a row, for a list."""
    shown = lot.prints[:_MOST_COLOURS]
    boxes = [
        element("path", d=box_path(i, 0, 1.02, 1), fill=cloth.swatch.blend)
        for i, cloth in enumerate(shown)
    ]
    return element(
        "svg", *boxes, viewBox=f"0 0 {len(shown)} 1", class_="colours",
        preserveAspectRatio="none", aria_hidden="true",
    )  # fmt: skip
