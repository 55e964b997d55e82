"""A centre with the border that makes it come out, and pieced keys round it; measured on tape."""

from fractions import Fraction

from kersey.core.frame.borders import Corners
from kersey.core.frame.fitting import FittedBorder
from kersey.core.frame.keys import Keys
from kersey.core.measure.length import Units, format_length, format_size
from kersey.drawing.svg import box_path, element, number, picture, rect, text
from kersey.drawing.tape import tape_across, tape_down

_GAP, _TAPE = 0.7, 2.3


def draw_fitted(fitted: FittedBorder, corners: Corners, sides_first: bool, units: Units) -> str:
    """The quilt as wanted, finished, its border parted as it is sewn."""
    s = fitted.seam
    width, length = (side - 2 * s for side in fitted.wanted)
    across, down = fitted.side_cut - 2 * s, fitted.end_cut - 2 * s
    inner = rect(across, down, width - 2 * across, length - 2 * down, class_="fitted-centre")
    middle = text(
        format_size(*fitted.measured, units),
        width / 2,
        length / 2,
        class_="fitted-words",
        font_size=_letter(width, length),
        text_anchor="middle",
    )
    border = rect(0, 0, width, length, class_="fitted-border")
    seams = element(
        "path",
        d=_seams(fitted, corners, sides_first),
        class_="fitted-seam",
        fill="none",
        stroke_width=0.25,
    )
    words = (
        f"A {format_size(*fitted.measured, units)} center with borders cut "
        f"{format_length(fitted.side_cut, units)} at the sides and "
        f"{format_length(fitted.end_cut, units)} above and below."
    )
    return _taped(width, length, border + inner + seams + middle, words, units)


def draw_keys(body: tuple[Fraction, Fraction], keys: Keys, units: Units) -> str:
    """The body, its spacer, and every key."""
    around = [keys.corner + spacer for spacer in (keys.spacer_sides, keys.spacer_ends)]
    width, length = body[0] + 2 * around[0], body[1] + 2 * around[1]
    parts = [
        rect(0, 0, width, length, class_="fitted-border"),
        rect(
            keys.corner,
            keys.corner,
            width - 2 * keys.corner,
            length - 2 * keys.corner,
            class_="fitted-spacer",
        ),
        rect(around[0], around[1], *body, class_="fitted-centre"),
        element("path", d=_every_second(keys, width, length), class_="fitted-key"),
        element(
            "path",
            d="".join(
                box_path(x, y, keys.corner, keys.corner)
                for x in (Fraction(0), width - keys.corner)
                for y in (Fraction(0), length - keys.corner)
            ),
            class_="fitted-corner",
        ),
    ]
    words = f"{keys.count} piano keys, {format_length(keys.key, units)} wide, around a quilt."
    return _taped(width, length, "".join(parts), words, units)


def _every_second(keys: Keys, width: Fraction, length: Fraction) -> str:
    """The dark ones: every second key, beginning beside a corner."""
    k, deep = keys.key, keys.corner
    across = [deep + n * k for n in range(0, keys.along_width, 2)]
    down = [deep + n * k for n in range(0, keys.along_length, 2)]
    return "".join(
        [box_path(x, y, k, deep) for x in across for y in (Fraction(0), length - deep)]
        + [box_path(x, y, deep, k) for y in down for x in (Fraction(0), width - deep)]
    )


def _seams(fitted: FittedBorder, corners: Corners, sides_first: bool) -> str:
    s = fitted.seam
    width, length = (side - 2 * s for side in fitted.wanted)
    w, h = fitted.side_cut - 2 * s, fitted.end_cut - 2 * s
    if corners is Corners.MITRED:
        return "".join(
            f"M{number(x)} {number(y)}l{number(w * dx)} {number(h * dy)}"
            for x, dx in ((Fraction(0), 1), (width, -1))
            for y, dy in ((Fraction(0), 1), (length, -1))
        )
    across = "".join(f"M0 {number(y)}h{number(width)}" for y in (h, length - h))
    down = "".join(f"M{number(x)} 0v{number(length)}" for x in (w, width - w))
    if corners is Corners.SQUARES:
        return across + down
    return across if sides_first else down


def _letter(width: Fraction, length: Fraction) -> float:
    return float(min(width, length)) / 12


def _taped(width: Fraction, length: Fraction, drawn: str, words: str, units: Units) -> str:
    tapes = tape_across(0, -_GAP, width, _TAPE, units) + tape_down(-_GAP, 0, length, _TAPE, units)
    room = _TAPE + _GAP + 0.5
    return picture(
        -room,
        -room,
        float(width) + room + 1,
        float(length) + room + 1,
        drawn,
        tapes,
        label=words,
        class_="fitted-drawing",
    )
