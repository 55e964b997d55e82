"""Orders in which blocks are laid: by value, colour, family, print or number.

Every order is two rankings, of the places and of the blocks: the first place takes the first block.

    gradient across   places column by column, blocks from light to dark
    light centre      places from the middle outward, blocks from light to dark

Pinned places keep their blocks. How rough an arrangement is, is the sum of the
CIELAB steps between them. A gradient is never rougher than the blocks in the order of the roll,
laid row by row.
"""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from kersey.core.cloth.colour import FAMILIES
from kersey.core.frame.setting import Setting
from kersey.core.measure.spoken import Spoken
from kersey.core.wall.beside import Way
from kersey.core.wall.seen import NEUTRAL, Wall
from kersey.core.wall.troubles import Places

_NOTICED = 1e-6
_MOST_EXCHANGES = 2000
# On large walls fewer exchanges are made: each looks at all pairs of places.
_WORK = 100_000


class Order(Spoken):
    """How blocks are laid by one touch."""

    ACROSS = "gradient across"
    DOWN = "gradient down"
    DIAGONAL = "gradient diagonally", "diagonal gradient"
    RAINBOW = "rainbow"
    FAMILIES = "families by row", "color family by row"
    CENTRE = "light centre, dark edge", "light center, dark edge"
    ROLL = "order of the roll", "roll order"
    MIRRORED = "mirrored from the middle", "mirrored from the center"
    CHECKERBOARD = "two kinds in a checkerboard", "checkerboard"
    STEPS = "steps along each row", "shifted rows"
    COLUMNS = "columns by their numbers", "column order"


GRADIENTS = frozenset({Order.ACROSS, Order.DOWN, Order.DIAGONAL})


@dataclass(frozen=True)
class Pool:
    """What is laid: the places that are free, and the blocks that lie there or wait beside."""

    wall: Wall
    free: tuple[int, ...]
    blocks: tuple[int, ...]


def laid_in(
    wall: Wall,
    places: Places,
    order: Order,
    pins: frozenset[int] = frozenset(),
    aside: frozenset[int] = frozenset(),
    shift: int = 1,
) -> Places:
    """The blocks laid in an order; `shift` says by how many places each row is stepped on.

    Empty places take what waits beside the wall, while it lasts; the last places stay empty.
    """
    pool = _pool(wall, places, order, pins, aside)
    if order in GRADIENTS:
        found = _gradient(pool, order)
    elif order is Order.MIRRORED:
        found = _mirrored(pool)
    else:
        ranks = _PLACES[order](wall, shift)
        free = sorted(pool.free, key=lambda place: (ranks[place], place))
        found = dict(zip(free, sorted(pool.blocks, key=_BLOCKS[order](wall)), strict=False))
    return tuple(
        found.get(place) if place in pool.free else block for place, block in enumerate(places)
    )


def roughness(wall: Wall, places: Places) -> float:
    """The sum of CIELAB steps between blocks side by side."""
    colours = wall.colours
    return float(
        sum(
            math.dist(colours[a], colours[b])
            for one, other, _ in wall.at_ways(Way.RIGHT, Way.BELOW)
            for a, b in [(places[one], places[other])]
            if a is not None and b is not None
        )
    )


def main_print(wall: Wall, block: int) -> int:
    """The print that most of a block is of, its ground left out where it has more than that."""
    shares = wall.of_block[block]
    own = [n for n in shares if n not in wall.ground] or list(shares)
    return min(own, key=lambda n: (-shares[n], n))


def checkerboard_wants(wall: Wall) -> tuple[int, int]:
    """How many blocks of the lighter kind and of the darker a checkerboard of this grid takes."""
    dark = round(sum(_checkered(wall, 0)))
    return wall.grid.blocks - dark, dark


def kinds_there(wall: Wall) -> tuple[int, int]:
    """How many blocks there are of the lighter kind and of the darker."""
    dark = sum(wall.two_kinds)
    return len(wall.blocks) - dark, dark


def _pool(
    wall: Wall, places: Places, order: Order, pins: frozenset[int], aside: frozenset[int]
) -> Pool:
    laid = {block for block in places if block is not None}
    beside = [n for n in range(len(wall.blocks)) if n not in laid and n not in aside]
    free = tuple(place for place in range(len(places)) if place not in pins)
    blocks = [b for place in free for b in [places[place]] if b is not None]
    if order is Order.CHECKERBOARD:
        return Pool(wall, free, _of_both_kinds(wall, places, pins, blocks + beside))
    empty = len(free) - len(blocks)
    return Pool(wall, free, (*blocks, *beside[:empty]))


def _of_both_kinds(
    wall: Wall, places: Places, pins: frozenset[int], blocks: Sequence[int]
) -> tuple[int, ...]:
    """As many blocks of the two kinds as the checkerboard has places for, while there are."""
    kinds, darks = wall.two_kinds, _checkered(wall, 0)
    wanted = [sum(not darks[p] for p in range(len(places)) if p not in pins)]
    wanted.append(len(places) - len(pins) - wanted[0])
    taken = [[b for b in blocks if kinds[b] == kind][: wanted[kind]] for kind in (0, 1)]
    chosen = [b for kind in taken for b in kind]
    rest = [b for b in blocks if b not in chosen]
    return (*chosen, *rest[: len(places) - len(pins) - len(chosen)])


def _spots(wall: Wall) -> list[tuple[float, float]]:
    """Row and column of every place; on point the rows of fewer blocks lie half further in."""
    on_point = wall.grid.setting is Setting.ON_POINT
    return [(s.row, s.column + (s.row % 2) / 2 * on_point) for s in wall.grid.seats]


def _checkered(wall: Wall, _: int) -> list[float]:
    if wall.grid.setting is Setting.STRAIGHT:
        return [(seat.row + seat.column) % 2 for seat in wall.grid.seats]
    return [sum(wall.grid.turning(seat)) % 2 for seat in wall.grid.seats]


def _row_by_row(wall: Wall, _: int) -> list[float]:
    return list(range(wall.grid.blocks))


def _column_by_column(wall: Wall, _: int) -> list[float]:
    return [column * 1000 + row for row, column in _spots(wall)]


def _from_the_middle(wall: Wall, _: int) -> list[float]:
    spots = _spots(wall)
    middle = [(min(at) + max(at)) / 2 for at in zip(*spots, strict=True)]
    reach = [max(1.0, max(at) - m) for at, m in zip(zip(*spots, strict=True), middle, strict=True)]
    return [
        round(math.hypot((r - middle[0]) / reach[0], (c - middle[1]) / reach[1]), 9)
        for r, c in spots
    ]


def _stepped(wall: Wall, shift: int) -> list[float]:
    columns = wall.grid.columns
    return [(column - shift * row) % columns * 1000 + row for row, column in _spots(wall)]


Key = Callable[[int], tuple[float, ...]]


def _by_light(wall: Wall) -> Key:
    return lambda block: (-round(float(wall.colours[block, 0]), 6), block)


def _by_hue(wall: Wall) -> Key:
    def key(block: int) -> tuple[float, ...]:
        light, a, b = (float(part) for part in wall.colours[block])
        neutral = wall.families[block] in (NEUTRAL, "")
        return neutral, 0.0 if neutral else round(math.atan2(b, a) % math.tau, 6), -light, block

    return key


def _by_family(wall: Wall) -> Key:
    places = {family: n for n, family in enumerate(FAMILIES)}
    light = _by_light(wall)
    return lambda block: (places.get(wall.families[block], len(places)), *light(block))


def _by_print(wall: Wall) -> Key:
    return lambda block: (main_print(wall, block), block)


def _by_kind(wall: Wall) -> Key:
    kinds = wall.two_kinds
    return lambda block: (kinds[block], block)


def _by_number(_: Wall) -> Key:
    return lambda block: (block,)


_PLACES: dict[Order, Callable[[Wall, int], list[float]]] = {
    Order.RAINBOW: _column_by_column,
    Order.FAMILIES: _row_by_row,
    Order.CENTRE: _from_the_middle,
    Order.ROLL: _row_by_row,
    Order.CHECKERBOARD: _checkered,
    Order.STEPS: _stepped,
    Order.COLUMNS: _column_by_column,
}
_BLOCKS: dict[Order, Callable[[Wall], Key]] = {
    Order.RAINBOW: _by_hue,
    Order.FAMILIES: _by_family,
    Order.CENTRE: _by_light,
    Order.ROLL: _by_print,
    Order.CHECKERBOARD: _by_kind,
    Order.STEPS: _by_print,
    Order.COLUMNS: _by_number,
}


def _gradient(pool: Pool, order: Order) -> dict[int, int]:
    """From light to dark; smoothed within each band, and if that is not enough anywhere."""
    wall, spots = pool.wall, _spots(pool.wall)
    bands = [
        {Order.ACROSS: column, Order.DOWN: row}.get(order, row + column) for row, column in spots
    ]
    free = sorted(pool.free, key=lambda place: (bands[place], place))
    blocks = sorted(pool.blocks, key=_by_light(wall))
    graded = _smoothed(pool, dict(zip(free, blocks, strict=False)), bands)
    roll = sorted(pool.blocks, key=_by_print(wall))
    rolled = dict(zip(pool.free, roll, strict=False))
    most = _rough(pool, rolled)
    if _rough(pool, graded) <= most:
        return graded
    anywhere = [0.0] * len(bands)
    graded = _smoothed(pool, graded, anywhere)
    return graded if _rough(pool, graded) <= most else _smoothed(pool, rolled, anywhere)


def _rough(pool: Pool, laid: dict[int, int]) -> float:
    places: list[int | None] = [None] * pool.wall.grid.blocks
    for place, block in laid.items():
        places[place] = block
    return roughness(pool.wall, tuple(places))


def _smoothed(pool: Pool, laid: dict[int, int], bands: Sequence[float]) -> dict[int, int]:
    """Blocks of one band change places while that makes it less rough, the best exchange first."""
    wall = pool.wall
    places = sorted(laid)
    if len(places) < 2:
        return laid
    number = {place: n for n, place in enumerate(places)}
    blocks = np.array([laid[place] for place in places])
    apart = np.linalg.norm(
        wall.colours[blocks][:, None, :] - wall.colours[blocks][None, :, :], axis=2
    )
    beside = np.zeros((len(places), len(places)))
    for one, other, _ in wall.at_ways(Way.RIGHT, Way.BELOW):
        if one in number and other in number:
            beside[number[one], number[other]] = beside[number[other], number[one]] = 1.0
    band = np.array([bands[place] for place in places])
    lies = _exchanged(beside, apart, band[:, None] == band[None, :])
    return {place: int(blocks[n]) for place, n in zip(places, lies, strict=True)}


def _exchanged(
    beside: NDArray[np.float64], apart: NDArray[np.float64], may: NDArray[np.bool_]
) -> list[int]:
    """Which thing lies at each place, once the best exchange was made again and again."""
    at = np.arange(len(beside))
    near = [np.flatnonzero(row) for row in beside]
    # What each thing would differ from the neighbours of each place.
    costs = beside @ apart
    for _ in range(min(_MOST_EXCHANGES, _WORK // max(1, len(at)))):
        there = costs[:, at]
        here = np.diag(there)
        gains = there + there.T - here[:, None] - here[None, :] + 2 * beside * apart[at][:, at]
        gains[~may] = 0.0
        one, other = divmod(int(gains.argmin()), len(at))
        if gains[one, other] > -_NOTICED:
            break
        a, b = at[one], at[other]
        at[one], at[other] = b, a
        costs[near[one]] += apart[b] - apart[a]
        costs[near[other]] += apart[a] - apart[b]
    return [int(n) for n in at]


def _mirrored(pool: Pool) -> dict[int, int]:
    """Blocks as like as can be lie across from each other, the lightest in the middle."""
    wall, spots = pool.wall, _spots(pool.wall)
    columns = [column for _, column in spots]
    wide = min(columns) + max(columns)
    at = {spot: place for place, spot in enumerate(spots)}
    free = set(pool.free)
    pairs, alone = [], []
    for place in sorted(free, key=lambda p: (abs(2 * columns[p] - wide), p)):
        other = at[spots[place][0], wide - columns[place]]
        if other == place or other not in free:
            alone.append(place)
        elif place < other:
            pairs.append((place, other))
    blocks = sorted(pool.blocks, key=lambda b: (*_by_light(wall)(b)[:1], wall.kinds[b], b))
    found: dict[int, int] = {}
    waiting = _twins(wall, blocks, len(pairs))
    for (left, right), (one, other) in zip(pairs, waiting, strict=False):
        found[left], found[right] = one, other
    rest = [b for b in blocks if b not in found.values()]
    return found | dict(zip((*alone, *sum(pairs[len(waiting) :], ())), rest, strict=False))


def _twins(wall: Wall, blocks: Sequence[int], most: int) -> list[tuple[int, int]]:
    """Pairs of blocks, first those of one kind, then of the nearest colours; in their order."""
    pairs: list[tuple[int, int]] = []
    waiting: dict[int, int] = {}
    for block in blocks:
        kind = wall.kinds[block]
        if kind in waiting:
            pairs.append((waiting.pop(kind), block))
        else:
            waiting[kind] = block
    left = sorted(waiting.values(), key=_by_light(wall))
    pairs += list(zip(left[::2], left[1::2], strict=False))
    place = {block: n for n, block in enumerate(blocks)}
    return sorted(pairs[:most], key=lambda pair: place[pair[0]])
