"""Cut: the sheet, from the first cut to the last seam."""

from kersey.core.work.work_order import steps_done
from kersey.web.open_project import OpenProject
from kersey.web.stage import Stage
from kersey.web.workroom import Reckoned


def _status(opened: OpenProject) -> str:
    done = steps_done(opened.project, opened.steps) if opened.project.done else 0
    return f"{done} of {len(opened.steps)} steps done" if done else ""


def _waits(known: Reckoned) -> bool:
    return steps_done(known.project, known.steps) < len(known.steps)


STAGE = Stage("cut", "Cut", "Cut and sew", _status, _waits)
