"""The fabrics pulled for a quilt, on the wall to scale, by the roles they may serve."""

from collections.abc import Callable
from dataclasses import replace
from datetime import datetime
from fractions import Fraction
from typing import Annotated

from fastapi import APIRouter, Query, Request
from sqlalchemy.orm import Session
from starlette.responses import Response

from kersey.core.cloth.colour import FAMILIES
from kersey.core.cloth.fabric import BadFabric
from kersey.core.measure.counting import counted
from kersey.core.measure.length import parse_length
from kersey.core.project.project import Project
from kersey.core.stash.cupboard import CUT_FROM_THE_LENGTH, from_readings
from kersey.core.stash.ledger import EntryKind
from kersey.core.stash.pulled import Pulled, all_of, pull_pieces, share_out
from kersey.core.stash.quick_entry import read_lots
from kersey.store.cupboard import StoredLot, get_lot, number_prints, split_lot
from kersey.store.holdings import free_pieces
from kersey.store.projects import ProjectChanged
from kersey.web.forms import BadForm, TypedForm, refused_at
from kersey.web.open_project import (
    Change,
    Opened,
    OpenProject,
    Revised,
    RevisedForm,
    change,
    change_with,
    sent,
)
from kersey.web.project_page import answer_change
from kersey.web.pull.changes import (
    beside_the_others,
    corrected,
    fabric_at,
    laid_in_order,
    next_value,
    roles_after,
    with_cloth,
    without_spoiled,
)
from kersey.web.pull.forms import (
    AsideForm,
    FabricForm,
    LineForm,
    LossForm,
    MoveForm,
    NextForm,
    OrderForm,
    PullForm,
    RoleForm,
)
from kersey.web.pull.view import found_context, found_lots, pull_context
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Room, Workroom

router = APIRouter()


def _again(request: Request, room: Workroom, opened: OpenProject, bad: BadForm) -> Response:
    """The page once more, with what was typed and what is wrong with it."""
    return _shown(request, room, opened, request.path_params.get("place", "0"), bad)


@router.get("/projects/{project_id}/pull", name="pull_page")
def pull_page(
    request: Request,
    room: Room,
    opened: Opened,
    chosen: Annotated[str, Query(alias="fabric")] = "0",
    strips: str = "",
) -> Response:
    return _shown(request, room, opened, chosen, strips=strips)


@router.get("/projects/{project_id}/pull/find", name="find_fabric")
def find_fabric(request: Request, room: Room, opened: Opened, words: str = "") -> Response:
    """Lots of the cupboard that can be pulled, as their name is typed."""
    return render(request, "pull/found.html", found_context(room, opened, words))


@router.post("/projects/{project_id}/fabrics", name="pull_fabric")
def pull_fabric(
    request: Request, room: Room, opened: Opened, form: Annotated[PullForm, sent(PullForm, _again)]
) -> Response:
    """Pull a lot, or a part of it."""
    if form.revision != opened.stored.revision:
        raise ProjectChanged(opened.stored)
    more: tuple[Pulled, ...] = ()

    def found(session: Session) -> Change:
        nonlocal more
        more = _taken(session, opened, form, room.clock())
        return lambda project: project.pulling(more)

    with refused_at("pieces"):
        changed = change_with(room, opened.stored.id, form.revision, found)
    first = next(n for n, p in enumerate(changed.project.fabrics) if p.same_print(more[0]))
    return _answer(request, room, changed, str(first))


@router.post("/projects/{project_id}/fabrics/line", name="pull_line")
def pull_line(
    request: Request,
    room: Room,
    opened: Opened,
    form: Annotated[LineForm, sent(LineForm, _again)],
    typed: TypedForm,
) -> Response:
    """Put a line of fabric into the cupboard and pull all of it."""
    found = () if form.fresh else found_lots(room, form.words)
    if len(found) == 1:
        # The words name what lies in the cupboard already: they are no new fabric.
        named = PullForm(revision=form.revision, lot=found[0].id)
        return pull_fabric(request, room, opened, named)
    if found:
        words = f"{counted(len(found), 'lot')} have that name. Choose one below."
        raise BadForm({"words": words})
    readings = read_lots(form.words, opened.preferences.workshop)
    if not all(reading.taken for reading in readings):
        words = " ".join(problem for reading in readings for problem in reading.problems)
        raise BadForm({"words": words})
    more: list[Pulled] = []

    def found_in(session: Session) -> Change:
        lots = number_prints(session, from_readings(readings))
        more.extend(pulled for kept in lots for pulled in all_of(kept))
        return lambda project: project.pulling(more)

    changed = change_with(room, opened.stored.id, form.revision, found_in)
    place = len(changed.project.fabrics) - len(more)
    return _answer(request, room, changed, str(place))


@router.post("/projects/{project_id}/fabrics/{place}", name="change_fabric")
def change_fabric(
    request: Request,
    room: Room,
    opened: Opened,
    place: str,
    form: Annotated[FabricForm, sent(FabricForm, _again)],
) -> Response:
    """Correct a fabric: how many pieces, its print, what it measured; or a print to buy."""
    shown = ("width", "length", "measured_length", "name", "family")
    with refused_at("width" if form.sizes else "pulled", shown):
        opened = change(room, opened.stored.id, form.revision, lambda p: corrected(p, place, form))
    return _answer(request, room, opened, place)


@router.post("/projects/{project_id}/fabrics/{place}/role", name="change_role")
def change_role(
    request: Request,
    room: Room,
    opened: Opened,
    place: str,
    form: Annotated[RoleForm, sent(RoleForm)],
) -> Response:
    """Let a fabric serve a role, or no longer."""

    def with_role(pulled: Pulled) -> Pulled:
        return replace(pulled, roles=roles_after(pulled.roles, form))

    return _change_one(request, room, opened.stored.id, place, form, with_role)


@router.post("/projects/{project_id}/fabrics/{place}/aside", name="set_fabric_aside")
def set_fabric_aside(
    request: Request,
    room: Room,
    opened: Opened,
    place: str,
    form: Annotated[AsideForm, sent(AsideForm, _again)],
) -> Response:
    """Set a fabric aside for a reason, or bring it back; it stays pulled either way."""

    def aside(pulled: Pulled) -> Pulled:
        return replace(pulled, aside=form.reason)

    return _change_one(request, room, opened.stored.id, place, form, aside)


@router.post("/projects/{project_id}/fabrics/{place}/next", name="judge_next")
def judge_next(
    request: Request,
    room: Room,
    opened: Opened,
    place: str,
    form: Annotated[NextForm, sent(NextForm)],
) -> Response:
    """Move a judgement on by one: light, medium, dark; or red, orange, yellow and so on."""
    if form.judgement == "value":

        def judged(project: Project) -> Project:
            pulled = fabric_at(project, place)
            return project.with_pulled(int(place), replace(pulled, value=next_value(pulled)))
    else:

        def judged(project: Project) -> Project:
            pulled = fabric_at(project, place)
            cloth = pulled.stack.print
            after = FAMILIES[(FAMILIES.index(cloth.family) + 1) % len(FAMILIES)]
            return with_cloth(project, pulled, replace(cloth, judged_family=after))

    opened = change(room, opened.stored.id, form.revision, judged)
    return _answer(request, room, opened, place)


@router.post("/projects/{project_id}/fabrics/{place}/return", name="return_fabric")
def return_fabric(
    request: Request, room: Room, opened: Opened, place: str, form: Revised
) -> Response:
    """Return a fabric to the cupboard; `place` "all" returns everything."""

    def returned(project: Project) -> Project:
        every = range(len(project.fabrics))
        if place != "all":
            fabric_at(project, place)
        return project.returning(every if place == "all" else {int(place)})

    return _answer(request, room, change(room, opened.stored.id, form.revision, returned), "0")


@router.post("/projects/{project_id}/fabrics/{place}/spoil", name="spoil_fabric")
def spoil_fabric(
    request: Request,
    room: Room,
    opened: Opened,
    place: str,
    form: Annotated[LossForm, sent(LossForm, _again)],
) -> Response:
    """Pieces were spoiled: they are gone from the wall and from the cupboard."""
    with refused_at("spoiled"):
        opened = change(
            room,
            opened.stored.id,
            form.revision,
            lambda p: without_spoiled(p, place, form.spoiled),
            EntryKind.LOST,
        )
    return _answer(request, room, opened, "0")


@router.post("/projects/{project_id}/judge", name="judge_all")
def judge_all(request: Request, room: Room, opened: Opened, form: Revised) -> Response:
    """Read every print as it looks beside the others."""

    def judged(project: Project) -> Project:
        values = beside_the_others(project)
        fabrics = tuple(replace(p, value=v) for p, v in zip(project.fabrics, values, strict=True))
        return replace(project, fabrics=fabrics)

    return _answer(request, room, change(room, opened.stored.id, form.revision, judged), "0")


@router.post("/projects/{project_id}/order", name="order_fabrics")
def order_fabrics(
    request: Request, room: Room, opened: Opened, form: Annotated[OrderForm, sent(OrderForm)]
) -> Response:
    """Lay the fabrics in another order."""
    opened = change(room, opened.stored.id, form.revision, lambda p: laid_in_order(p, form.order))
    return _answer(request, room, opened, "0")


@router.post("/projects/{project_id}/move", name="move_fabric")
def move_fabric(
    request: Request, room: Room, opened: Opened, form: Annotated[MoveForm, sent(MoveForm)]
) -> Response:
    """Lay one fabric at another place."""

    def moved(project: Project) -> Project:
        fabrics = list(project.fabrics)
        fabric_at(project, str(max(form.place, form.to)))
        fabrics.insert(form.to, fabrics.pop(form.place))
        return replace(project, fabrics=tuple(fabrics))

    opened = change(room, opened.stored.id, form.revision, moved)
    return _answer(request, room, opened, str(form.to))


@router.post("/projects/{project_id}/hold", name="hold_fabrics")
def hold_fabrics(request: Request, room: Room, opened: Opened, form: Revised) -> Response:
    """Make a sketch a quilt in earnest: its fabric is held from now on."""
    opened = change(room, opened.stored.id, form.revision, lambda p: replace(p, sketch=False))
    return _answer(request, room, opened, "0")


def _change_one(
    request: Request,
    room: Workroom,
    project_id: int,
    place: str,
    form: RevisedForm,
    how: Callable[[Pulled], Pulled],
) -> Response:
    def changed(project: Project) -> Project:
        pulled = how(fabric_at(project, place))
        return project.with_pulled(int(place), pulled)

    return _answer(request, room, change(room, project_id, form.revision, changed), place)


def _taken(
    session: Session, opened: OpenProject, form: PullForm, now: datetime
) -> tuple[Pulled, ...]:
    """What is pulled of a lot: all that is free of it, so many pieces, or a length cut off."""
    stored = get_lot(session, form.lot)
    free = free_pieces(session, form.lot)
    amount = _amount(stored, form.pieces, opened)
    if amount is not None and any(free):
        number = split_lot(session, form.lot, stored.revision, amount, now)
        kept = get_lot(session, number).kept
        return pull_pieces(kept, kept.lot.counts, number)
    there = sum(free)
    whole = not form.pieces.strip() or _is_all_of(stored, form.pieces, opened)
    wanted = there if whole else _whole(form.pieces)
    if not there:
        raise BadFabric(f"None of “{stored.kept.name}” is free. Another quilt has it.")
    if not 1 <= wanted <= there:
        raise BadFabric(f"You can pull 1 to {there} of “{stored.kept.name}”.")
    return pull_pieces(stored.kept, share_out(free, wanted), form.lot)


def _amount(stored: StoredLot, said: str, opened: OpenProject) -> Fraction | None:
    """A part of a lot that is no number of pieces: inches of yardage, grams of scraps."""
    lot = stored.kept.lot
    text = said.strip()
    if not text or lot.count != 1 or text == "1":
        return None
    if lot.grams is not None:
        grams = _whole(text.removesuffix("g").strip())
        return None if grams == lot.grams else Fraction(grams)
    if lot.form not in CUT_FROM_THE_LENGTH:
        return None
    length = parse_length(text, opened.units)
    return None if length == lot.usable_length else length


def _is_all_of(stored: StoredLot, said: str, opened: OpenProject) -> bool:
    """Whether the length or weight that was said is all there is of the one piece."""
    lot = stored.kept.lot
    if lot.count != 1:
        return False
    if lot.grams is not None:
        return said.strip().removesuffix("g").strip() == str(lot.grams)
    by_length = lot.form in CUT_FROM_THE_LENGTH
    return by_length and parse_length(said, opened.units) == lot.usable_length


def _whole(text: str) -> int:
    if not text.strip().isdecimal() or len(text) > 9:
        raise BadFabric("Type a whole number, like 14.")
    return int(text)


def _answer(request: Request, room: Workroom, opened: OpenProject, chosen: str) -> Response:
    context = pull_context(room, opened, chosen)
    return answer_change(request, opened, "pull/answer.html", context, "pull_page")


def _shown(
    request: Request,
    room: Workroom,
    opened: OpenProject,
    chosen: str,
    bad: BadForm | None = None,
    strips: str = "",
) -> Response:
    """The page, or what of it follows from choosing another fabric."""
    context = pull_context(room, opened, chosen, strips)
    if bad:
        context |= {"errors": bad.errors, "typed": bad.typed}
    fragment = is_fragment_request(request)
    template = "pull/answer.html" if fragment else "pull/page.html"
    return render(request, template, context | {"oob": fragment}, 422 if bad else 200)
