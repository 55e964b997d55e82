"""A quilt on a bed: mattress, drops and tuck add up to the quilt."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.frame.on_bed import OnBed, says
from kersey.core.frame.purposes import ALL_BEDS, BEDS, Bed
from kersey.core.measure.length import Units

F = Fraction
SIDES = st.integers(160, 960).map(lambda eighths: F(eighths, 8))


@given(st.sampled_from(list(ALL_BEDS.values())), SIDES, SIDES, st.integers(0, 10).map(F))
def test_all_of_the_quilt_lies_somewhere(
    bed: Bed, width: Fraction, length: Fraction, tuck: Fraction
) -> None:
    lying = OnBed(bed, width, length, tuck)
    assert 2 * lying.at_each_side + bed.width == width
    assert tuck + bed.length + lying.at_the_foot == length
    # What a bed asks for is a quilt that hangs down just so.
    purpose = bed.purpose(F(12), tuck)
    asked = OnBed(bed, purpose.most_width, purpose.most_length, tuck)
    assert asked.at_each_side == asked.at_the_foot == (12 if bed.hangs else 0)


@pytest.mark.parametrize(
    ("width", "length", "tuck", "said"),
    [
        (84, 102, 10, "On a queen bed it hangs 12″ at each side and 12″ at the foot, with 10″ for"),
        (60, 80, 0, "On a queen bed it covers only the mattress top."),
        (
            56,
            90,
            0,
            "On a queen bed it hangs 10″ at the foot and leaves 2″ at each side uncovered.",
        ),
        (
            56,
            70,
            0,
            "covers only the mattress top and leaves 2″ at each side and 10″ at the foot uncovered",
        ),
    ],
)
def test_how_it_lies_is_said(width: int, length: int, tuck: int, said: str) -> None:
    queen = next(bed for bed in BEDS if bed.key == "queen")
    assert said in says(OnBed(queen, F(width), F(length), F(tuck)), Units.INCHES)
