"""A new plan where some is cut already: that stays as it was cut, and serves as far as it can."""

from dataclasses import replace
from fractions import Fraction

import pytest
from tests.core.quilts import ROLL, plan, project
from tests.nights import at_night

from kersey.core.blocks.choice import BlockChoice
from kersey.core.cutting.checker import faults
from kersey.core.kits.kit_checker import kit_faults
from kersey.core.planning.cut_groups import cut_groups
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import make_quilt
from kersey.core.work.work_order import StepKind, ticked, work_order


def with_cuts(of: Project, steps: int) -> Project:
    """The project once the first of its cutting steps are ticked off."""
    cutting = [s for s in work_order(make_quilt(of)) if s.kind is StepKind.CUT]
    for step in cutting[:steps]:
        of = ticked(of, step, done=True)
    return of


# One fabric fewer, one more: (line, block, what is cut, blocks with a whole piece less).
@pytest.mark.parametrize(
    ("line", "block", "steps"),
    [
        (ROLL, "rails", 1),
        ("12 ten-inch squares, 6 prints", "nine-patch", 1),
        ("12 ten-inch squares, 6 prints", "ohio-star", 2),
        *at_night([("3 fat quarters, 3 prints", "window-brick", 1)]),
    ],
)
def test_what_is_cut_stays_cut(line: str, block: str, steps: int) -> None:
    begun = with_cuts(plan(project(line, block=BlockChoice(block))), steps)
    before = begun.plan
    assert before is not None
    fewer = begun.returning({n for n, p in enumerate(begun.fabrics) if not p.cut})
    more = begun.pulling(project("2 fat quarters").fabrics)
    with_more, with_fewer = plan(more).plan, plan(fewer).plan
    assert with_more is not None
    assert with_fewer is not None
    for after in (with_fewer, with_more):
        assert faults(after.cutting) == []
        assert kit_faults(after.cutting, after.kits) == []
        for group in cut_groups(before):
            if group.key not in begun.done:
                continue
            for layout in group.layouts:
                key = before.key_of(layout.fabric.name)
                kept_so = [
                    other.copies
                    for other in after.most.layouts
                    if after.key_of(other.fabric.name) == key and other.cuts == layout.cuts
                ]
                assert sum(kept_so) >= layout.copies
    assert with_more.possible >= with_fewer.possible
    assert before.most.blocks >= with_fewer.possible


def test_pieces_of_a_block_that_is_not_sewn_any_more_are_not_counted_on() -> None:
    begun = with_cuts(plan(project("12 ten-inch squares, 6 prints", rows=2, columns=2)), 1)
    design = replace(begun.design, block=BlockChoice("ohio-star", (Fraction(12), Fraction(12))))
    after = plan(replace(begun, design=design)).plan
    assert after is not None
    uncut = sum(p.count - p.cut for p in begun.fabrics)
    assert sum(layout.copies for layout in after.most.layouts) <= uncut
