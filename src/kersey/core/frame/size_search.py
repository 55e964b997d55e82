"""The best size: every sensible rows x columns, best first, and why.

The count is not the quilt: 31 blocks make no good rectangle, 30 make 5 x 6 (docs/trade.md
section 4). A size is judged by three things, each a cost in points:

    blocks left over      those neither in the quilt nor asked to stay out
    proportion            length and width differ by at most about a half (section 5)
    fit                   inches by which it misses what it is for
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from fractions import Fraction
from functools import cached_property
from math import sqrt

from kersey.core.errors import InvalidValue
from kersey.core.frame.borders import widths_to_propose
from kersey.core.frame.keys import NO_KEYS, KeysWish
from kersey.core.frame.purposes import ANY_PURPOSE, LARGEST_SIDE, NEAR_ENOUGH, Purpose, Wish
from kersey.core.frame.sashing import NO_SASHING, Sashing
from kersey.core.frame.setting import BlockGrid, Setting, blocks_in
from kersey.core.measure.counting import counted
from kersey.core.measure.length import Units, format_length

MOST_ROWS = 60
# docs/trade.md section 5: differ by at most about a half unless asked for.
LONGEST_RATIO = Fraction(3, 2)
# Long and narrow, still made now and then; beyond that "which nobody wants".
_NARROWEST_RATIO = 2
# Two like sides look like a box; about 4 : 5 is the usual bed cover.
_PLEASANT_RATIO = 1.3

# A border wider than a quarter of the body is a frame with a picture in it.
WIDEST_BORDER_SHARE = Fraction(1, 4)

_ALL_SPARE_COSTS = 40.0
_UNPLEASANT_COSTS = 6.0
_TOO_NARROW_COSTS = 15.0
_NARROWER_COSTS = 40.0
_INCH_OFF_COSTS = 2.0
_INCH_OFF_A_WISH_COSTS = 5.0
# Farther than this from every purpose, a quilt is a runner, a cushion, a wall piece: how much
# farther no longer matters.
NO_PURPOSE_BEYOND = 12
# Of two borders that fit alike, the one nearest to half a block.
_BORDER_OFF_HALF_A_BLOCK_COSTS = 0.2


class BadRows(InvalidValue):
    """Rows or columns that cannot be."""


@dataclass(frozen=True)
class SizeQuestion:
    """What sizes are looked for. Lengths in inches; `border_width` None: propose one for each.

    `block` is (width, height) of one, finished; `around` what lies outside the first border, on
    each side: more borders; `edge` what a folded or turned edge adds to them. Where the outermost
    border is of `keys`, what makes them fit is added last: sizes are ranked without it.
    """

    block: tuple[Fraction, Fraction]
    blocks: int
    wish: Wish = field(default_factory=Wish)
    border_width: Fraction | None = None
    units: Units = Units.INCHES
    sashing: Sashing = NO_SASHING
    around: Fraction = Fraction(0)
    edge: Fraction = Fraction(0)
    setting: Setting = Setting.STRAIGHT
    keys: KeysWish = NO_KEYS


@dataclass(frozen=True)
class SizeOption:
    """One size: rows x columns, its border, and how it was judged. Lengths in inches, finished."""

    rows: int
    columns: int
    blocks_possible: int
    body_width: Fraction
    body_length: Fraction
    border_width: Fraction
    purpose: Purpose
    purpose_wished: bool
    cost: float
    around: Fraction = Fraction(0)
    edge: Fraction = Fraction(0)
    setting: Setting = Setting.STRAIGHT
    spacer: tuple[Fraction, Fraction] = (Fraction(0), Fraction(0))

    @property
    def blocks(self) -> int:
        """Pieced blocks in the quilt."""
        return blocks_in(self.setting, self.rows, self.columns)

    @property
    def spare(self) -> int:
        """Blocks left over; negative when there are too few."""
        return self.blocks_possible - self.blocks

    @cached_property
    def width(self) -> Fraction:
        """Finished width with all that is round the blocks."""
        return self.body_width + 2 * (self.bordered + self.edge + self.spacer[0])

    @cached_property
    def length(self) -> Fraction:
        """Finished length with all that is round the blocks."""
        return self.body_length + 2 * (self.bordered + self.edge + self.spacer[1])

    @property
    def bordered(self) -> Fraction:
        """Finished width of all borders together, on one side."""
        return self.border_width + self.around

    @property
    def ratio(self) -> Fraction:
        """The longer side in units of the shorter one."""
        return max(self.width, self.length) / min(self.width, self.length)

    @property
    def has_purpose(self) -> bool:
        """Whether its purpose was asked for, or is near enough to be worth naming."""
        return (
            self.purpose_wished
            or self.purpose.distance(self.width, self.length) <= NO_PURPOSE_BEYOND
        )


def size_options(question: SizeQuestion) -> tuple[SizeOption, ...]:
    """Every sensible size, best first; the same question always gives the same order.

    >>> best = size_options(SizeQuestion((Fraction(6), Fraction(6)), 80))[0]
    >>> best.columns, best.rows, best.border_width, best.purpose.name
    (8, 10, Fraction(3, 1), 'lap quilt')
    """
    judge, grids = _Judge(question), list(_grids(question))
    wished = question.wish.key != ANY_PURPOSE
    # Of a size for anything, most blocks are in it: what leaves more than half is not even judged.
    enough = question.blocks if not wished else 0
    likely = [(r, c) for r, c in grids if 2 * blocks_in(question.setting, r, c) > enough]
    options = [judge.option(*grid) for grid in likely]
    sensible = [option for option in options if _sensible(option, question)]
    found = sensible or [judge.option(*grid) for grid in grids]
    return tuple(sorted(found, key=lambda o: (o.cost, o.spare, o.columns, o.rows)))


def size_option(question: SizeQuestion, rows: int, columns: int) -> SizeOption:
    """One size judged, with the border asked for or the one that suits it best.

    Raises `BadRows` for a grid that nobody could sew.
    """
    check_rows(rows, columns)
    return _Judge(question).option(rows, columns)


def check_rows(rows: int, columns: int) -> None:
    """Raise `BadRows` unless both are from 1 to 60."""
    if not (1 <= rows <= MOST_ROWS and 1 <= columns <= MOST_ROWS):
        raise BadRows(f"Use 1 to {MOST_ROWS} blocks across and down, like 8 and 10.")


def why(option: SizeOption, units: Units) -> tuple[str, ...]:
    """What speaks for this size and what against it, in sentences."""
    return (_blocks_reason(option), _fit_reason(option, units), *_ratio_reason(option))


def _grids(question: SizeQuestion) -> Iterator[tuple[int, int]]:
    """Rows x columns that the blocks can fill; the longer side down, unless wished otherwise."""
    if question.blocks == 1:
        # One piece lies as it was made.
        yield 1, 1
        return
    wish = question.wish
    lies_wide = bool(wish.own_width and wish.own_length and wish.own_width > wish.own_length)
    # Whole numbers in the same proportion: there may be thousands of grids.
    width, height = _in_proportion(question.block)
    most_columns, most_rows = (int(LARGEST_SIDE // side) for side in question.block)
    for columns in range(1, min(most_columns, MOST_ROWS) + 1):
        for rows in range(1, min(most_rows, MOST_ROWS) + 1):
            if blocks_in(question.setting, rows, columns) > question.blocks:
                break
            lies = columns * width - rows * height
            if lies == 0 or (lies > 0) == lies_wide:
                yield rows, columns


def _in_proportion(block: tuple[Fraction, Fraction]) -> tuple[int, int]:
    width, height = block
    common = width.denominator * height.denominator
    return int(width * common), int(height * common)


class _Judge:
    """Judges sizes for one question. Costs are opinions, so they are reckoned in floats.

    A question of some hundred blocks has thousands of sizes with a border, so what a border costs
    at any size is reckoned before, and what a purpose is like lies at hand as floats.
    """

    def __init__(self, question: SizeQuestion) -> None:
        self.question = question
        lying = sqrt(2) if question.setting is Setting.ON_POINT else 1.0
        self.block_width, self.block_height = (float(side) * lying for side in question.block)
        sashing = question.sashing
        # Strips of sashing are one fewer than the blocks they part, or one more; between rows only
        # there are none that add to the width.
        self.down = self.across = 1 if sashing.framed else -1
        self.between = 0.0 if sashing.rows_only else float(sashing.width)
        self.purposes = question.wish.purposes(question.units)
        self.ranges = [
            tuple(map(float, (p.least_width, p.most_width, p.least_length, p.most_length)))
            for p in self.purposes
        ]
        self.wished = question.wish.key != ANY_PURPOSE
        sides = sorted((self.purposes[0].most_width, self.purposes[0].most_length))
        self.long_is_wished = self.wished and sides[1] > sides[0] * LONGEST_RATIO
        half = float(min(question.block)) / 2
        # One whole piece is no measure for its border.
        pace = 0.0 if question.blocks == 1 else _BORDER_OFF_HALF_A_BLOCK_COSTS
        self.borders = [
            (border, float(border), abs(float(border) - half) * pace) for border in self._widths()
        ]

    def option(self, rows: int, columns: int) -> SizeOption:
        """The size with the border and the purpose that cost least."""
        cost, border, _, purpose = min(self._choices(rows, columns), key=lambda c: c[:3])
        grid = BlockGrid(rows, columns, self.question.setting)
        body = grid.body(self.question.block, self.question.sashing)
        return SizeOption(
            rows=rows,
            columns=columns,
            blocks_possible=self.question.blocks,
            body_width=body[0],
            body_length=body[1],
            border_width=border,
            purpose=purpose,
            purpose_wished=self.wished,
            cost=cost,
            around=self.question.around,
            edge=self.question.edge,
            setting=self.question.setting,
            spacer=self.question.keys.spacer(body, border, self.question.around),
        )

    def _choices(self, rows: int, columns: int) -> Iterator[tuple[float, Fraction, int, Purpose]]:
        """Each border that suits, with the purpose that it brings nearest."""
        sashing, around = self.question.sashing, float(self.question.around + self.question.edge)
        spare = abs(self.question.blocks - blocks_in(self.question.setting, rows, columns))
        spare_costs = spare / max(self.question.blocks, 1) * _ALL_SPARE_COSTS
        body_width = columns * self.block_width + (columns + self.across) * self.between
        body_length = rows * self.block_height + (rows + self.down) * float(sashing.width)
        widest = min(body_width, body_length) * float(WIDEST_BORDER_SHARE)
        given = self.question.border_width is not None
        for border, inches, off_half_costs in self.borders:
            if inches > widest and not given:
                continue
            more = 2 * (inches + around)
            width, length = body_width + more, body_length + more
            cost = spare_costs + off_half_costs + self._proportion_cost(width, length)
            off, _, place = min(self._distance_costs(width, length))
            yield cost + off, border, place, self.purposes[place]

    def _widths(self) -> Sequence[Fraction]:
        """The border given, or those to choose from."""
        if self.question.border_width is not None:
            return (self.question.border_width,)
        return widths_to_propose(self.question.units)

    def _distance_costs(self, width: float, length: float) -> Iterator[tuple[float, float, int]]:
        """What it costs to miss each purpose, by how much it does, and its place."""
        for place, (least_width, most_width, least_length, most_length) in enumerate(self.ranges):
            off = 0.0
            if width < least_width:
                off = least_width - width
            elif width > most_width:
                off = width - most_width
            if length < least_length:
                off += least_length - length
            elif length > most_length:
                off += length - most_length
            if self.wished:
                yield off * _INCH_OFF_A_WISH_COSTS, off, place
            else:
                far = off if off < NO_PURPOSE_BEYOND else NO_PURPOSE_BEYOND
                yield far * _INCH_OFF_COSTS, off, place

    def _proportion_cost(self, width: float, length: float) -> float:
        """What long and narrow costs."""
        if self.long_is_wished:
            return 0.0
        return _proportion_cost(width / length if width > length else length / width)


def _proportion_cost(ratio: float) -> float:
    cost = abs(ratio - _PLEASANT_RATIO) * _UNPLEASANT_COSTS
    beyond = ratio - float(LONGEST_RATIO)
    return cost + _TOO_NARROW_COSTS + beyond * _NARROWER_COSTS if beyond > 0 else cost


def _sensible(option: SizeOption, question: SizeQuestion) -> bool:
    if question.wish.key != ANY_PURPOSE:
        distance = option.purpose.distance(option.width, option.length)
        if distance <= 3 * NEAR_ENOUGH:
            return True
    return option.spare * 2 < question.blocks and option.ratio <= _NARROWEST_RATIO


def _blocks_reason(option: SizeOption) -> str:
    if option.spare < 0:
        return f"It needs {counted(option.blocks, 'block')}; you are {-option.spare} short."
    if option.blocks_possible == 1:
        return "It is one piece."
    if option.spare == 0:
        return f"It uses all {counted(option.blocks, 'block')}."
    return (
        f"It uses {option.blocks} of {counted(option.blocks_possible, 'block')} and leaves "
        f"{option.spare}."
    )


def _fit_reason(option: SizeOption, units: Units) -> str:
    across, down = option.purpose.short_by(option.width, option.length)
    name = option.purpose.name
    article = "" if name.startswith("your") else "a "
    if not across and not down:
        return f"{_border_words(option, units)} it is the right size for {article}{name}."
    if not option.has_purpose:
        return (
            f"{_border_words(option, units)} it isn't close to any standard "
            f"size; the nearest is {article}{name}."
        )
    off = " and ".join(
        f"{format_length(abs(by), units)} {side}"
        for by, side in (
            (across, "narrower" if across < 0 else "wider"),
            (down, "shorter" if down < 0 else "longer"),
        )
        if by
    )
    return f"{_border_words(option, units)} it is {off} than {article}{name}."


def _border_words(option: SizeOption, units: Units) -> str:
    if not option.bordered:
        return "Without a border"
    borders = "borders" if option.around and option.border_width else "a border"
    return f"With {borders} of {format_length(option.bordered, units)}"


def _ratio_reason(option: SizeOption) -> tuple[str, ...]:
    if option.ratio > LONGEST_RATIO and not option.purpose_wished:
        return ("It is long and narrow: one side is more than half again the other.",)
    if option.width == option.length:
        return ("It is square.",)
    return ()
