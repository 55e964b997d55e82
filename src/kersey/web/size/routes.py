"""Every sensible size over what it is for, the frame and the finish; the quilt answers at once."""

import re
from dataclasses import replace
from enum import StrEnum
from fractions import Fraction
from functools import partial
from typing import Annotated, Any, Literal

from fastapi import APIRouter, Query, Request
from pydantic import AfterValidator, Field
from starlette.responses import Response

from kersey.core.cloth.forms import FACTS
from kersey.core.cutting.problem import ANY
from kersey.core.finish.washing import learned, washing_words
from kersey.core.frame.backing import BackingWay, check_margin
from kersey.core.frame.borders import Corners, check_border_width, widths_to_propose
from kersey.core.frame.edge import USUAL_WIDTHS, BadEdge, Edge, EdgeStyle
from kersey.core.frame.keys import check_key
from kersey.core.frame.part import PartKind
from kersey.core.frame.purposes import (
    ALL_BEDS,
    ANY_PURPOSE,
    BEDS,
    COVERS,
    METRIC_BEDS,
    OWN_SIZE,
    BadPurpose,
    Wish,
)
from kersey.core.frame.sashing import Sashing, check_sashing_width, proposed_widths
from kersey.core.frame.setting import Setting
from kersey.core.frame.size_search import MOST_ROWS, SizeOption, why
from kersey.core.measure.counting import noun_for
from kersey.core.measure.length import CENTIMETRE, Units
from kersey.core.measure.spoken import Spoken
from kersey.core.measure.workshop import check_usable_width
from kersey.core.project.design import Design
from kersey.core.project.kept_plan import Missing
from kersey.core.project.project import Project
from kersey.core.quilt.parts import Source
from kersey.core.quilt.quilt import Quilt, Sizes
from kersey.core.quilt.sums import part_sums, pulled_fabric
from kersey.core.quilt.tryout import wants_stopping_border, with_stopping_border
from kersey.drawing.pulls import draw_pulls
from kersey.drawing.quilt import corner, draw_quilt, view_of
from kersey.drawing.size_outline import draw_size
from kersey.store.projects import washed_logs
from kersey.web.forms import BadForm, Length, TypedForm, checked, refused_at
from kersey.web.open_project import Opened, OpenProject, RevisedForm, change, sent
from kersey.web.project_page import answer_change, answer_refused, project_context
from kersey.web.size import backing, quilts, shopping, tryouts
from kersey.web.size.stage import STAGE
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Room, Workroom

router = APIRouter()
router.include_router(quilts.router)
router.include_router(tryouts.router)
router.include_router(backing.router)
router.include_router(shopping.router)

_SIZES_SHOWN = 14
_GRID = re.compile(r"(\d{1,2})x(\d{1,2})")


class ClothFrom(StrEnum):
    """Where the cloth of a border or binding comes from, unless some is pulled for it."""

    LEFT = "left"
    BOUGHT = "bought"


class GridForm(RevisedForm):
    """A size out of the row, as "columns x rows", or any other as two numbers."""

    grid: str = Field("", pattern=r"^(\d{1,2}x\d{1,2})?$")
    columns: int | None = Field(None, ge=1, le=MOST_ROWS)
    rows: int | None = Field(None, ge=1, le=MOST_ROWS)


class WishForm(RevisedForm):
    """What the quilt is for."""

    purpose: str = ANY_PURPOSE
    own_width: Length | None = None
    own_length: Length | None = None
    drop: Length | None = None
    tuck: Length | None = None


class SashingKind(Spoken):
    """How strips part the blocks, beside how wide they are."""

    PLAIN = "plain"
    CORNERSTONES = "cornerstones"
    FRAMED = "framed", "outside edges too"
    FRAMED_CORNERSTONES = "framed, cornerstones", "outside edges too, with cornerstones"
    ROWS = "rows only", "between rows only"

    def of_width(self, width: Fraction) -> Sashing:
        """Sashing of this kind."""
        framed = self in (SashingKind.FRAMED, SashingKind.FRAMED_CORNERSTONES)
        cornerstones = self in (SashingKind.CORNERSTONES, SashingKind.FRAMED_CORNERSTONES)
        return Sashing(width, cornerstones, framed, self is SashingKind.ROWS)


def _kind_of(sashing: Sashing) -> SashingKind:
    return next(kind for kind in SashingKind if kind.of_width(sashing.width) == sashing)


class FinishForm(RevisedForm):
    """Frame and finish. A border left empty is proposed by Kersey."""

    setting: Setting = Setting.STRAIGHT
    sashing_width: Annotated[Length, AfterValidator(checked(check_sashing_width))] = Fraction(0)
    sashing_kind: SashingKind = SashingKind.PLAIN

    border_width: Annotated[Length | None, AfterValidator(checked(check_border_width))] = None
    edge_style: EdgeStyle = EdgeStyle.DOUBLE_FOLD
    edge_shows: Length | None = None
    binding_width: Length
    binding_source: ClothFrom = ClothFrom.BOUGHT
    border_source: ClothFrom = ClothFrom.BOUGHT
    outer_1: Annotated[Length, AfterValidator(checked(check_border_width))] = Fraction(0)
    outer_2: Annotated[Length, AfterValidator(checked(check_border_width))] = Fraction(0)
    outer_3: Annotated[Length, AfterValidator(checked(check_border_width))] = Fraction(0)
    key: Annotated[Length, AfterValidator(checked(check_key))] = Fraction(0)
    corners: Corners = Corners.BUTTED
    first: Literal["sides", "ends"] = "sides"
    margin: Annotated[Length, AfterValidator(checked(check_margin))]
    backing_way: BackingWay | None = None
    usable_width: Annotated[Length, AfterValidator(checked(check_usable_width))]
    stop: bool = False


def _again(request: Request, room: Workroom, opened: OpenProject, bad: BadForm) -> Response:
    return answer_refused(
        request, "size/page.html", "size/answer.html", _context(room, opened), bad
    )


@router.get("/projects/{project_id}/size", name="size_page")
def size_page(
    request: Request, room: Room, opened: Opened, part: str = Query("", max_length=10)
) -> Response:
    if is_fragment_request(request):
        # The plan was exchanged: what follows from it is shown anew. One that only saves fabric
        # leaves the row of sizes as it is, and the finger on it.
        template = "size/choice.html" if part else "size/answer.html"
        return render(request, template, _context(room, opened) | {"oob": True})
    return render(request, "size/page.html", _context(room, opened))


@router.post("/projects/{project_id}/grid", name="choose_grid")
def choose_grid(
    request: Request,
    room: Room,
    opened: Opened,
    form: Annotated[GridForm, sent(GridForm, _again)],
    typed: TypedForm,
) -> Response:
    """Settle on rows and columns."""
    opened = change(room, opened.stored.id, form.revision, lambda p: _with_grid(p, form))
    page = "arrange_page" if typed.get("then") == "arrange" else "size_page"
    in_the_row = form.columns is None
    template = "size/choice.html" if in_the_row else "size/answer.html"
    return answer_change(request, opened, template, _context(room, opened), page)


@router.post("/projects/{project_id}/wish", name="change_wish")
def change_wish(
    request: Request, room: Room, opened: Opened, form: Annotated[WishForm, sent(WishForm, _again)]
) -> Response:
    """Say what the quilt is for; the sizes are ranked anew."""
    with refused_at("purpose", WishForm.model_fields, BadPurpose):
        form = _with_present_size(form, opened)
        opened = change(room, opened.stored.id, form.revision, lambda p: _with_wish(p, form))
    return answer_change(request, opened, "size/answer.html", _context(room, opened), "size_page")


@router.post("/projects/{project_id}/size/frame", name="change_frame")
def change_frame(
    request: Request,
    room: Room,
    opened: Opened,
    form: Annotated[FinishForm, sent(FinishForm, _again)],
    typed: TypedForm,
) -> Response:
    """Border, binding, backing."""
    quilt = opened.quilt if form.stop else None
    how = partial(_with_finish, form=form)
    if quilt is not None and wants_stopping_border(quilt):
        how = partial(_with_stopping_border, quilt=quilt)
    shown = "binding_width" if "edge_shows" not in typed else "edge_shows"
    with refused_at(shown, kind=BadEdge):
        opened = change(room, opened.stored.id, form.revision, how)
    return answer_change(request, opened, "size/answer.html", _context(room, opened), "size_page")


def _with_grid(project: Project, form: GridForm) -> Project:
    columns, rows = form.columns, form.rows
    match = _GRID.fullmatch(form.grid)
    if match is not None and columns is None and rows is None:
        columns, rows = int(match[1]), int(match[2])
    return replace(project, design=replace(project.design, rows=rows, columns=columns))


def _with_wish(project: Project, form: WishForm) -> Project:
    usual = Wish()
    wish = Wish(
        form.purpose,
        usual.drop if form.drop is None else form.drop,
        usual.tuck if form.tuck is None else form.tuck,
        form.own_width,
        form.own_length,
    )
    return replace(project, design=replace(project.design, wish=wish))


def _with_present_size(form: WishForm, opened: OpenProject) -> WishForm:
    """A size of one's own begins as the size the quilt has."""
    unsaid = form.own_width is None and form.own_length is None
    if form.purpose != OWN_SIZE or not unsaid or opened.quilt is None:
        return form
    size = opened.quilt.size
    return form.model_copy(update={"own_width": size.width, "own_length": size.length})


def _with_finish(project: Project, form: FinishForm) -> Project:
    # Rows and columns of one setting are none for another.
    reset = project.design.setting is not form.setting
    shows, binding = _edge_widths(project.design, form)
    design = replace(
        project.design,
        rows=None if reset else project.design.rows,
        columns=None if reset else project.design.columns,
        setting=form.setting,
        sashing=form.sashing_kind.of_width(form.sashing_width),
        border_width=form.border_width,
        outer_borders=tuple(width for width in (form.outer_1, form.outer_2, form.outer_3) if width),
        key=form.key,
        corners=form.corners,
        sides_first=form.first == "sides",
        edge_style=form.edge_style,
        edge_shows=shows,
        binding_width=binding,
        binding_from_left=form.binding_source is ClothFrom.LEFT,
        border_from_left=form.border_source is ClothFrom.LEFT,
        margin=form.margin,
        backing_way=form.backing_way,
        usable_width=form.usable_width,
    )
    return replace(project, design=design)


def _edge_widths(design: Design, form: FinishForm) -> tuple[Fraction | None, Fraction]:
    """What shows, and how wide a binding is cut: another edge begins at its own usual width, unless
    another width was typed with it."""
    if form.edge_style is design.edge_style:
        return form.edge_shows, form.binding_width
    typed = form.edge_shows not in {None, design.edge_shows, design.edge.width}
    shows = form.edge_shows if typed else None
    kept = form.binding_width != design.binding_width or not Edge(form.edge_style).has_strips
    return shows, form.binding_width if kept else USUAL_WIDTHS[form.edge_style]


def _with_stopping_border(project: Project, quilt: Quilt) -> Project:
    """A narrow border between the quilt and its border; the revision says it is the quilt shown."""
    shown = with_stopping_border(quilt)
    return replace(project, design=shown.design, bought=shown.bought)


def _context(room: Workroom, opened: OpenProject) -> dict[str, Any]:
    context = project_context(opened, STAGE) | {
        "wish": opened.project.design.wish,
        "purposes": _purposes(opened.units),
        "beds": ALL_BEDS,
        "border_widths": _border_widths(opened),
        "edge_styles": list(EdgeStyle),
        "outer_widths": widths_to_propose(opened.units),
        "corner_styles": list(Corners),
        "sashing_widths": _sashing_widths(opened),
        "sashing_kind": _kind_of(opened.project.design.sashing),
        "sashing_kinds": list(SashingKind),
        "settings": list(Setting),
    }
    if opened.quilt is None:
        return context
    quilt = opened.quilt
    with room.reading() as session:
        washings = learned(washed_logs(session))
    context["washed"] = washing_words(washings, (quilt.size.width, quilt.size.length), opened.units)
    return context | room.drawn(opened.reckoned, "size", lambda: _sizes_context(quilt))


def _sizes_context(quilt: Quilt) -> dict[str, Any]:
    sizes = quilt.sizes
    shown = _shown(sizes)
    view = view_of(shown)
    first = 1 if quilt.size.border_width else 0
    return {
        "drawing": draw_quilt(quilt, view, draw_pulls(quilt, *corner(quilt))),
        "sizes": [
            {
                "grid": f"{option.columns}x{option.rows}",
                "option": option,
                "chosen": _same_grid(option, sizes.current),
                "drawing": draw_size(option, view, quilt.units),
            }
            for option in shown
        ],
        "all_sizes": len(sizes.options),
        "why": why(sizes.current, quilt.units),
        "is_best": _same_grid(sizes.current, sizes.options[0]),
        "best": sizes.options[0],
        "parts": {kind.value: quilt.part(kind) for kind in PartKind},
        "framing": quilt.framing,
        "inner": quilt.framing[:first],
        "outer": quilt.framing[first:],
        "sources": Source,
        "missing": [f"{missing.pieces} more {_noun(missing)}" for missing in quilt.kept.missing],
        "opened_pieces": sum(layout.copies for layout in quilt.kept.cutting.layouts),
        "fading": wants_stopping_border(quilt),
        "part_sums": part_sums(quilt),
        "pulled_fabric": pulled_fabric(quilt),
    }


def _noun(missing: Missing) -> str:
    """What more would be of: its form, and the side it serves."""
    facts = FACTS[missing.fabric.form]
    roles = " or ".join(sorted(missing.fabric.roles - {ANY}))
    return f"{roles} {noun_for(missing.pieces, facts.one)}".strip()


def _shown(sizes: Sizes) -> tuple[SizeOption, ...]:
    """The best sizes, and the chosen one wherever it ranks."""
    best = sizes.options[:_SIZES_SHOWN]
    if any(_same_grid(option, sizes.current) for option in best):
        return best
    return (*best, sizes.current)


def _same_grid(one: SizeOption, other: SizeOption) -> bool:
    return (one.rows, one.columns) == (other.rows, other.columns)


def _purposes(units: Units) -> list[tuple[str, str]]:
    beds = (*BEDS, *METRIC_BEDS) if units is Units.INCHES else (*METRIC_BEDS, *BEDS)
    return [
        (ANY_PURPOSE, "anything"),
        *((cover.key, cover.name) for cover in COVERS),
        *((bed.key, bed.name) for bed in beds),
        (OWN_SIZE, "my own size"),
    ]


def _sashing_widths(opened: OpenProject) -> list[Fraction]:
    """No sashing, what suits the block, slimmer and broader, and the one in use."""
    block = opened.quilt.block if opened.quilt else (Fraction(6), Fraction(6))
    step = Fraction(1, 2) if opened.units is Units.INCHES else CENTIMETRE
    usual = {step * n for n in (2, 3, 4, 6)} | set(proposed_widths(block, step))
    return sorted({Fraction(0), opened.project.design.sashing.width} | usual)


def _border_widths(opened: OpenProject) -> list[Fraction]:
    """Widths to choose from, with the one in use whatever it is."""
    asked = opened.project.design.border_width
    widths = set(widths_to_propose(opened.units)) | ({asked} if asked is not None else set())
    return sorted(widths)
