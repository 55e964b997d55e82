"""What troubles the eye of a project's wall, worked out once for all that show it."""

from dataclasses import dataclass
from functools import cached_property

from kersey.core.project.laying import Laid
from kersey.core.project.minding import Trouble, Weights
from kersey.core.quilt.quilt import Quilt
from kersey.core.wall.bounds import least
from kersey.core.wall.carried import laid_of
from kersey.core.wall.hand import OnWall, on_wall
from kersey.core.wall.seen import Wall, wall_of
from kersey.core.wall.troubles import MOST_LOPSIDED, Spot, find_troubles, lopsided
from kersey.core.wall.turning import TurningWay, ways_of_turning
from kersey.web.workroom import Reckoned


@dataclass(frozen=True)
class TroubleLine:
    """A trouble as it is shown: how often it is there, how much it is minded, how few there must be
    by counting alone, and where it is if that is no place to be marked."""

    trouble: Trouble
    count: int
    weight: int
    least: int
    where: str = ""


@dataclass(frozen=True)
class Troubled:
    """A quilt on its wall, and what is seen of it."""

    quilt: Quilt
    weights: Weights

    @cached_property
    def wall(self) -> Wall:
        return wall_of(self.quilt)

    @cached_property
    def lies(self) -> OnWall:
        return on_wall(self.quilt)

    @cached_property
    def laid(self) -> Laid:
        return laid_of(self.quilt)

    @cached_property
    def ways(self) -> tuple[TurningWay, ...]:
        """The ways of turning that suit its block."""
        if self.quilt.assembly.turned_by_row:
            return ()
        return ways_of_turning(self.wall, self.quilt.assembly.turns)

    @cached_property
    def pattern(self) -> str:
        """What the way it is turned in is called; "" where it follows none."""
        if len(self.ways) < 2:
            return "as dealt"
        return next((w.title for w in self.ways if w.turns == self.quilt.place_turns), "")

    @cached_property
    def spots(self) -> dict[Trouble, tuple[Spot, ...]]:
        """Where each trouble is."""
        return dict(find_troubles(self.wall, self.lies.arrangement))

    @cached_property
    def lines(self) -> list[TroubleLine]:
        """The troubles that can be on this wall."""
        return [
            TroubleLine(
                trouble,
                len(spots),
                self.weights.of(trouble),
                least(self.wall, self.lies.arrangement, trouble),
                self._lighter if trouble is Trouble.VALUES and spots else "",
            )
            for trouble, spots in self.spots.items()
            if trouble in self._possible
        ]

    @property
    def total(self) -> int:
        """How many places trouble the eye of one who minds what this person minds."""
        return sum(line.count for line in self.lines if line.weight)

    @property
    def marks(self) -> list[tuple[str, tuple[int, ...]]]:
        """What is marked on the wall: troubles that are minded, but for light and dark, of which it
        is said where they lie."""
        return [
            (trouble.name.lower(), spot.places)
            for trouble, spots in self.spots.items()
            if self.weights.of(trouble) and trouble is not Trouble.VALUES
            for spot in spots
        ]

    @property
    def _lighter(self) -> str:
        """Where the lighter blocks lie."""
        sides = {
            (1, 0): ("on the left", "on the right"),
            (0, 1): ("above", "below"),
            (1, 1): ("upper right and lower left", "upper left and lower right"),
        }
        uneven = lopsided(self.wall, self.lies.places)
        said = [sides[side][much > 0] for side, much in uneven.items() if abs(much) > MOST_LOPSIDED]
        return f"lighter {'; '.join(said)}"

    @cached_property
    def _possible(self) -> set[Trouble]:
        wall = self.wall
        possible = {Trouble.VALUES, Trouble.LINE, Trouble.ALTERNATE}
        if wall.touch:
            possible |= {Trouble.SAME, Trouble.CORNER, Trouble.FAMILY, Trouble.SEAMS}
        if wall.strong:
            possible.add(Trouble.STRONG)
        if any(wall.turned(turn).across() != (None, None) for turn in set(self.quilt.place_turns)):
            possible.add(Trouble.DIAGONALS)
        if any(cloth.directional for cloth in wall.prints):
            possible.add(Trouble.DIRECTION)
        return possible


def troubled(reckoned: Reckoned) -> Troubled:
    """What is seen of a project's wall; raises what its quilt raises."""
    known = reckoned.beside.get(Troubled)
    if known is None:
        known = reckoned.beside[Troubled] = Troubled(reckoned.quilt, reckoned.project.design.minded)
    assert isinstance(known, Troubled)
    return known
