"""Slant bar: two trapezoids with an end at 45 degrees, joined on the slant; one pieced, one plain.

    u = s x (2a - s - 2 sqrt 2 seam)     s strip, a long side of a trapezoid; at 1/4 it takes 0.707

Two trapezoids lie head to tail in a piece of 2a - s, which is cut across on the slant. A bar is
trimmed to the last eighth; its slanted seam is on the bias. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Part, Patch, Size
from kersey.core.blocks.facts import STARCH, Difficulty, Facts
from kersey.core.blocks.recipe import BadRecipe, Options, Recipe, length_option
from kersey.core.blocks.technique import CUT, Technique
from kersey.core.measure.length import EIGHTH
from kersey.core.measure.root2 import Root2

SLANT = Technique(
    "slant",
    step="Cut each {first} across at 45° to make two matching pieces, nested head to tail.",
    at_machine="Cut across at 45°",
    verb="Cut",
    bias=True,
)
ON_THE_SLANT = Technique(
    "on-the-slant",
    step="Place {parts} right sides together along the slanted ends, with the tips extending by a "
    "seam allowance, and sew. The slant is on the bias, so handle it gently.",
    seams=None,
    joins=True,
)
PIECED, PLAIN = "feature", "background"


def _assemble(finished: Size, _: Options, seam: Fraction) -> Assembly:
    (width, height), allowance = finished, 2 * seam
    if width <= height:
        raise BadRecipe("block.finished", "longer than it is high: [6.25, 2].")
    strip = height + allowance
    needed = Root2(width + allowance + strip, 2 * seam).times(Fraction(1, 2))
    long_side = needed.ceil_to(EIGHTH)
    start, left, right = Fraction(0), (width - height) / 2, (width + height) / 2
    shows = (
        Patch("pair", PIECED, ((start, start), (left, start), (right, height), (start, height))),
        Patch("pair", PLAIN, ((left, start), (width, start), (width, height), (right, height))),
    )
    halves = [_trapezoid(patch, long_side, strip) for patch in shows]
    block = Make(
        "block",
        ON_THE_SLANT,
        (width + allowance, strip),
        tuple(Part(half, 1) for half in halves),
        patches=shows,
    )
    return Assembly(block, finished)


def _trapezoid(patch: Patch, long_side: Fraction, strip: Fraction) -> Make:
    size = 2 * long_side - strip, strip
    pair = Make(patch.label, CUT, size, role=patch.role, patches=(patch,))
    name = "pieced trapezoid" if patch.role == PIECED else "plain trapezoid"
    return Make(name, SLANT, (long_side, strip), (Part(pair, 1),), gives=2, patches=(patch,))


def _size(options: Options, seam: Fraction) -> Size:
    """What comes of strips so wide with trapezoids so long."""
    strip = length_option(options, "strip", 2 * seam, Fraction(20))
    long_side = length_option(options, "long_side", strip, Fraction(60))
    unfinished = Root2(2 * long_side - strip, -2 * seam).floor_to(EIGHTH)
    return unfinished - 2 * seam, strip - 2 * seam


RECIPE = Recipe(
    id="slant-bar",
    title="Slant bar",
    finished=(Fraction(25, 4), Fraction(2)),
    assemble=_assemble,
    tried=220,
    size_of=_size,
    size_follows=True,
    # What is left of a strip may hold a single one.
    proved_for=lambda _: "bars cut in pairs",
    options={"strip": Fraction(5, 2), "long_side": Fraction(5)},
    facts=Facts(
        made_from="A pieced and a plain trapezoid, joined on the diagonal.",
        difficulty=Difficulty.SOME,
        sides=(2, 12),
        suits="Strips of crumb fabric and solid strips.",
        pressing=("Toward the plain one.",),
        cautions=(STARCH,),
        mistakes=(("The slants come out mirrored", "Cut all the strips right side up."),),
    ),
    about=(
        "A pieced and a plain trapezoid joined on the diagonal. Strips of crumb fabric work well. "
        "Cut "
        "them head to tail, in pairs. The end of a strip may hold one more."
    ),
)
