"""Whole quilts: everything about them found together; held over the bed, compared, one is taken."""

from dataclasses import dataclass
from fractions import Fraction
from typing import Annotated, Any
from urllib.parse import urlencode

from fastapi import APIRouter, Query, Request
from pydantic import BaseModel, Field
from starlette.datastructures import URL
from starlette.responses import Response

from kersey.core.frame.on_bed import OnBed, says
from kersey.core.frame.purposes import ALL_BEDS
from kersey.core.frame.size_search import why
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.quilt.sums import pulled_fabric
from kersey.core.whole.found_quilts import FoundQuilt, FoundQuilts, found_question, size_is_free
from kersey.core.whole.scheme_score import OPINIONS, Aim, Judge
from kersey.drawing.on_bed import Over, draw_over
from kersey.drawing.quilt import draw_hung
from kersey.drawing.size_tape import Pin, draw_size_tape
from kersey.web.open_project import Opened, OpenProject, RevisedForm, change, sent
from kersey.web.project_page import go_to, project_context
from kersey.web.size.stage import STAGE
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Room, Workroom

router = APIRouter()

_FIRST, _MORE = 0.8, 3.0
# The tallest in the list is drawn so high, in pixels; those that are looked at, and so wide.
_HIGH, _LOOKED_AT_HIGH, _LOOKED_AT_WIDE = 150.0, 430.0, 720.0
# So many are held side by side.
MOST_BESIDE = 3
_AIMS = {
    Aim.BALANCED: "balanced",
    Aim.TARGET: "best fit",
    Aim.LARGEST: "largest",
    Aim.LEAST_WASTE: "least waste",
    Aim.NO_BUYING: "least to buy",
}
_WEIGHED = {
    "use": "fabric used",
    "fit": "fits a standard size",
    "shape": "pleasing proportion",
    "look": "well-proportioned sashing and borders",
    "buying": "little to buy",
    "size": "large quilt",
}
Weight = Annotated[int | None, Field(None, ge=0, le=100)]


class Wanted(BaseModel):
    """What is asked for: an aim, or weights of one's own; whether the block may change its size."""

    aim: Aim = Aim.BALANCED
    any_size: bool = False
    use: Weight = None
    fit: Weight = None
    shape: Weight = None
    look: Weight = None
    buying: Weight = None
    size: Weight = None

    @property
    def judge(self) -> Judge:
        """Who judges; weights that are all nothing are none."""
        said = self.model_dump(include=set(OPINIONS), exclude_none=True)
        weights = {name: float(weight) for name, weight in said.items()}
        return Judge(self.aim, own_weights=weights if any(weights.values()) else {})

    @property
    def said(self) -> dict[str, Any]:
        """What differs from the usual, to be said in an address or a form."""
        wanted = set(Wanted.model_fields)
        found = self.model_dump(mode="json", include=wanted, exclude_defaults=True)
        return found | ({"any_size": 1} if self.any_size else {})


class Asked(Wanted):
    """The page: what is wanted, how much of it was seen, and which quilts are looked at."""

    seen: int = Field(0, ge=0, le=10_000)
    beside: str = Field("", pattern=r"^(\d{1,2}(-\d{1,2}){0,2})?$")


class TakeForm(RevisedForm, Wanted):
    """The quilt that is taken, by its place among those found."""

    number: int = Field(ge=0, le=100)


@dataclass(frozen=True)
class Hung:
    """A quilt that was found, as it is once it is taken."""

    number: int
    found: FoundQuilt
    quilt: Quilt
    drawing: str

    @property
    def bought(self) -> list[tuple[str, Fraction]]:
        """Parts to buy, and how much of the cloth, in inches."""
        lacking = (part for part in self.quilt.to_buy if part.key not in self.found.from_stash)
        return [(part.name, part.lacks) for part in lacking if part.lacks]

    @property
    def of_own_fabric(self) -> list[str]:
        """Parts that are cut from what is pulled, beside the blocks."""
        found = self.found.from_stash
        return sorted(p.name for p in self.quilt.parts if p.enough or p.key in found)

    @property
    def left(self) -> Fraction:
        """What is left of the cloth for the blocks, in square inches."""
        return pulled_fabric(self.quilt).left

    @property
    def reasons(self) -> tuple[str, ...]:
        """What speaks for it and against it."""
        return why(self.quilt.size, self.quilt.units)

    @property
    def over(self) -> Over:
        """The bed it is for, or comes nearest to; else what it is for at all."""
        quilt, size = self.quilt, self.quilt.size
        if size.purpose.key not in ALL_BEDS:
            return Over(purpose=size.purpose if size.has_purpose else None)
        tuck = quilt.project.design.wish.tuck
        return Over(bed=OnBed(ALL_BEDS[size.purpose.key], size.width, size.length, tuck))

    @property
    def lies(self) -> str:
        """How it lies on its bed."""
        return says(self.over.bed, self.quilt.units) if self.over.bed else ""


@router.get("/projects/{project_id}/size/quilts", name="whole_quilts")
def whole_quilts(
    request: Request, room: Room, opened: Opened, asked: Annotated[Asked, Query()]
) -> Response:
    """The quilts found up to now."""
    page = "quilts.html" if is_fragment_request(request) else "quilts_page.html"
    return render(request, f"size/{page}", _context(room, opened, asked, request.url))


@router.post("/projects/{project_id}/size/quilts", name="take_whole_quilt")
def take_whole_quilt(
    request: Request, room: Room, opened: Opened, form: Annotated[TakeForm, sent(TakeForm)]
) -> Response:
    """Choose one: its rows and columns, setting, sashing and borders."""
    found = _found(room, opened, form, 0)[0].quilts
    if form.number < len(found):
        quilt = found[form.number]
        change(room, opened.stored.id, form.revision, lambda p: quilt.taken_by(p, opened.units))
    name = "size_page" if form.number < len(found) else "whole_quilts"
    return go_to(request, name, opened)


def _found(
    room: Workroom, opened: OpenProject, wanted: Wanted, seen: int
) -> tuple[FoundQuilts, int, bool]:
    """Quilts, how many pieces of news they came in, and whether more may come."""
    question = found_question(opened.project, opened.units, wanted.judge, wanted.any_size)
    if question is None:
        return FoundQuilts(), 0, False
    inquiry = room.searches.ask(("quilts", opened.stored.id), question)
    inquiry.wait(seen, _MORE if seen else _FIRST)
    return inquiry.answer or FoundQuilts(), inquiry.count, not inquiry.over


def _context(room: Workroom, opened: OpenProject, asked: Asked, here: URL) -> dict[str, Any]:
    found, count, going_on = _found(room, opened, asked, asked.seen)
    quilts = [_made(opened, each) for each in found.quilts]
    tallest = max((float(quilt.size.length) for quilt in quilts), default=1.0)
    hung = [
        Hung(n, each, quilt, draw_hung(quilt, _HIGH / tallest))
        for n, (each, quilt) in enumerate(zip(found.quilts, quilts, strict=True))
    ]
    address = _Address(here, asked)
    beside = [
        n for n in map(int, asked.beside.split("-") if asked.beside else "0") if n < len(hung)
    ]
    beside = list(dict.fromkeys(beside)) or list(range(min(1, len(hung))))
    weights = asked.judge.weights
    return project_context(opened, STAGE) | {
        "hung": hung,
        "beside": beside,
        "looked_at": _looked_at([hung[n] for n in beside]),
        "address": address,
        "tape": _tape(hung, beside, address, opened),
        "steps": _steps_along(hung, beside, address),
        "weights": [(name, _WEIGHED[name], round(100 * weights[name])) for name in OPINIONS],
        "asked": asked,
        "aims": _AIMS,
        "free_size": size_is_free(opened.project),
        "considered": found.considered,
        "complete": found.complete,
        "going_on": going_on,
        "seen": count,
        "chosen": _number_of_chosen(opened, hung),
        "most_beside": MOST_BESIDE,
    }


@dataclass(frozen=True)
class _Address:
    """Addresses of this page, as it is wanted."""

    here: URL
    asked: Asked

    def __call__(self, beside: list[int] | None = None, **other: object) -> str:
        """Which quilts are looked at; `other` is wanted instead, and what is None is left out."""
        said = self.asked.said | other
        if beside is not None:
            said["beside"] = "-".join(map(str, beside))
        return f"{self.here.path}?{urlencode({k: v for k, v in said.items() if v is not None})}"

    def for_aim(self, aim: Aim) -> str:
        """The same for another aim, as it weighs."""
        return self(aim=aim.value, **dict.fromkeys(OPINIONS))


def _looked_at(chosen: list[Hung]) -> list[tuple[Hung, str]]:
    """Quilts side by side at one scale, each over what it is for."""
    held = [each.over.held(each.quilt) for each in chosen]
    if not held:
        return []
    wide, high = sum(width for width, _ in held), max(length for _, length in held)
    scale = min(_LOOKED_AT_HIGH / high, _LOOKED_AT_WIDE / wide)
    return [(each, draw_over(each.quilt, each.over, scale)) for each in chosen]


def _tape(hung: list[Hung], beside: list[int], address: _Address, opened: OpenProject) -> str:
    pins = [
        Pin(
            each.quilt.size.width,
            each.quilt.size.length,
            str(each.number + 1),
            address([each.number]),
            each.number in beside,
        )
        for each in hung
    ]
    return draw_size_tape(pins, opened.units) if pins else ""


def _steps_along(hung: list[Hung], beside: list[int], address: _Address) -> list[str]:
    """Addresses of the quilts before and after the one that is looked at, along the tape."""
    if not beside:
        return []
    order = [each.number for each in sorted(hung, key=lambda h: (h.quilt.size.width, h.number))]
    place = order.index(beside[0])
    before, after = order[max(0, place - 1)], order[min(len(order) - 1, place + 1)]
    return [address([before]), address([after])]


def _made(opened: OpenProject, found: FoundQuilt) -> Quilt:
    return make_quilt(found.chosen_in(opened.project, opened.units), opened.units)


def _number_of_chosen(opened: OpenProject, hung: list[Hung]) -> int | None:
    design = opened.project.design
    same = (each.number for each in hung if each.found.of(design) == design)
    return next(same, None)
