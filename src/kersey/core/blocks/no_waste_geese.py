r"""Flying geese four at a time, with nothing trimmed off: one large square and four small ones.

    +-------+      Two small squares lie on opposite corners of the large one and meet in its
    |a      |      middle. Sewn on either side of the diagonal through both and cut on it, they make
    |   \   |      two hearts. On the bare corner of each lies another small square; sewn on either
    |      b|      side of its diagonal and cut on it, each heart makes two geese.
    +-------+

    large = W + 2s (1 + sqrt 2)     W + 1 1/4 at a seam of 1/4      W, H = W / 2 as a goose shows
    small = H + s (2 + sqrt 2)      H + 7/8

Both are cut to the next eighth that is enough; a goose then comes off at large - 2 sqrt 2 s across.
Of the small squares the first two give every goose one side each, the others two geese both.
Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Make, Part, Patch
from kersey.core.blocks.flipped import goose
from kersey.core.blocks.recipe import BadRecipe, Options, triangle
from kersey.core.blocks.technique import CUT, Technique
from kersey.core.measure.length import EIGHTH
from kersey.core.measure.root2 import Root2

FOUR_GEESE = Technique(
    "four-geese",
    step="Place a {second} on each of two opposite corners of the {first}, right sides together; "
    "they overlap in the middle. Sew on both sides of the diagonal through both, a seam allowance "
    "away, cut on it and press. Place a {second} on the bare corner of each half, sew and cut the "
    "same way: {gives} from each {first}.",
    at_machine="Sew two corners on both sides of the diagonal, cut and press; then the others",
    # Two on the first diagonal, and two on that of each half.
    seams=6,
)


# Whether geese are flipped one by one, or made four at a time.
FLIPPED_ONE_BY_ONE, FOUR = "flipped corners", "four at a time"
METHODS = (FLIPPED_ONE_BY_ONE, FOUR)


def goose_made(
    options: Options, wide: Fraction, seam: Fraction, shows: str, behind: str, number: int
) -> Make:
    """The goose of that number, made by the chosen method; raises `BadRecipe`."""
    if options["method"] not in METHODS:
        raise BadRecipe("block.options.method", f"one of {', '.join(METHODS)}.")
    if options["method"] == FLIPPED_ONE_BY_ONE:
        return goose(wide, seam, shows, behind)
    return _goose_of_four(wide, seam, shows, behind, number)


def large_square(wide: Fraction, seam: Fraction) -> Fraction:
    """The side to cut the large square to for geese that show so much across, in inches.

    >>> large_square(Fraction(4), Fraction(1, 4))
    Fraction(21, 4)
    """
    return wide + Root2(2 * seam, 2 * seam).ceil_to(EIGHTH)


def small_square(wide: Fraction, seam: Fraction) -> Fraction:
    """The side to cut the four small squares to.

    >>> small_square(Fraction(4), Fraction(1, 4))
    Fraction(23, 8)
    """
    return wide / 2 + Root2(2 * seam, seam).ceil_to(EIGHTH)


def _goose_of_four(wide: Fraction, seam: Fraction, shows: str, behind: str, number: int) -> Make:
    """A goose so wide and half as high, point up; every four, by their `number`, are of one large
    square and four small ones."""
    high, start, from_four = wide / 2, Fraction(0), number // 4
    point, left, right = (high, start), (start, high), (wide, high)
    large, small = large_square(wide, seam), small_square(wide, seam)
    bird = Patch("goose square", shows, (point, right, left), from_four)
    sides = (
        triangle("side square", behind, left, point, (start, start)),
        triangle("side square", behind, right, point, (wide, start)),
    )
    first, second = number % 2, 2 + number % 4 // 2
    behinds = tuple(
        Patch(side.label, side.role, side.corners, 4 * from_four + which)
        for side, which in zip(sides, (first, second), strict=True)
    )
    return Make(
        "goose",
        FOUR_GEESE,
        (wide + 2 * seam, high + 2 * seam),
        (
            Part(Make("goose square", CUT, (large, large), role=shows, patches=(bird,)), 1),
            Part(Make("side square", CUT, (small, small), role=behind, patches=behinds), 4),
        ),
        gives=4,
        raw=Root2(large, -2 * seam),
        patches=(bird, *behinds),
    )
