"""Cut-apart nine-patch: nine squares are joined, cut in four through the middle, turned, rejoined.

u = (3c - 4s) - 2s with squares cut c: c = 5 gives 13 1/2. So c = (finished + 8s) / 3.
The middle square is dark, the four at the sides are light, those at the corners any.
Source: docs/trade.md section 3.
"""

from collections.abc import Iterator
from dataclasses import replace
from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Part, Patch, Size, piece, sewn
from kersey.core.blocks.facts import CUTTER, Difficulty, Facts
from kersey.core.blocks.recipe import Options, Recipe, rectangle, square_of
from kersey.core.blocks.technique import Technique
from kersey.core.cutting.problem import ANY

QUARTERED = Technique(
    "quartered",
    step="Cut each {first} in four through the center. Turn each quarter 180°.",
    at_machine="Cut in four through the center",
    verb="Cut apart",
)
CORNER, SIDE, MIDDLE = ("corner", ANY), ("side", "light"), ("middle", "dark")


def _assemble(finished: Size, _: Options, seam: Fraction) -> Assembly:
    square = (finished[0] + 8 * seam) / 3
    shows = square - 2 * seam

    def cut(row: int, column: int) -> Make:
        which = (CORNER, SIDE, MIDDLE)[(row == 1) + (column == 1)]
        return piece(rectangle(*which, column * shows, row * shows, shows, shows), seam)

    rows = [
        sewn("middle row" if row == 1 else "outer row", seam, *(cut(row, n) for n in range(3)))
        for row in range(3)
    ]
    nine = sewn("nine-patch", seam, *rows)
    half = (finished[0] + 2 * seam + 2 * seam) / 2
    quarters = [
        Make(
            "quarter",
            QUARTERED,
            (half, half),
            (Part(nine, 1),),
            gives=4,
            patches=tuple(_quarter(right, below, finished[0] / 2, shows, seam)),
        )
        for below in (False, True)
        for right in (False, True)
    ]
    halves = sewn("half", seam, *quarters[:2]), sewn("half", seam, *quarters[2:])
    return Assembly(sewn("block", seam, *halves), finished)


def _quarter(
    right: bool, below: bool, quarter: Fraction, square: Fraction, seam: Fraction
) -> Iterator[Patch]:
    """A quarter is turned half round: its corner square comes to the middle of the block."""
    small = square / 2 - seam
    large = quarter - small
    # Towards the middle of the block lies the corner square, outermost a bit of the middle.
    near_x, far_x = (quarter, quarter + large) if right else (small, Fraction(0))
    near_y, far_y = (quarter, quarter + large) if below else (small, Fraction(0))
    corner, upper_or_lower, left_or_right = 2 * below + right, 3 * below, 1 + right
    yield _part(CORNER, near_x, near_y, large, large, corner)
    yield _part(SIDE, far_x, near_y, small, large, upper_or_lower)
    yield _part(SIDE, near_x, far_y, large, small, left_or_right)
    yield _part(MIDDLE, far_x, far_y, small, small, 0)


def _part(
    which: tuple[str, str], x: Fraction, y: Fraction, width: Fraction, height: Fraction, number: int
) -> Patch:
    return replace(rectangle(*which, x, y, width, height), piece=number)


RECIPE = Recipe(
    id="cut-apart-nine-patch",
    title="Cut-apart nine-patch",
    finished=square_of(13),
    assemble=_assemble,
    facts=Facts(
        made_from="A large nine-patch, cut in four through the center and turned.",
        difficulty=Difficulty.FIRST,
        sides=(9, 20),
        suits="Charm squares: five of one value and four of the other.",
        pressing=("Toward the dark, before you cut it apart.",),
        cautions=(CUTTER,),
        mistakes=(("Pieces don't match", "Measure from the center seam, not the edge."),),
    ),
    about="Nine squares sewn together, cut in four through the center, each quarter turned 180°.",
)
