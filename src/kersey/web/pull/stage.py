"""Pull: the fabric is chosen."""

from kersey.core.cloth.forms import FACTS, Form
from kersey.core.measure.counting import counted
from kersey.web.open_project import OpenProject
from kersey.web.stage import Stage


def _status(opened: OpenProject) -> str:
    fabrics = opened.project.fabrics
    pieces = sum(pulled.count for pulled in fabrics)
    if not pieces:
        return "nothing yet"
    forms = {pulled.kept.lot.form for pulled in fabrics}
    facts = FACTS[forms.pop()] if len(forms) == 1 else FACTS[Form.PIECE]
    return f"{counted(pieces, facts.one)}, {counted(len(fabrics), 'print')}"


STAGE = Stage("pull", "Pull", "Pull the fabric", _status)
