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
from kersey.core.stash.said.tokens import Token
from kersey.core.stash.said.words import Sort, form_of, meant

# docs/trade.md section 1: how wide the squares of a stack are cut.
_SQUARES = {"charm": Fraction(5), "mini": Fraction(5, 2)}
# In "40 x 2 1/2" the second number is a strip's width, in "2 1/2 x 41.5" its length.
_WIDTH_AT_MOST = Fraction(12)
# A lone length said of strips is their width up to here; strips are hardly cut wider.
_STRIP_AT_MOST = Fraction(6)
# Backing is sold so wide, and no narrower length of it would be said in inches.
_WIDE_BACKING = Fraction(58)
# Backing sold extra-wide, if no other width is said (docs/trade.md section 6).
_EXTRA_WIDE = Fraction(108)
# Fewer before the word are packs, not squares: "2 charm packs".
_FEWEST_IN_A_PACK = 10
# What beds are called -> the packet of batting for them (docs/trade.md section 6).
_PACKETS = {
    "crib": (45, 60),
    "twin": (72, 90),
    "full": (81, 96),
    "queen": (90, 108),
    "king": (120, 120),
}

Understand = Callable[[Row, Sequence[Token], re.Match[str]], str | None]
# Sorts of tokens that say nothing by themselves.
PASSED_OVER = frozenset(
    {Sort.FILLER, Sort.BREAK, Sort.MARK, Sort.CUT, Sort.PACK, Sort.PRINTS, Sort.CALLED}
)
LENGTH = "(?:N[UY]?|W)"
ADJECTIVES = "[Vhofrd]*"


def _understand_name(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    if row.said.name:
        return None
    row.said.name = " ".join(tokens[-1].text[1:-1].split())[:LONGEST_NAME]
    return "name"


def _understand_price(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str:
    """What it cost is no measure: it stands with the lot as it was said."""
    row.said.note = " ".join([row.said.note, tokens[0].text]).strip()
    return "what it cost"


def _understand_weight(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    said = row.said
    if said.grams is not None or said.form not in {None, Form.SCRAPS}:
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


def _understand_each(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    each = whole_number(tokens[0])
    if row.said.each is not None or each is None:
        return None
    row.said.each = each
    return "of each print"


def _understand_one_each(row: Row, _tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    row.said.one_each = True
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


def _understand_count(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    count = whole_number(tokens[0])
    if row.said.count is not None or count is None:
        return None
    row.said.count = count
    return "how many"


def _understand_share(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    """ "half light and half dark": what share of the pieces reads so."""
    share, value = tokens[0].value, Value(tokens[-1].text.lower().rstrip("s"))
    if not 0 < share < 1 or row.said.count is None:
        return None
    row.said.shares = (*row.said.shares, (share, value))
    return "a share of them"


def _understand_bundle(row: Row, tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    """ "2 fat quarter bundles": how many are in one is not known by the word."""
    if row.said.rolls is not None or form_of(tokens[-2].text) not in _IN_BUNDLES:
        return None
    if _understand_form(row, tokens[-2:-1], match) is None:
        return None
    row.said.rolls = whole_number(tokens[0]) if len(tokens) > 2 else 1
    row.said.count = None
    return "a bundle"


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


def _understand_finished(row: Row, _tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    """Sewn blocks are said as they show; they lie there two seams larger."""
    if row.said.form is not Form.BLOCK or row.said.width is None:
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
    row.said.less = whole_number(tokens[1]) or 0
    return "not there any more"


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
    split = match["first"]
    first, second = tokens[: len(split)], tokens[len(split) + 1 : -1 if match["which"] else None]
    suffix = second[1].value if len(second) > 1 else None
    lengths = sorted((row.length(first, suffix), row.length(second)))
    if match["which"] == Sort.LONG:
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
    if said.packet:
        said.packet, said.width, said.length = "", None, None
    if said.width is not None:
        return None
    unit = groups[-1][1] if len(groups[-1]) > 1 else None
    last = unit.value if unit is not None and unit.sort is Sort.LENGTH_UNIT else None
    count = said.count
    if len(groups) == 3 or (count is None and _is_count_by_width(row, groups, last)):
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
    if len(tokens) == 1 and tokens[0].is_whole and said.count is None:
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
    if said.width is not None and said.width not in _SQUARES.values():
        return None
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
    if form in {Form.STRIP, Form.STRING, Form.BACKING, Form.YARDAGE}:
        said.width = length
        return "width"
    return None


def _understand_form(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    said, text = row.said, tokens[0].text
    form = form_of(text)
    roll = said.is_roll and form is Form.STRIP
    if said.grams is not None and form in {Form.STRING, Form.PIECE, Form.STRIP, Form.SQUARE}:
        # By weight all of them are scraps.
        return "form"
    if form is Form.PIECE and said.form is not None and text.lower() in _PIECES:
        # "1 bundle of fat eighths, 12 pieces": how many of them.
        return "form"
    of_the_bolt = said.form is Form.YARDAGE and form in {Form.BACKING, Form.BATTING}
    if said.form in {Form.BACKING, Form.BATTING} and form in {Form.SCRAPS, Form.PIECE}:
        # "batting scrap 40 x 60": a piece of it.
        said.count = said.count or 1
        return "form"
    if said.form not in {None, form} and not (roll or of_the_bolt):
        return None
    if form is Form.SCRAPS and (said.count is not None or said.width is not None):
        # Counted, scraps are pieces; only by weight nobody asks for their size.
        form = Form.PIECE
    said.form = form
    lower = text.lower()
    if re.fullmatch(_SPEAKS_FOR_ITSELF, lower):
        said.what = said.what or lower
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
    row: Row, tokens: Sequence[Token], match: re.Match[str]
) -> str | None:
    """ "fat quarters (12)", "FQ x12"."""
    count = whole_number(tokens[-1])
    if row.said.count is not None or count is None:
        return None
    meaning = _understand_form(row, tokens, match)
    if meaning is not None:
        row.said.count = count
    return meaning


def _understand_extra_wide(row: Row, _tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    if form_of(row.tokens[match.end()].text) is not Form.BACKING or row.said.width:
        return None
    row.said.width, row.said.extra_wide = _EXTRA_WIDE, True
    return "extra-wide"


def _understand_bed(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    if Sort.FORM not in row.letters or row.said.width is not None:
        return None
    if not any(t.sort is Sort.FORM and form_of(t.text) is Form.BATTING for t in row.tokens):
        return None
    bed = re.split(r"[\s-]", tokens[0].text.lower())[0]
    row.said.packet = bed
    row.said.width, row.said.length = map(Fraction, _PACKETS[bed])
    return "packet"


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


# Words of a form that say more than what shape it is: they stay with the cloth as its name.
_SPEAKS_FOR_ITSELF = (
    r"half.*|hsts?|units?|.*patch.*|pinwheel.*|star.*|log.*|hourglass.*|flying.*|churn.*|medallions?|"
    r"(?:quilt )?tops?|cent(?:re|er).*|(?:crumb|scrap).strips?|made.*|panels?|shirts?|"
    r"(?:bed ?)?sheets?|f(?:eed|lour).*|table ?cloths?|jeans"
)
_PIECES = frozenset({"pieces", "piece", "pcs", "pc"})
_IN_BUNDLES = frozenset({Form.FAT_QUARTER, Form.FAT_EIGHTH})
NAMEABLE = OF_THE_BOLT | {Form.PIECE, Form.SCRAPS, Form.STRING, Form.TRIANGLE, Form.BLOCK}
_FIRST_LENGTH = "N[UY]?"
PHRASES: tuple[tuple[re.Pattern[str], Understand], ...] = tuple(
    (re.compile(pattern), understand)
    for pattern, understand in (
        ("c?q", _understand_name),
        ("i", _understand_price),
        ("(?:NG)+", _understand_weight),
        ("A", _understand_about),
        ("D", _understand_directional),
        ("NQ", _understand_prints),
        ("NE", _understand_each),
        ("N[ohf]*R|NP", _understand_rolls),
        (r"Nf*V(?=[Kf]|$)", _understand_share),
        (rf"(?:N{ADJECTIVES})?FP", _understand_bundle),
        ("r", _understand_role),
        ("d", _understand_different),
        ("n", _understand_finished),
        ("mN", _understand_less),
        ("NUP", _understand_stack),
        (r"BN(?=$|K)|Nff?(?=$|K)", _understand_so_many),
        (r"Rf?N(?=[FKVhofprdQi]|$)", _understand_roll),
        ("R", _understand_roll),
        ("NNY|NBNY(?!B)|NYC", understand_cut_lengths),
        (rf"N(?={ADJECTIVES}F)", _understand_count),
        (rf"N(?={LENGTH}[wl]?{ADJECTIVES}F)", _understand_count),
        (rf"N(?={LENGTH}B{LENGTH}[wl]?{ADJECTIVES}F)", _understand_count),
        (rf"N(?=B{ADJECTIVES}F)", _understand_count),
        (rf"N(?={LENGTH}B{LENGTH}(?:$|[KpVhordBi]))", _understand_count),
        (r"w(?=F)", _understand_extra_wide),
        (rf"B(?={ADJECTIVES}F)", _understand_times),
        (r"N(?=[Vh]+r?(?:K|$))", _understand_count),
        (rf"(?P<first>{_FIRST_LENGTH})T{_FIRST_LENGTH}(?P<which>[wl])?", _understand_range),
        (rf"(?P<a>{LENGTH})B(?P<b>{LENGTH})(?:B(?P<c>{LENGTH}))?", _understand_size),
        (r"NYK?NU(?![wlBF])|NYN(?![UYGBFQERw])|NY(?![wlB])", understand_cloth),
        (r"NY(?![wlB])|Y", understand_cloth),
        (rf"{LENGTH}w|w[fp]*{LENGTH}", _understand_width),
        (rf"{LENGTH}l", _understand_length),
        (rf"{_FIRST_LENGTH}(?=(?P<between>[VhofrdW]*)F)", _understand_size_before),
        (r"F[pBf]*N(?=[KpVhQEordi]|$)", _understand_form_and_count),
        ("F", _understand_form),
        ("b", _understand_bed),
        ("V", _understand_value),
        ("NU", _understand_lone_length),
        (r"N(?=$|[KpVhoQEfCqrdni])", _understand_lone_length),
        ("W", _understand_full_width),
        ("Ef*N(?:Q|(?=[ohf]))", _understand_each_of),
        ("E", _understand_one_each),
        (r"N(?=$|[Kp])", _understand_bare_count),
        # So many of something that no phrase knows: the question can then take it up.
        (r"N(?=[Vhof])", _understand_bare_count),
    )
)
