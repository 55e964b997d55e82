"""How high a strip set is, measured before anything is cut to match it.

    height = sum of (c - 2s) + 2s       over its strips, each cut c

What is cut to match is as high as the set: an accent strip sewn to it, or the segments where they
are to be square. Once a set was measured they are cut to that. Source: docs/trade.md section 9.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.blocks.assembly import Make
from kersey.core.blocks.technique import CROSSCUT, CUT, STRIP_SET
from kersey.core.cutting.problem import Need
from kersey.core.measure.length import EIGHTH, Units, format_length
from kersey.core.measure.root2 import Root2
from kersey.core.measure.spoken import shown
from kersey.core.project.project import Project
from kersey.core.project.sewing import Measured
from kersey.core.quilt.quilt import Quilt


@dataclass(frozen=True)
class SetHeight:
    """A kind of strip set by its number from 1, of so many strips; its `reckoned` height, the one
    `measured` last, what is cut as high from cloth, and whether its segments are."""

    number: int
    strips: int
    reckoned: Fraction
    measured: Fraction | None
    matches: tuple[Need, ...]
    square_segments: bool
    square: "Square | None" = None

    @property
    def height(self) -> Fraction:
        """As measured, or else as reckoned."""
        return self.reckoned if self.measured is None else self.measured


@dataclass(frozen=True)
class Square:
    """A square that is cut from a tube of the set: what it measures raw, and is trimmed to."""

    raw: Root2
    trimmed: Fraction

    @property
    def is_enough(self) -> bool:
        """Whether it can still be trimmed to its size."""
        return self.raw.at_least(self.trimmed)


def set_heights(quilt: Quilt, project: Project) -> tuple[SetHeight, ...]:
    """Every kind of strip set of a quilt that is sewn of whole strips, with what was measured."""
    if not quilt.kept.cutting.problem.strip_sets or quilt.kept.block.makes_one_piece:
        return ()
    read = {each.number: each.read for each in project.sewing.of(Measured.SET)}
    sets = (make for make in quilt.assembly.makes if make.how == STRIP_SET)
    return tuple(_height(quilt, make, n, read.get(n)) for n, make in enumerate(sets, 1))


def to_match(quilt: Quilt, project: Project, need: Need) -> Fraction | None:
    """How high a piece is to be cut, where a set that it is to match was measured otherwise."""
    for each in set_heights(quilt, project):
        if need in each.matches and each.height != each.reckoned:
            return each.height
    return None


def match_words(one: SetHeight, units: Units) -> list[str]:
    """What is cut to match a set, in sentences."""
    found = []
    height, reckoned = (format_length(side, units) for side in (one.height, one.reckoned))
    instead = "" if one.height == one.reckoned else f", not {reckoned}"
    found += [
        f"To match, cut the {shown(need.label)} strips {height}{instead}." for need in one.matches
    ]
    if one.square_segments and instead:
        found.append(f"Cut segments {height} wide too, so the blocks are square.")
    if one.square is not None and one.measured is not None:
        trimmed = format_length(one.square.trimmed, units)
        if one.square.is_enough:
            found.append(f"You can still trim the squares to {trimmed}.")
        else:
            most = format_length(one.square.raw.floor_to(EIGHTH), units)
            found.append(f"The squares are too small for {trimmed}. Trim them all to {most}.")
    return found


def _height(quilt: Quilt, make: Make, number: int, measured: Fraction | None) -> SetHeight:
    seam, needs = quilt.kept.seam, quilt.assembly.needs
    strips = [part.make for part in make.of for _ in range(part.count)]
    reckoned = sum((strip.size[0] - 2 * seam for strip in strips), Fraction(0)) + 2 * seam
    beside = [each for each in _sewn_to(quilt, make) if each.how == CUT]
    matches = tuple(
        need
        for need in needs
        if any((need.label, need.role) == (b.name, b.role) for b in beside)
        and reckoned in (need.width, need.height)
    )
    segments = [
        each
        for each in quilt.assembly.makes
        if each.how == CROSSCUT and each.of[0].make == make and each.size[0] == each.size[1]
    ]
    square = next(
        (
            Square(each.how.square_of(measured or reckoned, seam), min(each.size))
            for each in quilt.assembly.makes
            if each.how.square_of
        ),
        None,
    )
    return SetHeight(number, len(strips), reckoned, measured, matches, bool(segments), square)


def _sewn_to(quilt: Quilt, make: Make) -> Iterator[Make]:
    """What the set is sewn to."""
    for each in quilt.assembly.makes:
        parts = [part.make for part in each.of]
        if make in parts:
            yield from (part for part in parts if part != make)
