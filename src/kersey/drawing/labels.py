"""Pages of labels, and single ones: drawn in inches, to their true size."""

from collections.abc import Sequence
from fractions import Fraction

from kersey.core.measure.length import Units, format_size
from kersey.core.work.labels import KitLabel, LabelSheet, PileLabel
from kersey.drawing.svg import element, number, rect, text

Label = PileLabel | KitLabel
_PX_AN_INCH = 96
# So much of a label is left free round its words; lines of a kit stand so far apart at most.
_PAD, _LINE = 0.09, 0.17


def draw_page(sheet: LabelSheet, labels: Sequence[Label], units: Units, first: int = 0) -> str:
    """One page, its labels from the place `first` on."""
    places = list(sheet.places())[first : first + len(labels)]
    drawn = (
        element(
            "g",
            _label(label, float(sheet.width), float(sheet.height), units),
            transform=f"translate({number(x)} {number(y)})",
        )
        for (x, y), label in zip(places, labels, strict=False)
    )
    return _svg(sheet.paper_width, sheet.paper_length, "One page of labels.", *drawn)


def draw_label(
    label: Label, width: Fraction, height: Fraction, units: Units, larger: int = 1
) -> str:
    """One label alone, for a printer of single labels: so many times as many pixels."""
    words = _label(label, float(width), float(height), units)
    return _svg(
        width, height, "A label.", rect(0, 0, width, height, fill="#ffffff"), words, larger=larger
    )


def _svg(width: Fraction, length: Fraction, label: str, *children: str, larger: int = 1) -> str:
    px = _PX_AN_INCH * larger
    return element(
        "svg",
        *children,
        xmlns="http" + "://www.w3.org/2000/svg",
        viewBox=f"0 0 {number(width)} {number(length)}",
        width=number(width * px),
        height=number(length * px),
        role="img",
        aria_label=label,
        class_="label-page",
        font_family="Source Sans 3, Source Sans VF, sans-serif",
        fill="#1c2733",
    )


def _label(label: Label, width: float, height: float, units: Units) -> str:
    edge = rect(
        0, 0, width, height, fill="none", stroke="#b9c0c0", stroke_width=0.008, class_="label-edge"
    )
    if isinstance(label, PileLabel):
        return edge + _pile(label, width, height, units)
    return edge + _kit(label, width, height)


def _pile(label: PileLabel, width: float, height: float, units: Units) -> str:
    """The code large, its size and count beside it, print and blocks below."""
    large = height * 0.42
    size = format_size(label.need.width, label.need.height, units)
    lines = [
        text(label.code, _PAD, _PAD + large * 0.78, font_size=large, font_weight=800),
        text(
            f"{label.count} × {size}",
            width - _PAD,
            _PAD + large * 0.5,
            font_size=_fit(f"{label.count} × {size}", width * 0.62, large * 0.5),
            font_weight=650,
            text_anchor="end",
        ),
        text(
            label.print_name,
            _PAD,
            height * 0.72,
            font_size=_fit(label.print_name, width - 2 * _PAD, height * 0.17),
        ),
    ]
    return "".join(lines) + _blocks(label.blocks, width, height)


def _blocks(blocks: Sequence[str], width: float, height: float) -> str:
    """The numbers of the blocks, as many as there is room for."""
    size = height * 0.13
    room = int((width - 2 * _PAD) / (size * 0.5))
    words = ", ".join(blocks)
    if len(words) > room:
        shown = [
            name for n, name in enumerate(blocks) if len(", ".join(blocks[: n + 1])) < room - 9
        ]
        words = f"{', '.join(shown)} and {len(blocks) - len(shown)} more"
    return text(words, _PAD, height - _PAD, font_size=size)


def _kit(label: KitLabel, width: float, height: float) -> str:
    """The blocks large, below them the pieces print by print."""
    large = min(height * 0.3, 0.4)
    title = ", ".join(label.blocks)
    parts = [
        text(
            title,
            _PAD,
            _PAD + large * 0.78,
            font_size=_fit(title, width - 2 * _PAD, large),
            font_weight=800,
        )
    ]
    room = height - 2 * _PAD - large
    line = min(_LINE, room / max(1, -(-len(label.pieces) // 2)))
    columns = 1 if line == _LINE and len(label.pieces) * _LINE <= room else 2
    if columns == 1:
        line = min(_LINE, room / max(1, len(label.pieces)))
    rows = -(-len(label.pieces) // columns)
    for n, (name, codes) in enumerate(label.pieces):
        column, row = divmod(n, rows)
        wide = (width - 2 * _PAD) / columns
        words = f"{codes}  {name}"
        parts.append(
            text(
                words,
                _PAD + column * wide,
                _PAD + large + (row + 0.8) * line,
                font_size=_fit(words, wide * 0.96, line * 0.8),
            )
        )
    return "".join(parts)


def _fit(words: str, room: float, size: float) -> float:
    """The size of type in which words are no wider than there is room; half an em a letter."""
    return min(size, room / max(1.0, len(words) * 0.5))
