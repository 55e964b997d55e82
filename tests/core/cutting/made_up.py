"""Small problems made up at random, of which everything can be tried, and their checked plans."""

from fractions import Fraction

from hypothesis import assume
from hypothesis import strategies as st

from kersey.core.cloth.forms import Form
from kersey.core.cutting.checker import faults
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric, Need, PrintRule
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch


def solved(problem: CuttingProblem) -> CuttingPlan:
    return solve(problem, Watch())


def checked(problem: CuttingProblem) -> CuttingPlan:
    plan = solved(problem)
    assert faults(plan) == []
    return plan


sides = st.integers(2, 7)


@st.composite
def problems(draw: st.DrawFn, pieces: int = 70) -> CuttingProblem:
    """Small whole sizes and room for so many pieces, so that everything can be tried."""
    kinds = draw(st.integers(1, 3))
    needs = tuple(
        Need(
            f"n{n}",
            draw(st.sampled_from(["light", "dark"])),
            Fraction(draw(sides)),
            Fraction(draw(sides)),
            draw(st.integers(1, 2)),
        )
        for n in range(kinds)
    )
    roles = [frozenset(), frozenset({"light"}), frozenset({"dark"}), frozenset({"light", "dark"})]
    fabrics = tuple(
        Fabric(
            f"f{n}",
            f"f{n}",
            Fraction(draw(st.integers(3, 12))),
            Fraction(draw(st.integers(3, 16))),
            draw(st.integers(1, 2)),
            draw(st.sampled_from(roles)),
            draw(st.booleans()),
            draw(st.sampled_from([Form.STRIP, Form.PIECE])),
        )
        for n in range(draw(st.integers(1, 3)))
    )
    return few_enough(CuttingProblem(needs, fabrics), pieces)


def few_enough(problem: CuttingProblem, pieces: int) -> CuttingProblem:
    """Passed over where it has room for more of its smallest piece than can be tried in seconds."""
    smallest = min(need.width * need.height for need in problem.needs)
    there = sum(fabric.width * fabric.length * fabric.count for fabric in problem.fabrics)
    assume(there <= pieces * smallest)
    return problem


@st.composite
def ruled(draw: st.DrawFn) -> CuttingProblem:
    """Few pieces of up to three prints, and one or two rules for them."""
    roles = ["frame", "window", "sill"][: draw(st.integers(1, 3))]
    needs = tuple(
        Need(
            f"n{n}",
            role,
            Fraction(draw(st.integers(2, 4))),
            Fraction(draw(st.integers(2, 4))),
            draw(st.integers(1, 2)),
        )
        for n, role in enumerate(roles)
    )
    fabrics = tuple(
        Fabric(
            f"f{n}",
            draw(st.sampled_from("abc")),
            Fraction(draw(st.integers(2, 6))),
            Fraction(draw(st.integers(3, 9))),
            draw(st.integers(1, 2)),
        )
        for n in range(draw(st.integers(1, 3)))
    )
    rules = tuple(
        PrintRule(
            tuple(draw(st.permutations(roles))[: draw(st.integers(1, len(roles)))]),
            draw(st.booleans()),
        )
        for _ in range(draw(st.integers(1, 2)))
    )
    return few_enough(CuttingProblem(needs, fabrics, rules), 40)
