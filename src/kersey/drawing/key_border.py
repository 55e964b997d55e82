"""A border pieced of keys: its prints in turn, squares at the corners, the spacer within."""

from collections.abc import Iterator
from fractions import Fraction

from kersey.core.frame.borders import Border
from kersey.core.frame.part import PartKind
from kersey.core.quilt.parts import Part
from kersey.core.quilt.quilt import Quilt
from kersey.drawing.cloth import Cloths
from kersey.drawing.svg import box_path, element, rect

Box = tuple[Fraction, Fraction, Fraction, Fraction]


def draw_key_border(quilt: Quilt, border: Border, part: Part, outer: Box, cloths: Cloths) -> str:
    """The border within a rectangle, and what lies between it and the next one in."""
    left, top, width, length = outer
    w, seams = border.finished_width, 2 * quilt.project.design.seam
    assert border.key is not None
    key = border.key - seams
    prints, spacer = part.cloth.prints, quilt.part(PartKind.SPACER)
    boxes = list(_keys(outer, w, key))
    drawn = ""
    if spacer is not None:
        within = cloths.fill(spacer.cloth.prints[0])
        drawn = rect(left + w, top + w, width - 2 * w, length - 2 * w, fill=within)
    for n, cloth in enumerate(prints):
        own = "".join(box_path(*box) for place, box in enumerate(boxes) if place % len(prints) == n)
        drawn += element("path", d=own, fill=cloths.fill(cloth)) if own else ""
    corners = "".join(
        box_path(x, y, w, w) for x in (left, left + width - w) for y in (top, top + length - w)
    )
    drawn += element("path", d=corners, fill=cloths.fill(prints[0]))
    seam_lines = "".join(box_path(*box) for box in boxes) + corners
    return drawn + element(
        "path", d=seam_lines, fill="none", stroke="#10181f", stroke_opacity=0.3, stroke_width=0.09
    )


def _keys(outer: Box, w: Fraction, key: Fraction) -> Iterator[Box]:
    """Every key, side after side."""
    left, top, width, length = outer
    for n in range(int((width - 2 * w) / key)):
        yield left + w + n * key, top, key, w
    for n in range(int((length - 2 * w) / key)):
        yield left + width - w, top + w + n * key, w, key
    for n in range(int((width - 2 * w) / key)):
        yield left + w + n * key, top + length - w, key, w
    for n in range(int((length - 2 * w) / key)):
        yield left, top + w + n * key, w, key
