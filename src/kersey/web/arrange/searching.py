"""The search for a better arrangement: asked for, followed while it works, and laid."""

from dataclasses import replace
from enum import StrEnum
from typing import Annotated, Any

from fastapi import APIRouter, Query, Request
from starlette.responses import Response

from kersey.core.measure.counting import counted
from kersey.core.wall.bounds import OF_PAIRS, LeastQuestion, may_be_proved
from kersey.core.wall.hand import CannotLay, OnWall
from kersey.core.wall.numbers import number_of
from kersey.core.wall.search import ArrangeQuestion, Found
from kersey.core.wall.troubles import find_troubles
from kersey.drawing.quilt import draw_miniature
from kersey.web.arrange.lay import answer_laid, lay
from kersey.web.arrange.troubled import Troubled, troubled
from kersey.web.arrange.view import arrange_context
from kersey.web.open_project import Opened, RevisedForm, sent
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Room

router = APIRouter()
# How long a request may stay open for news, in seconds: the first one answers at once.
_FIRST, _NEWS = 0.3, 3.0


class What(StrEnum):
    """What is searched for: few blocks moved, or all shuffled."""

    MEND = "mend"
    ANEW = "anew"


class TakeForm(RevisedForm):
    """What was found is laid."""

    what: What


def _question(shown: Troubled, what: What) -> ArrangeQuestion:
    lies = shown.lies
    return ArrangeQuestion(
        shown.wall,
        lies.arrangement,
        shown.weights,
        lies.laying.pins,
        lies.laying.aside,
        keep=what is What.MEND,
        before=() if what is What.MEND else (lies.places,),
    )


@router.get("/projects/{project_id}/arrange/search", name="search_wall")
def search_wall(
    request: Request, room: Room, opened: Opened, what: What, news: int = Query(0, ge=0)
) -> Response:
    """Ask for a better arrangement, or how far the search for it is."""
    context = arrange_context(room, opened)
    if opened.quilt is None:
        return render(request, "arrange/page.html", context)
    shown = troubled(opened.reckoned)
    inquiry = room.searches.ask(("wall", opened.stored.id), _question(shown, what))
    inquiry.wait(news, _NEWS if news else _FIRST)
    context |= {"what": what, "searching": inquiry, "after": inquiry.count}
    context |= _so_far(shown, inquiry.answer)
    whole = not is_fragment_request(request)
    return render(request, "arrange/page.html" if whole else "arrange/searching.html", context)


@router.post("/projects/{project_id}/arrange/search", name="take_found")
def take_found(
    request: Request, room: Room, opened: Opened, form: Annotated[TakeForm, sent(TakeForm)]
) -> Response:
    """Lay what was found."""

    def laid(shown: Troubled) -> tuple[OnWall, str]:
        found: Found | None = room.searches.known(_question(shown, form.what))
        if found is None:
            raise CannotLay("That result is gone. Search again.")
        moved = _moved(shown, found)
        words = "shuffled" if form.what is What.ANEW else f"mended, {counted(moved, 'block')} moved"
        return shown.lies.laid(found.arrangement.places), words

    return answer_laid(request, room, lay(room, opened.stored.id, form.revision, laid))


@router.get("/projects/{project_id}/arrange/proof", name="prove_wall")
def prove_wall(request: Request, room: Room, opened: Opened) -> Response:
    """What a small wall's troubles cannot be fewer than, proved."""
    context = {"lines": ()} | arrange_context(room, opened) | {"proved": {}, "proving": False}
    if opened.quilt is not None:
        shown = troubled(opened.reckoned)
        open_ones = tuple(
            line.trouble
            for line in shown.lines
            if line.weight and line.count > line.least and line.trouble in OF_PAIRS
        )
        if open_ones and may_be_proved(shown.wall, shown.lies.arrangement):
            inquiry = room.searches.ask(("proof", opened.stored.id), _least(shown, open_ones))
            inquiry.wait(10_000, _NEWS)
            context |= {"proved": inquiry.answer or {}, "proving": not inquiry.over}
    return render(request, "arrange/proof.html", context)


def _least(shown: Troubled, troubles: tuple[Any, ...]) -> LeastQuestion:
    held = tuple(
        (place, block)
        for place in sorted(shown.lies.laying.pins)
        for block in [shown.lies.places[place]]
        if block is not None
    )
    return LeastQuestion(shown.wall, shown.lies.laying.turns, held, troubles)


def _so_far(shown: Troubled, found: Found | None) -> dict[str, Any]:
    """What is found so far, in numbers, and the wall as it would lie."""
    if found is None:
        return {"found": None, "better": False, "preview": "", "freed": []}
    spots = find_troubles(shown.wall, found.arrangement)
    total = sum(len(of_it) for trouble, of_it in spots.items() if shown.weights.of(trouble))
    lying = replace(shown.quilt.kept, places=found.arrangement.places, laying=shown.lies.laying)
    quilt = replace(shown.quilt, kept=lying)
    return {
        "found": found,
        "found_total": total,
        "moved": _moved(shown, found),
        "better": found.arrangement.places != shown.lies.places,
        "preview": draw_miniature(quilt),
        "freed": [(number_of(shown.quilt.grid.seats[p]), saved) for p, saved in found.freed],
    }


def _moved(shown: Troubled, found: Found) -> int:
    """How many places have another block than now."""
    now, then = shown.lies.places, found.arrangement.places
    return sum(a != b for a, b in zip(now, then, strict=True))
