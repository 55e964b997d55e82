"""What is shown when something is refused or fails: one plain page, what was typed still on it.

Programs get one sentence as JSON.
"""

import logging
import sqlite3
from urllib.parse import parse_qsl, urlsplit
from uuid import uuid4

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from sqlalchemy.exc import DBAPIError
from starlette.exceptions import HTTPException
from starlette.responses import JSONResponse, Response
from starlette.types import Message, Scope, Send

from kersey.core.errors import Infeasible, InvalidValue, KerseyError
from kersey.store.cupboard import LotsChanged, NoSuchLot, NotTheLast
from kersey.store.holdings import LotHeld
from kersey.store.preferences import PreferencesChanged, Theme
from kersey.store.prices import PricesChanged
from kersey.store.projects import NoSuchProject, ProjectChanged, ProjectGone
from kersey.store.trouble import Trouble, trouble_of
from kersey.web.forms import BadForm
from kersey.web.open_project import show_again
from kersey.web.templating import is_fragment_request, render

_log = logging.getLogger("kersey")
# Kinds of errors that may reach the top, and what they are to a browser.
_STATUS: dict[type[KerseyError], int] = {
    NoSuchProject: 404,
    NoSuchLot: 404,
    LotsChanged: 409,
    NotTheLast: 409,
    PricesChanged: 409,
    LotHeld: 409,
    ProjectGone: 410,
    InvalidValue: 422,
    Infeasible: 422,
}
_TITLES = {
    400: "Kersey can't use that address",
    403: "Not allowed",
    404: "Page not found",
    405: "That link can't do this",
    409: "It changed in the meantime",
    410: "Deleted",
    413: "Too large to send at once",
    422: "That won't work yet",
    500: "Something broke",
    503: "Kersey can't get at your data",
    507: "The disk is full",
}
_LONGEST_ECHO = 2000
_OF_TROUBLE = {Trouble.FULL: 507}
# Requests that change nothing.
READING = frozenset({"GET", "HEAD", "OPTIONS"})
_FOR_PROGRAMS = "/api/"


def install_error_pages(app: FastAPI) -> None:
    """Give every kind of error its page."""
    app.add_exception_handler(HTTPException, _http_page)
    app.add_exception_handler(RequestValidationError, _no_page)
    app.add_exception_handler(ProjectChanged, _conflict_page)
    app.add_exception_handler(PreferencesChanged, _conflict_page)
    app.add_exception_handler(BadForm, _form_page)
    app.add_exception_handler(KerseyError, _refusal_page)
    app.add_exception_handler(DBAPIError, _trouble_page)
    app.add_exception_handler(sqlite3.Error, _trouble_page)
    app.add_exception_handler(OSError, _trouble_page)


async def refuse(status: int, words: str, scope: Scope, send: Send) -> None:
    """Answer a request that was stopped at the door, without reading it."""
    await _page(Request(scope), status, words)(scope, _nothing_more, send)


async def tell_fault(error: Exception, scope: Scope, send: Send) -> None:
    """Answer a request on which Kersey failed; the log has the rest."""
    fault = uuid4().hex[:8]
    _log.error("fault %s at %s", fault, scope["path"], exc_info=error)
    words = (
        f"Kersey hit an error here (fault {fault}; details are in its log). "
        "Everything you saved before is safe."
    )
    await _page(Request(scope), 500, words)(scope, _nothing_more, send)


def _http_page(request: Request, error: Exception) -> Response:
    assert isinstance(error, HTTPException)
    words = {
        404: "There is no page here. Go to All quilts and open it from there.",
        405: "This address can't do that.",
    }.get(error.status_code, "Kersey can't answer this request.")
    answer = _page(request, error.status_code, words)
    # Which methods there are, where the method was wrong.
    answer.headers.update(error.headers or {})
    return answer


def _no_page(request: Request, _error: Exception) -> Response:
    """A project number that is no number."""
    return _page(request, 404, "There is no page here. Go to All quilts and open it from there.")


def _conflict_page(request: Request, error: Exception) -> Response:
    """Two windows, one thing: show both, overwrite nothing, let the person decide."""
    assert isinstance(error, ProjectChanged | PreferencesChanged)
    context = {
        "title": "Changed in another window",
        "words": str(error),
        "typed": _typed_fields(request),
        "action": request.url.path,
        "revision": error.current.revision,
        "back": _back(request),
        "theme": Theme.DEVICE,
    }
    if is_fragment_request(request):
        headers = {"HX-Retarget": "#notice", "HX-Reswap": "innerHTML"}
        return render(request, "layout/conflict.html", context, 409, headers)
    return render(request, "layout/conflict_page.html", context, 409)


def _trouble_page(request: Request, error: Exception) -> Response:
    """The disk or another program is in the way; all else is a fault."""
    trouble = trouble_of(error)
    if trouble is None:
        raise error
    words = trouble.words
    if trouble is not Trouble.DAMAGED:
        words += " Everything you saved before is safe."
    if request.method not in READING:
        words = f"This wasn't saved. {words}"
    answer = _page(request, _OF_TROUBLE.get(trouble, 503), words)
    if trouble is Trouble.BUSY:
        answer.headers["Retry-After"] = "2"
    return answer


def _back(request: Request) -> str:
    """The page that the form stands on, if it is one of ours."""
    return urlsplit(request.headers.get("referer", "/")).path


def _form_page(request: Request, error: Exception) -> Response:
    """The page a form was sent from, with its errors; of a form that names none, the refusal."""
    assert isinstance(error, BadForm)
    return show_again(request, error) or _refusal_page(request, error)


def _refusal_page(request: Request, error: Exception) -> Response:
    status = next((s for kind, s in _STATUS.items() if isinstance(error, kind)), 400)
    gone = error.line if isinstance(error, ProjectGone) else None
    return _page(request, status, str(error), gone)


def _page(request: Request, status: int, words: str, gone: object = None) -> Response:
    if request.url.path.startswith(_FOR_PROGRAMS):
        return JSONResponse({"error": words}, status)
    if is_fragment_request(request):
        return Response(words, status_code=status, media_type="text/plain; charset=utf-8")
    context = {
        "title": _TITLES.get(status, "That didn't work"),
        "words": words,
        "gone": gone,
        "typed": _typed_fields(request),
        "theme": Theme.DEVICE,
    }
    return render(request, "layout/error.html", context, status)


def _typed_fields(request: Request) -> list[tuple[str, str]]:
    """The fields of the form that was sent, so that nothing typed is lost."""
    body = request.scope.get("kersey.body", b"")
    pairs = parse_qsl(body[:_LONGEST_ECHO].decode("utf-8", "replace"), keep_blank_values=True)
    return [(name, value) for name, value in pairs if name != "revision"]


async def _nothing_more() -> Message:
    return {"type": "http.disconnect"}
