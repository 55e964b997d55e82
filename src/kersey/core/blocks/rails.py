"""The rail block: k strips side by side, cut square.

    finished = k (c - 2s)        k  strips a block, 2 to 6
    unfinished = finished + 2s   c  cut width of a strip, s seam

Two ways to make it. *Segments*: each rail is cut from its strip, then sewn. *Strip sets*: k whole
strips are sewn side by side and the set is crosscut into blocks.
"""

from dataclasses import dataclass
from fractions import Fraction

from kersey.core.blocks.recipe import (
    BadRecipe,
    CutList,
    Options,
    Recipe,
    Size,
    needs_of,
    rectangle,
    square_of,
    whole,
)
from kersey.core.cutting.problem import ANY
from kersey.core.errors import InvalidValue

FEWEST_RAILS = 2
MOST_RAILS = 6


class BadRailBlock(InvalidValue):
    """A rail block that cannot be sewn."""


@dataclass(frozen=True)
class RailBlock:
    """A square of `strips` rails cut `strip_width` wide; lengths in inches.

    >>> block = RailBlock(3, Fraction(5, 2), Fraction(1, 4))
    >>> block.finished_size, block.unfinished_size
    (Fraction(6, 1), Fraction(13, 2))
    """

    strips: int
    strip_width: Fraction
    seam: Fraction

    def __post_init__(self) -> None:
        if not FEWEST_RAILS <= self.strips <= MOST_RAILS:
            raise BadRailBlock(
                f"A rail block has {FEWEST_RAILS} to {MOST_RAILS} strips, not {self.strips}."
            )
        if self.strip_width <= 2 * self.seam:
            raise BadRailBlock("The seams take up the whole strip: use wider strips or less seam.")

    @property
    def finished_rail_width(self) -> Fraction:
        """What shows of one rail."""
        return self.strip_width - 2 * self.seam

    @property
    def finished_size(self) -> Fraction:
        """The block's side as it shows in the quilt."""
        return self.strips * self.finished_rail_width

    @property
    def unfinished_size(self) -> Fraction:
        """The block's side before it is joined; also the length of a segment."""
        return self.finished_size + 2 * self.seam


def _cut(finished: Size, options: Options, seam: Fraction) -> CutList:
    strips = whole(options, "strips", FEWEST_RAILS, MOST_RAILS)
    if options["method"] not in RECIPE.choices["method"]:
        raise BadRecipe("block.options.method", f"one of {', '.join(RECIPE.choices['method'])}.")
    side, rail = finished[0], finished[0] / strips
    patches = tuple(
        rectangle("A", ANY, place * rail, Fraction(0), rail, side) for place in range(strips)
    )
    return CutList(needs_of(patches, seam), patches=patches, in_sets=options["method"] == "sets")


RECIPE = Recipe(
    id="rails",
    title="Rails",
    finished=square_of(6),
    cut=_cut,
    options={"strips": 3, "method": "segments"},
    choices={"method": ("segments", "sets")},
    about=(
        "Strips side by side. Segments: every rail is cut on its own. Sets: whole strips are cut "
        "and sewn side by side; a set becomes as many blocks as its shortest strip has segments."
    ),
)
