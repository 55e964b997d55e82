"""The forms fabric comes in, with the size one takes for granted until it is measured.

Source: docs/trade.md section 1. Sizes are usable inches of one physical piece, width x length; a
length left out depends on the cloth (a strip and yardage are as wide as it is).
"""

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction

from kersey.core.errors import InvalidValue
from kersey.core.measure.counting import plural


class Form(StrEnum):
    """How a piece of fabric is cut when it comes home."""

    STRIP = "strip"
    SQUARE = "square"
    FAT_QUARTER = "fat-quarter"
    FAT_EIGHTH = "fat-eighth"
    YARDAGE = "yardage"
    PIECE = "piece"
    STRING = "string"
    TRIANGLE = "triangle"
    SCRAPS = "scraps"
    BACKING = "backing"
    BATTING = "batting"
    BLOCK = "block"


class BadPiece(InvalidValue):
    """A piece that its form cannot have."""


@dataclass(frozen=True)
class FormFacts:
    """What is known of a form: its words, usual size, limits, and the most pieces in a lot."""

    one: str
    many: str
    usual: tuple[Fraction | None, Fraction | None]
    narrowest: Fraction
    widest: Fraction
    longest: Fraction
    most: int
    example: str
    metric_example: str

    @property
    def counted(self) -> bool:
        """Whether its pieces are counted; yardage and scraps are said by length or weight."""
        return self.one != self.many


def _facts(
    one: str,
    usual: tuple[str, str],
    limits: tuple[str, str, str],
    most: int,
    example: str,
    metric_example: str,
) -> FormFacts:
    width, length = (Fraction(side) if side else None for side in usual)
    narrowest, widest, longest = (Fraction(limit) for limit in limits)
    return FormFacts(
        one, plural(one), (width, length), narrowest, widest, longest, most, example, metric_example
    )


# Squares: charm 5, mini 2 1/2, ten-inch 10. Fat quarters and eighths: what is left of 18 x 21 and
# 9 x 21 once selvedge and squaring are off. More strips than 600 are not laid out in one quilt.
FACTS = {
    Form.STRIP: _facts("strip", ("5/2", ""), ("3/4", "12", "120"), 600, "2 1/2 x 42", "6.5 x 107"),
    Form.SQUARE: _facts("square", ("5", "5"), ("1", "24", "24"), 5000, "5 x 5", "12.5 x 12.5"),
    Form.FAT_QUARTER: _facts(
        "fat quarter", ("35/2", "21"), ("10", "30", "30"), 2000, "17 1/2 x 21", "45 x 53"
    ),
    Form.FAT_EIGHTH: _facts(
        "fat eighth", ("17/2", "21"), ("5", "30", "30"), 2000, "8 1/2 x 21", "22 x 53"
    ),
    Form.YARDAGE: _facts(
        "yardage", ("", ""), ("10", "130", "3600"), 50, "42 x 2 1/4 yd", "107 x 2 m"
    ),
    Form.PIECE: _facts("piece", ("", ""), ("1/2", "130", "360"), 5000, "9 x 12", "23 x 30"),
    Form.STRING: _facts("string", ("3/2", ""), ("1/2", "4", "120"), 5000, "1 1/2 x 30", "4 x 75"),
    Form.TRIANGLE: _facts("triangle", ("", ""), ("1/2", "30", "30"), 5000, "2 x 2", "5 x 5"),
    Form.SCRAPS: _facts("scraps", ("", ""), ("0", "0", "0"), 1, "900 g", "900 g"),
    Form.BACKING: _facts("backing", ("", ""), ("18", "130", "400"), 50, "42 x 4 yd", "107 x 4 m"),
    Form.BLOCK: _facts("block", ("", ""), ("1", "130", "130"), 5000, "6 1/2", "16.5"),
    Form.BATTING: _facts("batting", ("", ""), ("10", "130", "400"), 50, "72 x 90", "180 x 230"),
}
# Forms of which the longer side is the length, whichever was said first.
_LONGER_THAN_WIDE = frozenset({Form.STRIP, Form.STRING})


def check_piece(form: Form, width: Fraction, length: Fraction) -> None:
    """Raise `BadPiece` unless one piece of this form can be so wide and long, in inches."""
    facts = FACTS[form]
    if form is Form.SCRAPS:
        return
    if not facts.narrowest <= width <= facts.widest or not 0 < length <= facts.longest:
        wide = facts.narrowest <= width <= facts.widest
        raise BadPiece(
            f"{_a(facts)} can be {_inches(facts.narrowest)} to {_inches(facts.widest)} wide and "
            f"up to {_inches(facts.longest)} long, like {facts.example}.",
            "length" if wide else "width",
        )
    if form in _LONGER_THAN_WIDE and length <= width:
        raise BadPiece(f"A {facts.one} is longer than it is wide, like {facts.example}.", "length")


def _a(facts: FormFacts) -> str:
    return f"A {facts.one}" if facts.counted else facts.one.capitalize()


def _inches(length: Fraction) -> str:
    return f"{float(length):g}″"
