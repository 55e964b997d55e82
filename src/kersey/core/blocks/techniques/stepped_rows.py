"""Stepped rows: bars sewn end to end, every second row begun and ended with a half.

    whole row    n (L - 2s)         n bars of w x L as cut
    offset row   n (L - 2s) - 2s    n - 1 bars and both halves of one: it has one seam more

The whole rows are trimmed to the offset ones, a seam at either end: nine bars of 5 1/2 give 45 1/2
and 45. With halves cut from bars of their own the rows come out alike and nothing is trimmed.
Strips of background, and of an accent between two of background, may part the rows.
Source: docs/trade.md section 3.
"""

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import replace
from fractions import Fraction

from kersey.core.blocks.assembly import (
    Assembly,
    Make,
    Part,
    Patch,
    Size,
    counted_parts,
    piece,
    sewn,
)
from kersey.core.blocks.facts import CUTTER, Difficulty, Facts
from kersey.core.blocks.recipe import (
    WHOLE,
    BadRecipe,
    Options,
    Recipe,
    pair_option,
    rectangle,
    whole,
)
from kersey.core.blocks.technique import CUT, JOINED, TRIMMED, Technique
from kersey.core.cutting.problem import ANY, CuttingPlan
from kersey.core.measure.workshop import USUAL_WIDTH

HALVED = Technique(
    "halved", step="Cut each {first} in half.", at_machine="Cut in half", verb="Cut", measured=""
)
BACKGROUND, ACCENT = "background", "accent"
_WIDEST = Fraction(12)
ONE_BAR, TWO_BARS = "one bar", "two bars"


def _whole(plan: CuttingPlan, _: Size, __: Options) -> tuple[Fraction, ...]:
    """How many rows."""
    return (Fraction(plan.blocks),)


def _size(options: Options, seam: Fraction) -> Size:
    (width, length), bars = pair_option(options, "bar", 2 * seam, Fraction(60)), _bars(options)
    if length / 2 <= 2 * seam:
        raise BadRecipe("block.options.bar", "long enough that its halves are more than seams.")
    across = bars * (length - 2 * seam) - (2 * seam if _halves(options) == ONE_BAR else 0)
    made = options.get(WHOLE)
    rows = made[0] if isinstance(made, tuple) else 1
    background, accent = (_strip(options, name) for name in (BACKGROUND, ACCENT))
    between = background * (2 if accent else 1) + accent
    # Asked for one by one, every row has the strips that part it from the next.
    partings = rows - 1 if isinstance(made, tuple) else 1
    return across, rows * (width - 2 * seam) + partings * between


def _bars(options: Options) -> int:
    return whole(options, "a_row", 2, 40)


def _halves(options: Options) -> str:
    halves = options["halves"]
    if halves not in (ONE_BAR, TWO_BARS):
        raise BadRecipe("block.options.halves", f"one of {ONE_BAR}, {TWO_BARS}.")
    return str(halves)


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    if finished != _size(options, seam):
        raise BadRecipe("block.finished", "left out: it follows from the bars.")
    made, across = options.get(WHOLE), finished[0]
    if not isinstance(made, tuple):
        return Assembly(_asked_for(across, options, seam), finished)
    rows, pieces, top = list[Make](), Counter[str](), Fraction(0)
    for number in range(int(made[0])):
        if number:
            for strip in _parting(top, across, options, seam, pieces):
                rows.append(strip)
                top += strip.size[1] - 2 * seam
        row = _offset_row if number % 2 else _row
        rows.append(row(top, across, options, seam, pieces))
        top += rows[-1].size[1] - 2 * seam
    return Assembly(sewn("block", seam, *rows), finished)


def _laid(prints: Sequence[str], options: Options) -> tuple[int, ...]:
    """Bars of one print as far from one another as can be: print after print, over and over."""
    made = options[WHOLE]
    assert isinstance(made, tuple)
    rows, bars = int(made[0]), _bars(options)
    in_rows = rows * bars - (rows // 2 if _halves(options) == TWO_BARS else 0)
    by_print: dict[str, list[int]] = {}
    for number, name in enumerate(prints[:in_rows]):
        by_print.setdefault(name, []).append(number)
    waiting = sorted(by_print.values(), key=len, reverse=True)
    order: list[int] = []
    while len(order) < in_rows:
        order += [numbers.pop() for numbers in waiting if numbers]
    return (*order, *range(in_rows, len(prints)))


def _proved_for(options: Options) -> str:
    """Rows in pairs leave out a single one; the last row needs no strips after it."""
    if _halves(options) == TWO_BARS:
        return "rows in pairs"
    parted = any(_strip(options, name) for name in (BACKGROUND, ACCENT))
    return "rows that all have their strips" if parted else ""


def _asked_for(across: Fraction, options: Options, seam: Fraction) -> Make:
    """What the search is asked for: a row and the strips that part it from the next; two rows where
    halves are cut for themselves."""
    pieces, start = Counter[str](), Fraction(0)
    rows = [_row(start, across, options, seam, pieces)]
    if _halves(options) == TWO_BARS:
        rows.append(_offset_row(start, across, options, seam, pieces))
    strips = [s for _ in rows for s in _parting(start, across, options, seam, pieces)]
    parts, patches = counted_parts([*rows, *strips]), rows[0].patches
    patches += tuple(
        patch for strip in strips[: len(strips) // len(rows)] for patch in strip.patches
    )
    return Make("block", JOINED, rows[0].size, parts, gives=len(rows), patches=patches)


def _row(
    top: Fraction, across: Fraction, options: Options, seam: Fraction, pieces: Counter[str]
) -> Make:
    """A whole row; where it is longer than the offset ones, a seam is trimmed off either end."""
    width, length = pair_option(options, "bar", 2 * seam, Fraction(60))
    shows, bars = length - 2 * seam, _bars(options)
    over, nothing = (bars * shows - across) / 2, Fraction(0)
    ends = [max(nothing, min(across, n * shows - over)) for n in range(bars + 1)]
    patches = tuple(
        _patch("bar", ends[n], ends[n + 1], top, width - 2 * seam, pieces) for n in range(bars)
    )
    bar = Make("bar", CUT, (width, length), role=ANY, patches=patches[1:2])
    size = bars * shows + 2 * seam, width
    row = Make("row", JOINED, size, (Part(bar, bars),), patches=patches)
    if not over:
        return row
    size = across + 2 * seam, width
    return Make("trimmed row", TRIMMED, size, (Part(row, 1),), patches=patches)


def _offset_row(
    top: Fraction, across: Fraction, options: Options, seam: Fraction, pieces: Counter[str]
) -> Make:
    """A row that begins and ends with a half."""
    width, length = pair_option(options, "bar", 2 * seam, Fraction(60))
    shows, bars, of_one = length - 2 * seam, _bars(options), _halves(options) == ONE_BAR
    half, high = (across - (bars - 1) * shows) / 2, width - 2 * seam
    whole_bars = tuple(
        _patch("bar", half + n * shows, half + (n + 1) * shows, top, high, pieces)
        for n in range(bars - 1)
    )
    bar = Make("bar", CUT, (width, length), role=ANY, patches=whole_bars[:1])
    spans = (Fraction(0), half), (across - half, across)
    if of_one:
        # Both halves show the same bar.
        first = _patch("bar", *spans[0], top, high, pieces)
        halves = first, replace(first, corners=_patch("", *spans[1], top, high, Counter()).corners)
        one = Make(
            "half bar", HALVED, (length / 2, width), (Part(bar, 1),), gives=2, patches=halves[:1]
        )
    else:
        first, last = (_patch("half", *span, top, high, pieces) for span in spans)
        halves = first, last
        one = Make("half", CUT, (width, half + 2 * seam), role=ANY, patches=halves[:1])
    parts = Part(one, 1), Part(bar, bars - 1), Part(one, 1)
    patches = (halves[0], *whole_bars, halves[1])
    return Make("offset row", JOINED, (across + 2 * seam, width), parts, patches=patches)


def _parting(
    top: Fraction, across: Fraction, options: Options, seam: Fraction, pieces: Counter[str]
) -> Iterator[Make]:
    """The strips between two rows: background, or an accent between two of background."""
    background, accent = (_strip(options, name) for name in (BACKGROUND, ACCENT))
    if background:
        yield _long_strip(BACKGROUND, top, across, background, seam, pieces)
    if accent:
        yield _long_strip(ACCENT, top + background, across, accent, seam, pieces)
    if accent and background:
        yield _long_strip(BACKGROUND, top + background + accent, across, background, seam, pieces)


def _strip(options: Options, name: str) -> Fraction:
    width = options[name]
    if not isinstance(width, Fraction) or not 0 <= width <= _WIDEST:
        raise BadRecipe(f"block.options.{name}", "0 for none, or a finished width of up to 12.")
    return width


def _long_strip(
    role: str,
    top: Fraction,
    across: Fraction,
    shows: Fraction,
    seam: Fraction,
    pieces: Counter[str],
) -> Make:
    """A strip as long as a row: of as many like pieces as the width of the cloth asks for."""
    parts = -(-(across + 2 * seam) // USUAL_WIDTH)
    each = across / parts
    cut = [
        piece(_patch(role, n * each, (n + 1) * each, top, shows, pieces, role), seam)
        for n in range(int(parts))
    ]
    return sewn(f"{role} strip", seam, *cut)


def _patch(
    label: str,
    left: Fraction,
    right: Fraction,
    top: Fraction,
    high: Fraction,
    pieces: Counter[str],
    role: str = ANY,
) -> Patch:
    """A patch of the next piece of its kind."""
    number = pieces[label]
    pieces[label] += 1
    return replace(rectangle(label, role, left, top, right - left, high), piece=number)


RECIPE = Recipe(
    id="stepped-rows",
    title="Staggered rows",
    finished=(Fraction(89, 2), Fraction(2)),
    assemble=_assemble,
    tried=320,
    unit="row",
    proved_for=_proved_for,
    size_of=_size,
    size_follows=True,
    whole=_whole,
    laid=_laid,
    shapes=("a_row", (5, 7, 9, 11, 13)),
    options={
        "bar": (Fraction(5, 2), Fraction(11, 2)),
        "a_row": 9,
        "halves": ONE_BAR,
        "background": Fraction(0),
        "accent": Fraction(0),
    },
    choices={"halves": (ONE_BAR, TWO_BARS)},
    facts=Facts(
        made_from="Bars end to end; every other row starts and ends with a half bar.",
        difficulty=Difficulty.FIRST,
        sides=(20, 90),
        suits="Strip rolls in many prints.",
        pressing=("Plain rows to the left, offset rows to the right.",),
        cautions=(CUTTER,),
        mistakes=(
            (
                "Rows of different lengths",
                "Offset rows have one more seam. Trim a seam allowance "
                "off both ends of the other rows.",
            ),
        ),
    ),
    about=(
        "Bars end to end; every other row starts and ends with a half bar. If both halves come "
        "from one bar, the other rows are trimmed. If they come from two bars, rows are "
        "counted in pairs. Background and accent strips can separate the rows; 0 means "
        "none. Kersey allows one strip per row, so you end up with one extra."
    ),
)
