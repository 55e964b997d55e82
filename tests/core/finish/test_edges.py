"""Edges school by school: their sums, where joins fall, and what is hidden."""

from fractions import Fraction
from itertools import pairwise
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.quilts import quilt

from kersey.core.blocks.choice import BlockChoice
from kersey.core.finish.binding_joins import (
    CORNER,
    TAIL,
    clear_start,
    joins_round,
    point_at,
    scrappy_order,
)
from kersey.core.finish.edge_steps import edge_plan
from kersey.core.finish.hidden_points import hidden_points
from kersey.core.frame.binding import SpareStrip
from kersey.core.frame.edge import Edge, EdgeStyle
from kersey.core.measure.length import Units

F = Fraction
QUARTER = F(1, 4)


@pytest.mark.parametrize(
    ("edge", "top", "sums"),
    [
        # docs/trade.md section 6, and the worked figures of each school.
        (Edge(), (48, 60), ["226″", "239½″"]),
        (Edge(EdgeStyle.FOLDED, F(3, 8)), (40, 50), ["¾″", "41½ × 51½″", "⅜″", "½″"]),
        (
            Edge(EdgeStyle.TURNED, F(2)),
            (F(81, 2), F(105, 2)),
            ["48½ × 60½″", "2″", "44 × 56″", "12″", "2 13⁄16″"],
        ),
    ],
)
def test_sums_of_each_school(edge: Edge, top: tuple[Fraction, Fraction], sums: list[str]) -> None:
    plan = edge_plan(edge, (F(top[0]), F(top[1])), QUARTER, F(42), Units.INCHES)
    assert [total for _, total in plan.sums] == sums
    keys = [step.key for step in plan.steps]
    assert len(set(keys)) == len(keys)
    assert any(step.check for step in plan.steps)


sides = st.integers(160, 800).map(lambda n: F(n, 8))
lengths = st.lists(st.integers(64, 344).map(lambda n: F(n, 8)), min_size=2, max_size=12)


@given(sides, sides, lengths, st.integers(-60, 60).map(lambda n: F(n, 8)))
def test_a_join_lies_where_the_strips_before_it_end(
    width: Fraction, length: Fraction, strips: list[Fraction], start: Fraction
) -> None:
    found = joins_round((width, length), strips, F(5, 2), start)
    corners = {(x, y) for x in (F(0), width) for y in (F(0), length)}
    walked = -TAIL
    expected = []
    for strip in strips[:-1]:
        walked += strip - F(5, 2)
        if 0 < walked < 2 * (width + length):
            expected.append(walked)
    assert list(found.places) == expected
    for n, at in enumerate(found.places):
        x, y = point_at((width, length), start, at)
        assert x in (0, width) or y in (0, length)
        # Along the edge it is as far to a corner as across and down together.
        near = any(abs(x - cx) + abs(y - cy) < CORNER for cx, cy in corners if x == cx or y == cy)
        assert (n in found.on_corners) == near
    clear = clear_start((width, length), strips, F(5, 2))
    if clear is not None:
        assert clear.on_corners == ()
        assert abs(clear.start) <= width / 2


@given(st.lists(st.tuples(st.sampled_from("abcd"), st.integers(4, 42)), max_size=14))
def test_scraps_are_joined_in_an_order_that_spreads_them(pieces: list[tuple[str, int]]) -> None:
    given_pieces = [SpareStrip(name, F(length)) for name, length in pieces]
    order = scrappy_order(given_pieces)
    kept = [p for p in given_pieces if p.length >= 8]
    assert sorted(map(str, order)) == sorted(map(str, kept))
    fabrics = [p.fabric for p in order]
    most = max((fabrics.count(name) for name in set(fabrics)), default=0)
    if 2 * most <= len(order) + 1:
        assert all(one != other for one, other in pairwise(fabrics))


LINE = "12 light fat quarters + 12 dark fat quarters"


def test_points_at_the_edge_are_hidden_by_a_backing_folded_over_them() -> None:
    choices: dict[str, Any] = {
        "block": BlockChoice("ohio-star"),
        "rows": 3,
        "columns": 3,
        "edge_style": EdgeStyle.FOLDED,
        "edge_shows": F(3, 8),
    }
    of = quilt(LINE, border_width=F(0), **choices)
    hidden = hidden_points(of)
    assert hidden.width == F(3, 8)
    assert hidden.points
    body = of.size.body_width, of.size.body_length
    within = F(3, 8) - QUARTER
    assert all(min(x, y, body[0] - x, body[1] - y) < within for x, y in hidden.points)
    # A star has points on every side of the quilt; a border keeps them all.
    for axis in (0, 1):
        assert {0, body[axis]} <= {point[axis] for point in hidden.points}
    assert hidden_points(quilt(LINE, border_width=F(2), **choices)).points == ()
    bound = choices | {"edge_style": EdgeStyle.DOUBLE_FOLD, "edge_shows": None}
    assert hidden_points(quilt(LINE, border_width=F(0), **bound)).points == ()
