"""The order of joining: what a step joins was sewn before it, and at last it is one piece."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.frame.setting import BlockGrid, Setting
from kersey.core.project.laying import Joining
from kersey.core.wall.joining import joins, may_be_done, pieces

grids = st.builds(BlockGrid, st.integers(1, 6), st.integers(1, 6), st.sampled_from(Setting))


@given(grids, st.sampled_from(Joining))
def test_sewn_in_their_order_steps_lead_to_one_piece(grid: BlockGrid, joining: Joining) -> None:
    steps = joins(grid, joining)
    done: set[str] = set()
    for step in steps:
        assert step in may_be_done(steps, done)
        done.add(step.key)
        sewn = pieces(steps, done)
        assert sum(step.key in done for step in steps) == len(done)
        # Pieces never share a block, and the one just sewn is among them.
        assert sum(map(len, sewn)) == len({place for piece in sewn for place in piece})
        assert step.places in sewn
    if grid.blocks > 1:
        assert pieces(steps, done) == (tuple(range(grid.blocks)),)
    assert len({step.key for step in steps}) == len(steps)


@pytest.mark.parametrize(
    ("joining", "names"),
    [
        (Joining.ROWS, ["row 1", "row 2", "row 3", "rows 1 and 2", "rows 1 to 3"]),
        (Joining.FOURS, ["four 1-1", "four 1-2", "four 2-1", "four 2-2",
                         "fours 1 and 2 of band 1", "fours 1 and 2 of band 2", "bands 1 and 2"]),
        (Joining.COLUMNS, ["pair 1, row 1", "pair 1, row 2", "pair 1, row 3", "columns 1 and 2",
                           "pair 2, row 1", "pair 2, row 2", "pair 2, row 3", "columns 3 and 4",
                           "pairs 1 and 2"]),
    ],
)  # fmt: skip
def test_each_way_of_joining_by_name(joining: Joining, names: list[str]) -> None:
    """Three rows of four; the lower fours are of two blocks only."""
    assert [step.name for step in joins(BlockGrid(3, 4), joining)] == names
