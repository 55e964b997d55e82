"""Units of the drawer laid on a grid, in their prints, with the plain squares between them."""

from collections.abc import Sequence
from fractions import Fraction

from kersey.core.cloth.fabric import Print
from kersey.core.cutting.kinds.unit_rows import UnitRows
from kersey.core.measure.counting import counted
from kersey.drawing.cloth import Cloths
from kersey.drawing.look import draw_look
from kersey.drawing.svg import element, number, picture, rect

# A square of the grid is drawn so large, in the picture's own inches.
_SQUARE = 3.0
_WHOLE = Fraction(3)


def draw_unit_wall(
    rows: UnitRows,
    shown: Sequence[tuple[Fraction, Fraction]],
    prints: Sequence[Print],
    px_per_inch: float,
) -> str:
    """The rows of units; `prints` are those of the units in the order in which they are laid, and
    `shown` says for each sort how many squares it covers across and down: the rest of its place is
    the strip that it needs."""
    cloths = Cloths()
    wide, high = rows.columns * _SQUARE, rows.rows * _SQUARE
    parts = [rect(0, 0, wide, high, class_="plain-ground")]
    grid = "".join(f"M{number(n * _SQUARE)} 0v{number(high)}" for n in range(1, rows.columns))
    grid += "".join(f"M0 {number(n * _SQUARE)}h{number(wide)}" for n in range(1, rows.rows))
    parts.append(element("path", d=grid, class_="plain-grid", fill="none", stroke_width=0.12))
    for laid, cloth in zip(rows.laid, prints, strict=True):
        across, down = shown[laid.sort]
        box = laid.column * _SQUARE, laid.row * _SQUARE, across * _WHOLE, down * _WHOLE
        look = cloth.swatch.look
        parts += draw_look(look, *box) if look else []
        fill = "none" if look else cloths.fill(cloth)
        parts.append(rect(*box, fill=fill, class_="piece", stroke_width=0.25))
    label = (
        f"{counted(len(rows.laid), 'unit')} in {counted(len(rows.heights), 'row')} on "
        f"{rows.columns} by {rows.rows} "
        f"squares, {rows.plain} of them plain."
    )
    return picture(
        0,
        0,
        wide,
        high,
        cloths.definitions,
        *parts,
        label=label,
        class_="unit-wall",
        px_per_inch=px_per_inch,
    )
