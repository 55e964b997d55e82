"""A line as people say it -> strips on the table.

    roll of 40 strips, 20 prints
    42 strips 2 1/2 x 41.5, light
    roll 40 x 6.5 cm x 107cm

The line is read from left to right; each stretch of it is understood as one thing (a count, a
size, prints, a value) or not at all. What was not said is assumed aloud, never silently.
"""

import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass, field
from fractions import Fraction

from kersey.core.errors import InvalidValue
from kersey.core.fabric import (
    LONGEST_NAME,
    MOST_STRIPS,
    BadFabric,
    StripLot,
    Value,
    check_strip,
    spread,
)
from kersey.core.length import (
    NUMBER_PATTERN,
    UNIT_PATTERN,
    NotALength,
    Units,
    format_length,
    format_size,
    parse_length,
)
from kersey.core.print_names import made_up_prints
from kersey.core.workshop import Workshop

LONGEST_LINE = 200
# Handbook section 1: strip rolls are cut 2 1/2 wide, and hold about two strips of each print.
ROLL_STRIP_WIDTH = Fraction(5, 2)
ROLL_STRIPS_EACH = 2
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
_LENGTH = rf"{NUMBER_PATTERN}\s*(?:{UNIT_PATTERN})?"
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
    lot: StripLot | None
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
    problems: list[str] = field(default_factory=list)


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
    problems = [*said.problems, *_length_problem(line), *_unread_problems(stretches)]
    lot, assumed = (None, []) if said.problems else _lot(said, shop, problems)
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
    if said.count is not None:
        return None
    said.count = _whole(match[1])
    said.is_roll = said.is_roll or "roll" in match[0].lower()
    return "strips"


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


def _understand_other_form(match: re.Match[str], said: _Said, _: Units) -> str:
    said.problems.append(
        f"{match[0].strip().capitalize()}: Kersey takes strips so far, like 40 strips 2 1/2 x 42."
    )
    return "not strips"


_Understand = Callable[[re.Match[str], _Said, Units], str | None]
_PHRASES: tuple[tuple[re.Pattern[str], _Understand], ...] = tuple(
    (re.compile(pattern, re.IGNORECASE), understand)
    for pattern, understand in (
        (r"(?:called\s+)?[\"“]([^\"”]{2,120})[\"”]", _understand_name),
        (rf"{_COUNT}\s+(?:different\s+)?(?:prints?|fabrics?|designs?)\b", _understand_prints),
        (rf"{_COUNT}\s+(?:of\s+)?each\b", _understand_each),
        (rf"{_COUNT}\s+(?:strip\s+)?rolls?\b", _understand_rolls),
        (
            rf"(?:strip\s+)?roll\s+of\s+{_COUNT}(?:\s+strips?)?(?!\s*[\d/⁄.,]*\d)\b",
            _understand_count,
        ),
        (rf"{_COUNT}\s+strips?\b", _understand_count),
        (rf"{_COUNT}(?=\s+{_LENGTH}(?:\s+wide)?\s+strips?\b)", _understand_count),
        (rf"{_COUNT}(?=\s+(?:light|medium|dark)\s+strips?\b)", _understand_count),
        (rf"({_LENGTH}){_BY}({_LENGTH})(?:{_BY}({_LENGTH}))?", _understand_size),
        (rf"({_LENGTH})(?:\s+wide)?\s+strips?\b", _understand_width),
        (rf"({_LENGTH})\s+wide\b", _understand_width),
        (rf"({_LENGTH})\s+long\b", _understand_length),
        (rf"({NUMBER_PATTERN}\s*{UNIT_PATTERN})", _understand_lone_length),
        (r"(\d*[.,]\d+|(?:\d+[\s-]+)?\d+[/⁄]\d+|\d*[½¼¾⅛⅜⅝⅞])(?![\d/])", _understand_lone_length),
        (r"(light|medium|dark)s?\b", _understand_value),
        (r"(?:strip\s+)?roll\b", _understand_roll),
        (
            rf"(?:{_COUNT}\s+)?(?:(?:charm|mini|ten-inch)\s+squares?|fat\s+(?:quarter|eighth)s?"
            r"|squares?|yardage|crumbs?|strings?|scraps?)\b",
            _understand_other_form,
        ),
    )
)
_FILLER = re.compile(r"[\s,;.]+|(?:strips?|of|in|with|and|from|my|the|an?|at|all)\b", re.IGNORECASE)
_ANY_WORD = re.compile(r"[^\s,;]+")
_UNIT = re.compile(UNIT_PATTERN, re.IGNORECASE)


def _whole(text: str) -> int:
    return _NUMBER_WORDS.get(text.lower()) or int(text)


def _lengths(texts: list[str], units: Units) -> list[Fraction]:
    """Each length; one without a unit takes the unit said last, as in "6.5 x 107 cm"."""
    last_unit = _UNIT.search(texts[-1])
    suffix = last_unit[0] if last_unit else ""
    return [parse_length(t if _UNIT.search(t) else t + suffix, units) for t in texts]


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


def _lot(said: _Said, shop: Workshop, problems: list[str]) -> tuple[StripLot | None, list[str]]:
    """The lot as far as it can be made; appends to `problems` what stands in the way."""
    assumed: list[str] = []
    count = _strip_count(said)
    if count is None:
        problems.append("How many strips? Say it like 40 strips or roll of 40 strips.")
        return None, assumed
    width, length = _strip_size(said, shop, assumed)
    prints = _print_count(said, count, assumed)
    problems.extend(_count_problems(said, count, prints))
    try:
        check_strip(width, length)
    except BadFabric as error:
        problems.append(str(error))
    if not _can_be_drawn(problems):
        return None, assumed
    return StripLot(width, length, spread(count, made_up_prints(prints, said.value))), assumed


def _can_be_drawn(problems: list[str]) -> bool:
    """Whether all that is wrong, if anything, is a word that was not understood."""
    return all(p.startswith("Not understood") for p in problems)


def _strip_count(said: _Said) -> int | None:
    if said.count is not None:
        return said.count * (said.rolls or 1)
    if said.prints is not None and said.each is not None:
        return said.prints * said.each
    return None


def _strip_size(said: _Said, shop: Workshop, assumed: list[str]) -> tuple[Fraction, Fraction]:
    width, length = said.width, said.length
    if width is None:
        width = ROLL_STRIP_WIDTH
        assumed.append(f"{format_length(width, shop.units)} wide, as strip rolls are cut")
    if length is None:
        length = shop.usable_width
        assumed.append(f"{format_length(length, shop.units)} usable, as in your settings")
    return width, length


def _print_count(said: _Said, count: int, assumed: list[str]) -> int:
    if said.prints is not None:
        return said.prints
    if said.each:
        return max(1, count // said.each)
    prints = max(1, count // ROLL_STRIPS_EACH) if said.is_roll else 1
    words = f"{prints} prints, two strips of each" if said.is_roll else "one print"
    assumed.append(f"{words} (no number of prints was said)")
    return prints


def _count_problems(said: _Said, count: int, prints: int) -> Iterator[str]:
    if not 1 <= count <= MOST_STRIPS:
        yield f"From 1 to {MOST_STRIPS} strips can lie on one table; {count} were said."
    elif not 1 <= prints <= count:
        yield f"{prints} prints cannot come out of {count} strips: each is a strip at least."
    elif said.each is not None and said.each * prints != count:
        yield f"{prints} prints with {said.each} of each are {said.each * prints}, not {count}."


def _in_words(lot: StripLot, said: _Said, units: Units) -> tuple[str, ...]:
    kinds = len(lot.stacks)
    value = f"all {said.value}" if said.value else ""
    words = (
        f"{lot.count} strip{'s' * (lot.count != 1)}",
        f"{format_size(lot.width, lot.length, units)} each",
        f"{kinds} print{'s' * (kinds != 1)}{_each_in_words(lot)}",
        value,
    )
    return tuple(word for word in words if word)


def _each_in_words(lot: StripLot) -> str:
    most, fewest = max(lot.counts), min(lot.counts)
    if len(lot.stacks) == 1:
        return ""
    return f", {most} of each" if most == fewest else f", {fewest} or {most} of each"


def _proposed_name(said: _Said, lot: StripLot | None) -> str:
    if lot is None:
        return ""
    kind = "roll" if said.is_roll else "strips"
    value = f"{said.value} " if said.value else ""
    return f"{value}{kind} of {lot.count}".capitalize()
