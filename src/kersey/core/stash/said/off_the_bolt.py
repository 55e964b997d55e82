"""Phrases of cloth off the bolt: so much of a length, so many lengths, a width by a length."""

import re
from collections.abc import Sequence
from fractions import Fraction

from kersey.core.cloth.forms import Form
from kersey.core.measure.length import CENTIMETRE, FOOT, INCH, METRE, YARD, Units
from kersey.core.stash.said.facts import LotFacts, Row
from kersey.core.stash.said.tokens import Token
from kersey.core.stash.said.words import Sort

# A bare number behind a length of cloth is its width only if cloth comes so wide.
NARROWEST_BOLT = Fraction(30)
# An eighth of a yard: what is called a cut and is shorter is no length of cloth.
_SHORTEST_CUT = Fraction(9, 2)


def whole_number(token: Token) -> int | None:
    """The count a token says; None where it is a fraction, or more than anybody counts."""
    return int(token.value) if token.is_whole and token.value <= 9_999_999 else None


def understand_cut_lengths(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    """ "10 half yards", "6 x 1/4 yd", "6 1/2 yd cuts", "half yard bundle of 6": so many lengths."""
    said = row.said
    if said.length is not None or said.count is not None or said.form not in {None, Form.BACKING}:
        return None
    numbers = [token for token in tokens if token.sort is Sort.NUMBER]
    unit = next(t for t in tokens if t.sort in {Sort.CLOTH_UNIT, Sort.LENGTH_UNIT})
    if unit.sort is Sort.LENGTH_UNIT and numbers[-1].value * unit.value < _SHORTEST_CUT:
        return None
    if any(t.sort is Sort.PACK for t in tokens) or tokens[-1].sort is Sort.NUMBER:
        length, count = numbers[0].value, whole_number(numbers[-1])
        if len(numbers) == 1:
            # How many are in it is not known by the word.
            said.form, said.length = Form.YARDAGE, length * unit.value
            said.rolls, said.bought_in = 1, shop_units(unit)
            return "lengths of cloth"
    elif len(numbers) == 2:
        count, length = whole_number(numbers[0]), numbers[1].value
    elif numbers[0].parts is not None and tokens[-1].text.lower().endswith("s"):
        count, length = int(numbers[0].parts[0]), numbers[0].parts[1]
        said.several_cuts = True
    else:
        count, length = 1, numbers[0].value
    if count is None:
        return None
    said.form = said.form or Form.YARDAGE
    said.count, said.length = count, length * unit.value
    said.bought_in = shop_units(unit)
    said.one_each |= count == 1 and tokens[-1].text.lower() == "cuts"
    return "lengths of cloth"


def understand_cloth(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    """ "2 1/4 yd", "1 yd 12 in", "1 m 30 cm", "1m20": so much off the bolt."""
    said = row.said
    cut = said.form is Form.PIECE and said.width is None
    if said.length is not None or not (cut or said.form in {None, Form.BACKING, Form.BATTING}):
        return None
    joined = [token.text.lower() for token in tokens if token.sort is Sort.BREAK]
    if any(text not in {"+", "&", "and", "plus"} for text in joined):
        return None
    tokens = [token for token in tokens if token.sort is not Sort.BREAK]
    unit = next(token for token in tokens if token.sort is Sort.CLOTH_UNIT)
    length = tokens[0].value * unit.value
    if unit.parts is not None:
        length += sum(unit.parts) * unit.value - (length if tokens[0] is unit else 0)
    if len(tokens) > 2:
        more = _rest_of(tokens)
        if more is None:
            return None
        length += more
    # "Half yards of navy and rust" are one of each.
    parts = tokens[0].text.isalpha() and tokens[0].value < 1
    said.one_each |= parts and tokens[-1].text.lower().endswith("s")
    said.form = Form.YARDAGE if cut else said.form or Form.YARDAGE
    said.length, said.bought_in = length, shop_units(unit)
    said.count = 1 if said.count is None else said.count
    return "length of cloth"


def shop_units(unit: Token) -> Units:
    """Whether a unit is the yard's system or the meter's."""
    return Units.INCHES if unit.value in {YARD, FOOT, INCH} else Units.CENTIMETRES


def _rest_of(tokens: Sequence[Token]) -> Fraction | None:
    """The inches, feet or centimetres behind yards or metres; None if it is a length of its own."""
    unit, number = tokens[1].value, tokens[2]
    if len(tokens) == 3:
        centimetres = unit == METRE and number.is_whole and len(number.text) == 2
        return number.value * CENTIMETRE if centimetres else None
    more = number.value * tokens[3].value
    same_system = (unit == YARD) == (tokens[3].value in {INCH, FOOT})
    return more if same_system and more < unit else None


def cloth_by_size(
    said: LotFacts, groups: list[Sequence[Token]], lengths: list[Fraction], count: int | None
) -> str:
    """ "42 x 2 yd" is width by length; "3/4 yd x 4" so many of them."""
    said.form, said.count = Form.YARDAGE, count or 1
    if len(groups) == 1:
        said.length = lengths[0]
        return "cloth"
    first_off, second_off = (off_the_bolt(group) for group in groups)
    times = whole_number(groups[1][0]) if len(groups[1]) == 1 else None
    if count is None and first_off and times and times < NARROWEST_BOLT:
        said.count, said.length, said.bought_in = times, lengths[0], shop_units(groups[0][1])
        return "lengths of cloth"
    if first_off and not second_off:
        lengths.reverse()
    elif not second_off:
        lengths.sort()
    said.width, said.length = lengths
    return "cloth"


def off_the_bolt(group: Sequence[Token]) -> bool:
    """Whether a length is said in yards or meters."""
    return len(group) > 1 and group[1].sort is Sort.CLOTH_UNIT
