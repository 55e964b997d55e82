"""The backing and the batting of a quilt in rows of the pieces that are pulled for them."""

from fractions import Fraction

from kersey.core.frame.backing import JOIN_COST
from kersey.core.project.project import fabric_key
from kersey.core.quilt.pieced_sheet import PiecedSheet, SheetPiece, piece_sheet
from kersey.core.quilt.quilt import Quilt
from kersey.core.stash.pulled import Pulled, Role


def backing_sheet(quilt: Quilt) -> PiecedSheet | None:
    """The backing in rows of what is pulled for it; None where that gives none."""
    size = quilt.backing.width, quilt.backing.length
    return piece_sheet(*size, _pieces(quilt, Role.BACKING), JOIN_COST)


def batting_sheet(quilt: Quilt) -> PiecedSheet | None:
    """The batting in rows of what is pulled for it, butted; None where that gives none."""
    size = quilt.batting.width, quilt.batting.length
    return piece_sheet(*size, _pieces(quilt, Role.BATTING), Fraction(0))


def sheet_piece(pulled: Pulled) -> SheetPiece:
    """Pieces that are pulled, as parts of a large sheet; they are known by the key of their fabric,
    or before they have one by their lot."""
    name = fabric_key(pulled) if pulled.key is not None else f"{pulled.lot_number}/{pulled.place}"
    directional = pulled.kept.lot.directional
    return SheetPiece(name, pulled.width, pulled.length, pulled.count, directional)


def _pieces(quilt: Quilt, part: Role) -> tuple[SheetPiece, ...]:
    return tuple(sheet_piece(pulled) for pulled in quilt.project.fabrics if pulled.serves(part))
