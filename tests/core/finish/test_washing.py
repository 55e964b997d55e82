"""What washing takes, learned: by hand, and never of quilts that were not measured before."""

from datetime import UTC, datetime
from fractions import Fraction

from hypothesis import given
from hypothesis import strategies as st

from kersey.core.finish.washing import learned, washing_words
from kersey.core.measure.length import Units
from kersey.core.project.sewing import HEIGHT, WIDTH, Measured, Reading, Sewing
from kersey.records.at_work import finishing_document, finishing_from

F = Fraction
NOW = datetime(2026, 3, 1, tzinfo=UTC)
sides = st.integers(80, 400).map(lambda n: F(n, 4))


def log(before: tuple[Fraction, Fraction] | None, after: tuple[Fraction, Fraction]) -> Sewing:
    was = before or (F(50), F(60))
    read = [
        Reading(what, 0, place, target, side, NOW)
        for what, size in ((Measured.QUILTED, before), (Measured.WASHED, after))
        if size
        for place, target, side in zip((WIDTH, HEIGHT), was, size, strict=True)
    ]
    return Sewing(readings=tuple(read))


def test_two_quilts_by_hand() -> None:
    # 50 x 60 became 48 x 57, 4 and 5 %; 40 x 40 became 39 1/2 x 39, 1.25 and 2.5 %.
    found = learned([log((F(50), F(60)), (F(48), F(57))), log((F(40), F(40)), (F(79, 2), F(39)))])
    assert found is not None
    assert found.least == (F(1, 80), F(1, 40))
    assert found.most == (F(1, 25), F(1, 20))
    # On the mean, 2.625 and 3.75 %: 60 x 80 becomes 58.425 x 77.
    assert found.after((F(60), F(80))) == (F(117, 2), F(77))
    words = washing_words(found, (F(60), F(80)), Units.INCHES)
    assert words == (
        "After washing, about 58½ × 77″: the 2 quilts you measured shrank about "
        "1.2 to 4.0% in width and 2.5 to 5.0% in length."
    )


def test_what_was_not_measured_before_teaches_nothing() -> None:
    assert learned([log(None, (F(48), F(57))), Sewing()]) is None
    assert washing_words(None, (F(60), F(80)), Units.INCHES) == ""


@given(st.lists(st.tuples(sides, sides, sides, sides), min_size=1, max_size=5), sides, sides)
def test_what_is_expected_lies_between_what_was_seen(
    quilts: list[tuple[Fraction, ...]], width: Fraction, length: Fraction
) -> None:
    found = learned(log((a, b), (c, d)) for a, b, c, d in quilts)
    assert found is not None
    assert found.quilts == len(quilts)
    for side, after, least, most in zip(
        (width, length), found.after((width, length)), found.least, found.most, strict=True
    ):
        assert side * (1 - most) - F(1, 4) <= after <= side * (1 - least) + F(1, 4)


def test_the_one_photograph_of_an_older_file_is_kept() -> None:
    now = finishing_document(finishing_from({"photograph": "front.jpg", "for_whom": "the hut"}))
    assert now["photographs"] == ["front.jpg"]
    assert finishing_from(now).for_whom == "the hut"
    assert finishing_from({"photograph": ""}).photographs == ()
