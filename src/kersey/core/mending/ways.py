"""The ways to go on after something went wrong, and how sure it is that none is better."""

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction

from kersey.core.cutting.problem import Fabric, Need
from kersey.core.project.project import Project
from kersey.core.project.table import Joined


class WayKind(StrEnum):
    """How one can go on, the least changed first."""

    UNHARMED = "nothing is missing"
    SAME = "the same quilt"
    SPARE = "a spare block in its place"
    ANEW = "the same quilt, the rest planned anew"
    OTHER_PRINT = "another print in its place"
    JOINED = "a piece joined"
    FEWER = "fewer blocks"
    BUY = "buy a little"


@dataclass(frozen=True)
class Bought:
    """So many pieces like this fabric, each of a print of its own."""

    fabric: Fabric
    pieces: int


@dataclass(frozen=True)
class Way:
    """One way to go on: the project as it would be, and what it costs.

    So many `blocks` can be had then; it `opens` so many whole pieces more; of the blocks `changed`,
    by their numbers from 0, some print is another one. The `border` is then narrower than it was:
    its finished width in inches. There is no project where something has to be bought first.
    """

    kind: WayKind
    blocks: int
    project: Project | None = None
    opens: int = 0
    changed: tuple[int, ...] = ()
    joined: tuple[Joined, ...] = ()
    bought: Bought | None = None
    border: Fraction | None = None


@dataclass(frozen=True)
class Ways:
    """The ways, best first. So many blocks were `wanted`; `most` of them can be had of what truly
    is there, and no plan can have more than `bound`, once that was sought. `lost` are the pieces
    that are missing, by what was pulled."""

    wanted: int
    ways: tuple[Way, ...]
    most: int
    bound: int | None = None
    lost: tuple[tuple[str, Need, int], ...] = ()

    @property
    def proved(self) -> bool:
        """Whether it is certain that all blocks can be had, or that no more can."""
        return self.most >= self.wanted or self.most == self.bound
