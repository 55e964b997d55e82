"""Your data: a backup of everything, put back; quilts to share as a readable file; a check."""

from collections.abc import Sequence
from contextlib import ExitStack
from dataclasses import dataclass, replace
from datetime import date
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

from fastapi import APIRouter, HTTPException, Request
from starlette.background import BackgroundTask
from starlette.responses import FileResponse, RedirectResponse, Response

from kersey.formats.kersey_file import NotAKerseyFile, gather, read_everything
from kersey.store.backup import NotABackup, backups, day_of, restore_backup, write_backup
from kersey.store.data_check import check_data
from kersey.store.photographs import copy_loose
from kersey.store.preferences import load_preferences, save_preferences
from kersey.store.prices import bring_prices, own_prices
from kersey.store.projects import add_everything, all_projects
from kersey.web.download import saved_as, written_size
from kersey.web.forms import BadForm, PageForm, SentFile, TypedForm, read_form
from kersey.web.jobs import Answer, Job
from kersey.web.progress.routes import begin_work
from kersey.web.templating import render
from kersey.web.workroom import Room, Workroom

router = APIRouter()

# Kersey keeps what is sent in memory; the command line restores files of any size.
MOST_BYTES = 64 * 1024 * 1024


class DailyForm(PageForm):
    """Whether to back up every day; an unchecked box is not sent."""

    revision: int
    daily_backup: bool = False


@dataclass(frozen=True)
class Kept:
    """A backup in the data folder: of a day, or made before another was restored."""

    name: str
    day: date
    daily: bool
    size: str


@router.get("/settings/data", name="data_page")
def data_page(request: Request, room: Room) -> Response:
    return _page(request, room)


@router.get("/settings/data/check", name="check_page")
def check_page(request: Request, room: Room) -> Response:
    """What does not add up, with what to do."""
    with room.reading() as session:
        room.amiss = tuple(check_data(session))
    return _page(request, room, checked=True)


@router.post("/settings/data/daily", name="change_daily_backup")
def change_daily_backup(request: Request, room: Room, typed: TypedForm) -> Response:
    """Back up every day, or no more."""
    preferences = room.preferences()
    form = read_form(DailyForm, typed, preferences.workshop.units)
    with room.transaction() as session:
        kept = load_preferences(session)
        chosen = replace(kept, revision=form.revision, daily_backup=form.daily_backup)
        save_preferences(session, chosen)
    return RedirectResponse(request.app.url_path_for("data_page"), status_code=303)


@router.get("/backup.zip", name="save_backup")
def save_backup(room: Room) -> Response:
    """Everything in one file."""
    with room.reading() as session:
        copy_loose(session, room.data, room.camera)
    with ExitStack() as kept:
        file = Path(kept.enter_context(TemporaryDirectory(dir=room.data))) / "backup.zip"
        write_backup(room.data, file)
        # It goes once it is sent.
        sent = kept.pop_all()
    name = f"kersey-{room.clock().astimezone().date().isoformat()}"
    return FileResponse(
        file,
        media_type="application/zip",
        headers=saved_as(name, "zip"),
        background=BackgroundTask(sent.close),
    )


@router.post("/settings/data/restore", name="restore_sent")
def restore_sent(request: Request, room: Room, content: SentFile) -> Response:
    """Put a backup that was sent in place of everything."""

    def restore(job: Job) -> Answer:
        with TemporaryDirectory(dir=room.data) as made:
            file = Path(made) / "The file you chose"
            file.write_bytes(content)
            return _restored(room, file, job)

    return begin_work(request, room, "Restoring a backup", restore)


@router.post("/settings/data/restore/{file}", name="restore_kept")
def restore_kept(request: Request, room: Room, file: str) -> Response:
    """Put a backup of the data folder in place of everything."""
    kept = next((path for path in backups(room.data) if path.name == file), None)
    if kept is None:
        raise HTTPException(404)
    return begin_work(request, room, "Restoring a backup", lambda job: _restored(room, kept, job))


@router.get("/everything.json", name="save_everything")
def save_everything(room: Room) -> Response:
    """All projects and the cupboard as one file."""
    with room.reading() as session:
        projects = all_projects(session)
        lots = {stored.id: stored.kept for stored in room.lots.all(session)}
        prices = own_prices(session)
    return Response(
        gather(projects, lots, prices),
        media_type="application/json",
        headers=saved_as("kersey", "json"),
    )


@router.post("/everything", name="bring_in_everything")
def bring_in_everything(request: Request, room: Room, content: SentFile) -> Response:
    """Add the projects and lots of a file; a damaged file is refused whole."""

    def bring_in(job: Job) -> Answer:
        try:
            everything = read_everything(content, job.tell)
        except NotAKerseyFile as error:
            bad = BadForm({"file": str(error)}, {})
            return lambda later: _page(later, room, bad=bad)
        job.doing = "Writing"
        with room.transaction() as session:
            add_everything(session, everything.projects, everything.cupboard, room.clock())
            bring_prices(session, everything.prices)
        if everything.without_plan:
            return lambda later: _page(later, room, without_plan=everything.without_plan)
        return lambda later: RedirectResponse(later.app.url_path_for("first_page"), status_code=303)

    return begin_work(request, room, "Adding a file", bring_in)


def _restored(room: Workroom, file: Path, job: Job) -> Answer:
    job.doing = "Putting the backup in place"
    try:
        restore_backup(room.data, file)
    except NotABackup as error:
        bad = BadForm({"backup": str(error)}, {})
        return lambda later: _page(later, room, bad=bad)
    return lambda later: RedirectResponse(later.app.url_path_for("first_page"), status_code=303)


def _page(
    request: Request,
    room: Workroom,
    bad: BadForm | None = None,
    checked: bool = False,
    without_plan: Sequence[str] = (),
) -> Response:
    preferences = room.preferences()
    context: dict[str, Any] = {
        "preferences": preferences,
        "theme": preferences.theme,
        "folder": room.data,
        "backups": [_kept(path) for path in backups(room.data)],
        "no_backup": room.no_backup,
        "checked": checked,
        "without_plan": without_plan,
        "found": room.amiss,
        "errors": bad.errors if bad else {},
    }
    return render(request, "your_data/page.html", context, 422 if bad else 200)


def _kept(path: Path) -> Kept:
    day, about = day_of(path), path.stat()
    made = date.fromtimestamp(about.st_mtime)
    return Kept(path.name, day or made, day is not None, written_size(about.st_size))
