"""Cut-apart hourglass: four half-square units joined to one large hourglass, cut in nine, turned.

    H = 2T - 2s     T what the half-square units are trimmed to
    c = H / 6       cut so far either side of both centre seams: nine squares of H / 3
    u = H - 4s

The four corners are turned half round. Two squares make a block: ten-inch ones allow T up to 6 5/8,
then H is 12 3/4, c 2 1/8 and u 11 3/4. Source: docs/trade.md section 3.
"""

from collections.abc import Iterator
from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Part, Patch, Size, sewn
from kersey.core.blocks.facts import STARCH, Difficulty, Facts
from kersey.core.blocks.half_squares import DARK, FOUR, LIGHT, half_square_unit, raw_unit
from kersey.core.blocks.recipe import SQUARE, BadRecipe, Options, Recipe, length_option, square_of
from kersey.core.blocks.technique import Technique
from kersey.core.measure.length import EIGHTH, Units, format_length

NINE = Technique(
    "nine",
    step="Cut each {first} {half} from both sides of its center seams, in both directions, to make "
    "nine squares. Turn the four corner squares 180°.",
    at_machine="Cut in nine, a third of its side each, and turn them",
    verb="Cut apart",
)
# Trimmed to nothing in particular: then T follows from the finished size.
_NOT_SAID = Fraction(0)
_TEN, _HALF = Fraction(10), Fraction(1, 2)
# Of smaller squares nothing is cut in nine.
_SMALLEST = Fraction(4)
# Which corner of a corner square lies outermost, clockwise from the top left; by row and column.
_OUTER = {(0, 0): 0, (0, 2): 1, (2, 2): 2, (2, 0): 3}


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    large = finished[0] + 6 * seam
    _check_distance(options, large)
    shows = large / 2 - seam
    units = [_unit(place, shows, seam, options) for place in range(4)]
    halves = sewn("half", seam, *units[:2]), sewn("half", seam, *units[2:])
    hourglass = sewn("large hourglass", seam, *halves)
    third = finished[0] / 3
    squares = [
        Make(
            "ninth",
            NINE,
            (third + 2 * seam, third + 2 * seam),
            (Part(hourglass, 1),),
            gives=9,
            patches=tuple(_ninth(row, column, third)),
        )
        for row in range(3)
        for column in range(3)
    ]
    rows = (sewn("row", seam, *squares[start : start + 3]) for start in (0, 3, 6))
    return Assembly(sewn("block", seam, *rows), finished)


def _unit(place: int, shows: Fraction, seam: Fraction, options: Options) -> Make:
    """A quarter of the large hourglass, row by row: dark above and below, light at the sides."""
    far = 2 * shows
    centre, corner = (shows, shows), (far * (place % 2), far * (place // 2))
    upright, across = (shows, corner[1]), (corner[0], shows)
    dark = Patch("square", DARK, (corner, upright, centre), 0)
    light = Patch("square", LIGHT, (corner, centre, across), 0)
    return half_square_unit("half-square unit", FOUR, shows, seam, (light, dark), options)


def _ninth(row: int, column: int, third: Fraction) -> Iterator[Patch]:
    """What shows of a ninth where it is sewn in: corners turned half round, others as they were."""
    x, y = column * third, row * third
    corners = ((x, y), (x + third, y), (x + third, y + third), (x, y + third))
    if (row, column) == (1, 1):
        middle = (x + third / 2, y + third / 2)
        for side in range(4):
            role = (DARK, LIGHT)[side % 2]
            yield Patch("square", role, (corners[side], corners[(side + 1) % 4], middle), 0)
    elif 1 in (row, column):
        yield Patch("square", DARK if column == 1 else LIGHT, corners, 0)
    else:
        # The seam runs from the outer corner to the middle; turned half round its sides change.
        outer = _OUTER[row, column]
        near, after, opposite, before = (corners[(outer + n) % 4] for n in range(4))
        light, dark = (after, before) if outer % 2 == 0 else (before, after)
        yield Patch("square", LIGHT, (near, light, opposite), 0)
        yield Patch("square", DARK, (near, opposite, dark), 0)


def _size(options: Options, seam: Fraction) -> Size | None:
    """The size that follows from what the units are trimmed to: the largest for the squares at
    hand, if nothing is said."""
    at_hand = options.get(SQUARE)
    if options["trim"] != _NOT_SAID:
        trim = length_option(options, "trim", 4 * seam, Fraction(40))
    elif isinstance(at_hand, Fraction) and at_hand > _SMALLEST:
        trim = raw_unit(FOUR, at_hand, seam).floor_to(EIGHTH)
    else:
        return None
    return square_of(2 * trim - 8 * seam)


def _check_distance(options: Options, large: Fraction) -> None:
    """Whether the distance somebody means to cut at is right for this unit; raises `BadRecipe`."""
    said = options["cut"]
    if said not in (_NOT_SAID, large / 6):
        right, high = format_length(large / 6), format_length(large)
        raise BadRecipe("block.options.cut", f"{right}: a sixth of the large hourglass of {high}.")


def _notes(assembly: Assembly, options: Options, seam: Fraction, units: Units) -> tuple[str, ...]:
    """The largest unit of the squares at hand, and the one with the roundest cut."""
    assert assembly.finished is not None
    large = assembly.finished[0] + 6 * seam
    at = (
        f"Cut {format_length(large / 6, units)} from both sides of each center seam of the "
        f"{format_length(large, units)} hourglass. The block is "
        f"{format_length(large - 4 * seam, units)} unfinished."
    )
    square = options.get(SQUARE, _TEN)
    assert isinstance(square, Fraction)
    largest = raw_unit(FOUR, square, seam).floor_to(EIGHTH)
    steps = (largest - n * EIGHTH for n in range(8))
    roundest = next((t for t in steps if ((2 * t - 2 * seam) / 6 % _HALF) == 0), largest)
    said = [
        f"{words} unit of squares of {format_length(square, units)} is trimmed to "
        f"{format_length(t, units)}, cut at {format_length((2 * t - 2 * seam) / 6, units)}"
        for words, t in (("the largest", largest), ("the roundest", roundest))
    ]
    return at, f"{said[0].capitalize()}; {said[1]}."


RECIPE = Recipe(
    id="cut-apart-hourglass",
    title="Cut-apart hourglass",
    finished=square_of(Fraction(45, 4)),
    assemble=_assemble,
    options={"trim": _NOT_SAID, "cut": _NOT_SAID},
    notes=_notes,
    size_of=_size,
    as_they_come=True,
    facts=Facts(
        made_from="A large hourglass made from four half-square triangles, cut in nine and turned.",
        difficulty=Difficulty.SOME,
        sides=(8, 16),
        suits="Ten-inch squares: one light and one dark make a block.",
        pressing=("Toward the dark, before you cut it apart.", "Open."),
        cautions=(STARCH,),
        mistakes=(
            (
                "The nine pieces don't fit together",
                (
                    "Cut a sixth of the large unit's size from each center seam. "
                    "Measure yours, not the drawing."
                ),
            ),
        ),
    ),
    about="Four half-square triangles sewn into an hourglass, cut in "
    "nine, with the corners turned 180°.",
)
