"""An arrangement kept when the plan behind it changes."""

from dataclasses import replace

from tests.core.quilts import plan, project

from kersey.core.measure.length import Units
from kersey.core.planning.plan_question import dealt_again, regridded
from kersey.core.project.design import KitWish
from kersey.core.project.laying import Laying
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.wall.carried import laid_again, laid_as_before, laid_of, pattern_of
from kersey.core.wall.hand import on_wall
from kersey.core.wall.seen import wall_of
from kersey.core.wall.turning import ways_of_turning


def laid(rows: int, columns: int, pattern: str = "columns") -> Quilt:
    """Rails laid by hand: two blocks exchanged, one pinned, turned in a pattern."""
    quilt = make_quilt(plan(project(rows=rows, columns=columns)))
    ways = ways_of_turning(wall_of(quilt), quilt.assembly.turns)
    turns = next(way.turns for way in ways if way.key == pattern)
    wall = on_wall(quilt).swapped(0, 7).turned_to(turns).pinned([3], True)
    return make_quilt(replace(quilt.project, plan=wall.kept))


def resized(before: Project, rows: int, columns: int) -> Quilt:
    design = replace(before.design, rows=rows, columns=columns)
    after = regridded(replace(before, design=design), Units.INCHES)
    return make_quilt(laid_as_before(before, after, Units.INCHES))


def test_a_smaller_quilt_keeps_what_lies_in_it_and_a_larger_one_what_it_can() -> None:
    before = laid(5, 6)
    for rows, columns, larger in ((4, 5, False), (6, 7, True), (5, 4, False)):
        after = resized(before.project, rows, columns)
        there = dict(zip(before.grid.seats, before.kept.places, strict=True))
        keys = before.kept.kits, after.kept.kits
        same, other = set[int](), set[int]()
        for place, (seat, block) in enumerate(
            zip(after.grid.seats, after.kept.places, strict=True)
        ):
            assert block is not None
            was = there.get(seat)
            alike = was is not None and keys[1][block] == keys[0][was]
            (same if alike else other).add(place)
        # For more blocks kits are dealt anew: what is not the same is said.
        assert after.kept.laying is not None
        assert after.kept.laying.anew == other
        assert larger or len(same) == rows * columns
        assert len(set(after.kept.places)) == rows * columns
        assert pattern_of(after) == "columns"
        pinned = {after.grid.seats[place] for place in after.kept.laying.pins}
        assert pinned == {before.grid.seats[3]} & {after.grid.seats[place] for place in same}


def test_kits_dealt_anew_are_marked_where_another_block_lies() -> None:
    before = laid(5, 6).project
    design = replace(before.design, kits=KitWish.BAG, deal=3)
    after = laid_as_before(before, dealt_again(replace(before, design=design)), Units.INCHES)
    assert after.plan is not None
    assert after.plan.laying is not None
    assert before.plan is not None
    kits = before.plan.kits, after.plan.kits
    for place, (was, now) in enumerate(zip(before.plan.places, after.plan.places, strict=True)):
        assert was is not None
        assert now is not None
        assert (place in after.plan.laying.anew) is (kits[0][was] != kits[1][now])
    assert len(set(after.plan.places)) == 30


def test_what_nobody_has_laid_is_laid_as_ever_and_a_hand_has_the_last_word() -> None:
    nobody = plan(project(rows=5, columns=6))
    design = replace(nobody.design, rows=4, columns=6)
    after = regridded(replace(nobody, design=design), Units.INCHES)
    assert laid_as_before(nobody, after, Units.INCHES) is after
    before = laid(5, 6)
    hand = on_wall(before).turned([4])
    by_hand = replace(before.project, plan=hand.kept)
    assert laid_as_before(before.project, by_hand, Units.INCHES).plan == hand.kept


def test_a_version_is_laid_again_as_it_was_kept() -> None:
    before = laid(4, 4)
    kept = laid_of(before)
    otherwise = on_wall(before).swapped(1, 2).turned([5]).pinned([3], False)
    there = make_quilt(replace(before.project, plan=otherwise.kept))
    again = laid_again(kept, there)
    assert again.places == before.kept.places
    assert again.laying == replace(before.kept.laying or Laying(()), anew=frozenset())
