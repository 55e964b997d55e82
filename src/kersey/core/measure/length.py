"""Lengths: what people write, what a ruler reads.

A length is an exact `Fraction` of an inch everywhere in Kersey. People write it as

    2 1/2   2½   2-1/2   2.5   2.5"   2½″   2.5 in   6.5 cm   65mm   1 yd   1/2 yard   0.5 m

and read it back in one of three ways:

    format_length   as a ruler reads it: ``2½″``, ``2 11⁄16″``, ``6.35 cm``; a length between two
                    marks of the ruler exactly where it is a plain fraction (``1 5⁄6″``), else
                    with ``≈``
    write_length    exactly, as it may be typed again: ``0.635 cm`` is a quarter inch
    format_bought   as it is bought: in yards to the eighth (``3⅛ yd``) or metres
"""

import math
import re
from collections.abc import Sequence
from enum import StrEnum
from fractions import Fraction
from functools import lru_cache

from kersey.core.errors import InvalidValue

QUARTER = Fraction(1, 4)
HALF = Fraction(1, 2)
EIGHTH = Fraction(1, 8)
# Rotary rulers are marked to the eighth, good ones to the sixteenth; nobody cuts finer.
SIXTEENTH = Fraction(1, 16)

INCH = Fraction(1)
FOOT = Fraction(12)
YARD = Fraction(36)
CENTIMETRE = Fraction(50, 127)
MILLIMETRE = CENTIMETRE / 10
METRE = CENTIMETRE * 100
# The finest that can be read off a metric ruler.
HALF_MILLIMETRE = MILLIMETRE / 2
# Nobody sees a quarter of a millimetre on a ruler: a reading so near is the length.
_NOT_SEEN = MILLIMETRE / 4
# A fraction of inches that people know by sight though no ruler has it: thirds, fifths, sixths.
_PLAIN_FRACTION = 12
_MOST_PLACES = 6
_LONGEST_FRACTION = 9999

_GLYPHS = {
    Fraction(1, 8): "⅛",
    Fraction(1, 4): "¼",
    Fraction(3, 8): "⅜",
    Fraction(1, 2): "½",
    Fraction(5, 8): "⅝",
    Fraction(3, 4): "¾",
    Fraction(7, 8): "⅞",
}
FRACTION_GLYPHS = {glyph: value for value, glyph in _GLYPHS.items()} | {
    "⅓": Fraction(1, 3),
    "⅔": Fraction(2, 3),
}
_UNIT_WORDS = {
    INCH: ("inches", "inch", "in.", "in", '"', "″", "”", "''"),
    FOOT: ("feet", "foot", "ft"),
    YARD: ("yards", "yard", "yds", "yd"),
    CENTIMETRE: ("centimetres", "centimetre", "centimeters", "centimeter", "cm"),
    MILLIMETRE: ("millimetres", "millimetre", "millimeters", "millimeter", "mm"),
    METRE: ("metres", "metre", "meters", "meter", "m"),
}
_UNIT_OF_WORD = {word: unit for unit, words in _UNIT_WORDS.items() for word in words}

_FRACTION = r"\d{1,4}\s*[/⁄]\s*\d{1,4}"
_GLYPH = f"[{''.join(FRACTION_GLYPHS)}]"
# A number as it is written; longest reading first, so that "2 1/2" is not read as "2".
NUMBER_PATTERN = (
    rf"(?:\d{{1,6}}(?:\s+|-|\s*-\s*)(?:{_FRACTION})|{_FRACTION}|\d{{1,6}}\s*-?\s*{_GLYPH}|{_GLYPH}"
    r"|\d{1,6}[.,]\d{1,6}|[.,]\d{1,6}|\d{1,6})"
)
# A unit, not followed by a letter: "in" must not be read out of "into".
UNIT_PATTERN = (
    "(?:"
    + "|".join(re.escape(w) for w in sorted(_UNIT_OF_WORD, key=len, reverse=True))
    + r")(?![A-Za-z])"
)
_LENGTH = re.compile(rf"(?P<number>{NUMBER_PATTERN})\s*(?P<unit>{UNIT_PATTERN})?", re.IGNORECASE)
_MIXED = re.compile(r"(?:(?P<whole>\d+)[\s-]+)?(?P<top>\d+)\s*[/⁄]\s*(?P<bottom>\d+)")
_LONGEST_TEXT = 40


class Units(StrEnum):
    """How a person thinks: bare numbers are read, and lengths written, in these."""

    INCHES = "in"
    CENTIMETRES = "cm"


class NotALength(InvalidValue):
    """A text that cannot be read as a length."""

    def __init__(self, text: str, units: Units) -> None:
        self.text = text
        example = "2 1/2, 2.5″ or 6.5 cm" if units is Units.INCHES else "6.5, 65 mm or 2 1/2 in"
        shown = text if len(text) <= _LONGEST_TEXT else text[:_LONGEST_TEXT] + "…"
        said = f"“{shown}” isn't a length" if shown else "Type a length"
        super().__init__(f"{said}. Type it like {example}.")


def parse_length(text: str, units: Units = Units.INCHES) -> Fraction:
    """Read a length as people write it.

    A number without a unit is taken in `units`. Returns inches, exact, zero or more.
    Raises `NotALength` with an example for anything else.

    >>> parse_length("2 1/2"), parse_length("6.5 cm"), parse_length("1/2 yard")
    (Fraction(5, 2), Fraction(325, 127), Fraction(18, 1))
    """
    tidy = " ".join(text.split())
    match = _LENGTH.fullmatch(tidy) if len(tidy) <= _LONGEST_TEXT else None
    if match is None:
        raise NotALength(tidy, units)
    number = _number(match["number"])
    if number is None:
        raise NotALength(tidy, units)
    return number * _unit(match["unit"], units)


def round_up_to(step: Fraction, length: Fraction) -> Fraction:
    """The smallest whole number of `step` that is not less than `length`.

    >>> round_up_to(EIGHTH, Fraction(109, 36))
    Fraction(25, 8)
    """
    return math.ceil(length / step) * step


def round_to(step: Fraction, length: Fraction) -> Fraction:
    """The whole number of `step` nearest to `length`, the larger one from halfway.

    >>> round_to(SIXTEENTH, Fraction(325, 127))
    Fraction(41, 16)
    """
    return math.floor(length / step + Fraction(1, 2)) * step


# Lists show the same few lengths again and again.
@lru_cache(maxsize=4096)
def format_number(length: Fraction, units: Units = Units.INCHES) -> str:
    """A length as a ruler reads it, without its unit mark; see above for one between its marks.

    >>> format_number(Fraction(5, 2)), format_number(Fraction(43, 16))
    ('2½', '2 11⁄16')
    >>> format_number(Fraction(11, 6)), format_number(Fraction(6725, 1000))
    ('1 5⁄6', '≈ 6¾')
    >>> format_number(Fraction(5, 2), Units.CENTIMETRES)
    '6.35'
    """
    if units is Units.CENTIMETRES:
        return _decimal(round_to(HALF_MILLIMETRE, length) / CENTIMETRE)
    reading = round_to(SIXTEENTH, length)
    if abs(reading - length) <= _NOT_SEEN:
        return _mixed(reading)
    return _mixed(length) if length.denominator <= _PLAIN_FRACTION else f"≈ {_mixed(reading)}"


def on_ruler(length: Fraction, units: Units = Units.INCHES) -> bool:
    """Whether a ruler of these units has a mark just there.

    >>> on_ruler(Fraction(29, 16)), on_ruler(Fraction(11, 6))
    (True, False)
    """
    return length % (HALF_MILLIMETRE if units is Units.CENTIMETRES else SIXTEENTH) == 0


def safe_cut(length: Fraction, units: Units = Units.INCHES) -> Fraction:
    """The next mark of the ruler that is not too short: a piece cut so can be trimmed.

    >>> safe_cut(Fraction(11, 6))
    Fraction(15, 8)
    """
    return round_up_to(MILLIMETRE if units is Units.CENTIMETRES else EIGHTH, length)


def format_length(length: Fraction, units: Units = Units.INCHES) -> str:
    """A length as a ruler reads it, with its unit mark.

    >>> format_length(Fraction(5, 2)), format_length(Fraction(5, 2), Units.CENTIMETRES)
    ('2½″', '6.35 cm')
    """
    mark = "″" if units is Units.INCHES else " cm"
    return format_number(length, units) + mark


def write_length(length: Fraction, units: Units = Units.INCHES) -> str:
    """A length exactly, as it can be typed and read back by `parse_length` to the last bit.

    In the person's units where they write it exactly, else in those it was thought in. For every
    length that can be typed, ``parse_length(write_length(x, units), units) == x``.

    >>> write_length(Fraction(5, 2)), write_length(Fraction(1, 4), Units.CENTIMETRES)
    ('2½″', '0.635 cm')
    >>> write_length(parse_length("6.5 cm")), write_length(Fraction(11, 6))
    ('6.5 cm', '1 5⁄6″')
    """
    own, other = ("″", INCH), (" cm", CENTIMETRE)
    if units is Units.CENTIMETRES:
        own, other = other, own
    marks = (own, other, (" mm", MILLIMETRE), (" m", METRE), (" yd", YARD), (" ft", FOOT))
    # A ruler's fraction or a short decimal in any unit, before a fraction no ruler has.
    for write in (_written_short, _written_long):
        for mark, unit in marks:
            text = write(length / unit, unit in {INCH, YARD, FOOT})
            if text is not None:
                return text + mark
    return f"{length.numerator}/{length.denominator}″"


def format_size(width: Fraction, length: Fraction, units: Units = Units.INCHES) -> str:
    """Width by length, the unit said once.

    >>> format_size(Fraction(5, 2), Fraction(42)), format_size(Fraction(6725, 1000), Fraction(9))
    ('2½ × 42″', '≈ 6¾ × 9″')
    """
    return format_sides(width, length, units) + ("″" if units is Units.INCHES else " cm")


def format_sides(width: Fraction, length: Fraction, units: Units = Units.INCHES) -> str:
    """Width by length without a unit; where one of them is near only, that is said once, first.

    >>> format_sides(Fraction(6725, 1000), Fraction(9))
    '≈ 6¾ × 9'
    """
    about = "≈ "
    sides = format_number(width, units), format_number(length, units)
    if any(side.startswith(about) for side in sides):
        return about + " × ".join(side.removeprefix(about) for side in sides)
    return " × ".join(sides)


def bought_length(length: Fraction, units: Units = Units.INCHES) -> Fraction:
    """A length of cloth as shops cut it: rounded up to 1/8 yard, or to 10 cm.

    Source: docs/trade.md section 6, backing.

    >>> bought_length(Fraction(109))
    Fraction(225, 2)
    """
    step = YARD / 8 if units is Units.INCHES else CENTIMETRE * 10
    return round_up_to(step, length)


def format_bought(length: Fraction, units: Units = Units.INCHES) -> str:
    """A length of cloth as one asks for it in a shop, in yards or metres.

    >>> format_bought(Fraction(109)), format_bought(Fraction(109), Units.CENTIMETRES)
    ('3⅛ yd', '2.8 m')
    """
    bought = bought_length(length, units)
    if units is Units.INCHES:
        return f"{_mixed(bought / YARD)} yd"
    return f"{_decimal(bought / METRE)} m"


def format_yardage(length: Fraction, units: Units = Units.INCHES) -> str:
    """How long fabric is: in yards or meters where shops cut it so, else by the ruler.

    >>> format_yardage(Fraction(81)), format_yardage(Fraction(40))
    ('2¼ yd', '40″')
    """
    if length and bought_length(length, units) == length:
        return format_bought(length, units)
    return format_length(length, units)


def format_area(area: Fraction, units: Units = Units.INCHES, beside: Fraction | None = None) -> str:
    """An area of cloth in square yards or square metres, a small one in inches or centimetres.

    Areas that are compared take the unit of the largest of them, given as `beside`.

    >>> format_area(Fraction(4200)), format_area(Fraction(4200), Units.CENTIMETRES)
    ('3.2 sq yd', '2.7 m²')
    >>> format_area(Fraction(105)), format_area(Fraction(105), Units.CENTIMETRES)
    ('105 sq in', '677 cm²')
    >>> format_area(Fraction(210), beside=Fraction(4200))
    '0.2 sq yd'
    """
    large, small = (YARD, Fraction(1)) if units is Units.INCHES else (METRE, CENTIMETRE)
    names = ("sq yd", "sq in") if units is Units.INCHES else ("m²", "cm²")
    if abs(area if beside is None else beside) >= large**2:
        return f"{float(area / large**2):.1f} {names[0]}"
    return f"{round(area / small**2)} {names[1]}"


def format_areas(
    whole: Fraction, parts: Sequence[Fraction], units: Units = Units.INCHES
) -> list[str]:
    """The parts of an area in the unit of the whole, rounded so that they add up as it is shown.

    Each is rounded down, and those that lose most by it are then given back what is missing.

    >>> format_areas(Fraction(28534, 100) * 1000, [Fraction(300), Fraction(284900), Fraction(140)])
    ['0.3 sq yd', '219.8 sq yd', '0.1 sq yd']
    """
    large = (YARD if units is Units.INCHES else METRE) ** 2
    small = Fraction(1) if units is Units.INCHES else CENTIMETRE**2
    step = large / 10 if abs(whole) >= large else small
    steps = [math.floor(part / step) for part in parts]
    missing = math.floor(whole / step + Fraction(1, 2)) - sum(steps)
    most_lost = sorted(range(len(parts)), key=lambda n: steps[n] - parts[n] / step)
    for n in most_lost[: max(0, missing)]:
        steps[n] += 1
    return [format_area(count * step, units, whole) for count in steps]


def format_run(length: Fraction, units: Units = Units.INCHES) -> str:
    """How long many strips are together, in yards or metres, to a tenth.

    >>> format_run(Fraction(1680)), format_run(Fraction(1680), Units.CENTIMETRES)
    ('46.7 yd', '42.7 m')
    """
    if units is Units.INCHES:
        return f"{float(length / YARD):.1f} yd"
    return f"{float(length / METRE):.1f} m"


def _number(text: str) -> Fraction | None:
    glyph = next((g for g in FRACTION_GLYPHS if g in text), None)
    if glyph is not None:
        whole = text.replace(glyph, "").strip(" -")
        return Fraction(whole or 0) + FRACTION_GLYPHS[glyph]
    mixed = _MIXED.fullmatch(text)
    if mixed is None:
        return Fraction(text.replace(",", "."))
    if int(mixed["bottom"]) == 0:
        return None
    return Fraction(mixed["whole"] or 0) + Fraction(int(mixed["top"]), int(mixed["bottom"]))


def unit_of_word(word: str) -> Fraction:
    """How many inches the unit is that a word stands for.

    >>> unit_of_word("yds")
    Fraction(36, 1)
    """
    return _UNIT_OF_WORD[word.lower()]


def _unit(word: str | None, units: Units) -> Fraction:
    if word is None:
        return INCH if units is Units.INCHES else CENTIMETRE
    return unit_of_word(word)


def _mixed(number: Fraction) -> str:
    whole, part = divmod(number, 1)
    if part == 0:
        return str(whole)
    glyph = _GLYPHS.get(part)
    if glyph is not None:
        return f"{whole}{glyph}" if whole else glyph
    fraction = f"{part.numerator}⁄{part.denominator}"
    return f"{whole} {fraction}" if whole else fraction


def _decimal(number: Fraction) -> str:
    return f"{float(number):.2f}".rstrip("0").rstrip(".")


def _written_short(number: Fraction, in_fractions: bool) -> str | None:
    """A number as a fraction of a ruler or a decimal, exactly; None if it is neither."""
    if in_fractions and (64 % number.denominator == 0 or number.denominator <= _PLAIN_FRACTION):
        return _mixed(number)
    scaled = number * 10**_MOST_PLACES
    if scaled.denominator > 1:
        return None
    whole, rest = divmod(int(scaled), 10**_MOST_PLACES)
    return f"{whole}.{rest:0{_MOST_PLACES}d}".rstrip("0").rstrip(".")


def _written_long(number: Fraction, _: bool) -> str | None:
    """A number as any fraction that can be typed; None if it has too many digits for that."""
    return _mixed(number) if number.denominator <= _LONGEST_FRACTION else None
