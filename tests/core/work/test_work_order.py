"""The work order in words, by both methods and in both units."""

from fractions import Fraction

import pytest

from kersey.core.blocks.rail_yield import Method
from kersey.core.frame.backing import BackingWay
from kersey.core.measure.length import Units
from kersey.core.project.project import Design, Project
from kersey.core.quilt.quilt import make_quilt
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.pulled import all_of
from kersey.core.stash.quick_entry import take_line
from kersey.core.work.work_order import Step, StepKind, work_order


def steps(line: str, units: Units = Units.INCHES, **choices: object) -> dict[StepKind, Step]:
    lot = take_line(line).lot
    assert lot is not None
    design = Design(**choices)  # type: ignore[arg-type]
    order = work_order(
        make_quilt(Project("Throw", line, all_of(CupboardLot("roll", lot)), design), units)
    )
    assert len({step.key for step in order}) == len(order)
    return {step.kind: step for step in order}


ROLL = "roll of 40 strips, 20 prints"


def said(step: Step) -> str:
    return " ".join((step.title, *step.sentences))


@pytest.mark.parametrize(
    ("kind", "words"),
    [
        (StepKind.CHECK, "2½″ wide"),
        (StepKind.CHECK, "6 to a strip needs 39″ usable; below that 5, and 65 blocks by sets."),
        (StepKind.KEEP, "Set 13 strips aside 6 of them become the binding."),
        (StepKind.SETS, "Sew 9 sets of 3 strips"),
        (StepKind.SETS, "A set should be 6½″ high."),
        (StepKind.CROSSCUT, "into 54 blocks Cut 6 blocks 6½″ wide from each set."),
        (StepKind.CROSSCUT, "An end of 3″ is left of each set. 5 blocks stay over."),
        (StepKind.ROWS, "Join 7 rows of 7 blocks Turn every other block."),
        (StepKind.ROWS, "42½ × 42½″"),
        (StepKind.BINDING, "Take 6 strips 2½″ wide to bind"),
        (StepKind.BINDING, "From what is left of the strips: 6 strips."),
    ],
)
def test_sets_with_strips_to_spare(kind: StepKind, words: str) -> None:
    found = steps(ROLL, method=Method.SETS, rows=7, columns=7, border_width=Fraction(3))
    assert words in said(found[kind])


def test_single_segments_in_centimetres() -> None:
    found = steps(
        "roll 40 x 6.5 cm x 107 cm, 20 prints", Units.CENTIMETRES, rows=10, columns=8,
        seam=Fraction(15, 50) * Fraction(50, 127) * 5 / 2,
    )  # fmt: skip
    assert "segments 6.5 ×" in found[StepKind.SEGMENTS].title
    assert "″" not in said(found[StepKind.SEGMENTS])
    assert "m of cloth" in said(found[StepKind.BACKING])


@pytest.mark.parametrize(
    ("way", "words"),
    [
        (BackingWay.ACROSS, "2 panels of 58½″, seams across. Join with ½″ seams"),
        (BackingWay.UPRIGHT, "2 panels of 70½″, seams upright."),
        (BackingWay.WIDE, "One piece of 58½″ off extra-wide cloth."),
    ],
)
def test_backing_every_way(way: BackingWay, words: str) -> None:
    assert words in said(steps(ROLL, rows=10, columns=8, backing_way=way)[StepKind.BACKING])


def test_no_border_no_border_step() -> None:
    assert StepKind.BORDER not in steps(ROLL, rows=10, columns=8, border_width=Fraction(0))
