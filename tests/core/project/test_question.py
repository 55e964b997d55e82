"""What a project asks the search: which of its fabric may be cut for the block."""

from dataclasses import replace
from fractions import Fraction

from tests.core.quilts import plan, project

from kersey.core.blocks.choice import BlockChoice
from kersey.core.leaving.put_away import put_away
from kersey.core.project.project import fabric_key
from kersey.core.project.question import yield_asked
from kersey.core.project.table import parent_key
from kersey.core.quilt.quilt import make_quilt
from kersey.core.stash.pulled import Role
from kersey.core.work.work_order import StepKind, ticked, work_order


# A grid of 5 finished: a panel of 15 1/2 is three squares each way; a length is no crumb.
def test_what_is_finished_is_never_cut_up() -> None:
    drawer = BlockChoice("units-drawer").with_option("grid", Fraction(5))
    units = "24 sewn blocks 5 1/2 + panel 15 1/2 x 15 1/2 + 2 yd smoke"
    asked = yield_asked(project(units, block=drawer))
    assert [(f.name, f.roles) for f in asked.problem.fabrics if f.width == Fraction(31, 2)] == [
        ("panel", {"unit"})
    ]
    squares = yield_asked(project("panel 24 x 44 + 2 yd smoke", block=BlockChoice("plain-square")))
    assert [f.name for f in squares.problem.fabrics] == ["smoke"]
    # What a quilt called so has left is cloth like any other.
    left, smoke = project(
        "8 pieces 6 x 6, 1 print + 2 yd smoke", block=BlockChoice("plain-square")
    ).fabrics
    named = replace(left, kept=replace(left.kept, name="Panel: leftover pieces"))
    assert not named.is_panel
    assert replace(left, kept=replace(left.kept, name="night train panel 2")).is_panel
    assert smoke.is_panel is False
    crumbs = project("60 pieces 4 x 5, 10 prints + 1/2 yd smoke", block=BlockChoice("made-fabric"))
    assert "smoke" not in {f.name for f in yield_asked(crumbs).problem.fabrics}
    *pieces, length = crumbs.fabrics
    told = replace(crumbs, fabrics=(*pieces, replace(length, roles=(Role.CRUMB,))))
    assert "smoke" in {f.name for f in yield_asked(told).problem.fabrics}


# 1 to 2 wide in three steps, 8 to 20 long in four: 300 are 25 of each of twelve sizes.
def test_what_varies_is_planned_over_its_range() -> None:
    of = project("about 300 strings 1 to 2, 8 to 20 long", block=BlockChoice("string"))
    asked = yield_asked(of)
    sizes = {(f.width, f.length): f.count for f in asked.problem.fabrics}
    widths = [Fraction(9, 8), Fraction(3, 2), Fraction(7, 4)]
    lengths = [Fraction(19, 2), Fraction(25, 2), Fraction(31, 2), Fraction(37, 2)]
    assert sizes == {(w, n): 25 for w in widths for n in lengths}
    assert {parent_key(key) for key in asked.keys} == {fabric_key(of.fabrics[0])}
    area = sum(w * n * count for (w, n), count in sizes.items())
    assert Fraction(9, 10) * of.fabrics[0].area < area <= of.fabrics[0].area
    # Once all is cut and put away every string is accounted for.
    quilt = make_quilt(plan(of))
    done = quilt.project
    for step in work_order(quilt):
        if step.kind is StepKind.CUT:
            done = ticked(done, step, True)
    assert 0 < done.fabrics[0].cut <= 300
    away = put_away(make_quilt(done))
    assert away.project.fabrics[0].cut == done.fabrics[0].cut
