"""A recipe: how a block of a kind is assembled, whatever its size.

A block is one small file in this folder that has a `RECIPE`; the catalogue finds it by listing the
folder. How to add one: docs/add-a-block.md.
"""

import re
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from fractions import Fraction
from math import isqrt
from typing import Any

from kersey.core.blocks.assembly import Assembly, Patch, Size
from kersey.core.blocks.facts import Facts
from kersey.core.cutting.problem import CuttingPlan, Need
from kersey.core.cutting.tally import Tally
from kersey.core.errors import InvalidValue
from kersey.core.measure.length import Units, format_length, parse_length
from kersey.core.measure.spoken import Spoken

Option = bool | int | str | float | Fraction | tuple[Fraction, ...]
Options = Mapping[str, Option]
NO_OPTIONS: Options = {}
# The side of the squares at hand, where they are used as they come.
SQUARE = "square as it comes"
# What one whole piece is made of, once the search has said how many there are: among the options.
WHOLE = "what the whole piece is made of"
_BETWEEN = re.compile(r"\s*[x×+,;]\s*|\s+by\s+|\s+and\s+")
# How an option that holds or does not is said; the first is how it is kept.
YES, NO = ("yes", "true"), ("no", "false")


class BadRecipe(InvalidValue):
    """A size or option that a block cannot have.

    `field` says which, in the words of a request; `why` what it must be; `advice`, if it reads
    better, the same to a person who fills in a form.
    """

    def __init__(self, field: str, why: str, advice: str = "") -> None:
        self.why = why
        super().__init__(advice or f"It must be {why}", field)


# Squares cut one by one, or whole strips sewn into sets and crosscut.
OF_SQUARES, OF_SETS = "squares", "sets"
SQUARES_OR_SETS = (OF_SQUARES, OF_SETS)


@dataclass(frozen=True)
class OtherWay:
    """An option by which the same block is made faster, and wastes more; both are of interest."""

    option: str
    usual: str
    faster: str


@dataclass(frozen=True)
class Column:
    """A column: its cut width, the tube it is cut from, which strip lies on top, where it ends.

    `nests` says whether the seams of its join with the column before do.
    """

    number: int
    width: Fraction
    tube: int
    opened_at: int
    reaches: Fraction
    nests: bool


@dataclass(frozen=True)
class Recipe:
    """A named block. Lengths in inches; `finished` is (width, height).

    `assemble` gives the block for a finished size, options and seam; it raises `BadRecipe`. A
    `square` block has one side only. The kind of an option is that of its usual value: yes
    or no, a whole number, a length (`Fraction`), or words, whose choices are listed.

    Blocks are `tried` in this order when nobody has said which.

    `from_strips`: the finished size that comes of options, the width of the strips at hand and the
    seam, for a block that uses strips as they are; it may raise `BadRecipe`.

    `size_of`: the finished size that options say, at a seam, where nobody has said another; with
    `size_follows` nobody is asked for one.

    `strip_option`: the option that is the cut width of its strips, taken from those at hand where
    nobody has said it.

    `strings`, `crumbs`: it is sewn of strings, or of crumbs of any size, too. `other_roles` are
    those that fabric may have for it beside the roles of what is cut for a block.

    `notes` are sentences on this very block, at these options and this seam.

    `ready`: it is made of what is sewn already, finished blocks or units, called so; `measured`
    says the side that finished blocks of these sizes are trimmed to, kept as `SQUARE`, and `fate`
    what becomes of one of a size, in words, where all are to be so large.

    `unit`: what is counted, where it is not blocks.

    A technique that makes one whole piece is asked for its columns, rows or strips: whole strips
    are counted by its `tally`. What a plan of them becomes is one block, assembled with what
    `whole` says of the plan among the options, as `WHOLE`; `laid` puts its pieces in order, by
    their prints.

    What is sewn of `columns` says each, of options that hold what it is made of, at a seam. The
    options that are `drawn` are changed on its drawing: `changed` makes one a step larger or
    smaller. `shapes` is the option by which it comes out in other shapes, with the values tried.

    `as_they_come`: squares that are all of one size are sewn as they are, if that is a little
    larger than need be, and what they become is trimmed. Their side is then among the options, as
    `SQUARE`.

    Of a `pair` two blocks of one size lie side by side: a size that is said is that of each.

    `proved_for` says of what alone the search can prove that no more are possible, where that is
    less than every way to cut it: of pairs, say. Nothing where it is everything.
    """

    id: str
    title: str
    finished: Size
    assemble: Callable[[Size, Options, Fraction], Assembly]
    options: Mapping[str, Option] = field(default_factory=dict)
    choices: Mapping[str, tuple[str, ...]] = field(default_factory=dict)
    about: str = ""
    facts: Facts | None = None
    from_strips: Callable[[Options, Fraction, Fraction], Size] | None = None
    size_of: Callable[[Options, Fraction], Size | None] | None = None
    size_follows: bool = False
    strip_option: str = ""
    strings: bool = False
    crumbs: bool = False
    notes: Callable[[Assembly, Options, Fraction, Units], Sequence[str]] | None = None
    ready: str = ""
    measured: Callable[[Sequence[Size]], Fraction] | None = None
    fate: Callable[[Size, Fraction], Spoken] | None = None
    other_roles: tuple[str, ...] = ()
    unit: str = "block"
    tally: Callable[[Size, Options, Fraction], Tally | None] | None = None
    whole: Callable[[CuttingPlan, Size, Options], tuple[Fraction, ...]] | None = None
    laid: Callable[[Sequence[str], Options], tuple[int, ...]] | None = None
    columns: Callable[[Options, Fraction], Sequence[Column]] | None = None
    drawn: tuple[str, ...] = ()
    changed: Callable[[Options, str, bool], Options] | None = None
    shapes: tuple[str, tuple[Option, ...]] | None = None
    as_they_come: bool = False
    pair: bool = False
    proved_for: Callable[[Options], str] | None = None
    other_way: OtherWay | None = None
    tried: int = 100

    @property
    def square(self) -> bool:
        """Whether it can only be square."""
        return self.finished[0] == self.finished[1]

    @property
    def one_side(self) -> bool:
        """Whether one length says its size: of a square, and of each block of a pair."""
        return self.square or self.pair

    def of_side(self, side: Fraction) -> Size:
        """The finished size of a block so wide, in its usual proportions; of a pair each is."""
        width = 2 * side if self.pair else side
        return width, width * self.finished[1] / self.finished[0]


def read_option(usual: Option, name: str, said: Any, units: Units = Units.INCHES) -> Option:
    """An option as it was said or kept, of the kind of its usual value; raises `BadRecipe`.

    A length may be a number, or written as people write lengths; a number without a unit is in
    `units`.

    >>> read_option(Fraction(2), "window", "1 1/2"), read_option(3, "rounds", "4")
    (Fraction(3, 2), 4)
    """
    place = f"block.options.{name:.40}"
    if isinstance(usual, bool):
        return _yes_or_no(said, place)
    if isinstance(usual, str):
        return str(said)
    if isinstance(usual, tuple):
        return _lengths(said, place, units)
    if isinstance(usual, Fraction):
        try:
            return parse_length(said, units) if isinstance(said, str) else _number_option(said)
        except (InvalidValue, ValueError, OverflowError) as error:
            raise BadRecipe(place, "a length, like 1 1/2.") from error
    if isinstance(said, str) and said.strip().isdecimal() and len(said) <= 6:
        return int(said)
    if isinstance(said, bool) or not isinstance(said, int):
        raise BadRecipe(place, "a whole number, like 3.")
    return said


def _lengths(said: Any, place: str, units: Units) -> tuple[Fraction, ...]:
    """Lengths as a list, or written like ``2 1/2 x 5 1/2`` or ``2 + 1 1/2``."""
    try:
        return tuple(
            parse_length(each, units) if isinstance(each, str) else _number_option(each)
            for each in (_BETWEEN.split(said.strip()) if isinstance(said, str) else said)
            if each != ""
        )
    except (InvalidValue, ValueError, TypeError, OverflowError) as error:
        advice = "Type it like 2 1/2 x 5 1/2."
        raise BadRecipe(place, "lengths, like [2.5, 5.5].", advice) from error


def _yes_or_no(said: Any, place: str) -> bool:
    words = str(said).lower()
    if words not in {*YES, *NO}:
        raise BadRecipe(place, "true or false.", "Choose yes or no.")
    return words in YES


def _number_option(said: Any) -> Fraction:
    """A number of inches just as it is written: 2.6 is 26 tenths."""
    if isinstance(said, bool) or not isinstance(said, int | float | Fraction):
        raise ValueError(said)
    return Fraction(str(said))


def square_of(side: int | Fraction) -> Size:
    """A square's size."""
    return Fraction(side), Fraction(side)


def rectangle(
    label: str, role: str, x: Fraction, y: Fraction, width: Fraction, height: Fraction
) -> Patch:
    """A patch with straight sides, its corner at (x, y)."""
    right, bottom = x + width, y + height
    return Patch(label, role, ((x, y), (right, y), (right, bottom), (x, bottom)))


def shares_in_rows(needs: Sequence[Need], size: Size) -> Iterator[Patch]:
    """Each piece as large a part of a block as it is of the cloth, in about as many rows as there
    are pieces in a row."""
    pieces = [need for need in needs for _ in range(need.count)]
    in_a_row = isqrt(len(pieces) - 1) + 1
    whole = sum((need.width * need.height for need in pieces), Fraction(0))
    top = Fraction(0)
    for start in range(0, len(pieces), in_a_row):
        row = pieces[start : start + in_a_row]
        area = sum((need.width * need.height for need in row), Fraction(0))
        high, left = size[1] * area / whole, Fraction(0)
        for need in row:
            wide = size[0] * need.width * need.height / area
            yield rectangle(need.label, need.role, left, top, wide, high)
            left += wide
        top += high


def triangle(label: str, role: str, *corners: tuple[Fraction, Fraction]) -> Patch:
    """A patch of three corners."""
    return Patch(label, role, corners)


def whole(options: Options, name: str, least: int, most: int) -> int:
    """A whole number among the options; raises `BadRecipe`."""
    value = options[name]
    if isinstance(value, bool) or not isinstance(value, int) or not least <= value <= most:
        raise BadRecipe(f"block.options.{name}", f"a whole number from {least} to {most}.")
    return value


def pair_option(options: Options, name: str, least: Fraction, most: Fraction) -> Size:
    """A width and a length among the options, both more than `least`, at most `most`; raises
    `BadRecipe`."""
    value = options[name]
    if (
        not isinstance(value, tuple)
        or len(value) != 2
        or not all(least < side <= most for side in value)
    ):
        raise BadRecipe(
            f"block.options.{name}",
            f"two lengths of more than {format_length(least)} and at most {format_length(most)}.",
        )
    width, length = value
    return width, length


def length_option(options: Options, name: str, least: Fraction, most: Fraction) -> Fraction:
    """A length among the options, more than `least`, at most `most`; raises `BadRecipe`."""
    value = options[name]
    if not isinstance(value, Fraction):
        raise BadRecipe(f"block.options.{name}", "a length, like 2.5.")
    if not least < value <= most:
        raise BadRecipe(
            f"block.options.{name}",
            f"a length over {format_length(least)}, up to {format_length(most)}.",
        )
    return value
