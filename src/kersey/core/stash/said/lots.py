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
from kersey.core.cloth.print_names import COLOUR_WORDS, MOTIF_NAMES
from kersey.core.measure.length import Units
from kersey.core.stash.said.facts import OF_THE_BOLT, LotFacts, LotSaid, Row, Stretch
from kersey.core.stash.said.phrases import NAMEABLE, PASSED_OVER, PHRASES
from kersey.core.stash.said.shapes import ADJECTIVES, LENGTH
from kersey.core.stash.said.tokens import Token, marks_between
from kersey.core.stash.said.words import HOW_MANY, Sort, form_of, meant

# What follows a comma or "and" is another lot if it begins so.
_QUANTITY = re.compile(
    rf"[fAp]*(?:N{ADJECTIVES}F|N{ADJECTIVES}{LENGTH}[wl]?{ADJECTIVES}F|N{LENGTH}B{LENGTH}[wl]?{ADJECTIVES}F|NG"
    rf"|NY(?![Bwl])|NNY|NBNY|N[RP]|R|NB{LENGTH}B|N{LENGTH}B{LENGTH}(?!B))"
)
_PARTS = re.compile("(?:[fAp]*N[Vho][Vhof]*[fp]*K?){2,}")
_SIZE_ALONE = re.compile(rf"[fAp]*{LENGTH}B{LENGTH}[Vhof]*")
# "10 strips 2 1/2 in, 6 of 1 1/2 in".
_OTHER_SIZE = re.compile(rf"[fAp]*Nf{LENGTH}[fp]*")
_VALUE_ALONE = re.compile("[fAp]*Nf*[Vh]+[fp]*")
# Of a group that was described, another may follow: "10 blue fat quarters, 10 pink".
# "Fat quarters, 4 green and 3 brown".
_FORM_ALONE = re.compile("^[^N]*FK[fA]*N[Vh]+$")
# "2 1/2 inch squares 60 light 60 dark".
_FIRST_ALIKE, _MORE_ALIKE = re.compile("FN[Vh]+$"), re.compile("N[Vh]+[fp]*(?:K|$)")
# Under a heading: "fat quarters: navy 3, rust 2".
_VALUE_FIRST = re.compile("[fA]*[Vh][Vhof]*N[fp]*")
_DESCRIBED = re.compile("N[Vhof]*[Vh][Vhof]*F|F[pf]*N[Vh]+$|NF[of]*[Vh]+$")
# How many are in a roll or a pack, behind it: "one roll, forty strips".
_OF_IT = re.compile("[fA]*NF[fE]*")
# "1 m white, 50 cm red", "navy 1 yd, red 2 yd", "2 yd navy 2 yd red".
_OTHER_CLOTH = re.compile("[fA]*NUf*[Vhor][Vhofr]*|[Vhof]*[ho]N[YU][Vhofr]*")
_MORE_CLOTH = re.compile("NYf*[Vhor]")
# What stands between two lots and is of neither.
_BETWEEN = Sort.BREAK + Sort.MARK
_HEADING = re.compile("(?:NU)?[^N]*F")
_A_NAME = re.compile("[Nohcf]*[oh][ohf]*")
_FORM_FIRST = re.compile(r"[fApVho]*F[^K]*N")


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
    sized = sum(lot.said.only_sized for lot in lots)
    if sized and sized == len(lots) - 1 == (lots[0].said.count or 0) - 1:
        # "Two remnants: 18 x 20 and 12 x 44" are one of each.
        lots[0].said.count = 1
    return [
        single for lot in lots for shared in _shared(lot) for single in _one_for_each_name(shared)
    ]


def _shared(lot: LotSaid) -> Iterator[LotSaid]:
    """ "42 charms, half light and half dark": one lot for each share, if they come out even."""
    said = lot.said
    count, whole = said.count or 0, sum(share for share, _ in said.shares)
    if whole != 1 or any((count * share).denominator > 1 for share, _ in said.shares):
        yield lot
        return
    for place, (share, value) in enumerate(said.shares):
        mine = replace(said, shares=(), count=int(count * share), value=value, prints=None)
        yield LotSaid(mine, lot.stretches if place == 0 else [])


def _one_for_each_name(lot: LotSaid) -> Iterator[LotSaid]:
    """ "1/4 yd each red blue green": one lot for each cloth that is named."""
    if not lot.said.one_each or len(lot.said.names) < 2:
        yield lot
        return
    for place, name in enumerate(lot.said.names):
        said = replace(lot.said, name=name, names=(), count=lot.said.count or 1)
        yield LotSaid(said, lot.stretches if place == 0 else [])


def _without_wholes(lots: list[LotSaid]) -> list[LotSaid]:
    """The lots without those of which parts are said: their words stand with the first part."""
    kept: list[LotSaid] = []
    before: list[Stretch] = []
    for place, lot in enumerate(lots):
        after = lots[place + 1].said if place + 1 < len(lots) else None
        if after is not None and after.part_of is lot.said:
            before = lot.stretches
            continue
        kept.append(LotSaid(lot.said, [*before, *lot.stretches]))
        before = []
    return kept


class _Reader(Row):
    """Reads one line, lot after lot."""

    def __init__(self, line: str, units: Units, cloth: Fraction) -> None:
        super().__init__(line, units, cloth)
        self.meaning: dict[int, str | None] = {}

    def lots(self) -> list[LotSaid]:
        begins = [0]
        found: list[LotFacts] = []
        place = self._read_heading()
        while place < len(self.tokens):
            another = self._another_lot(place)
            if another is not None:
                found.append(self.said)
                self.said = another
                begins.append(place + (self.letters[place] in _BETWEEN))
            place += self._read_at(place)
        found.append(self.said)
        ends = [*begins[1:], len(self.tokens)]
        for said, begin, end in zip(found, begins, ends, strict=True):
            _name_the_cloth(said, self.tokens, self.meaning, range(begin, end))
        lots = [
            LotSaid(said, stretches)
            for said, stretches in zip(found, self._stretches(begins), strict=True)
        ]
        return _without_wholes(lots)

    def _another_lot(self, place: int) -> LotFacts | None:
        """What is known of the lot that begins at a break; None if none does."""
        said = self.said
        if self._parts_follow(place):
            whole = said.part_of or said
            return LotFacts(form=said.form, width=said.width, length=said.length, part_of=whole)
        if self.letters[place] != Sort.BREAK:
            return self._without_a_break(place)
        after = self.letters[place + 1 :].split(Sort.BREAK)[0]
        return self._like_the_one_before(place, after) or (
            LotFacts() if said.much and self._says_how_much(place, after) else None
        )

    def _without_a_break(self, place: int) -> LotFacts | None:
        """ "2 yd navy 2 yd red", "squares 60 light 60 dark"."""
        said, before = self.said, self.letters[:place]
        if _MORE_ALIKE.match(self.letters, place) and _FIRST_ALIKE.search(before):
            return LotFacts(form=said.form, width=said.width, length=said.length)
        more = said.form in OF_THE_BOLT and said.length and _MORE_CLOTH.match(self.letters, place)
        return LotFacts() if more and before[-1:] in {"h", "o"} else None

    def _like_the_one_before(self, place: int, after: str) -> LotFacts | None:
        """What another size or color alone says, the rest being as with the lot before."""
        said = self.said
        if _OTHER_SIZE.fullmatch(after) and said.much and said.width is not None:
            return LotFacts(form=said.form)
        if _SIZE_ALONE.fullmatch(after) and said.width is not None and said.length is not None:
            form = Form.PIECE if said.form is None and said.count in {None, 1} else None
            if said.headed or said.form in {*OF_THE_BOLT, Form.PIECE}:
                form = said.form
            return LotFacts(form=form, headed=said.headed, only_sized=True)
        alone = _VALUE_ALONE.fullmatch(after) or (said.headed and _VALUE_FIRST.fullmatch(after))
        if said.much and said.form is not None and alone:
            clause = self.letters[:place].split(Sort.BREAK)[-1]
            headed = said.headed or _FORM_ALONE.search(self.letters[:place])
            alike = LotFacts(form=said.form, width=said.width, length=said.length, headed=True)
            return alike if headed or _DESCRIBED.search(clause) else None
        return None

    def _says_how_much(self, place: int, after: str) -> bool:
        """Whether what follows a break says how much there is of something else."""
        said = self.said
        packed = said.is_pack or said.rolls is not None
        if packed and said.count is None and _OF_IT.fullmatch(after):
            return False
        # "backing, 3 yards": how much of it.
        if said.form in OF_THE_BOLT and said.length is None and after.startswith("NY"):
            return False
        # "2 yd white, yard of navy": one of them.
        one = said.form is not None and after.startswith(Sort.CLOTH_UNIT)
        if said.count == 1 and after.startswith(Sort.FORM):
            # "Fat quarter navy, fat quarter white".
            text = next(t.text for t in self.tokens[place:] if t.sort is Sort.FORM)
            one = form_of(text) is said.form and not text.lower().endswith("s")
        if one or (said.form in OF_THE_BOLT and _OTHER_CLOTH.fullmatch(after)):
            return True
        if said.form is not None:
            return (_QUANTITY.match(after) or _FORM_FIRST.match(after)) is not None
        if _VALUE_ALONE.fullmatch(after):
            return Sort.FORM in self.letters[place:]
        return _QUANTITY.match(after) is not None

    def _parts_follow(self, place: int) -> bool:
        """Whether what follows says how many of them there are of each: "8 red, 8 white" of 16."""
        said = self.said
        whole = said.part_of.count if said.part_of else said.count
        if said.form is None or whole is None:
            return False
        # "half-yard cuts: 4 blue, 3 green".
        open_count = said.one_each and said.part_of is None
        if said.part_of is not None:
            here, before = self.letters[place], self.letters[place - 1]
            return here == Sort.BREAK or (here == Sort.NUMBER and before in "Vhof")
        if self.letters[place] != Sort.BREAK and self.tokens[place].text not in {":", "("}:
            return False
        if not _PARTS.fullmatch(self.letters, place + 1):
            return False
        numbers = [token for token in self.tokens[place + 1 :] if token.sort is Sort.NUMBER]
        return open_count or sum(token.value for token in numbers) == whole

    def _read_heading(self) -> int:
        """ "four patches: 16 blocks 6 1/2": a name before a colon; where the rest begins.

        "fat quarters: 5 red, 3 white" heads groups of one form.
        """
        colon = self.letters.find(Sort.MARK)
        if colon < 1 or self.tokens[colon].text != ":":
            return 0
        before = self.letters[:colon]
        if _HEADING.fullmatch(before):
            self.said.headed = True
        if not _A_NAME.fullmatch(before) or not self.letters[colon + 1 :].strip(Sort.MARK):
            return 0
        for number in range(colon):
            self.meaning[number] = "name"
        self.said.name = self.line[: self.tokens[colon].start].strip()[:LONGEST_NAME]
        return colon

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
    if said.prints is not None and said.prints > 1:
        return
    one_cloth = said.form in NAMEABLE or said.count == 1 or said.prints == 1
    words = {Sort.WORD, Sort.COLOUR, Sort.VALUE, Sort.BED}
    bolt = said.form is Form.YARDAGE
    fits = [
        n
        for n in left
        if tokens[n].text[0].isalpha()
        and tokens[n].text.lower() not in HOW_MANY
        and (one_cloth or not meant(tokens[n].text))
        and (tokens[n].sort in words or (bolt and tokens[n].sort is Sort.FORM))
    ]
    # So many of something unknown are not named by it: "12 thingummies".
    measured = said.count is None and said.width is not None and said.length is not None
    known = (
        measured
        or said.form is not None
        or all(tokens[n].sort is Sort.COLOUR or tokens[n].text.lower() in MOTIF_NAMES for n in fits)
    )
    # Behind a name there may be its color: "background: 3 1/2 yards white".
    colours = all(tokens[n].sort is Sort.COLOUR for n in fits)
    if not fits or not known or (said.name and not colours):
        return
    for n in fits:
        meaning[n] = "name of the cloth"
    named = " ".join(_with_and(tokens, fits))
    said.name = f"{said.name} {named}".strip()[:LONGEST_NAME]
    said.names = tuple(_names(tokens, fits))


def _with_and(tokens: Sequence[Token], places: Sequence[int]) -> Iterator[str]:
    """The words of a name, with an "and" that stood between them."""
    before: int | None = None
    for place in places:
        between = [] if before is None else tokens[before + 1 : place]
        if len(between) == 1 and between[0].text.lower() == "and":
            yield "and"
        yield _one_colour(tokens[place])
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
    yield from (" ".join(_one_colour(tokens[n]) for n in group) for group in apart)


def _one_colour(token: Token) -> str:
    """The word as a name: "greens" are green."""
    one = token.text.removesuffix("s")
    return one if token.sort is Sort.COLOUR and one.lower() in COLOUR_WORDS else token.text
