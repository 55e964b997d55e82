"""Where fabric went: entries with their dates, and the balance that they come to."""

from collections.abc import Iterable, Sequence
from typing import Annotated, Any

from fastapi import APIRouter, Path, Query, Request
from starlette.responses import Response

from kersey.core.measure.length import format_areas
from kersey.core.stash.ledger import Balance, Entry, balance
from kersey.drawing.balance import draw_balance
from kersey.store.cupboard import get_lot
from kersey.store.ledger import (
    all_sums,
    count_entries,
    entries_of_lot,
    entries_of_project,
    newest_entries,
)
from kersey.store.projects import get_project
from kersey.web.open_project import ProjectId
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom

router = APIRouter()

LotId = Annotated[int, Path(ge=1, le=2**31)]
# Prints that went one way on one day are one line: so many entries make about a screen of lines.
_ON_A_PAGE = 400


@router.get("/ledger", name="ledger_page")
def ledger_page(
    request: Request, room: Room, page: Annotated[int, Query(ge=1, le=100_000)] = 1
) -> Response:
    """All fabric, the newest entry first."""
    with room.reading() as session:
        entries = newest_entries(session, (page - 1) * _ON_A_PAGE, _ON_A_PAGE)
        total, sums = count_entries(session), balance(all_sums(session))
    pages = max(1, -(-total // _ON_A_PAGE))
    return _page(request, room, "All fabric", entries, sums, page=page, pages=pages)


@router.get("/cupboard/lots/{lot_id}/ledger", name="lot_ledger")
def lot_ledger(request: Request, room: Room, lot_id: LotId) -> Response:
    """One lot, from the day it came."""
    with room.reading() as session:
        name = get_lot(session, lot_id).kept.name
        entries = entries_of_lot(session, lot_id)
    back = request.app.url_path_for("lot_page", lot_id=lot_id)
    return _page(request, room, name, entries, balance(entries), back=(name, str(back)))


@router.get("/projects/{project_id}/ledger", name="project_ledger")
def project_ledger(request: Request, room: Room, project_id: ProjectId) -> Response:
    """What one quilt did with fabric."""
    with room.reading() as session:
        name = get_project(session, project_id).project.name
        entries = entries_of_project(session, project_id)
    back = request.app.url_path_for("pull_page", project_id=project_id)
    return _page(request, room, name, entries, None, back=(name, str(back)))


def _page(
    request: Request,
    room: Workroom,
    title: str,
    entries: Sequence[Entry],
    sums: Balance | None,
    *,
    page: int = 1,
    pages: int = 1,
    back: tuple[str, str] | None = None,
) -> Response:
    preferences = room.preferences()
    units = preferences.workshop.units
    context = {
        "theme": preferences.theme,
        "units": units,
        "title": title,
        "days": _by_day(entries),
        "sums": sums,
        "adds_up": format_areas(sums.came_in, (sums.used, sums.left, sums.lost), units)
        if sums
        else (),
        "drawing": draw_balance(sums, units) if sums and sums.came_in else "",
        "page": page,
        "pages": pages,
        "back": back,
    }
    return render(request, "ledger/page.html", context)


def _by_day(entries: Iterable[Entry]) -> list[dict[str, Any]]:
    """Entries of one moment alike but for the print taken together: a roll is one line."""
    lines: dict[tuple[object, ...], dict[str, Any]] = {}
    for entry in entries:
        key = (entry.at, entry.kind, entry.lot_id, entry.project_id)
        day = f"{entry.at:%B %-d %Y}"
        line = lines.setdefault(
            key, {"day": day, "entry": entry, "pieces": 0, "area": 0, "prints": 0}
        )
        line["pieces"] += entry.pieces
        line["area"] += entry.area
        line["prints"] += 1
    return list(lines.values())
