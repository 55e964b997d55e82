"""Ways of turning the blocks of a wall, those that suit the block's own symmetry.

What turns a pattern is the corner, or the side, to which a block is light:

    furrows   ◤◢◤◢     diamonds  ◢◣◢◣     pinwheels  ◥◤ ...     rings: furrows mirrored at both
              ◢◤◢◤               ◥◤◥◤                           middles

Corners and sides are counted clockwise from the upper left corner, from the upper side. Source:
docs/trade.md section 8.
"""

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.frame.setting import BlockGrid, Setting
from kersey.core.wall.seen import Wall

# Light lies to a corner or a side if its middle is so far from the block's, in blocks and CIE L*.
_LEANS = 0.75
# Of the two parts of a lean, across and down, one that is so much smaller says it is to a side.
_TO_A_SIDE = 0.4
_CORNERS = {(-1, -1): 0, (1, -1): 1, (1, 1): 2, (-1, 1): 3}
_SIDES = {(0, -1): 0, (1, 0): 1, (0, 1): 2, (-1, 0): 3}


@dataclass(frozen=True)
class Lean:
    """Where a block is light: to a corner or to a side, both counted clockwise."""

    to: int
    corner: bool


@dataclass(frozen=True)
class Spot:
    """A place as a pattern sees it: how far from the upper left, and how many there are."""

    row: int
    column: int
    rows: int
    columns: int

    @property
    def quarter(self) -> tuple[int, int]:
        """Whether it lies left or right of the middle, and above or below it: -1 or 1."""
        return (
            1 if 2 * self.column >= self.columns else -1,
            1 if 2 * self.row >= self.rows else -1,
        )

    @property
    def ring(self) -> int:
        """How many steps it is from the middle, 0 in the four places that meet there."""
        across, down = self.quarter
        right = (
            self.column - self.columns // 2
            if across > 0
            else (self.columns - 1) // 2 - (self.column)
        )
        low = self.row - self.rows // 2 if down > 0 else (self.rows - 1) // 2 - self.row
        return right + low


Turn = Callable[[Spot], int]


@dataclass(frozen=True)
class TurningWay:
    """A way of turning: the turn of every place. `even` rows and columns it needs to look whole."""

    key: str
    title: str
    turns: tuple[int, ...]
    even: tuple[bool, bool] = (False, False)

    def suits(self, grid: BlockGrid) -> bool:
        """Whether the grid has the even rows and columns it needs."""
        return not (self.even[0] and grid.rows % 2) and not (self.even[1] and grid.columns % 2)

    def better_grids(self, grid: BlockGrid) -> tuple[tuple[int, int, int], ...]:
        """Rows and columns that would suit it, and how many blocks more each takes (or fewer)."""
        if self.suits(grid):
            return ()
        odd = (self.even[0] and grid.rows % 2, self.even[1] and grid.columns % 2)
        found = []
        for step in (1, -1):
            rows, columns = grid.rows + step * bool(odd[0]), grid.columns + step * bool(odd[1])
            if rows > 0 and columns > 0:
                more = BlockGrid(rows, columns, grid.setting).blocks - grid.blocks
                found.append((rows, columns, more))
        return tuple(found)


def ways_of_turning(wall: Wall, looks: tuple[int, ...]) -> tuple[TurningWay, ...]:
    """The ways that suit a block with these looks, each unlike the others.

    `looks` are the quarter turns in which the block looks different (`Assembly.turns`).
    """
    found: dict[tuple[int, ...], TurningWay] = {}
    for key, title, turn, even in _offered(wall, looks):
        turns = tuple(turn(spot) for spot in _spots(wall.grid))
        found.setdefault(turns, TurningWay(key, title, turns, even))
    return tuple(found.values())


def light_to(wall: Wall) -> Lean | None:
    """Where the blocks are light, on average over all of them; None if nowhere clearly."""
    width, height = map(float, wall.size)
    whole, across, down = width * height, 0.0, 0.0
    for number, patch in enumerate(wall.patches):
        light = sum(wall.prints[block[number]].colour[0] for block in wall.blocks)
        x = float(sum((c[0] for c in patch.corners), Fraction(0))) / len(patch.corners)
        y = float(sum((c[1] for c in patch.corners), Fraction(0))) / len(patch.corners)
        weight = light / max(1, len(wall.blocks)) * float(patch.area) / whole
        across += weight * (x / width - 0.5)
        down += weight * (y / height - 0.5)
    most = max(abs(across), abs(down))
    if most < _LEANS:
        return None
    if min(abs(across), abs(down)) < _TO_A_SIDE * most:
        side = (_sign(across), 0) if abs(across) == most else (0, _sign(down))
        return Lean(_SIDES[side], corner=False)
    return Lean(_CORNERS[_sign(across), _sign(down)], corner=True)


def _sign(number: float) -> int:
    return 1 if number > 0 else -1


def _spots(grid: BlockGrid) -> Iterator[Spot]:
    """The places of a grid as patterns see them; blocks on point lie in rows that run aslant."""
    if grid.setting is Setting.STRAIGHT:
        for seat in grid.seats:
            yield Spot(*seat, grid.rows, grid.columns)
        return
    turning = [grid.turning(seat) for seat in grid.seats]
    first = min(row for row, _ in turning), min(column for _, column in turning)
    last = max(row for row, _ in turning), max(column for _, column in turning)
    for row, column in turning:
        yield Spot(
            row - first[0], column - first[1], last[0] - first[0] + 1, last[1] - first[1] + 1
        )


_Offer = tuple[str, str, Turn, tuple[bool, bool]]
_ANY, _COLUMNS, _BOTH = (False, False), (False, True), (True, True)


def _offered(wall: Wall, looks: tuple[int, ...]) -> Iterator[_Offer]:
    yield "upright", "all the same way up", lambda _: 0, _ANY
    if len(looks) == 1:
        return
    half = 2 if looks == (0, 2) else 1
    yield "alternate", "alternating turns", lambda s: (s.row + s.column) % 2 * half, _ANY
    yield "rows", "alternating rows", lambda s: s.row % 2 * max(looks[1], len(looks) // 2), _ANY
    if len(looks) == 2:
        yield "columns", "alternating columns", lambda s: s.column % 2 * half, _ANY
        if half == 1:
            yield "rings", "rings", _lying_round, _BOTH
        return
    lean = light_to(wall)
    if lean is not None and lean.corner:
        yield from _of_corners(lean.to)
    elif lean is not None:
        yield from _of_sides(lean.to)
    else:
        yield "pinwheels", "pinwheels", lambda s: _in_fours(s, ((0, 1), (3, 2))), _ANY
        yield "diamonds", "groups of four", lambda s: _in_fours(s, ((3, 0), (2, 1))), _ANY


def _of_corners(light: int) -> Iterator[_Offer]:
    """For blocks that are light to a corner: each pattern says to which it lies."""

    def to(corner: Callable[[Spot], int]) -> Turn:
        return lambda spot: (corner(spot) - light) % 4

    yield "furrows", "straight furrows", to(lambda s: (s.row + s.column) % 2 * 2), _ANY
    yield "rings", "barn raising, light center", to(lambda s: _ring(s, light_first=True)), _BOTH
    yield (
        "rings-dark",
        "barn raising, dark center",
        to(lambda s: _ring(s, light_first=False)),
        _BOTH,
    )
    diamonds = ((2, 3), (1, 0))
    yield "diamonds", "light diamonds", to(lambda s: _in_fours(s, diamonds)), _ANY
    dark = ((0, 1), (3, 2))
    yield "diamonds-dark", "dark diamonds", to(lambda s: _in_fours(s, dark)), _ANY
    yield "set-off-light", "offset diamonds, light first", to(lambda s: _set_off(s, 0)), _ANY
    yield "set-off-dark", "offset diamonds, dark first", to(lambda s: _set_off(s, 1)), _ANY
    yield "zigzags", "zigzags", to(lambda s: 2 + s.column % 2), _ANY
    yield "pinwheels", "pinwheels", to(lambda s: _in_fours(s, ((1, 2), (0, 3)))), _ANY
    yield "chevrons", "chevrons", to(_chevron), _COLUMNS


def _of_sides(light: int) -> Iterator[_Offer]:
    """For blocks that are light to a side, like an arrow."""

    def to(side: Callable[[Spot], int]) -> Turn:
        return lambda spot: (side(spot) - light) % 4

    yield "pinwheels", "pinwheels", to(lambda s: _in_fours(s, ((0, 1), (3, 2)))), _ANY
    yield "chevrons", "chevrons", to(lambda s: 1 if s.quarter[0] > 0 else 3), _COLUMNS
    yield "rings", "rings, light outside", to(_outward), _BOTH
    yield "rings-light", "rings, light inside", to(lambda s: _outward(s) + 2), _BOTH


def _in_fours(spot: Spot, four: tuple[tuple[int, int], tuple[int, int]]) -> int:
    return four[spot.row % 2][spot.column % 2]


def _set_off(spot: Spot, first: int) -> int:
    """Diamonds of which every second pair of columns is set off by half a diamond; with the dark
    first, all are set off by half to both sides."""
    column, row = spot.column + first, spot.row + first
    return ((2, 3), (1, 0))[(row + column // 2 % 2) % 2][column % 2]


def _ring(spot: Spot, light_first: bool) -> int:
    """Light to the middle or away from it, ring by ring."""
    across, down = spot.quarter
    outward = _CORNERS[across, down]
    return outward if (spot.ring % 2 == 0) is not light_first else (outward + 2) % 4


def _chevron(spot: Spot) -> int:
    """Furrows that meet in the middle: the right half is the left one in a mirror."""
    across, _ = spot.quarter
    steps = spot.ring - _ring_rows(spot)
    low = (spot.row + steps) % 2
    return _CORNERS[across if low else -across, 1 if low else -1]


def _ring_rows(spot: Spot) -> int:
    _, down = spot.quarter
    return spot.row - spot.rows // 2 if down > 0 else (spot.rows - 1) // 2 - spot.row


def _outward(spot: Spot) -> int:
    """The side away from the middle: of the four wedges between the diagonals, the one it is in."""
    x, y = 2 * spot.column + 1 - spot.columns, 2 * spot.row + 1 - spot.rows
    if abs(x) * spot.rows > abs(y) * spot.columns:
        return 1 if x > 0 else 3
    return 2 if y > 0 else 0


def _lying_round(spot: Spot) -> int:
    """Blocks of bars lie along the edge that is nearest."""
    return _outward(spot) % 2
