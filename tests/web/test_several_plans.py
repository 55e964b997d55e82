"""Questions answered on every core: in their order, and as one by one."""

import pickle
from fractions import Fraction

from kersey.core.cutting.problem import CuttingProblem, Fabric, Need
from kersey.core.cutting.watch import Watch
from kersey.core.yields.report import Asked, FaultyPlan, one_by_one, yield_report
from kersey.searching.several import several_at_a_time


def question(quarters: int) -> CuttingProblem:
    needs = (
        Need("A", "light", Fraction(9, 2), Fraction(5, 2)),
        Need("B", "dark", Fraction(7, 2), Fraction(13, 4), 2),
    )
    fabrics = tuple(
        Fabric(role, role, Fraction(35, 2), Fraction(21), quarters, frozenset({role}))
        for role in ("light", "dark")
    )
    return CuttingProblem(needs, fabrics)


def test_other_processes_give_the_same_answers_in_the_same_order() -> None:
    asked = [Asked(question(quarters), 1.0) for quarters in (3, 1, 2)]
    with several_at_a_time(alone=0) as plans_of:
        found = plans_of(asked)
    assert list(found) == list(one_by_one(asked))
    three, one, two = (count.blocks for count, _ in found)
    assert three > two > one


def test_a_report_is_the_same_however_it_is_worked_out() -> None:
    alone = yield_report(question(2), Watch())
    with several_at_a_time(alone=0) as plans_of:
        assert yield_report(question(2), Watch(), plans_of) == alone


def test_a_fault_comes_home_whole() -> None:
    fault = pickle.loads(pickle.dumps(FaultyPlan(["one piece lies over another", "two"])))
    assert fault.faults == ("one piece lies over another", "two")
    assert str(fault) == "Kersey's own check refused this plan: one piece lies over another"
