"""What is put away when a quilt has been cut: rectangles and spare pieces become lots again.

Of every piece that was opened, the cloth is either in the quilt, kept as a lot, or lost: the end of
a strip set, trims, and what is too small to be of use.
"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.cloth.fabric import LONGEST_NAME, Lot, Stack
from kersey.core.cloth.forms import Form
from kersey.core.errors import Infeasible
from kersey.core.project.project import AlreadyPutAway, Project, fabric_key
from kersey.core.project.table import parent_key
from kersey.core.quilt.left_over import LeftPiece
from kersey.core.quilt.pieces import pieces_made, pieces_of
from kersey.core.quilt.quilt import Quilt
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.pulled import Pulled


class PlanCutsMore(Infeasible):
    """The plan cuts fabric that is not pulled any more."""

    def __init__(self, name: str) -> None:
        super().__init__(
            f"The plan cuts more of “{name}” than is pulled now. Take the new plan on Size first."
        )


@dataclass(frozen=True)
class Fate:
    """Where the cut pieces of one fabric went, in square inches."""

    pulled: Pulled
    used: Fraction
    kept: Fraction
    lost: Fraction


@dataclass(frozen=True)
class PutAway:
    """The project put away, the lots that its leftovers make, and where all went."""

    project: Project
    lots: tuple[CupboardLot, ...]
    fates: tuple[Fate, ...]


def put_away(quilt: Quilt) -> PutAway:
    """Put away what a quilt leaves; whole pieces go back as they are. Raises `AlreadyPutAway`."""
    if quilt.project.put_away:
        raise AlreadyPutAway
    opened = _opened(quilt)
    _check_there(quilt, opened)
    keys, table = _keys(quilt), quilt.project.table
    fabrics = tuple(
        replace(p, cut=min(p.count, opened.get(keys.get(key, ""), 0) + table.pieces_opened(key)))
        for p in quilt.project.fabrics
        for key in (fabric_key(p),)
    )
    project = replace(quilt.project, fabrics=fabrics, put_away=True)
    kept = [piece for piece in quilt.left if not piece.whole]
    lots = tuple(_lots(quilt, kept))
    return PutAway(project, lots, tuple(_fates(quilt, project, kept)))


def _check_there(quilt: Quilt, opened: dict[str, int]) -> None:
    pulled, table = {fabric_key(p): p.count for p in quilt.project.fabrics}, quilt.project.table
    for key, name in _keys(quilt).items():
        # What lies on the table already was taken of what is pulled.
        wanted = 1 if key != parent_key(key) else opened[name] + table.pieces_opened(key)
        if pulled.get(parent_key(key), 0) < wanted:
            raise PlanCutsMore(name)


def _keys(quilt: Quilt) -> dict[str, str]:
    """The name in the plan of each fabric by its key."""
    names = (fabric.name for fabric in quilt.plan.plan.problem.fabrics)
    return dict(zip(quilt.plan.keys, names, strict=True))


def _opened(quilt: Quilt) -> dict[str, int]:
    """Pieces of each fabric that are not whole any more once border and binding are cut too."""
    whole = {piece.fabric: 0 for piece in quilt.left}
    for piece in quilt.left:
        whole[piece.fabric] += piece.count if piece.whole else 0
    return {f.name: f.count - whole.get(f.name, 0) for f in quilt.plan.plan.problem.fabrics}


def _lots(quilt: Quilt, kept: list[LeftPiece]) -> Iterator[CupboardLot]:
    """Pieces of one size together, whatever their print; spare pieces apart from rectangles."""
    directional = {f.name: f.directional for f in quilt.plan.plan.problem.fabrics}
    alike: dict[tuple[object, ...], list[LeftPiece]] = {}
    for piece in kept:
        sort = piece.spare, piece.width, piece.length, directional[piece.fabric]
        alike.setdefault(sort, []).append(piece)
    for pieces in alike.values():
        first = pieces[0]
        word = "spare pieces" if first.spare else "ends" if first.strip else "left"
        name = f"{word} of {quilt.project.name}"[:LONGEST_NAME]
        stacks = tuple(Stack(quilt.prints[piece.fabric], piece.count) for piece in pieces)
        lot = Lot(first.width, first.length, stacks, form=Form.PIECE,
                  directional=directional[first.fabric])  # fmt: skip
        yield CupboardLot(name, lot)


def _fates(quilt: Quilt, project: Project, kept: list[LeftPiece]) -> Iterator[Fate]:
    used, of = _used(quilt), dict[str, set[str]]()
    for key, name in _keys(quilt).items():
        of.setdefault(parent_key(key), set()).add(name)
    for pulled in project.fabrics:
        names = of.get(fabric_key(pulled), set())
        if not pulled.cut or not (names or project.table.pieces_opened(fabric_key(pulled))):
            continue
        area = pulled.cut * pulled.kept.lot.piece_area(pulled.stack)
        stays = sum((piece.area for piece in kept if piece.fabric in names), Fraction(0))
        in_quilt = sum((used.get(name, Fraction(0)) for name in names), Fraction(0))
        yield Fate(pulled, in_quilt, stays, area - in_quilt - stays)


def _used(quilt: Quilt) -> dict[str, Fraction]:
    """Square inches of each fabric in the blocks, the border and the binding."""
    plan = quilt.plan.plan
    pieces = [need for need in plan.problem.needs for _ in range(need.count)]
    found: dict[str, Fraction] = {}
    if plan.problem.strip_sets:
        # A set is sewn, and crosscut to its end: blocks that stay over are sewn too.
        for name, made in pieces_made(plan).items():
            areas = (need.width * need.height * count for need, count in made.items())
            found[name] = sum(areas, Fraction(0))
    placed = () if plan.problem.strip_sets else (each.kit for each in quilt.placed)
    for kit in pieces_of(quilt.plan.kits, placed, plan.problem.batch):
        for name, need in zip(kit, pieces, strict=True):
            found[name] = found.get(name, Fraction(0)) + need.width * need.height
    frame = ((quilt.border_cloth, quilt.border.cut_width if quilt.border else Fraction(0)),
             (quilt.binding_cloth, quilt.binding.cut_width))  # fmt: skip
    for cloth, width in frame:
        for strip in cloth.strips:
            found[strip.fabric] = found.get(strip.fabric, Fraction(0)) + strip.length * width
    return found
