"""What can it make? Every block as a whole quilt of this very fabric, at one scale on the wall.

The quilts come in as they are found, and are looked at, sorted, laid side by side; one is taken.
"""

from collections import Counter
from dataclasses import dataclass, replace
from fractions import Fraction
from hashlib import blake2s
from math import sqrt
from typing import Annotated, Any

from fastapi import APIRouter, Depends, Query, Request
from starlette.responses import Response

from kersey.core.blocks.choice import BlockChoice
from kersey.core.blocks.facts import Difficulty
from kersey.core.cloth.forms import FACTS, Form
from kersey.core.errors import KerseyError
from kersey.core.measure.counting import counted
from kersey.core.measure.spoken import Spoken
from kersey.core.planning.possible import Possible, WallQuestion, as_planned, taken, wall_question
from kersey.core.planning.standing import Standing
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.drawing.quilt import draw_hung
from kersey.searching.searches import Inquiry
from kersey.web.open_project import Opened, OpenProject, RevisedForm, change, sent
from kersey.web.project_page import go_to, project_context
from kersey.web.templating import is_fragment_request, render
from kersey.web.workroom import Room, Workroom
from kersey.web.yield_page.stage import STAGE

router = APIRouter()

# How long a request waits for the first quilt, and for more of them.
_FIRST, _MORE = 0.5, 3.0
_TOGETHER, _SOON = 5, 0.7
# The tallest quilt that the cloth could become is drawn so high, in pixels; none is drawn larger.
_HIGH, _LARGEST = 210.0, 3.4
# Side by side they are drawn at most so many times as large.
_BESIDE, _ROOM = 1.9, 640.0
_MOST_BESIDE = 3
# More forms of fabric than this are not named.
_FORMS_NAMED = 2


class Sort(Spoken):
    """What the quilts are sorted by."""

    USES = "uses most", "most fabric used"
    LARGEST = "largest"
    WORK = "least work", "fewest seams"
    BUY = "least to buy"


class Only(Spoken):
    """Quilts that are left out unless they are so."""

    NOTHING_BOUGHT = "nothing bought", "nothing to buy"
    NO_BIAS = "no bias edges"
    FIRST = "first quilt", "beginner"
    EVENING = "one evening"


@dataclass(frozen=True)
class Hung:
    """A quilt on the wall: what it is and how it looks."""

    possible: Possible
    quilt: Quilt
    drawing: str

    @property
    def key(self) -> str:
        return self.possible.key

    @property
    def title(self) -> str:
        return self.possible.kept.block.title

    @property
    def unit(self) -> str:
        """What is counted, one of it."""
        return self.possible.kept.block.unit

    @property
    def difficulty(self) -> Difficulty | None:
        known = self.possible.kept.block.known
        return known.facts.difficulty if known and known.facts else None

    @property
    def bought(self) -> list[tuple[str, Fraction]]:
        """What of the top must be bought, in inches off the bolt."""
        quilt, found = self.quilt, [(each.role, each.length) for each in self.possible.missing]
        return found + [(part.name, part.lacks) for part in quilt.frame.parts if part.lacks]

    @property
    def in_quilt(self) -> int:
        """How many of what is counted lie in the quilt."""
        whole = self.possible.kept.block.makes_one_piece
        return self.possible.blocks if whole else self.quilt.size.blocks

    def order(self, sort: Sort) -> tuple[float, ...]:
        """By what it is sorted: the smallest first."""
        size = self.quilt.size
        area = float(size.width * size.length)
        used, buy = float(self.possible.used), float(sum(length for _, length in self.bought))
        return {
            Sort.USES: (-used, -area),
            Sort.LARGEST: (-area, -used),
            Sort.WORK: (float(self.possible.seams), -area),
            Sort.BUY: (buy, -used),
        }[sort]

    def passes(self, only: Only) -> bool:
        """Whether it stays, where only such quilts do."""
        return {
            Only.NOTHING_BOUGHT: not self.bought,
            Only.NO_BIAS: not self.possible.on_the_bias,
            Only.FIRST: self.difficulty is Difficulty.FIRST,
            Only.EVENING: self.possible.evenings <= 1,
        }[only]


@dataclass(frozen=True)
class Looked:
    """How somebody looks at the wall."""

    sort: Sort = Sort.USES
    only: tuple[Only, ...] = ()
    look: str = ""
    beside: tuple[str, ...] = ()


class TakeForm(RevisedForm):
    """The quilt that is taken, by its recipe."""

    look: str
    no_border: bool = False


def _looked(
    sort: Sort = Sort.USES,
    only: Annotated[tuple[Only, ...], Query()] = (),
    look: str = "",
    beside: Annotated[tuple[str, ...], Query(max_length=40)] = (),
) -> Looked:
    return Looked(sort, only, look, beside[:_MOST_BESIDE])


LookedAt = Annotated[Looked, Depends(_looked)]


@router.get("/projects/{project_id}/yield/wall", name="yield_wall")
def yield_wall(request: Request, room: Room, opened: Opened, looked: LookedAt) -> Response:
    """All quilts that were found up to now."""
    context = wall_context(room, opened, looked)
    # Of what was only looked at, or laid beside, that alone is sent again.
    context["part"] = request.headers.get("hx-trigger-name", "")
    template = "wall_answer.html" if is_fragment_request(request) else "wall.html"
    return render(request, f"yield_page/{template}", context)


@router.get("/projects/{project_id}/yield/wall/news", name="wall_news")
def wall_news(
    request: Request,
    room: Room,
    opened: Opened,
    looked: LookedAt,
    seen: int = Query(0, ge=0, le=10_000),
) -> Response:
    """The quilts found since so many pieces of news."""
    inquiry = _ask(room, opened, looked)
    inquiry.wait(seen, _MORE)
    # Those that follow at once come with it.
    inquiry.wait(seen + _TOGETHER, _SOON)
    context = wall_context(room, opened, looked, patience=0.0)
    return render(request, "yield_page/wall_answer.html", context | {"only_news": True})


@router.post("/projects/{project_id}/yield/take", name="take_quilt")
def take_quilt(
    request: Request, room: Room, opened: Opened, form: Annotated[TakeForm, sent(TakeForm)]
) -> Response:
    """Choose the block of a quilt on the wall."""
    looked = Looked(only=(Only.NOTHING_BOUGHT,) if form.no_border else ())
    found: tuple[Possible, ...] = _ask(room, opened, looked).answer or ()
    chosen = next((each for each in found if each.key == form.look), None)
    if chosen is not None:
        leave(room, opened.stored.id)
        change(room, opened.stored.id, form.revision, lambda p: taken(p, chosen, form.no_border))
    return go_to(request, "yield_page" if chosen else "yield_wall", opened)


def leave(room: Workroom, project_id: int) -> None:
    """Look no further for what a project's fabric could become."""
    room.searches.leave(("wall", project_id))


def wall_context(
    room: Workroom, opened: OpenProject, looked: Looked, patience: float = _FIRST
) -> dict[str, Any]:
    """The wall as it is known now."""
    inquiry = _ask(room, opened, looked)
    inquiry.wait(0, patience)
    seen, over = inquiry.count, inquiry.over
    # With another border it is another quilt than the project's own.
    same = Only.NOTHING_BOUGHT not in looked.only
    everything = [_as_known(opened, hung, same) for hung in _hung(room, opened, inquiry)]
    shown = [each for each in everything if all(each.passes(only) for only in looked.only)]
    shown.sort(key=lambda each: (each.order(looked.sort), each.title))
    own = opened.project.design.block.recipe
    by_key = {each.key: each for each in shown}
    first = shown[0] if shown else None
    before = by_key.get(own) if opened.project.design.block_chosen else None
    at = by_key.get(looked.look) or before or first
    return project_context(opened, STAGE) | {
        "shown": shown,
        "hidden": len(everything) - len(shown),
        "at": at,
        "looked": looked,
        "sorts": list(Sort),
        "filters": list(Only),
        "beside": _side_by_side(opened, [by_key[key] for key in looked.beside if key in by_key]),
        "most_beside": _MOST_BESIDE,
        "seen": seen,
        "going_on": not over,
        "fault": inquiry.fault,
        "only_news": False,
        "part": "",
        "no_border": Only.NOTHING_BOUGHT in looked.only,
        "fabric_words": _fabric_words(opened.project),
        "left": _left_words(at) if at else "",
    }


def _as_known(opened: OpenProject, hung: Hung, same: bool) -> Hung:
    """The project's own quilt, where it is of that block; with other borders (not the `same`) only
    the count that its plan knows better."""
    plan, found = opened.project.plan, hung.possible.kept
    if plan is None or opened.news.standing not in (Standing.CURRENT, Standing.LOOSE):
        return hung
    if (_alone(plan.block), plan.seam, plan.finished) != (
        _alone(found.block),
        found.seam,
        found.finished,
    ):
        return hung
    planned = opened.quilt is not None and plan.most.blocks and not plan.block.makes_one_piece
    if same and planned and opened.quilt is not None:
        possible = as_planned(hung.possible, plan, opened.asked.assembly)
        return Hung(possible, opened.quilt, draw_hung(opened.quilt, _scale(opened)))
    possible = replace(hung.possible, blocks=plan.most.blocks, bound=plan.most.bound)
    return replace(hung, possible=possible)


def _alone(block: BlockChoice) -> BlockChoice:
    """A block without what the search has added to it."""
    return replace(block, whole=(), square=None)


def _ask(room: Workroom, opened: OpenProject, looked: Looked) -> Inquiry:
    question = _question(opened, looked)
    return room.searches.ask(("wall", opened.stored.id), question)


def _question(opened: OpenProject, looked: Looked) -> WallQuestion:
    no_border = Only.NOTHING_BOUGHT in looked.only
    return wall_question(opened.project, opened.units, no_border)


def _hung(room: Workroom, opened: OpenProject, inquiry: Inquiry) -> list[Hung]:
    """The quilts that were found, each drawn once."""
    question = inquiry.question
    assert isinstance(question, WallQuestion)
    found: tuple[Possible, ...] = inquiry.answer or ()
    page = "wall " + blake2s(question.key.encode(), digest_size=8).hexdigest()
    known = dict(room.drawn_before(opened.reckoned, page) or {})
    for possible in found:
        if possible.key not in known:
            hung = _hang(opened, question.project, possible)
            if hung is not None:
                known[possible.key] = hung
    room.keep_drawn(opened.reckoned, page, known)
    return list(known.values())


def _hang(opened: OpenProject, asked: Project, possible: Possible) -> Hung | None:
    design = replace(asked.design, block=possible.kept.block)
    try:
        quilt = make_quilt(replace(asked, design=design, plan=possible.kept), opened.units)
    except KerseyError:
        return None
    return Hung(possible, quilt, draw_hung(quilt, _scale(opened)))


def _side_by_side(opened: OpenProject, quilts: list[Hung]) -> list[tuple[Hung, str]]:
    """A few quilts, as large as there is room for beside one another."""
    across = sum((hung.quilt.size.width for hung in quilts), Fraction(1))
    scale = min(_scale(opened) * _BESIDE, _ROOM / float(across))
    return [(hung, draw_hung(hung.quilt, scale)) for hung in quilts]


def _scale(opened: OpenProject) -> float:
    """Pixels an inch, the same for all: by what the cloth has area for."""
    area = sum((p.area for p in opened.project.fabrics if p.for_blocks), Fraction(0))
    longest = 1.05 * sqrt(float(area)) + 6
    return min(_LARGEST, _HIGH / longest)


def _fabric_words(project: Project) -> str:
    """What is pulled for the blocks, in a few words."""
    for_blocks = [pulled for pulled in project.fabrics if pulled.for_blocks]
    forms = Counter[Form]()
    for pulled in for_blocks:
        forms[pulled.kept.lot.form] += pulled.count
    said = [counted(count, FACTS[form].one) for form, count in forms.most_common(_FORMS_NAMED)]
    return " and ".join(said) if len(forms) <= _FORMS_NAMED else "this fabric"


def _left_words(hung: Hung) -> str:
    """What stays of the cloth, in a few words."""
    share = round(100 * (1 - float(hung.possible.used)))
    return "almost none" if share < 2 else f"{share}% of the fabric"
