"""Projects and quilts from a line of fabric, planned without a clock."""

from collections.abc import Callable, Iterator, Mapping
from dataclasses import replace
from functools import cache, lru_cache

from tests.once import found

from kersey.core.blocks.choice import BlockChoice
from kersey.core.frame.part import PartKind
from kersey.core.measure.length import Units
from kersey.core.planning.plan_question import PlanQuestion, plan_question
from kersey.core.project.design import Design
from kersey.core.project.kept_plan import KeptPlan
from kersey.core.project.project import Project
from kersey.core.quilt.parts import Part
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.pulled import all_of
from kersey.core.stash.quick_entry import take_line

ROLL = "roll of 40 strips, 20 prints"


def of_strips(strips: int = 3, sets: bool = False) -> BlockChoice:
    return BlockChoice("rails").with_option("strips", strips).made(faster=sets)


SETS = of_strips(sets=True)


def project(line: str = ROLL, **choices: object) -> Project:
    """Fabric from several lots is parted by a plus."""
    lots = [take_line(part).lot for part in line.split(" + ")]
    kept = [CupboardLot(f"roll {n}", lot) for n, lot in enumerate(lots) if lot]
    assert len(kept) == len(lots), line
    fabrics = tuple(pulled for one in kept for pulled in all_of(one))
    return Project("Throw", line, fabrics, Design(**choices))  # type: ignore[arg-type]


def plan(of: Project, units: Units = Units.INCHES) -> Project:
    """The project planned; what many tests ask for is worked out once."""
    return replace(of, plan=_answer(plan_question(of, units)))


@lru_cache(maxsize=300)
def _answer(question: PlanQuestion) -> KeptPlan:
    return found(question, lambda: list(question.run())[-1])


def quilt(line: str = ROLL, units: Units = Units.INCHES, **choices: object) -> Quilt:
    return make_quilt(plan(project(line, **choices), units), units)


class Quilts(Mapping[str, Quilt]):
    """Quilts by their names, each worked out when it is first asked for."""

    def __init__(self, how: Mapping[str, Callable[[], Quilt]]) -> None:
        self.how: dict[str, Callable[[], Quilt]] = {name: cache(make) for name, make in how.items()}

    def __getitem__(self, name: str) -> Quilt:
        return self.how[name]()

    def __iter__(self) -> Iterator[str]:
        return iter(self.how)

    def __len__(self) -> int:
        return len(self.how)


def part_of(of: Quilt, kind: PartKind) -> Part:
    """The part of a kind, which the quilt has."""
    part = of.part(kind)
    assert part is not None, f"no {kind}"
    return part
