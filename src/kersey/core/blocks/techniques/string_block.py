"""String block: strings sewn on a foundation from the middle outward, then trimmed.

    foundation = u + 1/2         it shrinks as it is sewn; trim to the ruler, not to it
    longest    = side x sqrt 2   from corner to corner, and more at both ends to cover well

Every string must be longer than the foundation is wide at its place; short ones go near the
corners, and no seam falls in a corner or just at the edge. Muslin stays in the quilt, paper is torn
off. One constant middle string gives a second pattern. Source: docs/trade.md section 7.
"""

from collections.abc import Iterator
from dataclasses import replace
from fractions import Fraction
from math import isqrt

from kersey.core.blocks.assembly import Assembly, Make, Part, Patch, Size, sewn, turned
from kersey.core.blocks.facts import Difficulty, Facts
from kersey.core.blocks.recipe import WHOLE, BadRecipe, Options, Recipe, length_option, square_of
from kersey.core.blocks.technique import CUT, TRIMMED, Technique
from kersey.core.cutting.kinds.string_blocks import FOUNDATION, MIDDLE, STRING, Sewn, sewn_of
from kersey.core.cutting.problem import CuttingPlan
from kersey.core.cutting.tally import COVER, FROM_THE_END, Strings
from kersey.core.measure.length import EIGHTH, Units, format_length

COVERING = Technique("covering", step="Cut from {parts}.", at_machine="Cut to cover the foundation")
STRINGS = Technique(
    "strings",
    step="Place the middle string across the center of the foundation. Sew on to both sides, "
    "pressing each: {parts}. Keep seams out of the corners. Trim by the ruler, not the "
    "foundation.",
    at_machine="Sew strings from the middle out, press, and trim by the ruler",
    seams=None,
)
CORNER, STRAIGHT = "corner", "straight"
# A foundation of no size in particular is cut so much larger than the block.
_LARGER, _NOT_SAID = Fraction(1, 2), Fraction(0)
_LARGEST = Fraction(40)
# So many facts of a whole top come before those of its strings.
_FACTS = 4
# A string as people have them, for a drawing of blocks that are not planned yet.
_TYPICAL = Fraction(7, 4)
_DRAWN_TO = Fraction(1, 64)


def _foundation(finished: Size, options: Options, seam: Fraction) -> Fraction:
    side = options["foundation"]
    if side == _NOT_SAID:
        return finished[0] + 2 * seam + _LARGER
    side = length_option(options, "foundation", Fraction(2), _LARGEST)
    if side < finished[0] + 2 * seam:
        raise BadRecipe("block.options.foundation", "no smaller than the unfinished block.")
    return side


def _size(options: Options, seam: Fraction) -> Size | None:
    made, side = options.get(WHOLE), options["foundation"]
    assert isinstance(side, Fraction)
    if isinstance(made, tuple):
        columns, rows, block = made[:3]
        return columns * block, rows * block
    return None if side == _NOT_SAID else square_of(side - _LARGER - 2 * seam)


def _tally_of(finished: Size, options: Options, seam: Fraction) -> Strings:
    if options["direction"] not in (CORNER, STRAIGHT):
        raise BadRecipe("block.options.direction", f"one of {CORNER}, {STRAIGHT}.")
    side = _foundation(finished, options, seam)
    constant = options["constant"]
    assert isinstance(constant, bool)
    return Strings(side, options["direction"] == CORNER, seam, constant)


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    if WHOLE in options:
        return _whole_top(finished, options, seam)
    tally = _tally_of(finished, options, seam)
    strings = _typical(tally)
    patches = tuple(_patches(finished, tally, strings, "string", STRING))
    longest = (tally.length_at(Fraction(0)) - 1) // EIGHTH * EIGHTH
    string = Make(STRING, CUT, (_TYPICAL, longest), role=STRING, patches=patches[:1])
    length = Make("longest string", COVERING, string.size, (Part(string, 1),))
    covered = Make(
        "covered foundation", STRINGS, square_of(tally.side), (Part(length, len(patches)),)
    )
    size = square_of(finished[0] + 2 * seam)
    block = Make("block", TRIMMED, size, (Part(covered, 1),), patches=patches)
    return Assembly(block, finished)


def _whole(plan: CuttingPlan, finished: Size, _: Options) -> tuple[Fraction, ...]:
    """Columns and rows, the side of a block, whether muslin is cut, and then string after string:
    block, place, role, width, length."""
    cuts = [cut.need for layout in plan.layouts for cut in layout.cuts]
    muslin = any(need.role == FOUNDATION for need in cuts)
    columns, rows = _grid(plan.blocks)
    strings = sorted(
        (sewn_of(need) for need in cuts if need.role != FOUNDATION),
        key=lambda sewn: (sewn.block, abs(sewn.place), -sewn.place),
    )
    facts = [
        Fraction(fact)
        for each in strings
        for fact in (each.block, each.place, each.role == MIDDLE, each.width, each.length)
    ]
    return Fraction(columns), Fraction(rows), finished[0], Fraction(muslin), *facts


def _grid(blocks: int) -> tuple[int, int]:
    """Columns and rows of nearly a square: of those that leave fewest blocks over, the squarest."""
    sizes = [
        (c, blocks // c)
        for c in range(1, isqrt(blocks) + 1)
        if 2 * blocks <= 3 * c * (c + 1) or 2 * (blocks // c) <= 3 * c
    ]
    return max(sizes or [(1, blocks)], key=lambda size: (size[0] * size[1], size[0]))


def _strings_of(options: Options) -> dict[int, list[Sewn]]:
    """The strings of every block, in the order of sewing."""
    made = options[WHOLE]
    assert isinstance(made, tuple)
    found: dict[int, list[Sewn]] = {}
    facts = made[_FACTS:]
    for start in range(0, len(facts), 5):
        block, place, middle, width, length = facts[start : start + 5]
        role = MIDDLE if middle else STRING
        sewn = Sewn(int(block), int(place), role, width, length)
        found.setdefault(sewn.block, []).append(sewn)
    return found


def _whole_top(finished: Size, options: Options, seam: Fraction) -> Assembly:
    """Every block of its own strings, in rows; every other one turned."""
    made = options[WHOLE]
    assert isinstance(made, tuple)
    columns, rows, side, muslin = int(made[0]), int(made[1]), made[2], made[3]
    tally = _tally_of(square_of(side), {**options}, seam)
    base = Make(FOUNDATION, CUT, square_of(tally.side), role=FOUNDATION)
    found = []
    for number, strings in list(_strings_of(options).items())[: columns * rows]:
        row, column = divmod(number, columns)
        patches = _block_patches(square_of(side), tally, strings)
        if (row + column) % 2:
            patches = turned(patches, square_of(side), 1)
        moved = tuple(_moved(patch, column * side, row * side) for patch in patches)
        pieces = [
            Part(Make(each.need.label, CUT, (each.width, each.length), role=each.role), 1)
            for each in strings
        ]
        parts = (*([Part(base, 1)] if muslin else []), *pieces)
        size = square_of(side + 2 * seam)
        found.append(Make(f"string block {number + 1}", STRINGS, size, parts, patches=moved))
    return Assembly(sewn("block", seam, *found), finished)


def _block_patches(finished: Size, tally: Strings, strings: list[Sewn]) -> tuple[Patch, ...]:
    known = {each.place: each for each in strings}
    places = sorted((place, each.width) for place, each in known.items())
    edges = _edges(tally, dict(places), tally.half)
    return tuple(
        Patch(known[place].need.label, known[place].role, corners)
        for place, _ in places
        if (corners := _stripe(finished[0], edges[place], edges[place + 1], tally.diagonal))
    )


def _moved(patch: Patch, right: Fraction, down: Fraction) -> Patch:
    return replace(patch, corners=tuple((x + right, y + down) for x, y in patch.corners))


def _typical(tally: Strings) -> list[tuple[int, Fraction]]:
    """Places and widths of strings that are all alike."""
    found, reached, place = [(0, _TYPICAL)], _TYPICAL / 2 - tally.seam, 0
    while reached + tally.seam < tally.half:
        place += 1
        found += [(place, _TYPICAL), (-place, _TYPICAL)]
        reached += _TYPICAL - 2 * tally.seam
    return sorted(found)


def _patches(
    finished: Size, tally: Strings, strings: list[tuple[int, Fraction]], label: str, role: str
) -> Iterator[Patch]:
    """What shows of each string in the trimmed block, from one corner or edge to the other."""
    side = finished[0]
    half = tally.half
    edges = _edges(tally, dict(strings), half)
    for place, _ in strings:
        near, far = edges[place], edges[place + 1]
        corners = _stripe(side, near, far, tally.diagonal)
        if len(corners) > 2:
            yield Patch(label, role, corners)


def _edges(tally: Strings, widths: dict[int, Fraction], half: Fraction) -> dict[int, Fraction]:
    """Where each string begins, from the middle line; beyond the last one nothing shows."""
    middle = widths[0] / 2 - tally.seam
    found = {0: -middle, 1: middle}
    for place in range(1, max(widths) + 1):
        found[place + 1] = found[place] + widths[place] - 2 * tally.seam
    for place in range(-1, min(widths) - 1, -1):
        found[place] = found[place + 1] - widths[place] + 2 * tally.seam
    found[max(widths) + 1], found[min(widths)] = half, -half
    return found


def _stripe(side: Fraction, near: Fraction, far: Fraction, diagonal: bool) -> tuple[Size, ...]:
    """The part of a square between two lines, both measured from its middle line."""
    if not diagonal:
        start = Fraction(0)
        left, right = (max(start, min(side, side / 2 + at)) for at in (near, far))
        return ((left, start), (right, start), (right, side), (left, side)) if right > left else ()
    # Along the edges a line lies sqrt 2 times as far from the corner as across.
    low, high = (_along_the_edge(side, at) for at in (near, far))
    if low >= high:
        return ()
    corners = [*_ends(side, low), *_ends(side, high)[::-1]]
    if low < side < high:
        corners.insert(2, (side, Fraction(0)))
        corners.append((Fraction(0), side))
    return tuple(dict.fromkeys(corners))


def _along_the_edge(side: Fraction, at: Fraction) -> Fraction:
    """From 0 at the top left corner to twice the side at the bottom right one."""
    drawn = side + Fraction(round(float(at) * 2**0.5 / float(_DRAWN_TO))) * _DRAWN_TO
    return max(Fraction(0), min(2 * side, drawn))


def _ends(side: Fraction, at: Fraction) -> list[Size]:
    """Where the line x + y = at meets the square: below on the left, above on the right."""
    over = max(Fraction(0), at - side)
    return [(over, at - over), (at - over, over)]


def _notes(assembly: Assembly, options: Options, seam: Fraction, units: Units) -> tuple[str, ...]:
    """The longest string and the shortest, and the rule of thumb."""
    assert assembly.finished is not None
    made = options.get(WHOLE)
    block = square_of(made[2]) if isinstance(made, tuple) else assembly.finished
    tally = _tally_of(block, options, seam)
    side, longest = format_length(tally.side, units), tally.length_at(Fraction(0)) - 2 * COVER
    shortest = tally.length_at(tally.half - FROM_THE_END)
    return (
        f"Foundation {side}. The longest string is {format_length(longest, units)} plus "
        f"{format_length(COVER, units)} at each end. Strings shorter than "
        f"{format_length(shortest, units)} won't fit anywhere.",
        "Rule of thumb: you need twice the finished area in strings. Kersey counts your actual "
        "strings, one by one. Without muslin, it assumes paper foundations.",
    )


RECIPE = Recipe(
    id="string",
    title="String block",
    finished=square_of(8),
    assemble=_assemble,
    tried=330,
    size_of=_size,
    tally=_tally_of,
    whole=_whole,
    strings=True,
    other_roles=(FOUNDATION, MIDDLE),
    options={"foundation": _NOT_SAID, "direction": CORNER, "constant": False},
    choices={"direction": (CORNER, STRAIGHT)},
    notes=_notes,
    facts=Facts(
        made_from="Strings on a foundation, from the middle out.",
        difficulty=Difficulty.FIRST,
        sides=(5, 14),
        suits="Strings 1 to 2 1/2″ wide. Using one print for every "
        "middle string gives the eye a rest.",
        pressing=("Press each string open, away from the middle, before the next.",),
        cautions=("On paper, shorten your stitch, and hold the stitches as you tear.",),
        mistakes=(
            (
                "String too short",
                "Check that it covers both ends before you sew. Put short ones near the corners.",
            ),
            ("Seam in the corner", "Use a wider string for the last one."),
        ),
    ),
    about=(
        "Strings sewn on muslin or paper from the middle out, then trimmed. Kersey tells you which "
        "of your strings goes where."
    ),
)
