"""Finish: borders as sewn, layers, quilting, the edge, and what is kept of the quilt."""

from kersey.core.project.finishing import NOT_FINISHED
from kersey.core.work.work_order import FINISHING
from kersey.web.open_project import OpenProject
from kersey.web.stage import Stage
from kersey.web.workroom import Reckoned


def _status(opened: OpenProject) -> str:
    finishing = opened.project.finishing
    if finishing.finished_on:
        return f"finished {finishing.finished_on.strftime('%b %-d, %Y')}"
    return "" if finishing == NOT_FINISHED else "started"


def _waits(known: Reckoned) -> bool:
    """Until its day is said; where it was ticked off on the sheet, that says it too."""
    done = all(s.key in known.project.done for s in known.steps if s.kind in FINISHING)
    return known.project.finishing.finished_on is None and not done


STAGE = Stage("finish", "Finish", "Finish the quilt", _status, _waits)
