"""The sums of a quilt: all the cloth is somewhere, and every part is as long as the quilt needs."""

from fractions import Fraction

import pytest
from tests.core.quilts import SETS, quilt
from tests.nights import at_night

from kersey.core.blocks.choice import BlockChoice
from kersey.core.frame.borders import Corners
from kersey.core.frame.sashing import Sashing
from kersey.core.frame.setting import Setting
from kersey.core.quilt.quilt import Quilt
from kersey.core.quilt.sums import part_sums, pulled_fabric

F = Fraction
PAIRS = "12 light fat quarters + 12 dark fat quarters"


def not_laid_out(of: Quilt) -> Fraction:
    """What is neither cut nor left of the opened cloth, layout by layout."""
    return sum(
        (
            layout.copies
            * (
                layout.fabric.width * layout.fabric.length
                - sum(cut.width * cut.length for cut in layout.cuts)
                - sum(wide * long for wide, long in layout.left)
            )
            for layout in of.kept.cutting.layouts
        ),
        F(0),
    )


@pytest.mark.parametrize(
    ("line", "block"),
    [
        ("roll of 40 strips, 20 prints", "rails"),
        (PAIRS, "half-square"),
        *at_night([(PAIRS, "log-cabin")]),
        ("42 charm squares, 21 prints", "four-patch"),
        ("2 yd charcoal + 3 yd rust", "nine-patch"),
    ],
)
@pytest.mark.parametrize("from_left", [False, True])
def test_all_the_cloth_is_somewhere(line: str, block: str, from_left: bool) -> None:
    made = quilt(
        line, block=BlockChoice(block), binding_from_left=from_left, border_from_left=from_left
    )
    sums = pulled_fabric(made)
    assert sums.pulled == sums.in_blocks + sums.in_frame + sums.left + sums.trimmings
    if from_left:
        # Cutting strips off may leave slivers that nobody keeps.
        assert sums.trimmings >= not_laid_out(made)
        assert (sums.in_frame > 0) == any(part.cloth.strips for part in made.frame.parts)
    else:
        assert (sums.in_frame, sums.trimmings) == (0, not_laid_out(made))
    assert sums.trimmings >= 0


def test_of_strips_in_sets_all_that_is_sewn_is_in_the_blocks() -> None:
    made = quilt(block=SETS, binding_from_left=False)
    sums = pulled_fabric(made)
    opened = sum(layout.copies for layout in made.kept.cutting.layouts)
    assert sums.in_blocks + sums.trimmings == opened * F(5, 2) * 42
    assert sums.trimmings == not_laid_out(made)


def test_every_part_is_told_once() -> None:
    """By hand: 7 x 9 blocks of 6 with sashing 2 and cornerstones, borders of 1 and 4."""
    made = quilt(
        rows=9,
        columns=7,
        sashing=Sashing(F(2), cornerstones=True),
        border_width=F(1),
        outer_borders=(F(4),),
        corners=Corners.SQUARES,
    )
    told = [(s.part, s.count, float(s.width), float(s.length)) for s in part_sums(made)]
    assert told == [
        ("block, any", 189, 2.5, 6.5),
        ("sashing, upright", 54, 2.5, 6.5),
        ("sashing, across", 56, 2.5, 6.5),
        ("cornerstone", 48, 2.5, 2.5),
        ("border", 2, 1.5, 70.5),
        ("border", 2, 1.5, 54.5),
        ("border 2", 2, 4.5, 72.5),
        ("border 2", 2, 4.5, 56.5),
        ("border, corner", 4, 1.5, 1.5),
        ("border 2, corner", 4, 4.5, 4.5),
        ("binding", 1, 2.5, 300.0),
        ("backing", 2, 68.5, 84.5),
    ]


def test_plain_squares_are_parts_too() -> None:
    made = quilt(rows=7, columns=5, setting=Setting.ALTERNATE, border_width=F(0))
    told = {s.part: s for s in part_sums(made)}
    assert (told["plain square"].count, told["block, any"].count) == (17, 54)
    assert told["plain square"].bought == 3 * F(13, 2)
