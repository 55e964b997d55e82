"""A size as a small outline: the grid, the border, and the bed or lap behind it, to one scale."""

from kersey.core.frame.setting import Setting
from kersey.core.frame.size_search import SizeOption
from kersey.core.measure.length import Units, format_size
from kersey.drawing.quilt import View
from kersey.drawing.svg import element, number, picture, rect


def draw_size(option: SizeOption, view: View, units: Units) -> str:
    """One size standing on the lower edge of a view that all sizes of a row share."""
    base, middle = float(view.length), float(view.width) / 2
    left, top = middle - float(option.width) / 2, base - float(option.length)
    w = float(option.bordered + option.edge)
    lines = _lines(option, left + w, top + w)
    size = format_size(option.width, option.length, units)
    return picture(
        -1,
        -1,
        float(view.width) + 2,
        base + 2,
        _purpose(option, middle, base),
        rect(left, top, option.width, option.length, class_="size-border", stroke_width=0.8),
        rect(left + w, top + w, option.body_width, option.body_length, class_="size-body"),
        element("path", d=lines, class_="size-grid", fill="none", stroke_width=0.5),
        label=f"{option.columns} by {option.rows} blocks, {size}.",
        class_="size-drawing",
    )


def _lines(option: SizeOption, left: float, top: float) -> str:
    """The seams between blocks, in a body that begins there."""
    rows, columns = option.rows, option.columns
    wide, high = float(option.body_width) / columns, float(option.body_length) / rows
    if option.setting is Setting.ON_POINT:
        up, down = (
            columns * f"l{number(wide / 2)} {number(first)}l{number(wide / 2)} {number(-first)}"
            for first in (-high / 2, high / 2)
        )
        starts = (f"M{number(left)} {number(top + (r + 0.5) * high)}" for r in range(rows))
        return "".join(f"{start}{up}{start}{down}" for start in starts)
    return "".join(
        f"M{number(left)} {number(top + r * high)}h{number(option.body_width)}"
        for r in range(rows + 1)
    ) + "".join(
        f"M{number(left + c * wide)} {number(top)}v{number(option.body_length)}"
        for c in range(columns + 1)
    )


def _purpose(option: SizeOption, middle: float, base: float) -> str:
    if not option.has_purpose:
        return ""
    width, length = float(option.purpose.most_width), float(option.purpose.most_length)
    return rect(
        middle - width / 2,
        base - length,
        width,
        length,
        class_="outline",
        fill="none",
        stroke_width=0.8,
        stroke_dasharray="2.5 2",
    )
