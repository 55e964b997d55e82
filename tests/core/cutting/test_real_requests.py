"""Requests of real size: as many blocks as were once proved, and proved again."""

from collections.abc import Sequence
from pathlib import Path

import pytest
from tests.nights import at_night

from kersey.core.cutting.checker import faults
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch
from kersey.core.yields.count import Count
from kersey.core.yields.report import Asked, one_by_one, yield_report
from kersey.core.yields.steps import YieldQuestion, yield_steps
from kersey.formats.yield_request import read_request

FOLDER = Path(__file__).parents[3] / "bench" / "requests"
# Whatever is changed in the search, no plan can give more and it should find no fewer.
PROVED = {
    "bundle-fat-eighth-02": 20,
    "bundle-fat-eighth-04": 81,
    "bundle-fat-quarter-00": 56,
    "bundle-fat-quarter-02": 46,
    "bundle-fat-quarter-04": 187,
    "impossible-narrow": 0,
    "impossible-no-dark": 0,
    "impossible-one-print": 0,
    "roll-03": 153,
    "rules-framed-00": 17,
    "rules-framed-01": 56,
    "rules-framed-02": 68,
    "rules-framed-03": 38,
    "rules-rails-00": 54,
    "scraps-010-2-log-cabin": 14,
    "scraps-010-8-log-cabin": 7,
    "scraps-020-8-log-cabin": 12,
    "scraps-050-2-fours": 45,
    "scraps-050-8-log-cabin": 37,
    "scraps-050-8-nine-patch": 76,
    "scraps-100-8-log-cabin": 67,
    "scraps-200-2-log-cabin": 143,
    "yardage-log-cabin-00": 14,
    "yardage-log-cabin-01": 28,
    "yardage-log-cabin-04": 96,
}
# Each is like one of the others, but takes longer.
NIGHT = (
    "bundle-fat-eighth-02",
    "bundle-fat-quarter-04",
    "rules-framed-01",
    "rules-framed-03",
    "scraps-010-8-log-cabin",
    "scraps-020-8-log-cabin",
    "scraps-050-8-log-cabin",
    "scraps-100-8-log-cabin",
    "yardage-log-cabin-01",
    "scraps-200-2-log-cabin",
)


@pytest.mark.parametrize("name", [*sorted(PROVED.keys() - set(NIGHT)), *at_night(NIGHT)])
def test_what_was_proved_once_is_found_and_proved(name: str) -> None:
    problem = read_request((FOLDER / f"{name}.json").read_bytes()).problem
    plan = solve(problem, Watch())
    assert faults(plan) == []
    assert (plan.blocks, plan.bound) == (PROVED[name], PROVED[name])


def test_a_longer_search_never_finds_less_nor_bounds_more() -> None:
    """Three yards of light and of dark in narrow logs, which is not proved in two seconds."""
    problem = read_request((FOLDER / "yardage-log-cabin-03.json").read_bytes()).problem
    plans = [solve(problem, Watch(seconds)) for seconds in (1.0, 2.0)]
    blocks, bounds = [plan.blocks for plan in plans], [plan.bound for plan in plans]
    assert blocks == sorted(blocks)
    assert bounds == sorted(bounds, reverse=True)
    assert all(faults(plan) == [] for plan in plans)
    assert blocks[0] > 0


@pytest.mark.parametrize(
    "name",
    [
        "scraps-020-2-log-cabin",
        *at_night(["scraps-100-8-log-cabin", "scraps-200-2-log-cabin", "yardage-log-cabin-03"]),
    ],
)
def test_explaining_takes_at_most_four_times_the_plans_work(name: str) -> None:
    problem = read_request((FOLDER / f"{name}.json").read_bytes()).problem
    asked: list[tuple[Count, float]] = []

    def counts_of(questions: Sequence[Asked]) -> Sequence[tuple[Count, float]]:
        asked.extend(found := one_by_one(questions))
        return found

    watch = Watch()
    yield_report(problem, watch, counts_of)
    assert sum(work for _, work in asked) <= 4 * watch.spent


@pytest.mark.parametrize("name", at_night(["scraps-020-8-log-cabin"]))
def test_what_was_not_exact_at_first_is_exact_in_the_end(name: str) -> None:
    problem = read_request((FOLDER / f"{name}.json").read_bytes()).problem
    *_, known = yield_steps(YieldQuestion(problem))
    assert all(limit.count.proved for limit in known.limits or ())
    assert all(count.proved for _, count in known.sensitivity or ())
    assert known.cliffs is not None
    assert known.cliffs.fewer_sure
    assert known.cliffs.more_sure
