"""Two blocks in turn: whatever the two, they fill the pair, and lie like a checkerboard."""

from fractions import Fraction
from itertools import permutations

import pytest
from tests.core.quilts import quilt

from kersey.core.blocks.catalogue import recipes
from kersey.core.blocks.choice import BlockChoice
from kersey.core.blocks.recipe import BadRecipe
from kersey.core.blocks.technique import CUT

F = Fraction
SEAM = F(1, 4)
KINDS = recipes()["two-in-turn"].choices["first"]


@pytest.mark.parametrize(("first", "second"), list(permutations(KINDS, 2)))
def test_every_two_are_those_two_side_by_side(first: str, second: str) -> None:
    pair = BlockChoice("two-in-turn").with_option("first", first).with_option("second", second)
    assembly = pair.assembly(SEAM)
    assert assembly.batch == 1
    assert sum(patch.area for patch in assembly.patches) == 12 * 6
    assert all(0 <= x <= 12 and 0 <= y <= 6 for p in assembly.patches for x, y in p.corners)
    alone = [BlockChoice(name).assembly(SEAM) for name in (first, second)]
    if any(one.finished != (6, 6) for one in alone):
        alone = [BlockChoice(name, (F(6), F(6))).assembly(SEAM) for name in (first, second)]
    cut = sorted(
        (need.width, need.height, need.role, F(need.count, one.batch))
        for one in alone
        for need in one.needs
    )
    assert cut == sorted(
        (need.width, need.height, need.role, F(need.count, assembly.batch))
        for need in assembly.needs
    )
    made = [make for make in assembly.makes if make.how != CUT]
    assert made[-1].name == "pair"
    assert len({(need.label, need.role) for need in assembly.needs}) == len(assembly.needs)


def test_every_other_row_is_turned() -> None:
    made = quilt("2 yd charcoal + 2 yd ivory", block=BlockChoice("two-in-turn"), rows=4, columns=3)
    turns = {(placed.row % 2, placed.turn) for placed in made.placed}
    assert turns == {(0, 0), (1, 2)}
    assert (made.size.body_width, made.size.body_length) == (36, 24)


@pytest.mark.parametrize(
    ("block", "says"),
    [
        (BlockChoice("two-in-turn", (F(12), F(5))), "the size of each block"),
        (BlockChoice("two-in-turn").with_option("first", "pinwheel"), "another block than"),
    ],
)
def test_what_is_no_pair_is_said(block: BlockChoice, says: str) -> None:
    with pytest.raises(BadRecipe, match=says):
        block.assembly(SEAM)
