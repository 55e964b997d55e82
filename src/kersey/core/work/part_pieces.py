"""Pieces that are pulled for a part and not cut from the length: fat quarters for a border, rows of
pieces for a backing. Which of them are opened, and what each leaves.

joined    border and binding: strips along the longer side, one after the other, less a join each
whole     sashing, plain squares: as many whole pieces in a strip as fit
rows      a pieced backing or batting: every piece trimmed to its row, the last of a row to its end

The largest pieces are opened first, and only as many as the part takes: so it is proposed, nobody
has said which were cut. Source: docs/trade.md sections 6 and 7.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.blocks.assembly import Size
from kersey.core.frame.borders import Border
from kersey.core.project.project import fabric_key
from kersey.core.quilt.pieced_sheet import PiecedSheet
from kersey.core.quilt.quilt import Quilt, Source
from kersey.core.stash.pulled import Pulled, Role
from kersey.core.work.part_end import SHORTEST_END, PartEnd


@dataclass(frozen=True)
class WantedStrip:
    """So much of a `width` that is wanted: a `length` joined of strips, each join taking `join`; or
    so many pieces, each of `each` inches in one strip."""

    width: Fraction
    length: Fraction
    join: Fraction = Fraction(0)
    each: Fraction | None = None


def borders_cut(quilt: Quilt) -> list[Border]:
    """The borders that are cut of cloth for them: not those of keys, nor one of what is left."""
    from_left = bool(quilt.border) and quilt.border_cloth.source is Source.LEFT
    return [border for n, border in enumerate(quilt.borders)
            if border.key is None and not (n == 0 and from_left)]  # fmt: skip


def strips_of(quilt: Quilt, part: Role) -> list[WantedStrip]:
    """The strips that a part is cut in, the widest first."""
    seam = quilt.plan.seam
    found: list[WantedStrip] = []
    if part is Role.BORDER:
        found = [WantedStrip(b.cut_width, 2 * (b.sides + b.ends), 2 * seam)
                 for b in borders_cut(quilt)]  # fmt: skip
    elif part is Role.BINDING and quilt.project.design.edge.has_strips:
        cut = quilt.binding.cut_width
        found = [WantedStrip(cut, quilt.binding.length, cut)]
    elif part in (Role.SASHING, Role.SETTING):
        pieces = quilt.sashing_pieces if part is Role.SASHING else [
            piece for piece, _ in quilt.plain_strips]  # fmt: skip
        found = [WantedStrip(p.cut_width, p.count * p.cut_length, 2 * seam, p.cut_length)
                 for p in pieces]  # fmt: skip
    return sorted(found, key=lambda strip: (-strip.width, -(strip.each or 0)))


def out_of_pieces(
    part: Role, pulled: Sequence[Pulled], wanted: Sequence[WantedStrip]
) -> list[PartEnd]:
    """The pieces that are opened for these strips, the largest first, and what is left of each."""
    waiting = [strip for strip in wanted if strip.length > 0]
    found = []
    for each in sorted(pulled, key=lambda p: (-p.width * p.length, fabric_key(p))):
        opened, used, ends = 0, Fraction(0), list[Size]()
        while opened < each.count and waiting:
            size = min(each.width, each.length), max(each.width, each.length)
            covered, rest, still = _one(size, waiting)
            if not covered:
                break
            waiting, opened, used = still, opened + 1, used + covered
            if min(rest) >= SHORTEST_END:
                ends.append(rest)
        if opened:
            found.append(PartEnd(each, part, opened, used, tuple(ends)))
    return found


def _one(size: Size, waiting: Sequence[WantedStrip]) -> tuple[Fraction, Size, list[WantedStrip]]:
    """What one piece gives: square inches of the part, what is left of it, what is still wanted."""
    (high, long), covered, still = size, Fraction(0), list[WantedStrip]()
    for strip in waiting:
        length = strip.length
        whole = strip.each if strip.each is not None and strip.each <= long else None
        in_one = long // whole * whole if whole else long - strip.join
        while high >= strip.width and length > 0 and in_one > 0:
            taken = min(in_one, length)
            high, length, covered = (
                high - strip.width,
                length - taken,
                covered + taken * strip.width,
            )
        if length > 0:
            still.append(WantedStrip(strip.width, length, strip.join, strip.each))
    return covered, (high, long), still


def out_of_rows(part: Role, sheet: PiecedSheet, pulled: Sequence[Pulled]) -> list[PartEnd]:
    """The pieces of a sheet in rows, and what is trimmed off them."""
    cut: dict[str, list[tuple[Fraction, tuple[Size, ...]]]] = {}
    for name, covered, ends in _trimmed(sheet):
        cut.setdefault(name, []).append((covered, ends))
    return [
        PartEnd(each, part, len(pieces), sum((area for area, _ in pieces), Fraction(0)),
                tuple(end for _, ends in pieces for end in ends))
        for each in pulled for pieces in [cut.get(fabric_key(each), [])] if pieces
    ]  # fmt: skip


def _trimmed(sheet: PiecedSheet) -> Iterator[tuple[str, Fraction, tuple[Size, ...]]]:
    """Each piece of a sheet: the square inches that stay in it, and what is cut off."""
    along, up = (sheet.length, sheet.width) if sheet.upright else (sheet.width, sheet.length)
    left_up = up
    for row in sheet.rows:
        # A row takes its seam, and the last is trimmed to the sheet.
        height = min(row.height, left_up)
        left_up -= row.height - sheet.join
        left_along = along
        for name, wide, high in row.pieces:
            width = min(wide, left_along)
            left_along -= wide - sheet.join
            ends = ((wide, high - height), (wide - width, height))
            yield name, width * height, tuple(end for end in ends if min(end) >= SHORTEST_END)
