"""Bargello: tubes crosscut in widths that swell and shrink, each ring opened one strip further on.

    length = n (c - 2s)          n strips of cut width c in a tube
    width  = sum(cut_i - 2s)     of all columns

Two or more tubes are sewn of the same strips in the same order. Odd columns from one tube, even
ones from the other: pressed in opposite directions, every join nests. Cut onward from one tube
into the next it may become a column longer, and a few joins do not nest.
Source: docs/trade.md section 3.
"""

from collections import Counter
from collections.abc import Iterator, Sequence
from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Part, Patch, Size, counted_parts
from kersey.core.blocks.facts import CUTTER, Difficulty, Facts
from kersey.core.blocks.recipe import (
    WHOLE,
    BadRecipe,
    Column,
    Option,
    Options,
    Recipe,
    length_option,
    rectangle,
    whole,
)
from kersey.core.blocks.technique import CUT, JOINED, STRIP_SET, Technique
from kersey.core.cutting.problem import ANY, CuttingPlan
from kersey.core.cutting.tally import Waves
from kersey.core.measure.length import format_number

RING = Technique(
    "ring",
    step="Sew the long edges of the {first} together. Press the first tube one way and the "
    "next tube the other.",
    at_machine="Sew the long edges together",
    measured="",
    seams=1,
)
OPENED = Technique(
    "opened",
    step="Cut each ring at its listed width and number it. Open each ring at the listed "
    "seam, one strip past the ring before.",
    at_machine="Cut into rings; open each one strip further along",
    verb="Cut",
    measured="",
)
ALTERNATE, ONWARD = "alternate", "onward"
_MOST_STRIPS, _WIDEST = 60, Fraction(12)
# A tube is drawn with so many strips until it is known how many there are.
_SHOWN = 12


def wave_of(options: Options) -> tuple[Fraction, ...]:
    """The widths of one wave, up from the narrowest and down again; raises `BadRecipe`.

    >>> len(wave_of(RECIPE.options))
    14
    """
    narrowest = length_option(options, "narrowest", Fraction(1, 2), _WIDEST)
    widest = length_option(options, "widest", Fraction(1, 2), _WIDEST)
    step = length_option(options, "step", Fraction(0), _WIDEST)
    if widest < narrowest:
        raise BadRecipe("block.options.widest", "at least as wide as the narrowest cut.")
    up = [narrowest + n * step for n in range(int((widest - narrowest) // step) + 1)]
    wave = (*up, *up[-2:0:-1])
    if _odd(options, wave):
        raise BadRecipe("block.options.step", "one of which a wave has an even number of columns.")
    return wave


# What of a wave is changed on its drawing, and by how much at a time; the widths go by its step.
WAVE_PARTS = ("narrowest", "step", "widest", "repeats")
_AN_EIGHTH = Fraction(1, 8)


def wave_changed(options: Options, part: str, up: bool) -> Options:
    """The options with one part of the wave a step larger or smaller; raises `BadRecipe`.

    >>> wave_changed(RECIPE.options, "widest", up=True)["widest"]
    Fraction(13, 4)
    """
    value, way = options[part], 1 if up else -1
    changed: Option
    if part == "repeats":
        changed = max(0, whole(options, part, 0, 40) + way)
    else:
        assert isinstance(value, Fraction)
        by = _AN_EIGHTH if part == "step" else options["step"]
        assert isinstance(by, Fraction)
        changed = max(_AN_EIGHTH, value + way * by)
    found = {**options, part: changed}
    wave_of(found)
    return found


def columns_of(options: Options, seam: Fraction) -> list[Column]:
    """Every column of a piece for which it is known what it is made of."""
    strips, columns, *tubes = _made(options)
    wave, found, reaches = _waves(options), list[Column](), Fraction(0)
    cut_from = wave.cut_from(tubes)
    for number in range(int(columns)):
        width = wave.widths[number % len(wave.widths)]
        reaches += width - 2 * seam
        nests = not number or cut_from[number] != cut_from[number - 1]
        opened = number % int(strips)
        found.append(Column(number + 1, width, cut_from[number], opened, reaches, nests))
    return found


def _odd(options: Options, wave: Sequence[Fraction]) -> bool:
    return len(wave) > 1 and len(wave) % 2 == 1 and options["method"] == ALTERNATE


def _waves(options: Options) -> Waves:
    if options["method"] not in (ALTERNATE, ONWARD):
        raise BadRecipe("block.options.method", f"one of {ALTERNATE}, {ONWARD}.")
    strips = whole(options, "strips", 0, _MOST_STRIPS)
    repeats = whole(options, "repeats", 0, 40)
    return Waves(wave_of(options), strips, options["method"] == ONWARD, repeats)


def _tally(_: Size, options: Options, seam: Fraction) -> Waves:
    if min(wave_of(options)) <= 2 * seam:
        raise BadRecipe("block.options.narrowest", "wider than its seams.")
    return _waves(options)


def _made(options: Options) -> tuple[Fraction, ...]:
    made = options[WHOLE]
    assert isinstance(made, tuple)
    return made


def _whole(plan: CuttingPlan, _: Size, __: Options) -> tuple[Fraction, ...]:
    """Strips in a tube, columns, and how long each tube is."""
    lengths = [
        max(cut.width, cut.length)
        for layout in plan.layouts
        for cut in layout.cuts
        for _ in range(layout.copies)
    ]
    wave = plan.problem.tally
    assert isinstance(wave, Waves)
    tubes = wave.tubes(lengths)
    return Fraction(len(lengths) // len(tubes)), Fraction(plan.blocks), *tubes


def _size(options: Options, seam: Fraction) -> Size:
    strip = length_option(options, "strip", 2 * seam, _WIDEST)
    if WHOLE not in options:
        strips = whole(options, "strips", 0, _MOST_STRIPS) or _SHOWN
        return wave_of(options)[0] - 2 * seam, strips * (strip - 2 * seam)
    width = sum((column.width - 2 * seam for column in columns_of(options, seam)), Fraction(0))
    return width, _made(options)[0] * (strip - 2 * seam)


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    if finished != _size(options, seam):
        raise BadRecipe("block.finished", "left empty; it comes from the strips and the wave.")
    _tally(finished, options, seam)
    if WHOLE not in options:
        return _one_column(finished, options, seam)
    strip = length_option(options, "strip", 2 * seam, _WIDEST)
    strips, _, *lengths = _made(options)
    columns = columns_of(options, seam)
    from_tube = Counter(column.tube for column in columns)
    tubes = list(_tubes(int(strips), strip, lengths, seam))
    made = []
    for column in columns:
        patches = tuple(
            _column_patches(column, tubes[column.tube], int(strips), strip, seam, lengths)
        )
        size = column.width, finished[1] + 2 * seam
        name = f"column of {format_number(column.width)} from {tubes[column.tube].name}"
        made.append(
            Make(
                name,
                OPENED,
                size,
                (Part(tubes[column.tube], 1),),
                gives=from_tube[column.tube],
                patches=patches,
            )
        )
    patches = tuple(patch for column in made for patch in column.patches)
    size = finished[0] + 2 * seam, finished[1] + 2 * seam
    piece = Make("block", JOINED, size, counted_parts(made), patches=patches)
    return Assembly(piece, finished)


def _one_column(finished: Size, options: Options, seam: Fraction) -> Assembly:
    """What is asked of the search: whole strips, of which it says how many columns they become."""
    strip = length_option(options, "strip", 2 * seam, _WIDEST)
    width, strips = wave_of(options)[0], int(finished[1] / (strip - 2 * seam))
    patches = tuple(
        rectangle("A", ANY, Fraction(0), n * (strip - 2 * seam), width - 2 * seam, strip - 2 * seam)
        for n in range(strips)
    )
    piece = Make("A", CUT, (strip, width), role=ANY, long=True, patches=patches[:1])
    tube = Make(
        "tube", STRIP_SET, (finished[1], width), (Part(piece, strips),), long=True, patches=patches
    )
    size = width, finished[1] + 2 * seam
    return Assembly(Make("block", OPENED, size, (Part(tube, 1),), patches=patches), finished)


def _label(tube: int, lengths: Sequence[Fraction]) -> str:
    """Strips of all tubes are called alike where they are as long."""
    return "A" if len(set(lengths)) == 1 else f"A{tube + 1}"


def _tubes(
    strips: int, strip: Fraction, lengths: Sequence[Fraction], seam: Fraction
) -> Iterator[Make]:
    for number, length in enumerate(lengths):
        piece = Make(_label(number, lengths), CUT, (strip, length), role=ANY)
        around = strips * (strip - 2 * seam)
        set_ = Make(
            f"strip set {number + 1}",
            STRIP_SET,
            (around + 2 * seam, length),
            (Part(piece, strips),),
        )
        yield Make(f"tube {number + 1}", RING, (around, length), (Part(set_, 1),))


def _column_patches(
    column: Column,
    tube: Make,
    strips: int,
    strip: Fraction,
    seam: Fraction,
    lengths: Sequence[Fraction],
) -> Iterator[Patch]:
    shows, wide = strip - 2 * seam, column.width - 2 * seam
    label = _label(column.tube, lengths)
    before = strips * column.tube if label == "A" else 0
    for row in range(strips):
        of_it = before + (row + column.opened_at) % strips
        x, y = column.reaches - wide, row * shows
        yield Patch(label, ANY, rectangle("", "", x, y, wide, shows).corners, of_it)


def _laid(prints: Sequence[str], options: Options) -> tuple[int, ...]:
    """The strips tube after tube, the same prints in the same order where there are enough."""
    _, _, *tubes = _made(options)
    if len(set(tubes)) > 1:
        return tuple(range(len(prints)))
    by_print: dict[str, list[int]] = {}
    for number, name in enumerate(prints):
        by_print.setdefault(name, []).append(number)
    rows: list[list[int]] = [[] for _ in tubes]
    over: list[int] = []
    for numbers in by_print.values():
        while len(numbers) >= len(tubes):
            for row in rows:
                row.append(numbers.pop(0))
        over += numbers
    for row in rows:
        while len(row) < len(prints) // len(tubes):
            row.append(over.pop(0))
    return tuple(number for row in rows for number in row)


RECIPE = Recipe(
    id="bargello",
    title="Bargello",
    finished=(Fraction(3, 4), Fraction(24)),
    assemble=_assemble,
    tried=300,
    unit="column",
    size_of=_size,
    size_follows=True,
    strip_option="strip",
    tally=_tally,
    whole=_whole,
    laid=_laid,
    columns=columns_of,
    drawn=WAVE_PARTS,
    changed=wave_changed,
    shapes=("strips", (0, 12, 16, 20, 24, 30)),
    options={
        "strips": 0,
        "strip": Fraction(5, 2),
        "narrowest": Fraction(5, 4),
        "widest": Fraction(3),
        "step": Fraction(1, 4),
        "repeats": 0,
        "method": ALTERNATE,
    },
    choices={"method": (ALTERNATE, ONWARD)},
    facts=Facts(
        made_from="Strip tubes cut into rings that grow and shrink in width.",
        difficulty=Difficulty.CARE,
        sides=(20, 100),
        suits="Strip rolls in a gradient, two of each strip.",
        pressing=("First tube one way, second tube the other, so every seam nests.",),
        cautions=(CUTTER,),
        mistakes=(
            (
                "Columns got out of order",
                "Number each ring as you cut it, and mark where it opens.",
            ),
            ("Seams don't nest", "Two columns from the same tube are side by side. Swap one."),
        ),
    ),
    about=(
        "Two tubes of the same strips, cut into rings that grow and shrink in width. Each ring "
        "opens one strip further along. Strips: how many per tube; 0 means half of them all. "
        "Repeats: how many waves; 0 means as many as the strips allow."
    ),
)
