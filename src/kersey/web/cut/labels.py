"""Labels for pieces and kits: pages to print and cut apart, or sent to a printer of labels.

The printer that ships with the program only writes its labels into a folder.
"""

from datetime import datetime
from fractions import Fraction
from pathlib import Path
from typing import Annotated, Any, Literal

from fastapi import APIRouter, HTTPException, Request
from pydantic import Field
from starlette.responses import RedirectResponse, Response

from kersey.core.quilt.quilt import Quilt
from kersey.core.work.labels import SHEETS, LabelSheet, kit_labels, pile_labels
from kersey.drawing.labels import Label, draw_label, draw_page
from kersey.formats.picture import png_of
from kersey.store.whole_file import write_whole
from kersey.web.cut.stage import STAGE
from kersey.web.forms import BadForm, Length, PageForm, read_form, refused_at
from kersey.web.open_project import Opened, OpenProject, sent
from kersey.web.project_page import project_context
from kersey.web.templating import render
from kersey.web.workroom import Room

router = APIRouter()
OWN = "own size"
_USUAL = {"a4": "A4, 3 × 7", "letter": "Letter, 3 × 10"}
# A printer of labels prints about 200 points to the inch.
_PRINTER_SCALE = 2


class LabelsForm(PageForm):
    """What is printed, on which sheet; of one's own, its sizes; `skip` labels are gone already."""

    of: Literal["pieces", "kits"] = "pieces"
    sheet: str = Field("", max_length=40)
    skip: int = Field(0, ge=0, le=1000)
    paper_width: Length = Fraction(17, 2)
    paper_length: Length = Fraction(11)
    columns: int = 3
    rows: int = 7
    width: Length = Fraction(5, 2)
    height: Length = Fraction(3, 2)
    left: Length = Fraction(1, 4)
    top: Length = Fraction(1, 4)
    across: Length = Fraction(0)
    down: Length = Fraction(0)

    def label_sheet(self, paper: str) -> LabelSheet:
        """The sheet that was chosen; raises `BadSheet`."""
        if self.sheet != OWN:
            return SHEETS.get(self.sheet, SHEETS[_USUAL[paper]])
        return LabelSheet(
            self.paper_width,
            self.paper_length,
            self.columns,
            self.rows,
            self.width,
            self.height,
            self.left,
            self.top,
            self.across,
            self.down,
        )


@router.get("/projects/{project_id}/cut/labels", name="cut_labels")
def cut_labels(request: Request, opened: Opened) -> Response:
    """The pages of labels."""
    context = _context(opened) | {"printed": request.query_params.get("printed", "")}
    if opened.quilt is None:
        return render(request, "cut/labels.html", context)
    typed = dict(request.query_params)
    try:
        form = read_form(LabelsForm, typed, opened.units)
        with refused_at("sheet", LabelsForm.model_fields):
            sheet = form.label_sheet(opened.preferences.paper)
    except BadForm as bad:
        return _wrong(request, context, opened, bad.errors, typed)
    shown = _labels(opened.quilt, form)
    context |= {
        "form": form,
        "pages": _pages(sheet, shown, form.skip, opened),
        "typed": typed,
        "count": len(shown),
    }
    return render(request, "cut/labels.html", context)


@router.post("/projects/{project_id}/cut/labels", name="print_labels")
def print_labels(
    request: Request, room: Room, opened: Opened, form: Annotated[LabelsForm, sent(LabelsForm)]
) -> Response:
    """Send every label to the printer."""
    if opened.quilt is None or room.label_printer is None:
        raise HTTPException(404)
    sheet = form.label_sheet(opened.preferences.paper)
    labels = _labels(opened.quilt, form)
    stem = f"{opened.stored.id}-{form.of}"
    written = _print(room.label_printer, labels, sheet, opened, stem, room.clock())
    address = request.app.url_path_for("cut_labels", project_id=opened.stored.id)
    return RedirectResponse(f"{address}?of={form.of}&printed={written}", status_code=303)


def _context(opened: OpenProject) -> dict[str, Any]:
    return project_context(opened, STAGE) | {
        "sheets": [*((name, name) for name in SHEETS), (OWN, "custom size")],
        "own": OWN,
        "usual": _USUAL[opened.preferences.paper],
        "pages": [],
        "count": 0,
        "form": LabelsForm(),
    }


def _wrong(
    request: Request,
    context: dict[str, Any],
    opened: OpenProject,
    errors: dict[str, str],
    typed: dict[str, str],
) -> Response:
    return render(request, "cut/labels.html", context | {"errors": errors, "typed": typed}, 422)


def _labels(quilt: Quilt, form: LabelsForm) -> tuple[Label, ...]:
    return pile_labels(quilt) if form.of == "pieces" else kit_labels(quilt)


def _pages(
    sheet: LabelSheet, labels: tuple[Label, ...], skip: int, opened: OpenProject
) -> list[str]:
    """The pages in order; on the first so many labels are gone already."""
    first = min(skip, sheet.on_a_page - 1)
    room = sheet.on_a_page - first
    pages = [draw_page(sheet, labels[:room], opened.units, first)]
    for begin in range(room, len(labels), sheet.on_a_page):
        pages.append(draw_page(sheet, labels[begin : begin + sheet.on_a_page], opened.units))
    return pages


def _print(
    folder: Path,
    labels: tuple[Label, ...],
    sheet: LabelSheet,
    opened: OpenProject,
    stem: str,
    now: datetime,
) -> int:
    """Write a picture for every label; how many."""
    folder.mkdir(parents=True, exist_ok=True)
    for number, label in enumerate(labels, 1):
        drawing = draw_label(label, sheet.width, sheet.height, opened.units, _PRINTER_SCALE)
        name = f"{now:%Y%m%d-%H%M%S}-{stem}-{number:03}.png"
        write_whole(folder / name, png_of(drawing))
    return len(labels)
