"""At the table: one cut at a time, large; the next by one big target, a key or a pedal.

A cut is known by its facts, so that two screens can tick at once: what is made is made once, and
each screen follows the other.
"""

from dataclasses import dataclass, replace
from datetime import datetime
from enum import StrEnum
from fractions import Fraction
from functools import partial
from itertools import takewhile
from typing import Annotated, Any

from fastapi import APIRouter, Query, Request
from pydantic import Field
from starlette.responses import Response

from kersey.core.blocks.piece_codes import piece_codes
from kersey.core.measure.length import format_length
from kersey.core.project.design import CutOrder
from kersey.core.project.measuring_log import noted
from kersey.core.project.project import Project
from kersey.core.sewing.set_height import to_match
from kersey.core.work.at_table import (
    TableCut,
    after,
    before,
    cloths_in_hand,
    cuts_at_table,
    kits_of,
    made,
    settings,
    settings_one_by_one,
)
from kersey.drawing.at_table import draw_at_table
from kersey.web.cut.stage import STAGE
from kersey.web.forms import PageForm
from kersey.web.open_project import Change, Opened, OpenProject, RevisedForm, change, insist, sent
from kersey.web.project_page import answer_change, news_of, project_context
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Room, Workroom

router = APIRouter()


class Do(StrEnum):
    """What is done at the table."""

    CUT = "cut"
    BACK = "back"


class TableForm(PageForm):
    """A cut was made, or is taken back: which one says its key."""

    do: Do
    key: str = Field(max_length=60)


class OrderForm(RevisedForm):
    """Which stack is cut first."""

    order: CutOrder


@router.get("/projects/{project_id}/cut/table", name="cut_table")
def cut_table(request: Request, opened: Opened, seen: str = Query("", max_length=80)) -> Response:
    """The cut that comes next. Another screen asks whether it is still the one it has `seen`."""
    if seen and is_fragment_request(request):
        if opened.quilt is None or seen == _standing(opened).state:
            return Response(status_code=204)
        context = _context(opened) | {"oob": True}
        return render(request, "cut/table_answer.html", context, headers=news_of(opened))
    return render(request, "cut/table.html", _context(opened))


@router.post("/projects/{project_id}/cut/table", name="do_at_table")
def do_at_table(
    request: Request, room: Room, opened: Opened, form: Annotated[TableForm, sent(TableForm)]
) -> Response:
    """Tick a cut off, or take it back. Ticks of two screens do not meet: each is of its own cut."""
    opened = _done(room, opened, form)
    return answer_change(request, opened, "cut/table_answer.html", _context(opened), "cut_table")


@router.post("/projects/{project_id}/cut/table/order", name="order_cuts")
def order_cuts(
    request: Request, room: Room, opened: Opened, form: Annotated[OrderForm, sent(OrderForm)]
) -> Response:
    """Say which stack is cut first."""

    def ordered(project: Project) -> Project:
        return replace(project, design=replace(project.design, cut_order=form.order))

    opened = change(room, opened.stored.id, form.revision, ordered)
    return answer_change(request, opened, "cut/table_answer.html", _context(opened), "cut_table")


def _done(room: Workroom, opened: OpenProject, form: TableForm) -> OpenProject:
    """The project once the cut is ticked, whoever else has ticked meanwhile."""

    def ticked(now: OpenProject) -> Change | None:
        cuts = _cuts(now)
        cut = next((cut for cut in cuts if cut.key == form.key), None)
        if cut is None:
            return None
        how = partial(after if form.do is Do.CUT else before, cuts=cuts, cut=cut)
        words = _last_words(now, cut) if form.do is Do.CUT else ""
        return partial(_noted, how, words, room.clock())

    return insist(room, opened, ticked)


def _noted(how: Change, words: str, now: datetime, project: Project) -> Project:
    """What was done last is remembered with it; what is taken back was not done."""
    ticked = how(project)
    return noted(ticked, words, now) if ticked != project else project


def _last_words(opened: OpenProject, cut: TableCut) -> str:
    quilt = opened.quilt
    assert quilt is not None
    codes = piece_codes(quilt.kept.cutting.problem.needs)
    names = dict.fromkeys(quilt.prints[layer.name].name for layer in cut.stack.layers)
    gives = ", ".join(codes[need] for need in cut.needs)
    size = format_length(cut.ruler, opened.units)
    return f"Cut {gives} at {size}, of {', '.join(names)}"


@dataclass(frozen=True)
class _Standing:
    """All cuts of a project, which of them are made, and what a screen that shows it has seen."""

    cuts: tuple[TableCut, ...]
    made: list[bool]

    @property
    def next(self) -> int | None:
        """The first cut that is not made."""
        return next((n for n, is_made in enumerate(self.made) if not is_made), None)

    @property
    def state(self) -> str:
        """What a screen is known by to be up to date."""
        return f"{sum(self.made)}-{'' if self.next is None else self.cuts[self.next].key}"


def _cuts(opened: OpenProject) -> tuple[TableCut, ...]:
    return _standing(opened).cuts


def _standing(opened: OpenProject) -> _Standing:
    """It is asked for every second, and worked out once."""
    known = opened.reckoned.beside.get(_Standing)
    if known is None:
        design = opened.project.design
        kits = kits_of(opened.quilt) if opened.quilt else ()
        cuts = cuts_at_table(opened.steps, design.layers, design.cut_order, kits)
        known = opened.reckoned.beside[_Standing] = _Standing(cuts, made(opened.project, cuts))
    assert isinstance(known, _Standing)
    return known


def _context(opened: OpenProject) -> dict[str, Any]:
    context = project_context(opened, STAGE) | {
        "cuts": [],
        "now": None,
        "back": None,
        "done_cuts": 0,
        "state": "",
        "orders": list(CutOrder),
    }
    if opened.quilt is None:
        return context
    standing = _standing(opened)
    cuts, there = standing.cuts, standing.made
    codes = piece_codes(opened.quilt.kept.cutting.problem.needs)
    last = max((n for n, is_made in enumerate(there) if is_made), default=None)
    context |= {
        "cuts": cuts,
        "done_cuts": sum(there),
        "back": None if last is None else cuts[last].key,
        "state": standing.state,
        "settings": settings(cuts),
        "in_hand": cloths_in_hand(cuts),
        "settings_plain": settings_one_by_one(opened.steps),
        "order": opened.project.design.cut_order,
    }
    if standing.next is None:
        return context
    return context | _next(opened, cuts, there, standing.next, codes)


def _next(
    opened: OpenProject, cuts: tuple[TableCut, ...], there: list[bool], now: int, codes: Any
) -> dict[str, Any]:
    quilt = opened.quilt
    assert quilt is not None
    cut = cuts[now]
    made_ones = [each for each, is_made in zip(cuts, there, strict=True) if is_made]
    cloth = quilt.prints[cut.stack.layers[0].name]
    of_stack = [each for each in cuts if each.stack == cut.stack]
    alike = [each for each in of_stack if each.motion == cut.motion]
    same_cloth = takewhile(lambda each: each.stack == cut.stack, cuts[now + 1 :])
    follows = [each for each in same_cloth if each not in made_ones]
    later = [each for each in of_stack if each not in (*made_ones, *follows, cut)]
    return {
        "now": cut,
        "drawing": draw_at_table(cut, made_ones, cloth, codes, opened.units),
        "layers": [(quilt.prints[layer.name].name, layer.pieces) for layer in cut.stack.layers],
        "gives": [codes[need] for need in cut.needs],
        "follows": [(each, [codes[need] for need in each.needs]) for each in follows],
        "comes_back": bool(later),
        "matched": _matched(opened, cut),
        "first_cut": now == 0,
        "strip_number": 1 + alike.index(cut),
        "strips": len(alike),
        "new_cloth": now > 0 and cuts[now - 1].stack != cut.stack,
    }


def _matched(opened: OpenProject, cut: TableCut) -> Fraction | None:
    """What the ruler is truly set at, where a strip set that this is to match was measured."""
    quilt = opened.quilt
    assert quilt is not None
    found = (to_match(quilt, opened.project, need) for need in cut.needs)
    height = next((each for each in found if each is not None), None)
    return height if cut.ruler in [need.width for need in cut.needs] else None
