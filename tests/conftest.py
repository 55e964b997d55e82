"""Settings for all tests.

Every run tries the same cases; `pytest --hypothesis-profile=explore` tries others each time, and
`--hypothesis-profile=long tests/web/test_fuzz.py` very many.
"""

import pytest
from hypothesis import HealthCheck, settings
from tests.nights import BY_DAY

# Speed is measured in the benchmark, never here.
settings.register_profile(
    "kersey",
    derandomize=True,
    deadline=None,
    max_examples=BY_DAY,
    suppress_health_check=[HealthCheck.too_slow],
)
settings.register_profile(
    "explore", settings.get_profile("kersey"), derandomize=False, max_examples=100
)
# Many more cases where anything may come in from outside, for a night: see tests/web/test_fuzz.py.
settings.register_profile("long", settings.get_profile("explore"), max_examples=3000)
settings.load_profile("kersey")

# What `make quick` leaves out: pages and browser, the road over every recipe, whole processes, and
# searches that are held against another solver at length.
_SLOW = {
    "web", "searching", "whole", "test_road.py", "test_crashes.py", "test_cli.py",
    "test_handfuls.py", "test_many_kinds.py", "test_real_requests.py", "test_replanning.py",
    "test_tonight.py", "test_shopping.py", "test_quilt_request.py", "test_search.py",
}  # fmt: skip


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    for item in items:
        if _SLOW & set(item.path.parts):
            item.add_marker(pytest.mark.slow)
