"""Cloth pulled for a part of the quilt, and how a backing lies: by hand."""

from dataclasses import replace

import pytest
from tests.core.quilts import plan

from kersey.core.frame.backing import BackingWay
from kersey.core.project.design import Design
from kersey.core.project.project import Project
from kersey.core.quilt.parts import Source
from kersey.core.quilt.quilt import make_quilt
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.pulled import Role, all_of
from kersey.core.stash.quick_entry import take_line


# 8 x 9 blocks of 6 with a border of 3: top 54 1/2 x 60 1/2, backing and batting 58 1/2 x 64 1/2;
# border six strips of 3 1/2 (21 inches of cloth), binding seven of 2 1/2 (17 1/2), backing two
# panels across of 58 1/2 (117).
@pytest.mark.parametrize(
    ("line", "role", "lacks"),
    [
        ("1 yd charcoal", Role.BORDER, 0),
        # Five strips of 3 1/2 in half a yard, so one is missing; three of 2 1/2 in a quarter.
        ("1/2 yd charcoal", Role.BORDER, 3.5),
        ("1/2 yd charcoal", Role.BINDING, 0),
        ("1/4 yd charcoal", Role.BINDING, 10),
        ("3 1/4 yd rust", Role.BACKING, 0),
        ("3 yd rust", Role.BACKING, 58.5),
        # No panel is as long.
        ("1 yd rust", Role.BACKING, 117),
        ("2 yd backing 108 wide", Role.BACKING, 0),
        ("batting 72 x 90", Role.BATTING, 0),
        ("batting 45 x 60", Role.BATTING, None),
    ],
)
def test_enough_or_not(line: str, role: Role, lacks: float | None) -> None:
    lots = [take_line("roll of 40 strips, 20 prints").lot, take_line(line).lot]
    roll, more = (all_of(CupboardLot("lot", lot)) for lot in lots if lot is not None)
    fabrics = (*roll, *(replace(pulled, roles=(role,)) for pulled in more))
    design = Design(rows=9, columns=8, border_width=None, binding_from_left=False)
    quilt = make_quilt(plan(Project("Throw", "", fabrics, design)))
    (part,) = (part for part in quilt.parts if part.cloth.source is Source.PULLED)
    assert part.kind == role
    assert part.enough is (lacks == 0)
    assert part.lacks == (lacks or 0)


# The same quilt: two panels across take least, upright they are 64 1/2 long.
def test_a_backing_with_a_direction_stands() -> None:
    lots = [take_line("roll of 40 strips, 20 prints").lot, take_line("4 yd stripe").lot]
    roll, more = (all_of(CupboardLot("lot", lot)) for lot in lots if lot is not None)
    design = Design(rows=9, columns=8, border_width=None, binding_from_left=False)

    def way(directional: bool, chosen: BackingWay | None = None) -> BackingWay:
        lot = replace(more[0].kept.lot, directional=directional)
        stripe = replace(more[0], kept=CupboardLot("lot", lot), roles=(Role.BACKING,))
        of = Project("Throw", "", (*roll, stripe), replace(design, backing_way=chosen))
        return make_quilt(plan(of)).backing_plan.way

    assert way(directional=False) is BackingWay.ACROSS
    assert way(directional=True) is BackingWay.UPRIGHT
    assert way(directional=True, chosen=BackingWay.ACROSS) is BackingWay.ACROSS
