"""What a project asks the search: which of its fabric may be cut for the block."""

from dataclasses import replace
from fractions import Fraction

from tests.core.quilts import project

from kersey.core.blocks.choice import BlockChoice
from kersey.core.project.question import yield_asked
from kersey.core.stash.pulled import Role


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
    crumbs = project("60 pieces 4 x 5, 10 prints + 1/2 yd smoke", block=BlockChoice("made-fabric"))
    assert "smoke" not in {f.name for f in yield_asked(crumbs).problem.fabrics}
    *pieces, length = crumbs.fabrics
    told = replace(crumbs, fabrics=(*pieces, replace(length, roles=(Role.CRUMB,))))
    assert "smoke" in {f.name for f in yield_asked(told).problem.fabrics}
