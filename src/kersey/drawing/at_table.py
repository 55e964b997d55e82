"""The stack on the cutting table: what is cut is shaded, what comes next is outlined, and a line
lies where the blade goes along the ruler.

Strips lie one below the other as they are cut; once crosscuts begin they stand a little apart.
"""

from collections.abc import Collection, Mapping, Sequence
from fractions import Fraction

from kersey.core.cloth.fabric import Print
from kersey.core.cutting.problem import Cut, Layout, Need
from kersey.core.measure.length import Units, format_length
from kersey.core.work.at_table import Motion, TableCut, breadth, run, strips_in_order
from kersey.drawing.cloth import Cloths
from kersey.drawing.svg import element, number, picture, rect, text
from kersey.drawing.tape import tape_across, tape_down

_TAPE, _GAP = 0.9, 0.25
# So far strips stand apart once they are cut.
_APART = 0.35


def draw_at_table(
    cut: TableCut, done: Collection[TableCut], cloth: Print, codes: Mapping[Need, str], units: Units
) -> str:
    """The stack of this cut, with what is done to it already."""
    layout = cut.stack.layout
    strips = strips_in_order(layout)
    across, long = layout.fabric.width, layout.fabric.length
    if not layout.along:
        across, long = long, across
    own = [each for each in done if each.stack == cut.stack]
    stripped = {n for each in own if each.motion is Motion.STRIP for n in each.strips}
    cloths = Cloths()
    fill = cloths.fill(cloth, upright=not layout.along)
    parts, words, y = [], [], Fraction(0)
    apart = Fraction(_APART) if cut.motion is not Motion.STRIP else Fraction(0)
    for place, strip in enumerate(strips):
        wide = breadth(strip, layout)
        parts.append(rect(0, y, long, wide, fill=fill))
        state = "cut" if place in stripped and cut.motion is Motion.STRIP else ""
        parts.append(_strip_over(y, wide, long, state))
        words.append(_words_of(strip, y, wide, long, codes, state))
        if cut.motion is not Motion.STRIP:
            parts.append(_crosscuts(strip, layout, y, cut, own, place))
        if place in cut.strips and cut.motion is Motion.STRIP:
            parts.append(_blade_across(y, wide, long))
        y += wide + apart
    rest = across - sum((breadth(strip, layout) for strip in strips), Fraction(0))
    if rest > 0:
        parts += [rect(0, y, long, rest, fill=fill), rect(0, y, long, rest, class_="table-rest")]
        y += rest
    edge, wide_in, high = _TAPE + _GAP, float(long), float(y)
    tapes = tape_across(0, -_GAP, long, _TAPE, units, fine=True)
    if cut.motion is Motion.STRIP:
        tapes += tape_down(-_GAP, 0, across, _TAPE, units)
    return picture(
        -edge - 0.3,
        -edge - 0.3,
        wide_in + edge + 1.2,
        high + edge + 0.9,
        cloths.definitions,
        *parts,
        *words,
        tapes,
        class_="table-drawing",
        label=f"{format_length(long, units)} by {format_length(across, units)} of fabric: "
        f"{cut.motion.words} {format_length(cut.ruler, units)}.",
    )


def _strip_over(y: Fraction, wide: Fraction, long: Fraction, state: str) -> str:
    """What lies over a strip: its edge, and a shade where it is cut."""
    shade = rect(0, y, long, wide, class_="table-done") if state else ""
    return shade + rect(0, y, long, wide, class_="table-strip", fill="none")


def _words_of(
    strip: Sequence[Cut],
    y: Fraction,
    wide: Fraction,
    long: Fraction,
    codes: Mapping[Need, str],
    state: str,
) -> str:
    """The codes of the pieces of a strip, large in its middle."""
    words = ", ".join(dict.fromkeys(codes[cut.need] for cut in strip))
    size = float(min(wide, Fraction(2))) * 0.5
    return text(
        f"{words} {state}".strip(),
        long / 2,
        float(y + wide / 2) + size * 0.36,
        font_size=size,
        text_anchor="middle",
        class_="table-words",
    )


def _blade_across(y: Fraction, wide: Fraction, long: Fraction) -> str:
    """The strip that comes next, and the edge of the ruler along it."""
    line = f"M-0.4 {number(y + wide)}h{number(float(long) + 1.2)}"
    return rect(0, y, long, wide, class_="table-next", fill="none") + element(
        "path", d=line, class_="table-blade"
    )


def _crosscuts(
    strip: Sequence[Cut],
    layout: Layout,
    y: Fraction,
    cut: TableCut,
    own: Sequence[TableCut],
    place: int,
) -> str:
    """The pieces of a strip: those cut off are shaded, those to be cut now outlined."""
    lengths = {
        each.ruler for each in own if each.motion is Motion.CROSSCUT and place in each.strips
    }
    parts, x = [], Fraction(0)
    for each in strip:
        long = run(each, layout)
        wide = each.width if layout.along else each.length
        if cut.motion is Motion.TRIM:
            now = place in cut.strips and wide == cut.ruler
        else:
            now = place in cut.strips and long == cut.ruler
        name = "table-next" if now else "table-done" if long in lengths else "table-piece"
        parts.append(rect(x, y, long, wide, class_=name, fill=None if "done" in name else "none"))
        if now and cut.motion is Motion.CROSSCUT:
            blade = f"M{number(x + long)} {number(float(y) - 0.15)}v{number(float(wide) + 0.3)}"
            parts.append(element("path", d=blade, class_="table-blade"))
        x += long
    return "".join(parts)
