"""The wave of a bargello: every column as wide as it is cut, with the strips that open it."""

from collections.abc import Sequence

from kersey.core.blocks.recipe import Column
from kersey.core.measure.counting import counted
from kersey.core.measure.length import Units, format_number, format_size
from kersey.drawing.svg import element, number, picture, rect, text

_HIGH, _TAPE = 9.0, 2.2
_YELLOW, _INK = "#f2c230", "#1c2733"
# Narrower columns than this have no room for their figure.
_ROOM = 1.6


def draw_wave(columns: Sequence[Column], units: Units) -> str:
    """All columns side by side over a tape; those of one tube are light, of the other dark."""
    wide = float(columns[-1].reaches)
    parts, steps = list[str](), list[str]()
    for column in columns:
        right = float(column.reaches)
        left = right - float(
            column.reaches - (columns[column.number - 2].reaches if column.number > 1 else 0)
        )
        parts.append(
            rect(
                left,
                0,
                right - left,
                _HIGH,
                fill="currentColor",
                fill_opacity=0.16 if column.tube % 2 else 0.5,
                stroke="currentColor",
                stroke_width=0.06,
            )
        )
        # The opening climbs by one strip from column to column, and begins again.
        climb = _HIGH * (1 - (column.opened_at + 1) / (max(c.opened_at for c in columns) + 2))
        steps.append(f"{'M' if not steps else 'L'}{number((left + right) / 2)} {number(climb)}")
        if right - left >= _ROOM:
            words = format_number(column.width, units)
            parts.append(
                text(
                    words,
                    (left + right) / 2,
                    _HIGH + _TAPE - 0.6,
                    font_size=0.95,
                    text_anchor="middle",
                    fill=_INK,
                )
            )
    tape = rect(0, _HIGH, wide, _TAPE, fill=_YELLOW)
    line = element("path", d="".join(steps), fill="none", stroke=_YELLOW, stroke_width=0.3)
    size = format_size(columns[-1].reaches, columns[-1].reaches, units).split(" ")[0]
    label = f"{counted(len(columns), 'column')}, {size} across when sewn."
    # The tape lies under its figures.
    figures = [part for part in parts if part.startswith("<text")]
    bars = [part for part in parts if not part.startswith("<text")]
    return picture(
        0,
        -0.5,
        wide,
        _HIGH + _TAPE + 0.5,
        *bars,
        line,
        tape,
        *figures,
        label=label,
        class_="wave-drawing",
    )
