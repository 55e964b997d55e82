"""A recipe: what is cut for one block of a kind, whatever its size.

A block is one small file in this folder that has a `RECIPE`; the catalogue finds it by listing the
folder.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from fractions import Fraction

from kersey.core.cutting.problem import Need, PrintRule
from kersey.core.errors import InvalidValue

Option = int | str | Fraction
Options = Mapping[str, Option]


class BadRecipe(InvalidValue):
    """A size or option that a block cannot have; `place` says which."""

    def __init__(self, place: str, why: str) -> None:
        self.place, self.why = place, why
        super().__init__(f"{place}: {why}")


@dataclass(frozen=True)
class CutList:
    """What is cut for one block: pieces, and which of them share or differ in print."""

    needs: tuple[Need, ...]
    rules: tuple[PrintRule, ...] = ()


@dataclass(frozen=True)
class Recipe:
    """A named block. Lengths in inches; `finished` is the side of its square.

    `cut` gives what is cut for a finished size, options and seam; it raises `BadRecipe`.
    """

    id: str
    title: str
    finished: Fraction
    cut: Callable[[Fraction, Options, Fraction], CutList]
    options: Mapping[str, Option] = field(default_factory=dict)
    about: str = ""


def whole(options: Options, name: str, least: int, most: int) -> int:
    """A whole number among the options; raises `BadRecipe`."""
    value = options[name]
    if isinstance(value, bool) or not isinstance(value, int) or not least <= value <= most:
        raise BadRecipe(f"block.options.{name}", f"a whole number from {least} to {most}.")
    return value
