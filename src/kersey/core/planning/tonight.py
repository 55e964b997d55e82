"""What free cloth could become tonight with no purchase, and what it is nearly enough for.

tonight   quilts without a border to buy, of which nothing of the top is to be bought
nearly    a cover that a block reaches with a few blocks more than there are: how many are missing,
          and how many pieces more of one sort would do, each tried by a real search
lacking   quilts of which one role alone is to be bought

Source: docs/trade.md sections 4 and 5.
"""

from collections.abc import Iterator
from dataclasses import dataclass, field, replace
from fractions import Fraction

from kersey.core.blocks.catalogue import as_tried
from kersey.core.frame.purposes import NEAR_ENOUGH, Purpose, Wish
from kersey.core.frame.size_search import SizeOption, SizeQuestion, size_options
from kersey.core.measure.length import Units
from kersey.core.planning.possible import Possible, WallQuestion, best_of, wall_question
from kersey.core.project.project import Project
from kersey.core.yields.just_enough import Mend, mends

# Nearly is up to a fifth of the blocks; more covers than this are too many to read.
NEARLY, MOST_NEARLY = Fraction(1, 5), 6
# Quilts that leave most of the cloth are no answer.
_USES = Fraction(1, 4)


@dataclass(frozen=True)
class Nearly:
    """A cover that a quilt misses: of this size, so many blocks `short`. Once it was `sought`, the
    `mends` say what would do, each alone; none of them where nothing that was tried does."""

    possible: Possible
    size: SizeOption
    sought: bool = False
    mends: tuple[Mend, ...] = ()

    @property
    def short(self) -> int:
        """How many blocks are missing."""
        return self.size.blocks - self.possible.blocks


@dataclass(frozen=True)
class Tonight:
    """The answer as far as it is known: all three the best first."""

    could: tuple[Possible, ...] = ()
    nearly: tuple[Nearly, ...] = ()
    lacking: tuple[Possible, ...] = ()

    @property
    def every(self) -> tuple[Possible, ...]:
        """Every quilt that is told of."""
        return (*self.could, *self.lacking, *(each.possible for each in self.nearly))


@dataclass(frozen=True)
class TonightQuestion:
    """What could be made of a project's fabric tonight? Known by its `key`."""

    key: str
    project: Project = field(compare=False)
    units: Units = Units.INCHES

    def run(self) -> Iterator[Tonight]:
        """The answer, growing block after block; then what would mend what is nearly enough."""
        found: list[Possible] = []
        nearly: list[Nearly] = []
        told = Tonight()
        for recipe in as_tried():
            possible = best_of(self.project, recipe.id, self.units)
            if possible is not None:
                found.append(possible)
                if not possible.missing:
                    nearly += nearly_covers(possible, self.units)
                told = _sorted(found, nearly)
                yield told
        for n, each in enumerate(told.nearly):
            mended = replace(each, sought=True, mends=_mended(each))
            told = replace(told, nearly=(*told.nearly[:n], mended, *told.nearly[n + 1 :]))
            yield told
        yield told


def tonight_question(project: Project, units: Units) -> TonightQuestion:
    """What is asked of a project's fabric, whatever block it has chosen."""
    wall: WallQuestion = wall_question(project, units, no_border=True)
    return TonightQuestion(wall.key, wall.project, units)


def nearly_covers(possible: Possible, units: Units) -> tuple[Nearly, ...]:
    """The covers that a block does not reach with what there is, and does with a fifth more.

    One whole piece has no blocks more.
    """
    kept, block = possible.kept, possible.kept.finished
    if kept.block.makes_one_piece or block is None:
        return ()
    most = possible.blocks + int(possible.blocks * NEARLY / (1 - NEARLY))
    found = []
    for purpose in Wish().purposes(units):
        question = SizeQuestion(block, most, Wish(purpose.key), Fraction(0), units)
        fitting = [size for size in size_options(question) if _covers(size, purpose)]
        least = min(fitting, key=lambda size: (size.blocks, size.cost), default=None)
        if least is not None and least.blocks > possible.blocks:
            found.append(Nearly(possible, least))
    return tuple(found)


def _sorted(found: list[Possible], nearly: list[Nearly]) -> Tonight:
    good = sorted((p for p in found if p.used >= _USES), key=lambda p: (-p.used, p.key))
    nearest = sorted(
        nearly, key=lambda each: (Fraction(each.short, each.size.blocks), -each.size.blocks)
    )
    return Tonight(
        tuple(p for p in good if not p.missing),
        tuple(_one_of_each(nearest)[:MOST_NEARLY]),
        tuple(p for p in good if len(p.missing) == 1),
    )


def _covers(size: SizeOption, purpose: Purpose) -> bool:
    across, down = purpose.short_by(size.width, size.length)
    return min(across, down) >= 0 and max(across, down) <= NEAR_ENOUGH


def _one_of_each(nearly: list[Nearly]) -> list[Nearly]:
    """For each cover and each block the nearest alone."""
    purposes, blocks, found = set[str](), set[str](), list[Nearly]()
    for each in nearly:
        if each.size.purpose.key not in purposes and each.possible.key not in blocks:
            purposes.add(each.size.purpose.key)
            blocks.add(each.possible.key)
            found.append(each)
    return found


def _mended(nearly: Nearly) -> tuple[Mend, ...]:
    return mends(nearly.possible.kept.most, nearly.size.blocks)
