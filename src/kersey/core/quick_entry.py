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
from collections.abc import Iterator
from dataclasses import dataclass, replace
from fractions import Fraction
from typing import Protocol

from kersey.core.errors import InvalidValue
from kersey.core.fabric import (
    LONGEST_NAME,
    BadFabric,
    Lot,
    Print,
    Stack,
    area_of_scraps,
    spread,
)
from kersey.core.forms import FACTS, BadPiece, Form, check_piece
from kersey.core.length import (
    Units,
    format_length,
    format_number,
    format_size,
)
from kersey.core.phrases import Said, Stretch, stretches_of
from kersey.core.print_names import made_up_prints, named_print
from kersey.core.workshop import Workshop

# Lines that show what can be said; the page of examples reads them itself.
EXAMPLES = (
    "roll of 40 strips, 20 prints",
    "42 strips 2 1/2 x 41.5, light",
    "roll 40 x 6.5 cm x 107 cm",
    "12 light fat quarters",
    "6 fat eighths, directional",
    "42 charm squares, 21 prints",
    "40 ten-inch squares",
    "100 squares 3 1/2 x 3 1/2, 4 prints, 25 each",
    "2 1/4 yd charcoal",
    "0.5 m x 110 cm steam",
    "9 strings 1 1/2 x 30",
    "strings 1 1/4 to 2 1/2, about 60, 9 to 30 long",
    "3 pieces 9 x 12 rust plaid",
    "60 triangles 2 1/2 x 2 1/2",
    "a shoe box, 900 g of crumbs",
    "5 yd backing 108 wide",
    "batting 72 x 90",
)
LONGEST_LINE = 200
MOST_LINES = 60
# Handbook section 1: strip rolls hold about two strips of each print.
ROLL_STRIPS_EACH = 2
# Of these each piece is usually another print; the rest is usually all of one.
_EACH_ITS_OWN_PRINT = frozenset({Form.SQUARE, Form.FAT_QUARTER, Form.FAT_EIGHTH})
# Cloth is hardly ever wider, so a longer strip may well be meant in centimetres.
_LONGEST_STRIP = 60
# Of these words that mean nothing else are the name of the cloth.
_NAMED = frozenset(
    {Form.YARDAGE, Form.PIECE, Form.SCRAPS, Form.BACKING, Form.BATTING, Form.STRING, Form.TRIANGLE}
)
_NAME_WORD = re.compile(r"[^\W\d_][^\s\d]*")


class NotTaken(InvalidValue):
    """A line that cannot be put on the table as it stands."""


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


def read_line(line: str, workshop: Workshop | None = None) -> Reading:
    """Read one line of fabric as a person says it.

    Bare numbers are in the workshop's units; a length not said is its usable width.
    Never raises: what is wrong stands in `problems`, what was not understood is marked.

    >>> reading = read_line("42 strips 2 1/2 x 41.5, light")
    >>> reading.lot.count, reading.lot.width, reading.lot.length, reading.taken
    (42, Fraction(5, 2), Fraction(83, 2), True)
    """
    shop = workshop or Workshop()
    said = Said()
    stretches = tuple(stretches_of(line[:LONGEST_LINE], said, shop.units))
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

    >>> [reading.lot.count for reading in read_lines("12 fat quarters\\n42 charm squares")]
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


def _length_problem(line: str) -> Iterator[str]:
    if len(line) > LONGEST_LINE:
        yield f"A line has at most {LONGEST_LINE} letters; this one has {len(line)}."


def _unread_problems(stretches: tuple[Stretch, ...]) -> Iterator[str]:
    unread = [s.text for s in stretches if s.not_understood]
    if unread:
        words = ", ".join(f"“{text}”" for text in unread[:4])
        more = " and more" if len(unread) > 4 else ""
        yield f"Not understood: {words}{more}. Put a name in quotes; leave the rest out."


def _with_cloth_name(stretches: tuple[Stretch, ...], said: Said) -> tuple[Stretch, ...]:
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


def _lot(said: Said, shop: Workshop, problems: list[str]) -> tuple[Lot | None, list[str]]:
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
    said: Said,
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


def _prints(said: Said, form: Form, prints: int) -> tuple[Print, ...]:
    if prints == 1 and form is not Form.STRIP and (said.name or form in _NAMED):
        return (named_print(said.name or FACTS[form].one, said.value),)
    return made_up_prints(prints, said.value)


def _how_many(form: Form) -> str:
    if form is Form.SCRAPS:
        return "How much? Say it like 900 g crumbs."
    if form in {Form.YARDAGE, Form.BACKING, Form.BATTING}:
        return "How much? Say it like 2 1/4 yd charcoal."
    many = FACTS[form].many
    return f"How many {many}? Say it like 40 {many}" + (
        " or roll of 40 strips." if form is Form.STRIP else "."
    )


def _can_be_drawn(problems: list[str]) -> bool:
    """Whether all that is wrong, if anything, is a word that was not understood."""
    return all(p.startswith("Not understood") for p in problems)


def _piece_count(said: Said, form: Form, assumed: list[str]) -> int | None:
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
    said: Said, form: Form, shop: Workshop, assumed: list[str]
) -> tuple[Fraction, Fraction] | None:
    """Width and length of one piece; None when the form has no usual size and none was said."""
    if form is Form.SCRAPS:
        return Fraction(0), Fraction(0)
    if form is Form.SQUARE and said.width is not None:
        return said.width, said.width if said.length is None else said.length
    of_the_bolt = {Form.YARDAGE, Form.BACKING, Form.BATTING}
    usual_width, usual_length = FACTS[form].usual
    cloth = shop.usable_width
    width, length = said.width, said.length
    if width is None:
        width = usual_width or (cloth if form in of_the_bolt else None)
    if length is None:
        length = usual_length or (cloth if form in {Form.STRIP, Form.STRING} else None)
    if width is None or length is None:
        return None
    _assume_size(said, form, (width, length), shop.units, assumed)
    assumed.extend(_doubtful_unit(said, form, length, shop.units))
    return width, length


def _doubtful_unit(said: Said, form: Form, length: Fraction, units: Units) -> Iterator[str]:
    """What unit a bare number was taken to be in, where it looks like the other one."""
    if said.unit_said:
        return
    if units is Units.INCHES and form in {Form.STRIP, Form.STRING} and length > _LONGEST_STRIP:
        yield f"{format_number(length, units)} is in inches; for centimetres write cm after it"
    if units is Units.CENTIMETRES and said.fraction_said:
        yield "fractions without a unit are in centimetres; for inches write in after them"


def _assume_size(
    said: Said,
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


def _print_count(said: Said, form: Form, count: int, assumed: list[str]) -> int:
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


def _count_problems(said: Said, form: Form, count: int, prints: int) -> Iterator[str]:
    facts = FACTS[form]
    if not 1 <= count <= facts.most:
        yield f"From 1 to {facts.most} {facts.many} can lie on one table; {count} were said."
    elif not 1 <= prints <= count:
        yield f"{prints} prints cannot come out of {count} {facts.many}: each is one at least."
    elif said.each is not None and said.each * prints != count:
        yield f"{prints} prints with {said.each} of each are {said.each * prints}, not {count}."


def _in_words(lot: Lot, said: Said, units: Units) -> tuple[str, ...]:
    kinds = len(lot.stacks)
    words = (
        pieces_in_words(lot),
        size_in_words(lot, units),
        "" if lot.form in _NAMED else f"{kinds} print{'s' * (kinds != 1)}{_each_in_words(lot)}",
        f"“{said.name}”" if said.name else "",
        f"all {said.value}" if said.value else "",
        "not to be turned" if lot.directional else "",
    )
    return tuple(word for word in words if word)


class Described(Protocol):
    """What is needed to say how much there is of a lot, and how large it is."""

    @property
    def form(self) -> Form: ...
    @property
    def count(self) -> int: ...
    @property
    def width(self) -> Fraction: ...
    @property
    def length(self) -> Fraction: ...
    @property
    def most_width(self) -> Fraction | None: ...
    @property
    def most_length(self) -> Fraction | None: ...
    @property
    def grams(self) -> int | None: ...
    @property
    def estimated(self) -> bool: ...


def pieces_in_words(lot: Described) -> str:
    """How many pieces there are, or how much: ``12 fat quarters``, ``about 60 strings``."""
    facts = FACTS[lot.form]
    about = "about " if lot.estimated else ""
    if lot.grams is not None:
        weight = f"{lot.grams} g" if lot.grams < 1000 else f"{lot.grams / 1000:g} kg"
        return f"{weight} of {facts.many}"
    if lot.form in {Form.YARDAGE, Form.BACKING, Form.BATTING}:
        return facts.one if lot.count == 1 else f"{about}{lot.count} lengths of {facts.one}"
    return f"{about}{lot.count} {facts.one if lot.count == 1 else facts.many}"


def size_in_words(lot: Described, units: Units) -> str:
    """How large each piece is, or how much the weight comes to."""
    if lot.grams is not None:
        square_yards = float(area_of_scraps(lot.grams)) / 36**2
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


def _proposed_name(said: Said, lot: Lot | None) -> str:
    if lot is None:
        return ""
    facts = FACTS[lot.form]
    value = f"{said.value} " if said.value else ""
    if said.is_roll:
        return f"{value}roll of {lot.count}".capitalize()
    if lot.count == 1:
        return f"{value}{facts.one}".capitalize()
    return f"{value}{facts.many} of {lot.count}".capitalize()
