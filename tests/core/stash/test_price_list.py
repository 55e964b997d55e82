"""What cloth costs, as shops cut it; an order is filled from the stock, and becomes lots."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.cloth.forms import Form
from kersey.core.stash.order import Ordered, OutOfStock, delivered, fill
from kersey.core.stash.price_list import USUAL_PRICES, BadWare, PriceList, Ware

F = Fraction


def ware(name: str) -> Ware:
    found = USUAL_PRICES.ware(name)
    assert found
    return found


@pytest.mark.parametrize(
    ("name", "wanted", "quantity", "cost"),
    [
        # By hand: 30 inches are 7 eighths of a yard (31 1/2), at 8.50 a yard 7.4375.
        ("solid cotton, by the yard", F(30), F(63, 2), 744),
        ("solid cotton, by the yard", F(1), F(9), 213),
        ("fat quarter", F(4), F(4), 1520),
        ("fat quarter", F(7, 2), F(4), 1520),
        ("roll of 40 strips", F(2), F(2), 8400),
    ],
)
def test_costs_by_hand(name: str, wanted: Fraction, quantity: Fraction, cost: int) -> None:
    assert ware(name).quantity(wanted) == quantity
    assert ware(name).cost(quantity) == cost


@given(st.sampled_from(USUAL_PRICES.wares), st.integers(1, 600), st.integers(0, 600))
def test_more_never_costs_less(ware: Ware, least: int, more: int) -> None:
    bought = [ware.quantity(F(wanted)) for wanted in (least, least + more)]
    assert least <= bought[0] <= bought[1]
    assert ware.cost(bought[0]) <= ware.cost(bought[1])


@given(st.lists(st.tuples(st.sampled_from(USUAL_PRICES.wares), st.integers(1, 40)), max_size=6))
def test_what_is_sold_is_delivered_and_gone(lines: list[tuple[Ware, int]]) -> None:
    order = [Ordered(ware, ware.quantity(F(wanted)), "binding") for ware, wanted in lines]
    total = {w.name: sum(o.quantity for o in order if o.ware is w) for w in USUAL_PRICES.wares}
    enough = all(w.stock is None or total[w.name] <= w.stock for w in USUAL_PRICES.wares)
    if not enough:
        with pytest.raises(OutOfStock, match="isn't enough"):
            fill(order, USUAL_PRICES)
        return
    left = fill(order, USUAL_PRICES)
    for before, after in zip(USUAL_PRICES.wares, left.wares, strict=True):
        gone = 0 if before.stock is None or after.stock is None else before.stock - after.stock
        assert gone == (total[before.name] if before.stock is not None else 0)
    lots = [kept.lot for kept in delivered(order)]
    cloth = sum(lot.count * lot.usable_width * lot.usable_length for lot in lots)
    assert cloth == sum(ordered.quantity * ordered.ware.area for ordered in order)
    # Nobody has seen it yet.
    assert all(stack.print.known_value is None for lot in lots for stack in lot.stacks)


@pytest.mark.parametrize(
    ("form", "size", "price", "says"),
    [
        (Form.SCRAPS, (F(1), F(1)), 1, "An item must be"),
        (Form.STRIP, (F(5, 2), F(0)), 1, "Type the length"),
        (Form.YARDAGE, (F(1), F(0)), 1, "Type the width"),
        (Form.YARDAGE, (F(42), F(0)), -1, "A price can be"),
    ],
)
def test_wares_that_cannot_be(
    form: Form, size: tuple[Fraction, Fraction], price: int, says: str
) -> None:
    with pytest.raises(BadWare, match=says):
        Ware("cloth", form, size[0], price, size[1])


def test_a_list_is_changed_ware_by_ware() -> None:
    dearer = Ware("linen", Form.YARDAGE, F(54), 1800)
    more = USUAL_PRICES.with_ware(None, dearer)
    assert more.without("linen") == USUAL_PRICES
    assert more.with_ware("linen", Ware("linen", Form.YARDAGE, F(54), 1)).ware("linen") != dearer
    with pytest.raises(BadWare, match="“linen” is already"):
        PriceList((dearer, dearer))
