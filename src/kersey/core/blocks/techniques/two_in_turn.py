"""Two blocks in turn: a block of one kind beside one of another, the rows set off by one.

A pair is twice as wide as it is high; every other row is turned half round, so that the two kinds
lie like a checkerboard:

    A B A B
    B A B A

Each block is made as it usually is. What it wishes of its prints is wished of the pair.
"""

from collections.abc import Mapping
from dataclasses import replace
from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Part, Patch, Size, sewn
from kersey.core.blocks.facts import Difficulty, Facts
from kersey.core.blocks.patchwork import four_patch, log_cabin, nine_patch, plain_square, stripe
from kersey.core.blocks.points import pinwheel, spool
from kersey.core.blocks.recipe import BadRecipe, Options, Recipe

FIRST, SECOND = "first", "second"
# Blocks of small pieces, and quieter ones to lie between them. Each is cut one by one: of those
# that come two from one set of pieces, a pair would leave the other pieces of its batch out.
_KINDS: Mapping[str, Recipe] = {
    module.RECIPE.id: module.RECIPE
    for module in (nine_patch, four_patch, pinwheel, spool, log_cabin, stripe, plain_square)
}


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    width, side = finished
    if width != 2 * side:
        raise BadRecipe("block.finished", "the size of each block, like 6, or of a pair: [12, 6].")
    if options[FIRST] == options[SECOND]:
        raise BadRecipe("block.options.second", "another block than the first.")
    kinds = [_KINDS[str(options[name])] for name in (FIRST, SECOND)]
    each = [kind.assemble((side, side), dict(kind.options), seam) for kind in kinds]
    pair = sewn(
        "pair",
        seam,
        *(
            _named(one.block, kind.title.lower(), n * side)
            for n, (kind, one) in enumerate(zip(kinds, each, strict=True))
        ),
    )
    wishes = tuple(rule for one in each for rule in (*one.rules, *one.wishes))
    return Assembly(pair, finished, wishes=wishes, turned_by_row=True)


def _named(make: Make, kind: str, right: Fraction) -> Make:
    """A make and all it is of, called by its kind and lying so far to the right."""
    return replace(
        make,
        name=f"{kind} {make.name}",
        of=tuple(Part(_named(part.make, kind, right), part.count) for part in make.of),
        patches=tuple(_moved(patch, kind, right) for patch in make.patches),
    )


def _moved(patch: Patch, kind: str, right: Fraction) -> Patch:
    corners = tuple((x + right, y) for x, y in patch.corners)
    return replace(patch, label=f"{kind} {patch.label}", corners=corners)


RECIPE = Recipe(
    id="two-in-turn",
    title="Two alternating blocks",
    finished=(Fraction(12), Fraction(6)),
    assemble=_assemble,
    tried=160,
    pair=True,
    options={FIRST: "nine-patch", SECOND: "pinwheel"},
    choices={FIRST: tuple(_KINDS), SECOND: tuple(_KINDS)},
    facts=Facts(
        made_from="Two blocks of the same size, one of each kind, side by side.",
        difficulty=Difficulty.SOME,
        sides=(4, 12),
        suits="Fat quarters and yardage in light and dark.",
        pressing=("Press each block as usual, and seams between blocks toward the plainer one.",),
        cautions=("Both blocks must come out the same size. Measure one of each first.",),
        mistakes=(
            (
                "A row starts with the same block as the row above",
                "Turn every other row 180° before you sew it on.",
            ),
        ),
    ),
    about=(
        "Two kinds of block in a checkerboard, counted in pairs. For an odd number across, take "
        "apart the last pair in each row."
    ),
)
