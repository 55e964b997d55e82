"""Divisions without any margin: the least bit less cloth, and a piece is lost.

6 1/4 + 6 1/4 + 8 1/2 is 21 exactly
"""

from collections import Counter
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.cutting.problem import CuttingPlan, Layout, Need
from kersey.core.measure.length import Units, format_length, parse_length
from kersey.core.measure.spoken import shown


@dataclass(frozen=True)
class Tight:
    """A division without any margin: `parts` fill a side of a fabric exactly, in cutting order.

    `lost` is the piece at the far edge, which a fabric the least bit short does not give. It is so
    in `pieces` pieces of these fabrics.
    """

    parts: tuple[Fraction, ...]
    lost: Need
    fabrics: tuple[str, ...]
    pieces: int

    def in_words(self, lost: str, units: Units) -> str:
        """The division in a sentence; `lost` is what that piece is called.

        A rounded sum is never said to be exact.
        """
        parts = " + ".join(
            format_length(part, units) if times == 1 else f"{times} × {format_length(part, units)}"
            for part, times in Counter(self.parts).items()
        )
        total = sum(self.parts, Fraction(0))
        as_written = all(_reads_back(length, units) for length in (*self.parts, total))
        says = "= {} exactly" if as_written else "just fits {}"
        where = self.fabrics[0] if len(self.fabrics) == 1 else f"{len(self.fabrics)} fabrics"
        filled = says.format(format_length(total, units))
        return f"{parts} {filled}, in {where}. If you cut wide, you lose {lost} first."


def tight_divisions(plan: CuttingPlan) -> list[Tight]:
    """Divisions at zero margin, those in most pieces first. Source: docs/trade.md section 4."""
    found: dict[tuple[tuple[Fraction, ...], Need], dict[str, int]] = {}
    in_sets = plan.problem.strip_sets
    for layout in map(_in_segments, plan.layouts) if in_sets else plan.layouts:
        name = layout.fabric.name
        for key in {*_full(layout, across=True), *_full(layout, across=False)}:
            pieces = found.setdefault(key, {})
            pieces[name] = pieces.get(name, 0) + layout.copies
    tight = [Tight(*key, tuple(pieces), sum(pieces.values())) for key, pieces in found.items()]
    return sorted(tight, key=lambda t: (-t.pieces, t.parts, t.lost.label))


def tight_in_words(plan: CuttingPlan, units: Units, most: int) -> list[str]:
    """The worst of them as sentences; a label that stands for two needs is told by its role."""
    labels = Counter(need.label for need in plan.problem.needs)
    return [
        tight.in_words(
            f"{tight.lost.role} {shown(tight.lost.label)}"
            if labels[tight.lost.label] > 1
            else shown(tight.lost.label),
            units,
        )
        for tight in tight_divisions(plan)[:most]
    ]


def _in_segments(layout: Layout) -> Layout:
    """The whole strips of a layout as the segments that their sets are crosscut into."""
    cuts = []
    for strip in layout.cuts:
        long = strip.need.height
        along = strip.length == layout.fabric.length and strip.width == strip.need.width
        for place in range(strip.segments):
            ahead = place * long
            cuts.append(
                replace(strip, y=strip.y + ahead, length=long)
                if along
                else replace(strip, x=strip.x + ahead, width=long)
            )
    return replace(layout, cuts=tuple(cuts))


def _full(layout: Layout, across: bool) -> list[tuple[tuple[Fraction, ...], Need]]:
    """(lengths in order, piece at the edge) of each row of pieces that leaves nothing."""
    spans = [
        (c.x, c.x + c.width, c.y, c.y + c.length)
        if across
        else (c.y, c.y + c.length, c.x, c.x + c.width)
        for c in layout.cuts
    ]
    whole = layout.fabric.width if across else layout.fabric.length
    found = []
    for number, (_, end, *_) in enumerate(spans):
        if end == whole:
            row = [number]
            while spans[row[0]][0] > 0:
                here = spans[row[0]]
                before = [n for n, s in enumerate(spans) if s[1] == here[0] and _meet(s, here)]
                if not before:
                    break
                row.insert(0, before[0])
            # A strip that is as wide as its piece was not divided.
            if spans[row[0]][0] == 0 and len(row) > 1:
                parts = tuple(spans[n][1] - spans[n][0] for n in row)
                found.append((parts, layout.cuts[number].need))
    return found


def _meet(
    one: tuple[Fraction, Fraction, Fraction, Fraction],
    other: tuple[Fraction, Fraction, Fraction, Fraction],
) -> bool:
    return one[2] < other[3] and other[2] < one[3]


def _reads_back(length: Fraction, units: Units) -> bool:
    """Whether a length is written exactly."""
    written = format_length(length, units)
    return "≈" not in written and parse_length(written, units) == length
