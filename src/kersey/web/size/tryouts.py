"""Try-outs: prints of the cupboard as border, sashing, setting or binding, four at a time."""

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated, Any

from fastapi import APIRouter, Query, Request
from pydantic import Field
from starlette.responses import Response

from kersey.core.cloth.fabric import BadFabric
from kersey.core.cloth.forms import Form
from kersey.core.frame.part import PartKind
from kersey.core.project.project import Project
from kersey.core.quilt.parts import lacking
from kersey.core.quilt.quilt import Quilt
from kersey.core.quilt.tryout import Contrast, Reads, beside, contrast, parts_to_try, tried
from kersey.core.stash.pulled import Pulled, Role
from kersey.drawing.quilt import draw_hung
from kersey.drawing.tried import draw_patch
from kersey.web.free_cloth import free_cloth
from kersey.web.open_project import Opened, OpenProject, RevisedForm, change, sent
from kersey.web.project_page import go_to, project_context
from kersey.web.size.stage import STAGE
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom

router = APIRouter()

_AT_ONCE = 4
_HIGH = 150.0
# What parts beside the blocks are cut from; squares and scraps are none of it.
_FORMS = frozenset({Form.YARDAGE, Form.FAT_QUARTER, Form.FAT_EIGHTH, Form.PIECE, Form.STRIP})
_BEST_FIRST = (Reads.APART, Reads.IN_PLACES, Reads.UNKNOWN, Reads.FADES)


class UseForm(RevisedForm):
    """A print of the cupboard that becomes a part, by its lot and its place there."""

    part: PartKind
    lot: int = Field(ge=1, le=2**31)
    place: int = Field(ge=0, le=5000)


@dataclass(frozen=True)
class Offered:
    """Pieces of a print that are free, and what they lack to give the part: inches off the bolt."""

    pulled: Pulled
    lacks: Fraction
    contrast: Contrast


@dataclass(frozen=True)
class Shown:
    """One that hangs there: the whole quilt with it, and a large patch."""

    offered: Offered
    hung: str
    patch: str


@router.get("/projects/{project_id}/size/tryouts", name="tryouts")
def tryouts(
    request: Request,
    room: Room,
    opened: Opened,
    part: PartKind = PartKind.BORDER,
    first: Annotated[int, Query(ge=0, le=100_000)] = 0,
) -> Response:
    """Four prints beside each other, those that are enough and stand out first."""
    return render(request, "size/tryouts.html", _context(room, opened, part, first))


@router.post("/projects/{project_id}/size/tryouts", name="use_tried")
def use_tried(
    request: Request, room: Room, opened: Opened, form: Annotated[UseForm, sent(UseForm)]
) -> Response:
    """Pull a print for the part; what was pulled for it alone goes back."""
    chosen = next(
        (
            pulled
            for pulled in free_cloth(room, _FORMS, Role(form.part.value))
            if (pulled.lot_number, pulled.place) == (form.lot, form.place)
        ),
        None,
    )
    if chosen is None:
        raise BadFabric("None of that print is free anymore.")
    change(room, opened.stored.id, form.revision, lambda p: _instead(p, form.part, chosen))
    return go_to(request, "size_page", opened)


def _instead(project: Project, part: PartKind, chosen: Pulled) -> Project:
    places = {
        n for n, p in enumerate(project.fabrics) if p.roles == (Role(part.value),) and not p.cut
    }
    return project.returning(places).pulling((chosen,))


def _context(room: Workroom, opened: OpenProject, part: PartKind, first: int) -> dict[str, Any]:
    context = project_context(opened, STAGE) | {
        "part": part,
        "parts": list[PartKind](),
        "first": first,
    }
    if opened.quilt is None:
        return context | {"shown": [], "offered": 0, "now": None}
    quilt = opened.quilt
    parts = parts_to_try(quilt)
    part = part if part in parts or not parts else parts[0]
    offered = (
        room.of_cupboard(
            ("offered", opened.reckoned.key, part), lambda: _offered(room, quilt, part)
        )
        if parts
        else []
    )
    first = first if first < len(offered) else 0
    scale = _HIGH / float(quilt.size.length)
    return context | {
        "part": part,
        "parts": parts,
        "offered": len(offered),
        "first": first,
        "at_once": _AT_ONCE,
        "shown": [_shown(quilt, part, each, scale) for each in offered[first : first + _AT_ONCE]],
        "now": _now(quilt, part) if parts else None,
    }


def _shown(quilt: Quilt, part: PartKind, offered: Offered, scale: float) -> Shown:
    with_it = tried(quilt, part, offered.pulled.print)
    return Shown(offered, draw_hung(with_it, scale), draw_patch(with_it))


def _now(quilt: Quilt, part: PartKind) -> dict[str, Any]:
    shown = quilt.part(part)
    assert shown is not None
    return {
        "cloth": shown.cloth,
        "contrast": contrast(quilt, part, shown.cloth.prints[0]),
        "patch": draw_patch(quilt),
    }


def _offered(room: Workroom, quilt: Quilt, part: PartKind) -> list[Offered]:
    against = beside(quilt, part)
    # What a print lacks depends on its sizes alone, and thousands of prints have few.
    known: dict[tuple[object, ...], Fraction] = {}

    def lacks(pulled: Pulled) -> Fraction:
        lot = pulled.kept.lot
        sizes = lot.form, pulled.width, pulled.length, pulled.count, lot.directional
        if sizes not in known:
            known[sizes] = lacking(quilt.scheme, part, pulled, quilt.shop)
        return known[sizes]

    offered = [
        Offered(pulled, lacks(pulled), against.contrast(pulled.print))
        for pulled in free_cloth(room, _FORMS, Role(part.value))
    ]
    return sorted(
        offered,
        key=lambda o: (
            o.lacks > 0,
            _BEST_FIRST.index(o.contrast.reads),
            o.contrast.fades,
            o.pulled.print.name,
        ),
    )
