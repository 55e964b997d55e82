"""Measures and what they say: the worked figures of the trade, and what follows from a reading."""

from dataclasses import replace
from datetime import UTC, datetime
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.quilts import part_of, quilt

from kersey.core.blocks.choice import BlockChoice
from kersey.core.frame.part import PartKind
from kersey.core.measure.length import Units
from kersey.core.project.sewing import BadSewing, Follow, Measured, Reading, Sewing
from kersey.core.quilt.quilt import make_quilt
from kersey.core.sewing.measuring import (
    PerSeam,
    Verdict,
    correction,
    drifts,
    judged,
    rows_say,
    said,
)
from kersey.core.sewing.uneven import Doing, uneven_blocks

F = Fraction
AT = datetime(2026, 3, 2, 19, tzinfo=UTC)


def reading(
    what: Measured, read: Fraction, number: int = 0, target: Fraction | None = None
) -> Reading:
    return Reading(what, number, "", target or F(10), read, AT)


def test_eight_strips_that_come_out_a_quarter_too_small() -> None:
    verdict, per = judged(F(33, 2), F(65, 4), 7)
    assert verdict is Verdict.SEAMS
    assert per.each == F(-1, 28)
    assert said(per, Units.INCHES) == "about 1/32″ at each of 7 seams adds up to ¼″"
    assert judged(F(33, 2), F(33, 2) + F(1, 32), 7)[0] is Verdict.GO_ON
    assert judged(F(33, 2), F(33, 2) + F(1, 16), 7)[0] is Verdict.SEAMS


def test_a_row_of_nine_blocks() -> None:
    reckoned = F(109, 2)
    assert rows_say(reckoned, [(1, F(435, 8))], 8).verdict is Verdict.EASE
    alike = rows_say(reckoned, [(n, F(54)) for n in range(1, 5)], 8)
    assert (alike.verdict, alike.follow) == (Verdict.FOLLOW, F(54))
    one = rows_say(reckoned, [(1, reckoned), (2, F(54)), (3, reckoned)], 8)
    assert (one.verdict, one.one) == (Verdict.ONE, 2)
    assert one.per_seam is not None
    assert one.per_seam.each == F(-1, 16)
    assert one.per_seam.exact
    uneven = rows_say(reckoned, [(1, F(54)), (2, F(55)), (3, F(53))], 8)
    assert uneven.verdict is Verdict.UNEVEN


def test_the_quilt_follows_blocks_that_all_measure_less() -> None:
    """A block of 10 unfinished that measures 9 7/8 for all 56 (7 x 8)."""
    of = quilt("60 fat quarters, 60 prints", block=BlockChoice("log-cabin"), rows=8, columns=7)
    assert (of.size.body_width, of.size.body_length) == (F(133, 2), F(76))
    log = (reading(Measured.BLOCK, F(79, 8)),)
    only_read = replace(of.project, sewing=Sewing(readings=log))
    assert make_quilt(only_read).size == of.size
    follows = make_quilt(replace(only_read, sewing=Sewing(readings=log, follow=Follow.MEASURED)))
    assert (follows.size.body_width, follows.size.body_length) == (F(525, 8), F(75))
    assert follows.as_measured
    assert not of.as_measured
    assert follows.borders[0].sides == of.borders[0].sides - 1
    binding = PartKind.BINDING
    assert part_of(follows, binding).length < part_of(of, binding).length
    assert follows.backing.width == of.backing.width - F(7, 8)


def test_the_smallest_of_uneven_blocks_and_rows_that_follow() -> None:
    of = quilt(rows=4, columns=4)
    read = tuple(reading(Measured.BLOCK, F(13, 2) - F(n, 8), n, F(13, 2)) for n in range(3))
    trimmed = replace(of.project, sewing=Sewing(readings=read, follow=Follow.SMALLEST))
    assert make_quilt(trimmed).scheme.block == (F(23, 4), F(23, 4))
    rows = (reading(Measured.ROW, F(24), 1, F(49, 2)), reading(Measured.ROW, F(24), 2, F(49, 2)))
    follow = replace(of.project, sewing=Sewing(readings=rows, follow=Follow.MEASURED))
    quilt_now = make_quilt(follow)
    assert quilt_now.size.body_width == F(47, 2)
    assert quilt_now.size.body_length == 24
    # A second reading of the same block goes for the first.
    again = (*read, reading(Measured.BLOCK, F(13, 2), 2, F(13, 2)))
    better = replace(of.project, sewing=Sewing(readings=again, follow=Follow.SMALLEST))
    assert make_quilt(better).scheme.block == (F(47, 8), F(47, 8))


def test_what_uneven_blocks_can_become() -> None:
    of = quilt(rows=4, columns=4)
    read = tuple(reading(Measured.BLOCK, F(13, 2) - F(n, 8), n, F(13, 2)) for n in range(3))
    found = {c.doing: c for c in uneven_blocks(replace(of.project, sewing=Sewing(readings=read)))}
    body = {doing: choice.size[0] - of.size.width + 24 for doing, choice in found.items()}
    assert body[Doing.TRIM] == 4 * F(23, 4)
    assert body[Doing.LEAVE] == 4 * F(47, 8)
    assert body[Doing.REMAKE] == 24
    assert found[Doing.REMAKE].blocks == (1, 2)
    # Each block with its strip is as wide as the smallest with the widest strip.
    assert found[Doing.SASHING].sashing == (F(5, 4), F(1))
    assert body[Doing.SASHING] == 4 * F(23, 4) + 3 * F(5, 4)
    even = replace(of.project, sewing=Sewing(readings=read[:1]))
    assert uneven_blocks(even) == ()


@given(st.integers(1, 60), st.fractions(F(-2), F(2), max_denominator=64), st.integers(1, 20))
def test_a_correction_takes_the_drift_away(strips: int, off: Fraction, over: int) -> None:
    at = Reading(Measured.STRIP, strips + 1, "middle", F(200), F(200) + off, AT)
    (drift,) = drifts([at])
    assert drift.per_seam.each * strips == off
    assert correction(drift, over).each * over == off


def test_what_cannot_be_is_refused() -> None:
    with pytest.raises(BadSewing, match="larger than 0"):
        reading(Measured.BLOCK, F(0))
    with pytest.raises(BadSewing, match="per batch"):
        Sewing(batch=-1)
    assert said(PerSeam(F(1, 2), 8), Units.CENTIMETRES).startswith("about 1.6 mm")
