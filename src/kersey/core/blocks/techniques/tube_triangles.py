"""Tube triangles: a strip set and an accent strip sewn into a tube, cut to and fro at 45 degrees.

    H = k (c - 2s) + 2s           k strips of cut width c; the accent strip is cut as high
    u = sqrt 2 (H - s)            as a square comes off, all four outer edges on the bias
    n = floor((L + 2s) / H) - 1   squares of a tube as long as L: a tip may be blunted by a seam

A square is half strip set, half accent; every other one shows the strips the other way round. It is
trimmed to the last quarter inch that leaves an eighth to cut off. Five strips of 2 1/2 make 14.496,
trimmed to 14 1/4. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Part, Patch, Size, counted_parts
from kersey.core.blocks.facts import STARCH, Difficulty, Facts
from kersey.core.blocks.half_squares import nearly
from kersey.core.blocks.recipe import (
    BadRecipe,
    Options,
    Recipe,
    length_option,
    square_of,
    triangle,
    whole,
)
from kersey.core.blocks.technique import CUT, STRIP_SET, Technique
from kersey.core.cutting.problem import PrintRule
from kersey.core.measure.counting import counted
from kersey.core.measure.length import EIGHTH, QUARTER, Units, format_length
from kersey.core.measure.root2 import Root2
from kersey.core.measure.workshop import USUAL_WIDTH


def _square_of(height: Fraction, seam: Fraction) -> Root2:
    return Root2(root=height - seam)


TUBE = Technique(
    "tube",
    step="Place {parts} right sides together, ends even, and sew along both long edges. Measure "
    "the strip sets before you cut the accent; both need the same width.",
    at_machine="Sew along both long edges",
    measured="Laid flat, it should measure {across} across.",
    seams=2,
)
SWUNG = Technique(
    "swung",
    step="Cut at 45°, alternating left and right: {each}. Pick out the few stitches at the tips. "
    "All four outer edges are on the bias, so handle them gently.{over}",
    at_machine="Cut at 45°, alternating left and right",
    verb="Cut",
    bias=True,
    cut_from="tube",
    square_of=_square_of,
)
STRIP, ACCENT = "strip", "accent"
# Trimmed to nothing in particular: to the last quarter inch.
_NOT_SAID = Fraction(0)
# Where the strips end is drawn to so much.
_DRAWN_TO = Fraction(1, 64)


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    strips, cut = whole(options, "strips", 2, 12), _strip(options, seam)
    height, raw = _height(options, seam), _raw(options, seam)
    side = finished[0] + 2 * seam
    if not raw.at_least(side):
        most = float(raw) - 2 * float(seam)
        raise BadRecipe("block.finished", f"up to {most:.3f}, the largest square a tube makes.")
    faces = _stripes(finished[0], strips, cut - 2 * seam)
    # The tips at both ends of a tube take a strip's height and what is left of it, but the seams.
    first = 2 * height - 2 * seam
    pieces = [
        Make("A", CUT, (cut, height), role=STRIP, long=True, first=first, patches=(each,))
        for each in faces
    ]
    accent = triangle(
        "accent", ACCENT, (finished[0], Fraction(0)), finished, (Fraction(0), finished[0])
    )
    accent_strip = Make(
        "accent", CUT, (height, height), role=ACCENT, long=True, first=first, patches=(accent,)
    )
    set_ = Make(
        "strip set", STRIP_SET, (height, height), counted_parts(pieces), long=True, patches=faces
    )
    both = (*faces, accent)
    tube = Make(
        "tube",
        TUBE,
        (height, height),
        (Part(set_, 1), Part(accent_strip, 1)),
        long=True,
        patches=both,
    )
    square = Make("block", SWUNG, (side, side), (Part(tube, 1),), raw=raw, patches=both)
    return Assembly(square, finished, wishes=(PrintRule((STRIP,), same=False),))


def _stripes(side: Fraction, strips: int, shows: Fraction) -> tuple[Patch, ...]:
    """The strips beside the diagonal, the one at the seam first."""
    ends = [min(side, Root2(root=shows * n).floor_to(_DRAWN_TO)) for n in range(strips)]
    start = Fraction(0)
    found = []
    for near, far in zip(ends, [*ends[1:], side], strict=True):
        beyond = [(side - far, start), (start, side - far)] if far < side else [(start, start)]
        corners = ((side - near, start), *beyond, (start, side - near))
        found.append(Patch("A", STRIP, corners))
    return tuple(found)


def _size(options: Options, seam: Fraction) -> Size:
    """What shows of a square that is trimmed as is said, or to the last quarter inch."""
    trim = options["trim"]
    if trim == _NOT_SAID:
        trim = (_raw(options, seam) - EIGHTH).floor_to(QUARTER)
    assert isinstance(trim, Fraction)
    return square_of(trim - 2 * seam)


def _height(options: Options, seam: Fraction) -> Fraction:
    strips = whole(options, "strips", 2, 12)
    return strips * (_strip(options, seam) - 2 * seam) + 2 * seam


def _strip(options: Options, seam: Fraction) -> Fraction:
    return length_option(options, "strip", 2 * seam, Fraction(20))


def _raw(options: Options, seam: Fraction) -> Root2:
    return _square_of(_height(options, seam), seam)


def _notes(_: Assembly, options: Options, seam: Fraction, units: Units) -> tuple[str, ...]:
    """How many squares a tube gives, where the cliff is, and what the accent takes."""
    height, raw = _height(options, seam), _raw(options, seam)
    squares = int((USUAL_WIDTH + 2 * seam) // height) - 1
    cliff = format_length((squares + 1) * height - 2 * seam, units)
    less = "none" if squares == 1 else str(squares - 1)
    return (
        f"Each tube makes {counted(squares, 'square')} if its strips measure at least "
        f"{cliff}; shorter strips make {less}.",
        f"Squares come out at {nearly(float(raw), units)}, with all four edges on the bias. Half "
        "of them mirror the other half.",
        f"Each tube takes a {format_length(height, units)} wide accent strip, "
        "cut across the width of the fabric.",
    )


RECIPE = Recipe(
    id="tube-triangles",
    title="Tube triangles",
    finished=square_of(Fraction(55, 4)),
    assemble=_assemble,
    tried=240,
    unit="square",
    size_of=_size,
    size_follows=True,
    strip_option="strip",
    # Of a heap of strips the height is chosen of which most shows.
    shapes=("strips", (5, 3, 4, 6, 7)),
    options={"strips": 5, "strip": Fraction(5, 2), "trim": _NOT_SAID},
    notes=_notes,
    facts=Facts(
        made_from=(
            "A strip set and a matching accent strip, sewn into a tube "
            "and cut back and forth at 45°."
        ),
        difficulty=Difficulty.SOME,
        sides=(5, 18),
        suits="Strip rolls. Audition the accent as a large piece next to the strips.",
        pressing=("Press strips away from the accent.",),
        cautions=(STARCH,),
        mistakes=(
            ("One square fewer per tube", "Measure the strips first; ¼″ can make the difference."),
            (
                "The accent doesn't fit",
                "Sew the strip sets first, then cut the accent to their measured width.",
            ),
        ),
    ),
    about=(
        "A strip set and an accent strip sewn into a tube and cut at 45° into squares that are "
        "half strips, half accent. Cut the accent fabric crosswise "
        "into strips as wide as the strip set."
    ),
)
