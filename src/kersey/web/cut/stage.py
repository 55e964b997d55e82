"""Cut: the sheet, and one cut after the other at the table."""

from kersey.core.measure.counting import counted
from kersey.core.work.work_order import BEFORE_SEWING, steps_done
from kersey.web.open_project import OpenProject
from kersey.web.stage import Stage
from kersey.web.workroom import Reckoned


def _status(opened: OpenProject) -> str:
    done = steps_done(opened.project, opened.steps) if opened.project.done else 0
    return f"{done} of {counted(len(opened.steps), 'step')} done" if done else ""


def _waits(known: Reckoned) -> bool:
    return any(s.kind in BEFORE_SEWING and s.key not in known.project.done for s in known.steps)


STAGE = Stage("cut", "Cut", "Cut the fabric", _status, _waits)
