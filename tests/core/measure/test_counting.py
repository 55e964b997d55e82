"""A number and its noun."""

import pytest

from kersey.core.measure.counting import counted


@pytest.mark.parametrize(
    ("number", "said"), [(0, "0 strips"), (1, "1 strip"), (2, "2 strips"), (-1, "-1 strips")]
)
def test_counting(number: int, said: str) -> None:
    assert counted(number, "strip") == said
