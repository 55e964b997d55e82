"""The most blocks: agrees with trying everything, keeps its laws, and every plan is checked."""

from dataclasses import replace
from fractions import Fraction
from itertools import combinations

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.cutting.brute_force import most_blocks
from tests.core.cutting.made_up import checked, problems, ruled, solved

from kersey.core.cloth.forms import Form
from kersey.core.cutting.checker import faults
from kersey.core.cutting.print_rules import read_rules
from kersey.core.cutting.problem import CuttingProblem, Fabric, Need, PrintRule

LIGHT = ("5/2", "15/4", "5", "25/4", "15/2", "35/4")
DARK = ("15/4", "5", "25/4", "15/2", "35/4", "10")


def log_cabin(length: str) -> CuttingProblem:
    logs = [
        (side, Fraction(n)) for side, sides in (("light", LIGHT), ("dark", DARK)) for n in sides
    ]
    needs = [Need(f"{side} {n}", side, Fraction(7, 4), n) for side, n in logs]
    centre = Need("centre", "dark", Fraction(5, 2), Fraction(5, 2))
    quarters = [
        Fabric(side, side, Fraction(35, 2), Fraction(length), count, frozenset({side}))
        for side, count in (("light", 9), ("dark", 12))
    ]
    return CuttingProblem((*needs, centre), tuple(quarters))


# Twenty-one fat quarters of logs, by hand: the whole length of the lights gives 56 kits of 33 3/4
# at 21 long; shorter quarters lose a log of every strip.
@pytest.mark.parametrize(("length", "blocks"), [("21", 56), ("41/2", 54), ("20", 53)])
def test_a_log_cabin_of_fat_quarters(length: str, blocks: int) -> None:
    plan = checked(log_cabin(length))
    assert (plan.blocks, plan.proved) == (blocks, True)


def roll(strips: int, prints: int, length: str = "42") -> tuple[Fabric, ...]:
    return tuple(
        Fabric(
            f"p{n}", f"p{n}", Fraction(5, 2), Fraction(length), strips // prints, form=Form.STRIP
        )
        for n in range(prints)
    )


@pytest.mark.parametrize(
    ("fabrics", "count", "rules", "blocks"),
    [
        (roll(40, 20), 3, (), 80),
        (roll(40, 20, "41 1/4".replace(" 1/4", "")), 3, (), 80),
        (roll(40, 20, "77/2"), 3, (), 66),
        (roll(40, 20), 3, (PrintRule(("any",), same=False),), 80),
        (roll(40, 2), 3, (PrintRule(("any",), same=False),), 0),
        (roll(40, 20), 3, (PrintRule(("any",), same=True),), 80),
        (roll(20, 20), 4, (PrintRule(("any",), same=True),), 20),
        (roll(40, 20, "6"), 3, (), 0),
    ],
)
def test_rails_of_a_roll(
    fabrics: tuple[Fabric, ...], count: int, rules: tuple[PrintRule, ...], blocks: int
) -> None:
    needs = (Need("A", "any", Fraction(5, 2), Fraction(13, 2), count),)
    plan = checked(CuttingProblem(needs, fabrics, rules))
    assert (plan.blocks, plan.bound) == (blocks, blocks)


def test_frames_of_one_print_and_windows_of_another() -> None:
    needs = (
        Need("side", "frame", Fraction(5, 2), Fraction(19, 2), 2),
        Need("end", "frame", Fraction(5, 2), Fraction(5, 2), 2),
        Need("window", "window", Fraction(5, 2), Fraction(5, 2), 2),
    )
    rules = (PrintRule(("frame",), same=True), PrintRule(("frame", "window"), same=False))
    both = checked(CuttingProblem(needs, roll(12, 6), rules))
    alone = checked(CuttingProblem(needs, roll(12, 1), rules))
    assert both.blocks >= 12
    assert alone.blocks == 0


@given(problems())
def test_it_agrees_with_trying_everything(problem: CuttingProblem) -> None:
    plan = checked(problem)
    most = most_blocks(problem)
    assert plan.bound >= most
    assert plan.blocks == most


@given(ruled())
def test_print_rules_agree_with_dealing_out_every_block(problem: CuttingProblem) -> None:
    plan = checked(problem)
    most = most_blocks(problem)
    assert plan.bound >= most
    assert plan.blocks == most or not plan.proved
    if read_rules(problem).exact:
        assert plan.blocks == most


@given(problems(), st.data())
def test_laws(problem: CuttingProblem, data: st.DataObject) -> None:
    plan = checked(problem)
    first, *rest = problem.fabrics
    more = replace(problem, fabrics=(replace(first, count=first.count + 1), *rest))
    assert checked(more).blocks >= plan.blocks
    wider = tuple(replace(f, length=f.length + Fraction(1, 2)) for f in problem.fabrics)
    assert checked(replace(problem, fabrics=wider)).blocks >= plan.blocks
    twice = [replace(f, name=f.name + half) for f in problem.fabrics for half in "ab"]
    halved = CuttingProblem(problem.needs, tuple(twice))
    double = tuple(replace(f, count=2 * f.count) for f in problem.fabrics)
    assert checked(halved).blocks == checked(replace(problem, fabrics=double)).blocks
    if not any(fabric.is_strip for fabric in problem.fabrics):
        turned = CuttingProblem(
            tuple(replace(n, width=n.height, height=n.width) for n in problem.needs),
            tuple(replace(f, width=f.length, length=f.width) for f in problem.fabrics),
        )
        assert checked(turned).blocks == plan.blocks


@given(problems(), st.data())
def test_the_checker_finds_what_is_wrong(problem: CuttingProblem, data: st.DataObject) -> None:
    """Plans spoiled in every way it should see."""
    plan = solved(problem)
    if not plan.layouts:
        return
    layout = data.draw(st.sampled_from(plan.layouts))
    others = tuple(other for other in plan.layouts if other is not layout)
    cut = layout.cuts[0]
    spoiled = {
        "outside": replace(cut, x=layout.fabric.width),
        "before the edge": replace(cut, y=Fraction(-1)),
        "too small": replace(cut, width=cut.width - Fraction(1, 8)),
        "of another role": replace(cut, need=replace(cut.need, role="feature", label="x")),
    }
    for wrong in spoiled.values():
        bad = replace(layout, cuts=(wrong, *layout.cuts[1:]))
        assert faults(replace(plan, layouts=(bad, *others)))
    twice = replace(layout, cuts=(cut, *layout.cuts))
    assert faults(replace(plan, layouts=(twice, *others)))
    many = replace(layout, copies=layout.fabric.count + 1)
    assert faults(replace(plan, layouts=(many, *others)))
    assert faults(replace(plan, blocks=plan.blocks + 1, bound=plan.bound + 1))
    assert faults(replace(plan, bound=plan.blocks - 1))
    if plan.blocks:
        assert faults(replace(plan, layouts=others))


def test_the_checker_knows_what_a_ruler_cannot_cut() -> None:
    """A pinwheel of four round a middle: no straight cut from edge to edge parts it."""
    need = Need("A", "any", Fraction(1), Fraction(2), 4)
    fabric = Fabric("f", "f", Fraction(3), Fraction(3))
    problem = CuttingProblem((need,), (fabric,))
    places = [(0, 0, 1, 2), (1, 0, 2, 1), (2, 1, 1, 2), (0, 2, 2, 1)]
    plan = solved(problem)
    template = plan.layouts[0].cuts[0] if plan.layouts else None
    assert template is not None
    cuts = tuple(
        replace(
            template, need=need, x=Fraction(x), y=Fraction(y), width=Fraction(w), length=Fraction(h)
        )
        for x, y, w, h in places
    )
    pinwheel = replace(plan, blocks=1, bound=1, layouts=(replace(plan.layouts[0], cuts=cuts),))
    assert any(
        "can't be cut with strips, sub-cuts and one trim" in fault for fault in faults(pinwheel)
    )
    assert all(one != other for one, other in combinations(cuts, 2))
