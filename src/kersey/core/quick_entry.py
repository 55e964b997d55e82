"""A line as people say it -> fabric on the table.

    roll of 40 strips, 20 prints            42 strips 2 1/2 x 41.5, light
    12 light fat quarters                   42 charm squares, 21 prints
    2 1/4 yd charcoal                       9 strings 1 1/2 x 30
    strings 1 1/4 to 2 1/2, about 60, 9 to 30 long
    a shoe box, 900 g of crumbs             5 yd backing 108 wide

The line is read from left to right; each stretch of it is understood as one thing (a count, a
form, a size, prints, a value) or not at all. What was not said is assumed aloud, never silently.
"""

import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.errors import InvalidValue
from kersey.core.fabric import LONGEST_NAME, BadFabric, Lot, Print, Stack, Value, spread
from kersey.core.forms import FACTS, BadPiece, Form, check_piece
from kersey.core.length import (
    NUMBER_PATTERN,
    UNIT_PATTERN,
    NotALength,
    Units,
    format_length,
    format_number,
    format_size,
    parse_length,
)
from kersey.core.print_names import made_up_prints
from kersey.core.workshop import Workshop

LONGEST_LINE = 200
MOST_LINES = 60
# Handbook section 1: strip rolls hold about two strips of each print.
ROLL_STRIPS_EACH = 2
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
# Of these each piece is usually another print; the rest is usually all of one.
_EACH_ITS_OWN_PRINT = frozenset({Form.SQUARE, Form.FAT_QUARTER, Form.FAT_EIGHTH})
# Of these words that mean nothing else are the name of the cloth.
_NAMED = frozenset(
    {Form.YARDAGE, Form.PIECE, Form.SCRAPS, Form.BACKING, Form.BATTING, Form.STRING, Form.TRIANGLE}
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


class NotTaken(InvalidValue):
    """A line that cannot be put on the table as it stands."""


@dataclass(frozen=True)
class Stretch:
    """A stretch of the line: its text, and what it was understood as, if it was.

    >>> [stretch.text for stretch in read_line("12 strips, plaid").stretches]
    ['12 strips', ', ', 'plaid']
    """

    text: str
    understood_as: str | None
    is_filler: bool = False

    @property
    def not_understood(self) -> bool:
        return self.understood_as is None and not self.is_filler


@dataclass(frozen=True)
class Reading:
    """How a line was read: the lot it makes (if any), in words, with every assumption."""

    line: str
    stretches: tuple[Stretch, ...]
    lot: Lot | None
    is_roll: bool
    in_words: tuple[str, ...]
    assumed: tuple[str, ...]
    problems: tuple[str, ...]
    name: str = ""

    @property
    def taken(self) -> bool:
        """Whether Enter puts it on the table."""
        return self.lot is not None and not self.problems


@dataclass
class _Said:
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


def read_line(line: str, workshop: Workshop | None = None) -> Reading:
    """Read one line of fabric as a person says it.

    Bare numbers are in the workshop's units; a length not said is its usable width.
    Never raises: what is wrong stands in `problems`, what was not understood is marked.

    >>> reading = read_line("42 strips 2 1/2 x 41.5, light")
    >>> reading.lot.count, reading.lot.width, reading.lot.length, reading.taken
    (42, Fraction(5, 2), Fraction(83, 2), True)
    """
    shop = workshop or Workshop()
    said = _Said()
    stretches = tuple(_stretches(line[:LONGEST_LINE], said, shop.units))
    stretches = _with_cloth_name(stretches, said)
    problems = [*_length_problem(line), *_unread_problems(stretches)]
    lot, assumed = _lot(said, shop, problems)
    return Reading(
        line=line,
        stretches=stretches,
        lot=lot,
        is_roll=said.is_roll,
        in_words=_in_words(lot, said, shop.units) if lot else (),
        assumed=tuple(assumed),
        problems=tuple(problems),
        name=said.name or _proposed_name(said, lot),
    )


def read_lines(text: str, workshop: Workshop | None = None) -> tuple[Reading, ...]:
    """Read several lines at once, such as a pasted list; empty ones are passed over.

    >>> [reading.lot.count for reading in read_lines("12 fat quarters\n\n42 charm squares")]
    [12, 42]
    """
    lines = [line for line in text.splitlines() if line.strip()]
    return tuple(read_line(line, workshop) for line in lines[:MOST_LINES])


def take_line(line: str, workshop: Workshop | None = None) -> Reading:
    """The reading of a line that can be put on the table; raises `NotTaken` saying what is wrong.

    >>> take_line("roll of 40 strips, 20 prints").lot.count
    40
    """
    reading = read_line(line, workshop)
    if not reading.taken:
        raise NotTaken(" ".join(reading.problems))
    return reading


def _stretches(line: str, said: _Said, units: Units) -> Iterator[Stretch]:
    position = 0
    while position < len(line):
        stretch = _stretch_at(line, position, said, units)
        position += len(stretch.text)
        yield stretch


def _stretch_at(line: str, position: int, said: _Said, units: Units) -> Stretch:
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
    understand: "_Understand", match: re.Match[str], said: _Said, units: Units
) -> str | None:
    """What a stretch means; None for a number that is none, such as 1/0."""
    try:
        return understand(match, said, units)
    except NotALength:
        return None


def _understand_count(match: re.Match[str], said: _Said, _: Units) -> str | None:
    if said.count is not None or said.form not in {None, Form.STRIP}:
        return None
    said.count = _whole(match[1])
    said.form = Form.STRIP
    said.is_roll = said.is_roll or "roll" in match[0].lower()
    return "strips"


def _understand_bare_count(match: re.Match[str], said: _Said, _: Units) -> str | None:
    if said.count is not None:
        return None
    said.count = _whole(match[1])
    return "how many"


def _understand_squares(match: re.Match[str], said: _Said, _: Units) -> str | None:
    if said.form not in {None, Form.SQUARE}:
        return None
    said.form = Form.SQUARE
    kind = (match[1] or "").lower().replace(" ", "-").replace("10", "ten")
    if kind in _SQUARES and said.width is None:
        said.width = said.length = _SQUARES[kind]
    return "squares"


def _understand_form(match: re.Match[str], said: _Said, _: Units) -> str | None:
    form = next(f for f, words in _FORM_WORDS if re.fullmatch(words, match[0], re.IGNORECASE))
    if said.form not in {None, form, Form.YARDAGE}:
        return None
    said.form = form
    if said.count is None and not match[0].lower().endswith("s") and form is not Form.YARDAGE:
        said.count = 1
    return FACTS[form].many


def _understand_weight(match: re.Match[str], said: _Said, _: Units) -> str | None:
    if said.grams is not None or said.form not in {None, Form.SCRAPS}:
        return None
    said.grams = round(parse_length(match[1]) * _GRAMS[match[2].lower()])
    said.form = Form.SCRAPS
    return "weight"


def _understand_about(_match: re.Match[str], said: _Said, _: Units) -> str:
    said.about = True
    return "about"


def _understand_directional(_match: re.Match[str], said: _Said, _: Units) -> str:
    said.directional = True
    return "directional"


def _understand_range(match: re.Match[str], said: _Said, units: Units) -> str | None:
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


def _understand_yardage(match: re.Match[str], said: _Said, units: Units) -> str | None:
    """ "2 1/4 yd": so much off the bolt, unless the size was said before."""
    if said.length is not None or said.form not in {None, Form.BACKING, Form.BATTING}:
        return None
    said.form = said.form or Form.YARDAGE
    said.length = parse_length(match[1], units)
    said.count = 1 if said.count is None else said.count
    return "length of cloth"


def _understand_rolls(match: re.Match[str], said: _Said, _: Units) -> str:
    said.rolls = _whole(match[1])
    said.is_roll = True
    return "rolls"


def _understand_roll(_match: re.Match[str], said: _Said, _: Units) -> str:
    said.is_roll = True
    return "a roll"


def _understand_prints(match: re.Match[str], said: _Said, _: Units) -> str | None:
    if said.prints is not None:
        return None
    said.prints = _whole(match[1])
    return "prints"


def _understand_each(match: re.Match[str], said: _Said, _: Units) -> str | None:
    if said.each is not None:
        return None
    said.each = _whole(match[1])
    return "of each print"


def _understand_value(match: re.Match[str], said: _Said, _: Units) -> str | None:
    if said.value is not None:
        return None
    said.value = Value(match[1].lower())
    return "value"


def _understand_name(match: re.Match[str], said: _Said, _: Units) -> str | None:
    name = " ".join(match[1].split())
    if not name or said.name:
        return None
    said.name = name[:LONGEST_NAME]
    return "name"


def _understand_size(match: re.Match[str], said: _Said, units: Units) -> str | None:
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


def _understand_width(match: re.Match[str], said: _Said, units: Units) -> str | None:
    counts_strips = match[0].lower().rstrip("s").endswith("strip") and match[1].strip().isdigit()
    if said.width is not None or counts_strips:
        return None
    said.width = parse_length(match[1], units)
    return "width"


def _understand_length(match: re.Match[str], said: _Said, units: Units) -> str | None:
    if said.length is not None:
        return None
    said.length = parse_length(match[1], units)
    return "length"


def _understand_lone_length(match: re.Match[str], said: _Said, units: Units) -> str | None:
    """A fraction, or a number with its unit: a strip's width if small enough, else its length."""
    length = parse_length(match[1], units)
    if length <= _WIDTH_AT_MOST:
        return _understand_width(match, said, units)
    return _understand_length(match, said, units)


_Understand = Callable[[re.Match[str], _Said, Units], str | None]
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
_OFF_THE_BOLT = re.compile(r"(?:yards?|yds?|met(?:re|er)s?|(?<![cm])m)$", re.IGNORECASE)
_NAME_WORD = re.compile(r"[^\W\d_][^\s\d]*")


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


def _length_problem(line: str) -> Iterator[str]:
    if len(line) > LONGEST_LINE:
        yield f"A line has at most {LONGEST_LINE} letters; this one has {len(line)}."


def _unread_problems(stretches: tuple[Stretch, ...]) -> Iterator[str]:
    unread = [s.text for s in stretches if s.not_understood]
    if unread:
        words = ", ".join(f"“{text}”" for text in unread[:4])
        more = " and more" if len(unread) > 4 else ""
        yield f"Not understood: {words}{more}. Put a name in quotes; leave the rest out."


def _with_cloth_name(stretches: tuple[Stretch, ...], said: _Said) -> tuple[Stretch, ...]:
    """Words that mean nothing else, taken as the cloth's name where one cloth is spoken of."""
    unread = [s.text for s in stretches if s.not_understood]
    one_cloth = said.form in _NAMED or (said.count == 1 and said.form is not Form.STRIP)
    nameable = one_cloth and said.prints in {None, 1} and not said.name
    if not unread or not nameable or not all(_NAME_WORD.fullmatch(text) for text in unread):
        return stretches
    said.name = " ".join(unread)[:LONGEST_NAME]
    return tuple(
        replace(s, understood_as="name of the cloth") if s.not_understood else s for s in stretches
    )


def _lot(said: _Said, shop: Workshop, problems: list[str]) -> tuple[Lot | None, list[str]]:
    """The lot as far as it can be made; appends to `problems` what stands in the way."""
    assumed: list[str] = []
    form = said.form or Form.STRIP
    count = _piece_count(said, form, assumed)
    if count is None:
        problems.append(_how_many(form))
        return None, assumed
    size = _piece_size(said, form, shop, assumed)
    if size is None:
        problems.append(f"How large? Say it like {FACTS[form].example}.")
        return None, assumed
    prints = _print_count(said, form, count, assumed)
    problems.extend(_count_problems(said, form, count, prints))
    try:
        check_piece(form, *size)
        check_piece(form, said.most_width or size[0], said.most_length or size[1])
    except BadPiece as error:
        problems.append(str(error))
    if not _can_be_drawn(problems):
        return None, assumed
    return _made(said, form, size, spread(count, _prints(said, form, prints)), problems), assumed


def _made(
    said: _Said,
    form: Form,
    size: tuple[Fraction, Fraction],
    stacks: tuple[Stack, ...],
    problems: list[str],
) -> Lot | None:
    try:
        return Lot(
            *size,
            stacks,
            form=form,
            most_width=said.most_width,
            most_length=said.most_length,
            grams=said.grams,
            estimated=said.about or form is Form.SCRAPS,
            directional=said.directional,
        )
    except (BadFabric, BadPiece) as error:
        problems.append(str(error))
        return None


def _prints(said: _Said, form: Form, prints: int) -> tuple[Print, ...]:
    made_up = made_up_prints(prints, said.value)
    if prints == 1 and form is not Form.STRIP and said.name:
        return (replace(made_up[0], name=said.name),)
    return made_up


def _how_many(form: Form) -> str:
    if form is Form.SCRAPS:
        return "How much? Say it like 900 g crumbs."
    many = FACTS[form].many
    return f"How many {many}? Say it like 40 {many}" + (
        " or roll of 40 strips." if form is Form.STRIP else "."
    )


def _can_be_drawn(problems: list[str]) -> bool:
    """Whether all that is wrong, if anything, is a word that was not understood."""
    return all(p.startswith("Not understood") for p in problems)


def _piece_count(said: _Said, form: Form, assumed: list[str]) -> int | None:
    if said.count is not None:
        return said.count * (said.rolls or 1)
    if said.prints is not None and said.each is not None:
        return said.prints * said.each
    if form is Form.SCRAPS:
        return None if said.grams is None else 1
    if form in {Form.YARDAGE, Form.BACKING, Form.BATTING, Form.PIECE} and said.length:
        assumed.append("one piece")
        return 1
    return None


def _piece_size(
    said: _Said, form: Form, shop: Workshop, assumed: list[str]
) -> tuple[Fraction, Fraction] | None:
    """Width and length of one piece; None when the form has no usual size and none was said."""
    if form is Form.SCRAPS:
        return Fraction(0), Fraction(0)
    if form is Form.SQUARE and said.width is not None:
        return said.width, said.length or said.width
    of_the_bolt = {Form.YARDAGE, Form.BACKING, Form.BATTING}
    usual_width, usual_length = FACTS[form].usual
    cloth = shop.usable_width
    width = said.width or usual_width or (cloth if form in of_the_bolt else None)
    length = said.length or usual_length or (cloth if form in {Form.STRIP, Form.STRING} else None)
    if width is None or length is None:
        return None
    _assume_size(said, form, (width, length), shop.units, assumed)
    return width, length


def _assume_size(
    said: _Said,
    form: Form,
    size: tuple[Fraction, Fraction],
    units: Units,
    assumed: list[str],
) -> None:
    if said.width is None:
        as_usual = "as strip rolls are cut" if form is Form.STRIP else "as is usual"
        assumed.append(f"{format_length(size[0], units)} wide, {as_usual}")
    if said.length is None:
        as_set = form in {Form.STRIP, Form.STRING}
        words = "usable, as in your settings" if as_set else "long, as is usual"
        assumed.append(f"{format_length(size[1], units)} {words}")


def _print_count(said: _Said, form: Form, count: int, assumed: list[str]) -> int:
    if said.prints is not None:
        return said.prints
    if said.each:
        return max(1, count // said.each)
    if said.is_roll:
        prints, words = max(1, count // ROLL_STRIPS_EACH), "prints, two strips of each"
    elif form in _EACH_ITS_OWN_PRINT and count > 1:
        prints, words = max(1, min(count, FACTS[form].most)), "prints, each another"
    elif form in _NAMED:
        return 1
    else:
        assumed.append("one print (no number of prints was said)")
        return 1
    assumed.append(f"{prints} {words} (no number of prints was said)")
    return prints


def _count_problems(said: _Said, form: Form, count: int, prints: int) -> Iterator[str]:
    facts = FACTS[form]
    if not 1 <= count <= facts.most:
        yield f"From 1 to {facts.most} {facts.many} can lie on one table; {count} were said."
    elif not 1 <= prints <= count:
        yield f"{prints} prints cannot come out of {count} {facts.many}: each is one at least."
    elif said.each is not None and said.each * prints != count:
        yield f"{prints} prints with {said.each} of each are {said.each * prints}, not {count}."


def _in_words(lot: Lot, said: _Said, units: Units) -> tuple[str, ...]:
    kinds = len(lot.stacks)
    words = (
        _pieces_in_words(lot),
        _size_in_words(lot, units),
        "" if lot.form in _NAMED else f"{kinds} print{'s' * (kinds != 1)}{_each_in_words(lot)}",
        f"“{said.name}”" if said.name else "",
        f"all {said.value}" if said.value else "",
        "not to be turned" if lot.directional else "",
    )
    return tuple(word for word in words if word)


def _pieces_in_words(lot: Lot) -> str:
    facts = FACTS[lot.form]
    about = "about " if lot.estimated else ""
    if lot.grams is not None:
        weight = f"{lot.grams} g" if lot.grams < 1000 else f"{lot.grams / 1000:g} kg"
        return f"{weight} of {facts.many}"
    if lot.form in {Form.YARDAGE, Form.BACKING, Form.BATTING}:
        return facts.one if lot.count == 1 else f"{about}{lot.count} lengths of {facts.one}"
    return f"{about}{lot.count} {facts.one if lot.count == 1 else facts.many}"


def _size_in_words(lot: Lot, units: Units) -> str:
    if lot.grams is not None:
        square_yards = float(lot.area) / 36**2
        if units is Units.INCHES:
            return f"about {square_yards:.1f} square yards, an estimate"
        return f"about {square_yards * 0.83612736:.1f} square metres, an estimate"
    if lot.most_width is None and lot.most_length is None:
        each = " each" if lot.count > 1 else ""
        return format_size(lot.width, lot.length, units) + each
    width = _from_to(lot.width, lot.most_width, units)
    return f"{width} wide, {_from_to(lot.length, lot.most_length, units)} long"


def _from_to(least: Fraction, most: Fraction | None, units: Units) -> str:
    if most is None:
        return format_length(least, units)
    return f"{format_number(least, units)} to {format_length(most, units)}"


def _each_in_words(lot: Lot) -> str:
    most, fewest = max(lot.counts), min(lot.counts)
    if len(lot.stacks) == 1:
        return ""
    return f", {most} of each" if most == fewest else f", {fewest} or {most} of each"


def _proposed_name(said: _Said, lot: Lot | None) -> str:
    if lot is None:
        return ""
    facts = FACTS[lot.form]
    value = f"{said.value} " if said.value else ""
    if said.is_roll:
        return f"{value}roll of {lot.count}".capitalize()
    if lot.count == 1:
        return f"{value}{facts.one}".capitalize()
    return f"{value}{facts.many} of {lot.count}".capitalize()
