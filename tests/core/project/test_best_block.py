"""A quilt opens on a block that its fabric can be cut into."""

import pytest

from kersey.core.project.best_block import best_block
from kersey.core.project.project import Project
from kersey.core.stash.cupboard import from_readings
from kersey.core.stash.pulled import all_of
from kersey.core.stash.quick_entry import read_lots


# Rails of 6 1/2 do not fit a charm square, which is just four squares of 2 1/2.
@pytest.mark.parametrize(
    ("line", "block"),
    [
        ("roll of 40 strips, 20 prints", "rails"),
        ("12 fat quarters", "rails"),
        ("40 ten-inch squares", "rails"),
        ("42 charm squares", "nine-patch"),
        ("40 mini squares", "nine-patch"),
        ("900 g crumbs", "made-fabric"),
    ],
)
def test_it_suits_the_fabric(line: str, block: str) -> None:
    fabrics = tuple(p for kept in from_readings(read_lots(line)) for p in all_of(kept))
    assert best_block(Project("best", line, fabrics)).recipe == block
