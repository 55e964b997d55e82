"""Orders and deliveries come back as they went out; whatever else comes is refused in one line."""

import json
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.stash.order import Ordered, delivered
from kersey.core.stash.price_list import USUAL_PRICES, Ware
from kersey.formats.order import (
    BadOrder,
    Delivery,
    read_delivery,
    read_order,
    write_delivery,
    write_order,
)

WARES = st.sampled_from(USUAL_PRICES.wares)
LINES = st.lists(st.tuples(WARES, st.integers(1, 30)), min_size=1, max_size=5)


def order(lines: list[tuple[Ware, int]]) -> list[Ordered]:
    return [Ordered(w, w.quantity(Fraction(n)), "border", "smoke") for w, n in lines]


@given(LINES)
def test_there_and_back(lines: list[tuple[Ware, int]]) -> None:
    asked = order(lines)
    text = write_order("Throw", [(line, line.ware.cost(line.quantity)) for line in asked])
    read = read_order(text.encode())
    assert read.quilt == "Throw"
    for one, other in zip(asked, read.lines, strict=True):
        facts = [(o.ware.name, o.ware.form, o.ware.width, o.ware.length, o.ware.pieces,
                  o.ware.prints, o.quantity, o.purpose, o.named) for o in (one, other)]  # fmt: skip
        assert facts[0] == facts[1]
    lots = delivered(read.lines)
    assert read_delivery(write_delivery(Delivery("Throw", lots)).encode()).lots == lots


@pytest.mark.parametrize(
    ("change", "says"),
    [
        ({"kersey": "order/2"}, "kersey"),
        ({"lines": []}, "lines"),
        ({"lines": [{"ware": "x"}]}, "lines"),
        ({"cost": "much"}, "cost"),
        ({"more": 1}, "more"),
    ],
)
def test_a_wrong_order_names_the_place(change: dict[str, object], says: str) -> None:
    text = write_order("Throw", [(line, 1) for line in order([(USUAL_PRICES.wares[0], 20)])])
    with pytest.raises(BadOrder, match=says):
        read_order(json.dumps(json.loads(text) | change).encode())


@given(st.binary(max_size=60) | st.text().map(str.encode))
def test_anything_else_is_refused(content: bytes) -> None:
    for read in (read_order, read_delivery):
        with pytest.raises(BadOrder) as refused:
            read(content)
        assert "\n" not in str(refused.value)


def test_a_delivery_of_what_no_lot_can_be_is_refused() -> None:
    lots = [{"version": 2, "name": "x", "lot": {"form": "strip", "stacks": []}}]
    content = json.dumps({"kersey": "delivery/1", "for": "Throw", "lots": lots})
    with pytest.raises(BadOrder):
        read_delivery(content.encode())
