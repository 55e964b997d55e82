"""The work order in words, by both ways and in both units."""

from fractions import Fraction

import pytest
from tests.core.quilts import ROLL, SETS, quilt

from kersey.core.blocks.choice import BlockChoice
from kersey.core.frame.backing import BackingWay
from kersey.core.measure.length import Units
from kersey.core.work.step_words import step_words
from kersey.core.work.work_order import StepKind, work_order


def steps(line: str, units: Units = Units.INCHES, **choices: object) -> dict[str, str]:
    """What is said of each step, by its kind, and of what is sewn by its name."""
    made = quilt(line, units, **choices)
    found = {}
    for step in work_order(made):
        words = step_words(step, made)
        name = step.name if step.kind is StepKind.SEW else step.kind.value
        found[name] = " ".join((words.title, *words.sentences))
    return found


@pytest.mark.parametrize(
    ("step", "words"),
    [
        ("measure", "2½″ wide"),
        ("measure", "6 to a strip needs 39″ usable; below that 5, and 65 blocks by sets."),
        ("keep", "Set 13 strips aside 6 of them are for border or binding."),
        ("cut", "Take 27 strips They are sewn together whole."),
        ("strip set", "Sew 9 strip sets"),
        ("strip set", "A set should be 6½″ high."),
        ("block", "Crosscut 49 blocks Cut 6½″ wide: 6 from each set. 5 blocks stay over."),
        ("rows", "Join 7 rows of 7 blocks Turn every other block."),
        ("rows", "42½ × 42½″"),
        ("binding", "Take 6 strips 2½″ wide to bind"),
        ("binding", "From what is left: 6 strips."),
    ],
)
def test_sets_with_strips_to_spare(step: str, words: str) -> None:
    found = steps(ROLL, block=SETS, rows=7, columns=7, border_width=Fraction(3))
    assert words in found[step]


def test_single_segments_in_centimetres() -> None:
    found = steps(
        "roll 40 x 6.5 cm x 107 cm, 20 prints", Units.CENTIMETRES, rows=10, columns=8,
        seam=Fraction(15, 50) * Fraction(50, 127) * 5 / 2,
    )  # fmt: skip
    assert "Each gives" in found["cut"]
    assert not any("″" in words for words in found.values())
    assert "m of cloth" in found["backing"]


@pytest.mark.parametrize(
    ("way", "words"),
    [
        (BackingWay.ACROSS, "2 panels of 58½″, seams across. Join with ½″ seams"),
        (BackingWay.UPRIGHT, "2 panels of 70½″, seams upright."),
        (BackingWay.WIDE, "One piece of 58½″ off extra-wide cloth."),
    ],
)
def test_backing_every_way(way: BackingWay, words: str) -> None:
    assert words in steps(ROLL, rows=10, columns=8, backing_way=way)["backing"]


def test_no_border_no_border_step() -> None:
    assert "border" not in steps(ROLL, rows=10, columns=8, border_width=Fraction(0))


@pytest.mark.parametrize(
    ("block", "make", "words"),
    [
        ("nine-patch", "outer row", "Join A, B and A. It should measure 6½ × 2½″."),
        ("nine-patch", "block", "Join outer row, middle row and outer row."),
        ("pinwheel", "half-square unit", "Lay light square and dark square face to face"),
        ("pinwheel", "half-square unit", "two from each pair. It should measure 4½″ square"),
        ("ohio-star", "hourglass unit", "Lay 2 half-square units face to face"),
        ("cut-apart-nine-patch", "quarter", "Cut each nine-patch in four through the middle"),
        ("log-cabin", "round 1", "Begin with the centre; sew on in this order: light 1, light 2"),
        ("spool", "end with corners", "Lay each flip on a corner of the end"),
        ("window-brick", "block", "Join side, window column and side."),
    ],
)
def test_how_each_construction_is_sewn(block: str, make: str, words: str) -> None:
    assert words in steps("12 ten-inch squares, 6 prints", block=BlockChoice(block))[make]
