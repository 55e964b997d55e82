"""Cut sizes that no ruler has a mark for: the safe way to cut them, and friendlier finished sizes.

A log cabin of 10 with three rounds has logs of 1 5/6 as cut. Cut 1 13/16 and sewn, it ends an
eighth short; cut at the next eighth up, 1 7/8, it can be trimmed. At 9 1/2 or 10 1/4 every cut is
on eighths.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.blocks.assembly import Size
from kersey.core.blocks.choice import BlockChoice
from kersey.core.blocks.recipe import BadRecipe
from kersey.core.cutting.problem import BadCutting, CuttingProblem, Need
from kersey.core.measure.length import CENTIMETRE, EIGHTH, MILLIMETRE, Units, on_ruler, safe_cut

# So far away a finished size is still nearby.
_NEARBY = Fraction(3)


@dataclass(frozen=True)
class OffRuler:
    """A piece with a side between two marks of the ruler: which sides, and the next marks up."""

    need: Need
    sides: tuple[Fraction, ...]
    cut: tuple[Fraction, ...]


def off_ruler(needs: Sequence[Need], units: Units) -> tuple[OffRuler, ...]:
    """The pieces that have a side no ruler of these units has a mark for.

    >>> need = Need("log", "light", Fraction(11, 6), Fraction(5, 2))
    >>> off_ruler([need], Units.INCHES)[0].cut
    (Fraction(15, 8),)
    """
    found = []
    for need in needs:
        sides = dict.fromkeys(s for s in (need.width, need.height) if not on_ruler(s, units))
        if sides:
            found.append(OffRuler(need, tuple(sides), tuple(safe_cut(s, units) for s in sides)))
    return tuple(found)


def cut_safely(problem: CuttingProblem, units: Units) -> CuttingProblem | None:
    """The question with every such side cut at the next mark up; None where there is none."""

    def safe(side: Fraction) -> Fraction:
        return side if on_ruler(side, units) else safe_cut(side, units)

    needs = tuple(
        replace(need, width=safe(need.width), height=safe(need.height)) for need in problem.needs
    )
    if needs == problem.needs:
        return None
    try:
        return replace(problem, needs=needs)
    except BadCutting:
        return None


def friendly_sizes(block: BlockChoice, seam: Fraction, units: Units) -> tuple[Size, ...]:
    """The nearest smaller and larger finished size at which every cut is on eighths, or on mm.

    >>> friendly_sizes(BlockChoice("log-cabin", (Fraction(10), Fraction(10))), Fraction(1, 4),
    ...                Units.INCHES)
    ((Fraction(19, 2), Fraction(19, 2)), (Fraction(41, 4), Fraction(41, 4)))
    """
    size = block.size_at(seam)
    if size is None or block.known is None:
        return ()
    step = EIGHTH if units is Units.INCHES else CENTIMETRE / 2
    found = []
    for way in (-1, 1):
        near = _steps(size, way * step, block.known.square)
        found.extend([next((s for s in near if _comes_out(block, s, seam, units)), None)])
    return tuple(size for size in found if size is not None)


def _steps(size: Size, step: Fraction, square: bool) -> Iterator[Size]:
    """Sizes farther and farther away: all round, or of one side alone where they may differ."""
    for number in range(1, int(_NEARBY / abs(step)) + 1):
        change = number * step
        if min(size) + change <= 0:
            return
        if not square:
            yield size[0] + change, size[1]
            yield size[0], size[1] + change
        yield size[0] + change, size[1] + change


def _comes_out(block: BlockChoice, size: Size, seam: Fraction, units: Units) -> bool:
    mark = EIGHTH if units is Units.INCHES else MILLIMETRE
    try:
        needs = replace(block, finished=size).assembly(seam).needs
    except (BadRecipe, BadCutting):
        return False
    return all(side % mark == 0 for need in needs for side in (need.width, need.height))
