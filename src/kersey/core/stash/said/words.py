"""The words people use for fabric, and what sort each is of.

Several words may be one thing ("fat quarters", "width of fabric"). A word that is none of these may
name a cloth, unless it looks like a slip of the finger.
"""

import re
from difflib import get_close_matches
from enum import StrEnum

from kersey.core.cloth.forms import Form
from kersey.core.cloth.print_names import COLOUR_WORDS, MOTIF_NAMES


class Sort(StrEnum):
    """What a token of a line is; the letters are those the phrases are written in."""

    NUMBER = "N"
    LENGTH_UNIT = "U"
    CLOTH_UNIT = "Y"
    WEIGHT_UNIT = "G"
    BY = "B"
    TO = "T"
    BREAK = "K"
    FORM = "F"
    ROLL = "R"
    PACK = "P"
    CUT = "C"
    VALUE = "V"
    WOF = "W"
    PRINTS = "Q"
    EACH = "E"
    ABOUT = "A"
    DIRECTIONAL = "D"
    WIDE = "w"
    LONG = "l"
    CALLED = "c"
    QUOTED = "q"
    BED = "b"
    ROLE = "r"
    DIFFERENT = "d"
    FINISHED = "n"
    LESS = "m"
    PRICE = "i"
    MORE = "e"
    COLOUR = "h"
    FILLER = "f"
    WORD = "o"
    MARK = "p"


FORMS = (
    (Form.FAT_QUARTER, r"fat[\s-]*(?:quarters?|qtrs?|1/4s?)|f\.?q\.?(?:'?s)?"),
    (Form.FAT_EIGHTH, r"fat[\s-]*(?:eighths?|8ths?|1/8s?)|f8s?"),
    (
        Form.BLOCK,
        r"half[\s-]squares?(?:\s+triangles?)?(?:\s+(?:units?|blocks?))?|hsts?|units?|"
        r"(?:orphan\s+)?blocks?|(?:quilt\s+)?tops?|cent(?:re|er)s?(?:\s+(?:blocks?|panels?))?|medallions?|"
        r"(?:(?:four|nine|4|9)[\s-]?patch(?:es)?|pinwheels?|stars?|log[\s-]cabins?|hourglass(?:es)?|"
        r"flying[\s-]geese|churn[\s-]dash(?:es)?)(?:\s+blocks?)?",
    ),
    (Form.TRIANGLE, "triangles?"),
    (Form.SQUARE, r"(?:charm|mini(?:\s+charm)?)s?(?:\s+(?:squares?|packs?))?|squares?"),
    (Form.STRIP, r"(?:(?:crumb|scrap)[\s-]+)?strips?"),
    (Form.YARDAGE, "yardage"),
    (Form.SCRAPS, r"(?:string\s+)?(?:crumbs?|scraps?)"),
    (Form.STRING, "strings?"),
    (
        Form.PIECE,
        r"pieces?|pcs?\b\.?|remnants?|off-?cuts?|rectangles?|bricks?|panels?|made[\s-]+fabric|"
        r"shirts?|(?:bed\s*)?sheets?|(?:feed|flour)[\s-]*sacks?(?:\s+cloth)?|table\s*cloths?|jeans",
    ),
    (Form.BACKING, "(?:wide)?back(?:ing)?s?"),
    (Form.BATTING, "battings?|waddings?"),
)
# In the order in which they are looked for: longer ones before those they begin with.
_PATTERNS = (
    (Sort.WOF, r"wof|width\s+of\s+(?:the\s+)?fabric|selvedge\s+to\s+selvedge"),
    (Sort.ROLL, r"(?:strip[\s-]+)?rolls?"),
    *((Sort.FORM, pattern) for _, pattern in FORMS),
    (Sort.PACK, "packs?|packets?|packages?|bundles?|stacks?|bags?|towers?"),
    (Sort.CUT, "cuts?|lengths?"),
    (Sort.VALUE, "lights?|mediums?|darks?"),
    (
        Sort.PRINTS,
        r"(?:(?:different|assorted|mixed|various)\s+)?"
        r"(?:prints?|fabrics?|designs?|colou?rs?|patterns?|pairs)",
    ),
    (Sort.EACH, r"(?:of\s+)?each(?:\s+(?:print|fabric|colou?r|one))?|apiece"),
    (
        Sort.ABOUT,
        r"about|roughly|around|approx(?:imately)?\.?|ca\.?|circa|maybe|perhaps|probably|"
        r"(?:(?:a\s+bit|a\s+little|slightly|just)\s+)?(?:(?:less|more)\s+than|over|under)|"
        r"not\s+quite|almost|nearly|~",
    ),
    (Sort.DIRECTIONAL, r"directional|one[\s-]way"),
    (Sort.WIDE, "wide|widths?"),
    (Sort.LONG, "long"),
    (Sort.CALLED, "called|named"),
    (
        Sort.ROLE,
        r"(?:for\s+(?:(?:the|a|my|its)\s+)?)?(?:(?:inner|outer)\s+)?"
        r"(?:bindings?|borders?|sashings?|foundations?)",
    ),
    (Sort.FINISHED, "finished"),
    (Sort.MORE, r"extras?|more|spares?|additional"),
    (Sort.LESS, r"minus|less|missing|without|all\s+but|except(?:\s+for)?"),
    (
        Sort.DIFFERENT,
        r"no\s+two\s+(?:are\s+)?alike|(?:all\s+)?(?:different|unlike|assorted|mixed|various)",
    ),
    (Sort.BED, r"(?:crib|twin|full|queen|king)(?:[\s-]+size)?"),
    (Sort.BREAK, r"and|plus|as\s+well\s+as"),
    (
        Sort.FILLER,
        r"of|in|with|from|my|our|the|an?|at|all|some|i|have|got|there|is|are|cotton|"
        r"quilting|other|usable|washed|pre-?washed|"
        r"left[\s-]?over|left|or|so|each\s+is|size|inch|inches|for|them|they|these|those|big|any|order|sewn|"
        r"joined|unfinished|me|please|about|worth|bins?|baskets?|tubs?|jars?|tins?|crates?|handful|ones|lots|loads|between|bits|heaps?|piles?|"
        r"few",
    ),
)
WORD_PATTERNS = tuple(
    (sort, re.compile(rf"(?:{pattern})(?![\w'’])", re.IGNORECASE)) for sort, pattern in _PATTERNS
)
_FORM_PATTERNS = tuple((form, re.compile(pattern, re.IGNORECASE)) for form, pattern in FORMS)

_ONES = [
    "one",
    "two",
    "three",
    "four",
    "five",
    "six",
    "seven",
    "eight",
    "nine",
    "ten",
    "eleven",
    "twelve",
    "thirteen",
    "fourteen",
    "fifteen",
    "sixteen",
    "seventeen",
    "eighteen",
    "nineteen",
]
_TENS = ["twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety"]
NUMBER_WORDS = {word: number for number, word in enumerate(_ONES, 1)} | {
    word: 10 * number for number, word in enumerate(_TENS, 2)
}
HUNDREDS = re.compile(
    rf"(?:(an?|{'|'.join(_ONES[:9])})\s+)?hundred(?:\s+and\b)?(?![\w'’])", re.IGNORECASE
)
NUMBER_WORD = re.compile(
    rf"(?:({'|'.join(_TENS)})(?:[\s-]+({'|'.join(_ONES[:9])}))?|({'|'.join(_ONES)}))(?![\w'’]|[\s-](?:way|patch))",
    re.IGNORECASE,
)

# Words that say how many: never the name of a cloth.
HOW_MANY = frozenset(
    {"half", "halves", "quarter", "quarters", "third", "thirds", "dozen", "hundred", "pair",
     "pairs", "double", "twice", "less", "plus"}
)  # fmt: skip

# What a slip of the finger is held against.
_SPELLED = (
    "strips", "strip", "squares", "square", "quarters", "quarter", "eighths", "eighth", "charms",
    "charm", "yards", "yard", "metres", "metre", "prints", "pieces", "strings", "triangles",
    "scraps", "crumbs", "backing", "batting", "light", "medium", "dark", "directional", "inches",
    "bundle", "rolls", "roll", "dozen", "fabrics", "blocks", "yardage", "wide", "long",
)  # fmt: skip
_HOW_NEAR = 0.8
_SHORTEST_SLIP = 3


def form_of(text: str) -> Form:
    """The form that a word says."""
    return next(form for form, pattern in _FORM_PATTERNS if pattern.fullmatch(text))


def colour_word(text: str) -> bool:
    """Whether it is a word for a colour."""
    return text.lower().removesuffix("s") in COLOUR_WORDS


def meant(word: str) -> str | None:
    """The word of the trade that this may be a slip of, if it looks like one.

    >>> meant("qaurters"), meant("yrd"), meant("drak"), meant("stripe"), meant("paisley")
    ('quarters', 'yard', 'dark', None, None)
    """
    lower = word.lower()
    if len(lower) < _SHORTEST_SLIP or lower in MOTIF_NAMES or lower in COLOUR_WORDS:
        return None
    swapped = [w for w in _SPELLED if w[0] == lower[0] and sorted(w) == sorted(lower)]
    near = swapped or get_close_matches(lower, _SPELLED, n=1, cutoff=_HOW_NEAR)
    return near[0] if near and near[0] != lower else None
