"""A lot in words: how many pieces there are, or how much, and how large they are."""

from fractions import Fraction
from typing import Protocol

from kersey.core.cloth.fabric import area_of_scraps
from kersey.core.cloth.forms import FACTS, Form
from kersey.core.measure.counting import counted
from kersey.core.measure.length import Units, format_length, format_number, format_size
from kersey.core.stash.said.facts import OF_THE_BOLT


class Described(Protocol):
    """What is needed to say how much there is of a lot, and how large it is after washing."""

    @property
    def form(self) -> Form: ...
    @property
    def count(self) -> int: ...
    @property
    def usable_width(self) -> Fraction: ...
    @property
    def usable_length(self) -> Fraction: ...
    @property
    def most_width(self) -> Fraction | None: ...
    @property
    def most_length(self) -> Fraction | None: ...
    @property
    def grams(self) -> int | None: ...
    @property
    def estimated(self) -> bool: ...


def pieces_in_words(lot: Described) -> str:
    """How many pieces there are, or how much: ``12 fat quarters``, ``about 60 strings``."""
    facts = FACTS[lot.form]
    about = "about " if lot.estimated else ""
    if lot.grams is not None:
        weight = f"{lot.grams} g" if lot.grams < 1000 else f"{lot.grams / 1000:g} kg"
        return f"{weight} of {facts.many}"
    if lot.form in OF_THE_BOLT:
        return facts.one if lot.count == 1 else f"{about}{counted(lot.count, 'cut')} of {facts.one}"
    return f"{about}{counted(lot.count, facts.one)}"


def size_in_words(lot: Described, units: Units) -> str:
    """How large each piece is, or how much the weight comes to."""
    if lot.grams is not None:
        square_yards = float(area_of_scraps(lot.grams)) / 36**2
        if units is Units.INCHES:
            return f"about {square_yards:.1f} sq yd, estimated"
        return f"about {square_yards * 0.83612736:.1f} m², estimated"
    if lot.most_width is None and lot.most_length is None:
        each = " each" if lot.count > 1 else ""
        return format_size(lot.usable_width, lot.usable_length, units) + each
    width = _from_to(lot.usable_width, lot.most_width, units)
    return f"{width} wide, {_from_to(lot.usable_length, lot.most_length, units)} long"


def _from_to(least: Fraction, most: Fraction | None, units: Units) -> str:
    if most is None:
        return format_length(least, units)
    return f"{format_number(least, units)} to {format_length(most, units)}"
