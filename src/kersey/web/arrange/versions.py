"""Arrangements kept as versions: named, noted, hung side by side; one is laid, pictures saved."""

from dataclasses import replace
from enum import StrEnum
from typing import Annotated, Any, Literal

from fastapi import APIRouter, HTTPException, Query, Request
from pydantic import Field
from starlette.responses import Response

from kersey.core.project.laying import LONGEST_NOTE, MOST_VERSIONS, BadLaying, Version
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Quilt
from kersey.core.wall.carried import laid_again
from kersey.core.wall.hand import CannotLay, OnWall
from kersey.drawing.quilt import draw_hung
from kersey.formats.picture import png_of
from kersey.web.arrange.lay import answer_laid, lay
from kersey.web.arrange.troubled import Troubled, troubled
from kersey.web.arrange.view import arrange_context
from kersey.web.download import saved_as
from kersey.web.forms import BadForm, TypedForm, read_form
from kersey.web.open_project import Opened, RevisedForm, change, sent
from kersey.web.project_page import go_to
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Room

router = APIRouter()

_AT_ONCE = 4
_HIGH_PX, _WIDE_PX = 430.0, 244.0
# A picture to be saved is so many pixels on its longer side.
_SAVED_PX = 1500.0


class KeepForm(RevisedForm):
    """What lies on the wall is kept, under a name."""

    name: str = Field("", max_length=80)
    note: str = Field("", max_length=LONGEST_NOTE)


class Do(StrEnum):
    """What is done with a version."""

    LAY = "lay"
    NOTE = "note"
    DROP = "drop"


class VersionForm(KeepForm):
    """Something is done with a version, counted from 0."""

    number: int = Field(ge=0, lt=MOST_VERSIONS)
    do: Do


@router.post("/projects/{project_id}/arrange/versions", name="keep_version")
def keep_version(request: Request, room: Room, opened: Opened, typed: TypedForm) -> Response:
    """Keep what lies on the wall as a version."""
    if opened.quilt is None:
        raise HTTPException(404)
    laid, today = troubled(opened.reckoned).laid, room.clock().date()

    def keeping(project: Project) -> Project:
        if len(project.versions) >= MOST_VERSIONS:
            raise BadLaying(
                f"You have {MOST_VERSIONS} saved layouts, the most possible. Delete one first."
            )
        version = Version(form.name, today, laid, form.note.strip())
        return replace(project, versions=(*project.versions, version))

    try:
        form = read_form(KeepForm, typed, opened.units)
        opened = change(room, opened.stored.id, form.revision, keeping)
    except (BadForm, BadLaying) as error:
        wrong = error.errors if isinstance(error, BadForm) else {"name": str(error)}
        context = arrange_context(room, opened) | {"errors": wrong, "typed": typed}
        if is_fragment_request(request):
            return render(request, "arrange/answer.html", context | {"oob": True}, 422)
        return render(request, "arrange/page.html", context, 422)
    return answer_laid(request, room, opened)


@router.post("/projects/{project_id}/arrange/version", name="do_with_version")
def do_with_version(
    request: Request, room: Room, opened: Opened, form: Annotated[VersionForm, sent(VersionForm)]
) -> Response:
    """Lay a version, change its name and note, or take it away."""
    if form.number >= len(opened.project.versions):
        raise HTTPException(404)
    if form.do is Do.LAY:
        laid = lay(room, opened.stored.id, form.revision, lambda shown: _laid(shown, form.number))
        return answer_laid(request, room, laid)
    change(room, opened.stored.id, form.revision, lambda project: _changed(project, form))
    return go_to(request, "versions_page", opened)


@router.get("/projects/{project_id}/arrange/versions", name="versions_page")
def versions_page(
    request: Request, room: Room, opened: Opened, show: list[int] = Query([])
) -> Response:
    """Up to four beside each other, at one scale; the one on the wall first."""
    context = arrange_context(room, opened) | {"hung": [], "chosen": [], "at_once": _AT_ONCE}
    if opened.quilt is not None:
        shown = troubled(opened.reckoned)
        there = range(-1, len(opened.project.versions))
        chosen = [n for n in dict.fromkeys(show) if n in there][:_AT_ONCE]
        chosen = chosen or list(there)[:_AT_ONCE]
        context |= {"hung": [_hung(shown, n) for n in chosen], "chosen": chosen}
    return render(request, "arrange/versions.html", context)


@router.get("/projects/{project_id}/arrange/picture.{form}", name="wall_picture")
def wall_picture(
    opened: Opened, form: Literal["svg", "png"], version: int = Query(-1, ge=-1)
) -> Response:
    """A picture of what lies on the wall, or of a version, to be saved."""
    if opened.quilt is None or version >= len(opened.project.versions):
        raise HTTPException(404)
    quilt = _as_version(troubled(opened.reckoned), version)
    scale = _SAVED_PX / float(max(quilt.size.width, quilt.size.length))
    drawn = draw_hung(quilt, scale, flat=False)
    what = "wall" if version < 0 else opened.project.versions[version].name
    saved = saved_as(opened.project.name, form, what)
    if form == "svg":
        return Response(drawn, media_type="image/svg+xml", headers=saved)
    return Response(png_of(drawn), media_type="image/png", headers=saved)


def _as_version(shown: Troubled, number: int) -> Quilt:
    """The quilt laid as a version is; -1 is what lies on the wall."""
    if number < 0:
        return shown.quilt
    return replace(
        shown.quilt, kept=laid_again(shown.quilt.project.versions[number].laid, shown.quilt)
    )


def _laid(shown: Troubled, number: int) -> tuple[OnWall, str]:
    versions = shown.quilt.project.versions
    if number >= len(versions):
        raise CannotLay("That layout was deleted.")
    kept = laid_again(versions[number].laid, shown.quilt)
    assert kept.laying is not None
    on_wall = replace(shown.lies, kept=replace(kept, taken=True), laying=kept.laying)
    return on_wall, f"switched to “{versions[number].name}”"


def _changed(project: Project, form: VersionForm) -> Project:
    versions = list(project.versions)
    if form.number >= len(versions):
        return project
    if form.do is Do.DROP:
        del versions[form.number]
    else:
        version = versions[form.number]
        versions[form.number] = replace(
            version, name=form.name or version.name, note=form.note.strip()
        )
    return replace(project, versions=tuple(versions))


def _hung(shown: Troubled, number: int) -> dict[str, Any]:
    quilt = _as_version(shown, number)
    version = None if number < 0 else shown.quilt.project.versions[number]
    there = Troubled(quilt, shown.weights)
    scale = min(_HIGH_PX / float(quilt.size.length), _WIDE_PX / float(quilt.size.width))
    laying = quilt.kept.laying
    return {
        "number": number,
        "version": version,
        "drawing": draw_hung(quilt, scale, flat=False),
        "total": there.total,
        "pattern": there.pattern or "laid by hand",
        "changed": len(laying.anew) if version is not None and laying else 0,
    }
