"""A size as a small outline: the grid, the border, and the bed or lap behind it, to one scale."""

from kersey.core.frame.size_search import SizeOption
from kersey.core.measure.length import Units, format_size
from kersey.drawing.quilt import View
from kersey.drawing.svg import element, number, picture, rect


def draw_size(option: SizeOption, view: View, units: Units) -> str:
    """One size standing on the lower edge of a view that all sizes of a row share."""
    base, middle = float(view.length), float(view.width) / 2
    left, top = middle - float(option.width) / 2, base - float(option.length)
    w = float(option.bordered + option.edge)
    rows, columns = option.rows, option.columns
    wide, high = float(option.body_width) / columns, float(option.body_length) / rows
    lines = "".join(
        f"M{number(left + w)} {number(top + w + r * high)}h{number(option.body_width)}"
        for r in range(rows + 1)
    ) + "".join(
        f"M{number(left + w + c * wide)} {number(top + w)}v{number(option.body_length)}"
        for c in range(columns + 1)
    )
    return picture(
        -1,
        -1,
        float(view.width) + 2,
        base + 2,
        _purpose(option, middle, base),
        rect(left, top, option.width, option.length, class_="size-border", stroke_width=0.8),
        rect(left + w, top + w, option.body_width, option.body_length, class_="size-body"),
        element("path", d=lines, class_="size-grid", fill="none", stroke_width=0.5),
        label=f"{columns} by {rows} blocks, {format_size(option.width, option.length, units)}.",
        class_="size-drawing",
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
