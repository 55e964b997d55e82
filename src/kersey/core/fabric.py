"""Fabric: prints, the lots they come in, and the pieces that lie on the table.

print   one fabric design, with a name, a value and a swatch that is drawn
value   how light or dark a print reads
lot     pieces of one shape that came together, such as a strip roll
stack   the pieces of one print in a lot
"""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from enum import StrEnum
from fractions import Fraction

from kersey.core.colour import DARK_BELOW, LIGHT_FROM, checked_colour, lightness
from kersey.core.errors import InvalidValue

# More than a shop has in a year, few enough to lay out while a slider moves.
MOST_STRIPS = 600
# A strip is a strip while it is longer than wide, fits a mat, and comes off a real bolt.
NARROWEST_STRIP = Fraction(3, 4)
WIDEST_STRIP = Fraction(12)
LONGEST_STRIP = Fraction(120)
LONGEST_NAME = 80


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
        raise BadFabric("A name is missing. Any word will do, like lamp red.")
    if len(tidy) > LONGEST_NAME:
        raise BadFabric(f"A name has at most {LONGEST_NAME} letters; this one has {len(tidy)}.")
    return tidy


@dataclass(frozen=True)
class Swatch:
    """How a print is drawn: a motif in one colour on a ground of another."""

    motif: Motif
    ground: str
    figure: str

    def __post_init__(self) -> None:
        object.__setattr__(self, "ground", checked_colour(self.ground))
        object.__setattr__(self, "figure", checked_colour(self.figure))


@dataclass(frozen=True)
class Print:
    """One fabric design."""

    name: str
    value: Value
    swatch: Swatch

    def __post_init__(self) -> None:
        object.__setattr__(self, "name", checked_name(self.name))


@dataclass(frozen=True)
class Stack:
    """All pieces of one print in a lot."""

    print: Print
    count: int

    def __post_init__(self) -> None:
        if not 0 <= self.count <= MOST_STRIPS:
            raise BadFabric(f"A print has from 0 to {MOST_STRIPS} strips, not {self.count}.")


@dataclass(frozen=True)
class StripLot:
    """Strips of one cut width and one usable length, in one or more prints.

    `length` is what was said or what the label says; `measured_length` what one strip really
    measured, once somebody did. Lengths in inches.
    """

    width: Fraction
    length: Fraction
    stacks: tuple[Stack, ...]
    measured_length: Fraction | None = None

    def __post_init__(self) -> None:
        check_strip(self.width, self.length)
        if self.measured_length is not None:
            check_strip(self.width, self.measured_length)
        if not 1 <= self.count <= MOST_STRIPS:
            raise BadFabric(f"A lot has from 1 to {MOST_STRIPS} strips, not {self.count}.")

    @property
    def count(self) -> int:
        """All strips."""
        return sum(stack.count for stack in self.stacks)

    @property
    def counts(self) -> tuple[int, ...]:
        """Strips of each print, in the order of the stacks."""
        return tuple(stack.count for stack in self.stacks)

    @property
    def prints(self) -> tuple[Print, ...]:
        """The prints, in the order of the stacks."""
        return tuple(stack.print for stack in self.stacks)

    @property
    def usable_length(self) -> Fraction:
        """The length to reckon with: the measured one if there is one."""
        return self.length if self.measured_length is None else self.measured_length

    def measured(self, length: Fraction | None) -> "StripLot":
        """The same lot with another measured length."""
        return replace(self, measured_length=length)

    def with_stack(self, index: int, stack: Stack) -> "StripLot":
        """The same lot with one stack exchanged."""
        return replace(self, stacks=(*self.stacks[:index], stack, *self.stacks[index + 1 :]))


def check_strip(width: Fraction, length: Fraction) -> None:
    """Raise `BadFabric` unless a strip can have this width and length, in inches."""
    if not NARROWEST_STRIP <= width <= WIDEST_STRIP:
        raise BadFabric("A strip is from ¾″ (2 cm) to 12″ (30 cm) wide, like 2 1/2 or 6.5 cm.")
    if not width < length <= LONGEST_STRIP:
        raise BadFabric("A strip is longer than wide and at most 120″ (3 m) long, like 42.")


def spread(count: int, prints: Iterable[Print]) -> tuple[Stack, ...]:
    """Strips shared out evenly over prints, the first ones getting one more.

    >>> from kersey.core.print_names import made_up_prints
    >>> [stack.count for stack in spread(8, made_up_prints(3))]
    [3, 3, 2]
    """
    kinds = tuple(prints)
    each, more = divmod(count, len(kinds))
    return tuple(Stack(kind, each + (i < more)) for i, kind in enumerate(kinds))
