"""The phrases a line of fabric is made of, and what each says.

A line is a row of tokens (`tokens`), each of a sort with a letter. A phrase is a pattern over those
letters: ``NG`` is a weight, ``NE`` so many of each. The row is read from left to right; at each
place the first phrase that fits and says something new is understood. What none fits is passed
over as a filler, or marked not understood; words that name a cloth are put together at the end.

A line may speak of several lots: "12 light, 18 dark fat quarters" or "2 yd navy, 1 yd red". At a
comma, "and", "+" or ";" another lot begins if what follows says how much there is of it.
"""

import re
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, field, replace
from fractions import Fraction

from kersey.core.fabric import LONGEST_NAME, Value
from kersey.core.forms import Form
from kersey.core.length import CENTIMETRE, FOOT, INCH, METRE, YARD, Units
from kersey.core.said.tokens import Token, marks_between, tokens_of
from kersey.core.said.words import Sort, form_of, meant

# Handbook section 1: how wide the squares of a stack are cut.
_SQUARES = {"charm": Fraction(5), "mini": Fraction(5, 2)}
# In "40 x 2 1/2" the second number is a strip's width, in "2 1/2 x 41.5" its length.
_WIDTH_AT_MOST = Fraction(12)
# A lone length said of strips is their width up to here; strips are hardly cut wider.
_STRIP_AT_MOST = Fraction(6)
# Backing is sold so wide, and no narrower length of it would be said in inches.
_WIDE_BACKING = Fraction(58)
# A bare number behind a length of cloth is its width only if cloth comes so wide.
_NARROWEST_BOLT = Fraction(30)
# Backing sold extra-wide, if no other width is said (handbook section 6).
_EXTRA_WIDE = Fraction(108)
# Fewer before the word are packs, not squares: "2 charm packs".
_FEWEST_IN_A_PACK = 10
# What beds are called -> the packet of batting for them (handbook section 6).
_PACKETS = {"crib": (45, 60), "twin": (72, 90), "full": (81, 96), "queen": (90, 108),
            "king": (120, 120)}  # fmt: skip

# Forms that come off the bolt, or are a bit of it: a word behind them names the cloth.
OF_THE_BOLT = frozenset({Form.YARDAGE, Form.BACKING, Form.BATTING})


@dataclass(frozen=True)
class Stretch:
    """A stretch of the line: its text, and what it was understood as, if it was."""

    text: str
    understood_as: str | None
    is_filler: bool = False

    @property
    def not_understood(self) -> bool:
        return self.understood_as is None and not self.is_filler


@dataclass
class Said:
    """What has been understood so far of one lot. Lengths in inches."""

    count: int | None = None
    rolls: int | None = None
    is_roll: bool = False
    is_pack: bool = False
    width: Fraction | None = None
    length: Fraction | None = None
    prints: int | None = None
    each: int | None = None
    one_each: bool = False
    value: Value | None = None
    name: str = ""
    names: tuple[str, ...] = ()
    form: Form | None = None
    most_width: Fraction | None = None
    most_length: Fraction | None = None
    grams: int | None = None
    about: bool = False
    directional: bool = False
    unit_said: bool = False
    fraction_said: bool = False
    packet: str = ""
    extra_wide: bool = False
    several_cuts: bool = False
    guessed_length: bool = False

    @property
    def much(self) -> bool:
        """Whether it is said how much there is."""
        return self.count is not None or self.grams is not None or self.is_pack


@dataclass
class LotSaid:
    """What was said of one lot, and the stretches of the line that say it."""

    said: Said = field(default_factory=Said)
    stretches: list[Stretch] = field(default_factory=list)


def lots_said(line: str, units: Units, cloth: Fraction) -> list[LotSaid]:
    """The lots a line speaks of, one at least. `cloth`: the usable width, for strips cut across.

    >>> [(lot.said.count, lot.said.value) for lot in
    ...  lots_said("12 light, 18 dark fat quarters", Units.INCHES, Fraction(42))]
    [(12, <Value.LIGHT: 'light'>), (18, <Value.DARK: 'dark'>)]
    """
    lots = _Reader(line, units, cloth).lots()
    # "12 light, 18 dark fat quarters": the form stands with the last.
    for place in range(len(lots) - 2, -1, -1):
        said, after = lots[place].said, lots[place + 1].said
        if said.form is None and said.count is not None and after.form not in {None, Form.YARDAGE}:
            said.form = after.form
            said.width, said.length = said.width or after.width, said.length or after.length
            said.is_pack = said.is_pack or after.is_pack
    return [single for lot in lots for single in _one_for_each_name(lot)]


def _one_for_each_name(lot: LotSaid) -> Iterator[LotSaid]:
    """ "1/4 yd each red blue green": one lot for each cloth that is named."""
    if not lot.said.one_each or len(lot.said.names) < 2:
        yield lot
        return
    for place, name in enumerate(lot.said.names):
        said = replace(lot.said, name=name, names=(), count=lot.said.count or 1)
        yield LotSaid(said, lot.stretches if place == 0 else [])


class _Reader:
    """Reads one line."""

    def __init__(self, line: str, units: Units, cloth: Fraction) -> None:
        self.line, self.units, self.cloth = line, units, cloth
        self.tokens = tokens_of(line)
        self.letters = "".join(token.sort for token in self.tokens)
        self.said = Said()
        self.meaning: dict[int, str | None] = {}

    def lots(self) -> list[LotSaid]:
        begins = [0]
        found: list[Said] = []
        place = 0
        while place < len(self.tokens):
            if self._another_lot_begins(place):
                found.append(self.said)
                self.said = Said()
                begins.append(place + 1)
            place += self._read_at(place)
        found.append(self.said)
        ends = [*begins[1:], len(self.tokens)]
        for said, begin, end in zip(found, begins, ends, strict=True):
            _name_the_cloth(said, self.tokens, self.meaning, range(begin, end))
        return [
            LotSaid(said, stretches)
            for said, stretches in zip(found, self._stretches(begins), strict=True)
        ]

    def _another_lot_begins(self, place: int) -> bool:
        said = self.said
        if self.letters[place] != Sort.BREAK:
            return False
        after = self.letters[place + 1 :].split(Sort.BREAK)[0]
        if said.much and said.form is not None and _FORM_FIRST.match(after):
            return True
        if said.much and said.form is None and _VALUE_ALONE.fullmatch(after):
            return Sort.FORM in self.letters[place:]
        return said.much and _QUANTITY.match(after) is not None

    def _read_at(self, place: int) -> int:
        """Understand what begins at a token; how many tokens that takes."""
        for pattern, understand in _PHRASES:
            match = pattern.match(self.letters, place)
            if match is None or match.end() == place:
                continue
            meaning = understand(self, self.tokens[place : match.end()], match)
            if meaning is not None:
                for number in range(place, match.end()):
                    self.meaning[number] = meaning
                    self._note_units(self.tokens[number])
                return match.end() - place
        self.meaning[place] = None
        return 1

    def _note_units(self, token: Token) -> None:
        self.said.unit_said |= token.sort in {Sort.LENGTH_UNIT, Sort.CLOTH_UNIT}
        fraction = token.sort is Sort.NUMBER and token.value.denominator > 1
        self.said.fraction_said |= fraction and not re.search(r"[.,]", token.text)

    def _stretches(self, begins: Sequence[int]) -> list[list[Stretch]]:
        """The line as stretches, those of each lot together."""
        places = {id(token): place for place, token in enumerate(self.tokens)}
        lots: list[list[Stretch]] = [[] for _ in begins]
        for text, token in marks_between(self.line, self.tokens):
            if token is None:
                lot, meaning, filler = max(0, self._lot_now(lots)), None, True
            else:
                place = places[id(token)]
                lot = sum(1 for begin in begins[1:] if begin <= place)
                meaning = self.meaning.get(place)
                filler = meaning is None and token.sort in _PASSED_OVER
            lots[lot].append(Stretch(text, meaning, is_filler=filler))
        return lots

    @staticmethod
    def _lot_now(lots: list[list[Stretch]]) -> int:
        return max((n for n, lot in enumerate(lots) if lot), default=0)

    def rest(self, end: int) -> str:
        """The letters from a place to the end of its clause."""
        return self.letters[end:].split(Sort.BREAK)[0]

    def length(self, tokens: Sequence[Token], suffix: Fraction | None = None) -> Fraction:
        """A number with the units behind it, if any; else in `suffix`, or as the person thinks."""
        own = INCH if self.units is Units.INCHES else CENTIMETRE
        number, *rest = tokens
        if number.sort is Sort.WOF:
            return self.cloth
        return number.value * (rest[0].value if rest else suffix or own)


_Understand = Callable[[_Reader, Sequence[Token], re.Match[str]], str | None]
# Sorts of tokens that say nothing by themselves.
_PASSED_OVER = frozenset(
    {Sort.FILLER, Sort.BREAK, Sort.MARK, Sort.CUT, Sort.PACK, Sort.PRINTS, Sort.CALLED}
)
_L = "(?:N[UY]?|W)"
_ADJECTIVES = "[Vhof]*"
# What follows a comma or "and" is another lot if it begins so.
_QUANTITY = re.compile(
    rf"[fAp]*(?:N{_ADJECTIVES}F|N{_L}[wl]?{_ADJECTIVES}F|N{_L}B{_L}[wl]?{_ADJECTIVES}F|NG"
    rf"|NY(?![Bwl])|NNY|NBNY|N[RP]|R|NB{_L}B|N{_L}B{_L}(?!B))"
)
_VALUE_ALONE = re.compile("[fAp]*N[Vh]+[fp]*")
_FORM_FIRST = re.compile(r"[fAp]*F[^K]*N")


def _whole(token: Token) -> int | None:
    return int(token.value) if token.is_whole and token.value <= 9_999_999 else None


def _understand_name(reader: _Reader, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    if reader.said.name:
        return None
    reader.said.name = " ".join(tokens[-1].text[1:-1].split())[:LONGEST_NAME]
    return "name"


def _understand_weight(reader: _Reader, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    said = reader.said
    if said.grams is not None or said.form not in {None, Form.SCRAPS}:
        return None
    pairs = zip(tokens[::2], tokens[1::2], strict=True)
    said.grams = round(sum((n.value * unit.value for n, unit in pairs), Fraction(0)))
    said.form = Form.SCRAPS
    return "weight"


def _understand_about(reader: _Reader, _tokens: Sequence[Token], _: re.Match[str]) -> str:
    reader.said.about = True
    return "about"


def _understand_directional(reader: _Reader, _tokens: Sequence[Token], _: re.Match[str]) -> str:
    reader.said.directional = True
    return "directional"


def _understand_prints(reader: _Reader, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    prints = _whole(tokens[0])
    if reader.said.prints is not None or prints is None:
        return None
    reader.said.prints = prints
    return "prints"


def _understand_each(reader: _Reader, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    each = _whole(tokens[0])
    if reader.said.each is not None or each is None:
        return None
    reader.said.each = each
    return "of each print"


def _understand_one_each(reader: _Reader, _tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    reader.said.one_each = True
    return "of each"


def _understand_rolls(reader: _Reader, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    rolls = _whole(tokens[0])
    if rolls is None or reader.said.rolls is not None:
        return None
    reader.said.rolls = rolls
    if tokens[1].sort is Sort.ROLL:
        reader.said.is_roll = reader.said.is_pack = True
        reader.said.form = reader.said.form or Form.STRIP
        return "rolls"
    return "how many of them"


def _understand_roll(reader: _Reader, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    reader.said.is_roll = reader.said.is_pack = True
    reader.said.form = reader.said.form or Form.STRIP
    count = _whole(tokens[-1])
    if len(tokens) > 1 and count is not None and reader.said.count is None:
        reader.said.count = count
    return "a roll"


def _understand_count(reader: _Reader, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    count = _whole(tokens[0])
    if reader.said.count is not None or count is None:
        return None
    reader.said.count = count
    return "how many"


def _understand_times(_reader: _Reader, _tokens: Sequence[Token], _: re.Match[str]) -> str:
    return "times"


def _understand_bare_count(
    reader: _Reader, tokens: Sequence[Token], match: re.Match[str]
) -> str | None:
    if reader.said.form in OF_THE_BOLT | {Form.SCRAPS}:
        return None
    return _understand_count(reader, tokens[-1:], match)


def _understand_cut_lengths(
    reader: _Reader, tokens: Sequence[Token], _: re.Match[str]
) -> str | None:
    """ "10 half yards", "6 x 1/4 yd", "6 1/2 yd cuts": so many lengths of cloth."""
    said = reader.said
    if said.length is not None or said.count is not None or said.form not in {None, Form.BACKING}:
        return None
    numbers = [token for token in tokens if token.sort is Sort.NUMBER]
    unit = next(token for token in tokens if token.sort is Sort.CLOTH_UNIT)
    if len(numbers) == 2:
        count, length = _whole(numbers[0]), numbers[1].value
    elif numbers[0].parts is not None and tokens[-1].text.lower().endswith("s"):
        count, length = int(numbers[0].parts[0]), numbers[0].parts[1]
        said.several_cuts = True
    else:
        count, length = 1, numbers[0].value
    if count is None:
        return None
    said.form = said.form or Form.YARDAGE
    said.count, said.length = count, length * unit.value
    return "lengths of cloth"


def _understand_cloth(reader: _Reader, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    """ "2 1/4 yd", "1 yd 12 in", "1 m 30 cm", "1m20": so much off the bolt."""
    said = reader.said
    if said.length is not None or said.form not in {None, Form.BACKING, Form.BATTING}:
        return None
    length = tokens[0].value * tokens[1].value
    if tokens[1].parts is not None:
        length += tokens[1].parts[1] * tokens[1].value
    if len(tokens) > 2:
        more = _rest_of(tokens)
        if more is None:
            return None
        length += more
    said.form = said.form or Form.YARDAGE
    said.length = length
    said.count = 1 if said.count is None else said.count
    return "length of cloth"


def _rest_of(tokens: Sequence[Token]) -> Fraction | None:
    """The inches, feet or centimetres behind yards or metres; None if it is a length of its own."""
    unit, number = tokens[1].value, tokens[2]
    if len(tokens) == 3:
        centimetres = unit == METRE and number.is_whole and len(number.text) == 2
        return number.value * CENTIMETRE if centimetres else None
    more = number.value * tokens[3].value
    same_system = (unit == YARD) == (tokens[3].value in {INCH, FOOT})
    return more if same_system and more < unit else None


def _understand_range(reader: _Reader, tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    """ "1 1/4 to 2 1/2" wide, or "9 to 30 long"."""
    said = reader.said
    split = match["first"]
    first, second = tokens[: len(split)], tokens[len(split) + 1 : -1 if match["which"] else None]
    suffix = second[1].value if len(second) > 1 else None
    lengths = sorted((reader.length(first, suffix), reader.length(second)))
    if match["which"] == Sort.LONG:
        if said.length is not None:
            return None
        said.length, said.most_length = lengths
        return "lengths from and to"
    if said.width is not None:
        return None
    said.width, said.most_width = lengths
    return "widths from and to"


def _understand_size(reader: _Reader, tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    """ "width x length", or "count x width (x length)" when no count was said before."""
    said = reader.said
    parts = [part for part in (match["a"], match["b"], match["c"]) if part]
    groups: list[Sequence[Token]] = []
    at = 0
    for part in parts:
        groups.append(tokens[at : at + len(part)])
        at += len(part) + 1
    if said.width is not None:
        return None
    unit = groups[-1][1] if len(groups[-1]) > 1 else None
    last = unit.value if unit is not None and unit.sort is Sort.LENGTH_UNIT else None
    count = said.count
    if len(groups) == 3 or (count is None and _is_count_by_width(reader, groups, last)):
        if count is not None or len(groups[0]) > 1 or _whole(groups[0][0]) is None:
            return None
        count = _whole(groups.pop(0)[0])
    lengths = [reader.length(group, last) for group in groups]
    if said.form is None and any(_off_the_bolt(group) for group in groups):
        said.form, said.count = Form.YARDAGE, count or 1
        if len(groups) == 2 and _off_the_bolt(groups[0]) and not _off_the_bolt(groups[1]):
            lengths.reverse()
        elif len(groups) == 2 and not _off_the_bolt(groups[1]):
            lengths.sort()
        said.width, said.length = (
            (lengths[0], lengths[-1]) if len(groups) == 2 else (None, lengths[0])
        )
        return "cloth"
    if said.length is not None and len(lengths) == 2:
        return None
    said.count = count
    if said.form in {Form.BACKING, Form.YARDAGE} and any(map(_off_the_bolt, groups)):
        off = next(n for n, group in enumerate(groups) if _off_the_bolt(group))
        said.length = lengths.pop(off)
        said.width = lengths[0] if lengths else said.width
        return "size"
    said.width = min(lengths)
    said.length = max(lengths) if len(lengths) == 2 else said.length
    return "size"


def _off_the_bolt(group: Sequence[Token]) -> bool:
    return len(group) > 1 and group[1].sort is Sort.CLOTH_UNIT


def _is_count_by_width(
    reader: _Reader, groups: Sequence[Sequence[Token]], suffix: Fraction | None
) -> bool:
    """Whether "40 x 2 1/2" says how many and how wide, not how wide and how long."""
    number = groups[0][0]
    if len(groups[0]) > 1 or number.sort is not Sort.NUMBER or not number.is_whole:
        return False
    return reader.length(groups[1], suffix) <= _WIDTH_AT_MOST < number.value


def _understand_width(reader: _Reader, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    if reader.said.width is not None:
        return None
    measured = [token for token in tokens if token.sort is not Sort.WIDE]
    reader.said.width = reader.length(measured)
    return "width"


def _understand_length(reader: _Reader, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    if reader.said.length is not None:
        return None
    reader.said.length = reader.length([t for t in tokens if t.sort is not Sort.LONG])
    return "length"


def _understand_lone_length(
    reader: _Reader, tokens: Sequence[Token], match: re.Match[str]
) -> str | None:
    """A length alone: which side of the form it is, or how much there is of a cloth."""
    said = reader.said
    if len(tokens) == 1 and tokens[0].is_whole and said.count is None:
        return None
    if said.form in {Form.SQUARE, Form.BLOCK, Form.TRIANGLE}:
        return _side(said, reader.length(tokens))
    if said.form in {Form.STRIP, Form.STRING} or said.is_roll:
        return _side_of_strip(reader, tokens, match)
    if said.form in OF_THE_BOLT:
        return _width_of_bolt(reader, tokens)
    if said.form is None and Sort.FORM not in reader.rest(match.end()):
        return _of_no_form(reader, tokens)
    return None


def _side_of_strip(reader: _Reader, tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    """Of strips the width if they are ever cut so wide, else the length."""
    said, length = reader.said, reader.length(tokens)
    widest = _STRIP_AT_MOST if said.length is None else _WIDTH_AT_MOST
    if (said.width is None and length <= widest) or said.length is not None:
        return _understand_width(reader, tokens, match)
    said.length, said.guessed_length = length, len(tokens) == 1
    return "length"


def _width_of_bolt(reader: _Reader, tokens: Sequence[Token]) -> str | None:
    """Of cloth whose length is said the width; of backing also before that, if it is so wide."""
    said, length = reader.said, reader.length(tokens)
    measured = len(tokens) > 1
    if said.width is not None or (not measured and length < _NARROWEST_BOLT):
        return None
    wide_backing = said.form is Form.BACKING and length >= _WIDE_BACKING
    if said.length is None and not wide_backing:
        return None
    said.width = length
    return "width"


def _of_no_form(reader: _Reader, tokens: Sequence[Token]) -> str | None:
    """Where nothing says what it is of: measured, a length of cloth; else how wide strips are."""
    said, length = reader.said, reader.length(tokens)
    measured = len(tokens) > 1
    if measured and said.count is None:
        said.form, said.count, said.length = Form.YARDAGE, 1, length
        return "length of cloth"
    if said.width is None and (measured or tokens[0].value.denominator > 1):
        said.width = length
        return "width"
    return None


def _side(said: Said, length: Fraction) -> str | None:
    """The side of a square, which has one only, whatever its pack is called."""
    if said.width is not None and said.width not in _SQUARES.values():
        return None
    said.width = said.length = length
    return "side"


def _understand_size_before(
    reader: _Reader, tokens: Sequence[Token], match: re.Match[str]
) -> str | None:
    """ "2 1/2 inch strips", "5 inch squares", "108 in backing"."""
    said, length = reader.said, reader.length(tokens)
    form = form_of(reader.tokens[match.end() + len(match["between"] or "")].text)
    bare = len(tokens) == 1 and tokens[0].is_whole and said.count is None
    if said.width is not None or bare or (said.form is not None and not said.is_roll):
        return None
    if form in {Form.SQUARE, Form.BLOCK, Form.TRIANGLE}:
        said.width = said.length = length
        return "side"
    if form in {Form.STRIP, Form.STRING, Form.BACKING, Form.YARDAGE}:
        said.width = length
        return "width"
    return None


def _understand_form(reader: _Reader, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    said, text = reader.said, tokens[0].text
    form = form_of(text)
    roll = said.is_roll and form is Form.STRIP
    if said.grams is not None and form in {Form.STRING, Form.PIECE, Form.STRIP, Form.SQUARE}:
        # By weight all of them are scraps.
        return "form"
    of_the_bolt = said.form is Form.YARDAGE and form in {Form.BACKING, Form.BATTING}
    if said.form not in {None, form} and not (roll or of_the_bolt):
        return None
    if form is Form.SCRAPS and said.count is not None:
        # Counted, scraps are pieces; only by weight nobody asks for their size.
        form = Form.PIECE
    said.form = form
    lower = text.lower()
    for kind, side in _SQUARES.items():
        if lower.startswith(kind) and said.width is None:
            said.width = said.length = side
    if "pack" in lower:
        said.is_pack = True
        if said.count is not None and said.count < _FEWEST_IN_A_PACK:
            said.rolls, said.count = said.count, None
    one = not lower.rstrip(".'").endswith(("s", "wadding"))
    if said.count is None and one and form not in {Form.YARDAGE, Form.SCRAPS} and not said.is_pack:
        said.count = 1
    return "form"


def _understand_form_and_count(
    reader: _Reader, tokens: Sequence[Token], match: re.Match[str]
) -> str | None:
    """ "fat quarters (12)", "FQ x12"."""
    count = _whole(tokens[-1])
    if reader.said.count is not None or count is None:
        return None
    meaning = _understand_form(reader, tokens, match)
    if meaning is not None:
        reader.said.count = count
    return meaning


def _understand_extra_wide(
    reader: _Reader, _tokens: Sequence[Token], match: re.Match[str]
) -> str | None:
    if form_of(reader.tokens[match.end()].text) is not Form.BACKING or reader.said.width:
        return None
    reader.said.width, reader.said.extra_wide = _EXTRA_WIDE, True
    return "extra-wide"


def _understand_bed(reader: _Reader, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    if Sort.FORM not in reader.letters or reader.said.width is not None:
        return None
    if not any(t.sort is Sort.FORM and form_of(t.text) is Form.BATTING for t in reader.tokens):
        return None
    bed = re.split(r"[\s-]", tokens[0].text.lower())[0]
    reader.said.packet = bed
    reader.said.width, reader.said.length = map(Fraction, _PACKETS[bed])
    return "packet"


def _understand_value(reader: _Reader, tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    """A value, unless it is part of a name: "2 yd light house" is no light fabric."""
    said = reader.said
    rest = reader.rest(match.end())
    if said.value is not None:
        return None
    if rest[:1] == Sort.WORD and Sort.FORM not in rest and said.form in _NAMEABLE:
        return None
    said.value = Value(tokens[0].text.lower().rstrip("s"))
    # "light blue" is a colour and a value.
    return None if rest[:1] == Sort.COLOUR and said.form in _NAMEABLE else "value"


def _understand_full_width(
    reader: _Reader, _tokens: Sequence[Token], _: re.Match[str]
) -> str | None:
    said = reader.said
    if said.length is None and said.form not in OF_THE_BOLT:
        said.length = reader.cloth
    return "from selvedge to selvedge"


_NAMEABLE = OF_THE_BOLT | {Form.PIECE, Form.SCRAPS, Form.STRING, Form.TRIANGLE}
_FIRST_LENGTH = "N[UY]?"
_PHRASES: tuple[tuple[re.Pattern[str], _Understand], ...] = tuple(
    (re.compile(pattern), understand)
    for pattern, understand in (
        ("c?q", _understand_name),
        ("(?:NG)+", _understand_weight),
        ("A", _understand_about),
        ("D", _understand_directional),
        ("NQ", _understand_prints),
        ("NE", _understand_each),
        ("N[RP]", _understand_rolls),
        (r"Rf?N(?=[FKVhofp]|$)", _understand_roll),
        ("R", _understand_roll),
        ("NNY|NBNY(?!B)|NYC", _understand_cut_lengths),
        (rf"N(?={_ADJECTIVES}F)", _understand_count),
        (rf"N(?={_L}[wl]?{_ADJECTIVES}F)", _understand_count),
        (rf"N(?={_L}B{_L}[wl]?{_ADJECTIVES}F)", _understand_count),
        (rf"N(?=B{_ADJECTIVES}F)", _understand_count),
        (rf"N(?={_L}B{_L}(?:$|[KpVho]))", _understand_count),
        (r"w(?=F)", _understand_extra_wide),
        (rf"B(?={_ADJECTIVES}F)", _understand_times),
        (r"N(?=[Vh]+(?:K|$))", _understand_count),
        (rf"(?P<first>{_FIRST_LENGTH})T{_FIRST_LENGTH}(?P<which>[wl])?", _understand_range),
        (rf"(?P<a>{_L})B(?P<b>{_L})(?:B(?P<c>{_L}))?", _understand_size),
        (r"NYNU(?![wlB])|NYN(?![UYGBFQERw])|NY(?![wlB])", _understand_cloth),
        (r"NY(?![wlB])", _understand_cloth),
        (rf"{_L}w|w[fp]*{_L}", _understand_width),
        (rf"{_L}l", _understand_length),
        (rf"{_FIRST_LENGTH}(?=(?P<between>{_ADJECTIVES})F)", _understand_size_before),
        (r"F[pBf]*N(?=[KpVhQEo]|$)", _understand_form_and_count),
        ("F", _understand_form),
        ("b", _understand_bed),
        ("V", _understand_value),
        ("NU", _understand_lone_length),
        (r"N(?=$|[KpVhoQEfC])", _understand_lone_length),
        ("W", _understand_full_width),
        ("E", _understand_one_each),
        (r"N(?=$|[Kp])", _understand_bare_count),
        # So many of something that no phrase knows: the question can then take it up.
        (r"N(?=[Vhof])", _understand_bare_count),
    )
)


def _name_the_cloth(
    said: Said, tokens: Sequence[Token], meaning: dict[int, str | None], places: range
) -> None:
    """Words that mean nothing else, taken as the name of the cloth, or of each cloth."""
    left = [n for n in places if meaning.get(n) is None and tokens[n].sort not in _PASSED_OVER]
    one_cloth = said.form in _NAMEABLE or said.count == 1 or said.prints == 1
    if not one_cloth and any(meant(tokens[n].text) for n in left):
        return
    if said.prints is not None and said.prints > 1:
        return
    words = {Sort.WORD, Sort.COLOUR, Sort.VALUE, Sort.BED}
    bolt = said.form is Form.YARDAGE
    fits = [
        n
        for n in left
        if tokens[n].text[0].isalpha()
        and (tokens[n].sort in words or (bolt and tokens[n].sort is Sort.FORM))
    ]
    # So many of something unknown are not named by it: "12 thingummies".
    known = said.form is not None or all(tokens[n].sort is Sort.COLOUR for n in fits)
    if not fits or fits != left or said.name or not known:
        return
    for n in fits:
        meaning[n] = "name of the cloth"
    said.name = " ".join(_with_and(tokens, fits))[:LONGEST_NAME]
    said.names = tuple(_names(tokens, fits))


def _with_and(tokens: Sequence[Token], places: Sequence[int]) -> Iterator[str]:
    """The words of a name, with an "and" that stood between them."""
    before: int | None = None
    for place in places:
        between = [] if before is None else tokens[before + 1 : place]
        if len(between) == 1 and between[0].text.lower() == "and":
            yield "and"
        yield tokens[place].text
        before = place


def _names(tokens: Sequence[Token], places: Sequence[int]) -> Iterator[str]:
    """One name for each stretch between commas; where there are none, for each colour."""
    apart: list[list[int]] = []
    for place in places:
        broken = not apart or any(
            token.sort is Sort.BREAK for token in tokens[apart[-1][-1] + 1 : place]
        )
        if broken:
            apart.append([place])
        else:
            apart[-1].append(place)
    if len(apart) == 1 and all(tokens[n].sort is Sort.COLOUR for n in places):
        apart = [[n] for n in places]
    yield from (" ".join(tokens[n].text for n in group) for group in apart)
