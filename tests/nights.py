"""What is tried in every run, and what at night: `make night` tries more of the same kind."""

from collections.abc import Iterable
from typing import Any

import pytest
from hypothesis import settings

# Cases of a property in every run, if it says nothing else.
BY_DAY = 10


def by_night() -> bool:
    """Whether this run has a profile for more than every run tries."""
    return bool(settings().max_examples != BY_DAY)


def examples(by_day: int) -> settings:
    """So many cases in every run; at night as many as its profile asks for."""
    many = settings().max_examples if by_night() else by_day
    return settings(max_examples=many, deadline=None)


def at_night(cases: Iterable[Any]) -> list[Any]:
    """Cases that are like others, or take long, and are tried at night only."""
    return [
        pytest.param(*(case if isinstance(case, tuple) else (case,)), marks=pytest.mark.night)
        for case in cases
    ]
