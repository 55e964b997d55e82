"""What a quilt is for: the handbook's table."""

from fractions import Fraction

import pytest

from kersey.core.frame.purposes import Wish
from kersey.core.measure.length import CENTIMETRE, Units

METRIC = Units.CENTIMETRES


@pytest.mark.parametrize(
    ("key", "least", "most"),
    [
        ("baby", (36, 45), (45, 60)),
        ("wheelchair", (36, 42), (36, 42)),
        ("lap", (45, 60), (60, 70)),
        ("throw", (60, 72), (60, 72)),
        ("crib", (28, 52), (28, 52)),
        ("twin", (63, 87), (63, 87)),
        ("full", (78, 87), (78, 87)),
        ("queen", (84, 92), (84, 92)),
        ("king", (100, 92), (100, 92)),
        ("140x200", (140 * CENTIMETRE + 24, 200 * CENTIMETRE + 12), None),
    ],
)
def test_sizes_with_the_usual_drop(
    key: str, least: tuple[Fraction, Fraction], most: tuple[Fraction, Fraction] | None
) -> None:
    """Handbook section 5: mattress + 12 on each side and the foot; a crib quilt does not hang."""
    (purpose,) = Wish(key).purposes()
    assert (purpose.least_width, purpose.least_length) == least
    assert (purpose.most_width, purpose.most_length) == (most or least)


def test_anything_means_the_beds_of_ones_own_units() -> None:
    inches = {purpose.key for purpose in Wish().purposes()}
    metric = {purpose.key for purpose in Wish().purposes(METRIC)}
    assert {"lap", "queen"} <= inches
    assert {"lap", "180x200"} <= metric
    assert "queen" not in metric


def test_how_far_a_size_misses() -> None:
    (lap,) = Wish("lap").purposes()
    for width, length, off in ((50, 65, (0, 0)), (44, 71, (-1, 1)), (61, 59, (1, -1))):
        assert lap.short_by(Fraction(width), Fraction(length)) == off
        assert lap.distance(Fraction(width), Fraction(length)) == sum(map(abs, off))
