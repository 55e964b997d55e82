"""What a person says went wrong, read from a form and done to what lies on the table."""

import re
from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction
from typing import Literal

from pydantic import Field

from kersey.core.measure.length import Units, format_size, parse_length
from kersey.core.mending.mishap import (
    BadMishap,
    Happened,
    OnTable,
    Rectangle,
    Thing,
    blocks_lost,
    set_lost,
    spoiled,
    things,
    under_the_ruler,
)
from kersey.core.work.at_table import TableCut
from kersey.web.forms import Length, PageForm

# The thing is what the cut at the table is made in, all its layers.
THE_STACK = "stack"
_BETWEEN = re.compile(r"\s*[x×*]\s*|\s+by\s+")
_AND = re.compile(r"\s*(?:;|\+|&|\band\b)\s*")
_NOTHING = re.compile(r"\s*(nothing|none|no|0|-)?\s*", re.IGNORECASE)
_NUMBERS = re.compile(r"\s*[,; ]\s*")
_PARTS_MOST = 6
Side = Literal["length", "width"]


class MishapForm(PageForm):
    """What happened: to so many of a thing, and what is left of each; or to which blocks.

    `at` is where it was cut, along its longer side or across; `left` says the same by sizes.
    """

    happened: Happened = Happened.SHORT
    thing: str = Field("", max_length=40)
    count: int = Field(1, ge=1, le=200_000)
    side: Side = "length"
    at: Length | None = None
    left: str = Field("", max_length=200)
    blocks: str = Field("", max_length=400)
    cut: str = Field("", max_length=60)

    @property
    def said(self) -> bool:
        """Whether enough is said to plan anew."""
        if self.happened in (Happened.BLOCKS, Happened.SET):
            return bool(self.blocks)
        return bool(self.thing)


@dataclass(frozen=True)
class Chosen:
    """What may be spoiled: things by their keys, and what the cut now at the table is made in."""

    things: tuple[Thing, ...]
    stack: tuple[tuple[str, int], ...]

    def of(self, key: str) -> Thing | None:
        """The thing of a key; of the stack its first layer."""
        if key == THE_STACK and self.stack:
            key = self.stack[0][0]
        return next((thing for thing in self.things if thing.key == key), None)


def chosen(
    lies: OnTable, cuts: tuple[TableCut, ...], made: list[bool], now: TableCut | None
) -> Chosen:
    """Everything that may be spoiled."""
    stack = () if now is None else tuple(under_the_ruler(lies, cuts, made, now))
    return Chosen(things(lies), stack)


def happened(lies: OnTable, form: MishapForm, there: Chosen, units: Units) -> OnTable:
    """What lies there after it; raises `BadMishap` with the field that is wrong."""
    if form.happened is Happened.BLOCKS:
        return blocks_lost(lies, (number - 1 for number in _numbers(form.blocks)))
    if form.happened is Happened.SET:
        for number in sorted(set(_numbers(form.blocks)), reverse=True):
            lies = set_lost(lies, number - 1)
        return lies
    layers = there.stack if form.thing == THE_STACK else ((form.thing, form.count),)
    for key, count in layers:
        thing = there.of(key)
        if thing is None:
            raise BadMishap("Choose a piece.", "thing")
        lies = spoiled(lies, key, count, tuple(_left(form, thing, units)))
    return lies


def in_words(form: MishapForm, there: Chosen, units: Units) -> str:
    """What happened, for the log."""
    if form.happened in (Happened.BLOCKS, Happened.SET):
        return f"{form.happened.value}: {form.blocks}".capitalize()
    thing = there.of(form.thing)
    assert thing is not None
    size = format_size(thing.width, thing.length, units)
    return f"{form.happened.value}: {thing.name}, {size}".capitalize()


def _left(form: MishapForm, thing: Thing, units: Units) -> Iterator[Rectangle]:
    """The rectangles that are left of each."""
    if form.happened is Happened.USED_UP:
        return
    if form.left and not _NOTHING.fullmatch(form.left):
        yield from _sizes(form.left, thing, units)
        return
    if form.at is None or form.left:
        if form.happened in (Happened.LINE, Happened.NARROW):
            raise BadMishap("Type where you cut it, or how wide it is, like 2 1/4.", "at")
        return
    before, after = cut_at(thing, form.at, form.side)
    yield before
    if form.happened is Happened.LINE:
        yield after


def cut_at(thing: Thing, at: Fraction, side: Side) -> tuple[Rectangle, Rectangle]:
    """Both parts of a thing that is cut so far from its edge. Raises `BadMishap`."""
    whole = max(thing.width, thing.length) if side == "length" else min(thing.width, thing.length)
    if not 0 < at < whole:
        raise BadMishap("Type a distance more than 0 and less than the piece.", "at")
    upright = (thing.length >= thing.width) == (side == "length")
    if upright:
        return (thing.width, at), (thing.width, thing.length - at)
    return (at, thing.length), (thing.width - at, thing.length)


def _sizes(text: str, thing: Thing, units: Units) -> Iterator[Rectangle]:
    """Sizes as they were typed, each lying as the thing does."""
    parts = [part for part in _AND.split(text.strip()) if part]
    if len(parts) > _PARTS_MOST:
        raise BadMishap(f"List up to {_PARTS_MOST} pieces.", "left")
    for part in parts:
        sides = [side for side in _BETWEEN.split(part) if side.strip()]
        if len(sides) != 2:
            raise BadMishap("Type sizes like 2 1/4 x 17, or nothing.", "left")
        one, other = sorted(_length(side, units) for side in sides)
        yield (one, other) if thing.width <= thing.length else (other, one)


def _length(text: str, units: Units) -> Fraction:
    try:
        return parse_length(text, units)
    except ValueError as error:
        raise BadMishap(str(error), "left") from None


def _numbers(text: str) -> list[int]:
    """Numbers as they were typed: 3, 7, 9-11."""
    found: list[int] = []
    for part in filter(None, _NUMBERS.split(text.strip())):
        first, dash, last = part.partition("-")
        if not first.isdecimal() or (dash and not last.isdecimal()) or len(part) > 9:
            raise BadMishap("Type numbers like 3, 7 or 9-11.", "blocks")
        found += range(int(first), int(last or first) + 1)[:5000]
    return found
