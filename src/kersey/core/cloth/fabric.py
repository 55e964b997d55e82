"""Fabric: prints, the lots they come in, and the pieces that lie on the table.

print   one fabric design, with a name, a value and a swatch that is drawn
value   how light or dark a print reads
lot     pieces of one shape that came together, such as a strip roll
stack   the pieces of one print in a lot
"""

import re
from collections.abc import Iterable
from dataclasses import dataclass, field, replace
from enum import StrEnum
from fractions import Fraction
from functools import cached_property

from kersey.core.cloth.colour import (
    DARK_BELOW,
    FAMILIES,
    LIGHT_FROM,
    checked_colour,
    colour_family,
    lightness,
)
from kersey.core.cloth.forms import FACTS, Form, check_piece
from kersey.core.cloth.look import check_look
from kersey.core.errors import InvalidValue
from kersey.core.measure.counting import counted
from kersey.core.measure.length import METRE

# Cotton for quilting weighs about 145 g per square metre (docs/trade.md section 2); an estimate.
GRAMS_PER_SQUARE_METRE = Fraction(145)
MOST_GRAMS = 100_000
# Washing takes 2 to 5 %; more than 15 is not quilting cotton.
MOST_SHRINKAGE = Fraction(15)
LONGEST_NAME = 80
# A tile is a small JPEG picture of a cloth, written in base64; longer than this it is no tile.
LONGEST_TILE = 16_000
_TILE = re.compile(r"/9j/[A-Za-z0-9+/]+=*")


class Value(StrEnum):
    """How light or dark a print reads."""

    LIGHT = "light"
    MEDIUM = "medium"
    DARK = "dark"


class Motif(StrEnum):
    """What is drawn on a swatch."""

    PLAIN = "plain"
    DOT = "dot"
    STRIPE = "stripe"
    CHECK = "check"
    SPRIG = "sprig"
    FLECK = "fleck"
    BLOTCH = "blotch"
    PLAID = "plaid"


class Scale(StrEnum):
    """How large the figure of a print is."""

    SMALL = "small"
    MEDIUM = "medium"
    LARGE = "large"


# Share of the cloth that the figure covers.
_COVER = {
    Motif.PLAIN: 0.0,
    Motif.DOT: 0.16,
    Motif.STRIPE: 0.34,
    Motif.CHECK: 0.5,
    Motif.SPRIG: 0.18,
    Motif.FLECK: 0.14,
    Motif.BLOTCH: 0.4,
    Motif.PLAID: 0.44,
}


class BadFabric(InvalidValue):
    """A print or lot that cannot be."""


def value_of(colour: str) -> Value:
    """The value a colour of cloth reads as; a proposal that a person may overrule.

    >>> value_of("#efe7d3").value, value_of("#27385c").value
    ('light', 'dark')
    """
    light = lightness(colour)
    if light >= LIGHT_FROM:
        return Value.LIGHT
    return Value.DARK if light < DARK_BELOW else Value.MEDIUM


def checked_name(name: str) -> str:
    """A name with its spaces tidied; raises `BadFabric` when empty or too long."""
    tidy = " ".join(name.split())
    if not tidy:
        raise BadFabric("Type a name; any word will do, like lamp red.", "name")
    if len(tidy) > LONGEST_NAME:
        raise BadFabric(
            f"A name can have {LONGEST_NAME} characters; this one has {len(tidy)}.", "name"
        )
    return tidy


@dataclass(frozen=True)
class Swatch:
    """How a print is drawn: a motif in one colour on a ground of another.

    `tile`, when there is one, is a picture of the cloth itself, drawn instead of the motif; the
    colours then are the two main ones of it. A unit that is sewn has a `look`, and what most of it
    shows.
    """

    motif: Motif
    ground: str
    figure: str
    scale: Scale = Scale.MEDIUM
    tile: str | None = None
    look: str | None = None

    def __post_init__(self) -> None:
        if self.look is not None:
            check_look(self.look)
        object.__setattr__(self, "ground", checked_colour(self.ground))
        object.__setattr__(self, "figure", checked_colour(self.figure))
        if self.tile is not None and not _is_tile(self.tile):
            raise BadFabric("A tile is a small JPEG picture in base64.")

    @cached_property
    def blend(self) -> str:
        """The one colour a print blends to from afar."""
        cover = _COVER[self.motif]
        pairs = (
            (int(self.ground[i : i + 2], 16), int(self.figure[i : i + 2], 16)) for i in (1, 3, 5)
        )
        return "#" + "".join(f"{round(g + (f - g) * cover):02x}" for g, f in pairs)


class Fact(StrEnum):
    """What may be known of a print, or only be filled in until somebody says."""

    NAME = "name"
    COLOUR = "colour"
    VALUE = "value"


EVERY_FACT = frozenset(Fact)


@dataclass(frozen=True)
class Print:
    """One fabric design. `judged_family` overrules what the colour of its ground proposes.

    `filled_in`: facts that nobody has said. They are there so that a quilt can be drawn; no advice
    rests on them.
    """

    name: str
    value: Value
    swatch: Swatch
    judged_family: str | None = None
    filled_in: frozenset[Fact] = frozenset()

    def __post_init__(self) -> None:
        object.__setattr__(self, "name", checked_name(self.name))
        object.__setattr__(self, "filled_in", frozenset(self.filled_in))
        if self.judged_family not in {None, *FAMILIES}:
            raise BadFabric(f"Choose a color family: {', '.join(FAMILIES)}.", "family")

    @property
    def known_value(self) -> Value | None:
        """The value, if somebody has said or judged it."""
        return None if Fact.VALUE in self.filled_in else self.value

    @property
    def known_family(self) -> str | None:
        """The colour family, if its colour is known or somebody judged it."""
        unknown = Fact.COLOUR in self.filled_in and self.judged_family is None
        return None if unknown else self.family

    def with_value(self, value: Value) -> "Print":
        """The print as somebody has judged it."""
        return replace(self, value=value, filled_in=self.filled_in - {Fact.VALUE})

    @property
    def confirmed(self) -> "Print":
        """The print once somebody has said that it is as it was filled in."""
        return replace(self, filled_in=frozenset())

    @property
    def family(self) -> str:
        """The colour family it is counted with: as somebody judged, or as its ground looks."""
        return self.judged_family or colour_family(self.swatch.ground)


@dataclass(frozen=True)
class Stack:
    """All pieces of one print in a lot.

    `measured_length` is what these pieces measured, where they differ from the rest of the lot.
    `number` is the one by which the cupboard knows them, None before they are kept.
    """

    print: Print
    count: int
    measured_length: Fraction | None = None
    number: int | None = field(default=None, compare=False)

    def __post_init__(self) -> None:
        if self.count < 0:
            raise BadFabric(
                f"A print can't have {counted(self.count, 'piece')}; use 0 or more.", "count"
            )


@dataclass(frozen=True)
class Lot:
    """Pieces of one form and one usable size, in one or more prints. Lengths in inches.

    `width` x `length` is what was said or what the label says, of one piece; `measured_length`
    what one piece really measured, once somebody did. Strings and scraps vary: `most_width` and
    `most_length` are then the largest. `grams` weighs scraps. `estimated` when it was "about".
    `shrinkage` is what washing takes of the length, in per cent, and of the width unless
    `shrinkage_across` says how much less or more it takes of that.
    """

    width: Fraction
    length: Fraction
    stacks: tuple[Stack, ...]
    measured_length: Fraction | None = None
    form: Form = Form.STRIP
    most_width: Fraction | None = None
    most_length: Fraction | None = None
    grams: int | None = None
    estimated: bool = False
    directional: bool = False
    shrinkage: Fraction = Fraction(0)
    shrinkage_across: Fraction | None = None
    wrong_side: Value | None = None

    def __post_init__(self) -> None:
        facts = FACTS[self.form]
        if not 1 <= self.count <= facts.most:
            sentence = f"A lot can have 1 to {facts.most} {facts.many}, not {self.count}."
            raise BadFabric(sentence, "count")
        widths = [self.width, self.most_width]
        each = [stack.measured_length for stack in self.stacks]
        lengths = [self.length, self.most_length, self.measured_length, *each]
        for width in (w for w in widths if w is not None):
            for length in (n for n in lengths if n is not None):
                check_piece(self.form, width, length)
        if (self.form is Form.SCRAPS) != (self.grams is not None):
            raise BadFabric("Give scraps by weight, like 900 g, and other fabric by size.")
        if self.grams is not None and not 1 <= self.grams <= MOST_GRAMS:
            raise BadFabric("Scraps can weigh 1 g to 100 kg, like 900 g.", "grams")
        if not all(0 <= share <= MOST_SHRINKAGE for share in (self.shrinkage, self.taken_across)):
            raise BadFabric("Shrinkage can be 0 to 15%, like 3.", "shrinkage")

    @property
    def count(self) -> int:
        """All pieces."""
        return sum(stack.count for stack in self.stacks)

    @property
    def counts(self) -> tuple[int, ...]:
        """Pieces of each print, in the order of the stacks."""
        return tuple(stack.count for stack in self.stacks)

    @property
    def prints(self) -> tuple[Print, ...]:
        """The prints, in the order of the stacks."""
        return tuple(stack.print for stack in self.stacks)

    @property
    def usable_length(self) -> Fraction:
        """The length to reckon with: the measured one, or the label's less what washing takes."""
        if self.measured_length is not None:
            return self.measured_length
        return self.length * (100 - self.shrinkage) / 100 if self.shrinkage else self.length

    @property
    def taken_across(self) -> Fraction:
        """What washing takes of the width, in per cent."""
        return self.shrinkage if self.shrinkage_across is None else self.shrinkage_across

    @property
    def usable_width(self) -> Fraction:
        """The width to reckon with: the label's less what washing takes."""
        return self.washed_across(self.width)

    def washed_across(self, width: Fraction) -> Fraction:
        """What is left of a width once it is washed."""
        taken = self.taken_across
        return width * (100 - taken) / 100 if taken else width

    @property
    def area(self) -> Fraction:
        """Cloth in square inches: of scraps by weight, of what varies by the middle size."""
        if self.grams is not None:
            return area_of_scraps(self.grams)
        return sum((s.count * self.piece_area(s) for s in self.stacks), Fraction(0))

    def length_of(self, stack: Stack) -> Fraction:
        """The length to reckon with for the pieces of one print."""
        return stack.measured_length or self.usable_length

    def piece_area(self, stack: Stack) -> Fraction:
        """Square inches of one piece of a print, of what varies by the middle size."""
        if self.grams is not None:
            return area_of_scraps(self.grams)
        length = self.length_of(stack)
        if self.most_width is None and self.most_length is None and self.form is not Form.TRIANGLE:
            return self.usable_width * length
        width = self.washed_across(self.width + (self.most_width or self.width)) / 2
        half = Fraction(1, 2) if self.form is Form.TRIANGLE else Fraction(1)
        longest = self.most_length and self.most_length * (100 - self.shrinkage) / 100
        return width * (length + (longest or length)) / 2 * half

    def only(self, place: int, count: int) -> "Lot":
        """So many pieces of one of its prints, as a lot of their own."""
        return replace(self, stacks=(replace(self.stacks[place], count=count),))

    def measured(self, length: Fraction | None) -> "Lot":
        """The same lot with another measured length."""
        return replace(self, measured_length=length)

    def with_stack(self, index: int, stack: Stack) -> "Lot":
        """The same lot with one stack exchanged."""
        return replace(self, stacks=(*self.stacks[:index], stack, *self.stacks[index + 1 :]))


def _is_tile(text: str) -> bool:
    return len(text) <= LONGEST_TILE and _TILE.fullmatch(text) is not None


def area_of_scraps(grams: int) -> Fraction:
    """Square inches that scraps of this weight come to: only an estimate."""
    return grams / GRAMS_PER_SQUARE_METRE * METRE**2


def spread(count: int, prints: Iterable[Print]) -> tuple[Stack, ...]:
    """Pieces shared out evenly over prints, the first ones getting one more.

    >>> from kersey.core.cloth.print_names import made_up_prints
    >>> [stack.count for stack in spread(8, made_up_prints(3))]
    [3, 3, 2]
    """
    kinds = tuple(prints)
    each, more = divmod(count, len(kinds))
    return tuple(Stack(kind, each + (i < more)) for i, kind in enumerate(kinds))
