"""The lots a line speaks of: "10 light, 14 dark fat quarters", or "2 yd navy and 1 yd red".

At a comma, "and", "+" or ";" another lot begins if what follows says how much there is of it. The
form may stand with the last of them. Words that nothing else explains name the cloth.
"""

import re
from collections.abc import Iterator, Sequence
from dataclasses import replace
from fractions import Fraction

from kersey.core.cloth.fabric import LONGEST_NAME
from kersey.core.cloth.forms import Form
from kersey.core.measure.length import Units
from kersey.core.stash.said.facts import LotFacts, LotSaid, Row, Stretch
from kersey.core.stash.said.phrases import ADJECTIVES, LENGTH, NAMEABLE, PASSED_OVER, PHRASES
from kersey.core.stash.said.tokens import Token, marks_between
from kersey.core.stash.said.words import Sort, meant

# What follows a comma or "and" is another lot if it begins so.
_QUANTITY = re.compile(
    rf"[fAp]*(?:N{ADJECTIVES}F|N{ADJECTIVES}{LENGTH}[wl]?{ADJECTIVES}F|N{LENGTH}B{LENGTH}[wl]?{ADJECTIVES}F|NG"
    rf"|NY(?![Bwl])|NNY|NBNY|N[RP]|R|NB{LENGTH}B|N{LENGTH}B{LENGTH}(?!B))"
)
_VALUE_ALONE = re.compile("[fAp]*N[Vh]+[fp]*")
_FORM_FIRST = re.compile(r"[fAp]*F[^K]*N")


def lots_said(line: str, units: Units, cloth: Fraction) -> list[LotSaid]:
    """The lots a line speaks of, one at least. `cloth`: the usable width, for strips cut across.

    >>> [(lot.said.count, lot.said.value) for lot in
    ...  lots_said("10 light, 14 dark fat quarters", Units.INCHES, Fraction(42))]
    [(10, <Value.LIGHT: 'light'>), (14, <Value.DARK: 'dark'>)]
    """
    lots = _Reader(line, units, cloth).lots()
    # "10 light, 14 dark fat quarters": the form stands with the last.
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


class _Reader(Row):
    """Reads one line, lot after lot."""

    def __init__(self, line: str, units: Units, cloth: Fraction) -> None:
        super().__init__(line, units, cloth)
        self.meaning: dict[int, str | None] = {}

    def lots(self) -> list[LotSaid]:
        begins = [0]
        found: list[LotFacts] = []
        place = 0
        while place < len(self.tokens):
            if self._another_lot_begins(place):
                found.append(self.said)
                self.said = LotFacts()
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
        for pattern, understand in PHRASES:
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
                filler = meaning is None and token.sort in PASSED_OVER
            lots[lot].append(Stretch(text, meaning, is_filler=filler))
        return lots

    @staticmethod
    def _lot_now(lots: list[list[Stretch]]) -> int:
        return max((n for n, lot in enumerate(lots) if lot), default=0)


def _name_the_cloth(
    said: LotFacts, tokens: Sequence[Token], meaning: dict[int, str | None], places: range
) -> None:
    """Words that mean nothing else, taken as the name of the cloth, or of each cloth."""
    left = [n for n in places if meaning.get(n) is None and tokens[n].sort not in PASSED_OVER]
    one_cloth = said.form in NAMEABLE or said.count == 1 or said.prints == 1
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
