"""Kits: lawful whatever the rules, even, the same each time, and judged on their own."""

from collections import Counter
from dataclasses import replace
from fractions import Fraction
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.cutting.made_up import problems, ruled, solved

from kersey.core.cutting.problem import Cut, CuttingPlan, CuttingProblem, Fabric, Layout, Need
from kersey.core.cutting.problem import PrintRule as Rule
from kersey.core.kits.dealing import Wished, deal
from kersey.core.kits.kit_checker import kit_faults
from kersey.core.kits.pieces import pieces_made
from kersey.core.project.design import KitWish

LIGHT, DARK = (
    Need("B", "light", Fraction(1), Fraction(1), 2),
    Need("A", "dark", Fraction(1), Fraction(1), 3),
)


def plan_of(
    made: dict[str, dict[Need, int]], blocks: int, rules: tuple[Rule, ...] = ()
) -> CuttingPlan:
    """A plan that cuts so many pieces for each need from each print: only the counts matter."""
    needs = tuple(dict.fromkeys(need for pieces in made.values() for need in pieces))
    fabrics, layouts = [], []
    for name, pieces in made.items():
        fabric = Fabric(name, name, Fraction(sum(pieces.values())), Fraction(1))
        cuts = [need for need, count in pieces.items() for _ in range(count)]
        laid = tuple(
            Cut(need, Fraction(x), Fraction(0), Fraction(1), Fraction(1))
            for x, need in enumerate(cuts)
        )
        fabrics.append(fabric)
        layouts.append(Layout(fabric, 1, laid, ()))
    problem = CuttingProblem(needs, tuple(fabrics), rules)
    return CuttingPlan(problem, blocks, blocks, tuple(layouts))


@given(problems() | ruled(), st.sampled_from(KitWish), st.integers(0, 2))
def test_kits_are_lawful_whatever_is_asked(
    problem: CuttingProblem, wish: KitWish, times: int
) -> None:
    plan = solved(problem)
    wished = Wished(wish, {f.print: f.print[:1] for f in problem.fabrics}, times)
    kits = deal(plan, wished).kits
    assert kit_faults(plan, kits) == []
    assert deal(plan, wished).kits == kits


@given(st.lists(st.tuples(st.integers(0, 6), st.integers(0, 6)), min_size=5, max_size=8))
def test_all_prints_differ_exactly_when_they_can(counts: list[tuple[int, int]]) -> None:
    """They can when no print has more pieces to give than there are blocks (König)."""
    blocks = min(sum(a for a, _ in counts) // 2, sum(b for _, b in counts) // 3)
    taken = [
        _first(side, blocks * need.count)
        for side, need in (([a for a, _ in counts], LIGHT), ([b for _, b in counts], DARK))
    ]
    if not blocks:
        return
    made = {f"p{n}": {LIGHT: a, DARK: b} for n, (a, b) in enumerate(zip(*taken, strict=True))}
    plan = plan_of({name: pieces for name, pieces in made.items() if sum(pieces.values())}, blocks)
    dealt = deal(plan)
    can = all(sum(pieces.values()) <= blocks for pieces in made.values())
    assert all(len(set(kit)) == 5 for kit in dealt.kits) == can
    assert bool(dealt.unmet) == (not can)


def _first(counts: list[int], wanted: int) -> list[int]:
    """The counts, the last ones made less until only so many are left."""
    found = []
    for count in counts:
        found.append(min(count, wanted))
        wanted -= found[-1]
    return found


def test_prints_are_spread_evenly() -> None:
    """Eight of one and four of three others: the one in every block, the others in turn."""
    need = Need("A", "any", Fraction(1), Fraction(1), 2)
    plan = plan_of({"much": {need: 8}, **{name: {need: 4} for name in "abc"}}, 8)
    kits = deal(plan).kits
    assert [kit.count("much") for kit in kits].count(1) >= 7
    others = Counter(name for kit in kits for name in kit if name != "much")
    assert max(others.values()) - min(others.values()) <= 1


def test_families_and_pairs_are_followed_as_far_as_the_fabric_goes() -> None:
    made = {"rose": {LIGHT: 8}, "sky": {LIGHT: 8}, "wine": {DARK: 12}, "navy": {DARK: 12}}
    plan = plan_of(made, 8)
    families = {"rose": "red", "wine": "red", "sky": "blue", "navy": "blue"}
    kits = deal(plan, Wished(KitWish.FAMILIES, families))
    assert all(len({families[name] for name in kit}) == 1 for kit in kits.kits)
    assert not kits.unmet
    pairs = {frozenset(kit) for kit in deal(plan, Wished(KitWish.PAIRS)).kits}
    assert len(pairs) == 2
    assert all(len(pair) == 2 for pair in pairs)
    mixed = deal(plan, Wished(KitWish.FAMILIES, families | {"navy": "black"}))
    assert "mix color families" in mixed.unmet


def test_dealt_again_is_another_deal_and_pins_stay() -> None:
    need = Need("A", "any", Fraction(1), Fraction(1), 3)
    plan = plan_of({name: {need: 4} for name in "abcdef"}, 8)
    first = deal(plan).kits
    pinned = {2: first[2], 5: first[5]}
    second = deal(plan, Wished(deal=1), pinned).kits
    assert second != first
    assert all(second[block] == kit for block, kit in pinned.items())
    assert kit_faults(plan, second) == []


@pytest.mark.parametrize(
    ("wrong", "why"),
    [
        (lambda kits: kits[:-1], "kits for"),
        (lambda kits: [kits[0][:-1], *kits[1:]], "pieces, not"),
        (lambda kits: [kits[0]] * len(kits), "are dealt"),
        (lambda kits: [("a", "a", "b"), *kits[1:]], "share a print"),
    ],
)
def test_wrong_kits_are_found_out(wrong, why: str) -> None:  # type: ignore[no-untyped-def]
    need = Need("A", "any", Fraction(1), Fraction(1), 3)
    plan = plan_of({name: {need: 4} for name in "abcdef"}, 8, (Rule(("any",), same=False),))
    kits = list(deal(plan).kits)
    assert kit_faults(plan, kits) == []
    assert why in " ".join(kit_faults(plan, wrong(kits)))


def test_roles_that_must_differ_are_judged() -> None:
    one, other = Need("A", "a", Fraction(1), Fraction(1)), Need("B", "b", Fraction(1), Fraction(1))
    rules = (Rule(("a", "b"), same=False),)
    plan = plan_of({"x": {one: 1, other: 1}, "y": {one: 1, other: 1}}, 2, rules)
    assert all(len(set(kit)) == 2 for kit in deal(plan).kits)
    assert "serves two" in " ".join(kit_faults(plan, [("x", "x"), ("y", "y")]))
    together = replace(plan, problem=replace(plan.problem, rules=(Rule(("a", "b"), same=True),)))
    assert kit_faults(together, [("x", "x"), ("y", "y")]) == []
    assert "one print" in " ".join(kit_faults(together, [("x", "y"), ("y", "x")]))
    assert [one != other for one, other in pairwise(pieces_made(plan))] == [True]
