"""Fabric in whole units, and the ways a piece of it is cut: strips side by side, crosscut.

breadth  of a strip, and of a piece lying in it
"""

from collections.abc import Sequence
from dataclasses import dataclass

# What the worth of a strip depends on beside its breadth and run: the needs it may serve, its
# print, and how pieces may lie in it.
StripClass = tuple[tuple[int, ...], int, str]


@dataclass(frozen=True)
class Kind:
    """Like pieces of fabric, in units: which needs they may serve, and how they may be turned."""

    width: int
    length: int
    count: int
    serves: tuple[int, ...]
    print_class: int
    directional: bool
    is_strip: bool


@dataclass(frozen=True)
class Strip:
    """One strip: its breadth, and what is crosscut from it.

    A piece is (need, on its side): on its side its height lies across the strip, else its width.
    """

    breadth: int
    pieces: tuple[tuple[int, bool], ...]


@dataclass(frozen=True)
class Pattern:
    """How one piece of fabric is cut: strips along its length, or across it."""

    along: bool
    strips: tuple[Strip, ...]


def ways_along(kind: Kind) -> tuple[bool, ...]:
    """Strips along the length, or across; a strip is only split along its length."""
    return (True,) if kind.is_strip else (True, False)


def class_of(kind: Kind, along: bool) -> StripClass:
    """What the worth of a strip depends on beside its breadth and run."""
    mode = "both" if not kind.directional else ("along" if along else "across")
    return (kind.serves, kind.print_class, mode)


def classes_of(kinds: Sequence[Kind]) -> list[StripClass]:
    found = {class_of(kind, along): None for kind in kinds for along in ways_along(kind)}
    return list(found)
