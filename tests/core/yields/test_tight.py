"""Divisions without margin, told so that a rounded sum never passes for an exact one."""

from fractions import Fraction

import pytest

from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric, Need
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch
from kersey.core.measure.length import Units
from kersey.core.yields.tight import tight_divisions, tight_in_words


def plan(*needs: Need, length: str, fabrics: int = 1) -> CuttingPlan:
    cloth = tuple(
        Fabric(f"cloth {n}", f"cloth {n}", Fraction(2), Fraction(length)) for n in range(fabrics)
    )
    return solve(CuttingProblem(needs, cloth), Watch())


def need(label: str, long: str, count: int = 1, role: str = "any") -> Need:
    return Need(label, role, Fraction(2), Fraction(long), count)


def test_a_sum_of_the_ruler_is_exact() -> None:
    found = plan(need("long", "17/2"), need("short", "25/4", 2), length="21")
    (words,) = tight_in_words(found, Units.INCHES, 3)
    assert words == (
        "8½″ + 2 × 6¼″ = 21″ exactly, in cloth 0. If you cut wide, you lose short first."
    )


def test_a_sum_between_the_marks_only_just_fills_it() -> None:
    found = plan(need("third", "10/3", 3), length="10")
    (words,) = tight_in_words(found, Units.INCHES, 3)
    assert words == "3 × 3 1⁄3″ = 10″ exactly, in cloth 0. If you cut wide, you lose third first."
    rounded = plan(need("odd", "7.07", 2), length="14.14")
    (words,) = tight_in_words(rounded, Units.INCHES, 3)
    assert "exactly" not in words
    assert "just fits" in words


def test_several_fabrics_are_counted_and_a_label_of_two_needs_is_told_by_its_role() -> None:
    found = plan(need("bar", "7", 1, "light"), need("bar", "3", 1, "dark"), length="10", fabrics=4)
    words = tight_in_words(found, Units.INCHES, 3)
    assert any(" fabrics. If you cut wide" in sentence for sentence in words)
    assert all("light bar" in sentence or "dark bar" in sentence for sentence in words)


@pytest.mark.parametrize("most", [0, 1, 2])
def test_no_more_are_told_than_are_asked_for(most: int) -> None:
    found = plan(need("a", "5"), need("b", "4"), need("c", "1"), length="10", fabrics=3)
    assert len(tight_in_words(found, Units.INCHES, most)) == min(most, len(tight_divisions(found)))


def test_where_there_is_room_nothing_is_tight() -> None:
    assert tight_in_words(plan(need("a", "5", 2), length="11"), Units.INCHES, 3) == []
