"""The swatch of a print."""

from kersey.core.cloth.fabric import Print
from kersey.drawing.cloth import Cloths
from kersey.drawing.placeholder import numbered
from kersey.drawing.svg import picture, rect

_SWATCH = 3.4


def draw_swatch(cloth: Print) -> str:
    """A square of a print."""
    cloths = Cloths()
    square = rect(0, 0, _SWATCH, _SWATCH, fill=cloths.fill(cloth))
    mark = numbered(cloth, _SWATCH / 2, _SWATCH / 2, _SWATCH)
    return picture(
        0, 0, _SWATCH, _SWATCH, cloths.definitions, square, mark, label=cloth.name, class_="swatch"
    )
