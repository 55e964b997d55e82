"""The cupboard as it is shown: what is found, a row for each lot, and lines read back."""

from collections import OrderedDict
from collections.abc import Sequence
from typing import Any
from urllib.parse import urlencode

from fastapi import Request
from markupsafe import Markup
from starlette.responses import RedirectResponse, Response

from kersey.core.cloth.colour import FAMILIES
from kersey.core.cloth.fabric import Value
from kersey.core.cloth.forms import FACTS, Form
from kersey.core.measure.length import Units
from kersey.core.stash.lot_words import pieces_in_words, size_in_words
from kersey.core.stash.quick_entry import lines_of, read_lots
from kersey.drawing.pieces import draw_colours, draw_piece
from kersey.drawing.shelf import draw_on_shelf
from kersey.store.cupboard import Find, LotLine, count_lots, last_change, list_lots
from kersey.store.holdings import Holding, holdings
from kersey.store.preferences import Preferences, load_preferences
from kersey.store.projects import list_projects
from kersey.web.cupboard.forms import CupboardView, FindForm
from kersey.web.forms import BadForm, read_form
from kersey.web.templating import fragment
from kersey.web.workroom import Workroom

_ON_A_SHELF = 24
_QUILTS_OFFERED = 12
# So many lines are read back; the rest is counted, and put in like them.
_READ_BACK = 60


# (project, its name, pieces held, those of them cut)
Holders = tuple[tuple[int, str, int, int], ...]


def cupboard_context(request: Request, room: Workroom, asked: dict[str, str]) -> dict[str, Any]:
    """All that the page shows, for what is asked of it by its address."""
    with room.reading() as session:
        preferences = load_preferences(session)
        units = preferences.workshop.units
        form, errors = _find_form(asked, units)
        find = _find(form)
        total = count_lots(session, find)
        lots = list_lots(session, find, (form.shelf - 1) * _ON_A_SHELF, _ON_A_SHELF)
        newest = last_change(session)
        held = holdings(session, [lot.id for lot in lots])
        quilts = list_projects(session, 0, _QUILTS_OFFERED)
    return {
        "theme": preferences.theme,
        "units": units,
        "rows": [
            _row(
                request, lot, holders_of([h for h in held if h.lot_id == lot.id]), units, form.view
            )
            for lot in lots
        ],
        "view": form.view,
        "searched": any(v for k, v in asked.items() if k not in {"shelf", "view"}),
        "other_view_query": urlencode(
            {k: v for k, v in asked.items() if k not in {"shelf", "view"} and v}
        ),
        "quilts": quilts,
        "total": total,
        "shelf": form.shelf,
        "shelves": max(1, -(-total // _ON_A_SHELF)),
        "asked": asked,
        "query": urlencode({k: v for k, v in asked.items() if k != "shelf" and v}),
        "undoes": newest,
        "lines": "",
        "readings": [],
        "more_lines": 0,
        "put_in": 0,
        "errors": errors,
        "all_forms": [("", "all forms"), *((f.value, FACTS[f].many) for f in Form)],
        "all_values": [("", "all values"), *((v.value, v.value) for v in Value)],
        "all_families": [("", "all colors"), *((f, f) for f in FAMILIES)],
        "all_aside": [
            ("", "all"),
            ("false", "not set aside"),
            ("true", "set aside"),
            ("used", "used up"),
        ],
    }


def _find_form(asked: dict[str, str], units: Units) -> tuple[FindForm, dict[str, str]]:
    """What is looked for; a field that cannot be read is told and left out."""
    try:
        return read_form(FindForm, asked, units), {}
    except BadForm as bad:
        rest = {name: value for name, value in asked.items() if name not in bad.errors}
        return read_form(FindForm, rest, units), bad.errors


def _find(form: FindForm) -> Find:
    return Find(
        words=form.words,
        form=form.form,
        value=form.value,
        family=form.family if form.family in FAMILIES else None,
        least_width=form.least_width,
        most_width=form.most_width,
        aside={"true": True, "false": False}.get(form.aside or ""),
        used_up=form.aside == "used",
    )


# Rows drawn lately, by everything they show: most of a list is what was there a moment ago.
_ROWS_KEPT = 6000
_rows_drawn: "OrderedDict[tuple[object, ...], Markup]" = OrderedDict()


def _row(
    request: Request, lot: LotLine, holders: Holders, units: Units, view: CupboardView
) -> Markup:
    """A lot as it lies on its shelf, or its row in the table."""
    key = (lot, holders, units, view)
    row = _rows_drawn.get(key)
    if row is None:
        template = "cupboard/on_shelf.html" if view is CupboardView.SHELVES else "cupboard/row.html"
        row = fragment(request, template, {"lot": _line(lot, holders, units)})
        _rows_drawn[key] = row
        while len(_rows_drawn) > _ROWS_KEPT:
            _rows_drawn.popitem(last=False)
    return row


def _line(lot: LotLine, holders: Holders, units: Units) -> dict[str, Any]:
    return {
        "id": lot.id,
        "mark": f"{lot.id}-{lot.revision}",
        "name": lot.name,
        "colours": draw_colours(lot.blends),
        "drawing": draw_on_shelf(
            lot.form,
            lot.count,
            float(lot.most_width or lot.usable_width),
            float(lot.most_length or lot.usable_length),
            lot.blends,
            lot.name,
        ),
        "words": (pieces_in_words(lot), size_in_words(lot, units)),
        "prints": lot.prints,
        "value_words": " to ".join(dict.fromkeys((*lot.values[:1], *lot.values[-1:]))),
        "aside": lot.aside,
        "free": lot.count - sum(count for _, _, count, _ in holders),
        "count": lot.count,
        "holders": holders,
    }


def holders_of(held: Sequence[Holding]) -> Holders:
    """(project, its name, pieces held, those of them cut), one line for each project."""
    lines: dict[int, tuple[str, int, int]] = {}
    for holding in held:
        _, count, cut = lines.get(holding.project_id, ("", 0, 0))
        lines[holding.project_id] = (holding.project_name, count + holding.count, cut + holding.cut)
    return tuple((number, *line) for number, line in lines.items())


def readings_of(text: str, preferences: Preferences) -> dict[str, Any]:
    """The first lines as they are read, each with its drawing, and how many more there are."""
    every = lines_of(text)
    readings = [r for line in every[:_READ_BACK] for r in read_lots(line, preferences.workshop)]
    lines = [reading.line.strip() for reading in readings]
    shown = [
        {
            "reading": reading,
            "piece": draw_piece(reading.lot, preferences.workshop.units) if reading.lot else "",
            "again": lines.index(reading.line.strip()) < place,
        }
        for place, reading in enumerate(readings)
    ]
    return {"readings": shown, "more_lines": max(0, len(every) - _READ_BACK)}


def back_to_the_shelf(request: Request, typed: Any) -> Response:
    """Back to the shelf one came from."""
    query = str(typed.get("query", ""))
    address = str(request.app.url_path_for("cupboard_page"))
    return RedirectResponse(f"{address}?{query}" if query else address, status_code=303)


def see_lot(request: Request, lot_id: int) -> Response:
    """To the page of a lot."""
    address = request.app.url_path_for("lot_page", lot_id=lot_id)
    return RedirectResponse(address, status_code=303)
