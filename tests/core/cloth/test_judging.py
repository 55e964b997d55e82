"""How light prints read beside each other."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kersey.core.cloth.colour import lightness
from kersey.core.cloth.fabric import Value, value_of
from kersey.core.cloth.judging import judge_together

colours = st.integers(0, 0xFFFFFF).map(lambda n: f"#{n:06x}")


@pytest.mark.parametrize(
    ("together", "reads"),
    [
        (["#f2f0e8", "#e8d8b8", "#c8b090"], "light light dark"),
        (["#101418", "#30343a", "#c0c0c0"], "dark dark light"),
        (["#101418", "#777777", "#f0f0f0"], "dark medium light"),
        (["#777777", "#7a7a7a"], "medium medium"),
        (["#f4f4f4"], "light"),
        ([], ""),
    ],
)
def test_the_same_print_may_be_the_dark_one_or_the_light_one(
    together: list[str], reads: str
) -> None:
    assert " ".join(judge_together(together)) == reads


@given(st.lists(colours, max_size=30))
def test_what_is_lighter_never_reads_darker(together: list[str]) -> None:
    values = judge_together(together)
    order = [Value.DARK, Value.MEDIUM, Value.LIGHT]
    by_light = sorted(range(len(together)), key=lambda i: lightness(together[i]))
    ranks = [order.index(values[i]) for i in by_light]
    assert ranks == sorted(ranks)
    if len(set(together)) == 1:
        assert set(values) == {value_of(together[0])}
