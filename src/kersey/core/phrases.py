"""The phrases a line of fabric is made of, and what each says.

The line is read from left to right; at each place the first phrase that fits and says something
new is understood. A place where none fits is passed over as a filler, or marked not understood.
"""

import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.fabric import LONGEST_NAME, Value
from kersey.core.forms import FACTS, Form
from kersey.core.length import NUMBER_PATTERN, UNIT_PATTERN, NotALength, Units, parse_length

# Handbook section 1: how wide the squares of a stack are cut.
_SQUARES = {"charm": Fraction(5), "mini": Fraction(5, 2), "ten-inch": Fraction(10)}
_FORM_WORDS = (
    (Form.FAT_QUARTER, r"fat\s+quarters?|fqs?"),
    (Form.FAT_EIGHTH, r"fat\s+eighths?"),
    (Form.YARDAGE, "yardage"),
    (Form.STRING, "strings?"),
    (Form.TRIANGLE, "triangles?"),
    (Form.PIECE, "pieces?"),
    (Form.SCRAPS, "crumbs?|scraps?"),
    (Form.BACKING, "backings?"),
    (Form.BATTING, "battings?"),
)
_GRAMS = {
    "g": Fraction(1),
    "kg": Fraction(1000),
    "oz": Fraction(2835, 100),
    "lb": Fraction(45359, 100),
}
# In "40 x 2 1/2" the second number is a strip's width, in "2 1/2 x 41.5" its length.
_WIDTH_AT_MOST = Fraction(12)

_WORDS_TO_TWELVE = "one two three four five six seven eight nine ten eleven twelve"
_NUMBER_WORDS = {word: number for number, word in enumerate(_WORDS_TO_TWELVE.split(), start=1)} | {
    "twenty": 20,
    "thirty": 30,
    "forty": 40,
    "fifty": 50,
    "sixty": 60,
}
_COUNT = rf"(\d{{1,6}}|{'|'.join(_NUMBER_WORDS)})"
_LENGTH = rf"{NUMBER_PATTERN}(?:\s*{UNIT_PATTERN})?"
_BY = r"\s*(?:x|×|by|\*)\s*"


@dataclass(frozen=True)
class Stretch:
    """A stretch of the line: its text, and what it was understood as, if it was.

    >>> [stretch.text for stretch in stretches_of("12 strips, plaid", Said(), Units.INCHES)]
    ['12 strips', ', ', 'plaid']
    """

    text: str
    understood_as: str | None
    is_filler: bool = False

    @property
    def not_understood(self) -> bool:
        return self.understood_as is None and not self.is_filler


@dataclass
class Said:
    """What has been understood so far."""

    count: int | None = None
    rolls: int | None = None
    is_roll: bool = False
    width: Fraction | None = None
    length: Fraction | None = None
    prints: int | None = None
    each: int | None = None
    value: Value | None = None
    name: str = ""
    form: Form | None = None
    most_width: Fraction | None = None
    most_length: Fraction | None = None
    grams: int | None = None
    about: bool = False
    directional: bool = False
    unit_said: bool = False
    fraction_said: bool = False


def stretches_of(line: str, said: Said, units: Units) -> Iterator[Stretch]:
    """The stretches of a line, one after the other; what they say is written into `said`."""
    position = 0
    while position < len(line):
        stretch = _stretch_at(line, position, said, units)
        position += len(stretch.text)
        if stretch.understood_as is not None:
            said.unit_said |= _WITH_UNIT.search(stretch.text) is not None
            said.fraction_said |= _FRACTION.search(stretch.text) is not None
        yield stretch


def _stretch_at(line: str, position: int, said: Said, units: Units) -> Stretch:
    for pattern, understand in _PHRASES:
        match = pattern.match(line, position)
        if match is None:
            continue
        meaning = _meaning(understand, match, said, units)
        if meaning is not None:
            return Stretch(match[0], meaning)
    filler = _FILLER.match(line, position)
    if filler is not None:
        return Stretch(filler[0], None, is_filler=True)
    unread = _ANY_WORD.match(line, position)
    return Stretch(unread[0] if unread else line[position], None)


def _meaning(
    understand: "_Understand", match: re.Match[str], said: Said, units: Units
) -> str | None:
    """What a stretch means; None for a number that is none, such as 1/0."""
    try:
        return understand(match, said, units)
    except NotALength:
        return None


def _understand_count(match: re.Match[str], said: Said, _: Units) -> str | None:
    if said.count is not None or said.form not in {None, Form.STRIP}:
        return None
    said.count = _whole(match[1])
    said.form = Form.STRIP
    said.is_roll = said.is_roll or "roll" in match[0].lower()
    return "strips"


def _understand_bare_count(match: re.Match[str], said: Said, _: Units) -> str | None:
    if said.count is not None:
        return None
    said.count = _whole(match[1])
    return "how many"


def _understand_squares(match: re.Match[str], said: Said, _: Units) -> str | None:
    if said.form not in {None, Form.SQUARE}:
        return None
    said.form = Form.SQUARE
    kind = (match[1] or "").lower().replace(" ", "-").replace("10", "ten")
    if kind in _SQUARES and said.width is None:
        said.width = said.length = _SQUARES[kind]
    return "squares"


def _understand_form(match: re.Match[str], said: Said, _: Units) -> str | None:
    form = next(f for f, words in _FORM_WORDS if re.fullmatch(words, match[0], re.IGNORECASE))
    if said.form not in {None, form, Form.YARDAGE}:
        return None
    said.form = form
    if said.count is None and not match[0].lower().endswith("s") and form is not Form.YARDAGE:
        said.count = 1
    return FACTS[form].many


def _understand_weight(match: re.Match[str], said: Said, _: Units) -> str | None:
    if said.grams is not None or said.form not in {None, Form.SCRAPS}:
        return None
    said.grams = round(parse_length(match[1]) * _GRAMS[match[2].lower()])
    said.form = Form.SCRAPS
    return "weight"


def _understand_about(_match: re.Match[str], said: Said, _: Units) -> str:
    said.about = True
    return "about"


def _understand_directional(_match: re.Match[str], said: Said, _: Units) -> str:
    said.directional = True
    return "directional"


def _understand_range(match: re.Match[str], said: Said, units: Units) -> str | None:
    """ "1 1/4 to 2 1/2" wide, or "9 to 30 long"."""
    lengths = sorted(_lengths([match[1], match[2]], units))
    if (match[3] or "").lower() == "long":
        if said.length is not None:
            return None
        said.length, said.most_length = lengths
        return "lengths from and to"
    if said.width is not None:
        return None
    said.width, said.most_width = lengths
    return "widths from and to"


def _understand_yardage(match: re.Match[str], said: Said, units: Units) -> str | None:
    """ "2 1/4 yd": so much off the bolt, unless the size was said before."""
    if said.length is not None or said.form not in {None, Form.BACKING, Form.BATTING}:
        return None
    said.form = said.form or Form.YARDAGE
    said.length = parse_length(match[1], units)
    said.count = 1 if said.count is None else said.count
    return "length of cloth"


def _understand_rolls(match: re.Match[str], said: Said, _: Units) -> str:
    said.rolls = _whole(match[1])
    said.is_roll = True
    return "rolls"


def _understand_roll(_match: re.Match[str], said: Said, _: Units) -> str:
    said.is_roll = True
    return "a roll"


def _understand_prints(match: re.Match[str], said: Said, _: Units) -> str | None:
    if said.prints is not None:
        return None
    said.prints = _whole(match[1])
    return "prints"


def _understand_each(match: re.Match[str], said: Said, _: Units) -> str | None:
    if said.each is not None:
        return None
    said.each = _whole(match[1])
    return "of each print"


def _understand_value(match: re.Match[str], said: Said, _: Units) -> str | None:
    if said.value is not None:
        return None
    said.value = Value(match[1].lower())
    return "value"


def _understand_name(match: re.Match[str], said: Said, _: Units) -> str | None:
    name = " ".join(match[1].split())
    if not name or said.name:
        return None
    said.name = name[:LONGEST_NAME]
    return "name"


def _understand_size(match: re.Match[str], said: Said, units: Units) -> str | None:
    """ "width x length", or "count x width (x length)" when no count was said before."""
    texts = [text for text in match.groups() if text is not None]
    if said.width is not None:
        return None
    count = said.count
    if len(texts) == 3 or (count is None and _is_count_by_width(texts, units)):
        if count is not None or not texts[0].strip().isdigit():
            return None
        count = int(texts.pop(0))
    lengths = _lengths(texts, units)
    if said.form is None and any(_OFF_THE_BOLT.search(text) for text in texts):
        said.form, count = Form.YARDAGE, count or 1
        lengths.sort(key=lambda side: side in _off_the_bolt(texts, units))
        said.count, said.width, said.length = count, *lengths
        return "cloth"
    said.count = count
    said.width = min(lengths)
    said.length = max(lengths) if len(lengths) == 2 else said.length
    return "size"


def _understand_width(match: re.Match[str], said: Said, units: Units) -> str | None:
    counts_strips = match[0].lower().rstrip("s").endswith("strip") and match[1].strip().isdigit()
    if said.width is not None or counts_strips:
        return None
    said.width = parse_length(match[1], units)
    return "width"


def _understand_length(match: re.Match[str], said: Said, units: Units) -> str | None:
    if said.length is not None:
        return None
    said.length = parse_length(match[1], units)
    return "length"


def _understand_lone_length(match: re.Match[str], said: Said, units: Units) -> str | None:
    """A fraction, or a number with its unit: a strip's width if small enough, else its length."""
    length = parse_length(match[1], units)
    if length <= _WIDTH_AT_MOST:
        return _understand_width(match, said, units)
    return _understand_length(match, said, units)


_Understand = Callable[[re.Match[str], Said, Units], str | None]
_ANY_FORM = "|".join(words for _, words in _FORM_WORDS)
_SQUARE_WORDS = r"(?:(charm|mini|ten[\s-]inch|10[\s-]inch)\s+)?squares?"
_VALUE_WORD = "(?:light|medium|dark)"
_PHRASES: tuple[tuple[re.Pattern[str], _Understand], ...] = tuple(
    (re.compile(pattern, re.IGNORECASE), understand)
    for pattern, understand in (
        (r"(?:called\s+)?[\"“]([^\"”]{2,120})[\"”]", _understand_name),
        (rf"({NUMBER_PATTERN})\s*(g|kg|oz|lb)s?\b", _understand_weight),
        (rf"{_COUNT}\s+(?:different\s+)?(?:prints?|fabrics?|designs?)\b", _understand_prints),
        (rf"{_COUNT}\s+(?:of\s+)?each\b", _understand_each),
        (rf"{_COUNT}\s+(?:strip\s+)?rolls?\b", _understand_rolls),
        (
            rf"(?:strip\s+)?roll\s+of\s+{_COUNT}(?:\s+strips?)?(?!\s*[\d/⁄.,]*\d)\b",
            _understand_count,
        ),
        (rf"{_COUNT}\s+strips?\b", _understand_count),
        (rf"{_COUNT}(?=\s+(?:{_VALUE_WORD}\s+)?{_SQUARE_WORDS}\b)", _understand_bare_count),
        (rf"{_COUNT}(?=\s+(?:{_VALUE_WORD}\s+)?(?:{_ANY_FORM})\b)", _understand_bare_count),
        (rf"{_COUNT}(?=\s+{_LENGTH}(?:\s+wide)?\s+strips?\b)", _understand_count),
        (rf"{_COUNT}(?=\s+{_LENGTH}\s+{_SQUARE_WORDS}\b)", _understand_bare_count),
        (rf"{_COUNT}(?=\s+{_VALUE_WORD}\s+strips?\b)", _understand_count),
        (rf"({_LENGTH})\s*(?:to|–)\s*({_LENGTH})(?:\s+(long|wide))?\b", _understand_range),
        (rf"({_LENGTH}){_BY}({_LENGTH})(?:{_BY}({_LENGTH}))?", _understand_size),
        (rf"({_LENGTH})(?:\s+wide)?\s+strips?\b", _understand_width),
        (rf"({_LENGTH})\s+wide\b", _understand_width),
        (rf"({_LENGTH})\s+long\b", _understand_length),
        (rf"({NUMBER_PATTERN}\s*(?:yards?|yds?|met(?:re|er)s?|m)\b)", _understand_yardage),
        (rf"({NUMBER_PATTERN}\s*{UNIT_PATTERN})", _understand_lone_length),
        (
            r"(\d*[.,]\d+|(?:\d+[\s-]+)?\d+[/⁄]\d+|\d*[½¼¾⅛⅜⅝⅞])(?![\d/])",
            _understand_lone_length,
        ),
        (rf"{_SQUARE_WORDS}\b", _understand_squares),
        (rf"(?:{_ANY_FORM})\b", _understand_form),
        (r"(light|medium|dark)s?\b", _understand_value),
        (r"(?:about|roughly|around)\b", _understand_about),
        (r"(?:directional|one-way)\b", _understand_directional),
        (r"(?:strip\s+)?roll\b", _understand_roll),
        (rf"{_COUNT}(?=\s*(?:,|$))", _understand_bare_count),
    )
)
_FILLER = re.compile(
    r"[\s,;.]+|(?:strips?|stack|bundle|pack|of|in|with|and|from|my|the|an?|at|all)\b",
    re.IGNORECASE,
)
_ANY_WORD = re.compile(r"[^\s,;]+")
_UNIT = re.compile(UNIT_PATTERN, re.IGNORECASE)
_WITH_UNIT = re.compile(rf"{NUMBER_PATTERN}\s*{UNIT_PATTERN}", re.IGNORECASE)
_FRACTION = re.compile(r"\d/\d|[¼½¾⅛⅜⅝⅞]")
_OFF_THE_BOLT = re.compile(r"(?:yards?|yds?|met(?:re|er)s?|(?<![cm])m)$", re.IGNORECASE)


def _whole(text: str) -> int:
    return _NUMBER_WORDS.get(text.lower()) or int(text)


def _lengths(texts: list[str], units: Units) -> list[Fraction]:
    """Each length; one without a unit takes the unit said last, as in "6.5 x 107 cm"."""
    last_unit = _UNIT.search(texts[-1])
    suffix = last_unit[0] if last_unit else ""
    return [parse_length(t if _UNIT.search(t) else t + suffix, units) for t in texts]


def _off_the_bolt(texts: list[str], units: Units) -> list[Fraction]:
    """The lengths that were said in yards or metres, as cloth is."""
    return [parse_length(text, units) for text in texts if _OFF_THE_BOLT.search(text)]


def _is_count_by_width(texts: list[str], units: Units) -> bool:
    """Whether "40 x 2 1/2" says how many and how wide, not how wide and how long."""
    if not texts[0].strip().isdigit():
        return False
    return _lengths(texts[1:], units)[0] <= _WIDTH_AT_MOST < int(texts[0])
