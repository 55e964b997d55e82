"""Quilt as you go: narrow strips sewn through batting and backing, from the centre line outward.

    each strip adds c - 2s          c its cut width
    batting and backing             strips x that + 4

Mirrored, every print lies there twice but the one in the centre: n prints of two strips make
2n - 1. A strip of 2 1/2 splits into two of 1 1/4. Source: docs/trade.md section 3.
"""

from collections.abc import Sequence
from fractions import Fraction

from kersey.core.blocks.assembly import Assembly, Make, Size, counted_parts
from kersey.core.blocks.facts import Difficulty, Facts
from kersey.core.blocks.recipe import WHOLE, BadRecipe, Options, Recipe, length_option, rectangle
from kersey.core.blocks.technique import CROSSCUT, CUT, Technique
from kersey.core.cutting.problem import ANY, CuttingPlan
from kersey.core.cutting.tally import Mirrored
from kersey.core.measure.length import Units, format_length, format_size

QUILTED = Technique(
    "quilted",
    step="Mark the center line on the batting and backing. Place the middle strip on it. Sew each "
    "next strip through all layers, alternating sides, and press it open before the next "
    "one. Every six strips, measure in the middle and at both edges.",
    at_machine="Sew through batting and backing from the center line out",
    seams=None,
)
# Batting and backing are so much larger than the strips together.
_LARGER = Fraction(4)
# What shows of the strips until it is known how long they are.
_SHOWN = Fraction(40)


def _tally(_: Size, options: Options, __: Fraction) -> Mirrored:
    mirrored = options["mirrored"]
    assert isinstance(mirrored, bool)
    return Mirrored(mirrored)


def _whole(plan: CuttingPlan, _: Size, __: Options) -> tuple[Fraction, ...]:
    """How many strips, and how long the shortest is."""
    lengths = (max(cut.width, cut.length) for layout in plan.layouts for cut in layout.cuts)
    return Fraction(plan.blocks), min(lengths)


def _strip(options: Options, seam: Fraction) -> Fraction:
    return length_option(options, "strip", 2 * seam, Fraction(12))


def _size(options: Options, seam: Fraction) -> Size:
    shows, made = _strip(options, seam) - 2 * seam, options.get(WHOLE)
    if not isinstance(made, tuple):
        return shows, _SHOWN
    strips, length = made
    return strips * shows, length - 2 * seam


def _assemble(finished: Size, options: Options, seam: Fraction) -> Assembly:
    if finished != _size(options, seam):
        raise BadRecipe("block.finished", "left empty; it comes from the strips.")
    cut, length = _strip(options, seam), finished[1] + 2 * seam
    known, shows = WHOLE in options, cut - 2 * seam
    strips = [
        Make(
            "A",
            CUT,
            (cut, length if known else cut),
            role=ANY,
            long=not known,
            patches=(rectangle("A", ANY, n * shows, Fraction(0), shows, finished[1]),),
        )
        for n in range(int(finished[0] / shows))
    ]
    patches = tuple(strip.patches[0] for strip in strips)
    size = finished[0] + 2 * seam, length
    how = QUILTED if known else CROSSCUT
    return Assembly(Make("block", how, size, counted_parts(strips), patches=patches), finished)


def _laid(prints: Sequence[str], options: Options) -> tuple[int, ...]:
    """From the left edge to the right: mirrored from the centre, the first print in the middle."""
    if not options["mirrored"]:
        return tuple(range(len(prints)))
    by_print: dict[str, list[int]] = {}
    for number, name in enumerate(prints):
        by_print.setdefault(name, []).append(number)
    single = next((name for name, numbers in by_print.items() if len(numbers) % 2), "")
    centre = [by_print[single].pop()] if single else []
    left, right = list[int](), list[int]()
    for numbers in by_print.values():
        half = len(numbers) // 2
        left += numbers[:half]
        right += numbers[half : 2 * half]
    return (*left[::-1], *centre, *right)


def _notes(assembly: Assembly, options: Options, _: Fraction, units: Units) -> tuple[str, ...]:
    """How large batting and backing are cut: 55 strips that add an inch each ask for 59."""
    assert assembly.finished is not None
    if WHOLE not in options:
        over = format_length(_LARGER, units)
        return (
            f"Cut the batting and backing {over} larger than all the "
            "strips together, in both directions.",
        )
    width, length = (side + _LARGER for side in assembly.finished)
    return (
        f"Cut batting and backing {format_size(width, length, units)}. "
        "Use leftover strips for the binding.",
    )


RECIPE = Recipe(
    id="quilt-as-you-go",
    title="Quilt as you go",
    finished=(Fraction(1), _SHOWN),
    assemble=_assemble,
    tried=310,
    unit="strip",
    size_of=_size,
    size_follows=True,
    tally=_tally,
    whole=_whole,
    laid=_laid,
    notes=_notes,
    shapes=("strip", (Fraction(3, 2), Fraction(5, 4), Fraction(2), Fraction(5, 2))),
    options={"strip": Fraction(3, 2), "mirrored": True},
    facts=Facts(
        made_from="Narrow strips sewn through batting and backing.",
        difficulty=Difficulty.FIRST,
        sides=(20, 100),
        suits="Strips split lengthwise, light to dark from the center.",
        pressing=("Press each strip open before adding the next.",),
        cautions=("Use cotton batting, because the iron touches it, and a walking foot.",),
        mistakes=(
            (
                "It bows",
                (
                    "Every six strips, measure in the middle and at both edges. Spread any "
                    "correction over several strips."
                ),
            ),
        ),
    ),
    about=(
        "Narrow strips sewn through the batting and backing from the center line out, with prints "
        "mirrored on both sides. A strip of 2 1/2 splits into two of 1 1/4."
    ),
)
