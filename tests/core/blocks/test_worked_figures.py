"""Figures of the trade that blocks must come to, from fabric as people have it (docs/trade.md)."""

from fractions import Fraction

import pytest
from tests.core.quilts import plan, project

from kersey.core.blocks.choice import BlockChoice
from kersey.core.cutting.problem import CuttingProblem, Fabric
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch
from kersey.core.kits.kit_checker import kit_faults
from kersey.core.leaving.put_away import put_away
from kersey.core.planning.plan_question import exchanged
from kersey.core.project.question import yield_asked
from kersey.core.quilt.quilt import make_quilt

SEAM = Fraction(1, 4)
TEN, CHARM = Fraction(10), Fraction(5)
EIGHTH = Fraction(1, 8)


@pytest.mark.parametrize(
    ("block", "method", "square", "finished", "raw", "trimmed"),
    [
        ("half-square", "four at a time", TEN, 6, 6.72, "13/2"),
        ("half-square", "four at a time", CHARM, Fraction(5, 2), 3.18, "3"),
        ("half-square", "two at a time", CHARM, Fraction(4), 4.65, "9/2"),
        ("half-square", "eight at a time", TEN, 4, 4.65, "9/2"),
        ("arrow", "four at a time", TEN, 12, 6.72, "13/2"),
    ],
)
def test_squares_are_used_as_they_come(
    block: str, method: str, square: Fraction, finished: int, raw: float, trimmed: str
) -> None:
    side = Fraction(finished)
    chosen = BlockChoice(block, (side, side)).with_option("method", method).of_squares(square)
    assembly = chosen.assembly(SEAM)
    assert {need.width for need in assembly.needs} == {square}
    (unit,) = {make for make in assembly.makes if make.raw is not None}
    assert unit.raw is not None
    assert round(float(unit.raw), 2) == raw
    assert unit.size == (Fraction(trimmed), Fraction(trimmed))


@pytest.mark.parametrize("trim", [0, "6 5/8"])
def test_sixty_two_squares_are_thirty_one_cut_apart_hourglasses(trim: int | str) -> None:
    block = BlockChoice("cut-apart-hourglass", None, (("trim", trim),) if trim else ())
    asked = yield_asked(
        project("31 light ten-inch squares + 31 dark ten-inch squares", block=block)
    )
    assert asked.finished == (Fraction(45, 4), Fraction(45, 4))
    hourglass = next(make for make in asked.assembly.makes if make.name == "large hourglass")
    assert hourglass.size == (Fraction(51, 4), Fraction(51, 4))
    ninth = next(make for make in asked.assembly.makes if make.name == "ninth")
    # Cut so far from both middle seams.
    assert ninth.size[0] / 2 == Fraction(17, 8)
    assert asked.assembly.block.size == (Fraction(47, 4), Fraction(47, 4))
    whole = plan(project("31 light ten-inch squares + 31 dark ten-inch squares", block=block))
    assert whole.plan is not None
    assert (whole.plan.possible, whole.plan.most.proved) == (31, True)
    size = make_quilt(whole).size
    assert {size.rows, size.columns} == {5, 6}
    assert (size.body_width, size.body_length) == (Fraction(225, 4), Fraction(135, 2))


def test_units_of_one_pair_of_squares_lie_in_blocks_of_one_kit() -> None:
    block = BlockChoice("half-square").with_option("method", "four at a time")
    made = plan(
        project(
            "6 light ten-inch squares, 6 prints + 6 dark ten-inch squares, 6 prints",
            block=block,
            rows=4,
            columns=5,
        )
    )
    kept = made.plan
    assert kept is not None
    assert kept.possible == 24
    assert len(kept.kits) == 20
    assert kit_faults(kept.cutting, kept.kits) == []
    assert all(kept.kits[n] == kept.kits[n - n % 4] for n in range(20))
    mixed = (kept.kits[4], *kept.kits[1:])
    assert any("cut apart from" in fault for fault in kit_faults(kept.cutting, mixed))
    gives, takes = kept.kits[0][0], kept.kits[8][0]
    after = exchanged(made, 1, gives, takes).plan
    assert after is not None
    assert {kit[0] for kit in after.kits[:4]} == {takes}
    assert {kit[0] for kit in after.kits[8:12]} == {gives}
    # Five pairs of squares are in the quilt, one pair stays whole.
    everything = put_away(make_quilt(made))
    assert sum(fate.used for fate in everything.fates) == 10 * 100


def test_window_bricks_and_solid_ones_alternate() -> None:
    block = BlockChoice("window-brick").with_option("alternate", True)
    made = plan(project("12 fat quarters, 12 prints", block=block, rows=4, columns=3))
    quilt = make_quilt(made)
    assert quilt.block == (Fraction(12), Fraction(9))
    assert {(p.row % 2, p.turn) for p in quilt.placed} == {(0, 0), (1, 2)}
    kept = made.plan
    assert kept is not None
    # The frame is of one print; the windows of a block are of another.
    assert kit_faults(kept.cutting, kept.kits) == []
    assert {need.label for need in kept.cutting.problem.needs} == {
        "side",
        "end",
        "window",
        "sill",
        "brick",
    }
    four = Fraction(4)
    assert BlockChoice("window-brick", (four, Fraction(9))).assembly(SEAM).turned_by_row is False


def test_four_patches_and_plain_squares_come_straight_from_charms() -> None:
    light, dark = (
        Fabric(role, role, CHARM, CHARM, 20, frozenset({role})) for role in ("light", "dark")
    )
    for name, blocks in (("four-patch", 10), ("plain-square", 40)):
        assembly = BlockChoice(name).assembly(SEAM)
        found = solve(CuttingProblem(assembly.needs, (light, dark)), Watch())
        assert (found.blocks, found.proved) == (blocks, True)
        assert all(layout.left == () for layout in found.layouts)
