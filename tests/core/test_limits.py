"""Numbers of the trade, each tried at, just below and just above it."""

from datetime import UTC, datetime
from fractions import Fraction

import pytest
from tests.core.quilts import quilt

from kersey.core.blocks.catalogue import recipes
from kersey.core.blocks.choice import BlockChoice
from kersey.core.cloth.forms import Form
from kersey.core.finish.hidden_points import hidden_points
from kersey.core.finish.washing import learned
from kersey.core.frame.backing import seam_in_fold
from kersey.core.frame.edge import EdgeStyle
from kersey.core.leaving.put_away import Keeping
from kersey.core.measure.workshop import QUARTER_INCH
from kersey.core.project.sewing import HEIGHT, WIDTH, Measured, Reading, School, Sewing, Work
from kersey.core.quilt.sums import part_sums
from kersey.core.sewing.pace import left
from kersey.core.sewing.pressing import PressQuestion, press
from kersey.core.stash.quick_entry import take_line

F = Fraction
HAIR = F(1, 64)


@pytest.mark.parametrize(("from_fold", "near"), [(2 - HAIR, True), (F(2), False), (F(-2), False)])
def test_a_seam_two_inches_from_the_fold_is_far_enough(from_fold: Fraction, near: bool) -> None:
    assert seam_in_fold([F(30) + from_fold], F(60)) is near


@pytest.mark.parametrize(("side", "kept"), [(2 - HAIR, False), (F(2), True), (2 + HAIR, True)])
def test_a_leftover_of_just_the_least_size_is_kept(side: Fraction, kept: bool) -> None:
    assert Keeping(least=F(2)).keeps("any", F(9), side) is kept
    assert Keeping(least=F(2)).keeps("any", side, F(9)) is kept


def test_a_usual_pace_is_known_from_six_tenths_to_eighteen() -> None:
    sew = next(e for e in left(Sewing(), dict.fromkeys(Work, (0, 100))) if e.work is Work.SEW)
    assert (sew.low, sew.likely, sew.high) == (60, 100, 180)


# A star of 3 has its inner points an inch from the edge of the quilt.
@pytest.mark.parametrize(
    ("beyond_the_seam", "hidden"), [(1 - HAIR, False), (F(1), False), (1 + HAIR, True)]
)
def test_a_point_just_at_the_edge_of_the_binding_shows(
    beyond_the_seam: Fraction, hidden: bool
) -> None:
    of = quilt(
        "12 light fat quarters + 12 dark fat quarters",
        rows=3,
        columns=3,
        border_width=F(0),
        block=BlockChoice("ohio-star", finished=(F(3), F(3))),
        edge_style=EdgeStyle.FOLDED,
        edge_shows=QUARTER_INCH + beyond_the_seam,
    )
    body = of.size.body_width, of.size.body_length
    within = [min(x, y, body[0] - x, body[1] - y) for x, y in hidden_points(of).points]
    assert (max(within) == 1) is hidden


@pytest.mark.parametrize(("apart", "told_apart"), [(0.079, False), (0.08, True), (0.1, True)])
def test_values_nearer_than_eight_hundredths_read_alike(apart: float, told_apart: bool) -> None:
    """To the dark side where one is darker; else a seam that nothing meets goes to the low side."""
    block = recipes()["half-square"].assemble((F(4), F(4)), {"method": "two at a time"}, F(1, 4))
    for dark, side in (((0.0, apart), 1), ((apart, 0.0), -1)):
        pressed = press(PressQuestion(block.patches, (F(4), F(4)), dark), School.DARK)
        (seam,) = pressed.seams
        darker = 1 if dark[seam.high_patches[0]] > dark[seam.low_patches[0]] else -1
        assert (pressed.ways[0][0] == darker) or not told_apart, side
    alike = {
        press(PressQuestion(block.patches, (F(4), F(4)), d), School.DARK).ways[0]
        for d in ((0.0, apart), (apart, 0.0))
    }
    assert (len(alike) == 2) is told_apart


def test_washing_is_held_against_what_was_washed() -> None:
    """A frame turned to the front made 50 x 60 into 54 x 64 before it was washed to 51 x 61."""
    now = datetime(2026, 3, 1, tzinfo=UTC)
    read = [
        Reading(what, 0, place, target, size, now)
        for what, place, target, size in (
            (Measured.QUILTED, WIDTH, F(50), F(50)),
            (Measured.QUILTED, HEIGHT, F(60), F(60)),
            (Measured.WASHED, WIDTH, F(54), F(51)),
            (Measured.WASHED, HEIGHT, F(64), F(61)),
        )
    ]
    found = learned([Sewing(readings=tuple(read))])
    assert found is not None
    assert found.taken == ((F(3, 54), F(3, 64)),)


def test_keys_are_told_as_they_are_cut() -> None:
    """8 x 9 blocks of 6: keys of 2 are cut 2 1/2 wide, and a border of 3 makes them 3 1/2 long."""
    told = {
        row.part: (row.count, row.width, row.length)
        for row in part_sums(quilt(rows=9, columns=8, border_width=F(3), key=F(2)))
    }
    assert told["key"] == (2 * (24 + 27), F(5, 2), F(7, 2))
    assert told["key, corner"] == (4, F(7, 2), F(7, 2))


@pytest.mark.parametrize(
    ("line", "form"),
    [
        ("4 2 x 5 15/16", Form.PIECE),
        ("4 2 x 6", Form.STRIP),
        ("4 2 x 6 1/16", Form.STRIP),
        ("4 6 x 18", Form.STRIP),
        ("4 6 1/16 x 30", Form.PIECE),
    ],
)
def test_three_times_as_long_as_wide_is_a_strip(line: str, form: Form) -> None:
    lot = take_line(line).lot
    assert lot is not None
    assert lot.form is form
