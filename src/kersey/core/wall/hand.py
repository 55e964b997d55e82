"""What a hand does at the wall: lift, move, turn, pin, put aside, bring back.

Each act makes of a kept plan another; an act that is not possible raises `CannotLay`. A block that
is put aside stays off the wall until a hand brings it back; one that only makes room waits beside
it and may be laid again.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace

from kersey.core.errors import Infeasible
from kersey.core.frame.setting import Seat
from kersey.core.project.kept_plan import KeptPlan
from kersey.core.project.laying import QUARTERS, Laying
from kersey.core.quilt.quilt import Quilt
from kersey.core.wall.troubles import Arrangement, Places


class CannotLay(Infeasible):
    """Blocks cannot be laid so."""


@dataclass(frozen=True)
class OnWall:
    """What lies on the wall: the plan with its blocks and the way they are laid."""

    kept: KeptPlan
    laying: Laying
    square: bool

    @property
    def places(self) -> Places:
        """The block of every place."""
        return self.kept.places

    @property
    def arrangement(self) -> Arrangement:
        """Blocks and turns."""
        return Arrangement(self.kept.places, self.laying.turns)

    @property
    def beside(self) -> tuple[int, ...]:
        """The blocks that lie beside the wall, those put aside among them."""
        laid = set(self.places)
        return tuple(n for n in range(len(self.kept.kits)) if n not in laid)

    def swapped(self, one: int, other: int) -> "OnWall":
        """Two places exchange their blocks; one of them may be empty."""
        places = list(self.places)
        places[one], places[other] = places[other], places[one]
        return self.laid(places, [one, other])

    def moved(self, chosen: Iterable[int], down: int, across: int) -> "OnWall":
        """The chosen blocks move so many rows and columns on together; those they push away take
        the places that became free, in their order."""
        grid = self._grid
        seats = {tuple(seat): place for place, seat in enumerate(grid)}
        chosen = sorted(set(chosen))
        aims = [seats.get((grid[p].row + down, grid[p].column + across)) for p in chosen]
        if None in aims:
            raise CannotLay("That would put them past the edge of the quilt.")
        there = [aim for aim in aims if aim is not None]
        places = list(self.places)
        pushed = [self.places[aim] for aim in there if aim not in chosen]
        freed = [place for place in chosen if place not in there]
        for place, aim in zip(chosen, there, strict=True):
            places[aim] = self.places[place]
        for place, block in zip(freed, pushed, strict=True):
            places[place] = block
        return self.laid(places, [*chosen, *there])

    def turned(self, chosen: Iterable[int], quarters: int = 1) -> "OnWall":
        """The chosen places turn their blocks by quarters clockwise; those that are not square by
        halves."""
        step = quarters if self.square else 2
        turns = list(self.laying.turns)
        for place in set(chosen):
            turns[place] = (turns[place] + step) % QUARTERS
        return self.turned_to(turns, pinned_too=True)

    def turned_to(self, turns: Sequence[int], pinned_too: bool = False) -> "OnWall":
        """All turned as is said, but for pinned places."""
        held = frozenset[int]() if pinned_too else self.laying.pins
        kept = tuple(
            own if place in held else turn
            for place, (own, turn) in enumerate(zip(self.laying.turns, turns, strict=True))
        )
        return self._with(self.kept.places, replace(self.laying, turns=kept))

    def pinned(self, chosen: Iterable[int], pin: bool) -> "OnWall":
        """The chosen places pinned, or let go."""
        pins = self.laying.pins | set(chosen) if pin else self.laying.pins - set(chosen)
        return self._with(self.places, replace(self.laying, pins=pins))

    def put_aside(self, chosen: Iterable[int]) -> "OnWall":
        """The blocks of the chosen places put aside; their places are empty."""
        chosen = set(chosen)
        places = [None if p in chosen else block for p, block in enumerate(self.places)]
        off = {block for p, block in enumerate(self.places) if p in chosen and block is not None}
        return self.laid(places, chosen, self.laying.aside | off)

    def brought(self, block: int, place: int) -> "OnWall":
        """A block from beside the wall laid at a place; the one that lay there is put aside."""
        if block not in self.beside:
            raise CannotLay(f"Block {block + 1} is already on the wall.")
        places, before = list(self.places), self.places[place]
        places[place] = block
        aside = self.laying.aside - {block} | ({before} if before is not None else set())
        return self.laid(places, [place], aside)

    def as_found(self, places: Places, turns: Sequence[int]) -> "OnWall":
        """Laid as it was found on the real wall, pins or not: there it lies so already."""
        laying = replace(
            self.laying, turns=tuple(turns), aside=self.laying.aside - set(places), anew=frozenset()
        )
        return self._with(places, laying)

    def seen(self) -> "OnWall":
        """A person has looked at what the plan changed: it is marked no more."""
        return self._with(self.places, replace(self.laying, anew=frozenset()))

    def laid(
        self,
        places: Iterable[int | None],
        changed: Iterable[int] = (),
        aside: frozenset[int] | None = None,
    ) -> "OnWall":
        """The blocks laid so; raises `CannotLay` if that moves a pinned one."""
        places, changed = tuple(places), set(changed)
        if any(self.places[p] != places[p] for p in self.laying.pins):
            raise CannotLay("That block is pinned. Unpin it first.")
        moved = {p for p, block in enumerate(places) if block != self.places[p]} | changed
        aside = self.laying.aside if aside is None else aside
        laying = replace(self.laying, aside=aside - set(places), anew=self.laying.anew - moved)
        return self._with(places, laying)

    @property
    def _grid(self) -> tuple[Seat, ...]:
        assert self.kept.grid is not None
        return self.kept.grid.seats

    def _with(self, places: Places, laying: Laying) -> "OnWall":
        kept = replace(self.kept, places=places, laying=laying, taken=True)
        return replace(self, kept=kept, laying=laying)


def on_wall(quilt: Quilt) -> OnWall:
    """The wall of a quilt as it lies now."""
    laying = quilt.kept.laying or Laying(quilt.place_turns)
    return OnWall(quilt.kept, laying, quilt.block[0] == quilt.block[1])
