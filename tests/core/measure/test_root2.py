"""Lengths with a diagonal in them, against fifty decimals."""

from decimal import Decimal, getcontext
from fractions import Fraction

from hypothesis import given
from hypothesis import strategies as st

from kersey.core.measure.root2 import Root2

getcontext().prec = 50
parts = st.fractions(-200, 200, max_denominator=64)
EIGHTH = Fraction(1, 8)


def exact(length: Root2) -> Decimal:
    plain, root = (Decimal(n.numerator) / n.denominator for n in (length.plain, length.root))
    return plain + root * Decimal(2).sqrt()


@given(parts, parts, parts)
def test_it_is_compared_exactly(plain: Fraction, root: Fraction, other: Fraction) -> None:
    length = Root2(plain, root)
    if root:
        decimal = Decimal(other.numerator) / other.denominator
        assert length.at_least(other) == (exact(length) > decimal)
    assert Root2(plain).at_least(plain)


@given(parts, parts, st.sampled_from([EIGHTH, Fraction(1, 16), Fraction(1)]))
def test_rounding_is_to_the_mark_on_either_side(
    plain: Fraction, root: Fraction, step: Fraction
) -> None:
    length = Root2(plain, root)
    under, over = length.floor_to(step), length.ceil_to(step)
    assert length.at_least(under)
    assert not length.at_least(under + step)
    assert over - under == (0 if root == 0 and plain % step == 0 else step)


@given(parts, parts, parts, parts)
def test_sums_and_multiples(a: Fraction, b: Fraction, c: Fraction, d: Fraction) -> None:
    one, other = Root2(a, b), Root2(c, d)
    assert one + other == Root2(a + c, b + d)
    assert (one - other) + other == one
    assert one + c - c == one
    assert one.times(c) == Root2(a * c, b * c)
