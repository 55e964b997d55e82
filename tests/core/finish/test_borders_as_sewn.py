"""Borders cut to what was measured: averages, verdicts, and sizes that add up round the quilt."""

from dataclasses import replace
from datetime import UTC, datetime
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.quilts import quilt

from kersey.core.finish.border_readings import SideVerdict, side_says
from kersey.core.finish.border_steps import PLACES, Axis, body_size, borders_sewn, reading_number
from kersey.core.finish.top import Rests, finished_now, quilted_now, shrunk, top_now
from kersey.core.frame.borders import Corners
from kersey.core.measure.length import EIGHTH
from kersey.core.project.measuring_log import with_reading
from kersey.core.project.project import Project
from kersey.core.project.sewing import HEIGHT, WIDTH, Measured, Reading

F = Fraction
AT = datetime(2026, 3, 1, 20, 0, tzinfo=UTC)
THREE = F(3)


def bordered(*outer: Fraction, corners: Corners = Corners.BUTTED, sides_first: bool = True):  # type: ignore[no-untyped-def]
    return quilt(
        rows=6,
        columns=5,
        border_width=THREE,
        outer_borders=outer,
        corners=corners,
        sides_first=sides_first,
    )


def read(project: Project, border: int, axis: Axis, *readings: Fraction) -> Project:
    number = reading_number(border, axis)
    for place, length in zip(PLACES, readings, strict=False):
        one = Reading(Measured.BORDER, number, place, length, length, AT)
        project = with_reading(project, one)
    return project


# docs/trade.md section 6: 3/8 on a small quilt, 1/2 on a large one, mend past 3/4.
@pytest.mark.parametrize(
    ("readings", "cut", "verdict"),
    [
        (("52 1/4", "52 1/2", "52 5/8"), "52 1/2", SideVerdict.EASE),
        (("52", "52", "52"), "52", SideVerdict.EVEN),
        (("44 1/2", "44 1/4", "44 1/8"), "44 1/4", SideVerdict.EASE),
        (("44 5/8", "44 1/4", "44 1/8"), "44 3/8", SideVerdict.MEND),
        (("70", "70 5/8", "70 1/4"), "70 1/4", SideVerdict.EASE_WITH_CARE),
        (("46", "46 5/8", "46 1/4"), "46 1/4", SideVerdict.MEND),
        (("90", "90 7/8", "90 1/4"), "90 3/8", SideVerdict.MEND),
    ],
)
def test_three_readings_say_what_to_do(
    readings: tuple[str, ...], cut: str, verdict: SideVerdict
) -> None:
    says = side_says([sum(map(F, each.split()), F(0)) for each in readings])
    assert says.cut == sum(map(F, cut.split()), F(0))
    assert says.verdict is verdict
    assert abs(says.cut - says.average) <= EIGHTH / 2


@pytest.mark.parametrize("corners", list(Corners))
@pytest.mark.parametrize("sides_first", [True, False])
def test_nothing_measured_cuts_what_was_reckoned(corners: Corners, sides_first: bool) -> None:
    of = bordered(F(5), corners=corners, sides_first=sides_first)
    sewn = borders_sewn(of, of.project)
    for border, each in zip(of.borders, sewn, strict=True):
        assert [pair.sides for pair in each.pairs] == [sides_first, not sides_first]
        for pair in each.pairs:
            assert pair.cut_width == border.cut_width
            assert pair.cut_length == (border.sides if pair.sides else border.ends)
            # The quilt's middle and quarters, from the middle of the strip, however long it is.
            mitred = corners is Corners.MITRED
            inner = sewn[0].pairs[each.pairs.index(pair)]
            side = inner.reckoned if mitred else pair.cut_length
            middle, quarter = pair.cut_length / 2, side / 4
            assert pair.marks == (middle - quarter, middle, middle + quarter)
    assert sewn[-1].size == (of.top_width, of.top_length)
    assert top_now(of, of.project).rests is Rests.RECKONED


eighths = st.integers(-12, 12).map(lambda n: F(n, 8))


@given(
    across=eighths,
    down=eighths,
    again=st.none() | eighths,
    fitted=st.booleans(),
    corners=st.sampled_from(list(Corners)),
)
def test_sizes_add_up_round_the_quilt(
    across: Fraction, down: Fraction, again: Fraction | None, fitted: bool, corners: Corners
) -> None:
    of = bordered(F(4), corners=corners)
    body = body_size(of)
    project = read(of.project, 0, Axis.ACROSS, body[0] + across, body[0] + across)
    project = read(project, 0, Axis.DOWN, body[1] + down)
    project = replace(project, finishing=replace(project.finishing, own_width=fitted))
    first = borders_sewn(of, project)[0]
    if Axis.AGAIN in first.expected and again is not None:
        project = read(project, 0, Axis.AGAIN, first.expected[Axis.AGAIN] + again)
    inner, outer = borders_sewn(of, project)
    # What lies there, and what both pairs add to it, is what the quilt measures with them.
    sides, ends = (p for p in sorted(inner.pairs, key=lambda pair: not pair.sides))
    seam = of.kept.seam
    high = body[1] + down + 2 * (ends.cut_width - 2 * seam)
    wide = body[0] + across + 2 * (sides.cut_width - 2 * seam)
    more = again if again is not None and Axis.AGAIN in inner.expected else 0
    assert inner.size == (wide + more, high)
    if corners is not Corners.MITRED:
        assert outer.expected[Axis.ACROSS] == inner.size[0]
    assert top_now(of, project).rests is Rests.BORDERS
    if fitted and corners is not Corners.BUTTED:
        # Each axis by itself, to half the mark it is cut to on either side.
        wanted = body[0] + 2 * THREE, body[1] + 2 * THREE
        assert all(
            abs(is_ - to_be) <= EIGHTH for is_, to_be in zip(inner.size, wanted, strict=True)
        )
    if corners is Corners.SQUARES:
        second = inner.pairs[1]
        assert second.corner == (sides.cut_width, ends.cut_width)


def test_the_edge_and_the_wash_follow_from_what_was_measured() -> None:
    of = bordered()
    project = of.project
    assert finished_now(of, project).size == (of.size.width, of.size.length)
    for place, length in ((WIDTH, F(40)), (HEIGHT, F(50))):
        project = with_reading(project, Reading(Measured.QUILTED, 0, place, length, length, AT))
    assert quilted_now(of, project).size == (F(40), F(50))
    # A binding wraps the raw edge: the quilt is as large as its trimmed top.
    assert finished_now(of, project).size == (F(40), F(50))
    assert finished_now(of, project).rests is Rests.QUILTED
    assert shrunk((F(50), F(60)), (F(51), F(60)))[0] < 0
