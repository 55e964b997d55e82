"""The glossary: every term in one sentence, to be looked up and led to from where it stands."""

from fastapi import APIRouter, Request
from starlette.responses import Response

from kersey.web.templating import render
from kersey.web.terms import TERMS
from kersey.web.workroom import Room

router = APIRouter()


@router.get("/glossary", name="glossary_page")
def glossary_page(request: Request, room: Room) -> Response:
    preferences = room.preferences()
    terms = sorted(TERMS.items(), key=lambda each: each[1].word)
    context = {
        "theme": preferences.theme,
        "units": preferences.workshop.units,
        "parts": [
            ("Words of the trade", [each for each in terms if not each[1].own]),
            ("Kersey's own words", [each for each in terms if each[1].own]),
        ],
    }
    return render(request, "glossary/page.html", context)
