"""What is opened first: scraps before lengths, and what a person wants used up before either."""

from dataclasses import replace

import pytest
from tests.core.quilts import plan, project

from kersey.core.blocks.choice import BlockChoice
from kersey.core.cutting.checker import faults
from kersey.core.project.project import Project

SQUARE = BlockChoice("plain-square")
SCRAPS = "30 pieces 6 x 6, 10 prints + 2 yd smoke"


def opened(of: Project) -> dict[str, int]:
    """Pieces cut into of each lot, by their form and size."""
    kept = plan(of).plan
    assert kept is not None
    assert faults(kept.cutting) == []
    found: dict[str, int] = {}
    for layout in kept.cutting.layouts:
        name = f"{layout.fabric.form} {layout.fabric.width}"
        found[name] = found.get(name, 0) + layout.copies
    return found


# Thirty scraps make a square of 4 1/2 finished each; a yard of 42 makes eight across.
@pytest.mark.parametrize(
    ("rows", "columns", "cut"),
    [(5, 5, {"piece 6": 25}), (6, 5, {"piece 6": 30}), (8, 5, {"piece 6": 30, "yardage 42": 1})],
)
def test_scraps_come_before_the_length(rows: int, columns: int, cut: dict[str, int]) -> None:
    of = project(SCRAPS, block=SQUARE, rows=rows, columns=columns)
    assert opened(of) == cut
    kept = plan(of).plan
    assert kept is not None
    of_length = [c for each in kept.cutting.layouts if each.fabric.width == 42 for c in each.cuts]
    assert len(of_length) == max(0, rows * columns - 30)


def test_without_the_rule_fewest_pieces_are_opened_and_a_switch_goes_before_it() -> None:
    of = project(SCRAPS, block=SQUARE, rows=5, columns=5)
    fewest = replace(of, design=replace(of.design, scraps_first=False))
    assert opened(fewest) == {"yardage 42": 1}
    *scraps, length = of.fabrics
    lot = replace(length.kept, first=True)
    wanted = replace(of, fabrics=(*scraps, replace(length, kept=lot)))
    assert opened(wanted) == {"yardage 42": 1}
