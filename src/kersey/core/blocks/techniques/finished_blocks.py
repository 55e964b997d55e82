"""Finished blocks: blocks that exist already, trimmed to one size.

Those that are a little larger are trimmed; those a hair smaller are eased in; all others are made
again or stay out. The size is the one that keeps most of them and cuts least off: see `trim_to`.
Source: docs/trade.md section 9: if all are equally off, use what they are; if a few are, trim to
the smallest or remake them.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Part, Size
from kersey.core.blocks.facts import CUTTER, Difficulty, Facts
from kersey.core.blocks.recipe import SQUARE, BadRecipe, Options, Recipe, rectangle, square_of
from kersey.core.blocks.technique import CUT, READY
from kersey.core.cutting.problem import ANY
from kersey.core.measure.length import EIGHTH
from kersey.core.measure.spoken import Spoken

_NOT_SAID = Fraction(0)
# Within an eighth it is eased in; more than half an inch trimmed off takes the points.
EASED, MOST_TRIMMED = Fraction(1, 8), Fraction(1, 2)
# A block made again is as much work as so many trimmed.
_REMAKE_COSTS = 6


class Fate(Spoken):
    """What becomes of a block."""

    AS_IT_IS = "as it is"
    TRIM = "trim"
    EASE = "ease in", "ease it in"
    REMAKE = "make again, or leave out", "remake or leave out"


@dataclass(frozen=True)
class Trimmed:
    """A size to trim to, unfinished, and what becomes of each block measured, in their order."""

    side: Fraction
    fates: tuple[Fate, ...]

    @property
    def kept(self) -> int:
        """Blocks that go into the quilt without being made again."""
        return sum(fate is not Fate.REMAKE for fate in self.fates)


def fate_of(size: Size, side: Fraction) -> Fate:
    """What becomes of a block of this unfinished size, where all are to be square of that side.

    >>> fate_of((Fraction(25, 2), Fraction(101, 8)), Fraction(25, 2)).value
    'trim'
    """
    over = [measured - side for measured in size]
    if max(over) > MOST_TRIMMED or min(over) < -EASED:
        return Fate.REMAKE
    if min(over) < 0:
        return Fate.EASE
    return Fate.TRIM if max(over) > 0 else Fate.AS_IT_IS


def trim_to(sizes: Sequence[Size]) -> list[Trimmed]:
    """The sizes that blocks so measured can be trimmed to, the least work first."""
    found = [
        Trimmed(side, tuple(fate_of(size, side) for size in sizes))
        for side in sorted({min(size) for size in sizes}, reverse=True)
    ]
    return sorted(found, key=lambda each: (_work(each), -each.side))


def _work(trimmed: Trimmed) -> int:
    return sum(
        {Fate.AS_IT_IS: 0, Fate.REMAKE: _REMAKE_COSTS}.get(fate, 1) for fate in trimmed.fates
    )


def _size(options: Options, seam: Fraction) -> Size | None:
    trim = options["trim"] or options.get(SQUARE)
    assert trim is None or isinstance(trim, Fraction)
    return square_of(trim - 2 * seam) if trim else None


def _assemble(finished: Size, _: Options, seam: Fraction) -> Assembly:
    if finished[0] <= EIGHTH:
        raise BadRecipe("block.options.trim", "more than its seams.")
    patch = rectangle("block", ANY, Fraction(0), Fraction(0), *finished)
    size = square_of(finished[0] + 2 * seam)
    there = Make("block", CUT, size, role=ANY, patches=(patch,))
    return Assembly(Make("block", READY, size, (Part(there, 1),), patches=(patch,)), finished)


RECIPE = Recipe(
    id="finished-blocks",
    title="Finished blocks",
    finished=square_of(12),
    assemble=_assemble,
    tried=360,
    size_of=_size,
    size_follows=True,
    ready="block",
    fate=fate_of,
    measured=lambda sizes: trim_to(sizes)[0].side,
    options={"trim": _NOT_SAID},
    facts=Facts(
        made_from="Blocks you have already made, each one measured.",
        difficulty=Difficulty.FIRST,
        sides=(3, 24),
        suits="Orphan blocks, swap blocks, group quilts.",
        pressing=("Leave them as they were pressed.",),
        cautions=(CUTTER,),
        mistakes=(
            ("Points get cut off", "Trim all four sides evenly, no more than ¼″ from each."),
        ),
    ),
    about=(
        "Blocks you already have, trimmed to the one size that saves the most of them. Trim: the "
        "unfinished size; leave it empty and Kersey finds it."
    ),
)
