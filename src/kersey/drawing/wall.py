"""Fabric on the wall, to scale: strips hang side by side, squares and larger pieces in a stack.

Cloth longer than an arm is folded, as it would lie on a shelf.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.cloth.fabric import Lot
from kersey.core.cloth.forms import Form
from kersey.core.measure.length import Units, format_length, format_size
from kersey.drawing.cloth import Cloths
from kersey.drawing.placeholder import numbered
from kersey.drawing.svg import element, number, picture, rect
from kersey.drawing.tape import tape_down

# All fabrics of a wall are drawn to one of these scales, the largest at which they fit.
_SCALES_PX = (8.0, 7.0, 6.0, 5.2, 4.4, 3.8, 3.2)
_WALL_PX = (736, 560)
# What stands round a piece: room at its sides, a name below, upright or lying.
_SIDES_PX, _UPRIGHT_NAME_PX, _NAME_PX = 12, 140, 40
# What stands round a role: its heading, and its tape with the room between two roles.
_HEADING_PX, _NARROWEST_ROLE_PX, _BESIDE_PX = 60, 150, 52
# Folded until it is no longer than this, in inches.
_FOLDED_BELOW = 54.0
_SIDE_BY_SIDE = 8
_IN_A_STACK = 4
_BETWEEN = 0.4
_STACKED_BY = 0.8
# Narrower than this in pixels, and words stand upright under the piece; a name that lies takes so
# much room in width.
_NARROW_PX, _LYING_NAME_PX = 34, 88
_TAPE_PX = 15


@dataclass(frozen=True)
class _Hanging:
    """The pieces of a lot as they hang: of one piece and of all of them, in inches."""

    width: float
    length: float
    folds: int
    shown: int
    step: float
    down: float

    @property
    def whole_width(self) -> float:
        return (self.shown - 1) * self.step + self.width

    @property
    def whole_length(self) -> float:
        return (self.shown - 1) * self.down + self.length


def scale_of(groups: Sequence[Sequence[Lot]]) -> float:
    """Pixels to the inch at which all groups of lots, one below the other, fit the wall."""
    hanging = [[_hanging(lot) for lot in group] for group in groups]
    fitting = (px for px in _SCALES_PX if _height_px(hanging, px) <= _WALL_PX[1])
    return next(fitting, _SCALES_PX[-1])


def hang(lot: Lot, units: Units, px_per_inch: float) -> tuple[str, bool]:
    """The pieces of a lot with one print, drawn, and whether the picture is narrow."""
    cloths = Cloths()
    fill = cloths.fill(lot.prints[0], upright=True)
    size = format_size(lot.usable_width, lot.length_of(lot.stacks[0]), units)
    h = _hanging(lot)
    pieces = [_piece(lot, n * h.step, n * h.down, h.width, h.length, fill) for n in range(h.shown)]
    svg = picture(
        -0.2,
        -0.2,
        h.whole_width + 0.4,
        h.whole_length + 0.4,
        cloths.definitions,
        *pieces,
        _folds(h),
        numbered(lot.prints[0], (h.shown - 1) * h.step + h.width / 2, h.whole_length / 2, h.width),
        label=f"{lot.prints[0].name}, {lot.count} of {size}",
        class_="hanging",
        px_per_inch=px_per_inch,
    )
    return svg, h.whole_width * px_per_inch < _NARROW_PX


def wall_tape(group: Sequence[Lot], units: Units, px_per_inch: float) -> str:
    """A tape as long as the longest piece of a group, to hang beside it."""
    length = Fraction(round(max(_hanging(lot).length for lot in group) * 8), 8)
    width = _TAPE_PX / px_per_inch
    return picture(
        0,
        -0.2,
        width,
        float(length) + 0.4,
        tape_down(width, 0, length, width, units),
        label=f"A tape of {format_length(length, units)}.",
        class_="wall-tape",
        px_per_inch=px_per_inch,
    )


def _height_px(groups: Sequence[Sequence[_Hanging]], px: float) -> float:
    """How high the wall must be: roles stand in rows, and so do the pieces within a role."""
    boxes = []
    for group in groups:
        pieces = [
            (
                max(h.whole_width * px, _LYING_NAME_PX * (h.whole_width * px >= _NARROW_PX))
                + _SIDES_PX,
                h.whole_length * px
                + (_UPRIGHT_NAME_PX if h.whole_width * px < _NARROW_PX else _NAME_PX),
            )
            for h in group
        ]
        wide, high = _flow(pieces, _WALL_PX[0] - _BESIDE_PX)
        boxes.append((max(wide, _NARROWEST_ROLE_PX) + _BESIDE_PX, high + _HEADING_PX))
    return _flow(boxes, _WALL_PX[0])[1]


def _flow(boxes: Sequence[tuple[float, float]], most: float) -> tuple[float, float]:
    """Width and height of boxes set in rows of at most a width, as words in a paragraph."""
    widest = height = x = row = 0.0
    for wide, high in boxes:
        if x and x + wide > most:
            height, x, row = height + row, 0.0, 0.0
        x, row = x + wide, max(row, high)
        widest = max(widest, x)
    return widest, height + row


def _hanging(lot: Lot) -> _Hanging:
    if lot.grams is not None:
        width, folds = _folded(float(lot.area) ** 0.5)
        return _Hanging(width, width, folds, 1, 0, 0)
    width, wide_folds = _folded(float(lot.most_width or lot.usable_width))
    length, folds = _folded(float(lot.most_length or lot.length_of(lot.stacks[0])))
    if lot.form in {Form.STRIP, Form.STRING}:
        shown = min(lot.count, _SIDE_BY_SIDE)
        return _Hanging(width, length, wide_folds + folds, shown, width + _BETWEEN, 0)
    shown = min(lot.count, _IN_A_STACK)
    return _Hanging(width, length, wide_folds + folds, shown, _STACKED_BY, _STACKED_BY)


def _piece(lot: Lot, x: float, y: float, width: float, length: float, fill: str) -> str:
    if lot.form is Form.TRIANGLE:
        d = f"M{number(x)} {number(y)}h{number(width)}L{number(x)} {number(y + length)}z"
        return element("path", d=d, fill=fill, class_="hanging-piece")
    return rect(x, y, width, length, fill=fill, class_="hanging-piece")


def _folded(side: float) -> tuple[float, int]:
    folds = 0
    while side > _FOLDED_BELOW:
        side, folds = side / 2, folds + 1
    return side, folds


def _folds(h: _Hanging) -> str:
    """Edges of the folded layers, along the bottom."""
    if not h.folds:
        return ""
    x, bottom = (h.shown - 1) * h.step, h.whole_length
    lines = "".join(
        f"M{number(x)} {number(bottom - 0.7 * (n + 1))}h{number(h.width)}"
        for n in range(min(h.folds, 3))
    )
    return element("path", d=lines, class_="fold", fill="none", stroke_width=0.3)
