"""A block of one's own, drawn on a grid: by pointer, by keys, or read from a file.

What is drawn is kept at once, beside the block that the quilt has, until it is taken.
"""

from collections.abc import Callable, Mapping
from dataclasses import replace
from fractions import Fraction
from functools import partial
from typing import Annotated, Any

from fastapi import APIRouter, Request
from pydantic import Field
from starlette.responses import Response

from kersey.core.blocks.assembly import Patch
from kersey.core.blocks.choice import OWN, BlockChoice
from kersey.core.blocks.own_block import FEWEST, LONGEST_NAME, MOST, Cell, Kind, OwnBlock
from kersey.core.cloth.fabric import Print, Value
from kersey.core.errors import KerseyError
from kersey.core.measure.spoken import Spoken
from kersey.core.project.bought import BoughtFor
from kersey.core.project.project import Project
from kersey.core.project.question import CUT_FROM
from kersey.core.stash.pulled import Role
from kersey.drawing.own_block import draw_own_block
from kersey.formats.own_block import read_block, write_block
from kersey.web.download import saved_as
from kersey.web.forms import BadForm, Length, Typed, TypedForm, refused_at
from kersey.web.open_project import Opened, OpenProject, RevisedForm, change, sent
from kersey.web.project_page import answer_change, answer_refused, go_to, project_context
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom
from kersey.web.yield_page.stage import STAGE

router = APIRouter()

# The sides that a piece of a drawn block may be of.
_ROLES = (Role.LIGHT, Role.DARK, Role.BACKGROUND, Role.FEATURE, Role.ACCENT)
# Every cell is drawn in a block of this side.
_SIDE = Fraction(12)
_QUARTER = Fraction(1, 4)


class Act(Spoken):
    """What is done to a cell that is touched."""

    PLAIN = Kind.PLAIN.value
    HALF = Kind.HALF.value, "half-square triangle"
    HOURGLASS = Kind.HOURGLASS.value
    CORNER = Kind.CORNER.value
    CORNERS = Kind.CORNERS.value
    ALL_CORNERS = Kind.ALL_CORNERS.value
    JOIN_RIGHT = "join to the right", "merge right"
    JOIN_DOWN = "join down", "merge down"
    PART = "part", "split"


KEYS = {
    Act.PLAIN: "p",
    Act.HALF: "h",
    Act.HOURGLASS: "q",
    Act.CORNER: "1",
    Act.CORNERS: "2",
    Act.ALL_CORNERS: "4",
    Act.JOIN_RIGHT: "r",
    Act.JOIN_DOWN: "d",
    Act.PART: "x",
}


class CellForm(RevisedForm):
    """A cell that is touched, by its square as "row column", and what is done to it."""

    square: Annotated[str, Field(pattern=r"^\d \d$")]
    act: Act = Act.PLAIN
    first: Role = Role.LIGHT
    second: Role = Role.DARK


class GridForm(RevisedForm):
    """The name of the block and its grid."""

    name: Annotated[str, Field(min_length=1, max_length=LONGEST_NAME)]
    grid: Annotated[int, Field(ge=FEWEST, le=MOST)]


class FileForm(RevisedForm):
    """A block's file, as text."""

    content: str = ""


class TakeOwnForm(RevisedForm):
    """The drawn block is taken, so large."""

    side: Length


def _again(request: Request, _room: Workroom, opened: OpenProject, bad: BadForm) -> Response:
    context = _context(opened, bad, bad.typed)
    return answer_refused(
        request, "yield_page/own.html", "yield_page/own_answer.html", context, bad
    )


@router.get("/projects/{project_id}/yield/own", name="own_block")
def own_block(request: Request, opened: Opened) -> Response:
    return render(request, "yield_page/own.html", _context(opened))


@router.get("/projects/{project_id}/yield/own/block.json", name="own_block_file")
def own_block_file(opened: Opened) -> Response:
    """The block as a file."""
    draft = draft_of(opened.project)
    headers = saved_as(draft.name, "json", "block")
    return Response(write_block(draft), media_type="application/json", headers=headers)


@router.post("/projects/{project_id}/yield/own/cell", name="touch_cell")
def touch_cell(
    request: Request,
    room: Room,
    opened: Opened,
    form: Annotated[CellForm, sent(CellForm, _again)],
    typed: TypedForm,
) -> Response:
    """Do to a cell what is chosen; a cell that is so already is turned by a quarter."""
    row, column = map(int, form.square.split())
    touched = partial(_touched, row=row, column=column, form=form)
    return _drawn(request, room, opened, form, typed, touched)


@router.post("/projects/{project_id}/yield/own/grid", name="own_grid")
def own_grid(
    request: Request,
    room: Room,
    opened: Opened,
    form: Annotated[GridForm, sent(GridForm, _again)],
    typed: TypedForm,
) -> Response:
    """Name the block, and change its grid."""

    def changed(block: OwnBlock) -> OwnBlock:
        block = replace(block, name=form.name.strip() or block.name)
        return block if form.grid == block.grid else block.with_grid(form.grid)

    return _drawn(request, room, opened, form, typed, changed)


@router.post("/projects/{project_id}/yield/own/file", name="read_own_block")
def read_own_block(
    request: Request,
    room: Room,
    opened: Opened,
    form: Annotated[FileForm, sent(FileForm, _again)],
    typed: TypedForm,
) -> Response:
    """Go on with a block from a file."""
    return _drawn(request, room, opened, form, typed, lambda _: read_block(form.content.encode()))


@router.post("/projects/{project_id}/yield/own/take", name="take_own_block")
def take_own_block(
    request: Request,
    room: Room,
    opened: Opened,
    form: Annotated[TakeOwnForm, sent(TakeOwnForm, _again)],
) -> Response:
    """Make the quilt of the block that is drawn."""
    with refused_at("side"):
        change(room, opened.stored.id, form.revision, lambda p: _taken(p, form.side))
    return go_to(request, "yield_page", opened)


def draft_of(project: Project) -> OwnBlock:
    """What is being drawn: kept before, or the block of the quilt, or a plain one."""
    return project.design.own_draft or project.design.block.own or OwnBlock()


def _taken(project: Project, side: Fraction) -> Project:
    block = BlockChoice(OWN, (side, side), own=draft_of(project))
    block.assembly(project.design.seam)
    return replace(project, design=replace(project.design, block=block, block_chosen=True))


def _drawn(
    request: Request,
    room: Workroom,
    opened: OpenProject,
    form: RevisedForm,
    typed: Typed,
    how: Callable[[OwnBlock], OwnBlock],
) -> Response:
    """The draft after a change; what cannot be is told, and the draft stays as it was."""

    def change_draft(project: Project) -> Project:
        draft = how(draft_of(project))
        return replace(project, design=replace(project.design, own_draft=draft))

    field = "content" if isinstance(form, FileForm) else "square"
    with refused_at(field, ("name", "grid")):
        opened = change(room, opened.stored.id, form.revision, change_draft)
    context = _context(opened, tool=typed)
    return answer_change(request, opened, "yield_page/own_answer.html", context, "own_block")


def _touched(block: OwnBlock, row: int, column: int, form: CellForm) -> OwnBlock:
    if form.act is Act.JOIN_RIGHT:
        return block.joined(row, column, to_right=True)
    if form.act is Act.JOIN_DOWN:
        return block.joined(row, column, to_right=False)
    if form.act is Act.PART:
        return block.parted(row, column)
    cell = block.at(row, column)
    roles, kind = (form.first.value, form.second.value), Kind(form.act.value)
    if (cell.kind, cell.roles) == (kind, roles):
        return block.with_cell(cell.turned())
    return block.with_cell(replace(cell, kind=kind, roles=roles, turn=0))


def _context(
    opened: OpenProject, bad: BadForm | None = None, tool: Mapping[str, str] | None = None
) -> dict[str, Any]:
    draft = draft_of(opened.project)
    fits, why, steps = True, "", list[str]()
    try:
        assembly = draft.assembly((_SIDE, _SIDE), opened.project.design.seam)
        steps = [make.words for make in assembly.makes if make.of]
    except KerseyError as error:
        fits, why = False, str(error)
    prints = _prints(opened.project)
    tool = tool or {}
    size = opened.project.design.block.size if opened.project.design.block.own else None
    return project_context(opened, STAGE) | {
        "draft": draft,
        "drawing": draw_own_block(draft, _patches(draft), prints, _SIDE),
        "squares": [_square(draft, cell) for cell in draft.cells],
        "acts": [(act, KEYS[act]) for act in Act],
        "roles": [role.value for role in _ROLES],
        "act": tool.get("act", Act.PLAIN.value),
        "first": tool.get("first", Role.LIGHT.value),
        "second": tool.get("second", Role.DARK.value),
        "grids": range(FEWEST, MOST + 1),
        "fits": fits,
        "why": why,
        "steps": steps,
        "side": size[0] if size else _SIDE,
        "errors": bad.errors if bad else {},
        "typed": bad.typed if bad else {},
    }


def _square(block: OwnBlock, cell: Cell) -> dict[str, Any]:
    """A cell to be touched: where it lies, and what it is in words."""
    what = cell.roles[0] if cell.kind is Kind.PLAIN else f"{cell.kind}, {' and '.join(cell.roles)}"
    return {
        "square": f"{cell.row} {cell.column}",
        "classes": f"r{cell.row + 1} c{cell.column + 1} h{cell.rows} w{cell.columns}",
        "row": cell.row + 1,
        "column": cell.column + 1,
        "says": f"Row {cell.row + 1}, column {cell.column + 1}: {what}",
    }


def _patches(block: OwnBlock) -> list[Patch]:
    """What shows of every cell, however it may be sewn."""
    return [patch for make in block.cell_makes((_SIDE, _SIDE), _QUARTER) for patch in make.patches]


def _prints(project: Project) -> dict[str, Print]:
    """A print of the quilt's fabric for each side; of one that nothing serves, any other."""
    there = [p for p in project.fabrics if p.for_blocks and p.kept.lot.form in CUT_FROM]
    spare = list(dict.fromkeys(p.print for p in there)) or [project.bought[BoughtFor.BORDER]]
    found: dict[str, Print] = {}
    values = {Role.LIGHT: Value.LIGHT, Role.DARK: Value.DARK}
    for place, role in enumerate(Role):
        serving = [p.print for p in there if role in p.roles]
        by_value = [c for c in spare if c.known_value is values.get(role) and role in values]
        others = [cloth for cloth in spare if cloth not in found.values()] or spare
        found[role.value] = (serving or by_value or others[place % len(others) :] or others)[0]
    return found
