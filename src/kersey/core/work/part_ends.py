"""Cloth that was pulled for a part of the quilt: what is cut off it, and the end that is left.

sashing, border, binding, panels   so much off the length; the rest is as wide as before
backing in one piece, batting      a rectangle out of a corner; what lies below it, and beside

Used is what the pieces of the part cover; what is cut off beside them is lost. What the lengths do
not give, all of it where there are none, comes out of pieces such as fat quarters.
Source: docs/trade.md sections 6 and 7.
"""

from collections.abc import Iterator, Sequence
from dataclasses import replace
from fractions import Fraction

from kersey.core.blocks.assembly import Size
from kersey.core.frame.edge import EdgeStyle
from kersey.core.quilt.quilt import Quilt, Source
from kersey.core.quilt.sheets import backing_sheet, batting_sheet
from kersey.core.stash.cupboard import CUT_FROM_THE_LENGTH
from kersey.core.stash.pulled import Pulled, Role
from kersey.core.work.part_end import SHORTEST_END, PartEnd
from kersey.core.work.part_pieces import (
    WantedStrip,
    borders_cut,
    out_of_pieces,
    out_of_rows,
    strips_of,
)


def part_ends(quilt: Quilt) -> tuple[PartEnd, ...]:
    """What every fabric leaves that was pulled for one part of a quilt."""
    found = list[PartEnd]()
    for part, cloth, covered in _parts(quilt):
        off = list(_off_the_length(quilt, part, cloth, covered))
        found += [*off, *_off_pieces(quilt, part, covered, off)]
    return (*found, *_backing(quilt), *_batting(quilt))


def _parts(quilt: Quilt) -> Iterator[tuple[Role, Fraction, Fraction]]:
    """Each part, the inches it takes off the length, and the square inches of its pieces."""
    plain = quilt.plain_strips
    yield (
        Role.SETTING,
        sum((strips.cloth for _, strips in plain), Fraction(0)),
        sum((p.count * p.cut_width * p.cut_length for p, _ in plain), Fraction(0)),
    )
    if quilt.sashing_strips:
        pieces = quilt.sashing_pieces
        covered = sum((p.count * p.cut_width * p.cut_length for p in pieces), Fraction(0))
        yield Role.SASHING, quilt.sashing_strips.cloth, covered
    borders = borders_cut(quilt)
    yield (
        Role.BORDER,
        sum((border.cloth for border in borders), Fraction(0)),
        sum((2 * (b.sides + b.ends) * b.cut_width for b in borders), Fraction(0)),
    )
    if quilt.binding_cloth.source is not Source.LEFT:
        binding = quilt.binding
        yield Role.BINDING, binding.cloth, binding.length * binding.cut_width


def _of_the_part(quilt: Quilt, part: Role, by_length: bool = True) -> list[Pulled]:
    return [
        pulled for pulled in quilt.project.fabrics
        if pulled.roles == (part,) and pulled.aside is None and not pulled.cut
        and (pulled.kept.lot.form in CUT_FROM_THE_LENGTH) == by_length
    ]  # fmt: skip


def _off_pieces(
    quilt: Quilt, part: Role, covered: Fraction, off: Sequence[PartEnd]
) -> list[PartEnd]:
    """What comes out of pieces: all of the part, or the share that the lengths do not give."""
    got = sum((each.used for each in off), Fraction(0))
    if not covered or got >= covered:
        return []
    share = 1 - got / covered
    wanted = [
        WantedStrip(s.width, s.length * share, s.join, s.each) for s in strips_of(quilt, part)
    ]
    opened = out_of_pieces(part, _of_the_part(quilt, part, by_length=False), wanted)
    if part is Role.BINDING and quilt.project.design.edge_style is EdgeStyle.BIAS:
        # Cut at 45 degrees, nothing straight is left of a piece.
        return [replace(each, ends=()) for each in opened]
    return opened


def _off_the_length(
    quilt: Quilt, part: Role, cloth: Fraction, covered: Fraction
) -> Iterator[PartEnd]:
    """The shortest pieces first, as long as more is wanted."""
    for pulled in sorted(_of_the_part(quilt, part), key=lambda p: p.length):
        opened, used, ends = 0, Fraction(0), list[Size]()
        while opened < pulled.count and cloth > 0:
            off = min(pulled.length, cloth)
            of_it = min(covered, off * pulled.width)
            cloth, covered = cloth - off, covered - of_it
            opened, used = opened + 1, used + of_it
            if pulled.length - off >= SHORTEST_END:
                ends.append((pulled.width, pulled.length - off))
        if opened:
            yield PartEnd(pulled, part, opened, used, tuple(ends))


def _backing(quilt: Quilt) -> Iterator[PartEnd]:
    """One piece that is wide enough, rows of pieces, or panels off the length: as it is said on the
    sheet and drawn under Layers."""
    size = quilt.backing.width, quilt.backing.length
    area, pulled = size[0] * size[1], _of_the_part(quilt, Role.BACKING)
    in_one = _out_of_one(pulled, size)
    if in_one is not None:
        yield PartEnd(in_one[0], Role.BACKING, 1, area, in_one[1])
        return
    sheet = backing_sheet(quilt)
    if sheet is not None:
        yield from out_of_rows(Role.BACKING, sheet, _all_of(quilt, Role.BACKING))
        return
    plan, usable = quilt.backing_plan, quilt.project.design.usable_width
    had = sum(p.count * int(p.length // plan.panel_length) for p in pulled if p.width >= usable)
    if plan.panels and had >= plan.panels:
        yield from _off_the_length(quilt, Role.BACKING, plan.cloth, area)


def _batting(quilt: Quilt) -> Iterator[PartEnd]:
    """The smallest piece that is large enough, or pieces that are joined."""
    size = quilt.batting.width, quilt.batting.length
    found = _out_of_one(_of_the_part(quilt, Role.BATTING), size)
    if found is not None:
        yield PartEnd(found[0], Role.BATTING, 1, size[0] * size[1], found[1])
        return
    sheet = batting_sheet(quilt)
    if sheet is not None:
        yield from out_of_rows(Role.BATTING, sheet, _all_of(quilt, Role.BATTING))


def _all_of(quilt: Quilt, part: Role) -> list[Pulled]:
    return [*_of_the_part(quilt, part), *_of_the_part(quilt, part, by_length=False)]


def _out_of_one(pulled: Sequence[Pulled], size: Size) -> tuple[Pulled, tuple[Size, ...]] | None:
    """The smallest piece that a rectangle comes out of, lying so that the longest end is left below
    it; and both ends: below it, as wide as the cloth, and beside it."""
    fitting = [
        (each, lying) for each in pulled for lying in (size, size[::-1])
        if lying[0] <= each.width and lying[1] <= each.length
    ]  # fmt: skip
    if not fitting:
        return None
    piece, (wide, long) = min(
        fitting, key=lambda each: (each[0].width * each[0].length, each[1][1])
    )
    both = (piece.width, piece.length - long), (piece.width - wide, long)
    return piece, tuple(end for end in both if min(end) >= SHORTEST_END)
