"""The work order in words, by both ways and in both units."""

from fractions import Fraction

import pytest
from tests.core.quilts import ROLL, SETS, quilt

from kersey.core.blocks.choice import BlockChoice
from kersey.core.frame.backing import BackingWay
from kersey.core.measure.length import Units
from kersey.core.work.step_words import sheet_words, step_words
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
        (
            "measure",
            "6 segments per strip need 39″ of usable length. Any shorter makes 5 per "
            "strip, and 65 blocks from strip sets.",
        ),
        ("keep", "Set 13 strips aside 6 of them are for the border or binding."),
        ("cut", "Take 27 strips Sew them whole; don't sub-cut yet."),
        ("strip set", "Sew 9 strip sets"),
        ("strip set", "Each strip set should measure 6½″ across."),
        ("block", "Cut 49 blocks Cut 6½″ segments: 6 from each strip set. 5 blocks left over."),
        ("rows", "Join the blocks: 7 rows of 7 Turn every other block."),
        ("rows", "42½ × 42½″"),
        ("binding", "Take 6 strips 2½″ wide for the binding"),
        ("binding", "Use leftovers: 6 strips."),
    ],
)
def test_sets_with_strips_to_spare(step: str, words: str) -> None:
    found = steps(ROLL, block=SETS, rows=7, columns=7, border_width=Fraction(3))
    assert words in found[step]


def test_a_long_sentence_is_said_once_and_its_step_named_after_that() -> None:
    bordered = quilt(
        ROLL, rows=6, columns=6, border_width=Fraction(2), outer_borders=(Fraction(3),)
    )
    order = work_order(bordered)
    sheet, alone = sheet_words(order, bordered), [step_words(step, bordered) for step in order]
    assert [words.title for words in sheet] == [words.title for words in alone]
    first, second = (n for n, step in enumerate(order) if step.kind is StepKind.BORDER)
    assert sheet[first] == alone[first]
    assert f"As in step {first + 1}." in sheet[second].sentences
    said = [s for words in sheet for s in words.sentences if s.count(" ") > 6]
    assert len(said) == len(set(said))


def test_single_segments_in_centimetres() -> None:
    found = steps(
        "roll 40 x 6.5 cm x 107 cm, 20 prints",
        Units.CENTIMETRES,
        rows=10,
        columns=8,
        seam=Fraction(15, 50) * Fraction(50, 127) * 5 / 2,
    )
    assert "Each makes" in found["cut"]
    assert not any("″" in words for words in found.values())
    assert "m of fabric" in found["backing"]


@pytest.mark.parametrize(
    ("way", "words"),
    [
        (
            BackingWay.ACROSS,
            "2 panels, each 58½″, with horizontal seams. Cut off the selvages and "
            "join with ½″ seams",
        ),
        (BackingWay.UPRIGHT, "2 panels, each 70½″, with vertical seams."),
        (BackingWay.WIDE, "One 58½″ piece of extra-wide fabric."),
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
        ("pinwheel", "half-square unit", "Place light square and dark square right sides together"),
        ("pinwheel", "half-square unit", "two from each pair. It should measure 4½″ square"),
        ("ohio-star", "hourglass unit", "Place 2 half-square triangles right sides together"),
        ("cut-apart-nine-patch", "quarter", "Cut each nine-patch in four through the center"),
        ("log-cabin", "round 1", "Start with the center. Add in this order: light 1, light 2"),
        ("spool", "end with corners", "Place each flip on a corner of the end"),
        ("window-brick", "block", "Join side, window column and side."),
    ],
)
def test_how_each_construction_is_sewn(block: str, make: str, words: str) -> None:
    assert words in steps("12 ten-inch squares, 6 prints", block=BlockChoice(block))[make]
