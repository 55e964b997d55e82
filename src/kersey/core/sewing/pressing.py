"""To which side every seam is pressed: as a school says, and where it leaves that open so that most
joins nest.

nest     two seams that meet across a later one are pressed to opposite sides there
shadow   a seam pressed to the lighter side, so that dark shows under light
lump     more than eight layers of cloth at a point

Which seams nest most joins is a two-colouring with weights: a seam is pressed to its low or its
high side, and each crossing asks for two that differ, or, as their lines run, for two that agree.
The most is found for certain (`two_sides`). Blocks may be pressed in two ways, in turn like the
squares of a chessboard; a block that is turned carries its pressing with it.
Source: docs/trade.md section 9.
"""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction

import numpy as np

from kersey.core.blocks.assembly import Patch, Size, turned
from kersey.core.project.sewing import School
from kersey.core.sewing.seams import (
    Crossing,
    Line,
    Point,
    Seam,
    crossings,
    middle_of,
    seams_of,
    side_of_line,
)
from kersey.core.sewing.two_sides import Gain, most

# docs/trade.md section 9: so many layers at a point are a lump.
_LAYERS = 8
# A seam by its place, and the one of the two ways of pressing blocks.
Which = tuple[int, int]


@dataclass(frozen=True)
class Meeting:
    """So many joins of two seams: they nest when pressed to different sides, or, where their lines
    run so, to the same."""

    one: Which
    other: Which
    differ: bool
    joins: int


@dataclass(frozen=True)
class Pressing:
    """How the seams of a block are pressed, in each of two ways: -1 to the low side, 1 to the high
    one, 0 open. Of all `joins` so many `nest`; the others are pressed open, or do not nest. In each
    way some seams show `shadows`; `lumps` are those of either."""

    seams: tuple[Seam, ...]
    ways: tuple[tuple[int, ...], tuple[int, ...]]
    meetings: tuple[Meeting, ...]
    shadows: tuple[tuple[int, ...], tuple[int, ...]]
    lumps: tuple[Point, ...]

    @property
    def joins(self) -> int:
        """How many joins there are in the quilt, of seams within blocks."""
        return sum(each.joins for each in self.meetings)

    @property
    def nest(self) -> int:
        """How many of them nest."""
        return sum(each.joins for each in self.meetings if nests(each, self.ways))

    @property
    def alike(self) -> bool:
        """Whether all blocks are pressed alike."""
        return self.ways[0] == self.ways[1]


def nests(meeting: Meeting, ways: Sequence[Sequence[int]]) -> bool:
    """Whether the seams of a meeting nest, pressed so."""
    one = ways[meeting.one[1]][meeting.one[0]]
    other = ways[meeting.other[1]][meeting.other[0]]
    if not one or not other:
        return False
    return (one != other) == meeting.differ


@dataclass(frozen=True)
class PressQuestion:
    """A block, how dark each of its patches is (0 light to 1 dark), and where its blocks lie: rows
    of quarter turns, each of one way; none for the block alone, or where sashing parts them."""

    patches: tuple[Patch, ...]
    finished: Size
    dark: tuple[float, ...]
    rows: tuple[tuple[int, ...], ...] = ()


def press(question: PressQuestion, school: School) -> Pressing:
    """The pressing of a school, with the most joins that can nest under it."""
    seams = seams_of(question.patches)
    inner = crossings(seams)
    meetings = _meetings(question, seams, inner)
    asked = [_by_school(school, seam, question, seams) for seam in seams]
    if school is School.OPEN:
        ways = (tuple(0 for _ in seams), tuple(0 for _ in seams))
    else:
        darker = [_by_school(School.DARK, seam, question, seams) for seam in seams]
        ways = _most_nested(asked, meetings, darker, in_turn=bool(question.rows))
    lumps = [c.at for way in ways for c in inner if _layers(c, way, seams) > _LAYERS]
    shadows = [
        tuple(n for n, seam in enumerate(seams) if _shadows(seam, way[n], question.dark))
        for way in ways
    ]
    both = shadows[0], shadows[1]
    return Pressing(seams, ways, meetings, both, tuple(dict.fromkeys(lumps)))


def best_nesting(asked: Sequence[int], meetings: Sequence[Meeting]) -> int:
    """How many joins nest at most, where `asked` fixes some seams at -1 or 1 in both ways."""
    ways = _most_nested(asked, meetings, [0] * len(asked), in_turn=True)
    return sum(each.joins for each in meetings if nests(each, ways))


def _by_school(school: School, seam: Seam, question: PressQuestion, seams: Sequence[Seam]) -> int:
    """To which side a school presses a seam: -1, 1, or 0 where it leaves that open."""
    if school is School.DARK:
        low, high = (_mean(side, question.dark) for side in (seam.low, seam.high))
        return 0 if abs(low - high) < _SAME else (-1 if low > high else 1)
    if school is School.PLAIN:
        low, high = (_ending(seam, seams, side) for side in (-1, 1))
        return 0 if low == high else (-1 if low < high else 1)
    if school is School.ALTERNATE:
        return _in_turn(seam, seams)
    return 0


# Values that are closer than this read alike.
_SAME = 0.08


def _mean(patches: Sequence[int], dark: Sequence[float]) -> float:
    return sum(dark[patch] for patch in patches) / max(1, len(patches))


def _ending(seam: Seam, seams: Sequence[Seam], side: int) -> int:
    """How many seams end on a seam from a side: the piece without any is the plain one."""
    crossing = 0
    own = set(seam.low_patches if side < 0 else seam.high_patches)
    for other in seams:
        if other.level > seam.level and set(other.low_patches) | set(other.high_patches) <= own:
            ends = (side_of_line(point, seam.line) for point in (other.begin, other.end))
            crossing += any(end == 0 for end in ends)
    return crossing


def _in_turn(seam: Seam, seams: Sequence[Seam]) -> int:
    """Rows in turn: what is sewn last goes down; in the first row all to the right, in the next all
    to the left, and so on."""
    last = [other for other in seams if other.level == 0]
    if seam.level == 0 or not last:
        return 1
    row = sum(side_of_line(middle_of(seam), other.line) > 0 for other in last)
    return 1 if row % 2 == 0 else -1


def _meetings(
    question: PressQuestion, seams: Sequence[Seam], inner: Sequence[Crossing]
) -> tuple[Meeting, ...]:
    """All joins of the quilt, those alike counted together."""
    found = Counter[tuple[Which, Which, bool]]()
    rows = question.rows or ((0,),)
    blocks = Counter((r + c) % 2 for r, row in enumerate(rows) for c, _ in enumerate(row))
    for crossing in inner:
        differ = _differ(seams[crossing.low], seams[crossing.high], seams[crossing.across].line)
        for way, count in blocks.items():
            found[(crossing.low, way), (crossing.high, way), differ] += count
    if question.rows:
        found += _between_blocks(question, seams)
    return tuple(Meeting(one, other, differ, n) for (one, other, differ), n in found.items())


def _differ(one: Seam, other: Seam, across: Line) -> bool:
    """Whether seams that meet across a line nest when pressed to different sides: both run the same
    way along it from low to high."""
    return _along(one.line, across) == _along(other.line, across)


def _along(line: Line, across: Line) -> int:
    """1 where the high side of a line lies further along another, else -1."""
    direction = across[1], -across[0]
    return 1 if line[0] * direction[0] + line[1] * direction[1] > 0 else -1


# Sides of a block: right and lower, and those of the neighbours that they meet.
_RIGHT, _DOWN, _LEFT, _UP = range(4)


def _between_blocks(
    question: PressQuestion, seams: Sequence[Seam]
) -> Counter[tuple[Which, Which, bool]]:
    """Seams of neighbours that meet at the seam between them."""
    turns = {turn for row in question.rows for turn in row}
    ends = {turn: _ends(seams, question.finished, turn) for turn in turns}
    found = Counter[tuple[Which, Which, bool]]()
    rows = question.rows
    for r, row in enumerate(rows):
        for c, turn in enumerate(row):
            way = (r + c) % 2
            if c + 1 < len(row):
                found.update(_met(ends[turn][_RIGHT], ends[row[c + 1]][_LEFT], way))
            if r + 1 < len(rows) and c < len(rows[r + 1]):
                found.update(_met(ends[turn][_DOWN], ends[rows[r + 1][c]][_UP], way))
    return found


# Of each side of a block: where along it a seam ends, which, and 1 where its high side is further.
_Ends = dict[int, list[tuple[Fraction, int, int]]]


def _met(
    one: Sequence[tuple[Fraction, int, int]], other: Sequence[tuple[Fraction, int, int]], way: int
) -> Counter[tuple[Which, Which, bool]]:
    found = Counter[tuple[Which, Which, bool]]()
    for at, seam, sign in one:
        for place, another, others_sign in other:
            if at == place:
                found[(seam, way), (another, 1 - way), sign == others_sign] += 1
    return found


def _ends(seams: Sequence[Seam], finished: Size, turn: int) -> _Ends:
    """Where the seams of a turned block end on its sides."""
    width, height = finished
    if turn % 2:
        width, height = height, width
    found: _Ends = {side: [] for side in range(4)}
    for number, seam in enumerate(seams):
        begin, end, high = _turned(seam, finished, turn)
        for point in (begin, end):
            if point[0] in (0, width) and 0 < point[1] < height:
                side = _LEFT if point[0] == 0 else _RIGHT
                found[side].append((point[1], number, 1 if high[1] > 0 else -1))
            elif point[1] in (0, height) and 0 < point[0] < width:
                side = _UP if point[1] == 0 else _DOWN
                found[side].append((point[0], number, 1 if high[0] > 0 else -1))
    return found


def _turned(seam: Seam, finished: Size, turn: int) -> tuple[Point, Point, Point]:
    """A seam of a turned block: its ends, and the direction to its high side."""
    middle = middle_of(seam)
    toward = (middle[0] + seam.line[0], middle[1] + seam.line[1])
    patch = Patch("", "", (seam.begin, seam.end, middle, toward))
    begin, end, origin, high = turned([patch], finished, turn)[0].corners
    return begin, end, (high[0] - origin[0], high[1] - origin[1])


def _most_nested(
    asked: Sequence[int], meetings: Sequence[Meeting], darker: Sequence[int], in_turn: bool
) -> tuple[tuple[int, ...], tuple[int, ...]]:
    """The sides that nest most joins, exactly; of several, those with the fewest shadows. What is
    asked for stays. Without blocks in turn both ways are one."""
    # Any join counts for more than all shadows together.
    a_join = 2 * len(asked) + 1
    side = {(n, way): (n, way if in_turn else 0) for n in range(len(asked)) for way in (0, 1)}
    gains = list[Gain]()
    for (number, way), which in side.items():
        if which == (number, way):
            never = -a_join * (1 + sum(meeting.joins for meeting in meetings))
            low, high = (never * (fixed == asked[number]) for fixed in (1, -1))
            gains.append(Gain((which,), np.array([low, high + darker[number]])))
    for meeting in meetings:
        one, other = side[meeting.one], side[meeting.other]
        nested = np.array([[not meeting.differ, meeting.differ]] * 2, np.int64)
        nested[1] = nested[1][::-1].copy()
        if one == other:
            gains.append(Gain((one,), np.diagonal(nested) * a_join * meeting.joins))
        else:
            gains.append(Gain((one, other), nested * a_join * meeting.joins))
    best = most(gains)
    ways = tuple(
        tuple(1 if best[side[number, way]] else -1 for number in range(len(asked)))
        for way in (0, 1)
    )
    return ways[0], ways[1]


def _shadows(seam: Seam, pressed: int, dark: Sequence[float]) -> bool:
    """Whether dark shows under light."""
    low, high = _mean(seam.low, dark), _mean(seam.high, dark)
    under, over = (high, low) if pressed < 0 else (low, high)
    return pressed != 0 and under - over >= _SAME


def _layers(crossing: Crossing, way: Sequence[int], seams: Sequence[Seam]) -> int:
    """The most layers on one side of a crossing: where the later seam is pressed, a part lies
    double and the other part's allowance on it."""
    line = seams[crossing.across].line
    most = 0
    for side in (-1, 1):
        # Allowances of either part that lie on this side of the point.
        own = [_lie(way[n], seams[n].line, line, side) for n in (crossing.low, crossing.high)]
        over = way[crossing.across]
        if over == 0:
            most = max(most, *(2 * (1 + n) for n in own))
            continue
        under, upper = (own[0], own[1]) if over < 0 else (own[1], own[0])
        most = max(most, 2 * (1 + under) + 1 + upper)
    return most


def _lie(pressed: int, line: Line, across: Line, side: int) -> int:
    """Layers that an allowance adds on a side of the point: two, none, or one of an open seam."""
    if pressed == 0:
        return 1
    return 2 if pressed * _along(line, across) == side else 0
