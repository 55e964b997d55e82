"""What is cut to match a strip set once the set was measured."""

from datetime import UTC, datetime
from fractions import Fraction
from functools import cache

import pytest
from tests.core.quilts import SETS, quilt

from kersey.core.blocks.choice import BlockChoice
from kersey.core.measure.length import Units
from kersey.core.project.measuring_log import with_reading
from kersey.core.project.sewing import Measured, Reading
from kersey.core.quilt.quilt import Quilt
from kersey.core.sewing.set_height import match_words, set_heights, to_match


@cache
def tubes() -> Quilt:
    return quilt(
        "roll of 40 strips, 20 prints + 6 yd background", block=BlockChoice("tube-triangles")
    )


AT = datetime(2026, 2, 3, 20, 15, tzinfo=UTC)


def measured(of: Quilt, height: str) -> Reading:
    reckoned = set_heights(of, of.project)[0].reckoned
    return Reading(Measured.SET, 1, "", reckoned, Fraction(height), AT)


@pytest.mark.parametrize(
    ("height", "says", "cut"),
    [
        ("21/2", "To match, cut the accent strips 10½″.", None),
        ("83/8", "You can still trim the squares to 14¼″.", Fraction(83, 8)),
        # sqrt 2 (10 1/8 - 1/4) = 13.97: no 14 1/4 comes off.
        ("81/8", "too small for 14¼″. Trim them all to 13⅞″.", Fraction(81, 8)),
    ],
)
def test_an_accent_is_cut_to_its_set(height: str, says: str, cut: Fraction | None) -> None:
    project = with_reading(tubes().project, measured(tubes(), height))
    (of,) = set_heights(tubes(), project)
    assert of.reckoned == Fraction(21, 2)
    assert says in " ".join(match_words(of, Units.INCHES))
    accent = next(n for n in tubes().assembly.needs if n.label == "accent")
    strip = next(n for n in tubes().assembly.needs if n.label != "accent")
    assert to_match(tubes(), project, accent) == cut
    assert to_match(tubes(), project, strip) is None


def test_segments_of_a_set_stay_square() -> None:
    of = quilt(block=SETS)
    project = with_reading(of.project, measured(of, "51/8"))
    (height,) = set_heights(of, project)
    assert match_words(height, Units.INCHES) == [
        "Cut segments 6⅜″ wide too, so the blocks are square."
    ]
    # Rails that are cut as segments have no sets to measure.
    assert set_heights(quilt(rows=3, columns=3), project) == ()
