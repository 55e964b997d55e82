"""A fitted border brings the centre to the size that is wanted, however it is sewn on."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.frame.borders import MITRE_NEEDS, BadBorder, Corners, fitted_cut, plan_borders
from kersey.core.frame.fitting import fit_border
from kersey.core.measure.workshop import Workshop

F = Fraction
EIGHTHS = st.integers(80, 640).map(lambda n: F(n, 8))
MORE = st.integers(0, 80).map(lambda n: F(n, 8))
SEAM = F(1, 4)


@given(EIGHTHS, EIGHTHS, MORE, MORE, st.sampled_from(Corners), st.booleans())
def test_all_is_as_wanted_once_it_is_sewn(
    width: Fraction,
    length: Fraction,
    more: Fraction,
    longer: Fraction,
    corners: Corners,
    sides_first: bool,
) -> None:
    wanted = width + more, length + longer
    fitted = fit_border((width, length), wanted, SEAM, corners, sides_first)
    # Each seam takes a seam of either piece; a border is sewn on at both sides.
    assert width + 2 * (fitted.side_cut - 2 * SEAM) == wanted[0]
    assert length + 2 * (fitted.end_cut - 2 * SEAM) == wanted[1]
    if corners is Corners.SQUARES:
        assert fitted.corner
        assert fitted.end_length + 2 * (fitted.corner[0] - 2 * SEAM) == wanted[0]
        assert fitted.corner[1] == fitted.end_cut
    elif corners is Corners.MITRED:
        assert fitted.side_length == wanted[1] + MITRE_NEEDS
        assert fitted.end_length == wanted[0] + MITRE_NEEDS
    else:
        first, last = fitted.side_length, fitted.end_length
        expected = (length, wanted[0]) if sides_first else (wanted[1], width)
        assert (first, last) == expected


@given(EIGHTHS, EIGHTHS, st.integers(4, 80), st.sampled_from(Corners), st.booleans())
def test_alike_on_both_axes_it_is_the_usual_border(
    width: Fraction, length: Fraction, eighths: int, corners: Corners, sides_first: bool
) -> None:
    finished, body = F(eighths, 8), (width - 2 * SEAM, length - 2 * SEAM)
    (usual,) = plan_borders(body, [finished], Workshop(SEAM), corners, sides_first)
    wanted = width + 2 * finished, length + 2 * finished
    fitted = fit_border((width, length), wanted, SEAM, corners, sides_first)
    assert (fitted.side_cut, fitted.end_cut) == (usual.cut_width, usual.cut_width)
    assert (fitted.side_length, fitted.end_length) == (usual.sides, usual.ends)
    assert fitted.corner == ((usual.corner, usual.corner) if usual.corner else None)


def test_what_is_larger_already_cannot_be_mended() -> None:
    with pytest.raises(BadBorder, match="larger than the size you want"):
        fit_border((F(40), F(40)), (F(42), F(39)), SEAM)
    # A worked figure: centre 36 1/4 x 35 3/4, wanted 42 1/2 square.
    assert fitted_cut(F(85, 2), F(143, 4), SEAM) == F(31, 8)
