"""What schemes cost, reckoned for all at once, against the exact sums for each of them."""

from fractions import Fraction

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.frame.backing import BackingWay
from kersey.core.frame.borders import Corners
from kersey.core.frame.edge import Edge, EdgeStyle
from kersey.core.frame.part import PartCut, PartKind, part_role
from kersey.core.frame.sashing import NO_SASHING, Sashing
from kersey.core.frame.scheme import Scheme
from kersey.core.frame.setting import Setting
from kersey.core.measure.length import bought_length
from kersey.core.measure.workshop import Workshop
from kersey.core.whole.scheme_cost import (
    backing_cloth,
    between_strips,
    binding_strip,
    border_strips,
)
from kersey.core.whole.scheme_space import Schemes, Space

F = Fraction
USABLE = F(42)
SIDES = st.sampled_from([F(4), F(6), F(19, 2), F(45, 4)])
SPACES = st.builds(
    Space,
    setting=st.sampled_from(list(Setting)),
    sashings=st.lists(
        st.sampled_from([NO_SASHING, Sashing(F(3, 2)), Sashing(F(2), True, True)]),
        min_size=1,
        max_size=2,
        unique=True,
    ),
    border_widths=st.lists(
        st.sampled_from([F(1), F(5, 2), F(6)]), min_size=1, max_size=2, unique=True
    ).map(tuple),
    most_borders=st.integers(0, 3),
    corners=st.sampled_from(list(Corners)),
    sides_first=st.booleans(),
    edge=st.sampled_from([Edge(), Edge(EdgeStyle.TURNED, F(2)), Edge(EdgeStyle.FOLDED, F(1, 2))]),
    margin=st.sampled_from([F(2), F(4)]),
    seam=st.sampled_from([F(1, 4), F(3, 8)]),
    key=st.sampled_from([F(0), F(0), F(2), F(5, 2)]),
)


def each(schemes: Schemes) -> list[tuple[int, int, Scheme]]:
    """Some of the schemes, by their places: the first and last bodies with every border."""
    bodies = {0, schemes.count // 2, schemes.count - 1}
    return [
        (body, n, schemes.at(body, n)) for body in bodies for n in range(len(schemes.space.borders))
    ]


@given(SPACES, SIDES, st.integers(1, 40))
def test_sizes_and_cloth_are_those_of_the_scheme(space: Space, side: F, blocks: int) -> None:
    """Sizes agree; borders, binding and backing are never told dearer than they come out."""
    schemes = Schemes(space, (side, side), blocks)
    if not schemes.count:
        return
    shop = Workshop(space.seam, USABLE)
    borders, binding = border_strips(schemes), binding_strip(schemes)
    width, length = schemes.inside
    backing = backing_cloth(schemes, USABLE, None)
    for body, n, scheme in each(schemes):
        assert (width[body, n], length[body, n]) == pytest.approx(scheme.inside)
        assert scheme.blocks <= blocks
        parts = {part.name: part for part in scheme.parts}
        for number, strips in enumerate(borders, 1):
            said = strips.off_the_bolt(USABLE, 2 * float(space.seam) + 0 * strips.length)[body, n]
            part = parts.get(part_role(PartKind.BORDER, number))
            if part is None:
                assert said == 0
                continue
            exact = bought_length(scheme.bought(part, shop))
            assert said <= float(exact) + 1e-9
            assert strips.length[body, n] == pytest.approx(float(part.length))
            if max(piece.cut_length for piece in part.pieces) > USABLE:
                assert said == pytest.approx(float(exact))
        if PartKind.BINDING in parts:
            said = binding.off_the_bolt(USABLE, binding.cut_width)[body, n]
            exact = bought_length(scheme.bought(parts[PartKind.BINDING], shop))
            assert said == pytest.approx(float(exact))
        exact = scheme.backed_by(shop).plan(None).bought
        # Of ways that need the same cloth exactly, the cheaper in eighths is told.
        assert backing[body, n] <= float(exact) + 1e-9
        wide = scheme.backed_by(shop).plan(BackingWay.UPRIGHT).bought
        upright = backing_cloth(schemes, USABLE, BackingWay.UPRIGHT)[body, n]
        assert upright == pytest.approx(float(wide))


@given(SPACES, SIDES, st.integers(1, 40))
def test_everything_allowed_keeps_to_what_was_asked(space: Space, side: F, blocks: int) -> None:
    schemes = Schemes(space, (side, side), blocks)
    if not schemes.count:
        return
    for body, n, scheme in each(schemes):
        width, length = scheme.inside
        around = sum(scheme.borders, F(0))
        good = (
            max(width, length) <= space.max_ratio * min(width, length)
            and 4 * around <= min(scheme.body)
            and max(width, length) <= 140
        )
        assert bool(schemes.allowed[body, n]) == good
        assert list(scheme.borders) == sorted(scheme.borders)
        if space.setting is not Setting.STRAIGHT:
            assert scheme.sashing == NO_SASHING


def least_cloth(part: PartCut, shop: Workshop) -> F:
    """Off the bolt in any case, however pieces that need no join lie in their strips."""
    if max(piece.cut_length for piece in part.pieces) > shop.usable_width:
        return part.off_the_bolt(shop).cloth
    return -(-part.length // shop.usable_width) * part.cut_width


def bare(schemes: Schemes) -> list[Scheme]:
    return [schemes.at(body, 0) for body in range(schemes.count)]


def test_settled_rows_and_even_ones() -> None:
    even = bare(Schemes(Space(even=True), (F(6), F(6)), 40))
    assert all(s.rows % 2 == 0 and s.columns % 2 == 0 for s in even)
    settled = bare(Schemes(Space(rows=2, columns=7), (F(6), F(6)), 40))
    assert [(s.columns, s.rows) for s in settled] == [(7, 2)]
    wide = bare(Schemes(Space(lies_wide=True), (F(6), F(6)), 40))
    assert all(s.columns >= s.rows for s in wide)


@given(SPACES, SIDES, st.integers(1, 30))
def test_bodies_are_every_grid_that_the_blocks_fill(space: Space, side: F, blocks: int) -> None:
    """Against going through all of them one by one."""
    found = {(s.rows, s.columns, s.sashing) for s in bare(Schemes(space, (side, side), blocks))}
    sashings = space.sashings if space.setting is Setting.STRAIGHT else (NO_SASHING,)
    wanted = {
        (rows, columns, sashing)
        for columns in range(1, 31)
        for rows in range(columns if blocks > 1 else 1, 61)
        for sashing in sashings
        for scheme in [Scheme((side, side), rows, columns, space.setting, sashing)]
        if scheme.blocks <= blocks and max(scheme.body) <= 140
    }
    assert found == wanted


@given(SPACES, SIDES, st.integers(1, 40))
def test_what_lies_between_is_never_told_dearer(space: Space, side: F, blocks: int) -> None:
    schemes, shop = Schemes(space, (side, side), blocks), Workshop(space.seam, USABLE)
    if not schemes.count:
        return
    join = 2 * float(space.seam) + np.zeros((schemes.count, 1))
    told = between_strips(schemes)
    for body in range(schemes.count):
        parts = schemes.at(body, 0).between
        areas = [float(part.area) for part in parts]
        cloth = sum(float(bought_length(least_cloth(part, shop))) for part in parts)
        here = [(kind, strips.area[body, 0]) for kind, strips in told if strips.length[body, 0]]
        assert [kind for kind, _ in here] == [part.kind for part in parts]
        assert [area for _, area in here] == pytest.approx(areas)
        said = sum(strips.off_the_bolt(USABLE, join)[body, 0] for _, strips in told)
        assert said == pytest.approx(cloth)
