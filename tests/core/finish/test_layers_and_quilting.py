"""Pins, ties and stitching over a quilt, judged by points laid over it."""

from fractions import Fraction
from itertools import pairwise
from math import hypot, sqrt

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.quilts import Quilts, quilt
from tests.nights import examples

from kersey.core.finish.holding import basting_thread, holding_steps, points_over
from kersey.core.finish.quilting import Stitching, over, stitching
from kersey.core.frame.sashing import Sashing
from kersey.core.frame.setting import Setting
from kersey.core.project.finishing import BadFinish, Finishing, Holding, Pattern, Quilting

F = Fraction
OF_THE_SIZE = [p for p in Pattern if p not in (Pattern.SEAMS, Pattern.OUTLINE)]
QUILTS = Quilts(
    {
        "plain": lambda: quilt(rows=5, columns=4),
        "bordered, sashed": lambda: quilt(
            rows=3, columns=3, border_width=F(4), sashing=Sashing(F(2))
        ),
        "on point": lambda: quilt(rows=3, columns=3, setting=Setting.ON_POINT),
    }
)


def to_stitch(at: tuple[float, float], of: Stitching) -> float:
    """How far a place is from the nearest stitch or tie."""
    lines = [pair for line in of.lines for pair in pairwise(line)]
    ties = [(tie, tie) for tie in of.ties]
    return min(to_part(at, one, other) for one, other in (*lines, *ties))


def to_part(at: tuple[float, float], one: tuple[float, float], other: tuple[float, float]) -> float:
    along = other[0] - one[0], other[1] - one[1]
    long = along[0] ** 2 + along[1] ** 2
    part = 0.0
    if long:
        part = ((at[0] - one[0]) * along[0] + (at[1] - one[1]) * along[1]) / long
        part = min(1.0, max(0.0, part))
    return hypot(at[0] - one[0] - part * along[0], at[1] - one[1] - part * along[1])


@pytest.mark.parametrize("pattern", OF_THE_SIZE)
@given(
    wide=st.integers(20, 60),
    high=st.integers(20, 60),
    apart=st.integers(2, 9),
    across=st.booleans(),
    crossed=st.booleans(),
)
@examples(12)
def test_no_place_is_further_from_a_stitch_than_is_said(
    pattern: Pattern, wide: int, high: int, apart: int, across: bool, crossed: bool
) -> None:
    plan = Quilting(pattern, F(apart), across, crossed)
    found = over((float(wide), float(high)), plan)
    points = [point for line in found.lines for point in line] + list(found.ties)
    assert all(-1e-6 <= x <= wide + 1e-6 and -1e-6 <= y <= high + 1e-6 for x, y in points)
    # Between two lines the middle is half the gap away; ties are reached over the diagonal, and a
    # wave leans away from its neighbour.
    most = found.gap * {Pattern.TIES: sqrt(2) / 2, Pattern.LOOPS: 0.8}.get(pattern, 0.5)
    for x in range(1, wide, 5):
        for y in range(1, high, 5):
            edge = min(x, y, wide - x, high - y)
            # In a corner a diagonal is reached over the edge.
            if edge > found.gap:
                assert to_stitch((x, y), found) <= most + 1e-6


@pytest.mark.parametrize("name", QUILTS)
def test_seams_are_stitched_once_and_outlines_stay_inside(name: str) -> None:
    of = QUILTS[name]
    size = float(of.size.width), float(of.size.length)
    seams = stitching(of, Quilting(Pattern.SEAMS))
    sides = [line for line in seams.lines if len(line) == 2]
    assert len(sides) == len(set(sides))
    if name == "plain":
        # 5 rows and 4 columns of 6: every line of the grid, the edges of the blocks with them.
        side = float(of.block[0])
        lines = sum(hypot(b[0] - a[0], b[1] - a[1]) for a, b in sides)
        assert lines == pytest.approx(side * (6 * 4 + 5 * 5))
    inside = stitching(of, Quilting(Pattern.OUTLINE, F(1, 2)))
    assert len(inside.lines) == len(of.grid.seats)
    for line in inside.lines:
        around = sum(hypot(b[0] - a[0], b[1] - a[1]) for a, b in pairwise(line))
        assert around == pytest.approx(4 * (float(of.block[0]) - 1))
        assert all(0 <= x <= size[0] and 0 <= y <= size[1] for x, y in line)
    assert inside.turns == 4 * len(of.grid.seats)
    # What is too small to be outlined is left out.
    assert stitching(of, Quilting(Pattern.OUTLINE, F(4))).lines == ()


def test_pins_and_ties_are_counted_alike() -> None:
    assert points_over((F(48), F(60)), F(4)).count == 180
    assert len(over((48.0, 60.0), Quilting(Pattern.TIES, F(4))).ties) == 180
    assert points_over((F(49), F(60)), F(4)).across == 13
    assert basting_thread((F(48), F(60)), F(4)) == (12 * 60 + 15 * 48) * F(6, 5)


def test_only_batting_that_bears_heat_is_pressed() -> None:
    assert holding_steps(Holding.FUSED, False).forbidden
    assert holding_steps(Holding.FUSED, None).forbidden
    assert not holding_steps(Holding.FUSED, True).forbidden
    assert not holding_steps(Holding.PINS, False).forbidden
    with pytest.raises(BadFinish):
        Quilting(distance=F(0))
    with pytest.raises(BadFinish):
        Finishing(reach=F(40))
