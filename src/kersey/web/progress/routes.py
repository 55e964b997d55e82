"""A page for work under way: it says how far it is, and turns into the answer once it is done."""

from fastapi import APIRouter, HTTPException, Request
from starlette.responses import RedirectResponse, Response

from kersey.web.jobs import Work
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom

router = APIRouter()


def begin_work(request: Request, room: Workroom, title: str, work: Work) -> Response:
    """Do a piece of work: its answer if that takes a moment, else how far it is."""
    name, job = room.jobs.begin(title, work)
    if job.over:
        return job.answer(request)
    address = request.app.url_path_for("progress_page", name=name)
    return RedirectResponse(address, status_code=303)


@router.get("/work/{name}", name="progress_page")
def progress_page(request: Request, room: Room, name: str) -> Response:
    job = room.jobs.get(name)
    if job is None:
        raise HTTPException(404)
    job.wait()
    if job.over:
        return job.answer(request)
    theme = room.preferences().theme
    return render(request, "progress/page.html", {"job": job, "theme": theme})
