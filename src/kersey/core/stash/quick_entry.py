"""A line as people say it -> fabric on the table.

    roll of 40 strips, 20 prints            42 strips 2 1/2 x 41.5, light
    12 light fat quarters                   42 charm squares, 21 prints
    2 1/4 yd charcoal                       9 strings 1 1/2 x 30
    strings 1 1/4 to 2 1/2, about 60, 9 to 30 long
    a shoe box, 900 g of crumbs             5 yd backing 108 wide
    10 light, 14 dark fat quarters          2 yd navy and 1 yd red

What the line says is found by its phrases (`said`); here it becomes lots. What was not said is
assumed aloud, never silently; what cannot be assumed ends in a question that fits the rest.
"""

import re
from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.cloth.fabric import BadFabric, Fact, Lot, Print, Stack, spread
from kersey.core.cloth.forms import FACTS, BadPiece, Form, check_piece
from kersey.core.cloth.print_names import COLOUR_WORDS, PLAIN_CLOTH, named_print, unknown_prints
from kersey.core.errors import InvalidValue
from kersey.core.measure.counting import counted, noun_for
from kersey.core.measure.length import (
    Units,
    bought_length,
    format_bought,
    format_length,
    format_number,
    format_size,
    format_yardage,
)
from kersey.core.measure.workshop import Workshop
from kersey.core.stash.lot_words import pieces_in_words, size_in_words
from kersey.core.stash.said.facts import OF_THE_BOLT, LotFacts, LotSaid, Stretch
from kersey.core.stash.said.lots import lots_said
from kersey.core.stash.said.off_the_bolt import NARROWEST_BOLT
from kersey.core.stash.said.words import meant

# Lines that show what can be said, in the two systems; the page of examples reads them itself.
EXAMPLES_IN_INCHES = (
    "roll of 40 strips, 20 prints",
    "42 strips 2 1/2 x 41.5, light",
    "12 light fat quarters",
    "10 light, 14 dark fat quarters",
    "6 fat eighths, directional",
    "42 charm squares, 21 prints",
    "40 ten-inch squares",
    "100 squares 3 1/2 x 3 1/2, 4 prints, 25 each",
    "2 1/4 yd charcoal",
    "two yards of navy and half a yard of red",
    "1/4 yard each red blue green",
    "10 half yards",
    "9 strings 1 1/2 x 30",
    "strings 1 1/4 to 2 1/2, about 60, 9 to 30 long",
    "3 pieces 9 x 12 rust plaid",
    "60 triangles 2 1/2 x 2 1/2",
    "18 blocks 6 1/2",
    "a shoe box, 900 g of crumbs",
    "5 yd backing 108 wide",
    "queen batting",
)
EXAMPLES_IN_CENTIMETRES = (
    "roll of 40 strips, 20 prints",
    "roll 40 x 6.5 cm x 107 cm",
    "42 strips 6.5 x 105, light",
    "12 light fat quarters 45 x 53",
    "10 light, 14 dark fat quarters",
    "6 fat eighths, directional",
    "42 squares 12.5, 21 prints",
    "100 squares 9 x 9, 4 prints, 25 each",
    "0.5 m x 110 cm steam",
    "1 m 30 cm navy",
    "2 m of navy and half a meter of red",
    "25 cm each red blue green",
    "9 strings 4 x 75",
    "strings 3 to 6 wide, about 60, 25 to 75 long",
    "3 pieces 23 x 30 rust plaid",
    "60 triangles 6 x 6",
    "18 blocks 16.5",
    "a shoe box, 900 g of crumbs",
    "4.5 m backing 270 cm wide",
    "batting 180 x 230",
)
EXAMPLES = (*EXAMPLES_IN_INCHES, "roll 40 x 6.5 cm x 107 cm", "0.5 m x 110 cm steam")
LONGEST_LINE = 200
# docs/trade.md section 1: strip rolls hold about two strips of each print.
ROLL_STRIPS_EACH = 2
# Rolls and packs hold 40 to 42; the careful figure, until they are counted.
IN_A_PACK = 40
# More than this many are said of all rolls together.
MOST_IN_A_ROLL = 60
# Of these each piece is usually another print; the rest is usually all of one.
_EACH_ITS_OWN_PRINT = frozenset({Form.SQUARE, Form.FAT_QUARTER, Form.FAT_EIGHTH})
# Cloth is hardly ever wider, so a longer strip may well be meant in centimetres.
_LONGEST_STRIP = 60
# A piece so narrow and so many times as long is called a strip.
_STRIP_WIDE, _STRIP_TIMES = 6, 3
# Of these words that mean nothing else are the name of the cloth.
_NAMED = OF_THE_BOLT | {Form.PIECE, Form.SCRAPS, Form.STRING, Form.TRIANGLE, Form.BLOCK}
# What stands before a line of a list: a dash, a dot, a box to tick, a number.
_BULLET = re.compile(r"\s*(?:[-–—*•·‣]\s+|\[[ xX]?\]\s*|\d{1,3}[.)]\s+(?=\S))+")
_HEADING = re.compile(r"\s*(?:#+\s.*|[^\d½¼¾⅛⅜⅝⅞]{1,60}:)\s*")


# Motifs that are hardly ever meant where they explain nothing.
_READS_ALIKE = {"stripes": "strips", "stripe": "strip"}


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
    proposal: str = ""
    note: str = ""

    @property
    def taken(self) -> bool:
        """Whether Enter puts it on the table."""
        return self.lot is not None and not self.problems


def examples_in(units: Units) -> tuple[str, ...]:
    """Lines that show what can be said, for somebody who thinks in these units."""
    return EXAMPLES_IN_INCHES if units is Units.INCHES else EXAMPLES_IN_CENTIMETRES


def read_lots(line: str, workshop: Workshop | None = None) -> tuple[Reading, ...]:
    """Read one line of fabric as a person says it: a reading for each lot, one at least.

    Bare numbers are in the workshop's units; a length not said is its usable width.
    Never raises: what is wrong stands in `problems`, what was not understood is marked. A slip of
    the finger is not taken silently: `proposal` is the line as it may have been meant.

    >>> [reading.lot.count for reading in read_lots("10 light, 14 dark fat quarters")]
    [10, 14]
    """
    shop = workshop or Workshop()
    lots = lots_said(line[:LONGEST_LINE], shop.units, shop.usable_width)
    readings = [_reading(line, lot, shop) for lot in lots]
    return tuple(readings)


def read_line(line: str, workshop: Workshop | None = None) -> Reading:
    """Read a line that speaks of one lot; of several, the first.

    >>> reading = read_line("42 strips 2 1/2 x 41.5, light")
    >>> reading.lot.count, reading.lot.width, reading.lot.length, reading.taken
    (42, Fraction(5, 2), Fraction(83, 2), True)
    """
    return read_lots(line, workshop)[0]


def read_lines(text: str, workshop: Workshop | None = None) -> tuple[Reading, ...]:
    """Read several lines at once, such as a pasted list.

    Empty lines, headings, and the bullets and numbers of a list are passed over.

    >>> [reading.lot.count for reading in read_lines("Stash:\\n- 12 fat quarters\\n- 42 charms")]
    [12, 42]
    """
    return tuple(reading for line in lines_of(text) for reading in read_lots(line, workshop))


def lines_of(text: str) -> tuple[str, ...]:
    """The lines of a pasted list that speak of fabric, without what makes them a list.

    >>> lines_of("Stash:\\n1. 12 fat quarters\\n\\n- 42 charms")
    ('12 fat quarters', '42 charms')
    """
    lines = [line for line in text.splitlines() if line.strip()]
    if len(lines) > 1:
        lines = [line for line in lines if not _HEADING.fullmatch(line)]
    return tuple(_BULLET.sub("", line, count=1) for line in lines)


def _reading(line: str, lot_said: LotSaid, shop: Workshop) -> Reading:
    said = lot_said.said
    problems = [*_length_problem(line), *_unread_problems(lot_said.stretches)]
    proposal = _proposal(line, lot_said.stretches)
    if said.shares:
        # What came out even is a lot for each share by now.
        problems.append(
            f"{said.count} can't be shared out like that. Type how many of each, like 20 light, "
            "22 dark."
        )
    questions: list[str] = []
    lot, assumed = _lot(said, shop, questions)
    # A slip mended may well answer the question.
    problems.extend(() if proposal else questions)
    if lot is not None:
        assumed.extend(_filled_in(lot))
        if said.part_of_roll is not None and said.count is None:
            proposal = f"{lot.count} strips"
            problems.append(f"A roll has about {IN_A_PACK} strips. Are yours {proposal}?")
    return Reading(
        line=line,
        stretches=tuple(lot_said.stretches),
        lot=lot,
        is_roll=said.is_roll,
        in_words=_in_words(lot, said, shop.units) if lot else (),
        assumed=tuple(assumed),
        problems=tuple(problems),
        name=_lot_name(said, lot),
        proposal=proposal,
        note=said.note,
    )


def _proposal(line: str, stretches: list[Stretch]) -> str:
    """The line with words that look like slips as they may have been meant; else nothing."""
    better = [(s.text, _slip(s.text)) for s in stretches if s.not_understood and _slip(s.text)]
    for text, word in better:
        line = line.replace(text, str(word), 1)
    return line if better else ""


def _slip(word: str) -> str | None:
    """What a word that nothing explains may have been meant as."""
    return _READS_ALIKE.get(word.lower()) or meant(word)


def _filled_in(lot: Lot) -> Iterator[str]:
    """What nobody said of the prints, so that it is only filled in."""
    unknown = frozenset(fact for cloth in lot.prints for fact in cloth.filled_in)
    several = len(lot.prints) > 1
    if Fact.NAME in unknown:
        them = "the prints are" if several else "the print is"
        stand_in = ", with stand-in colors," if Fact.COLOUR in unknown else ""
        yield f"{them} numbered{stand_in} until you describe them"
    elif Fact.COLOUR in unknown:
        yield "the color is a stand-in until you set it"
    elif unknown:
        yield "light or dark isn't known until you set it"


def take_line(line: str, workshop: Workshop | None = None) -> Reading:
    """The reading of a line that can be put on the table; raises `NotTaken` saying what is wrong.

    >>> take_line("roll of 40 strips, 20 prints").lot.count
    40
    """
    readings = read_lots(line, workshop)
    problems = [problem for reading in readings for problem in reading.problems]
    if problems or len(readings) > 1:
        raise NotTaken(" ".join(problems) or "Type one lot at a time, like 12 fat quarters.")
    return readings[0]


def _length_problem(line: str) -> Iterator[str]:
    if len(line) > LONGEST_LINE:
        yield f"A line can have {LONGEST_LINE} characters; this one has {len(line)}."


def _unread_problems(stretches: list[Stretch]) -> Iterator[str]:
    unread = [s.text for s in stretches if s.not_understood]
    if not unread:
        return
    words = ", ".join(f"“{text}”" for text in unread[:4])
    more = " and more" if len(unread) > 4 else ""
    slips = [f"“{better}”" for better in map(_slip, unread) if better]
    if slips:
        yield f"Kersey doesn't know {words}{more}. Did you mean {' and '.join(slips)}?"
    elif len(unread) == 1 and unread[0].isdecimal():
        yield (
            f"Are the {unread[0]} part of these, or extra? Type each group by itself, like 6 light "
            "fat quarters, 6 dark fat quarters."
        )
    else:
        yield (
            f"Kersey doesn't know {words}{more}. If it is a name, put "
            "it in quotes; if not, leave it out."
        )


def _lot(said: LotFacts, shop: Workshop, problems: list[str]) -> tuple[Lot | None, list[str]]:
    """The lot as far as it can be made; appends to `problems` what stands in the way."""
    assumed: list[str] = []
    form = said.form or _form_by_size(said, assumed)
    if form is Form.SCRAPS and said.grams is None and said.width is not None:
        form = Form.PIECE
    if form is None:
        problems.append(_of_what(said, shop.units))
        return None, assumed
    count = _piece_count(said, form, assumed)
    if count is None:
        problems.append(_how_many(said, form, shop.units))
        return None, assumed
    size = _piece_size(said, form, shop, assumed)
    if size is None:
        problems.append(_how_large(said, count, form, shop.units))
        return None, assumed
    prints = _print_count(said, form, count, assumed)
    problems.extend(_count_problems(said, form, count, prints))
    try:
        check_piece(form, *size)
        check_piece(form, said.most_width or size[0], said.most_length or size[1])
    except BadPiece as error:
        problems.append(str(error))
    if problems:
        return None, assumed
    return _made(said, form, size, spread(count, _prints(said, form, prints)), problems), assumed


def _form_by_size(said: LotFacts, assumed: list[str]) -> Form | None:
    """The form that is meant where none was said: strips by the roll, or what the size is of."""
    if said.prints is not None and said.each is not None:
        return Form.STRIP
    if said.width is None or (said.count is None and said.length is None):
        return None
    if said.length is None:
        return Form.STRIP if said.width <= _STRIP_WIDE else None
    if said.length == said.width and (said.count is not None or said.width < NARROWEST_BOLT):
        form = Form.SQUARE
    elif said.width <= _STRIP_WIDE and said.length >= _STRIP_TIMES * said.width:
        form = Form.STRIP
    else:
        form = Form.PIECE
    assumed.append(f"{FACTS[form].many}, judging by the size")
    return form


def _of_what(said: LotFacts, units: Units) -> str:
    """The question where there is no form: it takes up what was understood."""
    cloth = "2 1/4 yd" if units is Units.INCHES else "2 m"
    if said.count is not None:
        count = said.count
        return (
            f"{count} of what? Type it like {count} fat quarters, {count} strips "
            f"or {count} squares {'5' if units is Units.INCHES else '12.5'}."
        )
    if said.prints is not None:
        return (
            f"{counted(said.prints, 'print')} of what? Type it like roll of 40 strips, "
            f"{counted(said.prints, 'print')}."
        )
    if said.width is not None:
        return f"How many, and what? Type it like 40 strips {format_number(said.width, units)}."
    if said.name or said.value:
        cloth_name = said.name or f"of the {said.value} fabric"
        return f"How much {cloth_name}? Type it like {cloth} {said.name or said.value}."
    return f"Type how many and what, like 12 fat quarters, 40 strips or {cloth} navy."


def _how_large(said: LotFacts, count: int, form: Form, units: Units) -> str:
    facts = FACTS[form]
    noun = said.what or noun_for(count, facts.one)
    example = facts.example if units is Units.INCHES else facts.metric_example
    weigh = ", or type the weight: 300 g scraps" if form is Form.PIECE else ""
    if form in OF_THE_BOLT:
        much = "4 yd" if units is Units.INCHES else "4 m"
        return f"How much {noun}? Type it like {much} {noun} or {noun} {example}."
    are = "is the" if count == 1 else f"are the {count}"
    return f"What size {are} {noun}? Type it like {count} {noun} {example}{weigh}."


def _made(
    said: LotFacts,
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


def _prints(said: LotFacts, form: Form, prints: int) -> tuple[Print, ...]:
    known = " ".join(word for word in (said.name, said.what) if word)
    if prints == 1 and (known or said.role or form in _NAMED):
        return (named_print(known or said.role or FACTS[form].one, said.value),)
    if len(said.names) == prints > 1:
        return tuple(named_print(name, said.value) for name in said.names)
    if said.name.lower() in COLOUR_WORDS:
        return unknown_prints(prints, said.value, named=said.name)
    return unknown_prints(prints, said.value)


def _how_many(said: LotFacts, form: Form, units: Units) -> str:
    named = f" {said.name}" if said.name else ""
    if form is Form.SCRAPS:
        return f"How much do they weigh? Type it like 900 g crumbs{named}."
    if form in OF_THE_BOLT and said.length is not None:
        bought = format_bought(said.length)
        return f"How many are in the bundle? Type it like 12 x {bought}{named}."
    if form in OF_THE_BOLT:
        noun = f" {FACTS[form].one}" if form is not Form.YARDAGE else named or " navy"
        return f"How much? Type it like {'2 1/4 yd' if units is Units.INCHES else '2 m'}{noun}."
    many, usual = FACTS[form].many, 12 if form in {Form.FAT_QUARTER, Form.FAT_EIGHTH} else 40
    return f"How many {many}? Type it like {usual} {many}" + (
        " or roll of 40 strips." if form is Form.STRIP else "."
    )


def _piece_count(said: LotFacts, form: Form, assumed: list[str]) -> int | None:
    if said.count is not None:
        return _counted(said, said.count, assumed)
    if said.each is not None and (said.prints or said.rolls):
        return (said.prints or said.rolls or 1) * said.each
    if form is Form.SCRAPS:
        return None if said.grams is None else 1
    if said.is_pack or (said.rolls and form is Form.SQUARE):
        return _packed(said, assumed)
    if form in {*OF_THE_BOLT, Form.PIECE} and said.length and not (said.rolls or said.prints):
        assumed.append("one piece")
        return 1
    return None


def _packed(said: LotFacts, assumed: list[str]) -> int:
    """How many there are in rolls and packs of which nobody said how many they hold."""
    if said.part_of_roll is not None:
        return round(IN_A_PACK * said.part_of_roll)
    what = "roll" if said.is_roll else "pack"
    assumed.append(f"{IN_A_PACK} in a {what}; they hold 40 to 42, so count yours")
    return IN_A_PACK * (said.rolls or 1) - said.less


def _counted(said: LotFacts, count: int, assumed: list[str]) -> int:
    """How many there are where a count was said, of all rolls and packs together."""
    packs = said.rolls or 1
    if said.several_cuts:
        bought = format_bought(said.length or Fraction(0))
        assumed.append(f"{count} separate cuts of {bought}, not one length")
    if packs > 1:
        if said.is_roll and count > MOST_IN_A_ROLL:
            return count - said.less
        assumed.append(f"{count} in each {'roll' if said.is_roll else 'pack'}")
    return count * packs - said.less


def _piece_size(
    said: LotFacts, form: Form, shop: Workshop, assumed: list[str]
) -> tuple[Fraction, Fraction] | None:
    """Width and length of one piece; None when the form has no usual size and none was said."""
    if form is Form.SCRAPS:
        return Fraction(0), Fraction(0)
    if said.finished and said.width is not None:
        both = 2 * shop.seam
        assumed.append(f"a {format_length(shop.seam, shop.units)} seam on each side added")
        return said.width + both, (said.length or said.width) + both
    if form is Form.SQUARE and said.width is not None:
        return said.width, said.width if said.length is None else said.length
    usual_width, usual_length = FACTS[form].usual
    cloth = shop.usable_width
    width, length = said.width, said.length
    if width is None:
        width = usual_width or (cloth if form in OF_THE_BOLT else None)
    if length is None:
        length = usual_length or (cloth if form in {Form.STRIP, Form.STRING} else None)
    if width is None or length is None:
        return None
    _assume_size(said, form, (width, length), shop.units, assumed)
    assumed.extend(_doubtful_unit(said, form, length, shop.units))
    return width, length


def _doubtful_unit(said: LotFacts, form: Form, length: Fraction, units: Units) -> Iterator[str]:
    """What unit a bare number was taken to be in, where it looks like the other one."""
    if said.unit_said:
        return
    if units is Units.INCHES and form in {Form.STRIP, Form.STRING} and length > _LONGEST_STRIP:
        yield f"{format_number(length, units)} is in inches; for centimeters, type cm after it"
    if units is Units.CENTIMETRES and said.fraction_said:
        yield "fractions without a unit are in centimeters; for inches, type in after them"


def _assume_size(
    said: LotFacts, form: Form, size: tuple[Fraction, Fraction], units: Units, assumed: list[str]
) -> None:
    if said.packet:
        assumed.append(f"{format_size(*size, units)}, the usual {said.packet} batting package")
    if said.extra_wide:
        assumed.append(f"{format_length(size[0], units)} wide, the usual for extra-wide backing")
    if said.guessed_length:
        assumed.append(
            f"{format_number(size[1], units)} is the length; if it is the width, type wide after it"
        )
    if said.width is None:
        as_usual = "the usual for strip rolls" if form is Form.STRIP else "the usual size"
        assumed.append(f"{format_length(size[0], units)} wide, {as_usual}")
    if said.length is None:
        as_set = form in {Form.STRIP, Form.STRING}
        words = "usable width of fabric, from your settings" if as_set else "long, the usual size"
        assumed.append(f"{format_length(size[1], units)} {words}")


def _print_count(said: LotFacts, form: Form, count: int, assumed: list[str]) -> int:
    if said.prints is not None:
        return said.prints
    of_each = None if said.rolls else said.each
    if of_each or said.all_different:
        return max(1, count // (of_each or 1))
    several_cuts = form is Form.YARDAGE and not said.name
    if said.is_roll:
        prints, words = max(1, count // ROLL_STRIPS_EACH), "prints, two strips of each"
    elif said.name.lower() in PLAIN_CLOTH:
        return 1
    elif count > 1 and (form in _EACH_ITS_OWN_PRINT or several_cuts):
        prints, words = max(1, min(count, FACTS[form].most)), "prints, each one different"
    else:
        if form not in _NAMED:
            assumed.append("one print, because you didn't type how many")
        return 1
    assumed.append(f"{prints} {words}, because you didn't type how many")
    return prints


def _count_problems(said: LotFacts, form: Form, count: int, prints: int) -> Iterator[str]:
    facts = FACTS[form]
    if not 1 <= count <= facts.most:
        yield f"A lot can have 1 to {facts.most} {facts.many}; you typed {count}."
    elif not 1 <= prints <= count:
        yield (
            f"{count} {facts.many} can't be {counted(prints, 'print')}; each print needs at "
            f"least one piece."
        )
    elif said.each is not None and not said.rolls and said.each * prints != count:
        yield (
            f"{counted(prints, 'print')} with {said.each} of each make {said.each * prints}, not "
            f"{count}."
        )


def _in_words(lot: Lot, said: LotFacts, units: Units) -> tuple[str, ...]:
    kinds = len(lot.stacks)
    words = (
        pieces_in_words(lot),
        _off_the_bolt(lot, said.bought_in) if said.bought_in else size_in_words(lot, units),
        "" if lot.form in _NAMED else f"{counted(kinds, 'print')}{_each_in_words(lot)}",
        f"“{said.name}”" if said.name else "",
        f"all {said.value}" if said.value else "",
        "directional" if lot.directional else "",
        said.note,
    )
    return tuple(word for word in words if word)


def _off_the_bolt(lot: Lot, units: Units) -> str:
    """How long the cloth is, as shops cut it or by the ruler, and how wide."""
    each = " each" if lot.count > 1 else ""
    long = "" if bought_length(lot.length, units) == lot.length else " long"
    length, width = format_yardage(lot.length, units), format_length(lot.width, units)
    return f"{length}{long}{each}, {width} wide"


def _each_in_words(lot: Lot) -> str:
    most, fewest = max(lot.counts), min(lot.counts)
    if len(lot.stacks) == 1:
        return ""
    return f", {most} of each" if most == fewest else f", {fewest} or {most} of each"


def _lot_name(said: LotFacts, lot: Lot | None) -> str:
    """What the lot is called: by its cloth, and by what it is kept for."""
    cloth = ", ".join(said.names) if lot is not None and _named_apart(said, lot) else said.name
    if not said.role:
        return cloth or _proposed_name(said, lot)
    return f"{cloth} for {said.role}" if cloth else f"{said.role} fabric".capitalize()


def _named_apart(said: LotFacts, lot: Lot) -> bool:
    return len(lot.stacks) == len(said.names) > 1


def _proposed_name(said: LotFacts, lot: Lot | None) -> str:
    if lot is None:
        return ""
    facts = FACTS[lot.form]
    value = f"{said.value} " if said.value else ""
    if said.is_roll:
        return f"{value}roll of {counted(lot.count, 'strip')}".capitalize()
    if lot.count == 1:
        return (said.what or f"{value}{facts.one}").capitalize()
    return f"{lot.count} {said.what}" if said.what else counted(lot.count, f"{value}{facts.one}")
