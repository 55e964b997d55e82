"""Backing and batting of a quilt, of the cloth that is pulled for them or of cloth that is bought.

    one piece    the smallest that is large enough, lying so that the longest end is left below it
    rows         pieces side by side and rows one above the other, each trimmed to its row
    panels       so much off the length for each; those that are not there are bought

Batting is butted, so a join costs nothing; what is too little of it is bought whole. Source:
docs/trade.md sections 6 and 7.
"""

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.blocks.assembly import Size
from kersey.core.frame.backing import JOIN_COST, WIDE_BACKING, Backing, BackingPlan, BackingWay
from kersey.core.frame.batting import Batting
from kersey.core.frame.part import PartKind
from kersey.core.project.project import fabric_key
from kersey.core.quilt.parts import Cloth, Layer, Part, Source
from kersey.core.quilt.pieced_sheet import PiecedSheet, SheetPiece, piece_sheet
from kersey.core.quilt.pulled_cloth import SHORTEST_END, Opened, Piece
from kersey.core.stash.pulled import Pulled, Role


@dataclass(frozen=True)
class Layers:
    """The backing and the batting, and what was opened for them."""

    backing: Part
    batting: Part
    opened: tuple[Opened, ...]


def layers_of(
    fabrics: Sequence[Pulled],
    pieces: Sequence[Piece],
    backing: Backing,
    plan: BackingPlan,
    batting: Batting,
    usable_width: Fraction,
) -> Layers:
    """Both layers; of the `pieces` pulled for parts some are opened for the frame already."""
    taken = Counter(fabric_key(piece.pulled) for piece in pieces if piece.part is not None)
    there = {
        role: [
            replace(pulled, count=pulled.count - taken[fabric_key(pulled)])
            for pulled in fabrics
            if pulled.serves(role)
            and not pulled.for_blocks
            and pulled.count > taken[fabric_key(pulled)]
        ]
        for role in (Role.BACKING, Role.BATTING)
    }
    back, opened = backing_part(backing, plan, there[Role.BACKING], usable_width)
    soft, also = batting_part(batting, there[Role.BATTING])
    return Layers(back, soft, (*opened, *also))


def backing_part(
    backing: Backing, plan: BackingPlan, pulled: Sequence[Pulled], usable_width: Fraction
) -> tuple[Part, tuple[Opened, ...]]:
    """The backing of what is pulled for it, and what is opened for it; lengths in inches."""
    size, kind = (backing.width, backing.length), PartKind.BACKING
    sheet = sheet_of(size, pulled, JOIN_COST)
    layer = Layer(size, plan, sheet)
    if sheet is not None:
        of_rows = tuple(_of_sheet(kind, sheet, size, pulled))
        return Part(kind, 0, _cloth(pulled), True, Fraction(0), layer=layer), of_rows
    wide = WIDE_BACKING if plan.way is BackingWay.WIDE else usable_width
    opened = tuple(_panels(plan, [p for p in pulled if p.width >= wide], size))
    had = sum((each.used for each in opened), Fraction(0)) / (size[0] * size[1])
    lacks = plan.cloth * (1 - had)
    return Part(kind, 0, _cloth(pulled), not lacks, lacks, layer=layer), opened


def batting_part(batting: Batting, pulled: Sequence[Pulled]) -> tuple[Part, tuple[Opened, ...]]:
    """The batting of what is pulled for it, and what is opened for it; lengths in inches."""
    size, kind = (batting.width, batting.length), PartKind.BATTING
    sheet = sheet_of(size, pulled, Fraction(0))
    opened = () if sheet is None else tuple(_of_sheet(kind, sheet, size, pulled))
    layer = Layer(size, sheet=sheet, packet=batting.packet)
    return Part(kind, 0, _cloth(pulled), sheet is not None, Fraction(0), layer=layer), opened


def sheet_of(size: Size, pulled: Sequence[Pulled], join: Fraction) -> PiecedSheet | None:
    """A sheet so large in rows of these pieces, of one where one is enough; else None."""
    return piece_sheet(*size, tuple(map(sheet_piece, pulled)), join) if pulled else None


def sheet_piece(pulled: Pulled) -> SheetPiece:
    """Pieces that are pulled, as parts of a large sheet; they are known by the key of their fabric,
    or before they have one by their lot."""
    name = fabric_key(pulled) if pulled.key is not None else f"{pulled.lot_number}/{pulled.place}"
    directional = pulled.kept.lot.directional
    return SheetPiece(name, pulled.width, pulled.length, pulled.count, directional)


def _cloth(pulled: Sequence[Pulled]) -> Cloth:
    prints = tuple(dict.fromkeys(p.print for p in pulled))
    return Cloth(Source.PULLED if pulled else Source.BOUGHT, prints)


def _of_sheet(
    kind: PartKind, sheet: PiecedSheet, size: Size, pulled: Sequence[Pulled]
) -> Iterator[Opened]:
    if not sheet.seams:
        (row,) = sheet.rows
        (name, _, _) = row.pieces[0]
        piece = next(p for p in pulled if sheet_piece(p).name == name)
        yield Opened(piece, kind, 1, size[0] * size[1], _ends_of_one(piece, size))
        return
    cut: dict[str, list[tuple[Fraction, tuple[Size, ...]]]] = {}
    for name, covered, ends in _trimmed(sheet):
        cut.setdefault(name, []).append((covered, ends))
    for each in pulled:
        of_it = cut.get(sheet_piece(each).name, [])
        if of_it:
            used = sum((area for area, _ in of_it), Fraction(0))
            ends = tuple(end for _, ends in of_it for end in ends)
            yield Opened(each, kind, len(of_it), used, ends)


def _ends_of_one(piece: Pulled, size: Size) -> tuple[Size, ...]:
    """What a rectangle leaves of a piece: below it, as wide as the cloth, and beside it."""
    lying = [way for way in (size, size[::-1]) if way[0] <= piece.width and way[1] <= piece.length]
    wide, long = min(lying, key=lambda way: way[1])
    both = (piece.width, piece.length - long), (piece.width - wide, long)
    return tuple(end for end in both if min(end) >= SHORTEST_END)


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


def _panels(plan: BackingPlan, pulled: Sequence[Pulled], size: Size) -> Iterator[Opened]:
    """Panels off the length, of the shortest pieces first, as long as more are wanted."""
    waiting, each = plan.panels, size[0] * size[1] / plan.panels
    for of_it in sorted(pulled, key=lambda p: p.length):
        count, used, ends = 0, 0, list[Size]()
        while count < of_it.count and waiting and of_it.length >= plan.panel_length:
            taken = min(waiting, int(of_it.length // plan.panel_length))
            rest = of_it.length - taken * plan.panel_length
            waiting, count, used = waiting - taken, count + 1, used + taken
            if rest >= SHORTEST_END:
                ends.append((of_it.width, rest))
        if count:
            yield Opened(of_it, PartKind.BACKING, count, used * each, tuple(ends))
