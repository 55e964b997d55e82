"""What a quilt cost: its cloth by area, what was bought by the list, and what has no price."""

from dataclasses import replace
from fractions import Fraction

import pytest
from tests.core.quilts import ROLL, plan, project, quilt

from kersey.core.cloth.forms import Form
from kersey.core.finish.cost import quilt_cost, used_of_forms
from kersey.core.quilt.quilt import make_quilt
from kersey.core.quilt.sums import pulled_fabric
from kersey.core.stash.price_list import USUAL_PRICES
from kersey.core.stash.pulled import Role


@pytest.mark.parametrize("line", ["roll of 40 strips, 20 prints", "12 fat quarters, 12 prints"])
def test_cloth_is_paid_for_by_what_is_used_up(line: str) -> None:
    of = quilt(line, rows=4, columns=4)
    used = used_of_forms(of)
    spent = pulled_fabric(of)
    assert sum(used.values(), Fraction(0)) == spent.pulled - spent.left
    found = quilt_cost(of, USUAL_PRICES)
    assert len(found.lines) + len(found.unknown) == len(used) + len(of.to_buy)
    assert found.total == sum(cost for _, cost in found.lines) > 0
    dearer = replace(
        USUAL_PRICES, wares=tuple(replace(w, price=2 * w.price) for w in USUAL_PRICES.wares)
    )
    twice = quilt_cost(of, dearer).total
    assert abs(twice - 2 * found.total) <= 2 * len(found.lines)


def test_cloth_pulled_for_a_part_is_paid_for_but_its_end() -> None:
    of = project(f"{ROLL} + 4 yd grey", rows=4, columns=4)
    *strips, grey = of.fabrics
    of = replace(of, fabrics=(*strips, replace(grey, roles=(Role.BACKING,))))
    (end,) = make_quilt(plan(of)).opened
    used = used_of_forms(make_quilt(plan(of)))[Form.YARDAGE]
    assert 0 < used == 4 * 36 * 42 - sum(width * length for width, length in end.ends)


def test_what_has_no_price_is_named() -> None:
    of = quilt(rows=4, columns=4)
    only_bolts = replace(
        USUAL_PRICES, wares=tuple(w for w in USUAL_PRICES.wares if w.form is Form.YARDAGE)
    )
    found = quilt_cost(of, only_bolts)
    assert "strips used" in found.unknown
    assert "batting" in found.unknown
