"""The whole quilt on the wall while it is arranged: every place can be taken hold of.

Over the quilt in its prints lie what troubles the eye, pins, the numbers of the places and how the
seams are pressed; along its edges tapes, the pins of the rows and the numbers of the columns. What
is shown of it is the page's choice: each part is a group of its own class.
"""

from collections.abc import Sequence
from fractions import Fraction

from kersey.core.frame.setting import Seat, Setting
from kersey.core.project.minding import Trouble
from kersey.core.quilt.quilt import Quilt
from kersey.core.wall.numbers import number_of, pins_of
from kersey.drawing.cloth import Cloths
from kersey.drawing.lie import Lie, Point
from kersey.drawing.quilt import corner, describe, draw_whole, lie_of
from kersey.drawing.svg import element, number, picture, text
from kersey.drawing.tape import tape_across, tape_down

_TAPE, _GAP = 2.3, 0.5
# More marks than this are a pattern of their own.
_MOST_MARKS = 240
_LINE = Trouble.LINE.name.lower()
# Columns of one piece are narrow: as many stand between two numbers.
_EVERY = 5


def draw_wall(
    quilt: Quilt,
    marks: Sequence[tuple[str, tuple[int, ...]]] = (),
    joined: Sequence[tuple[int, ...]] = (),
) -> str:
    """The wall; `marks` are troubles, each with the places it lies between, and `joined` the places
    of every piece that is sewn."""
    left, top = corner(quilt)
    lie = lie_of(quilt, left, top)
    cloths = Cloths(named=True)
    cloth = element("g", draw_whole(quilt, left, top, cloths), class_="wall-cloth", id="wall-cloth")
    em = float(max(quilt.size.width * Fraction(3, 4), quilt.size.length)) / 36
    parts = (
        _pressing(quilt, lie),
        _gaps(quilt, lie, joined),
        _numbers(quilt, lie),
        _anew(quilt, lie),
        _pinned(quilt, lie, em),
        _marks(quilt, lie, marks, em),
        _rows(quilt, lie, float(left), em),
        _columns(quilt, lie, float(top), em),
        tape_across(left, float(top) - 1.9 * em, quilt.size.width, _TAPE, quilt.units),
        tape_down(float(left) - 4.4 * em, top, quilt.size.length, _TAPE, quilt.units),
        _places(quilt, lie),
    )
    wide, long = float(quilt.size.width), float(quilt.size.length)
    room_left, room_top = _TAPE + 4.9 * em + _GAP, _TAPE + 2.4 * em + _GAP
    edge = 0.9
    return picture(
        -wide / 2 - room_left,
        -long / 2 - room_top,
        wide + room_left + edge,
        long + room_top + edge,
        cloths.definitions,
        cloth,
        *parts,
        label=describe(quilt),
        class_="wall-drawing",
        leads=True,
    )


def _places(quilt: Quilt, lie: Lie) -> str:
    """What can be taken hold of: every place, with its number and what lies there."""
    pins = quilt.kept.laying.pins if quilt.kept.laying else frozenset[int]()
    return element(
        "g",
        *(
            element(
                "path",
                d=lie.outline([seat]),
                id=f"place-{place}",
                class_="place" + (" empty" if block is None else ""),
                role="img",
                aria_label=_said(quilt, seat, block, turn, place in pins),
                data_place=place,
                data_row=seat.row,
                data_column=seat.column,
                data_number=number_of(seat),
                data_pinned="true" if place in pins else None,
                data_prints="\n".join(_names(quilt, block)),
            )
            for place, (seat, block, turn) in enumerate(
                zip(quilt.grid.seats, quilt.kept.places, quilt.place_turns, strict=True)
            )
        ),
        class_="wall-places",
    )


def _names(quilt: Quilt, block: int | None) -> list[str]:
    """The prints of a block."""
    kit = () if block is None else quilt.kept.kits[block]
    return list(dict.fromkeys(quilt.prints[name].name for name in kit))


def _said(quilt: Quilt, seat: Seat, block: int | None, turn: int, pinned: bool) -> str:
    words = [f"Spot {number_of(seat)}"]
    if block is None:
        return f"{words[0]}: empty"
    words.append(f"block {block + 1}: {', '.join(_names(quilt, block))}")
    if turn:
        words.append(("", "quarter turn", "upside down", "three-quarter turn")[turn])
    return ", ".join([*words, *(["pinned"] if pinned else [])])


def _rows(quilt: Quilt, lie: Lie, left: float, em: float) -> str:
    """The number of every row, and the pins that mark it; one piece has no rows to be sewn."""
    if quilt.kept.block.makes_one_piece:
        return ""
    parts = []
    rows = sorted({seat.row for seat in quilt.grid.seats})
    high = abs(lie.middle(Seat(rows[-1], 0))[1] - lie.middle(Seat(0, 0))[1]) / max(1, len(rows) - 1)
    for row in rows:
        _, y = lie.middle(Seat(row, 0))
        parts.append(
            text(
                str(row + 1),
                left - 0.75 * em,
                y + 0.42 * em,
                font_size=1.2 * em,
                text_anchor="end",
                data_line="row",
                data_at=row,
            )
        )
        groups = pins_of(row)
        # Groups lie below one another, within their row.
        step = min(0.55 * em, 0.9 * high / len(groups)) if high else 0.55 * em
        for line, count in enumerate(groups):
            at = y + (line - (len(groups) - 1) / 2) * step
            parts += [
                element("circle", cx=left - 2.3 * em - n * 0.42 * em, cy=at, r=0.28 * step)
                for n in range(count)
            ]
    return element("g", *parts, class_="row-pins", aria_hidden="true")


def _columns(quilt: Quilt, lie: Lie, top: float, em: float) -> str:
    """The number of every column; of those of one piece that is sewn as columns every fifth."""
    if quilt.kept.block.makes_one_piece:
        return _columns_of_one_piece(quilt, lie, top, em)
    parts = [
        text(
            str(seat.column + 1),
            lie.middle(seat)[0],
            top - 0.55 * em,
            font_size=1.2 * em,
            text_anchor="middle",
            data_line="column",
            data_at=seat.column,
        )
        for seat in (Seat(0, column) for column in range(quilt.grid.columns))
    ]
    return element("g", *parts, class_="row-pins", aria_hidden="true")


def _columns_of_one_piece(quilt: Quilt, lie: Lie, top: float, em: float) -> str:
    x, _ = lie.anchor(Seat(0, 0))
    seams, parts = 2 * quilt.kept.seam, []
    for column in quilt.kept.block.columns(quilt.kept.seam):
        wide = float(column.width - seams)
        if column.number == 1 or column.number % _EVERY == 0:
            parts.append(
                text(
                    str(column.number),
                    x + wide / 2,
                    top - 0.55 * em,
                    font_size=1.2 * em,
                    text_anchor="middle",
                )
            )
        x += wide
    return element("g", *parts, class_="row-pins", aria_hidden="true")


def _numbers(quilt: Quilt, lie: Lie) -> str:
    """The number of every place in its middle, for whoever asks for them."""
    size = float(min(quilt.block)) / 4
    return element(
        "g",
        *(
            text(number_of(seat), x, y + size / 3, font_size=size, text_anchor="middle")
            for seat in quilt.grid.seats
            for x, y in [lie.middle(seat)]
        ),
        class_="wall-numbers",
        aria_hidden="true",
    )


def _anew(quilt: Quilt, lie: Lie) -> str:
    """Places whose block is another since the plan has changed."""
    laying = quilt.kept.laying
    if laying is None or not laying.anew:
        return ""
    seats = [quilt.grid.seats[place] for place in sorted(laying.anew)]
    return element("path", d=lie.outline(seats), class_="wall-anew", fill="none")


def _pinned(quilt: Quilt, lie: Lie, em: float) -> str:
    laying = quilt.kept.laying
    heads = []
    for place in sorted(laying.pins) if laying else ():
        x, y = lie.middle(quilt.grid.seats[place])
        up = float(quilt.block[1]) / 2 - 0.7 * em
        heads.append(
            element("path", d=f"M{number(x)} {number(y - up)}l{number(0.7 * em)} {number(em)}")
            + element("circle", cx=x, cy=y - up, r=0.42 * em)
        )
    return element("g", *heads, class_="wall-pins", aria_hidden="true") if heads else ""


def _marks(quilt: Quilt, lie: Lie, marks: Sequence[tuple[str, tuple[int, ...]]], em: float) -> str:
    """A disc with a bar for every trouble, between the places it is of; a whole row or column is
    outlined."""
    parts = []
    for key, places in marks[:_MOST_MARKS]:
        if key == _LINE:
            seats = [quilt.grid.seats[place] for place in places]
            parts.append(element("path", d=lie.outline(seats), class_="mark-line", fill="none"))
            continue
        spots = [lie.middle(quilt.grid.seats[place]) for place in places]
        x, y = (sum(at) / len(spots) for at in zip(*spots, strict=True))
        parts.append(
            element(
                "g",
                element("circle", cx=x, cy=y, r=0.62 * em),
                element("path", d=f"M{number(x - 0.3 * em)} {number(y)}h{number(0.6 * em)}"),
                class_="mark",
                data_trouble=key,
            )
        )
    return element("g", *parts, class_="wall-marks", aria_hidden="true")


def _pressing(quilt: Quilt, lie: Lie) -> str:
    """Arrows across the seams, to the side to which the allowance lies: rows in turn, so that they
    nest, and the long seams all down. Where something parts the blocks they are pressed to that."""
    if quilt.sashing.width or quilt.grid.setting is not Setting.STRAIGHT:
        return ""
    arrows = []
    reach = float(min(quilt.block)) / 6
    for seat in quilt.grid.seats:
        at = lie.middle(seat)
        if seat.column + 1 < quilt.grid.columns:
            seam = _between(at, lie.middle(Seat(seat.row, seat.column + 1)))
            arrows.append(_arrow(seam, (reach if seat.row % 2 else -reach, 0.0)))
        if seat.row + 1 < quilt.grid.rows:
            seam = _between(at, lie.middle(Seat(seat.row + 1, seat.column)))
            arrows.append(_arrow(seam, (0.0, reach)))
    return element("g", *arrows, class_="wall-pressing", aria_hidden="true")


def _between(one: Point, other: Point) -> Point:
    return (one[0] + other[0]) / 2, (one[1] + other[1]) / 2


def _arrow(seam: Point, reach: Point) -> str:
    """From a seam to the side its allowance lies on: a shaft, and two barbs at its end."""
    (x, y), (across, down) = seam, reach
    back, aside = (-0.45 * across, -0.45 * down), (0.45 * down, 0.45 * across)
    tip = x + across, y + down
    barbs = "".join(
        f"M{number(tip[0] + back[0] + way * aside[0])} {number(tip[1] + back[1] + way * aside[1])}"
        f"L{number(tip[0])} {number(tip[1])}"
        for way in (1, -1)
    )
    return element("path", d=f"M{number(x)} {number(y)}L{number(tip[0])} {number(tip[1])}{barbs}")


def _gaps(quilt: Quilt, lie: Lie, joined: Sequence[tuple[int, ...]]) -> str:
    """A gap along every seam that is not sewn yet, so that what is joined hangs together."""
    piece = {place: number for number, places in enumerate(joined) for place in places}
    gaps = []
    for place, near in enumerate(quilt.grid.near):
        for other in near:
            alike = piece.get(place, -1 - place) == piece.get(other, -1 - other)
            if other > place and not alike:
                one, two = (lie.middle(quilt.grid.seats[p]) for p in (place, other))
                gaps.append(_seam(one, two, quilt.block))
    return element("path", d="".join(gaps), class_="wall-gaps", fill="none", aria_hidden="true")


def _seam(one: Point, other: Point, block: tuple[Fraction, Fraction]) -> str:
    """The seam between two blocks, by their middles: across the line from one to the other."""
    across, down = other[0] - one[0], other[1] - one[1]
    far = (across**2 + down**2) ** 0.5
    half = float(block[1] if abs(across) > abs(down) else block[0]) / 2
    x, y = (one[0] + other[0]) / 2, (one[1] + other[1]) / 2
    dx, dy = -down / far * half, across / far * half
    return f"M{number(x - dx)} {number(y - dy)}L{number(x + dx)} {number(y + dy)}"
