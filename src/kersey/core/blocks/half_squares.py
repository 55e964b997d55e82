"""Half-square triangle units: two squares sewn together on or round the diagonal, then cut apart.

    two at a time     sewn a seam from the diagonal on either side, cut on it:     S - sqrt 2 s
    four at a time    sewn all round, cut on both diagonals:                      (S - 2s) / sqrt 2
    eight at a time   sewn on either side of both diagonals, cut in eight:         S / 2 - sqrt 2 s

what units of squares S measure as they come off. The squares are cut to the next eighth that is
enough: at a seam of 1/4 that is f + 7/8, and 2f + 1 3/4 for eight. Units cut from squares sewn all
round have all four outer edges on the bias. Source: docs/trade.md section 3.
"""

from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Patch, counted_parts
from kersey.core.blocks.recipe import NO_OPTIONS, SQUARE, BadRecipe, Options
from kersey.core.blocks.technique import CUT, Technique
from kersey.core.measure.length import EIGHTH, Units, format_length
from kersey.core.measure.root2 import Root2

TWO_AT_A_TIME = Technique(
    "two-at-a-time",
    step="Place {parts} right sides together. Sew on both sides of one diagonal, a seam allowance "
    "away, and cut on the diagonal: {gives} from each pair.",
    at_machine="Sew a seam allowance from both sides of the diagonal, cut on it, and press",
    seams=2,
)
FOUR_AT_A_TIME = Technique(
    "four-at-a-time",
    step="Place {parts} right sides together. Sew around all four sides and cut on both diagonals: "
    "{gives} from each pair. All four outer edges are on the bias, so handle them gently.",
    at_machine="Sew all four sides, cut on both diagonals, open and press",
    seams=4,
    bias=True,
)
EIGHT_AT_A_TIME = Technique(
    "eight-at-a-time",
    step="Place {parts} right sides together. Sew on both sides of both diagonals, a seam "
    "allowance away. Cut on the diagonals and through the center both ways: {gives} from each "
    "pair.",
    at_machine="Sew on both sides of both diagonals, cut in eight, open and press",
    seams=4,
)
LIGHT, DARK = "light", "dark"
TWO, FOUR, EIGHT = "two at a time", "four at a time", "eight at a time"
METHODS = (TWO, FOUR, EIGHT)
AT_A_TIME = {TWO: 2, FOUR: 4, EIGHT: 8}
_HOW = {TWO: TWO_AT_A_TIME, FOUR: FOUR_AT_A_TIME, EIGHT: EIGHT_AT_A_TIME}


def method_of(options: Options) -> str:
    """How the units are made; raises `BadRecipe`."""
    method = options["method"]
    if method not in METHODS:
        raise BadRecipe("block.options.method", f"one of {', '.join(METHODS)}.")
    return str(method)


# Squares at hand that are larger than need be by no more than this are used as they come.
_TOO_LARGE = Fraction(1)
# Less than this nobody trims off.
_WORTH_TRIMMING = 0.05


def square_cut(options: Options, needed: Fraction) -> Fraction:
    """The side to cut squares to: what is needed, or that of the squares at hand."""
    at_hand = options.get(SQUARE)
    if isinstance(at_hand, Fraction) and needed <= at_hand <= needed + _TOO_LARGE:
        return at_hand
    return needed


def square_for(method: str, unfinished: Fraction, seam: Fraction) -> Fraction:
    """The side of the two squares to cut for units of this size, to the next eighth.

    >>> square_for(TWO, Fraction(13, 2), Fraction(1, 4)) - 6
    Fraction(7, 8)
    >>> square_for(FOUR, Fraction(13, 2), Fraction(1, 4))
    Fraction(39, 4)
    """
    points = Root2(root=seam).ceil_to(EIGHTH)
    if method == FOUR:
        return Root2(root=unfinished).ceil_to(EIGHTH) + 2 * seam
    return (unfinished + points) * (2 if method == EIGHT else 1)


def raw_unit(method: str, square: Fraction, seam: Fraction) -> Root2:
    """What units of such squares measure before they are trimmed.

    >>> round(float(raw_unit(FOUR, Fraction(10), Fraction(1, 4))), 2)
    6.72
    """
    if method == FOUR:
        return Root2(root=(square - 2 * seam) / 2)
    return Root2(square / (2 if method == EIGHT else 1), -seam)


def half_square_unit(
    name: str,
    method: str,
    shows: Fraction,
    seam: Fraction,
    patches: tuple[Patch, Patch],
    options: Options = NO_OPTIONS,
) -> Make:
    """A unit that shows this much, and its two patches, the first cut first."""
    unfinished = shows + 2 * seam
    needed = square_for(method, unfinished, seam)
    side = square_cut(options, needed)
    squares = [
        Make(patch.label, CUT, (side, side), role=patch.role, least=needed, patches=(patch,))
        for patch in patches
    ]
    return Make(
        name,
        _HOW[method],
        (unfinished, unfinished),
        counted_parts(squares),
        gives=AT_A_TIME[method],
        patches=patches,
        raw=raw_unit(method, side, seam),
    )


def corner_units(
    side: Fraction, unit: Fraction, seam: Fraction, options: Options
) -> tuple[Make, Make, Make, Make]:
    """The units in the four corners of a block so wide, row by row, their dark triangles inward."""
    far, start = side - unit, Fraction(0)
    method = method_of(options)
    found = []
    for n, (left, top) in enumerate(((start, start), (far, start), (start, far), (far, far))):
        right, bottom = left + unit, top + unit
        outer = left if left == start else right, top if top == start else bottom
        inner = right if left == start else left, bottom if top == start else top
        one, other = (outer[0], inner[1]), (inner[0], outer[1])
        # So many units come from one light square and one dark one.
        square = n // AT_A_TIME[method]
        light = Patch("corner", LIGHT, (outer, other, one), square)
        dark = Patch("corner", DARK, (inner, one, other), square)
        found.append(half_square_unit("corner unit", method, unit, seam, (light, dark), options))
    return found[0], found[1], found[2], found[3]


def untrimmed_notes(
    assembly: Assembly, _: Options, seam: Fraction, units: Units
) -> tuple[str, ...]:
    """What units come off at, and what the block becomes if they are left so.

    Four arrow units of 6.72 make 12.43 where 6 1/2 make 12.
    """
    found = []
    for make in assembly.makes:
        if make.raw is None or (make.of and make.of[0].make.raw is not None):
            continue
        over = float(make.raw) - float(make.size[0])
        if over < _WORTH_TRIMMING or assembly.finished is None:
            continue
        across = assembly.finished[0] / (make.size[0] - 2 * seam)
        if across.denominator > 1:
            continue
        left = float(assembly.finished[0]) + float(across) * over
        trimmed = format_length(make.size[0], units)
        found.append(
            f"Units come out at {nearly(float(make.raw), units)}, trimmed {trimmed}. Untrimmed, "
            f"the block is {nearly(left, units)}. In that case trim none, and measure."
        )
    return tuple(found)


def nearly(inches: float, units: Units) -> str:
    """Nearly so much, to three places: a length with a root in it has no mark on the ruler."""
    if units is Units.CENTIMETRES:
        return f"about {inches * 2.54:.1f} cm"
    return f"about {inches:.3f}″"


def hourglass_unit(
    name: str,
    shows: Fraction,
    seam: Fraction,
    patches: tuple[Patch, Patch, Patch, Patch],
    options: Options = NO_OPTIONS,
) -> Make:
    """A unit of four triangles, clockwise; two come of two squares, cut apart twice.

    Each time a unit loses sqrt 2 s: at a seam of 1/4 the squares are f + 1 1/4.
    """
    unfinished = shows + 2 * seam
    points = Root2(root=seam).ceil_to(EIGHTH)
    # The half-square units in between are trimmed too, so each cutting apart has its own eighth.
    half = unfinished + points
    side = square_cut(options, half + points)
    first, second, *_ = patches
    squares = [
        Make(patch.label, CUT, (side, side), role=patch.role, least=half + points, patches=(patch,))
        for patch in sorted((first, second), key=lambda patch: patch.role != LIGHT)
    ]
    halves = Make(
        "half-square unit",
        TWO_AT_A_TIME,
        (half, half),
        counted_parts(squares),
        gives=2,
        patches=(first, second),
        raw=Root2(side, -seam),
    )
    return Make(
        name,
        TWO_AT_A_TIME,
        (unfinished, unfinished),
        counted_parts([halves, halves]),
        gives=2,
        patches=patches,
        raw=Root2(side, -2 * seam),
    )
