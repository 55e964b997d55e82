"""What could be made tonight of all that is free, and what is nearly enough: looked for while the
page is open, and anew whenever something came or went."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from fractions import Fraction
from heapq import nlargest
from math import sqrt
from typing import Any

from kersey.core.cloth.forms import FACTS, Form
from kersey.core.errors import KerseyError
from kersey.core.measure.counting import noun_for
from kersey.core.measure.length import Units, format_bought, format_length, format_size
from kersey.core.planning.possible import Possible
from kersey.core.planning.tonight import Nearly, Tonight, tonight_question
from kersey.core.project.naming import FREE_FABRIC, TONIGHT
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.stash.cupboard import CUT_FROM_THE_LENGTH
from kersey.core.stash.pulled import Pulled
from kersey.core.yields.just_enough import Mend
from kersey.drawing.quilt import draw_hung
from kersey.web.free_cloth import free_cloth
from kersey.web.workroom import Workroom

# A search over more fabrics than this is no answer for tonight.
MOST_FABRICS = 120
_FOR_BLOCKS = frozenset(
    {Form.STRIP, Form.SQUARE, Form.FAT_QUARTER, Form.FAT_EIGHTH, Form.YARDAGE, Form.PIECE}
)
# So many quilts are drawn; the largest that the cloth has area for is so high.
_SHOWN, _HIGH, _LARGEST = 8, 210.0, 2.8
_LACKING_SHOWN = 4
_FIRST, _MORE = 0.3, 3.0


@dataclass(frozen=True)
class Shown:
    """A quilt that could be made tonight, as it is shown."""

    possible: Possible
    quilt: Quilt
    drawing: str


def sketch_of(room: Workroom) -> Project | None:
    """A sketch of what is free for blocks; where there is more than can be searched in an evening,
    of the largest."""
    return room.of_cupboard("sketch", lambda: _sketch_of(_for_blocks(room)))


def _for_blocks(room: Workroom) -> list[Pulled]:
    return [pulled for pulled in free_cloth(room) if pulled.kept.lot.form in _FOR_BLOCKS]


def _sketch_of(for_blocks: Sequence[Pulled]) -> Project | None:
    largest = nlargest(MOST_FABRICS, for_blocks, key=lambda pulled: pulled.area)
    if not largest:
        return None
    return Project(TONIGHT, FREE_FABRIC, tuple(largest), sketch=True)


def tonight(room: Workroom, units: Units, seen: int = -1) -> dict[str, Any]:
    """The answer as far as it is known; `seen` pieces of news ago is waited for more."""
    project = sketch_of(room)
    context: dict[str, Any] = {
        "units": units,
        "free_count": len(_for_blocks(room)),
        "most_fabrics": MOST_FABRICS,
        "could": [],
        "nearly": [],
        "lacking": [],
        "more_count": 0,
        "seen": 0,
        "going_on": False,
    }
    if project is None:
        return context
    inquiry = room.searches.ask("tonight", tonight_question(project, units))
    inquiry.wait(max(0, seen), _FIRST if seen < 0 else _MORE)
    told: Tonight = inquiry.answer or Tonight()
    scale = _scale(project)
    shown = [_shown(project, each, units, scale) for each in told.could[:_SHOWN]]
    return context | {
        "could": [each for each in shown if each is not None],
        "more_count": max(0, len(told.could) - _SHOWN),
        "nearly": [(each, _mended(each, units)) for each in told.nearly],
        "lacking": [
            (each, each.missing[0].role, format_bought(each.missing[0].length, units))
            for each in told.lacking[:_LACKING_SHOWN]
        ],
        "seen": inquiry.count,
        "going_on": not inquiry.over,
    }


def _scale(project: Project) -> float:
    """Pixels an inch, the same for all: by what the cloth has area for."""
    area = sum(float(pulled.area) for pulled in project.fabrics)
    return min(_LARGEST, _HIGH / (sqrt(area) + 1))


def _shown(project: Project, possible: Possible, units: Units, scale: float) -> Shown | None:
    design = replace(project.design, block=possible.kept.block, border_width=Fraction(0))
    try:
        quilt = make_quilt(replace(project, design=design, plan=possible.kept), units)
    except KerseyError:
        return None
    return Shown(possible, quilt, draw_hung(quilt, scale))


def _mended(nearly: Nearly, units: Units) -> str:
    """What would do, in a few words."""
    if not nearly.sought:
        return "Looking for what would fill the gap …"
    if not nearly.mends:
        return "No single fabric would fill the gap."
    # Of each form the least cloth: who lacks half a yard need not hear of three.
    least = sorted(nearly.mends, key=lambda m: m.pieces * m.fabric.width * m.fabric.length)
    forms = {mend.fabric.form: mend for mend in reversed(least)}
    told = [mend for mend in least if forms[mend.fabric.form] is mend]
    return " or ".join(_more(mend, units) for mend in told[:2]) + " would be enough."


def _more(mend: Mend, units: Units) -> str:
    facts, fabric = FACTS[mend.fabric.form], mend.fabric
    if fabric.form in CUT_FROM_THE_LENGTH:
        length = format_bought(mend.pieces * fabric.length, units)
        return f"{length} more of {format_length(fabric.width, units)} wide fabric"
    many = noun_for(mend.pieces, facts.one)
    return f"{mend.pieces} more {many}, {format_size(fabric.width, fabric.length, units)}"
