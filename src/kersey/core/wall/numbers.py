"""The number of a place: its row and its place in the row, as in 3-5; and the pins of a row.

On the wall, on the label and on the sheet a block has the number of its place. A row is marked by
so many pins as it has before it and one, in groups of five from there on.
"""

import re

from kersey.core.errors import InvalidValue
from kersey.core.frame.setting import BlockGrid, Seat

_NUMBER = re.compile(r"(\d{1,3})-(\d{1,3})")
_GROUP = 5


class NoSuchPlace(InvalidValue):
    """A number that is not of a place of this quilt."""


def number_of(seat: Seat) -> str:
    """The number of a place.

    >>> number_of(Seat(2, 4))
    '3-5'
    """
    return f"{seat.row + 1}-{seat.column + 1}"


def place_of(grid: BlockGrid, number: str) -> int:
    """Which place has this number, in the order of the grid; raises `NoSuchPlace`.

    >>> place_of(BlockGrid(3, 4), "2-1")
    4
    """
    match = _NUMBER.fullmatch(number.strip())
    seat = Seat(int(match[1]) - 1, int(match[2]) - 1) if match else None
    if seat is None or seat not in grid.seats:
        rows = 2 * grid.rows - 1 if grid.setting.value == "on-point" else grid.rows
        raise NoSuchPlace(
            f"“{number[:20]}” isn't a spot in this quilt. Type row and column, from 1-1 to "
            f"{rows}-{grid.seats[-1].column + 1}."
        )
    return grid.seats.index(seat)


def pins_of(row: int) -> tuple[int, ...]:
    """The pins that mark a row, counted from 0: groups of five, then what is over.

    >>> pins_of(0), pins_of(4), pins_of(6)
    ((1,), (5,), (5, 2))
    """
    groups, over = divmod(row + 1, _GROUP)
    return (_GROUP,) * groups + ((over,) if over else ())
