"""The most blocks of any fabric: drawn, proved, explained; and tried while a ruler is moved."""

from dataclasses import replace
from fractions import Fraction
from typing import Annotated

from fastapi import APIRouter, Query, Request
from starlette.responses import Response

from kersey.core.cloth.forms import Form
from kersey.core.errors import InvalidValue, KerseyError
from kersey.core.planning.asking import reference_of
from kersey.core.project.project import Project
from kersey.core.project.question import YieldAsked, yield_asked
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.pulled import Pulled
from kersey.core.yields.claims import CountClaim, Verdict, judge_size
from kersey.core.yields.count import NONE, Count, count_of
from kersey.core.yields.report import at_usable
from kersey.core.yields.steps import OnlyTried, YieldQuestion
from kersey.web.forms import BadForm, Typed, TypedForm, read_form, refused_at
from kersey.web.open_project import Opened, OpenProject, change, open_project, sent
from kersey.web.project_page import answer_change, go_to
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Room, Workroom
from kersey.web.yield_page import own, sizes, wall
from kersey.web.yield_page.finding import find, question_for
from kersey.web.yield_page.forms import (
    ClaimForm,
    MeasuredForm,
    TriedForm,
    YieldForm,
    field_of,
    with_choices,
)
from kersey.web.yield_page.sliders import cloth_slider, seam_slider
from kersey.web.yield_page.view import PLAN_MARKS, yield_context

router = APIRouter()
router.include_router(wall.router)
router.include_router(sizes.router)
router.include_router(own.router)

# How long a request may stay open for news of a search, and for an answer that is only tried.
_NEWS, _TRIED, _CLAIM = 4.0, 4.0, 15.0


def _again(request: Request, room: Workroom, opened: OpenProject, bad: BadForm) -> Response:
    """The page with what is wrong at its field; its answer is that to the question before."""
    context = yield_context(room, opened)
    context |= {"errors": bad.errors, "typed": bad.typed, "question_before": True}
    if is_fragment_request(request):
        context |= {"oob": True, "new_block": True}
        return render(request, "yield_page/answer.html", context, 422)
    return render(request, "yield_page/page.html", context, 422)


@router.get("/projects/{project_id}/yield", name="yield_page")
def yield_page(request: Request, room: Room, opened: Opened) -> Response:
    project = opened.project
    settled = project.design.block_chosen or project.plan_taken
    if not settled and any(pulled.for_blocks for pulled in project.fabrics):
        # A block is chosen by looking at what the fabric can become.
        context = wall.wall_context(room, opened, wall.Looked())
        return render(request, "yield_page/wall.html", context)
    return render(request, "yield_page/page.html", yield_context(room, opened))


@router.get("/projects/{project_id}/yield/block", name="yield_block")
def yield_block(request: Request, room: Room, opened: Opened) -> Response:
    """The block as it is chosen, or as Kersey proposes it, and all that is to be said of it."""
    wall.leave(room, opened.stored.id)
    return render(request, "yield_page/page.html", yield_context(room, opened))


@router.get("/projects/{project_id}/yield/news", name="yield_news")
def yield_news(
    request: Request,
    room: Room,
    opened: Opened,
    revision: int = 0,
    seen: int = Query(0, ge=0, le=10_000),
    drawn: int = Query(0, ge=0, lt=PLAN_MARKS),
) -> Response:
    """What the search has found since the page was shown with so many pieces of news.

    `drawn` is the mark of the plan that the page shows.
    """
    asked = opened.asked
    if opened.stored.revision == revision:
        question = question_for(room, opened, asked)
        room.searches.ask(opened.stored.id, question).wait(seen, _NEWS)
        opened = open_project(room, opened.stored.id)
    if opened.stored.revision != revision:
        # The page has changed meanwhile, and asks for itself.
        return Response(status_code=204)
    context = yield_context(room, opened, 0)
    # The drawings are sent again only if the plan is another one.
    context |= {"oob": True, "only_news": context["plan_mark"] == drawn}
    return render(request, "yield_page/answer.html", context)


@router.get("/projects/{project_id}/yield/try", name="try_yield")
def try_yield(request: Request, room: Room, opened: Opened) -> Response:
    """The blocks of other cloth or another seam, while a slider is still moving."""
    try:
        form = _tried(opened, dict(request.query_params))
        asked = _asked_at(opened, form.try_seam)
    except KerseyError as error:
        return Response(str(error), status_code=422, media_type="text/plain; charset=utf-8")
    changed = at_usable(asked.problem, form.usable - reference_of(asked))
    count: Count | None = NONE
    if changed is not None:
        question = YieldQuestion(changed, rules_are_a_wish=asked.rules_are_a_wish)
        search = room.searches.ask(("try", opened.stored.id), OnlyTried(question))
        search.wait(0, _TRIED)
        count = count_of(search.answer.plan) if search.answer else None
    kept = opened.project.plan
    current = kept is not None and kept.question == opened.asked.fingerprint
    context = {
        "tried": form,
        "tried_count": count,
        "project_id": opened.stored.id,
        "blocks": kept.possible if kept and current else None,
        "units": opened.units,
    }
    return render(request, "yield_page/tried.html", context)


def _asked_at(opened: OpenProject, seam: Fraction) -> YieldAsked:
    """The question of a project at a seam, in inches."""
    own = seam == opened.project.design.seam
    return opened.asked if own else yield_asked(opened.project, seam)


def _tried(opened: OpenProject, typed: Typed) -> TriedForm:
    """What the sliders stand at; one that was not moved says exactly what is kept."""
    form = read_form(TriedForm, typed, opened.units)
    cloth = cloth_slider(opened.asked, opened.units)
    seam = seam_slider(opened.project.design.seam, opened.units)
    return form.model_copy(
        update={
            "usable": cloth.read(typed["usable"], form.usable),
            "try_seam": seam.read(typed["try_seam"], form.try_seam),
        }
    )


@router.get("/projects/{project_id}/yield/claim", name="judge_claim")
def judge_claim(request: Request, room: Room, opened: Opened) -> Response:
    """Whether the arithmetic agrees with what a label promises."""
    try:
        form = read_form(ClaimForm, dict(request.query_params), opened.units)
        verdicts = _verdicts(room, opened, form)
    except KerseyError as error:
        return Response(str(error), status_code=422, media_type="text/plain; charset=utf-8")
    context = {"verdicts": verdicts, "units": opened.units}
    if is_fragment_request(request):
        return render(request, "yield_page/verdicts.html", context)
    typed = dict(request.query_params)
    page = yield_context(room, opened) | context | {"typed": typed}
    return render(request, "yield_page/page.html", page)


@router.post("/projects/{project_id}/yield", name="change_yield")
def change_yield(
    request: Request,
    room: Room,
    opened: Opened,
    form: Annotated[YieldForm, sent(YieldForm, _again)],
    typed: TypedForm,
) -> Response:
    """Keep the block and how it is cut."""
    before, units = opened.project.design.block.recipe, opened.units
    try:
        opened = change(
            room, opened.stored.id, form.revision, lambda p: with_choices(p, form, typed, units)
        )
    except BadForm:
        raise
    except InvalidValue as error:
        raise BadForm({field_of(error): str(error)}) from None
    # The fields are shown anew for another block, and to take away what was wrong with them.
    anew = form.recipe != before or "was_refused" in typed or "wave" in typed
    context = yield_context(room, opened) | {"new_block": anew}
    return answer_change(request, opened, "yield_page/answer.html", context, "yield_page")


@router.post("/projects/{project_id}/yield/measured", name="keep_measured")
def keep_measured(
    request: Request,
    room: Room,
    opened: Opened,
    form: Annotated[MeasuredForm, sent(MeasuredForm, _again)],
    typed: TypedForm,
) -> Response:
    """Keep what the cloth measured: every fabric for the blocks is so much longer or shorter."""
    with refused_at("usable"):
        slider = cloth_slider(opened.asked, opened.units)
        step = slider.read(typed["usable"], form.usable) - slider.now
        if step:
            change(room, opened.stored.id, form.revision, lambda p: _measured(p, step))
    return go_to(request, "yield_block", opened)


def _measured(project: Project, step: Fraction) -> Project:
    done: list[Pulled] = []
    for pulled in project.fabrics:
        if pulled.for_blocks and not any(pulled.same_lot(other) for other in done):
            done.append(pulled)
            project = project.with_lot(pulled, _so_much_more(pulled.kept, step))
    return project


def _so_much_more(kept: CupboardLot, step: Fraction) -> CupboardLot:
    """A lot whose cloth is so many inches wider between its selvedges than was thought."""
    lot = kept.lot
    if lot.form is Form.YARDAGE:
        left = (100 - lot.taken_across) / 100
        return replace(kept, lot=replace(lot, width=lot.width + step / left))
    stacks = tuple(
        replace(stack, measured_length=stack.measured_length + step)
        if stack.measured_length
        else stack
        for stack in lot.stacks
    )
    return replace(kept, lot=replace(lot, measured_length=lot.usable_length + step, stacks=stacks))


def _verdicts(room: Workroom, opened: OpenProject, form: ClaimForm) -> list[Verdict]:
    asked = opened.asked
    seam = opened.project.design.seam
    found = []
    if form.promised_width is not None and asked.finished is not None:
        claimed = form.promised_width, form.promised_height or form.promised_width
        found.append(
            judge_size(claimed, asked.finished, asked.assembly.patches, seam, opened.units)
        )
    if form.promised_blocks is not None:
        known = find(room, opened, asked, _CLAIM).known
        if known is not None:
            claim = CountClaim(form.promised_blocks, known.plan, seam)
            judged = room.searches.ask(("claim", opened.stored.id), claim)
            judged.wait(0, _CLAIM)
            found.extend([judged.answer] if judged.answer else [])
    return found
