"""A backing or batting to scale: its panels or pieces with their seams, and the quilt on it."""

from collections.abc import Mapping
from fractions import Fraction

from kersey.core.cloth.fabric import Print
from kersey.core.frame.backing import BackingPlan, BackingWay, panel_seams
from kersey.core.measure.counting import counted
from kersey.core.measure.length import Units, format_size
from kersey.core.quilt.let_in import LetIn
from kersey.core.quilt.pieced_sheet import PiecedSheet
from kersey.drawing.cloth import Cloths
from kersey.drawing.svg import box_path, element, number, picture, rect
from kersey.drawing.tape import tape_across, tape_down

_GAP, _TAPE = 0.8, 2.6
_CLOTH, _END = "#d9d3c3", "#efece4"
_BLOCK = "#b9a27a"
Box = tuple[Fraction, Fraction, Fraction, Fraction]
Size = tuple[Fraction, Fraction]


def draw_panels(
    size: Size, top: Size, plan: BackingPlan, usable: Fraction, units: Units, px_per_inch: float
) -> str:
    """Panels of cloth off the bolt; the last one is cut as narrow as it is needed."""
    width, length = size
    across = plan.way is BackingWay.ACROSS
    covered, panel = (length, width) if across else (width, length)
    edges = [Fraction(0), *panel_seams(plan, covered, usable)]
    boxes = [(a, b - a) for a, b in zip(edges, [*edges[1:], covered], strict=True)]
    parts = [_box(start, wide, panel, across) for start, wide in boxes]
    words = counted(plan.panels, "panel")
    return _sheet(size, top, [(box, _CLOTH) for box in parts], words, units, px_per_inch)


def draw_let_in(
    size: Size, top: Size, strip: LetIn, block: Fraction, units: Units, px_per_inch: float
) -> str:
    """A strip of blocks in the middle, cloth at either side of it."""
    width, length = size
    covered, panel = (width, length) if strip.upright else (length, width)
    first = (covered - block) / 2
    boxes: list[tuple[Box, str]] = [
        (_box(Fraction(0), first, panel, not strip.upright), _CLOTH),
        (_box(first + block, covered - first - block, panel, not strip.upright), _CLOTH),
    ]
    for n in range(strip.blocks):
        start = n * block
        # The last one reaches to the end: its seam is not sewn to another.
        long = panel - start if n == strip.blocks - 1 else min(block, panel - start)
        if long > 0:
            x, y, w, h = first, start, block, long
            boxes.append(((x, y, w, h) if strip.upright else (y, x, h, w), _BLOCK))
    words = f"{counted(strip.blocks, 'block')} in a row"
    return _sheet(size, top, boxes, words, units, px_per_inch)


def draw_pieced(
    sheet: PiecedSheet, top: Size, prints: Mapping[str, Print], units: Units, px_per_inch: float
) -> str:
    """Rows of pieces in their prints."""
    cloths = Cloths(flat=True)
    along, up = (sheet.length, sheet.width) if sheet.upright else (sheet.width, sheet.length)
    boxes: list[tuple[Box, str]] = []
    at = Fraction(0)
    for row in sheet.rows:
        high, x = min(row.height, up - at), Fraction(0)
        for name, a, _ in row.pieces:
            wide = min(a, along - x)
            if wide > 0 and high > 0:
                box = (at, x, high, wide) if sheet.upright else (x, at, wide, high)
                boxes.append((box, cloths.fill(prints[name])))
            x += a - sheet.join
        at += row.height - sheet.join
    words = counted(sheet.seams, "seam")
    return _sheet((sheet.width, sheet.length), top, boxes, words, units, px_per_inch)


def draw_one_piece(piece: Size, size: Size, top: Size, units: Units, px_per_inch: float) -> str:
    """One piece, as it is, lying so that it covers; what is cut off is left of it."""
    lying = piece if size[0] <= piece[0] and size[1] <= piece[1] else piece[::-1]
    nothing = Fraction(0)
    boxes: list[tuple[Box, str]] = [((nothing, nothing, *size), _CLOTH)]
    beside, below = lying[0] - size[0], lying[1] - size[1]
    if beside:
        boxes.append(((size[0], nothing, beside, size[1]), _END))
    if below:
        boxes.append(((nothing, size[1], lying[0], below), _END))
    return _sheet(lying, top, boxes, "one piece", units, px_per_inch, size)


def _box(start: Fraction, wide: Fraction, panel: Fraction, across: bool) -> Box:
    nothing = Fraction(0)
    return (nothing, start, panel, wide) if across else (start, nothing, wide, panel)


def _sheet(
    size: Size,
    top: Size,
    boxes: list[tuple[Box, str]],
    words: str,
    units: Units,
    px_per_inch: float,
    used: Size | None = None,
) -> str:
    """A sheet with the quilt in its middle, or in the middle of what is `used` of it."""
    width, length = size
    covered, long = used or size
    drawn = "".join(rect(*box, fill=fill) for box, fill in boxes)
    seams = element(
        "path",
        d="".join(box_path(*box) for box, _ in boxes),
        fill="none",
        stroke="#10181f",
        stroke_width=0.35,
    )
    quilt = rect(
        (covered - top[0]) / 2,
        (long - top[1]) / 2,
        *top,
        fill="none",
        class_="quilt-outline",
        stroke_width=0.5,
        stroke_dasharray="2.2 1.6",
    )
    middle = element(
        "path",
        d=f"M0 {number(long / 2)}h{number(covered)}M{number(covered / 2)} 0v{number(long)}",
        class_="middle-fold",
        fill="none",
        stroke_width=0.25,
        stroke_dasharray="0.6 1.4",
    )
    tapes = tape_across(0, -_GAP, width, _TAPE, units) + tape_down(-_GAP, 0, length, _TAPE, units)
    label = f"{format_size(*size, units)}, {words}; the dashed outline is the quilt."
    room = _TAPE + _GAP
    return picture(
        -room - 0.5,
        -room - 0.5,
        float(width) + room + 1,
        float(length) + room + 1,
        drawn,
        seams,
        middle,
        quilt,
        tapes,
        label=label,
        class_="backing-drawing",
        px_per_inch=px_per_inch,
    )
