"""How a piece of fabric is cut, in words: each strip's breadth, then its crosscuts."""

from collections.abc import Mapping
from fractions import Fraction

from kersey.core.cutting.problem import Cut, Layout, Need
from kersey.core.measure.length import Units, format_length


def strip_words(layout: Layout, codes: Mapping[Need, str], units: Units) -> list[str]:
    """A line for each strip, in the order they are cut; pieces by their codes, longest first."""
    return [_strip(strip, layout.along, codes, units) for strip in layout.strips]


def _strip(strip: tuple[Cut, ...], along: bool, codes: Mapping[Need, str], units: Units) -> str:
    sizes = [(cut.width, cut.length) if along else (cut.length, cut.width) for cut in strip]
    breadth = max(wide for wide, _ in sizes)
    runs: dict[tuple[Fraction, Fraction, str], int] = {}
    for cut, (wide, run) in zip(strip, sizes, strict=True):
        key = (run, wide, codes[cut.need])
        runs[key] = runs.get(key, 0) + 1
    cuts = [
        f"{count} × {format_length(run, units)} {code}"
        + ("" if wide == breadth else f", trimmed to {format_length(wide, units)}")
        for (run, wide, code), count in runs.items()
    ]
    return f"{format_length(breadth, units)} wide: {'; '.join(cuts)}"
