"""What the eye sees of a wall of blocks: their prints, families and values, and where they meet.

ground   a print that is in every block: it carries the pattern, and may touch itself
strong   a print that stands out from the rest of the cloth, and is in so few blocks that they
         can lie apart

The wall is what a search is given; it knows prints by numbers, and colours as CIELAB.
"""

from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass
from functools import cached_property
from hashlib import blake2s

import numpy as np
from numpy.typing import NDArray

from kersey.core.blocks.assembly import Patch, Size
from kersey.core.cloth.colour import Lab, difference, lab
from kersey.core.cloth.fabric import Print
from kersey.core.frame.setting import BlockGrid, Seat, Setting
from kersey.core.project.laying import QUARTERS
from kersey.core.quilt.quilt import Quilt
from kersey.core.wall.beside import Turned, Way

NEUTRAL = "neutral"
# A strong print is farther from the mean of all cloth than the prints are on average, by as much as
# they spread. Places nearer than this to each other are too near for it to be in both; one that is
# in more blocks than there are such places is part of the pattern.
TOO_NEAR = 3
# Blocks that differ less than this in CIE L* are of one value.
_ONE_VALUE = 6.0
# Fewer blocks than this make no row of one family.
_SHORT_ROW = 3


@dataclass(frozen=True)
class Seen:
    """A print as it is seen from afar."""

    name: str
    family: str
    colour: Lab
    directional: bool = False


@dataclass(frozen=True)
class Wall:
    """The places of a quilt and all its blocks, those beside the wall too.

    `blocks` has the number of a print for every patch of every block. They touch only in the
    directions that sashing leaves.
    """

    grid: BlockGrid
    size: Size
    patches: tuple[Patch, ...]
    prints: tuple[Seen, ...]
    blocks: tuple[tuple[int, ...], ...]
    touch: tuple[Way, ...] = tuple(Way)

    @cached_property
    def key(self) -> str:
        """A name for it: the same for what looks the same."""
        grid = self.grid
        facts = (
            grid.rows,
            grid.columns,
            grid.setting.value,
            self.size,
            self.patches,
            self.prints,
            self.blocks,
            [way.value for way in self.touch],
        )
        return blake2s(repr(facts).encode(), digest_size=12).hexdigest()

    @cached_property
    def pairs(self) -> tuple[tuple[int, int, Way], ...]:
        """Places whose blocks touch, or lie corner to corner, each pair once."""
        return tuple(self.at_ways(*self.touch))

    def at_ways(self, *ways: Way) -> Iterator[tuple[int, int, Way]]:
        """Pairs of places that lie so to each other, whether or not anything parts them."""
        turning = self.grid.setting is Setting.ON_POINT
        seats = [self.grid.turning(s) if turning else s for s in self.grid.seats]
        numbers = {tuple(seat): number for number, seat in enumerate(seats)}
        for number, (row, column) in enumerate(seats):
            for way in ways:
                down, across = way.value
                other = numbers.get((row + down, column + across))
                if other is not None:
                    yield number, other, way

    @cached_property
    def near(self) -> tuple[tuple[int, int], ...]:
        """Pairs of places so near that a strong print is not seen twice gladly."""
        numbers = {tuple(seat): n for n, seat in enumerate(self.grid.seats)}
        found = []
        for n, (row, column) in enumerate(self.grid.seats):
            for down in range(TOO_NEAR):
                for across in range(1 - TOO_NEAR if down else 1, TOO_NEAR):
                    other = numbers.get((row + down, column + across))
                    if other is not None:
                        found.append((n, other))
        return tuple(found)

    def turned(self, turn: int) -> Turned:
        """A block of it turned by so many quarters."""
        return self._turned[turn]

    @cached_property
    def _turned(self) -> tuple[Turned, ...]:
        return tuple(Turned(self.patches, self.size, turn) for turn in range(QUARTERS))

    @cached_property
    def sides(self) -> tuple[tuple[int, int], ...]:
        """Of every place whether it is left (-1) or right (1) of the middle, and above or below."""
        spots = [self._spot(seat) for seat in self.grid.seats]
        wide, long = (min(at) + max(at) for at in zip(*spots, strict=True))
        return tuple((_sign(2 * x - wide), _sign(2 * y - long)) for x, y in spots)

    @cached_property
    def lines(self) -> tuple[tuple[int, ...], ...]:
        """The places of every row, and then of every column, long enough to be seen as one."""
        found: dict[tuple[int, int], list[int]] = {}
        for axis in (1, 0):
            for number, seat in enumerate(self.grid.seats):
                found.setdefault((axis, self._spot(seat)[axis]), []).append(number)
        return tuple(tuple(line) for line in found.values() if len(line) >= _SHORT_ROW)

    def _spot(self, seat: Seat) -> tuple[int, int]:
        """Column and row in half places: on point the rows of fewer blocks lie half further in."""
        on_point = self.grid.setting is Setting.ON_POINT
        return 2 * seat.column + (seat.row % 2 if on_point else 0), 2 * seat.row

    @cached_property
    def of_block(self) -> list[Counter[int]]:
        """How much of each print there is in every block: its share of the area."""
        areas = [float(patch.area) for patch in self.patches]
        whole = sum(areas)
        found = []
        for block in self.blocks:
            shares: Counter[int] = Counter()
            for number, area in zip(block, areas, strict=True):
                shares[number] += area / whole  # type: ignore[assignment]
            found.append(shares)
        return found

    @cached_property
    def kinds(self) -> tuple[int, ...]:
        """For every block the number of its kind: blocks of the same prints in the same places are
        of one kind."""
        numbers: dict[tuple[int, ...], int] = {}
        return tuple(numbers.setdefault(block, len(numbers)) for block in self.blocks)

    @cached_property
    def ground(self) -> frozenset[int]:
        """The prints that are in every block."""
        if not self.blocks:
            return frozenset()
        return frozenset(set(self.blocks[0]).intersection(*self.blocks[1:]))

    @cached_property
    def colours(self) -> NDArray[np.float64]:
        """The mean colour of every block, in CIELAB."""
        return np.array(
            [
                [
                    sum(share * self.prints[n].colour[i] for n, share in shares.items())
                    for i in range(3)
                ]
                for shares in self.of_block
            ]
        ).reshape(-1, 3)

    @cached_property
    def values(self) -> tuple[int, ...]:
        """Of every block whether it is lighter than most (1), darker (-1) or neither (0)."""
        light = self.colours[:, 0]
        if not len(light) or np.ptp(light) < _ONE_VALUE:
            return (0,) * len(self.blocks)
        middle, spread = float(light.mean()), float(light.std()) / 2
        return tuple(int(v > middle + spread) - int(v < middle - spread) for v in light)

    @cached_property
    def two_kinds(self) -> tuple[int, ...]:
        """The lighter blocks (0) and the darker (1): two kinds of prints as they are, any others by
        half, the lighter half being the larger."""
        light = self.colours[:, 0]
        if len(set(self.kinds)) == 2:
            means = [float(light[[k == n for k in self.kinds]].mean()) for n in (0, 1)]
            lighter = 0 if means[0] >= means[1] else 1
            return tuple(int(kind != lighter) for kind in self.kinds)
        order = sorted(range(len(light)), key=lambda n: (-round(float(light[n]), 6), n))
        half = -(-min(len(order), self.grid.blocks) // 2)
        dark = set(order[half:])
        return tuple(int(n in dark) for n in range(len(light)))

    @cached_property
    def strong(self) -> frozenset[int]:
        """The prints that stand out and are in few blocks."""
        used = sorted({n for block in self.blocks for n in block})
        if len(used) < 3:
            return frozenset()
        middle = self.colours.mean(axis=0)
        far = {n: difference(self.prints[n].colour, tuple(middle)) for n in used}
        mean, spread = float(np.mean(list(far.values()))), float(np.std(list(far.values())))
        holding = Counter(n for block in self.blocks for n in set(block))
        apart = -(-self.grid.rows // TOO_NEAR) * -(-self.grid.columns // TOO_NEAR)
        return frozenset(n for n in used if far[n] > mean + spread and holding[n] <= apart)

    @cached_property
    def families(self) -> tuple[str, ...]:
        """The family that most of each block is of, its ground left out; "" where it has none."""
        found = []
        for shares in self.of_block:
            by_family: Counter[str] = Counter()
            for number, share in shares.items():
                if number not in self.ground:
                    by_family[self.prints[number].family] += share
            found.append(min(by_family, key=lambda f: (-by_family[f], f)) if by_family else "")
        return tuple(found)


def wall_of(quilt: Quilt) -> Wall:
    """The wall of a quilt, with all blocks that its plan makes."""
    sashing = quilt.sashing
    touch = tuple(Way) if not sashing.width else ((Way.RIGHT,) if sashing.rows_only else ())
    fabrics = quilt.kept.cutting.problem.fabrics
    directional = {f.print for f in fabrics if f.directional}
    names = {f.name: f.print for f in fabrics}
    numbers = {name: n for n, name in enumerate(dict.fromkeys(names.values()))}
    shown: dict[str, Print] = {}
    for fabric in fabrics:
        shown.setdefault(fabric.print, quilt.prints[fabric.name])
    slots = quilt.patch_slots
    return Wall(
        BlockGrid(quilt.grid.rows, quilt.grid.columns, quilt.grid.setting),
        quilt.block,
        quilt.assembly.patches,
        tuple(seen(cloth, name in directional) for name, cloth in shown.items()),
        tuple(tuple(numbers[names[kit[slot]]] for slot in slots) for kit in quilt.kept.kits),
        touch,
    )


def _sign(number: int) -> int:
    return (number > 0) - (number < 0)


def seen(cloth: Print, directional: bool = False) -> Seen:
    """A print as it is seen from afar."""
    return Seen(cloth.name, cloth.family, lab(cloth.swatch.blend), directional)
