"""Where a quilt can be pulled at in its picture: the edges of borders, the sashing, a broad edge.

Each is a strip that a page takes hold of: the field it pulls, along which axis, and which way is
wider. They show nothing and are told to nobody: the fields can be typed in.
"""

from fractions import Fraction

from kersey.core.frame.setting import Seat
from kersey.core.quilt.body import corner_in_body
from kersey.core.quilt.quilt import Quilt
from kersey.drawing.svg import element, rect

# So broad is what a finger takes hold of, in inches of the quilt.
_BROAD = Fraction(2)


def draw_pulls(quilt: Quilt, left: Fraction, top: Fraction) -> str:
    """What can be pulled in a quilt whose finished corner lies there, the outermost last."""
    size = quilt.size
    x = left + size.edge + size.bordered + size.spacer[0]
    y = top + size.edge + size.bordered + size.spacer[1]
    width, length = size.body_width, size.body_length
    found = [_sashing(quilt, x, y)]
    widths = [size.border_width, *quilt.project.design.outer_borders]
    for number, border in enumerate(widths):
        if border and number == len(widths) - 1:
            across, down = size.spacer
            x, y, width, length = x - across, y - down, width + 2 * across, length + 2 * down
        x, y, width, length = x - border, y - border, width + 2 * border, length + 2 * border
        name = f"outer_{number}" if number else "border_width"
        found.append(_edges(name, x, y, width, length))
    if size.edge:
        found.append(_edges("edge_shows", left, top, size.width, size.length))
    return element("g", *found, class_="pulls", aria_hidden="true")


def _edges(name: str, x: Fraction, y: Fraction, width: Fraction, length: Fraction) -> str:
    """A strip along each of four edges, half within and half outside."""
    b = _BROAD
    return "".join(
        (
            _strip(name, "x", -1, (x - b / 2, y, b, length)),
            _strip(name, "x", 1, (x + width - b / 2, y, b, length)),
            _strip(name, "y", -1, (x, y - b / 2, width, b)),
            _strip(name, "y", 1, (x, y + length - b / 2, width, b)),
        )
    )


def _sashing(quilt: Quilt, x: Fraction, y: Fraction) -> str:
    """The strips between rows, and between columns where there are such."""
    sashing, size = quilt.sashing, quilt.size
    if not sashing.width:
        return ""
    w = sashing.width
    down = [corner_in_body(quilt, Seat(row, 0))[1] - w for row in range(1, size.rows)]
    found = [_strip("sashing_width", "y", 1, (x, y + at, size.body_width, w)) for at in down]
    if not sashing.rows_only:
        across = [corner_in_body(quilt, Seat(0, n))[0] - w for n in range(1, size.columns)]
        found += [
            _strip("sashing_width", "x", 1, (x + at, y, w, size.body_length)) for at in across
        ]
    return "".join(found)


def _strip(
    name: str, axis: str, way: int, box: tuple[Fraction, Fraction, Fraction, Fraction]
) -> str:
    return rect(
        *box,
        class_=f"pull-{axis}",
        fill="transparent",
        data_pulls=name,
        data_axis=axis,
        data_way=way,
    )
