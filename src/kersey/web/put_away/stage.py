"""Put away: nothing that is left is lost."""

from kersey.web.open_project import OpenProject
from kersey.web.stage import Stage
from kersey.web.workroom import Reckoned


def _status(opened: OpenProject) -> str:
    return "all put away" if opened.project.put_away else ""


def _waits(known: Reckoned) -> bool:
    return bool(known.steps) and not known.project.put_away


STAGE = Stage("away", "Put away", "Put leftovers away", _status, _waits)
