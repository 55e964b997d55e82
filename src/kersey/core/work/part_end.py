"""What cloth leaves that was pulled for a part of the quilt: opened, used, and its ends."""

from dataclasses import dataclass
from fractions import Fraction

from kersey.core.blocks.assembly import Size
from kersey.core.stash.pulled import Pulled, Role

# An end shorter than this is a snip.
SHORTEST_END = Fraction(2)


@dataclass(frozen=True)
class PartEnd:
    """Pieces of a fabric that were opened for a part: how many, the square inches of them that are
    in the quilt, and the ends that are left, each once."""

    pulled: Pulled
    part: Role
    opened: int
    used: Fraction
    ends: tuple[Size, ...]
