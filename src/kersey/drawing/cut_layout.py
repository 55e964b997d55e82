"""A piece of fabric with its cuts: where every piece of the block lies, strips numbered in order.

What is cut shows the print, what is left is veiled. The longer side lies across the picture, so
that strips and fat quarters are read like a line of text.
"""

from collections.abc import Mapping
from fractions import Fraction
from hashlib import blake2s

from kersey.core.cloth.fabric import Print
from kersey.core.cutting.problem import Cut, Layout, Need
from kersey.core.measure.length import Units, format_size
from kersey.drawing.cloth import Cloths
from kersey.drawing.svg import element, picture, rect, text

# Beside the fabric stands the number of each strip. Inches.
_GUTTER = 1.3
_LARGEST_TEXT = 1.5
_EDGE = 0.12


def layout_size(layout: Layout) -> tuple[float, float]:
    """Width and height of the picture in inches."""
    across, down = _lying(layout)
    return float(across) + _GUTTER, float(down) + _GUTTER


def draw_layout(
    layout: Layout, cloth: Print, codes: Mapping[Need, str], units: Units, px_per_inch: float
) -> str:
    """The fabric with its cuts, labelled; a piece is known in the page by ``data-need``."""
    across, down = _lying(layout)
    cloths = Cloths()
    fill = cloths.fill(cloth, upright=not _turned(layout))
    parts = [
        rect(0, 0, across, down, fill=fill),
        rect(0, 0, across, down, class_="veil", fill="#ffffff", fill_opacity=0.72),
        _pieces(layout, fill, codes),
        *_strip_numbers(layout),
        rect(0, 0, across, down, class_="selvedge", fill="none", stroke_width=_EDGE),
    ]
    size = format_size(layout.fabric.width, layout.fabric.length, units)
    pieces = ", ".join(" + ".join(codes[cut.need] for cut in strip) for strip in layout.strips)
    return picture(
        -_GUTTER,
        -_GUTTER,
        across + Fraction(_GUTTER),
        down + Fraction(_GUTTER),
        cloths.definitions,
        *parts,
        label=f"{layout.fabric.name}, {size}, in strips of {pieces}.",
        class_="layout-drawing",
        px_per_inch=px_per_inch,
    )


def _turned(layout: Layout) -> bool:
    """Whether the fabric's length lies across the picture."""
    return layout.fabric.length > layout.fabric.width


def _lying(layout: Layout) -> tuple[Fraction, Fraction]:
    width, length = layout.fabric.width, layout.fabric.length
    return (length, width) if _turned(layout) else (width, length)


def _box(cut: Cut, layout: Layout) -> tuple[Fraction, Fraction, Fraction, Fraction]:
    if _turned(layout):
        return cut.y, cut.x, cut.length, cut.width
    return cut.x, cut.y, cut.width, cut.length


def _pieces(layout: Layout, fill: str, codes: Mapping[Need, str]) -> str:
    """Every cut: a piece of one size is drawn once, with its code, and used wherever it is cut."""
    shapes: dict[str, str] = {}
    used = []
    for cut in layout.cuts:
        x, y, width, height = _box(cut, layout)
        code = codes[cut.need]
        shape = _shape(code, width, height, fill)
        key = "piece-" + blake2s(shape.encode(), digest_size=4).hexdigest()
        shapes[key] = element("g", shape, id=key)
        used.append(element("use", href=f"#{key}", x=x or None, y=y or None, data_need=code))
    pieces = element("g", *used, class_="pieces", stroke="#10181f", stroke_width=_EDGE)
    return element("defs", *shapes.values()) + pieces


def _shape(code: str, width: Fraction, height: Fraction, fill: str) -> str:
    """A piece lying at 0, 0: its edge is as strong as where it is used, its code on a chip."""
    shorter = float(min(width, height))
    room = float(width) / (0.62 * len(code) + 0.6)
    size = min(_LARGEST_TEXT, 0.78 * shorter, room)
    middle_x, middle_y = float(width / 2), float(height / 2)
    chip = (0.62 * len(code) + 0.5) * size, 1.12 * size
    return (
        rect(0, 0, width, height, fill=fill)
        + rect(
            middle_x - chip[0] / 2,
            middle_y - chip[1] / 2,
            *chip,
            rx=0.2 * size,
            class_="chip",
            fill="#ffffff",
            stroke="none",
        )
        + text(
            code,
            middle_x,
            middle_y + 0.36 * size,
            class_="chip-text",
            font_size=size,
            text_anchor="middle",
            stroke="none",
        )
    )


def _strip_numbers(layout: Layout) -> list[str]:
    """1, 2, 3 at the head of each strip."""
    found = []
    beside = layout.along == _turned(layout)
    for place, strip in enumerate(layout.strips, 1):
        x, y, width, height = _box(max(strip, key=lambda cut: _breadth(cut, layout)), layout)
        at = (-0.35, float(y + height / 2) + 0.36) if beside else (float(x + width / 2), -0.35)
        found.append(
            text(
                str(place),
                *at,
                class_="strip-number",
                font_size=1.0,
                text_anchor="end" if beside else "middle",
            )
        )
    return found


def _breadth(cut: Cut, layout: Layout) -> Fraction:
    return cut.width if layout.along else cut.length


def scale_for(layouts: list[Layout], widest_px: float, most_px_an_inch: float) -> float:
    """Pixels an inch at which the largest layout fits so wide."""
    longest = max((layout_size(layout)[0] for layout in layouts), default=1.0)
    return min(most_px_an_inch, widest_px / longest)
