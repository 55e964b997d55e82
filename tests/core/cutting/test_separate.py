"""Problems that come apart: nothing lost, nothing shared, and as many blocks as the whole gives."""

from dataclasses import replace
from fractions import Fraction

from hypothesis import given
from hypothesis import strategies as st
from tests.core.cutting.brute_force import most_blocks
from tests.core.cutting.made_up import checked, problems

from kersey.core.cutting.problem import CuttingProblem, Fabric, Need, PrintRule
from kersey.core.cutting.separate import separate


@st.composite
def quilts(draw: st.DrawFn) -> CuttingProblem:
    """Up to six needs, fabric for some of them each, and rules for some of their prints."""
    roles = st.sampled_from("abcdef")
    kinds = sorted(draw(st.sets(roles, min_size=1)))
    needs = tuple(Need(f"of {role}", role, Fraction(2), Fraction(3)) for role in kinds)
    fabrics = tuple(
        Fabric(str(n), str(n), Fraction(9), Fraction(9), roles=frozenset(served))
        for n, served in enumerate(draw(st.lists(st.sets(roles, max_size=3), max_size=5)))
    )
    some_roles = st.lists(roles, min_size=1, max_size=3, unique=True)
    some_rules = st.builds(PrintRule, some_roles.map(tuple), st.booleans())
    rules = tuple(draw(st.lists(some_rules, max_size=2)))
    return CuttingProblem(needs, fabrics, rules)


@given(quilts())
def test_parts_share_nothing_and_leave_nothing_out(problem: CuttingProblem) -> None:
    parts = separate(problem)
    assert sorted(need.label for part in parts for need in part.needs) == sorted(
        need.label for need in problem.needs
    )
    for part in parts:
        roles = {need.role for need in part.needs}
        for fabric in problem.fabrics:
            served = {need.role for need in problem.needs if fabric.serves(need)}
            assert served <= roles or not served & roles
            assert len(parts) == 1 or (fabric in part.fabrics) == bool(served & roles)
        for rule in problem.rules:
            bound = {need.role for need in problem.needs} & set(rule.roles)
            assert bound <= roles or not bound & roles
            assert len(parts) == 1 or (rule in part.rules) == bool(bound & roles)


def test_what_one_fabric_or_one_rule_ties_together_stays_together() -> None:
    needs = tuple(Need(role, role, Fraction(2), Fraction(3)) for role in ("light", "dark", "red"))
    fabrics = tuple(
        Fabric(role, role, Fraction(9), Fraction(9), roles=frozenset({role}))
        for role in ("light", "dark", "red")
    )
    apart = CuttingProblem(needs, fabrics)
    any_role = Fabric("any", "any", Fraction(9), Fraction(9))
    ruled = replace(apart, rules=(PrintRule(("light", "red"), same=False),))
    assert [len(part.needs) for part in separate(apart)] == [1, 1, 1]
    assert [len(part.needs) for part in separate(ruled)] == [2, 1]
    assert separate(replace(apart, fabrics=(*fabrics, any_role))) == [
        replace(apart, fabrics=(*fabrics, any_role))
    ]


@given(problems())
def test_searched_for_apart_it_is_as_many_as_by_trying_everything(problem: CuttingProblem) -> None:
    """With so many crumbs beside it the problem is not tried as a whole; nothing is cut of them."""
    roles = [fabric.roles for fabric in problem.fabrics]
    crumbs = tuple(
        Fabric(f"crumb {n}", "crumb", Fraction(1), Fraction(1), roles=roles[n % len(roles)])
        for n in range(301)
    )
    plan = checked(replace(problem, fabrics=(*problem.fabrics, *crumbs)))
    assert (plan.blocks, plan.bound) == (most_blocks(problem),) * 2
