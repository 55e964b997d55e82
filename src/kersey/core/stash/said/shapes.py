"""What the pieces of a lot are: words for shapes and packs, and what such a word says besides."""

import re
from collections.abc import Sequence
from fractions import Fraction

from kersey.core.cloth.forms import Form
from kersey.core.stash.said.facts import Row
from kersey.core.stash.said.off_the_bolt import whole_number
from kersey.core.stash.said.tokens import Token
from kersey.core.stash.said.words import Sort, form_of

# docs/trade.md section 1: how wide the squares of a stack are cut.
_SQUARES = {"charm": Fraction(5), "mini": Fraction(5, 2)}
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
# Weighed, these are scraps.
BY_WEIGHT = frozenset({Form.STRING, Form.PIECE, Form.STRIP, Form.SQUARE})
# Words of a form that say more than what shape it is: they stay with the cloth as its name.
_SPEAKS_FOR_ITSELF = (
    r"half.*|hsts?|units?|.*patch.*|pinwheel.*|star.*|log.*|hourglass.*|flying.*|churn.*|medallions?|"
    r"(?:quilt )?tops?|cent(?:re|er).*|(?:crumb|scrap).strips?|made.*|panels?|shirts?|"
    r"(?:bed ?)?sheets?|f(?:eed|lour).*|table ?cloths?|jeans"
)
PIECES = frozenset({"pieces", "piece", "pcs", "pc"})
_IN_BUNDLES = frozenset({Form.FAT_QUARTER, Form.FAT_EIGHTH})
LENGTH = "(?:N[UY]?|W)"
ADJECTIVES = "[Vhofrdnl]*"
FIRST_LENGTH = "N[UY]?"
_OF_A_FORM = re.compile(rf"[pB]?f*{FIRST_LENGTH}{ADJECTIVES}F|f+{ADJECTIVES}F")


def understand_form(row: Row, tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    """What the pieces are, and what else the word says of them."""
    said, lower = row.said, tokens[0].text.lower()
    form = form_of(lower)
    if _says_no_more(row, form, lower, match):
        return "form"
    more = (
        said.form in {None, form}
        or (said.is_roll and form is Form.STRIP)
        or (form in {Form.BACKING, Form.BATTING} and said.form in {Form.YARDAGE, Form.SCRAPS})
    )
    if not more:
        return None
    if form is Form.SCRAPS and (said.count is not None or said.width is not None):
        # Counted, scraps are pieces; only by weight nobody asks for their size.
        form = Form.PIECE
    said.form = form
    if re.fullmatch(_SPEAKS_FOR_ITSELF, lower):
        said.what = said.what or re.sub(r"\s+blocks?$", "", lower)
    for kind, side in _SQUARES.items():
        if lower.startswith(kind) and said.width is None:
            said.width = said.length = side
            said.pack_side = True
    if lower.startswith("wide") and said.width is None:
        said.width, said.extra_wide = _EXTRA_WIDE, True
    if "pack" in lower:
        said.is_pack = True
        if said.count is not None and said.count < _FEWEST_IN_A_PACK:
            said.rolls, said.count = said.count, None
    one = not lower.rstrip(".'").endswith(("s", "wadding"))
    if said.count is None and one and form not in {Form.YARDAGE, Form.SCRAPS} and not said.is_pack:
        said.count = 1
    return "form"


def _says_no_more(row: Row, form: Form, word: str, match: re.Match[str]) -> bool:
    """Whether the word leaves the form to another one."""
    said = row.said
    if word == "square" and said.form is not None and said.width is not None:
        # "8 blocks, 12 1/2 inch square".
        said.length = said.length or said.width
        return True
    if said.form in {Form.BACKING, Form.BATTING} and form in {Form.SCRAPS, Form.PIECE}:
        # "Batting scrap 40 x 60": a piece of it.
        said.count = said.count or 1
        return True
    if said.grams is not None and form in BY_WEIGHT:
        return True
    # "1 bundle of fat eighths, 12 pieces", "30 pieces of 10 inch squares": how many of them.
    of_another = said.form is not None or _OF_A_FORM.match(row.letters, match.end())
    return word in PIECES and bool(of_another)


def understand_form_and_count(
    row: Row, tokens: Sequence[Token], match: re.Match[str]
) -> str | None:
    """ "fat quarters (12)", "FQ x12"."""
    count = whole_number(tokens[-1])
    if row.said.count is not None or count is None:
        return None
    meaning = understand_form(row, tokens, match)
    if meaning is not None:
        row.said.count = count
    return meaning


def understand_bundle(row: Row, tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    """ "2 fat quarter bundles": how many are in one is not known by the word."""
    if row.said.rolls is not None or form_of(tokens[-2].text) not in _IN_BUNDLES:
        return None
    if understand_form(row, tokens[-2:-1], match) is None:
        return None
    number = whole_number(tokens[0]) if len(tokens) > 2 else 1
    # "24-piece fat quarter bundle" is one.
    in_it = tokens[0].text[-1].isalpha() and "-" in tokens[0].text and len(tokens) > 2
    row.said.rolls, row.said.count = (1, number) if in_it else (number, None)
    return "a bundle"


def understand_extra_wide(row: Row, _tokens: Sequence[Token], match: re.Match[str]) -> str | None:
    ahead = row.tokens[match.end() : match.end() + 1]
    form = form_of(ahead[0].text) if ahead and ahead[0].sort is Sort.FORM else row.said.form
    if form is not Form.BACKING or row.said.width:
        return None
    row.said.width, row.said.extra_wide = _EXTRA_WIDE, True
    return "extra-wide"


def understand_bed(row: Row, tokens: Sequence[Token], _: re.Match[str]) -> str | None:
    if Sort.FORM not in row.letters or row.said.width is not None:
        return None
    if not any(t.sort is Sort.FORM and form_of(t.text) is Form.BATTING for t in row.tokens):
        return None
    bed = re.split(r"[\s-]", tokens[0].text.lower())[0]
    row.said.packet = bed
    row.said.width, row.said.length = map(Fraction, _PACKETS[bed])
    return "packet"
