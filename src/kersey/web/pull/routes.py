"""The fabrics pulled for a quilt, on the wall to scale, by the roles they may serve."""

from collections.abc import Callable
from dataclasses import replace
from enum import StrEnum
from fractions import Fraction
from typing import Annotated, Any

from fastapi import APIRouter, Query, Request
from pydantic import Field
from starlette.responses import Response

from kersey.core.colour import FAMILIES
from kersey.core.cupboard import CUT_FROM_THE_LENGTH, Aside, from_readings
from kersey.core.errors import InvalidValue, KerseyError
from kersey.core.fabric import BadFabric, Motif, Print, Scale, Value
from kersey.core.forms import FACTS
from kersey.core.judging import judge_together
from kersey.core.ledger import Kind
from kersey.core.length import format_length, parse_length
from kersey.core.project import Project
from kersey.core.pull import look_over
from kersey.core.pulled import Pulled, Role, all_of, pull_pieces, share_out, total_of
from kersey.core.quick_entry import read_line, size_in_words
from kersey.core.sorting import Order, sort_colours
from kersey.core.stages import Stage
from kersey.drawing.block import draw_swatch
from kersey.drawing.pieces import draw_colours
from kersey.drawing.wall import hang, scale_of, wall_tape
from kersey.store.cupboard import Find, LotLine, StoredLot, get_lot, list_lots, split_lot
from kersey.store.holdings import free_pieces, holdings
from kersey.store.projects import NoSuchProject, ProjectChanged
from kersey.web.forms import BadForm, Length, TypedForm, field_error, read_form
from kersey.web.print_form import PrintForm, changed_print
from kersey.web.project_page import (
    OpenProject,
    ProjectId,
    RevisedForm,
    answer_change,
    change,
    open_project,
    project_context,
)
from kersey.web.templating import counted, is_fragment_request, render
from kersey.web.workroom import Room, Workroom

router = APIRouter()

_FOUND_SHOWN = 5
_USUAL_STRIP = Fraction(5, 2)
# One key for each role while a fabric has the focus.
ROLE_KEYS = {
    Role.ANY: "a",
    Role.LIGHT: "l",
    Role.DARK: "d",
    Role.BACKGROUND: "g",
    Role.FEATURE: "f",
    Role.SASHING: "s",
    Role.BORDER: "b",
    Role.BINDING: "i",
    Role.BACKING: "k",
    Role.BATTING: "t",
}


class Bought(StrEnum):
    """Parts of the quilt whose print is bought when nothing is pulled for them."""

    BORDER = "border"
    BINDING = "binding"


class PullForm(RevisedForm):
    """A lot to pull from; `pieces` a number of pieces, or a length of yardage, or grams."""

    lot: int = Field(ge=1, le=2**31)
    pieces: str = Field("", max_length=40)


class LineForm(RevisedForm):
    """Fabric not in the cupboard yet, as one says it."""

    words: str = Field("", max_length=200)


class FabricForm(PrintForm):
    """A fabric on the wall: how much of it, its print, and its lot's size."""

    pulled: int | None = Field(None, ge=0, le=5000)
    family: str | None = None
    width: Length | None = None
    length: Length | None = None
    measured_length: Length | None = None
    sizes: bool = False


class RoleForm(RevisedForm):
    """A role for a fabric: instead of `instead_of`, besides all others, or alone."""

    role: Role
    instead_of: Role | None = None
    besides: bool = False


class AsideForm(RevisedForm):
    """Why a fabric is set aside; left out, it is brought back."""

    reason: Aside | None = None


class NextForm(RevisedForm):
    """Which judgement of a print is moved on by one."""

    judgement: str = Field(pattern="^(value|family)$")


class OrderForm(RevisedForm):
    """An order for the fabrics on the wall."""

    order: Order


class MoveForm(RevisedForm):
    """A fabric and the place it is to lie at."""

    place: int = Field(ge=0)
    to: int = Field(ge=0)


class LossForm(RevisedForm):
    """Pieces that were spoiled."""

    spoiled: int = Field(ge=1, le=5000)


@router.get("/projects/{project_id}/pull", name="pull_page")
def pull_page(
    request: Request,
    room: Room,
    project_id: ProjectId,
    chosen: Annotated[str, Query(alias="fabric")] = "0",
    strips: str = "",
) -> Response:
    opened = open_project(room, project_id)
    return _shown(request, room, opened, chosen, strips=strips)


@router.get("/projects/{project_id}/pull/find", name="find_fabric")
def find_fabric(request: Request, room: Room, project_id: ProjectId, words: str = "") -> Response:
    """Lots of the cupboard that can be pulled, as their name is typed."""
    opened = open_project(room, project_id)
    return render(request, "pull/found.html", _found(room, opened, words))


@router.post("/projects/{project_id}/fabrics", name="pull_fabric")
def pull_fabric(request: Request, room: Room, project_id: ProjectId, typed: TypedForm) -> Response:
    """Pull a lot, or a part of it."""
    opened = open_project(room, project_id)
    try:
        form = read_form(PullForm, typed, opened.units)
        if form.revision != opened.stored.revision:
            raise ProjectChanged(opened.stored)
        more = _taken(room, opened, form)
        changed = change(room, project_id, form.revision, lambda p: p.pulling(more))
    except BadForm as bad:
        return _again(request, room, opened, "0", bad)
    except InvalidValue as error:
        return _again(request, room, opened, "0", field_error("pieces", error, typed))
    first = next(n for n, p in enumerate(changed.project.fabrics) if p.same_print(more[0]))
    return _answer(request, room, changed, str(first))


@router.post("/projects/{project_id}/fabrics/line", name="pull_line")
def pull_line(request: Request, room: Room, project_id: ProjectId, typed: TypedForm) -> Response:
    """Put a line of fabric into the cupboard and pull all of it."""
    opened = open_project(room, project_id)
    form = read_form(LineForm, typed, opened.units)
    reading = read_line(form.words, opened.preferences.workshop)
    lots = from_readings([reading])
    if not lots:
        words = " ".join(reading.problems) or "Nothing like this is in the cupboard."
        return _again(request, room, opened, "0", BadForm({"words": words}, typed))
    changed = change(room, project_id, form.revision, lambda p: p.pulling(all_of(lots[0])))
    place = len(changed.project.fabrics) - len(lots[0].lot.stacks)
    return _answer(request, room, changed, str(place))


@router.post("/projects/{project_id}/fabrics/{place}", name="change_fabric")
def change_fabric(
    request: Request, room: Room, project_id: ProjectId, place: str, typed: TypedForm
) -> Response:
    """Correct a fabric: how many pieces, its print, what it measured; or a print to buy."""
    opened = open_project(room, project_id)
    try:
        form = read_form(FabricForm, typed, opened.units)
    except BadForm as bad:
        return _again(request, room, opened, place, bad)
    try:
        opened = change(room, project_id, form.revision, lambda p: _corrected(p, place, form))
    except InvalidValue as error:
        field = "width" if form.sizes else "pulled"
        return _again(request, room, opened, place, field_error(field, error, typed))
    return _answer(request, room, opened, place)


@router.post("/projects/{project_id}/fabrics/{place}/role", name="change_role")
def change_role(
    request: Request, room: Room, project_id: ProjectId, place: str, typed: TypedForm
) -> Response:
    """Let a fabric serve a role, or no longer."""
    form = read_form(RoleForm, typed, open_project(room, project_id).units)

    def with_role(pulled: Pulled) -> Pulled:
        return replace(pulled, roles=_roles(pulled.roles, form))

    return _change_one(request, room, project_id, place, form, with_role)


@router.post("/projects/{project_id}/fabrics/{place}/aside", name="set_fabric_aside")
def set_fabric_aside(
    request: Request, room: Room, project_id: ProjectId, place: str, typed: TypedForm
) -> Response:
    """Set a fabric aside for a reason, or bring it back; it stays pulled either way."""
    opened = open_project(room, project_id)
    try:
        form = read_form(AsideForm, typed, opened.units)
    except BadForm as bad:
        return _again(request, room, opened, place, bad)

    def aside(pulled: Pulled) -> Pulled:
        return replace(pulled, aside=form.reason)

    return _change_one(request, room, project_id, place, form, aside)


@router.post("/projects/{project_id}/fabrics/{place}/next", name="judge_next")
def judge_next(
    request: Request, room: Room, project_id: ProjectId, place: str, typed: TypedForm
) -> Response:
    """Move a judgement on by one: light, medium, dark; or red, orange, yellow and so on."""
    form = read_form(NextForm, typed, open_project(room, project_id).units)
    if form.judgement == "value":

        def judged(project: Project) -> Project:
            pulled = _fabric(project, place)
            return project.with_pulled(int(place), replace(pulled, value=_next_value(pulled)))
    else:

        def judged(project: Project) -> Project:
            pulled = _fabric(project, place)
            cloth = pulled.stack.print
            after = FAMILIES[(FAMILIES.index(cloth.family) + 1) % len(FAMILIES)]
            return _with_cloth(project, pulled, replace(cloth, judged_family=after))

    opened = change(room, project_id, form.revision, judged)
    return _answer(request, room, opened, place)


@router.post("/projects/{project_id}/fabrics/{place}/return", name="return_fabric")
def return_fabric(
    request: Request, room: Room, project_id: ProjectId, place: str, typed: TypedForm
) -> Response:
    """Return a fabric to the cupboard; `place` "all" returns everything."""
    form = read_form(RevisedForm, typed, open_project(room, project_id).units)

    def returned(project: Project) -> Project:
        every = range(len(project.fabrics))
        if place != "all":
            _fabric(project, place)
        return project.returning(every if place == "all" else {int(place)})

    return _answer(request, room, change(room, project_id, form.revision, returned), "0")


@router.post("/projects/{project_id}/fabrics/{place}/spoil", name="spoil_fabric")
def spoil_fabric(
    request: Request, room: Room, project_id: ProjectId, place: str, typed: TypedForm
) -> Response:
    """Pieces were spoiled: they are gone from the wall and from the cupboard."""
    opened = open_project(room, project_id)
    try:
        form = read_form(LossForm, typed, opened.units)
        opened = change(
            room,
            project_id,
            form.revision,
            lambda p: _without(p, place, form.spoiled),
            Kind.LOST,
        )
    except BadForm as bad:
        return _again(request, room, opened, place, bad)
    except BadFabric as error:
        return _again(request, room, opened, place, field_error("spoiled", error, typed))
    return _answer(request, room, opened, "0")


@router.post("/projects/{project_id}/judge", name="judge_all")
def judge_all(request: Request, room: Room, project_id: ProjectId, typed: TypedForm) -> Response:
    """Read every print as it looks beside the others."""
    form = read_form(RevisedForm, typed, open_project(room, project_id).units)

    def judged(project: Project) -> Project:
        values = _beside_the_others(project)
        fabrics = tuple(replace(p, value=v) for p, v in zip(project.fabrics, values, strict=True))
        return replace(project, fabrics=fabrics)

    return _answer(request, room, change(room, project_id, form.revision, judged), "0")


@router.post("/projects/{project_id}/order", name="order_fabrics")
def order_fabrics(
    request: Request, room: Room, project_id: ProjectId, typed: TypedForm
) -> Response:
    """Lay the fabrics in another order."""
    form = read_form(OrderForm, typed, open_project(room, project_id).units)
    opened = change(room, project_id, form.revision, lambda p: _ordered(p, form.order))
    return _answer(request, room, opened, "0")


@router.post("/projects/{project_id}/move", name="move_fabric")
def move_fabric(request: Request, room: Room, project_id: ProjectId, typed: TypedForm) -> Response:
    """Lay one fabric at another place."""
    form = read_form(MoveForm, typed, open_project(room, project_id).units)

    def moved(project: Project) -> Project:
        fabrics = list(project.fabrics)
        _fabric(project, str(max(form.place, form.to)))
        fabrics.insert(form.to, fabrics.pop(form.place))
        return replace(project, fabrics=tuple(fabrics))

    opened = change(room, project_id, form.revision, moved)
    return _answer(request, room, opened, str(form.to))


@router.post("/projects/{project_id}/hold", name="hold_fabrics")
def hold_fabrics(request: Request, room: Room, project_id: ProjectId, typed: TypedForm) -> Response:
    """Make a sketch a quilt in earnest: its fabric is held from now on."""
    form = read_form(RevisedForm, typed, open_project(room, project_id).units)
    opened = change(room, project_id, form.revision, lambda p: replace(p, sketch=False))
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
        return project.with_pulled(int(place), how(_fabric(project, place)))

    return _answer(request, room, change(room, project_id, form.revision, changed), place)


def _taken(room: Workroom, opened: OpenProject, form: PullForm) -> tuple[Pulled, ...]:
    """What is pulled of a lot: all that is free of it, so many pieces, or a length cut off."""
    with room.transaction() as session:
        stored = get_lot(session, form.lot)
        free = free_pieces(session, form.lot)
        amount = _amount(stored, form.pieces, opened)
        if amount is not None and any(free):
            number = split_lot(session, form.lot, stored.revision, amount, room.clock())
            kept = get_lot(session, number).kept
            return pull_pieces(kept, kept.lot.counts, number)
    there = sum(free)
    wanted = there if not form.pieces.strip() else _whole(form.pieces)
    if not there:
        raise BadFabric(f"Nothing of “{stored.kept.name}” is free.")
    if not 1 <= wanted <= there:
        raise BadFabric(f"From 1 to {there} of “{stored.kept.name}” are free.")
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


def _whole(text: str) -> int:
    if not text.strip().isdecimal() or len(text) > 9:
        raise BadFabric("Write a whole number, like 14.")
    return int(text)


def _fabric(project: Project, place: str) -> Pulled:
    if not place.isdecimal() or len(place) > 6 or int(place) >= len(project.fabrics):
        raise NoSuchProject(0)
    return project.fabrics[int(place)]


def _corrected(project: Project, place: str, form: FabricForm) -> Project:
    if place == Bought.BORDER:
        return replace(project, bought_border=changed_print(project.bought_border, form))
    if place == Bought.BINDING:
        return replace(project, bought_binding=changed_print(project.bought_binding, form))
    pulled = _fabric(project, place)
    if form.pulled == 0:
        return project.returning({int(place)})
    if form.pulled is not None:
        pulled = replace(pulled, count=form.pulled)
        project = project.with_pulled(int(place), pulled)
    if form.value is not None and form.value is not pulled.print.value:
        return project.with_pulled(int(place), replace(pulled, value=form.value))
    cloth = changed_print(pulled.stack.print, _but_value(form))
    if form.family in FAMILIES and form.family != cloth.family:
        cloth = replace(cloth, judged_family=form.family)
    project = _with_cloth(project, pulled, cloth)
    return _measured(project, place, form) if form.sizes else project


def _but_value(form: FabricForm) -> FabricForm:
    """The form without a value: how a fabric reads here is not how it reads at home."""
    return form.model_copy(update={"value": None})


def _with_cloth(project: Project, pulled: Pulled, cloth: Print) -> Project:
    stack = replace(pulled.stack, print=cloth)
    lot = pulled.kept.lot.with_stack(pulled.place, stack)
    return project.with_lot(pulled, replace(pulled.kept, lot=lot))


def _measured(project: Project, place: str, form: FabricForm) -> Project:
    pulled = _fabric(project, place)
    kept = pulled.kept
    lot = replace(
        kept.lot,
        width=form.width or kept.lot.width,
        length=form.length or kept.lot.length,
        measured_length=form.measured_length,
    )
    return project.with_lot(pulled, replace(kept, lot=lot))


def _without(project: Project, place: str, spoiled: int) -> Project:
    """The project and its lot after pieces were spoiled."""
    pulled = _fabric(project, place)
    whole = pulled.count - pulled.cut
    if spoiled > whole:
        raise BadFabric(f"Only {whole} of it are whole.")
    if spoiled == pulled.kept.lot.count:
        raise BadFabric("That is the whole lot: return it, then take it out of the cupboard.")
    stack = replace(pulled.stack, count=pulled.stack.count - spoiled)
    lot = pulled.kept.lot.with_stack(pulled.place, stack)
    smaller = project.with_lot(pulled, replace(pulled.kept, lot=lot))
    if spoiled == pulled.count:
        return smaller.returning({int(place)})
    left = replace(smaller.fabrics[int(place)], count=pulled.count - spoiled)
    return smaller.with_pulled(int(place), left)


def _roles(now: tuple[Role, ...], form: RoleForm) -> tuple[Role, ...]:
    if form.besides:
        others = tuple(role for role in now if role is not form.role)
        return (others or now) if form.role in now else (*now, form.role)
    if form.instead_of is not None:
        return (*(role for role in now if role is not form.instead_of), form.role)
    return (form.role,)


def _next_value(pulled: Pulled) -> Value:
    values = list(Value)
    return values[(values.index(pulled.print.value) + 1) % len(values)]


def _beside_the_others(project: Project) -> tuple[Value, ...]:
    return judge_together([pulled.stack.print.swatch.blend for pulled in project.fabrics])


def _ordered(project: Project, order: Order) -> Project:
    fabrics = project.fabrics
    places = sort_colours([pulled.stack.print.swatch.blend for pulled in fabrics], order)
    laid = [fabrics[place] for place in places]
    if order is Order.VALUE:
        laid.sort(key=lambda pulled: list(Value).index(pulled.print.value))
    return replace(project, fabrics=tuple(laid))


def _answer(request: Request, room: Workroom, opened: OpenProject, chosen: str) -> Response:
    context = _context(room, opened, chosen)
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
    context = _context(room, opened, chosen, strips)
    if bad:
        context |= {"errors": bad.errors, "typed": bad.typed}
    fragment = is_fragment_request(request)
    template = "pull/answer.html" if fragment else "pull/page.html"
    return render(request, template, context | {"oob": fragment}, 422 if bad else 200)


def _again(
    request: Request, room: Workroom, opened: OpenProject, chosen: str, bad: BadForm
) -> Response:
    """The page once more, with what was typed and what is wrong with it."""
    return _shown(request, room, opened, chosen, bad)


def _context(room: Workroom, opened: OpenProject, chosen: str, strips: str = "") -> dict[str, Any]:
    project = opened.project
    bought = {
        Bought.BORDER.value: project.bought_border,
        Bought.BINDING.value: project.bought_binding,
    }
    if chosen not in bought and not (chosen.isdecimal() and int(chosen) < len(project.fabrics)):
        chosen = "0" if project.fabrics else Bought.BORDER.value
    strip_width, strip_error = _strip_width(strips, opened)
    aside = [pulled.lot for pulled in project.fabrics if pulled.aside]
    scale = scale_of([*([p.lot for p in group] for _, group in _by_role(project)), aside])
    items = [_item(pulled, n, opened, scale) for n, pulled in enumerate(project.fabrics)]
    return project_context(opened, Stage.PULL) | {
        "groups": _groups(opened, items, strip_width, scale),
        "empty_roles": [r for r in Role if not any(p.serves(r) for p in project.fabrics)],
        "set_aside": [item for item in items if item["pulled"].aside],
        "reasons": [("", "no"), *((reason.value, reason.value) for reason in Aside)],
        "role_keys": ROLE_KEYS,
        "all_area": sum((pulled.area for pulled in project.fabrics), Fraction(0)),
        "strip_width": strip_width,
        "strip_error": strip_error,
        "bought": _bought(project),
        "chosen": chosen,
        "cloth": bought.get(chosen) or project.fabrics[int(chosen)].print,
        "swatch": draw_swatch(bought.get(chosen) or project.fabrics[int(chosen)].print),
        "pulled": None if chosen in bought else project.fabrics[int(chosen)],
        "at_home": None if chosen in bought else _at_home(room, opened, int(chosen)),
        "pieces": _pieces(project),
        "values": _values(project),
        "mind": look_over(project, opened.units),
        "reads": _reads(project, chosen),
        "read_otherwise": _read_otherwise(project),
        "all_roles": list(Role),
        "all_values": list(Value),
        "motifs": list(Motif),
        "scales": list(Scale),
        "families": FAMILIES,
        **_found(room, opened, ""),
    }


def _strip_width(said: str, opened: OpenProject) -> tuple[Fraction, str]:
    usual = opened.project.lot.width if opened.project.working else _USUAL_STRIP
    if not said.strip():
        return usual, ""
    try:
        width = parse_length(said, opened.units)
    except KerseyError as error:
        return usual, str(error)
    return (width, "") if 0 < width <= 60 else (usual, "A strip is at most 60″ wide, like 2 1/2.")


def _item(pulled: Pulled, place: int, opened: OpenProject, scale: float) -> dict[str, Any]:
    drawing, narrow = hang(pulled.lot, opened.units, scale)
    facts = FACTS[pulled.kept.lot.form]
    return {
        "place": place,
        "pulled": pulled,
        "name": pulled.print.name,
        "drawing": drawing,
        "narrow": narrow,
        "much": _much(pulled, opened),
        "words": f"{pulled.count} {facts.one if pulled.count == 1 else facts.many}",
    }


def _much(pulled: Pulled, opened: OpenProject) -> str:
    """How much of it hangs there, as short as can be."""
    lot = pulled.kept.lot
    if lot.grams is not None:
        return f"{lot.grams} g"
    if lot.form in CUT_FROM_THE_LENGTH and pulled.count == 1:
        return format_length(pulled.length, opened.units)
    return str(pulled.count)


def _by_role(project: Project) -> list[tuple[Role, list[Pulled]]]:
    """The roles that something serves, with what serves them."""
    serving = [(role, [p for p in project.fabrics if p.serves(role)]) for role in Role]
    return [(role, group) for role, group in serving if group]


def _groups(
    opened: OpenProject, items: list[dict[str, Any]], strip_width: Fraction, scale: float
) -> list[dict[str, Any]]:
    """Each role with its fabrics, drawn, and its totals."""
    return [
        {
            "role": role,
            "total": total_of(role, opened.project.fabrics, strip_width),
            "tape": wall_tape([pulled.lot for pulled in group], opened.units, scale),
            "items": [item for item in items if item["pulled"].serves(role)],
        }
        for role, group in _by_role(opened.project)
    ]


def _bought(project: Project) -> dict[str, tuple[Print, str]]:
    """Prints to buy: for the parts that no pulled fabric serves."""
    served = {role for role in Role if any(p.serves(role) for p in project.fabrics)}
    parts = {
        Bought.BORDER: (Role.BORDER, project.bought_border),
        Bought.BINDING: (Role.BINDING, project.bought_binding),
    }
    return {
        part.value: (cloth, draw_swatch(cloth))
        for part, (role, cloth) in parts.items()
        if role not in served
    }


def _at_home(room: Workroom, opened: OpenProject, place: int) -> dict[str, Any]:
    """How many of the chosen print there are, and who else holds some."""
    pulled = opened.project.fabrics[place]
    assert pulled.lot_number is not None
    with room.transaction() as session:
        held = [
            holding
            for holding in holdings(session, [pulled.lot_number])
            if holding.stack_id == pulled.stack.number and holding.project_id != opened.stored.id
        ]
    return {"pieces": pulled.stack.count, "others": held}


def _pieces(project: Project) -> tuple[int, str]:
    """How much is pulled: strips if it is all strips, else pieces."""
    count = sum(pulled.count for pulled in project.fabrics)
    forms = {pulled.kept.lot.form for pulled in project.fabrics}
    if len(forms) != 1:
        return count, "piece" if count == 1 else "pieces"
    facts = FACTS[forms.pop()]
    return count, facts.one if count == 1 else facts.many


def _values(project: Project) -> list[tuple[str, int]]:
    """Pieces of each value."""
    return [
        (value.value, sum(p.count for p in project.fabrics if p.print.value is value))
        for value in Value
    ]


def _reads(project: Project, chosen: str) -> Value | None:
    """How the chosen fabric reads beside the others, where that is not what it is called."""
    if not chosen.isdecimal():
        return None
    value = _beside_the_others(project)[int(chosen)]
    return None if value is project.fabrics[int(chosen)].print.value else value


def _read_otherwise(project: Project) -> int:
    values = _beside_the_others(project)
    return sum(p.print.value is not v for p, v in zip(project.fabrics, values, strict=True))


def _found(room: Workroom, opened: OpenProject, words: str) -> dict[str, Any]:
    """Lots whose name is typed; when there are none, the words read as fabric to put in."""
    lines: list[LotLine] = []
    held: dict[int, int] = {}
    if words.strip():
        with room.transaction() as session:
            lines = list_lots(session, Find(words=words[:100]), 0, _FOUND_SHOWN)
            for holding in holdings(session, [line.id for line in lines]):
                held[holding.lot_id] = held.get(holding.lot_id, 0) + holding.count
    reading = read_line(words, opened.preferences.workshop) if words.strip() else None
    return {
        "words": words,
        "found": [_found_line(line, held.get(line.id, 0), opened) for line in lines],
        "reading": reading if reading and not lines else None,
        "project_id": opened.stored.id,
        "revision": opened.stored.revision,
        "units": opened.units,
    }


def _found_line(line: LotLine, held: int, opened: OpenProject) -> dict[str, Any]:
    facts = FACTS[line.form]
    free = line.count - held
    by_length = line.form in CUT_FROM_THE_LENGTH and line.count == 1
    return {
        "line": line,
        "colours": draw_colours(line.blends),
        "free": free,
        "words": f"{counted(free, facts.one)}" if facts.one != facts.many else f"{free}",
        "size": size_in_words(line, opened.units),
        "whole": format_length(line.length, opened.units) if by_length else free,
    }
