"""Sashing, borders, keys and edges against the handbook's sums and against counting by hand."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.frame.borders import BadBorder, Corners, fitted_cut, plan_borders
from kersey.core.frame.edge import BadEdge, Edge, EdgeStyle, cut_bias
from kersey.core.frame.keys import BadKeys, friendlier_key, plan_keys
from kersey.core.frame.sashing import BadSashing, Sashing
from kersey.core.frame.strips import fewest_strips
from kersey.core.measure.workshop import Workshop

F = Fraction
SEAM = F(1, 4)
GRIDS = st.integers(1, 12)
LENGTHS = st.integers(4, 160).map(lambda eighths: F(eighths, 8))
KINDS = st.sampled_from(
    [
        (False, False, False),
        (True, False, False),
        (False, True, False),
        (True, True, False),
        (False, False, True),
    ]
)


@given(GRIDS, GRIDS, LENGTHS, LENGTHS, LENGTHS, KINDS)
def test_blocks_strips_and_squares_tile_the_body(
    rows: int, columns: int, wide: F, long: F, width: F, kind: tuple[bool, bool, bool]
) -> None:
    """What shows of every piece, added up, is the body: nothing is missing and nothing over."""
    sashing = Sashing(width, *kind)
    body = sashing.body(columns, rows, (wide, long))
    pieces = sashing.pieces(columns, rows, (wide, long), SEAM)
    shown = sum(
        ((p.cut_width - 2 * SEAM) * (p.cut_length - 2 * SEAM) * p.count for p in pieces), F(0)
    )
    squares = sashing.corner_squares(columns, rows) * width**2
    assert shown + squares + rows * columns * wide * long == body[0] * body[1]


def test_counts_of_the_handbook() -> None:
    """docs/trade.md section 5, for 5 rows of 4 blocks of 10, sashing 2."""
    block = F(10), F(10)
    counts = {
        kind: [p.count for p in Sashing(F(2), *kind).pieces(4, 5, block, SEAM)]
        for kind in [(False, False), (True, False), (True, True)]
    }
    assert counts == {(False, False): [15, 4], (True, False): [15, 16], (True, True): [25, 24]}
    assert Sashing(F(2), True, True).corner_squares(4, 5) == 6 * 5
    (_, long) = Sashing(F(2)).pieces(4, 5, block, SEAM)
    assert long.cut_length == F(93, 2)


@given(
    GRIDS,
    LENGTHS,
    LENGTHS,
    st.lists(LENGTHS, min_size=1, max_size=3),
    st.sampled_from(list(Corners)),
    st.booleans(),
)
def test_borders_cover_what_they_are_sewn_to(
    _: int, width: F, length: F, widths: list[F], corners: Corners, sides_first: bool
) -> None:
    """Butted, and with corner squares, what shows of a border is the ring between two sizes."""
    outer = width, length
    for border in plan_borders((width, length), widths, Workshop(), corners, sides_first):
        inner, more = outer, 2 * border.finished_width
        outer = inner[0] + more, inner[1] + more
        shown = 2 * (border.sides + border.ends - 4 * SEAM) * border.finished_width
        corner = 4 * border.finished_width**2 if border.corner else F(0)
        ring = outer[0] * outer[1] - inner[0] * inner[1]
        if corners is Corners.MITRED:
            assert border.sides >= outer[1] + 4
            assert border.ends >= outer[0] + 4
        else:
            assert shown + corner == ring
        if corners is Corners.BUTTED and sides_first:
            assert (border.sides, border.ends) == (inner[1] + 2 * SEAM, outer[0] + 2 * SEAM)
        elif corners is Corners.BUTTED:
            assert (border.sides, border.ends) == (outer[1] + 2 * SEAM, inner[0] + 2 * SEAM)


def test_borders_fitted_to_a_measured_centre() -> None:
    """36 1/4 x 35 3/4, wanted 42 1/2 square: 3 5/8 and 3 7/8, each axis on its own."""
    assert fitted_cut(F(85, 2), F(145, 4), SEAM) == F(29, 8)
    assert fitted_cut(F(85, 2), F(143, 4), SEAM) == F(31, 8)
    with pytest.raises(BadBorder, match="larger than the size you want"):
        fitted_cut(F(30), F(31), SEAM)


@given(LENGTHS, LENGTHS, LENGTHS)
def test_keys_fill_each_side_once_the_spacer_is_on(width: F, length: F, key: F) -> None:
    if key > min(width, length):
        with pytest.raises(BadKeys):
            plan_keys((width, length), key, F(3))
        return
    keys = plan_keys((width, length), key, F(3))
    assert keys.along_width * key == width + 2 * keys.spacer_sides
    assert keys.along_length * key == length + 2 * keys.spacer_ends
    for spacer in (keys.spacer_sides, keys.spacer_ends):
        assert spacer == 0 or spacer >= F(1, 2)
    friendly = friendlier_key((width, length), key)
    assert friendly is None or (width % friendly, length % friendly) == (0, 0)


@pytest.mark.parametrize(
    ("style", "width", "finished", "backing"),
    [
        (EdgeStyle.DOUBLE_FOLD, F(5, 2), 40, F(89, 2)),
        (EdgeStyle.SINGLE_FOLD, F(5, 4), 40, F(89, 2)),
        # Folded: as large as its top; the backing has the margin, or 2 w + 1 where that is more.
        (EdgeStyle.FOLDED, F(1, 2), F(81, 2), F(89, 2)),
        (EdgeStyle.FOLDED, F(1), F(81, 2), F(93, 2)),
        # Turned: D = 8, and D / 2 larger than the top's finished size.
        (EdgeStyle.TURNED, F(2), 44, F(97, 2)),
    ],
)
def test_what_size_an_edge_makes(style: EdgeStyle, width: F, finished: F, backing: F) -> None:
    edge, top = Edge(style, width), F(81, 2)
    assert (edge.finished(top, SEAM), edge.backing(top, F(2))) == (finished, backing)
    with pytest.raises(BadEdge):
        Edge(style, F(20))


@given(st.integers(40, 500), st.sampled_from([F(2), F(9, 4), F(5, 2)]))
def test_bias_is_enough_and_fits_the_cloth(length: int, width: F) -> None:
    cut = cut_bias(F(length), width, F(42))
    assert cut.joined(width) >= length
    # Their area is no more than there is of the cloth, and the longest reaches from edge to edge.
    assert sum(cut.strips) * width <= cut.cloth * 42
    assert all(2 * cut.cloth**2 >= strip**2 for strip in cut.strips)


@given(st.lists(st.integers(4, 42), min_size=1, max_size=7))
def test_the_fewest_strips_are_the_fewest(lengths: list[int]) -> None:
    found = fewest_strips(tuple((F(length), 1) for length in lengths), F(42))

    def fits(left: list[int], rooms: list[int]) -> bool:
        return not left or any(
            room >= left[0] and fits(left[1:], [*rooms[:n], room - left[0], *rooms[n + 1 :]])
            for n, room in enumerate(rooms)
        )

    assert fits(sorted(lengths, reverse=True), [42] * found)
    assert found == 1 or not fits(sorted(lengths, reverse=True), [42] * (found - 1))


def test_sashing_that_cannot_be_is_refused() -> None:
    with pytest.raises(BadSashing, match="like 2"):
        Sashing(F(21))
    with pytest.raises(BadSashing, match="can't have cornerstones"):
        Sashing(F(2), cornerstones=True, rows_only=True)
