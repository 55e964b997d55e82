"""Settings for all tests.

Every run tries the same cases; `pytest --hypothesis-profile=explore` tries others each time, and
`--hypothesis-profile=long tests/web/test_fuzz.py` very many.
"""

import pytest
from hypothesis import HealthCheck, settings
from tests.nights import BY_DAY
from tests.once import begin_run, end_run

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
# whatever takes long because it plans many quilts or searches at length.
_SLOW = {
    "web", "searching", "whole",
    "test_road", "test_crashes", "test_cli", "test_handfuls", "test_many_kinds",
    "test_real_requests", "test_replanning", "test_tonight", "test_shopping",
    "test_quilt_request", "test_search", "test_reading", "test_yield_request",
    "test_joined_piece", "test_already_cut", "test_fewest_changes", "test_put_away",
    "test_possible", "test_feeding", "test_history", "test_quilt", "test_report",
    "test_sample_world", "test_sewn_sets", "test_at_table", "test_even_plan",
    "test_whole_pieces", "test_sums", "test_ways_to_cut", "test_ruler_sizes",
}  # fmt: skip


def pytest_configure(config: pytest.Config) -> None:
    if not hasattr(config, "workerinput"):
        begin_run()


def pytest_unconfigure(config: pytest.Config) -> None:
    if not hasattr(config, "workerinput"):
        end_run()


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    for item in items:
        if _SLOW & {*item.path.parts, item.path.stem}:
            item.add_marker(pytest.mark.slow)
