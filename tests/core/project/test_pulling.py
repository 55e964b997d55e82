"""What is said of fabric before it is cut."""

from dataclasses import replace
from fractions import Fraction

import pytest
from tests.core.quilts import of_strips

from kersey.core.cloth.fabric import Lot, Stack, Value
from kersey.core.cloth.print_names import made_up_prints
from kersey.core.project.design import Design
from kersey.core.project.project import Project
from kersey.core.project.pulling import look_over
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.pulled import all_of


def roll(*counts: int, value: Value | None = None) -> Lot:
    prints = made_up_prints(len(counts), value)
    return Lot(Fraction(5, 2), Fraction(42), tuple(map(Stack, prints, counts)))


def looked_over(lot: Lot, strips: int) -> tuple[str, ...]:
    design = Design(block=of_strips(strips))
    return look_over(Project("Throw", "", all_of(CupboardLot("roll", lot)), design))


@pytest.mark.parametrize(
    ("lot", "strips", "said"),
    [
        (roll(2, 2, 2, 2, 2), 3, []),
        (roll(20), 3, ["only one print"]),
        (roll(10, 10, 0), 3, ["only 2 prints", "50% of the strips"]),
        (roll(6, 1, 1, 1, 1), 3, ["60%"]),
        (roll(2, 2, 2, 2, 2, value=Value.LIGHT), 3, ["all the strips read light"]),
        (roll(9, 9, value=Value.DARK), 4, ["only 2 prints", "50%", "read dark"]),
    ],
)
def test_looking_over(lot: Lot, strips: int, said: list[str]) -> None:
    found = looked_over(lot, strips)
    assert len(found) == len(said)
    for sentence, words in zip(found, said, strict=True):
        assert words in sentence


def test_a_print_that_was_taken_out_does_not_count() -> None:
    lot = roll(2, 2, 2, 2)
    without = replace(lot, stacks=(*lot.stacks[:2], *(replace(s, count=0) for s in lot.stacks[2:])))
    assert "only 2 prints" in looked_over(without, 3)[0]
