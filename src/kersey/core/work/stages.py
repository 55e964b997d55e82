"""The order of work: the stages a quilt goes through, and which one is next."""

from collections.abc import Sequence
from enum import StrEnum

from kersey.core.project.project import Project
from kersey.core.work.work_order import Step, steps_done


class Stage(StrEnum):
    """A stage of the order of work, in order."""

    PULL = "pull"
    YIELD = "yield"
    SIZE = "size"
    CUT = "cut"


NEXT_ACT = {
    Stage.PULL: "Pull the fabric",
    Stage.YIELD: "See what it makes",
    Stage.SIZE: "Choose a size",
    Stage.CUT: "Cut and sew",
}


def next_stage(project: Project, steps: Sequence[Step]) -> Stage | None:
    """The stage that waits for the person; None when every step is ticked off."""
    if not project.design.size_chosen:
        return Stage.SIZE
    return Stage.CUT if steps_done(project, steps) < len(steps) else None
