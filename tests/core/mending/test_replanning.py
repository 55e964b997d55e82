"""After something went wrong: nothing is planned twice, nothing that is cut is forgotten, and what
is said to be possible is."""

from collections import Counter
from dataclasses import replace
from fractions import Fraction
from random import Random

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.cutting.brute_force import most_blocks
from tests.core.mending.mishaps import QUILTS, AtWork, something_spoiled
from tests.core.quilts import plan, project, quilt
from tests.nights import at_night, examples

from kersey.core.blocks.choice import BlockChoice
from kersey.core.cutting.checker import faults
from kersey.core.cutting.problem import CuttingProblem
from kersey.core.kits.kit_checker import kit_faults
from kersey.core.leaving.put_away import put_away
from kersey.core.measure.length import Units
from kersey.core.mending.mishap import (
    BadMishap,
    blocks_lost,
    kit_by_prints,
    set_lost,
    spoiled,
    still_planned,
    things,
)
from kersey.core.mending.replanning import all_ways, first_ways
from kersey.core.mending.taken_back import CutSince, before_of, taken_back
from kersey.core.mending.way_words import way_words
from kersey.core.mending.ways import WayKind
from kersey.core.project.project import Project, fabric_key
from kersey.core.project.table import parent_key
from kersey.core.quilt.left_over import left_over
from kersey.core.sewing.passes import after_block, blocks_sewn, kits_begun, passes
from kersey.core.stash.pulled import Role
from kersey.core.work.at_table import cuts_at_table, made
from kersey.core.work.work_order import work_order


def test_a_set_thrown_away_costs_its_own_squares_whatever_is_ticked() -> None:
    """By hand: 32 strips of 42 are eight tubes of four, 8 1/2 across, four squares each; without
    one of them 28: 5 x 5, or 4 x 7. Of the accent one strip is gone, not the length."""
    block = BlockChoice("tube-triangles").with_option("strips", 4)
    of = project("roll of 32 strips, 16 prints + 3 yd black", block=block)
    *strips, black = of.fabrics
    of = replace(of, fabrics=(*strips, replace(black, roles=(Role.ACCENT,))))
    of = replace(of, design=replace(of.design, rows=8, columns=4))
    at = AtWork(plan(of))
    assert len(at.quilt.placed) == 32
    for ways in (first_ways(set_lost(at.lies(), 7)), all_ways(set_lost(at.lies(), 0))):
        assert (ways.most, ways.bound or 28) == (28, 28)
        (way,) = ways.ways
        assert way.kind is WayKind.FEWER
        assert way.project is not None
        black_left = cloth_there(way.project)[fabric_key(of.fabrics[-1])]
        assert black_left == (108 - Fraction(17, 2)) * 42
        words = way_words(way, at.quilt, Units.INCHES)
        assert words.title.startswith("28 blocks: 5 × 5")
        assert "Size also offers 4 × 7" in " ".join(words.costs)


def cloth_there(project: Project) -> dict[str, Fraction]:
    """Square inches of each fabric that are whole or lie on the table, by a sum of its own."""
    found = {
        fabric_key(p): (p.count - project.table.pieces_opened(fabric_key(p))) * p.width * p.length
        for p in project.fabrics
    }
    for lying in project.table.lying:
        found[lying.of] += lying.count * lying.width * lying.length
    return found


def pieces_off_finished_stacks(at: AtWork) -> Counter[tuple[str, Fraction, Fraction]]:
    """What the stacks that are wholly cut must have become: by the layouts themselves."""
    cuts = at.cuts
    done = made(at.project, cuts)
    found = Counter[tuple[str, Fraction, Fraction]]()
    for stack in dict.fromkeys(cut.stack for cut in cuts):
        if not all(d for cut, d in zip(cuts, done, strict=True) if cut.stack == stack):
            continue
        for layer in stack.layers:
            sizes = [(c.width, c.length) for c in stack.layout.cuts] + list(stack.layout.left)
            for width, length in sizes:
                found[parent_key(layer.key), width, length] += layer.pieces
    return found


@examples(5)
@given(st.sampled_from(sorted(QUILTS)), st.integers(0, 2**16))
def test_nothing_is_planned_twice_and_nothing_forgotten(name: str, seed: int) -> None:
    pick = Random(seed)
    at = AtWork(QUILTS[name].project)
    was_there = cloth_there(at.project)
    for _ in range(3):
        at = at.after_cuts(pick, pick.randint(0, 12))
        expected = pieces_off_finished_stacks(at)
        lies = at.lies()
        there = Counter({(p.of, p.width, p.length): p.count for p in lies.table.lying})
        assert not expected - there
        # What is opened lies there but for crumbs, and what is whole is still whole.
        now = cloth_there(lies.project())
        assert all(now[key] <= was_there[key] for key in now)
        worse, thing, count, area = something_spoiled(lies, pick)
        ways = [way for way in first_ways(worse).ways if way.project is not None]
        if not ways:
            continue
        way = pick.choice(ways)
        assert way.project is not None
        lost = now[parent_key(thing.key)] - cloth_there(way.project)[parent_key(thing.key)]
        # Of joined pieces the seam is lost, and crumbs beside the parts.
        joints = sum(6 * (joined.width + joined.length) for joined in way.joined)
        assert area <= lost <= area + joints, (thing, count)
        before, came_of_it = before_of(at.project), AtWork(way.project)
        check(came_of_it)
        assert made(way.project, came_of_it.cuts) == [False] * len(came_of_it.cuts)
        assert taken_back(way.project, way.project.table, before) == at.project
        cut_on = came_of_it.after_cuts(pick, 1)
        if cut_on != came_of_it:
            with pytest.raises(CutSince):
                taken_back(cut_on.project, way.project.table, before)
        at, was_there = cut_on, cloth_there(cut_on.lies().project())


def check(at: AtWork) -> None:
    """The plan is good, of what truly is there: each fabric counted once."""
    plan = at.quilt.kept
    assert faults(plan.cutting) == []
    assert kit_faults(plan.cutting, plan.kits) == []
    counts = dict(zip(plan.keys, (f.count for f in plan.cutting.problem.fabrics), strict=True))
    table = at.project.table
    for pulled in at.project.fabrics:
        key = fabric_key(pulled)
        assert counts.get(key, 0) == pulled.count - table.pieces_opened(key)
        assert pulled.cut >= table.pieces_opened(key)
    assert {p.key: p.count for p in table.lying} == {k: n for k, n in counts.items() if "." in k}
    # Nothing on the table goes back whole.
    opened = {f.name for f in plan.cutting.problem.fabrics if f.opened}
    assert not any(p.whole and p.fabric in opened for p in left_over(plan.cutting, plan.kits))
    work_order(at.quilt)


@pytest.mark.parametrize("name", QUILTS)
def test_everything_cut_and_nothing_wrong_leaves_the_quilt_as_it_was(name: str) -> None:
    at = AtWork(QUILTS[name].project)
    whole = at.after_cuts(Random(3), len(at.cuts))
    lies = whole.lies()
    crumbs = [t for t in things(lies) if not t.whole and not t.gives]
    ways = first_ways(lies)
    assert ways.most == ways.wanted
    assert ways.proved
    for thing in crumbs[:1]:
        only_left = first_ways(spoiled(lies, thing.key, 1))
        assert only_left.most == only_left.wanted
    way = ways.ways[0]
    assert way.project is not None
    assert way.kind in (WayKind.UNHARMED, WayKind.ANEW)
    check(AtWork(way.project))


@pytest.mark.parametrize("name", ["nine-patch", "window brick", *at_night(["log cabin"])])
@given(seed=st.integers(0, 2**16))
@examples(4)
def test_what_is_sewn_stays_together_and_what_is_lost_is_not_sewn(name: str, seed: int) -> None:
    pick = Random(seed)
    at = AtWork(QUILTS[name].project)
    whole = at.after_cuts(pick, len(at.cuts))
    of, every = whole.quilt, passes(whole.quilt, 0)
    project = whole.project
    blocks = list(dict.fromkeys(block for each in every for block in each.blocks))
    sewn = pick.sample(blocks, 3)
    for one in every:
        for block in sewn:
            if block in one.blocks:
                project = after_block(project, of, every, one, block)
    assert blocks_sewn(project, of, every) == [b for b in blocks if b in sewn]
    kits = sorted(kits_begun(project))
    before = [kit_by_prints(of.kept, of.kept.kits[kit]) for kit in kits]
    lies = AtWork(project).lies()
    for way in first_ways(something_spoiled(lies, pick)[0]).ways:
        if way.project is not None and way.project.plan is not None:
            plan = way.project.plan
            now = [kit_by_prints(plan, plan.kits[k]) for k in sorted(kits_begun(way.project))]
            assert now == before
    lost = blocks_lost(lies, [kits[1]])
    ways = [way for way in first_ways(lost).ways if way.project is not None]
    assert ways
    for way in ways:
        assert way.project is not None
        assert way.project.plan is not None
        plan = way.project.plan
        now = [kit_by_prints(plan, plan.kits[k]) for k in sorted(kits_begun(way.project))]
        assert now == [before[0], before[2]]


SMALL = [
    ("3 light charm squares + 3 dark charm squares", "four-patch"),
    ("2 light fat eighths + 2 dark fat eighths", "half-square"),
    ("4 ten-inch squares, 2 prints", "nine-patch"),
    ("1 fat quarter + 1 fat eighth", "plain-square"),
]


def in_eighths(problem: CuttingProblem) -> CuttingProblem:
    """The question in whole numbers, as the brute force wants it."""
    needs = tuple(replace(n, width=8 * n.width, height=8 * n.height) for n in problem.needs)
    fabrics = tuple(replace(f, width=8 * f.width, length=8 * f.length) for f in problem.fabrics)
    assert all(side.denominator == 1 for n in needs for side in (n.width, n.height))
    assert all(side.denominator == 1 for f in fabrics for side in (f.width, f.length))
    return replace(problem, needs=needs, fabrics=fabrics)


@pytest.mark.parametrize(("said", "block"), SMALL)
@pytest.mark.parametrize("seed", range(6))
def test_on_small_ones_as_many_blocks_as_by_trying_everything(
    said: str, block: str, seed: int
) -> None:
    pick = Random(seed)
    at = AtWork(quilt(said, block=BlockChoice(block)).project).after_cuts(pick, pick.randint(0, 6))
    worse, *_ = something_spoiled(at.lies(), pick)
    ways = all_ways(worse)
    assert ways.proved
    _, plan = still_planned(worse)
    by_cutting = min(ways.wanted, most_blocks(in_eighths(plan.problem)) * plan.problem.batch)
    # A piece that is joined of two no cutting gives.
    joined = any(w.kind is WayKind.JOINED and w.blocks == ways.most for w in ways.ways)
    assert ways.most >= by_cutting if joined else ways.most == by_cutting


def test_a_spoiled_piece_is_cut_again_of_its_own_print_if_it_can_be() -> None:
    at = AtWork(
        quilt(
            "6 light fat quarters + 6 dark fat quarters",
            rows=4,
            columns=4,
            block=BlockChoice("nine-patch"),
        ).project
    )
    lies = at.after_cuts(Random(0), len(at.cuts)).lies()
    there = [thing for thing in things(lies) if not thing.whole]
    pieces = [thing for thing in there if thing.gives]
    found = set[bool]()
    for piece in pieces:
        (need,) = piece.gives
        free = any(
            parent_key(other.key) == parent_key(piece.key)
            and not other.gives
            and min(other.width, other.length) >= min(need.width, need.height)
            and max(other.width, other.length) >= max(need.width, need.height)
            for other in there
        )
        best = first_ways(spoiled(lies, piece.key, 1)).ways[0]
        found.add(free)
        if free:
            assert best.kind in (WayKind.SAME, WayKind.UNHARMED)
            assert (best.changed, best.opens) == ((), 0)
        assert best.kind is not WayKind.SAME or free
    assert found == {True, False}


def test_lost_blocks_are_made_again_or_left_out() -> None:
    at = AtWork(QUILTS["rails"].project)
    whole = at.after_cuts(Random(0), len(at.cuts))
    lies = blocks_lost(whole.lies(), [0, 7])
    ways = first_ways(lies)
    assert ways.wanted == 30
    assert sum(count for *_, count in ways.lost) == 6
    assert ways.most >= 28
    for way in ways.ways:
        if way.project is not None:
            check(AtWork(way.project))
    with pytest.raises(BadMishap, match="1 to 30"):
        blocks_lost(whole.lies(), [30])


def test_no_more_can_be_left_than_there_was() -> None:
    lies = AtWork(QUILTS["rails"].project).after_cuts(Random(0), 3).lies()
    thing = things(lies)[0]
    with pytest.raises(BadMishap, match="can't be larger than the piece was"):
        spoiled(lies, thing.key, 1, [(thing.width, thing.length), (Fraction(1), Fraction(1))])
    with pytest.raises(BadMishap, match="You have 6 of these"):
        spoiled(lies, thing.key, thing.count + 1)
    with pytest.raises(BadMishap, match="Choose the piece"):
        spoiled(lies, "no such key", 1)


def test_two_remains_are_joined_where_none_is_large_enough() -> None:
    of = quilt("2 fat eighths, 1 print", block=BlockChoice("plain-square"))
    cuts = cuts_at_table(work_order(of), 1)
    at = AtWork(of.project).after_cuts(Random(1), len(cuts))
    lies = at.lies()
    piece = next(t for t in things(lies) if t.gives)
    short = piece.length - 2
    lies = spoiled(lies, piece.key, 2, [(piece.width, short)])
    ways = all_ways(lies)
    joined = [way for way in ways.ways if way.kind is WayKind.JOINED]
    assert ways.most >= 1
    for way in joined:
        assert way.project is not None
        check(AtWork(way.project))
        for each in way.joined:
            long = sum(max(part) for part in each.parts)
            assert long - Fraction(1, 2) == max(each.width, each.length)


@pytest.mark.parametrize("name", ["rails", "log cabin", "nine-patch", "half-square"])
@pytest.mark.parametrize("seed", range(2))
def test_what_lies_on_the_table_is_put_away_and_no_cloth_is_made_up(name: str, seed: int) -> None:
    pick = Random(seed)
    at = AtWork(QUILTS[name].project).after_cuts(pick, 20)
    worse, *_ = something_spoiled(at.lies(), pick)
    way = next(way for way in first_ways(worse).ways if way.project is not None)
    assert way.project is not None
    away = put_away(AtWork(way.project).quilt)
    kept = sum(
        (lot.lot.piece_area(s) * s.count for lot in away.lots for s in lot.lot.stacks), Fraction(0)
    )
    assert sum(fate.kept for fate in away.fates) == kept
    for fate in away.fates:
        assert fate.lost >= 0
        whole = fate.pulled.cut * fate.pulled.width * fate.pulled.length
        assert fate.used + fate.kept + fate.lost == whole
