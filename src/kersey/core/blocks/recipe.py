"""A recipe: what is cut for one block of a kind, whatever its size, and where it ends up.

need    pieces of one cut size, as they leave the cutting table
patch   what shows of a piece in the finished block, as a polygon; corner at the top left

A block is one small file in this folder that has a `RECIPE`; the catalogue finds it by listing the
folder.
"""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field
from fractions import Fraction
from typing import Any

from kersey.core.cutting.problem import Need, PrintRule
from kersey.core.errors import InvalidValue
from kersey.core.measure.length import Units, format_length, parse_length

Option = int | str | float | Fraction
Options = Mapping[str, Option]
Size = tuple[Fraction, Fraction]


class BadRecipe(InvalidValue):
    """A size or option that a block cannot have.

    `place` says which, in the words of a request; `why` what it must be; `advice`, if it reads
    better, the same to a person who fills in a form.
    """

    def __init__(self, place: str, why: str, advice: str = "") -> None:
        self.place, self.why = place, why
        super().__init__(advice or f"It must be {why}")


@dataclass(frozen=True)
class Patch:
    """A polygon of the finished block, in inches, and the piece it is of."""

    label: str
    role: str
    corners: tuple[Size, ...]

    @property
    def area(self) -> Fraction:
        """Square inches, by the shoelace rule."""
        pairs = zip(self.corners, (*self.corners[1:], self.corners[0]), strict=True)
        return abs(sum((x * v - u * y for (x, y), (u, v) in pairs), Fraction(0))) / 2


@dataclass(frozen=True)
class CutList:
    """What is cut for one block, which pieces share or differ in print, and where they lie.

    `in_sets`: whole strips are cut, sewn side by side and crosscut; the only need is a segment.
    """

    needs: tuple[Need, ...]
    rules: tuple[PrintRule, ...] = ()
    patches: tuple[Patch, ...] = ()
    in_sets: bool = False


@dataclass(frozen=True)
class Recipe:
    """A named block. Lengths in inches; `finished` is (width, height).

    `cut` gives what is cut for a finished size, options and seam; it raises `BadRecipe`. A `square`
    block has one side only. The kind of an option is that of its usual value: a whole number, a
    length (`Fraction`), or words, whose choices are listed.
    """

    id: str
    title: str
    finished: Size
    cut: Callable[[Size, Options, Fraction], CutList]
    options: Mapping[str, Option] = field(default_factory=dict)
    choices: Mapping[str, tuple[str, ...]] = field(default_factory=dict)
    about: str = ""

    @property
    def square(self) -> bool:
        """Whether it can only be square."""
        return self.finished[0] == self.finished[1]


def read_option(usual: Option, name: str, said: Any, units: Units = Units.INCHES) -> Option:
    """An option as it was said or kept, of the kind of its usual value; raises `BadRecipe`.

    A length may be a number, or written as people write lengths; a number without a unit is in
    `units`.

    >>> read_option(Fraction(2), "window", "1 1/2"), read_option(3, "rounds", "4")
    (Fraction(3, 2), 4)
    """
    place = f"block.options.{name:.40}"
    if isinstance(usual, str):
        return str(said)
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


def triangle(label: str, role: str, *corners: tuple[Fraction, Fraction]) -> Patch:
    """A patch of three corners."""
    return Patch(label, role, corners)


def needs_of(patches: Sequence[Patch], seam: Fraction) -> tuple[Need, ...]:
    """The pieces of a block that is sewn of rectangles: each cut a seam larger all round.

    Patches of one label and role must be of one size.
    """
    counts: dict[tuple[str, str], list[Patch]] = {}
    for patch in patches:
        counts.setdefault((patch.label, patch.role), []).append(patch)
    needs = []
    for (label, role), alike in counts.items():
        width, height = _sides(alike[0])
        needs.append(Need(label, role, width + 2 * seam, height + 2 * seam, len(alike)))
    return tuple(needs)


def whole(options: Options, name: str, least: int, most: int) -> int:
    """A whole number among the options; raises `BadRecipe`."""
    value = options[name]
    if isinstance(value, bool) or not isinstance(value, int) or not least <= value <= most:
        raise BadRecipe(f"block.options.{name}", f"a whole number from {least} to {most}.")
    return value


def length_option(options: Options, name: str, least: Fraction, most: Fraction) -> Fraction:
    """A length among the options, more than `least`, at most `most`; raises `BadRecipe`."""
    value = options[name]
    if not isinstance(value, Fraction):
        raise BadRecipe(f"block.options.{name}", "a length, like 2.5.")
    if not least < value <= most:
        raise BadRecipe(
            f"block.options.{name}",
            f"a length of more than {format_length(least)} and at most {format_length(most)}.",
        )
    return value


def _sides(patch: Patch) -> Size:
    across = [x for x, _ in patch.corners]
    down = [y for _, y in patch.corners]
    return max(across) - min(across), max(down) - min(down)
