"""The label of a quilt, as large as it is, to print or to trace."""

from collections.abc import Sequence
from fractions import Fraction

from kersey.drawing.svg import element, number, rect, text

# Tall as a card is, in shares of its width; what does not fit is left out.
_HIGH, MOST_LINES = 0.62, 6
_FIRST, _OTHERS, _LINE = 8.0, 6.0, 9.0
# A line longer than this is set smaller, so that it stays within the label.
_LETTERS = 26


def draw_label(lines: Sequence[str], width: Fraction) -> str:
    """The lines of a label so wide, in inches; it prints at its true size."""
    parts = [rect(1, 1, 98, 60, rx=2, fill="#ffffff", stroke="#1c2733", stroke_width=0.5,
                  stroke_dasharray="2 1.4")]  # fmt: skip
    for n, line in enumerate(lines[:MOST_LINES]):
        size = (_OTHERS if n else _FIRST) * min(1.0, _LETTERS / max(1, len(line)))
        parts.append(
            text(
                line,
                50,
                16 + n * _LINE,
                font_size=number(size),
                text_anchor="middle",
                fill="#1c2733",
                font_family="Source Sans 3, Source Sans VF, sans-serif",
            )
        )
    return element(
        "svg",
        *parts,
        xmlns="http://www.w3.org/2000/svg",
        viewBox="0 0 100 62",
        role="img",
        width=f"{number(width)}in",
        height=f"{number(float(width) * _HIGH)}in",
        aria_label=f"The label: {', '.join(lines)}",
        class_="quilt-label",
    )
