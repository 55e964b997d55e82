"""Arrange: which block lies where, and how it is turned."""

from kersey.core.measure.counting import counted
from kersey.web.arrange.troubled import troubled
from kersey.web.open_project import OpenProject
from kersey.web.stage import Stage
from kersey.web.workroom import Reckoned


def _status(opened: OpenProject) -> str:
    quilt = opened.quilt
    if quilt is None or quilt.kept.laying is None:
        return ""
    if quilt.kept.laying.anew:
        return f"{counted(len(quilt.kept.laying.anew), 'spot')} changed"
    found = troubled(opened.reckoned)
    laid = found.pattern or "laid by hand"
    return f"{laid}, {found.total} to mend" if found.total else laid


def _waits(known: Reckoned) -> bool:
    started = bool(known.project.done) or any(pulled.cut for pulled in known.project.fabrics)
    plan = known.project.plan
    return not started and plan is not None and plan.laying is None


STAGE = Stage("arrange", "Arrange", "Arrange the blocks", _status, _waits)
