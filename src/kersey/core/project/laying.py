"""How blocks are laid on the wall, once a person has a say in it: turned, pinned, put aside.

Turns belong to places, not to blocks: where two blocks change places, the setting they lie in
stays as it is.
"""

from dataclasses import dataclass
from datetime import date
from hashlib import blake2s

from kersey.core.errors import InvalidValue
from kersey.core.frame.setting import BlockGrid
from kersey.core.measure.spoken import Spoken

QUARTERS = 4
LONGEST_NOTE, MOST_VERSIONS = 400, 24


class Joining(Spoken):
    """How the blocks are sewn to one another."""

    ROWS = "rows"
    FOURS = "fours"
    COLUMNS = "columns in pairs", "pairs of columns"


class BadLaying(InvalidValue):
    """Blocks cannot be laid so."""


@dataclass(frozen=True)
class Laying:
    """One turn for every place, in quarters clockwise, in the order of the places.

    `pins` are places whose block stays however the others are laid. Blocks `aside` were taken off
    the wall by hand: nothing lays them but a hand. `anew` are places whose block is another one
    since the plan has changed.
    """

    turns: tuple[int, ...]
    pins: frozenset[int] = frozenset()
    aside: frozenset[int] = frozenset()
    anew: frozenset[int] = frozenset()

    def __post_init__(self) -> None:
        if any(not 0 <= turn < QUARTERS for turn in self.turns):
            raise BadLaying("A block can be turned 0 to 3 quarter turns.")
        if any(not 0 <= place < len(self.turns) for place in self.pins | self.anew):
            raise BadLaying("That spot isn't on the wall.")


@dataclass(frozen=True)
class Laid:
    """A whole arrangement that can be laid again, even when the plan is another by then.

    `blocks` are the kits, each piece by the key of its fabric; `places` hold their numbers.
    `pattern` is the way in which they are turned, if they follow one.
    """

    grid: BlockGrid
    blocks: tuple[tuple[str, ...], ...]
    places: tuple[int | None, ...]
    laying: Laying
    pattern: str | None = None

    def __post_init__(self) -> None:
        fits = len(self.places) == len(self.laying.turns) == self.grid.blocks
        known = {n for n in self.places if n is not None}
        if not fits or len(known) < len(self.places) - self.places.count(None):
            raise BadLaying("Each spot holds one block, and each block one spot.")
        if any(not 0 <= number < len(self.blocks) for number in known):
            raise BadLaying("This layout names a block that doesn't exist.")

    @property
    def of(self) -> str:
        """A name for the blocks and the places, whichever block lies where."""
        return blake2s(repr((self.grid, self.blocks)).encode(), digest_size=12).hexdigest()


@dataclass(frozen=True)
class Version:
    """An arrangement that a person has kept beside the one on the wall."""

    name: str
    kept_on: date
    laid: Laid
    note: str = ""

    def __post_init__(self) -> None:
        object.__setattr__(self, "name", " ".join(self.name.split())[:80])
        if not self.name:
            raise BadLaying("Give it a name, like warm center.")
        if len(self.note) > LONGEST_NOTE:
            raise BadLaying(f"A note can have {LONGEST_NOTE} characters.")
