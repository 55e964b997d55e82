"""Fabric pulled for the rest of the quilt: enough or not, by hand."""

from dataclasses import replace

import pytest
from tests.core.quilts import plan

from kersey.core.project.design import Design
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import make_quilt
from kersey.core.quilt.supply import supplies
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.pulled import Role, all_of
from kersey.core.stash.quick_entry import take_line


# 8 x 9 blocks of 6 with a border of 3: top 54 1/2 x 60 1/2, backing and batting 58 1/2 x 64 1/2;
# border six strips of 3 1/2 (21 inches of cloth), binding seven of 2 1/2 (17 1/2), backing two
# panels across of 58 1/2 (117).
@pytest.mark.parametrize(
    ("line", "role", "enough"),
    [
        ("1 yd charcoal", Role.BORDER, True),
        ("1/2 yd charcoal", Role.BORDER, False),
        ("1/2 yd charcoal", Role.BINDING, True),
        ("1/4 yd charcoal", Role.BINDING, False),
        ("3 1/4 yd rust", Role.BACKING, True),
        ("3 yd rust", Role.BACKING, False),
        ("2 yd backing 108 wide", Role.BACKING, True),
        ("batting 72 x 90", Role.BATTING, True),
        ("batting 45 x 60", Role.BATTING, False),
    ],
)
def test_enough_or_not(line: str, role: Role, enough: bool) -> None:
    lots = [take_line("roll of 40 strips, 20 prints").lot, take_line(line).lot]
    roll, more = (all_of(CupboardLot("lot", lot)) for lot in lots if lot is not None)
    fabrics = (*roll, *(replace(pulled, roles=(role,)) for pulled in more))
    design = Design(rows=9, columns=8, border_width=None, binding_from_left=False)
    quilt = make_quilt(plan(Project("Throw", "", fabrics, design)))
    found = supplies(quilt)
    assert list(found) == [role]
    assert found[role].enough is enough
