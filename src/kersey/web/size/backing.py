"""The backing and the batting, every way they can be had, drawn to scale beside each other."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from fractions import Fraction
from typing import Annotated, Any

from fastapi import APIRouter, Request
from pydantic import Field
from starlette.responses import Response

from kersey.core.cloth.fabric import BadFabric, Print
from kersey.core.cloth.forms import Form
from kersey.core.frame.backing import JOIN_COST, BackingWay
from kersey.core.measure.counting import counted
from kersey.core.measure.length import format_bought, format_length
from kersey.core.project.project import Project
from kersey.core.quilt.layers import sheet_piece
from kersey.core.quilt.pieced_sheet import PiecedSheet, Thrift, piece_sheet
from kersey.core.quilt.quilt import Quilt
from kersey.core.stash.pulled import Pulled, Role
from kersey.drawing.backing import draw_let_in, draw_panels, draw_pieced
from kersey.web.free_cloth import free_cloth
from kersey.web.open_project import Opened, OpenProject, RevisedForm, change, sent
from kersey.web.project_page import go_to, project_context
from kersey.web.size.stage import STAGE
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom

router = APIRouter()

_HIGH = 260.0
_OF_CLOTH = frozenset({Form.YARDAGE, Form.BACKING, Form.FAT_QUARTER, Form.FAT_EIGHTH, Form.PIECE})
_OF_BATTING = frozenset({Form.BATTING})


class WayForm(RevisedForm):
    """A way to cut the backing off the bolt."""

    way: BackingWay


class PiecesForm(RevisedForm):
    """Rows of pieces of the cupboard, for the backing or the batting."""

    part: Role = Role.BACKING
    thrift: Thrift = Field(Thrift.SEAMS)


@dataclass(frozen=True)
class Way:
    """One way: what it is called, what it takes, and whether it is the one in use."""

    title: str
    takes: str
    drawing: str
    field: str = ""
    value: str = ""
    in_use: bool = False


@router.get("/projects/{project_id}/size/backing", name="backing_page")
def backing_page(request: Request, room: Room, opened: Opened) -> Response:
    return render(request, "size/backing.html", _context(room, opened))


@router.post("/projects/{project_id}/size/backing", name="choose_backing")
def choose_backing(
    request: Request, room: Room, opened: Opened, form: Annotated[WayForm, sent(WayForm)]
) -> Response:
    """Settle on a way to cut it off the bolt; pieces that were pulled for it go back."""
    change(room, opened.stored.id, form.revision, lambda p: _cut_so(p, form.way))
    return go_to(request, "backing_page", opened)


@router.post("/projects/{project_id}/size/backing/pieces", name="piece_backing")
def piece_backing(
    request: Request, room: Room, opened: Opened, form: Annotated[PiecesForm, sent(PiecesForm)]
) -> Response:
    """Pull the pieces that a sheet is made of."""
    if form.part not in (Role.BACKING, Role.BATTING) or opened.quilt is None:
        raise BadFabric("Only a backing or batting can be pieced this way.")
    there = _pieces(room, opened.project, form.part)
    sheet = _sheet(opened.quilt, form.part, there, form.thrift)
    if sheet is None:
        raise BadFabric("The free pieces are no longer enough for this.")
    taken = _taken(sheet, there)
    change(room, opened.stored.id, form.revision, lambda p: _instead(p, form.part, taken))
    return go_to(request, "backing_page", opened)


def _cut_so(project: Project, way: BackingWay) -> Project:
    return replace(project, design=replace(project.design, backing_way=way))


def _instead(project: Project, part: Role, taken: list[Pulled]) -> Project:
    places = {n for n, p in enumerate(project.fabrics) if p.roles == (part,) and not p.cut}
    return project.returning(places).pulling(taken)


def _context(room: Workroom, opened: OpenProject) -> dict[str, Any]:
    context = project_context(opened, STAGE) | {"backings": [], "battings": []}
    quilt = opened.quilt
    if quilt is None:
        return context
    sides = (quilt.backing.length, quilt.batting.length)
    scale = _HIGH / float(max(sides))
    return context | {
        "backings": [*_off_the_bolt(quilt, scale), *_pieced(room, opened, Role.BACKING, scale)],
        "battings": list(_pieced(room, opened, Role.BATTING, scale)),
        "let_in": quilt.let_in,
    }


def _off_the_bolt(quilt: Quilt, scale: float) -> Iterator[Way]:
    size, top = (quilt.backing.width, quilt.backing.length), quilt.scheme.top
    usable, units = quilt.project.design.usable_width, quilt.units
    pulled = any(p.serves(Role.BACKING) for p in quilt.project.fabrics)
    for plan in quilt.backing.plans:
        takes = f"buy {format_bought(plan.cloth, units)}"
        if plan.panels > 1:
            takes += (
                f", {counted(plan.panels, 'panel')} of {format_length(plan.panel_length, units)}"
            )
        if plan.way is BackingWay.ACROSS and quilt.backing_stands:
            takes += "; this directional print would run sideways"
        drawn = draw_panels(size, top, plan, usable, units, scale)
        used = quilt.backing_plan is plan and not pulled
        yield Way(plan.way.words.capitalize(), takes, drawn, "way", plan.way, used)
    if quilt.let_in:
        plan = quilt.let_in.plan
        takes = f"buy {format_bought(plan.cloth, units)}, and {quilt.let_in.blocks} spare blocks"
        drawn = draw_let_in(size, top, quilt.let_in, quilt.block[0], units, scale)
        used = quilt.backing_plan.way is BackingWay.LET_IN and not pulled
        yield Way("With a row of spare blocks", takes, drawn, "way", BackingWay.LET_IN, used)


def _pieced(room: Workroom, opened: OpenProject, part: Role, scale: float) -> Iterator[Way]:
    """What is pulled or free in the cupboard, with the fewest seams, and of the least cloth."""
    quilt = opened.quilt
    assert quilt is not None
    there = _pieces(room, opened.project, part)
    prints = {sheet_piece(p).name: p.print for p in there}
    told: list[PiecedSheet] = []
    for thrift in Thrift:
        sheet = _sheet(quilt, part, there, thrift)
        if sheet is not None and sheet not in told:
            told.append(sheet)
            yield _way_of(sheet, quilt, part, thrift, prints, scale)


def _way_of(
    sheet: PiecedSheet,
    quilt: Quilt,
    part: Role,
    thrift: Thrift,
    prints: dict[str, Print],
    scale: float,
) -> Way:
    names = dict.fromkeys(prints[name].name for row in sheet.rows for name, _, _ in row.pieces)
    pieces = sum(len(row.pieces) for row in sheet.rows)
    seams = counted(sheet.seams, "seam") if sheet.seams else "no seam"
    takes = f"{counted(pieces, 'piece')}, {seams}: {', '.join(names)}"
    drawn = draw_pieced(sheet, quilt.scheme.top, prints, quilt.units, scale)
    used = {key for row in sheet.rows for key, _, _ in row.pieces}
    pulled = {sheet_piece(p).name for p in quilt.project.fabrics if p.serves(part)}
    title = f"From your stash, {thrift.words}"
    return Way(title, takes, drawn, "thrift", thrift, in_use=bool(pulled) and used <= pulled)


def _sheet(quilt: Quilt, part: Role, there: list[Pulled], thrift: Thrift) -> PiecedSheet | None:
    pieces = tuple(map(sheet_piece, there))
    if part is Role.BATTING:
        return piece_sheet(quilt.batting.width, quilt.batting.length, pieces, Fraction(0), thrift)
    return piece_sheet(quilt.backing.width, quilt.backing.length, pieces, JOIN_COST, thrift)


def _pieces(room: Workroom, project: Project, part: Role) -> list[Pulled]:
    """What is pulled for the part already, and what is free."""
    forms = _OF_BATTING if part is Role.BATTING else _OF_CLOTH
    pulled = [p for p in project.fabrics if p.serves(part)]
    return [*pulled, *free_cloth(room, forms, part)]


def _taken(sheet: PiecedSheet, there: list[Pulled]) -> list[Pulled]:
    """The pieces that a sheet is made of, as they are pulled."""
    used: dict[str, int] = {}
    for row in sheet.rows:
        for name, _, _ in row.pieces:
            used[name] = used.get(name, 0) + 1
    return [
        replace(p, count=used[name], key=None)
        for p in there
        for name in [sheet_piece(p).name]
        if name in used
    ]
