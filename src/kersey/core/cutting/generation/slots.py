"""Slots: places along a strip, in which any piece fits that is no longer and no broader.

In a strip twelve slots of a run of 1 3/4 hold twelve logs of a log cabin crosswise, whichever they
are. Strips are therefore known by their slots, not by their pieces: there are far fewer of them.

    level   breadth up to which pieces fit; a slot can be used as one of the next lower level
    row     of a class of fabric, a run and a level: slots cut less slots used
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from kersey.core.cutting.generation.pricing import Pricer
from kersey.core.cutting.patterns import Strip, StripClass

Piece = tuple[int, bool]


@dataclass(frozen=True)
class Fill:
    """A piece in a slot of its own level; `row` is the slot's."""

    row: int
    piece: Piece
    print_class: int


class Slots:
    """The rows of slots of every class of fabric, and what may be done with a slot."""

    def __init__(self, pricer: Pricer) -> None:
        self._levels: dict[tuple[StripClass, int], dict[int, int]] = {}
        self.lower: list[tuple[int, int]] = []
        self.fills: list[Fill] = []
        self.rows = 0
        for strip_class, items in pricer.items_by_class():
            for run in sorted({item[1] for item in items}):
                self._add_run(strip_class, run, [item for item in items if item[1] == run])

    def _add_run(
        self, strip_class: StripClass, run: int, items: Sequence[tuple[int, int, Piece]]
    ) -> None:
        levels: dict[int, int] = {}
        # From narrow to broad: each slot may stand in for the one below it, so that a row need only
        # know its neighbor, and slots travel down as far as they are wanted.
        for breadth in sorted({item[0] for item in items}):
            if levels:
                self.lower.append((self.rows, max(levels.values())))
            levels[breadth] = self.rows
            self.rows += 1
        for breadth, _, piece in items:
            self.fills.append(Fill(levels[breadth], piece, strip_class[1]))
        self._levels[(strip_class, run)] = levels

    def row(self, strip_class: StripClass, run: int, breadth: int) -> int:
        """The row of a slot in a strip of this breadth."""
        # The broadest pieces that still fit the strip give its slots their level.
        levels = self._levels[(strip_class, run)]
        return levels[max(level for level in levels if level <= breadth)]


@dataclass
class _Place:
    """A slot of a strip that is really cut, and what lies in it."""

    level: int
    piece: Piece | None = None


def fill_strips(
    slots: Slots,
    strips: Sequence[tuple[tuple[StripClass, int, int], tuple[int, ...]]],
    filled: Mapping[int, int],
) -> dict[tuple[StripClass, int, int], list[Strip]]:
    """Put pieces into the slots of strips, each into the lowest level that holds it.

    `strips` are (key, runs), one for each strip cut; `filled` counts the pieces of each fill, by
    its place. The result is the strips by their keys; a strip in which nothing lies is still there.
    """
    places = [[_Place(slots.row(key[0], run, key[1])) for run in runs] for key, runs in strips]
    free: dict[int, list[_Place]] = {}
    for strip in places:
        for place in strip:
            free.setdefault(place.level, []).append(place)
    above = {lower: higher for higher, lower in slots.lower}
    # The broadest pieces first: what they leave can hold every narrower one.
    for number in sorted(filled, key=lambda n: -slots.fills[n].row):
        fill = slots.fills[number]
        for _ in range(filled[number]):
            level: int | None = fill.row
            # The programme promised a slot of this level or of one above; its own are taken first,
            # so that the broader ones are left for what needs them.
            while level is not None and not free.get(level):
                level = above.get(level)
            if level is not None:
                free[level].pop().piece = fill.piece
    ready: dict[tuple[StripClass, int, int], list[Strip]] = {}
    for (key, _), strip in zip(strips, places, strict=True):
        pieces = tuple(sorted(place.piece for place in strip if place.piece is not None))
        ready.setdefault(key, []).append(Strip(key[1], pieces))
    return ready
