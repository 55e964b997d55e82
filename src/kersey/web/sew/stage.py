"""Sew: from the model block to the last row."""

from kersey.core.measure.counting import counted
from kersey.core.sewing.passes import PASS, blocks_sewn, passes
from kersey.core.work.work_order import BEFORE_SEWING, FINISHING
from kersey.web.open_project import OpenProject
from kersey.web.stage import Stage
from kersey.web.workroom import Reckoned


def _status(opened: OpenProject) -> str:
    quilt = opened.quilt
    if quilt is None or not any(key.startswith(PASS) for key in opened.project.done):
        return ""
    every = passes(quilt, opened.project.sewing.batch)
    sewn = blocks_sewn(opened.project, quilt, every)
    return f"{len(sewn)} of {counted(len(quilt.placed), 'block')}"


def _waits(known: Reckoned) -> bool:
    sewn = (s for s in known.steps if s.kind not in BEFORE_SEWING | FINISHING)
    return any(step.key not in known.project.done for step in sewn)


STAGE = Stage("sew", "Sew", "Sew the blocks", _status, _waits)
