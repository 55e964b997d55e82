"""The map of a quilt to print: every place with its number, its block, how it is turned, its pin.

It needs no colour: an arrow in each place points to where the block's upper edge has gone.

    3-5          number of the place
    block 17     as on its label
     ↑           upright; → a quarter, ↓ upside down, ← three quarters
"""

from fractions import Fraction

from kersey.core.measure.counting import counted
from kersey.core.quilt.quilt import Quilt
from kersey.core.wall.numbers import number_of, pins_of
from kersey.drawing.lie import Lie
from kersey.drawing.svg import element, number, picture, text

# Where the upper edge goes, by quarters: across and down.
_UP = ((0, -1), (1, 0), (0, 1), (-1, 0))


def draw_map(quilt: Quilt) -> str:
    """The places of the body, to be printed in black."""
    lie = Lie(quilt, Fraction(0), Fraction(0))
    wide, long = float(quilt.size.body_width), float(quilt.size.body_length)
    em = float(min(quilt.block)) / 5
    pins = quilt.kept.laying.pins if quilt.kept.laying else frozenset[int]()
    seats = quilt.grid.seats
    parts = [
        element("path", d=lie.outline(seats), class_="map-place", fill="none", stroke_width=em / 14)
    ]
    for place, (seat, block, turn) in enumerate(
        zip(seats, quilt.kept.places, quilt.place_turns, strict=True)
    ):
        x, y = lie.middle(seat)
        parts.append(_place(x, y, em, number_of(seat), block, turn, place in pins))
    parts += [_row(lie.middle(seat)[1], em, seat.row) for seat in seats if seat.column == 0]
    left, edge = 4.2 * em, 0.2 * em
    return picture(
        -left,
        -edge,
        wide + left + edge,
        long + 2 * edge,
        *parts,
        class_="map-drawing",
        label=f"Map of {counted(len(seats), 'spot')} with numbers and blocks, listed below.",
    )


def _place(
    x: float, y: float, em: float, name: str, block: int | None, turn: int, pinned: bool
) -> str:
    parts = [
        text(name, x, y - 0.55 * em, font_size=1.5 * em, text_anchor="middle", class_="map-number")
    ]
    if block is not None:
        parts.append(
            text(f"block {block + 1}", x, y + 0.55 * em, font_size=0.85 * em, text_anchor="middle")
        )
        parts.append(_arrow(x, y + 1.62 * em, em * 0.6, turn))
    if pinned:
        parts.append(element("circle", cx=x + 1.8 * em, cy=y - 1.7 * em, r=0.28 * em))
    return "".join(parts)


def _arrow(x: float, y: float, reach: float, turn: int) -> str:
    """An arrow through a point, to where the upper edge is."""
    across, down = _UP[turn]
    tip = x + across * reach, y + down * reach
    back = reach * 0.6
    barbs = "".join(
        f"M{number(tip[0] - across * back + way * down * back)} "
        f"{number(tip[1] - down * back + way * across * back)}L{number(tip[0])} {number(tip[1])}"
        for way in (1, -1)
    )
    tail = f"M{number(x - across * reach)} {number(y - down * reach)}"
    return element(
        "path",
        d=f"{tail}L{number(tip[0])} {number(tip[1])}{barbs}",
        fill="none",
        class_="map-arrow",
        stroke_width=reach / 5,
    )


def _row(y: float, em: float, row: int) -> str:
    """The pins of a row, before its first place."""
    groups = pins_of(row)
    return "".join(
        element(
            "circle",
            cx=-0.8 * em - 0.62 * em * n,
            cy=y + (line - (len(groups) - 1) / 2) * 0.75 * em,
            r=0.22 * em,
        )
        for line, count in enumerate(groups)
        for n in range(count)
    )
