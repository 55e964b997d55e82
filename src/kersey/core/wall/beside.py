"""Which patches of two blocks meet where the blocks lie beside each other, by how they are turned.

     a │ b      to the right: the patches along a's right side and those along b's left side
    ───┼───     below, and at a corner: the one patch of each that reaches it
     c │ d

Only the geometry of the block and the turns matter, so all pairs of blocks that lie alike meet in
the same patches.
"""

from collections.abc import Sequence
from enum import Enum
from fractions import Fraction
from itertools import pairwise

from kersey.core.blocks.assembly import Patch, Size, turned

# The numbers of two patches that meet, of the first block and of the second.
Meeting = tuple[int, int]


class Way(Enum):
    """Where the second block lies from the first: rows down, columns to the right."""

    RIGHT = (0, 1)
    BELOW = (1, 0)
    BELOW_RIGHT = (1, 1)
    BELOW_LEFT = (1, -1)

    @property
    def at_corner(self) -> bool:
        """Whether the two only touch at a point."""
        return self in (Way.BELOW_RIGHT, Way.BELOW_LEFT)


class Turned:
    """The patches of a block as they lie once it is turned."""

    def __init__(self, patches: Sequence[Patch], size: Size, turn: int) -> None:
        self.patches = turned(patches, size, turn)
        self._size = size if turn % 2 == 0 else (size[1], size[0])

    def along(self, axis: int, far: bool) -> list[tuple[Fraction, Fraction, int]]:
        """The stretches of an edge: from, to, and the number of the patch. Axis 0: an upright edge,
        the left one, or the right one if it is the far one; axis 1: the upper or the lower one."""
        at, other = (self._size[axis] if far else Fraction(0)), 1 - axis
        return [
            (min(a[other], b[other]), max(a[other], b[other]), number)
            for number, patch in enumerate(self.patches)
            for a, b in pairwise((*patch.corners, patch.corners[0]))
            if a[axis] == b[axis] == at and a[other] != b[other]
        ]

    def at(self, right: bool, low: bool) -> list[int]:
        """The numbers of the patches that reach a corner."""
        corner = (self._size[0] if right else Fraction(0), self._size[1] if low else Fraction(0))
        return [n for n, patch in enumerate(self.patches) if corner in patch.corners]

    def across(self) -> tuple[int | None, int | None]:
        """The patches that reach from corner to corner: down to the right, and down to the left."""
        falling = set(self.at(False, False)) & set(self.at(True, True))
        rising = set(self.at(True, False)) & set(self.at(False, True))
        # What reaches all four corners leans no way.
        return min(falling - rising, default=None), min(rising - falling, default=None)


def meetings(one: Turned, other: Turned, way: Way) -> tuple[Meeting, ...]:
    """The patches that meet where the other block lies that way from the first."""
    if way.at_corner:
        left = way is Way.BELOW_LEFT
        return tuple((a, b) for a in one.at(not left, True) for b in other.at(left, False))
    axis = 0 if way is Way.RIGHT else 1
    return tuple(
        (a, b)
        for low, high, a in one.along(axis, True)
        for start, end, b in other.along(axis, False)
        if min(high, end) > max(low, start)
    )
