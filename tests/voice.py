"""What Kersey never says, and what a reader sees of a page."""

import re
from functools import cache
from html.parser import HTMLParser

# Words that a quilter would not use, each with what stands for it: the first column of the guide.
STRUCK = re.compile(
    r"""
    reckon | \bl(?:ie|ies|ying)\ free | \bcloths?\b | \bgoods\b | \banew\b | \bheld\ by\b
    | who\ holds | selvedge | taken\ for\ granted | each\ another | \bcrosscut | face\ to\ face
    | troubles?\ the\ eye | nobody | somebody | \bone's\b | colour | \bgrey | \bcentre | metre
    | \bmitre | neighbour | \d\ yardage | half\ round | \ball\ round\b | \bto\ the\ dark\b
    | towards | behind\ the\ other | photograph | \bproject\b | being\ worked\ out | \d\ %
    | 45\ degrees | as\ it\ should\ be | half-square\ unit | \btick(?:s|ed)?\b | packet
    | \blet\ go\b | \bput\ in\b | \bbring\ in\b | \btaken?\ out\b | off\ the\ (?:bolt|roll)
    | what\ is\ left\b | left-over | \bafterwards\b | every\ second | model\ block | twirl
    | \btry-?outs?\b | \black(?:s|ing)?\b | stopping\ border | \blet\ in\b | \bput\ aside\b
    | \bexchanged?\b | \bwares?\b | no\ plan\ gives | \bin\ turn\b | \ba\ hair\ inside\b
    | \bfrom\ \S+\ to\ \S+\ (?:strips|blocks|pieces)\ can\b | \bgive\ back\b | \bback-tack
    | ≈\ \S+(?:\ \S+)?\ ×\ ≈
    """,
    re.IGNORECASE | re.VERBOSE,
)
# A command that ends in "so" does not say what will happen.
SO_AT_THE_END = re.compile(r"\bso$", re.IGNORECASE)
_NOUNS = (
    "seam|strip|piece|block|print|join|step|square|triangle|kit|row|column|spot|lot|layer|"
    "evening|quilt|segment|panel|label|stack|set|string|roll|unit|minute|hour|pin|tie|turn"
)
# "1 seams", "12 seam", "halfs": each count has its noun in the number it wants.
MISCOUNTED = re.compile(
    rf"(?<![\d⁄/½.,×-])(?<!\d )\b1 (?:\w+-square )?(?:{_NOUNS})s\b"
    rf"|(?<![\d⁄/½.,:-])\b(?:0|[2-9]|[1-9]\d+) (?:{_NOUNS})\b"
    r"(?! (?:sets?|rolls?|ends?|width|triangles?|joins?|yards?|rows?)\b|-)"
    r"|\bhalfs\b|\w+sss\b|\bentrys\b|\b1 (?:yardage|backing|batting|scraps)\b"
)
_SHOWN = ("aria-label", "title", "placeholder", "alt", "data-does")
_BLOCKS = {
    "p", "li", "h1", "h2", "h3", "td", "th", "button", "label", "option", "summary", "figcaption",
    "title", "dt", "dd", "div", "legend", "a",
}  # fmt: skip
# Most tags of a page draw and say nothing; leaving them out first is much faster than reading them.
_DRAWS = re.compile(
    r"</?(?:path|rect|line|circle|ellipse|polygon|polyline|use|g|pattern|defs|stop|image)\b"
    rf"(?![^<>]*\b(?:{'|'.join(_SHOWN)})=)[^<>]*>"
)


class _Reader(HTMLParser):
    """Collects the texts of a page as they stand together, and those of its attributes."""

    def __init__(self) -> None:
        super().__init__()
        self.texts: list[str] = [""]
        self.buttons: list[str] = []
        self._hidden = 0
        self._in_button = False

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        self._hidden += tag in ("script", "style")
        if tag in _BLOCKS:
            self.texts.append("")
        self._in_button |= tag == "button"
        if tag == "button":
            self.buttons.append("")
        self.texts[-1:] = [value for name, value in attrs if name in _SHOWN and value] + [
            self.texts[-1]
        ]

    def handle_endtag(self, tag: str) -> None:
        self._hidden -= tag in ("script", "style")
        self._in_button &= tag != "button"
        if tag in _BLOCKS:
            self.texts.append("")

    def handle_data(self, data: str) -> None:
        if not self._hidden:
            self.texts[-1] += data
            if self._in_button:
                self.buttons[-1] += data


@cache
def faults(text: str) -> tuple[str, ...]:
    """What the guide strikes out in a text, with what stands around it."""
    spaced = " ".join(text.split())
    return tuple(
        f"{found[0]!r} in {spaced[max(0, found.start() - 40) : found.end() + 40]!r}"
        for rule in (STRUCK, MISCOUNTED)
        for found in rule.finditer(spaced)
    )


def faults_of_page(page: str) -> list[str]:
    """What the guide strikes out in what a page shows."""
    reader = _Reader()
    reader.feed(_DRAWS.sub("", page))
    found = [fault for text in reader.texts for fault in faults(text)]
    buttons = (" ".join(words.split()) for words in reader.buttons)
    return found + [f"a button says {words!r}" for words in buttons if SO_AT_THE_END.search(words)]
