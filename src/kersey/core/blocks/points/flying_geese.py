"""Flying geese in rows: four geese one over the other, all pointing up.

Each is a bar twice as wide as high with a square flipped over each end, or the four of a block are
made of one large square and four small ones. A block of 4 x 8 has four of 4 x 2. Source:
docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Size, lying, sewn
from kersey.core.blocks.facts import STARCH, Difficulty, Facts
from kersey.core.blocks.half_squares import DARK, LIGHT
from kersey.core.blocks.no_waste_geese import FLIPPED_ONE_BY_ONE, METHODS, goose_made
from kersey.core.blocks.recipe import BadRecipe, Options, Recipe

GEESE = 4


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    wide, high = finished
    if high != 2 * wide:
        raise BadRecipe("block.finished", "twice as high as wide, like [4, 8].")
    geese = (
        lying(goose_made(options, wide, seam, DARK, LIGHT, n), (Fraction(0), n * high / GEESE))
        for n in range(GEESE)
    )
    return Assembly(sewn("block", seam, *geese), finished)


RECIPE = Recipe(
    id="flying-geese",
    title="Flying geese",
    finished=(Fraction(4), Fraction(8)),
    assemble=_assemble,
    options={"method": FLIPPED_ONE_BY_ONE},
    choices={"method": METHODS},
    facts=Facts(
        made_from="Four geese with flipped corners, sewn one over the other.",
        difficulty=Difficulty.CARE,
        sides=(2, 8),
        suits="Many dark prints on a common background.",
        pressing=("Toward the wide side of each goose.",),
        cautions=(STARCH,),
        mistakes=(
            (
                "Points cut off",
                "Leave a seam allowance beyond each point when you trim, and pin where seams meet.",
            ),
        ),
    ),
    about="Dark geese flying in rows on a light background.",
)
