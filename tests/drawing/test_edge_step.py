"""The steps of an edge, drawn: each has its scene, and bias lines lie a strip apart."""

import re
from fractions import Fraction
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.finish.edge_steps import edge_plan
from kersey.core.frame.edge import USUAL_WIDTHS, Edge, EdgeStyle, cut_bias
from kersey.core.measure.length import Units
from kersey.drawing.edge_step import StepColours, draw_bias_strips, draw_edge_step

F = Fraction
COLOURS = StepColours("#22303d", "#a8322a", "#cfcabd")
TOP = F(48), F(60)
LINE = re.compile(r'd="M([\d.-]+) ([\d.-]+)L([\d.-]+) ([\d.-]+)" class="edge-cut"')


@pytest.mark.parametrize("style", EdgeStyle)
@pytest.mark.parametrize("units", Units)
def test_every_step_has_its_own_scene(style: EdgeStyle, units: Units) -> None:
    plan = edge_plan(Edge(style, USUAL_WIDTHS[style]), TOP, F(1, 4), F(42), units)
    drawn = {s.key: draw_edge_step(plan, s.key, COLOURS, F(1, 4), units) for s in plan.steps}
    # Where the strip is laid is on the quilt itself.
    assert {key for key, scene in drawn.items() if not scene} <= {"lay"}
    scenes = [scene for scene in drawn.values() if scene]
    assert len(set(scenes)) == len(scenes)
    assert all(scene.count("<svg") == 1 and "NaN" not in scene for scene in scenes)


@given(st.sampled_from([F(3, 2), F(2), F(9, 4), F(5, 2), F(3)]), st.integers(120, 400))
def test_bias_lines_lie_a_strip_apart_at_45_degrees(width: Fraction, long: int) -> None:
    plan = edge_plan(
        Edge(EdgeStyle.BIAS, width), (F(long, 4), F(long, 4)), F(1, 4), F(42), Units.INCHES
    )
    cut = cut_bias(F(long) + 10, width, F(42))
    assert plan.strips == cut.strips
    drawn = draw_bias_strips(plan, F(42), COLOURS.edge, Units.INCHES)
    high = float(cut.cloth)
    lines = [tuple(map(float, found)) for found in LINE.findall(drawn)]
    offsets = []
    for x, y, to_x, to_y in lines:
        assert to_x - x == pytest.approx(y - to_y, abs=0.02)
        # Both ends lie on an edge of the cloth.
        assert min(x, high - y) == pytest.approx(0, abs=0.02)
        assert min(42 - to_x, to_y) == pytest.approx(0, abs=0.02)
        offsets.append(x + y)
    apart = [(b - a) / 2**0.5 for a, b in pairwise(offsets)]
    assert apart == pytest.approx([float(width)] * len(apart), abs=0.02)
    # Strips from edge to edge lie between lines that run so.
    whole = sum(float(strip) > high * 2**0.5 - 0.1 for strip in cut.strips)
    across = sum(abs((y - to_y) - high) < 0.03 for x, y, to_x, to_y in lines)
    assert across >= whole + 1
