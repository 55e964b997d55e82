"""The phrases a line of fabric is made of, and what each says.

A line is a row of tokens (`tokens`), each of a sort with a letter. A phrase is a pattern over those
letters: ``NG`` is a weight, ``NE`` so many of each. The row is read from left to right; at each
place the first phrase that fits and says something new is understood. What none fits is passed
over as a filler, or marked not understood; words that name a cloth are put together at the end.
"""

import re
from collections.abc import Callable, Sequence
from fractions import Fraction

from kersey.core.cloth.fabric import LONGEST_NAME, Value
from kersey.core.cloth.forms import Form
from kersey.core.stash.said.facts import OF_THE_BOLT, LotFacts, Row
from kersey.core.stash.said.off_the_bolt import (
    NARROWEST_BOLT,
    cloth_by_size,
    off_the_bolt,
    understand_cloth,
    understand_cut_lengths,
    whole_number,
)
from kersey.core.stash.said.shapes import (
    ADJECTIVES,
    BY_WEIGHT,
    FIRST_LENGTH,
    LENGTH,
    PIECES,
    understand_bed,
    understand_bundle,
    understand_extra_wide,
    understand_form,
    understand_form_and_count,
)
from kersey.core.stash.said.tokens import Token
from kersey.core.stash.said.words import Sort, form_of, meant

# In "40 x 2 1/2" the second number is a strip's width, in "2 1/2 x 41.5" its length.
_WIDTH_AT_MOST = Fraction(12)
# A lone length said of strips is their width up to here; strips are hardly cut wider.
_STRIP_AT_MOST = Fraction(6)
# Backing is sold so wide, and no narrower length of it would be said in inches.
_WIDE_BACKING = Fraction(58)


Understand = Callable[[Row, Sequence[Token], re.Match[str]], str | None]
# Sorts of tokens that say nothing by themselves.
PASSED_OVER = frozenset(
    {Sort.FILLER, Sort.BREAK, Sort.MARK, Sort.CUT, Sort.PACK, Sort.PRINTS, Sort.CALLED}
)


def _understand_name(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    if row.said.name:
        return None
    row.said.name = " ".join(tokens[-1].text[1:-1].split())[:LONGEST_NAME]
    return "name"


def _understand_called(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    """ "9 blocks 8 1/2 called night stars"."""
    if row.said.name:
        return None
    row.said.name = row.line[tokens[1].start : tokens[-1].end][:LONGEST_NAME]
    return "name"


def _understand_price(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str:
    """What it cost is no measure: it stands with the lot as it was said."""
    row.said.note = " ".join([row.said.note, tokens[0].text]).strip()
    return "what it cost"


def _understand_weight(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    said = row.said
    by_weight = {None, Form.SCRAPS} | (BY_WEIGHT if said.count is None else set())
    if said.grams is not None or said.form not in by_weight:
        return None
    pairs = zip(tokens[::2], tokens[1::2], strict=True)
    said.grams = round(sum((n.value * unit.value for n, unit in pairs), Fraction(0)))
    said.form = Form.SCRAPS
    return "weight"


def _understand_about(row: Row, _tokens: Sequence[Token], _: re.Match[str]) -> str:
    row.said.about = True
    return "about"


def _understand_directional(row: Row, _tokens: Sequence[Token], _: re.Match[str]) -> str:
    row.said.directional = True
    return "directional"


def _understand_prints(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    prints = whole_number(tokens[0])
    if row.said.prints is not None or prints is None:
        return None
    row.said.prints = prints
    return "prints"


def _understand_prints_and_each(
    row: Row, tokens: Sequence[Token], match: re.Match[str]
) -> str | None:
    """ "21 prints x 2": two of each."""
    if row.said.each is not None or whole_number(tokens[-1]) is None:
        return None
    row.said.each = whole_number(tokens[-1])
    return _understand_prints(row, tokens, match)


def _understand_each(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    each = whole_number(tokens[0])
    if row.said.each is not None or each is None:
        return None
    row.said.each = each
    return "of each print"


def _understand_one_each(row: Row, _tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    said = row.said
    if said.prints and said.count and said.count < said.prints and said.each is None:
        # "8 prints, 5 strips each".
        said.each, said.count = said.count, None
    said.one_each = True
    if said.grams is not None and said.rolls is not None:
        said.grams *= said.rolls
    return "of each"


def _understand_each_of(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    """ "half a yard each of six prints": so many lengths; "7 strips each of 6 prints": 42."""
    said = row.said
    number = next(token for token in tokens if token.sort is Sort.NUMBER)
    many, of_prints = whole_number(number), tokens[-1].sort is Sort.PRINTS
    lengths = said.form is Form.YARDAGE and said.count in {None, 1}
    if not many or said.form is None or not (lengths or (of_prints and said.prints is None)):
        return None
    said.count = many * (said.count or 1)
    if of_prints:
        said.prints = many
    return "of each"


def _understand_rolls(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    said, rolls = row.said, whole_number(tokens[0])
    if said.rolls is not None or not tokens[0].value:
        return None
    if rolls is None:
        if tokens[-1].sort is not Sort.ROLL or tokens[0].value > 1:
            return None
        said.part_of_roll, rolls = tokens[0].value, 1
    named = [token for token in tokens[1:-1] if token.sort is not Sort.FILLER]
    if any(meant(token.text) for token in named) or (named and said.name):
        return None
    said.name = " ".join([said.name, *(token.text for token in named)]).strip()[:LONGEST_NAME]
    said.rolls = rolls
    if tokens[-1].sort is Sort.ROLL:
        said.is_roll = said.is_pack = True
        said.form = said.form or Form.STRIP
        return "rolls"
    return "how many of them"


def _understand_roll(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    row.said.is_roll = row.said.is_pack = True
    row.said.form = row.said.form or Form.STRIP
    count = whole_number(tokens[-1])
    if len(tokens) > 1 and count is not None and row.said.count is None:
        row.said.count = count
    return "a roll"


def _understand_count(row: Row, tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    """ "40 strips"; behind what the cloth is, "flour sack, 3 pieces", how many of it."""
    count, said = whole_number(tokens[0]), row.said
    of_it = said.what and said.count == 1 and row.tokens[match.end()].text.lower() in PIECES
    if (said.count is not None and not of_it) or count is None:
        return None
    said.count = count
    return "how many"


def _understand_share(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    """ "half light and half dark": what share of the pieces reads so."""
    share, value = tokens[0].value, Value(tokens[-1].text.lower().rstrip("s"))
    if not 0 < share < 1 or row.said.count is None:
        return None
    row.said.shares = (*row.said.shares, (share, value))
    return "a share of them"


def _understand_role(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    """ "1/2 yd navy for binding": what the cloth is kept for."""
    said = row.said
    if said.role or said.form not in {None, *NAMEABLE, Form.STRIP, Form.FAT_QUARTER}:
        return None
    said.role = re.split(r"\s", tokens[0].text.lower())[-1].rstrip("s")
    return "what it is for"


def _understand_different(row: Row, _tokens: Sequence[Token], _: re.Match[str]) -> str:
    row.said.all_different = True
    return "each a different print"


def _understand_finished(row: Row, _tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    """Sewn blocks are said as they show; they lie there two seams larger."""
    ahead = next((form_of(t.text) for t in row.tokens[match.end() :] if t.sort is Sort.FORM), None)
    if (row.said.form or ahead) is not Form.BLOCK:
        return None
    row.said.finished = True
    return "without its seams"


def _understand_stack(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    """ "10" stack": squares of that side, as they are sold."""
    said = row.said
    if said.form is not None or said.width is not None:
        return None
    said.form, said.is_pack = Form.SQUARE, True
    said.width = said.length = row.length(tokens[:2])
    return "a stack of squares"


def _understand_less(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    """ "1 roll minus 4 strips": what is gone already."""
    row.said.less = whole_number(tokens[-1]) or 0
    return "not there any more"


def _understand_pack(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    """ "pack of ten inch squares": as many as packs hold."""
    if row.said.count is not None or tokens[0].text.lower() not in {"pack", "packet", "stack"}:
        return None
    row.said.rolls, row.said.is_pack = 1, True
    return "a pack"


def _understand_from_to(row: Row, tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    """ "2-3 yards": no more than the least is sure."""
    numbers = (token for token in tokens if token.sort is Sort.NUMBER)
    row.said.about = True
    return understand_cloth(row, [min(numbers, key=lambda n: n.value), tokens[-1]], match)


def _understand_more(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    """ "42 charm squares and 8 extra"."""
    said = row.said
    more = whole_number(next(token for token in tokens if token.sort is Sort.NUMBER))
    added = tokens[-1].sort is Sort.MORE or tokens[0].text in {"+", "plus"}
    if more is None or not added or (said.count is None and not said.is_roll):
        return None
    if said.count is None:
        said.less -= more
    else:
        said.count += more
    return "so many more"


def _understand_so_many(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    """A number behind the rest: "10 x 12 blue x 2"."""
    number = next(token for token in tokens if token.sort is Sort.NUMBER)
    count = whole_number(number)
    of_them = number is not tokens[-1]
    if of_them and tokens[-1].text.lower() not in {"them", "these", "those"}:
        return None
    if row.said.count not in {None, 1} or count is None:
        return None
    row.said.count = count
    return "how many"


def _understand_times(_row: Row, _tokens: Sequence[Token], _: re.Match[str]) -> str:
    return "times"


def _understand_bare_count(row: Row, tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    if row.said.form in OF_THE_BOLT | {Form.SCRAPS}:
        return None
    return _understand_count(row, tokens[-1:], match)


def _understand_range(row: Row, tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    """ "1 1/4 to 2 1/2" wide, or "9 to 30 long"."""
    said = row.said
    begin, middle = match.start("first") - match.start(), match.end("first") - match.start()
    first, second = tokens[begin:middle], tokens[middle + 1 : -1 if match["which"] else None]
    suffix = second[1].value if len(second) > 1 else None
    lengths = sorted((row.length(first, suffix), row.length(second)))
    if match["which"] == Sort.LONG or match["ahead"] in {Sort.LONG, Sort.CUT}:
        if said.length is not None:
            return None
        said.length, said.most_length = lengths
        return "lengths from and to"
    if said.width is not None:
        return None
    said.width, said.most_width = lengths
    return "widths from and to"


def _understand_size(row: Row, tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    """ "width x length", or "count x width (x length)" when no count was said before."""
    said = row.said
    parts = [part for part in (match["a"], match["b"], match["c"]) if part]
    groups: list[Sequence[Token]] = []
    at = 0
    for part in parts:
        groups.append(tokens[at : at + len(part)])
        at += len(part) + 1
    if said.packet or said.extra_wide or said.pack_side:
        said.packet, said.extra_wide, said.pack_side = "", False, False
        said.width = said.length = None
    if said.width is not None:
        return None
    unit = groups[-1][1] if len(groups[-1]) > 1 else None
    last = unit.value if unit is not None and unit.sort is Sort.LENGTH_UNIT else None
    count = said.count
    behind = row.tokens[match.end() : match.end() + 1]
    # Squares have one side only: "12 x 5 squares" are twelve.
    forms = {form_of(t.text) for t in behind if t.sort is Sort.FORM}
    measured = len(groups[-1]) > len(groups[0]) == 1
    squares = forms == {Form.SQUARE} or (forms == {Form.BLOCK} and measured)
    squares &= len({group[0].value for group in groups}) > 1
    by_width = count is None and (squares or _is_count_by_width(row, groups, last))
    if len(groups) == 3 or by_width:
        if count is not None or len(groups[0]) > 1 or whole_number(groups[0][0]) is None:
            return None
        count = whole_number(groups.pop(0)[0])
    lengths = [row.length(group, last) for group in groups]
    if said.form is None and any(off_the_bolt(group) for group in groups):
        return cloth_by_size(said, groups, lengths, count)
    if said.length is not None and len(lengths) == 2:
        return None
    said.count = count
    if said.form in {Form.BACKING, Form.YARDAGE} and any(map(off_the_bolt, groups)):
        off = next(n for n, group in enumerate(groups) if off_the_bolt(group))
        said.length = lengths.pop(off)
        said.width = lengths[0] if lengths else said.width
        return "size"
    said.width = min(lengths)
    said.length = max(lengths) if len(lengths) == 2 else said.length
    return "size"


def _is_count_by_width(
    row: Row, groups: Sequence[Sequence[Token]], suffix: Fraction | None
) -> bool:
    """Whether "40 x 2 1/2" says how many and how wide, not how wide and how long."""
    number = groups[0][0]
    if len(groups[0]) > 1 or number.sort is not Sort.NUMBER or not number.is_whole:
        return False
    return row.length(groups[1], suffix) <= _WIDTH_AT_MOST < number.value


def _understand_width(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    if row.said.width is not None:
        return None
    measured = [token for token in tokens if token.sort is not Sort.WIDE]
    row.said.width = row.length(measured)
    return "width"


def _understand_length(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    if row.said.length is not None:
        return None
    row.said.length = row.length([t for t in tokens if t.sort is not Sort.LONG])
    return "length"


def _understand_lone_length(row: Row, tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    """A length alone: which side of the form it is, or how much there is of a cloth."""
    said = row.said
    # A bare number is no size in a word, "40 strips, three are badly cut", nor behind one that
    # says what it is of, "including 4 white".
    of_else = tokens[0].text[0].isalpha() or row.letters[: match.start()].rstrip(
        Sort.MARK
    ).endswith(Sort.WORD)
    if len(tokens) == 1 and tokens[0].is_whole and (said.count is None or of_else):
        return None
    if said.form in {Form.SQUARE, Form.BLOCK, Form.TRIANGLE}:
        return _side(said, row.length(tokens))
    if said.form in {Form.STRIP, Form.STRING} or said.is_roll:
        return _side_of_strip(row, tokens, match)
    if said.form in OF_THE_BOLT:
        return _width_of_bolt(row, tokens)
    if said.form is None and Sort.FORM not in row.rest(match.end()):
        return _of_no_form(row, tokens)
    return None


def _side_of_strip(row: Row, tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    """Of strips the width if they are ever cut so wide, else the length."""
    said, length = row.said, row.length(tokens)
    widest = _STRIP_AT_MOST if said.length is None else _WIDTH_AT_MOST
    if (said.width is None and length <= widest) or said.length is not None:
        return _understand_width(row, tokens, match)
    said.length, said.guessed_length = length, len(tokens) == 1
    return "length"


def _width_of_bolt(row: Row, tokens: Sequence[Token]) -> str | None:
    """Of cloth whose length is said the width; of backing also before that, if it is so wide."""
    said, length = row.said, row.length(tokens)
    measured = len(tokens) > 1
    if said.width is not None or (not measured and length < NARROWEST_BOLT):
        return None
    wide_backing = said.form is Form.BACKING and length >= _WIDE_BACKING
    if said.length is None and not wide_backing:
        return None
    said.width = length
    return "width"


def _of_no_form(row: Row, tokens: Sequence[Token]) -> str | None:
    """Where nothing says what it is of: measured, a length of cloth; else how wide strips are."""
    said, length = row.said, row.length(tokens)
    measured = len(tokens) > 1
    if measured and said.count is None:
        said.form, said.count, said.length = Form.YARDAGE, 1, length
        return "length of cloth"
    if said.width is None and (measured or tokens[0].value.denominator > 1):
        said.width = length
        return "width"
    return None


def _side(said: LotFacts, length: Fraction) -> str | None:
    """The side of a square, which has one only, whatever its pack is called."""
    if said.width is not None and not said.pack_side:
        return None
    said.pack_side = False
    said.width = said.length = length
    return "side"


def _understand_size_before(row: Row, tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    """ "2 1/2 inch strips", "5 inch squares", "108 in backing"."""
    said, length = row.said, row.length(tokens)
    form = form_of(row.tokens[match.end() + len(match["between"] or "")].text)
    bare = len(tokens) == 1 and tokens[0].is_whole and said.count is None
    backing = said.form is Form.YARDAGE and form is Form.BACKING
    if said.width is not None or bare or not (said.form is None or said.is_roll or backing):
        return None
    if form in {Form.SQUARE, Form.BLOCK, Form.TRIANGLE}:
        said.width = said.length = length
        return "side"
    if form in {Form.STRIP, Form.STRING, *OF_THE_BOLT}:
        said.width = length
        return "width"
    return None


def _understand_value(row: Row, tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    """A value, unless it is part of a name: "2 yd light house" is no light fabric."""
    said = row.said
    rest = row.rest(match.end())
    if said.value is not None:
        return None
    if rest[:1] == Sort.WORD and Sort.FORM not in rest and said.form in NAMEABLE:
        return None
    said.value = Value(tokens[0].text.lower().rstrip("s"))
    # "light blue" is a colour and a value.
    return None if rest[:1] == Sort.COLOUR and said.form in NAMEABLE else "value"


def _understand_full_width(row: Row, _tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    said = row.said
    if said.length is None and said.form not in OF_THE_BOLT:
        said.length = row.cloth
    return "from selvedge to selvedge"


NAMEABLE = OF_THE_BOLT | {Form.PIECE, Form.SCRAPS, Form.STRING, Form.TRIANGLE, Form.BLOCK}
PHRASES: tuple[tuple[re.Pattern[str], Understand], ...] = tuple(
    (re.compile(pattern), understand)
    for pattern, understand in (
        ("c?q", _understand_name),
        ("c[ohVFb]+", _understand_called),
        ("i", _understand_price),
        ("(?:NG)+", _understand_weight),
        ("A", _understand_about),
        ("D", _understand_directional),
        ("NQBN", _understand_prints_and_each),
        ("NQ", _understand_prints),
        ("NE", _understand_each),
        ("N[ohf]*R|NP", _understand_rolls),
        (r"Nf*V(?=[Kf]|$)", _understand_share),
        (rf"(?:N{ADJECTIVES})?FP", understand_bundle),
        ("r", _understand_role),
        ("d", _understand_different),
        ("n", _understand_finished),
        ("mN|N(?=m)", _understand_less),
        ("m", _understand_times),
        ("[mKf]*Ne|KN(?=$)", _understand_more),
        (r"w(?=F|K|$)", understand_extra_wide),
        ("[lw](?=r?F)|T(?=N(?:[of]*F|$|K))", _understand_times),
        (rf"Pf*(?={FIRST_LENGTH}{ADJECTIVES}F)", _understand_pack),
        ("NTNY", _understand_from_to),
        ("NUP", _understand_stack),
        (r"BN(?=$|K)|Nff?(?=$|K)|N(?=d(?:$|K))", _understand_so_many),
        (r"Rf?N(?=[FKVhofprdQi]|$)", _understand_roll),
        ("R", _understand_roll),
        ("NYCf+N(?!Y)|NNY|NBNY(?!B)|NYC|(?:NB)?NUC|NYP(?:f*N)?", understand_cut_lengths),
        (rf"N(?={ADJECTIVES}F)", _understand_count),
        (rf"N(?=[fd]*{LENGTH}[wl]?{ADJECTIVES}F)", _understand_count),
        (rf"N(?={LENGTH}B{LENGTH}[wl]?{ADJECTIVES}F)", _understand_count),
        (rf"N(?=B{ADJECTIVES}F|ff{LENGTH}(?:$|[KpVhor]))", _understand_count),
        (rf"N(?={LENGTH}B{LENGTH}(?:$|[KpVhordBi]))", _understand_count),
        (rf"B(?={ADJECTIVES}F)|(?<=[Fwl])B(?=N)", _understand_times),
        (r"N(?=[Vh]+r?(?:K|$))", _understand_count),
        (
            rf"(?:(?P<ahead>[wlC])[fp]*)?(?P<first>{FIRST_LENGTH})T{FIRST_LENGTH}(?P<which>[wl])?",
            _understand_range,
        ),
        (rf"(?P<a>{LENGTH})B(?P<b>{LENGTH})(?:B(?P<c>{LENGTH}))?", _understand_size),
        (r"NYK?NU(?![wlBF])|NYN(?![UYGBFQERw])|NY(?![wlB])", understand_cloth),
        (r"NY(?![wlB])|Y", understand_cloth),
        (rf"{LENGTH}w|w[fp]*{LENGTH}", _understand_width),
        (rf"{LENGTH}l", _understand_length),
        (rf"{FIRST_LENGTH}(?=(?P<between>[VhofrdnW]*)F)", _understand_size_before),
        (r"F[pBf]*N(?=[KpVhQEordi]|$)", understand_form_and_count),
        ("F", understand_form),
        ("b", understand_bed),
        ("VK?V", _understand_times),
        ("V", _understand_value),
        ("NU", _understand_lone_length),
        (r"N(?=$|[KpVhoQEfCcqrdni])", _understand_lone_length),
        ("W", _understand_full_width),
        ("Ef*N(?:Q|(?=[ohf]))", _understand_each_of),
        ("E", _understand_one_each),
        (r"N(?=$|[Kp])", _understand_bare_count),
        # So many of something that no phrase knows: the question can then take it up.
        (r"N(?=[Vhof])", _understand_bare_count),
    )
)
