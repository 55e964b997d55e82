"""What do I lack? A quilt for a bed or lap of these blocks, and the cheapest way to get it."""

from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import Annotated, Any

from fastapi import APIRouter, Query, Request
from starlette.datastructures import QueryParams
from starlette.responses import RedirectResponse, Response

from kersey.core.cloth.fabric import Print
from kersey.core.errors import Infeasible
from kersey.core.frame.purposes import ALL_BEDS, BEDS, COVERS, METRIC_BEDS, Wish
from kersey.core.measure.length import Units
from kersey.core.planning.enough_for import enough_for
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import make_quilt
from kersey.core.quilt.shopping import Offer, ShoppingList, shopping_question
from kersey.core.stash.order import Ordered
from kersey.core.stash.price_list import PriceList
from kersey.drawing.quilt import draw_quilt
from kersey.formats.order import write_order
from kersey.store.prices import load_prices
from kersey.web.download import saved_as
from kersey.web.open_project import Opened, OpenProject, RevisedForm, change, sent
from kersey.web.project_page import go_to, project_context
from kersey.web.size.stage import STAGE
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Room, Workroom

router = APIRouter()

_FIRST, _MORE = 0.8, 3.0
_AS_IT_IS = ""


class TakeSizeForm(RevisedForm):
    """What the quilt is to be large enough for."""

    purpose: str = _AS_IT_IS


@router.get("/projects/{project_id}/size/shopping", name="shopping")
def shopping(
    request: Request,
    room: Room,
    opened: Opened,
    purpose: str = Query(_AS_IT_IS, max_length=12),
    seen: int = Query(0, ge=0, le=10_000),
) -> Response:
    """The list as far as it is known; the person's own choices are in the address."""
    page = "lacks.html" if is_fragment_request(request) else "shopping.html"
    context = _context(room, opened, purpose, seen, request.query_params)
    return render(request, f"size/{page}", context)


@router.get("/projects/{project_id}/size/order.json", name="order_file")
def order_file(
    request: Request, room: Room, opened: Opened, purpose: str = Query(_AS_IT_IS, max_length=12)
) -> Response:
    """The order, once everything on the list is known; else back to the list."""
    context = _context(room, opened, purpose, 0, request.query_params)
    if not context["complete"]:
        address = request.app.url_path_for("shopping", project_id=opened.stored.id)
        return RedirectResponse(f"{address}?purpose={purpose}", status_code=303)
    named = {part.name: part.cloth.prints[:1] for part in context["larger"].to_buy}
    lines = [
        (Ordered(offer.ware, offer.quantity, what, _name(named.get(what, ()))), offer.cost)
        for what, offer in context["chosen"].items()
    ]
    return Response(
        write_order(opened.project.name, lines),
        media_type="application/json",
        headers=saved_as(opened.project.name, "json", "shopping list"),
    )


@router.post("/projects/{project_id}/size/shopping", name="make_it_so_large")
def make_it_so_large(
    request: Request, room: Room, opened: Opened, form: Annotated[TakeSizeForm, sent(TakeSizeForm)]
) -> Response:
    """The quilt is to be as large as this; its places without a block stay empty for now."""
    wish = _wish(opened.project, form.purpose)
    if wish is not None and opened.quilt is not None:
        change(
            room,
            opened.stored.id,
            form.revision,
            lambda p: enough_for(p, wish, opened.units) if p.plan else p,
        )
    return go_to(request, "size_page", opened)


def _context(
    room: Workroom, opened: OpenProject, purpose: str, seen: int, chosen: QueryParams
) -> dict[str, Any]:
    with room.reading() as session:
        prices, _ = load_prices(session)
    context = project_context(opened, STAGE) | {
        "purposes": _purposes(opened.units),
        "purpose": purpose,
        "larger": None,
        "complete": False,
    }
    if opened.quilt is None:
        return context
    wish = _wish(opened.project, purpose)
    project = opened.project
    try:
        larger = enough_for(project, wish, opened.units) if wish else project
        quilt = make_quilt(larger, opened.units)
    except Infeasible as error:
        return context | {"no_quilt": str(error)}
    found, count, going_on = _found(room, opened, larger, prices, seen)
    taken = _chosen(found, chosen)
    return context | {
        "larger": quilt,
        "drawing": draw_quilt(quilt),
        "found": found,
        "chosen": taken,
        "cost": sum(offer.cost for offer in taken.values()),
        "currency": room.preferences().currency,
        "complete": found.complete,
        "going_on": going_on,
        "seen": count,
        "query": chosen.multi_items(),
    }


def _found(
    room: Workroom, opened: OpenProject, larger: Project, prices: PriceList, seen: int
) -> tuple[ShoppingList, int, bool]:
    question = shopping_question(larger, opened.units, prices)
    if question is None:
        return ShoppingList(complete=True), 0, False
    inquiry = room.searches.ask(("shopping", opened.stored.id), question)
    inquiry.wait(seen, _MORE if seen else _FIRST)
    return inquiry.answer or ShoppingList(), inquiry.count, not inquiry.over


def _chosen(found: ShoppingList, chosen: Mapping[str, str]) -> dict[str, Offer]:
    """For each lack what a person has chosen, or the cheapest that is there."""
    taken = {}
    for number, lack in enumerate(found.lacks):
        if lack.offers:
            wished = chosen.get(f"take-{number}")
            own = (offer for offer in lack.offers if offer.ware.name == wished)
            taken[lack.what] = next(own, lack.offers[0])
    return taken


def _wish(project: Project, purpose: str) -> Wish | None:
    """The wish for a bed or lap that is on the list; None: the quilt as it is."""
    known = {*ALL_BEDS, *(cover.key for cover in COVERS)}
    return replace(project.design.wish, key=purpose) if purpose in known else None


def _purposes(units: Units) -> list[tuple[str, str]]:
    beds = BEDS if units is Units.INCHES else METRIC_BEDS
    named = [(cover.key, cover.name) for cover in COVERS] + [(bed.key, bed.name) for bed in beds]
    return [(_AS_IT_IS, "current size"), *named]


def _name(shown: Sequence[Print]) -> str:
    return shown[0].name if shown else ""
