"""How long the rest will take: from a person's own pace, with its spread; no promise.

    left = what is left x minutes for each        spread: from the quickest spell to the slowest

Before anything was timed the pace is a usual one, and said to be so.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from kersey.core.project.project import Project
from kersey.core.project.sewing import Sewing, Spell, Work
from kersey.core.quilt.quilt import Quilt
from kersey.core.sewing.passes import Pass, passes_done
from kersey.core.work.at_table import TableCut, made
from kersey.core.work.work_order import Step, StepKind, work_order

# Minutes for a cut of a stack, a seam with its pressing, a row, and a step of finishing.
_USUAL = {Work.CUT: 1.5, Work.SEW: 1.0, Work.ROWS: 20.0, Work.FINISH: 90.0}
# Nobody's usual pace is known closer than from so much to so much of it.
_FROM, _TO = 0.6, 1.8
_FINISH = frozenset({StepKind.BORDER, StepKind.BACKING, StepKind.BINDING})
_ROWS = frozenset({StepKind.SETTING, StepKind.SASHING, StepKind.ROWS})
# A spell that is forgotten to be stopped is no pace.
_LONGEST_SPELL = 6 * 60


@dataclass(frozen=True)
class WorkLeft:
    """What is left of some work, and how many minutes that takes: at least, likely, at most. It is
    one's `own` pace once a spell was timed; `spells` says how many."""

    work: Work
    units: int
    done: int
    low: float
    likely: float
    high: float
    own: bool
    spells: int


def counts(
    project: Project, quilt: Quilt, cuts: Sequence[TableCut], every: Sequence[Pass]
) -> dict[Work, tuple[int, int]]:
    """Of each work how much is done, and how much there is: cuts, seams, rows, steps."""
    done_cuts = sum(made(project, cuts))
    sewn = passes_done(project, quilt, every)
    steps = work_order(quilt)
    return {
        Work.CUT: (done_cuts, len(cuts)),
        Work.SEW: (
            sum(each.seams for each in every if each.key in sewn),
            sum(each.seams for each in every),
        ),
        Work.ROWS: _steps(project, [s for s in steps if s.kind in _ROWS], quilt.size.rows),
        Work.FINISH: _steps(project, [s for s in steps if s.kind in _FINISH], 1),
    }


def left(sewing: Sewing, done: dict[Work, tuple[int, int]]) -> tuple[WorkLeft, ...]:
    """What is left of all work, in its order."""
    return tuple(_left(work, *done[work], sewing.spells) for work in Work)


def _steps(project: Project, steps: Sequence[Step], rows: int) -> tuple[int, int]:
    done = sum(step.key in project.done for step in steps)
    return done * rows, len(steps) * rows


def _left(work: Work, done: int, whole: int, spells: Sequence[Spell]) -> WorkLeft:
    timed = [s for s in spells if s.work is work and s.done and 0 < s.minutes <= _LONGEST_SPELL]
    units = max(0, whole - done)
    if not timed:
        likely = units * _USUAL[work]
        return WorkLeft(
            work, units, done, likely * _FROM, likely, likely * _TO, own=False, spells=0
        )
    rates = [spell.minutes / spell.done for spell in timed]
    mean = sum(s.minutes for s in timed) / sum(s.done for s in timed)
    # One spell says little of the next.
    low, high = min(*rates, mean * 0.9), max(*rates, mean * 1.1)
    if len(timed) == 1:
        low, high = mean * 0.75, mean * 1.4
    return WorkLeft(work, units, done, units * low, units * mean, units * high, True, len(timed))
