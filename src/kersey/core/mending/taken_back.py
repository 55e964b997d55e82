"""Going back on what was done after something went wrong, as long as nothing was cut since."""

from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.errors import Infeasible
from kersey.core.mending.mishap import is_cutting
from kersey.core.project.kept_plan import KeptPlan
from kersey.core.project.project import Project, fabric_key
from kersey.core.project.table import Table
from kersey.core.sewing.passes import PASS


class SewnSince(Infeasible):
    """Blocks were sewn of kits that had other numbers before."""

    def __init__(self) -> None:
        super().__init__(
            "You have checked off blocks sewn from the new kits. If they "
            "aren't sewn, uncheck them first."
        )


class CutSince(Infeasible):
    """Something was cut by the new plan."""

    def __init__(self) -> None:
        super().__init__(
            "You have checked off cuts since then. If they weren't made, uncheck them first."
        )


@dataclass(frozen=True)
class Before:
    """What a project was before something went wrong: all that a new plan changes."""

    plan: KeptPlan | None
    table: Table
    done: tuple[str, ...]
    cut: tuple[tuple[str, int], ...]
    rows: int | None
    columns: int | None
    border_width: Fraction | None


def before_of(project: Project) -> Before:
    """What is to be kept of a project so that one can go back to it."""
    design = project.design
    return Before(
        project.plan,
        project.table,
        tuple(sorted(project.done)),
        tuple((fabric_key(pulled), pulled.cut) for pulled in project.fabrics),
        design.rows,
        design.columns,
        design.border_width,
    )


def taken_back(project: Project, after: Table, before: Before) -> Project:
    """The project as it was before; `after` is the table right after it.

    Raises `CutSince` or `SewnSince`.
    """
    if project.table != after or any(map(is_cutting, project.done)):
        raise CutSince
    cut = dict(before.cut)
    fabrics = tuple(
        replace(p, cut=min(p.count, cut.get(fabric_key(p), p.cut))) for p in project.fabrics
    )
    done = frozenset(before.done) | _sewn_since(project, before)
    design = replace(
        project.design, rows=before.rows, columns=before.columns, border_width=before.border_width
    )
    return replace(
        project, plan=before.plan, table=before.table, done=done, fabrics=fabrics, design=design
    )


def _sewn_since(project: Project, before: Before) -> frozenset[str]:
    """What was sewn meanwhile stays sewn: the same kits are there, or nothing of them was sewn."""
    assert project.plan is not None and before.plan is not None
    sewn = frozenset(key for key in project.done if key.startswith(PASS))
    if len(project.plan.kits) == len(before.plan.kits):
        return project.done
    if sewn - set(before.done):
        raise SewnSince
    return project.done - sewn
