"""A line as tokens: numbers, units, and words of a known sort, with every letter accounted for.

    12 light fat quarters    N V F          2 1/4 yd charcoal        N Y h
    40 2.5 x WOF strips      N N B W F      9 strings 1 1/2 x 30     N F N B N

A unit is one only behind a number: the "in" of "40 in 20 prints" is none.
"""

import re
from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.measure.length import FRACTION_GLYPHS, METRE, UNIT_PATTERN, YARD, unit_of_word
from kersey.core.stash.said.words import (
    HUNDREDS,
    NUMBER_WORD,
    NUMBER_WORDS,
    WORD_PATTERNS,
    Sort,
    colour_word,
)

GRAMS = {
    "g": Fraction(1),
    "kg": Fraction(1000),
    "oz": Fraction(2835, 100),
    "lb": Fraction(45359, 100),
}
_WEIGHT_WORDS = {
    "g": "g", "gr": "g", "gm": "g", "gms": "g", "gram": "g", "grams": "g", "gramme": "g",
    "grammes": "g", "kg": "kg", "kgs": "kg", "kilo": "kg", "kilos": "kg", "kilogram": "kg",
    "kilograms": "kg", "oz": "oz", "ounce": "oz", "ounces": "oz", "lb": "lb", "lbs": "lb",
    "pound": "lb", "pounds": "lb",
}  # fmt: skip
_LONG_FIRST = sorted(_WEIGHT_WORDS, key=len, reverse=True)
_WEIGHT = re.compile(rf"[\s-]*({'|'.join(_LONG_FIRST)})(?![\w'’])", re.IGNORECASE)
_UNIT = re.compile(
    rf"[\s-]*({UNIT_PATTERN})(?:\s+and\s+(?:a\s+(?P<half>half)|a\s+(?P<quarter>quarter))\b)?",
    re.IGNORECASE,
)
# "5/8 of a yard".
_OF_A_UNIT = re.compile(r"\s*of\s+an?\s+(yard|yd|met(?:re|er))\b", re.IGNORECASE)
# "1m20" is a metre and twenty: the unit may stand before a digit.
_METRE_AND = re.compile(r"\s*(m)(?=\d{2}(?!\d))", re.IGNORECASE)
_IN_SO_MANY = re.compile(
    r"\s+in\s+(?:\d+|[a-z-]+)\s+(?:different\s+)?(?:prints|fabrics|designs|colou?rs)\b",
    re.IGNORECASE,
)

_GLYPH = f"[{''.join(FRACTION_GLYPHS)}]"
_NUMBER = re.compile(
    rf"(?P<whole>\d{{1,6}})(?:\s*-\s*|\s+)?(?P<glyph>{_GLYPH})|(?P<lone>{_GLYPH})"
    r"|(?P<mixed>\d{1,6})(?:\s*-\s*|\s+)(?P<top>\d{1,4})\s*[/⁄]\s*(?P<bottom>\d{1,4})(?!\d)"
    r"|(?P<ftop>\d{1,4})\s*[/⁄]\s*(?P<fbottom>\d{1,4})(?!\d)"
    r"|(?P<decimal>\d{1,6}[.,]\d{1,6}|\.\d{1,6})(?![\d/⁄])"
    r"|(?![49][\s-]patch)(?P<digits>\d{1,7})"
)
_THOUSANDS = re.compile(r"\d{1,3}(?:[.,]\d{3})+(?![\d.,])")
_PARTS = {
    "half": 2, "halve": 2, "third": 3, "quarter": 4, "fourth": 4, "fifth": 5, "sixth": 6,
    "seventh": 7, "eighth": 8,
}  # fmt: skip
_PART = re.compile(
    r"(?:(?P<top>an?|one|two|three|four|five|six|seven)[\s-]+)?"
    r"(?P<part>half|halves|(?:third|quarter|fourth|fifth|sixth|seventh|eighth)s?)"
    r"(?:(?=(?:\s+of)?(?:\s+an?)?[\s-]+"
    r"(?:yards?|yds?|met(?:re|er)s?|dozen|inch(?:es)?|rolls?|packs?|strip\s+rolls?)\b)"
    r"(?:\s+of)?(?:\s+an?\b)?|(?=\s+(?:(?:of\s+)?them\s+)?(?:are\s+)?(?:light|medium|dark)s?\b))",
    re.IGNORECASE,
)
# "yard and a half": one of them.
_A_YARD = re.compile(
    r"(yard|yd|met(?:re|er))(?:\s+and\s+an?\s+(half|quarter)\b|(?=\s+of\b))", re.IGNORECASE
)
_ONE = re.compile(
    r"an?(?=\s+(?:yard|met(?:re|er)|pound|ounce|kilo|dozen|fat\s+(?:quarter|eighth)|strip\b|"
    r"charm\s+pack|square\b))",
    re.IGNORECASE,
)
_AND_A_HALF = re.compile(
    rf"\s+and\s+(?:(an?|one|two|three|five|seven)\s+(half|(?:quarter|third|eighth)s?)|(\d{{1,2}})[/⁄](\d{{1,2}})|({_GLYPH}))\b",
    re.IGNORECASE,
)
_OF_CLOTH = re.compile(r"\s*(?:y(?:ar)?ds?|m|met(?:re|er)s?)\b", re.IGNORECASE)
_IN_IT = re.compile(r"-(?:piece|pc|count|ct)\b", re.IGNORECASE)
_DOZEN = re.compile(r"\s+(?:dozen|(pairs?\s+of))\b", re.IGNORECASE)
_A_COUPLE = re.compile(r"(?:a\s+)?couple(?:\s+of)?(?=\s)", re.IGNORECASE)
_A_DOZEN = re.compile(r"dozen\b", re.IGNORECASE)
_QUOTED = re.compile(r"[\"“](?=[^\"”]*[^\W\d_])([^\"”]{2,120})[\"”]")
_BY = re.compile(r"(?:x|×|\*)(?![A-Za-z])|x(?=wof\b)|by\b", re.IGNORECASE)
_SO_MANY_TIMES = re.compile(r"[x×*@](?=\s*\d)", re.IGNORECASE)
_TO = re.compile(r"to\b|–|—|-")
_BREAK = re.compile(r"[,;+&\n]")
_DASH = re.compile(r"[–—-](?=\s)")
_A_WORD = re.compile(r"[^\W\d_](?:[\w'’-]*[\w'’])?")
# Less than nothing, a division by it, a sign of no language: none of it is passed over.
_STRANGE = re.compile(r"-\d[\d.,/]*|\d[\d.,/⁄]*|[^\w\s():.,!?'\"*•\[\]#_|/·…’‘“”–—~-]")
_MONEY = r"(?:[$€£]\s*\d+(?:[.,]\d{1,2})?|\d+(?:[.,]\d{1,2})?\s*(?:[$€£]|dollars?|euros?))"
_PRICE = re.compile(
    rf"(?:(?:paid|cost|price|for|at)\s+)?{_MONEY}(?:\s*(?:each|apiece|a\s+(?:yard|piece)|per\s+\w+|/\s*\w+))?"
    r"|(?:paid|cost)\s+\d+(?:[.,]\d{1,2})?(?:\s+(?:each|apiece))?",
    re.IGNORECASE,
)
_PER_CENT = re.compile(r"100\s*%")
_BETWEEN, _AND = re.compile(r"\bbetween\b[^,;]*$", re.IGNORECASE), re.compile(r"and\b")
_SPACE = re.compile(r"\s+")


@dataclass(frozen=True)
class Token:
    """A stretch of the line from `start` to `end`, of one sort.

    `value` of a number; of a unit how many inches or grams it is. `parts` are the whole and the
    fraction of a number written as both; of a unit the part said behind it ("a yard and a half").
    """

    sort: Sort
    text: str
    start: int
    end: int
    value: Fraction = Fraction(0)
    parts: tuple[Fraction, Fraction] | None = None

    @property
    def is_whole(self) -> bool:
        """Whether it is a plain count."""
        return self.sort is Sort.NUMBER and self.value.denominator == 1 and self.parts is None


def tokens_of(line: str) -> list[Token]:
    """The tokens of a line, the spaces between them left out.

    >>> "".join(token.sort for token in tokens_of("two yards of navy"))
    'NYfh'
    """
    found: list[Token] = []
    position = 0
    while position < len(line):
        space = _SPACE.match(line, position)
        if space is not None and "\n" not in space[0]:
            position = space.end()
            continue
        token = _token_at(line, position, found[-1] if found else None)
        found.append(token)
        position = token.end
    return found


def _token_at(line: str, position: int, before: Token | None) -> Token:
    share = _PER_CENT.match(line, position)
    if share is not None:
        return Token(Sort.FILLER, share[0], position, share.end())
    price = _PRICE.match(line, position)
    if price is not None:
        return Token(Sort.PRICE, price[0], position, price.end())
    after_number = before is not None and before.sort is Sort.NUMBER
    after_by = before is not None and before.sort is Sort.BY
    token = (_unit(line, position) if after_number else None) or _number(line, position, after_by)
    if token is not None:
        return token
    yard = _A_YARD.match(line, position)
    if yard is not None:
        more = Fraction(1, _PARTS[yard[2].lower().rstrip("s")]) if yard[2] else Fraction(0)
        unit = unit_of_word(yard[1])
        return Token(Sort.CLOTH_UNIT, yard[0], position, yard.end(), unit, (Fraction(1), more))
    quoted = _QUOTED.match(line, position)
    if quoted is not None:
        return Token(Sort.QUOTED, quoted[0], position, quoted.end())
    return _word_or_mark(line, position, before)


def _unit(line: str, position: int) -> Token | None:
    """The unit behind a number."""
    if _IN_SO_MANY.match(f" {line[position:]}"):
        return None
    weight = _WEIGHT.match(line, position)
    if weight is not None:
        grams = GRAMS[_WEIGHT_WORDS[weight[1].lower()]]
        return Token(Sort.WEIGHT_UNIT, weight[0], position, weight.end(), grams)
    match = (
        _UNIT.match(line, position)
        or _METRE_AND.match(line, position)
        or _OF_A_UNIT.match(line, position)
    )
    if match is None:
        return None
    inches = unit_of_word(match[1])
    sort = Sort.CLOTH_UNIT if inches in {YARD, METRE} else Sort.LENGTH_UNIT
    said = match.groupdict()
    more = Fraction(1, 2) if said.get("half") else Fraction(1, 4) if said.get("quarter") else None
    parts = (Fraction(0), more) if more is not None else None
    return Token(sort, match[0], position, match.end(), inches, parts)


def _number(line: str, position: int, after_by: bool = False) -> Token | None:
    """A number in digits or words, a dozen of it, or it and a half.

    Behind a size a part of a yard is another cloth: "20 x 14 and 1/2 yd black".
    """
    found = _digits(line, position) or _in_words(line, position)
    if found is None:
        return None
    value, parts, end = found
    more = _AND_A_HALF.match(line, end)
    if more is not None and parts is None:
        part = _and_part(more)
        another = after_by and _OF_CLOTH.match(line, more.end())
        if value.denominator == 1 and 0 < part < 1 and not another:
            value, parts, end = value + part, (value, part), more.end()
    dozen = _DOZEN.match(line, end)
    if dozen is not None:
        value, end = value * (2 if dozen[1] else 12), dozen.end()
    in_it = _IN_IT.match(line, end)
    end = in_it.end() if in_it else end
    return Token(Sort.NUMBER, line[position:end], position, end, value, parts)


def _and_part(more: re.Match[str]) -> Fraction:
    if more[2]:
        return Fraction(NUMBER_WORDS.get(more[1].lower(), 1), _PARTS[more[2].lower().rstrip("s")])
    if more[5]:
        return FRACTION_GLYPHS[more[5]]
    return Fraction(int(more[3]), int(more[4]) or 1)


Found = tuple[Fraction, tuple[Fraction, Fraction] | None, int]


def _digits(line: str, position: int) -> Found | None:
    thousands = _THOUSANDS.match(line, position)
    if thousands is not None and _WEIGHT.match(line, thousands.end()):
        grams = _WEIGHT.match(line, thousands.end())
        # Nobody weighs a thousandth of a gram; a thousandth of a kilogram is said in grams.
        if grams is not None and _WEIGHT_WORDS[grams[1].lower()] == "g":
            return Fraction(re.sub("[.,]", "", thousands[0])), None, thousands.end()
    match = _NUMBER.match(line, position)
    if match is None:
        return None
    if match["glyph"] or match["lone"]:
        whole = Fraction(match["whole"] or 0)
        part = FRACTION_GLYPHS[match["glyph"] or match["lone"]]
        return whole + part, (whole, part) if whole else None, match.end()
    if match["mixed"] or match["ftop"]:
        bottom = int(match["bottom"] or match["fbottom"])
        if bottom == 0:
            return None
        whole, part = (
            Fraction(match["mixed"] or 0),
            Fraction(int(match["top"] or match["ftop"]), bottom),
        )
        return whole + part, (whole, part) if whole else None, match.end()
    text = match["decimal"] or match["digits"]
    return Fraction(text.replace(",", ".")), None, match.end()


def _in_words(line: str, position: int) -> Found | None:
    if position and (line[position - 1].isalnum() or line[position - 1] in "-'’"):
        return None
    part = _PART.match(line, position)
    if part is not None:
        top = NUMBER_WORDS.get((part["top"] or "one").lower(), 1)
        value = Fraction(top, _PARTS[part["part"].lower().rstrip("s")])
        if value < 1:
            return value, None, part.end()
    for pattern, number in ((_A_COUPLE, 2), (_ONE, 1), (_A_DOZEN, 12)):
        found = pattern.match(line, position)
        if found is not None:
            return Fraction(number), None, found.end()
    number, end = 0, position
    hundreds = HUNDREDS.match(line, position)
    if hundreds is not None:
        number, end = 100 * NUMBER_WORDS.get((hundreds[1] or "a").lower(), 1), hundreds.end()
        position = end + len(line[end:]) - len(line[end:].lstrip(" "))
    match = NUMBER_WORD.match(line, position)
    if match is not None:
        words = [word for word in match.groups() if word]
        number, end = number + sum(NUMBER_WORDS[word.lower()] for word in words), match.end()
    return (Fraction(number), None, end) if number else None


def _word_or_mark(line: str, position: int, before: Token | None) -> Token:
    measured = before is not None and before.sort in {
        Sort.NUMBER,
        Sort.LENGTH_UNIT,
        Sort.CLOTH_UNIT,
        Sort.WOF,
        Sort.FORM,
    }
    named = before is not None and before.sort is Sort.FORM and line[position - 1].isspace()
    for sort, pattern, fits in (
        (Sort.BREAK, _DASH, named),
        (Sort.BY, _BY, measured),
        (Sort.BY, _SO_MANY_TIMES, True),
        (Sort.TO, _TO, measured),
        (Sort.BREAK, _BREAK, True),
    ):
        match = pattern.match(line, position) if fits else None
        if match is not None:
            return Token(sort, match[0], position, match.end())
    spanned = measured and _BETWEEN.search(line[:position])
    match = _AND.match(line, position) if spanned else None
    if match is not None:
        return Token(Sort.TO, match[0], position, match.end())
    for sort, pattern in WORD_PATTERNS:
        match = pattern.match(line, position)
        if match is not None:
            return Token(sort, match[0], position, match.end())
    word = _A_WORD.match(line, position)
    if word is not None:
        sort = Sort.COLOUR if colour_word(word[0]) else Sort.WORD
        return Token(sort, word[0], position, word.end())
    strange = _STRANGE.match(line, position)
    if strange is not None:
        return Token(Sort.WORD, strange[0], position, strange.end())
    return Token(Sort.MARK, line[position], position, position + 1)


def marks_between(line: str, tokens: list[Token]) -> Iterator[tuple[str, Token | None]]:
    """The line again, piece by piece: each space between tokens, and each token."""
    position = 0
    for token in tokens:
        if token.start > position:
            yield line[position : token.start], None
        yield token.text, token
        position = token.end
    if position < len(line):
        yield line[position:], None
