"""A print as it would look beside the blocks: a large patch, not a swatch.

The upper left corner of the quilt, so near that every print is seen as it is printed, in true
proportion.
"""

from fractions import Fraction

from kersey.core.quilt.quilt import Quilt
from kersey.drawing.cloth import Cloths
from kersey.drawing.quilt import describe, draw_whole
from kersey.drawing.svg import picture

# So much of the corner is shown, in inches: a border, and one to three blocks.
_SHOWN = Fraction(20)


def draw_patch(quilt: Quilt) -> str:
    """The corner of the quilt with what lies round it."""
    cloths = Cloths()
    shown = min(_SHOWN, quilt.size.width, quilt.size.length)
    body = draw_whole(quilt, Fraction(0), Fraction(0), cloths, (shown, shown))
    return picture(
        -0.5,
        -0.5,
        shown,
        shown,
        cloths.definitions,
        body,
        label=f"A corner up close. {describe(quilt)}",
        class_="near-patch",
    )
