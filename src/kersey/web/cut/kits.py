"""The kits: every block in its place with its pieces; dealt, pinned and exchanged there."""

from collections.abc import Sequence
from typing import Any

from fastapi import APIRouter, Request
from starlette.responses import Response

from kersey.core.blocks.piece_codes import piece_codes
from kersey.core.frame.setting import Seat
from kersey.core.kits.pieces import slots_of
from kersey.core.project.design import KitWish
from kersey.core.quilt.quilt import Placed, Quilt
from kersey.core.wall.numbers import number_of
from kersey.drawing.patches import draw_blocks_alone
from kersey.web.cut.stage import STAGE
from kersey.web.open_project import Opened
from kersey.web.project_page import go_to, project_context
from kersey.web.templating import render
from kersey.web.workroom import Room

router = APIRouter()


@router.get("/projects/{project_id}/cut/kits", name="kits_page")
def kits_page(request: Request, room: Room, opened: Opened) -> Response:
    """Every kit; one whole piece has none, and what is to be cut tells its order."""
    quilt = opened.quilt
    if quilt is None or quilt.kept.block.makes_one_piece:
        return go_to(request, "cut_page", opened)
    shown = {
        "kits": room.drawn(opened.reckoned, "kits", lambda: {"kits": _kits(quilt)})["kits"],
        "kit_wishes": list(KitWish),
        "fabric_names": [(name, cloth.name) for name, cloth in quilt.prints.items()],
        "drawn_true": quilt.assembly.drawn_true,
    }
    return render(request, "cut/kits.html", project_context(opened, STAGE) | shown)


def _kits(quilt: Quilt) -> list[dict[str, Any]]:
    """Every block in its place, with the pieces it takes."""
    problem, kits = quilt.kept.cutting.problem, quilt.kept.kits
    codes = piece_codes(problem.needs)
    marks = [codes[problem.needs[number]] for number in slots_of(problem)]
    prints = (quilt.patch_prints(kits[placed.kit]) for placed in quilt.placed)
    drawings = draw_blocks_alone(quilt.assembly.patches, quilt.block, prints)
    return [
        _kit(placed, quilt, marks, drawing)
        for placed, drawing in zip(quilt.placed, drawings, strict=True)
    ]


def _kit(placed: Placed, quilt: Quilt, marks: Sequence[str], drawing: str) -> dict[str, Any]:
    pieces: dict[str, list[str]] = {}
    for name, mark in zip(quilt.kept.kits[placed.kit], marks, strict=True):
        pieces.setdefault(quilt.prints[name].name, []).append(mark)
    return {
        "number": placed.kit + 1,
        "place": number_of(Seat(placed.row, placed.column)),
        "pinned": placed.kit in quilt.kept.pinned,
        "pieces": [(name, " ".join(of_it)) for name, of_it in pieces.items()],
        "drawing": drawing,
        "mates": _mates(placed.kit, quilt),
    }


def _mates(block: int, quilt: Quilt) -> list[int]:
    """The numbers of the blocks that are cut apart from the same pieces."""
    batch = quilt.kept.cutting.problem.batch
    first = block - block % batch
    there = range(first, min(first + batch, len(quilt.kept.kits)))
    return [number + 1 for number in there if number != block]
