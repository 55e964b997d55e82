"""Cut-down rules: what an offcut becomes under the sizes that somebody likes to keep.

rule      a size, w x l, or a width alone: a strip as long as the piece, of 8 inches or more
worth     square inches in pieces of a rule; each rule counts a fifth more than the one after it

The rules stand in the order in which their pieces are wanted. A piece is cut straight across, again
and again, so that what is kept is worth most: exact, by trying every line that lies on sums of the
sizes. What no rule takes is what is left of it. Source: docs/trade.md section 7.

    >>> F = Fraction
    >>> bars = CutRule(F(5, 2), F(9, 2))
    >>> [(str(p.width), str(p.length), p.count) for p in cut_down((F(9), F(5)), [bars]).pieces]
    [('5/2', '9/2', 4)]
"""

import re
from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from fractions import Fraction
from functools import lru_cache
from math import lcm

from kersey.core.cloth.forms import Form
from kersey.core.errors import InvalidValue
from kersey.core.measure.counting import counted
from kersey.core.measure.length import Units, format_length, format_size, parse_length

Size = tuple[Fraction, Fraction]
SHORTEST_STRIP = Fraction(8)
LONGEST_RULES = 200
LEAST, MOST, MOST_RULES = Fraction(1), Fraction(45), 6
# A rule counts so much more than the one after it: six fifths.
_MORE = (6, 5)
_BETWEEN = re.compile(r"\s*[x×*]\s*|\s+by\s+")
_AND = re.compile(r"\s*(?:;|,|\+|\n|\band\b)\s*")
_WORDS = re.compile(r"\b(?:strips?|squares?|bars?|bricks?|pieces?|inch|inches)\b", re.IGNORECASE)
_SQUARE = re.compile(r"\bsquares?\b", re.IGNORECASE)
# A piece has at most so many lines worth trying each way: more are taken at every second.
_MOST_LINES = 60


class BadRule(InvalidValue):
    """A size that nobody keeps."""


@dataclass(frozen=True)
class CutRule:
    """A size to keep; without a `length` strips of its width."""

    width: Fraction
    length: Fraction | None = None

    def __post_init__(self) -> None:
        sides = [self.width] if self.length is None else [self.width, self.length]
        if not all(LEAST <= side <= MOST for side in sides):
            raise BadRule("Sizes can be 1 to 45″ (114 cm), like 2 1/2 strips, 5 squares.", "rules")

    def words(self, units: Units) -> str:
        """The rule as a person says it."""
        if self.length is None:
            return f"{format_length(self.width, units)} strips"
        if self.length == self.width:
            return f"{format_length(self.width, units)} squares"
        return format_size(self.width, self.length, units)


def read_rules(text: str, units: Units = Units.INCHES) -> tuple[CutRule, ...]:
    """The rules of a line like ``2 1/2 strips, 2 1/2 x 4 1/2, 5 squares``. Raises `BadRule`.

    >>> [rule.words(Units.INCHES) for rule in read_rules("2 1/2 strips; 2 1/2 x 4 1/2, 5 squares")]
    ['2½″ strips', '2½ × 4½″', '5″ squares']
    """
    parts = [part for part in _AND.split(text.strip()) if part]
    if len(parts) > MOST_RULES:
        raise BadRule(f"List up to {MOST_RULES} sizes.", "rules")
    return tuple(_rule(part, units) for part in parts)


def rules_text(text: str, units: Units) -> str:
    """Rules as they are kept: every length says its own units, whoever reads it later. Raises
    `BadRule`.

    >>> rules_text("6.5 strips, 5 x 12", Units.CENTIMETRES)
    '6.5 cm strips, 5 cm x 12 cm'
    """
    return ", ".join(_with_units(rule, units) for rule in read_rules(text, units))


def _with_units(rule: CutRule, units: Units) -> str:
    if rule.length is None or rule.length == rule.width:
        return rule.words(units)
    return f"{format_length(rule.width, units)} x {format_length(rule.length, units)}"


def _rule(text: str, units: Units) -> CutRule:
    sides = [side for side in _BETWEEN.split(_WORDS.sub("", text).strip()) if side.strip()]
    if not 1 <= len(sides) <= 2:
        raise BadRule("Type sizes like 2 1/2 strips, 2 1/2 x 4 1/2, 5 squares.", "rules")
    try:
        lengths = sorted(parse_length(side.strip(), units) for side in sides)
    except ValueError as error:
        raise BadRule(str(error), "rules") from None
    square = _SQUARE.search(text) is not None
    return CutRule(lengths[0], lengths[-1] if len(lengths) == 2 or square else None)


@dataclass(frozen=True)
class KeptPiece:
    """So many pieces of a size."""

    width: Fraction
    length: Fraction
    count: int
    form: Form


@dataclass(frozen=True)
class CutDown:
    """What a piece becomes: pieces, what they are worth, and the square inches that are left."""

    pieces: tuple[KeptPiece, ...]
    worth: Fraction
    lost: Fraction

    def words(self, units: Units) -> str:
        """What it becomes, in a few words; nothing where no rule keeps any of it."""
        return " and ".join(
            f"{counted(piece.count, 'piece')}, {format_size(piece.width, piece.length, units)}"
            for piece in self.pieces
        )


def cut_down(size: Size, rules: Sequence[CutRule], directional: bool = False) -> CutDown:
    """What a piece of this size becomes under the rules; a directional one is not turned."""
    # In whole numbers of a common part of an inch, which is reckoned with many times faster.
    sides = [*size, *(side for rule in rules for side in (rule.width, rule.length or rule.width))]
    parts = lcm(*(side.denominator for side in sides))
    cutter = _Cutter(rules, parts, directional)
    width, length = (int(side * parts) for side in size)
    kept = Counter((min(cut), max(cut)) for cut in cutter.pieces(width, length))
    pieces = tuple(
        _kept(Fraction(short, parts), Fraction(long, parts), count, rules)
        for (short, long), count in sorted(kept.items(), reverse=True)
    )
    used = sum((p.width * p.length * p.count for p in pieces), Fraction(0))
    worth = Fraction(cutter.best(width, length)[0], parts**2 * _MORE[1] ** max(0, len(rules) - 1))
    return CutDown(pieces, worth, size[0] * size[1] - used)


def _kept(width: Fraction, length: Fraction, count: int, rules: Sequence[CutRule]) -> KeptPiece:
    if width == length:
        return KeptPiece(width, length, count, Form.SQUARE)
    strip = length >= SHORTEST_STRIP and any(
        rule.length is None and rule.width == width for rule in rules
    )
    return KeptPiece(width, length, count, Form.STRIP if strip else Form.PIECE)


_Whole = tuple[int, int]


class _Cutter:
    """The best cuts of rectangles, in whole parts of an inch; each is asked once."""

    def __init__(self, rules: Sequence[CutRule], parts: int, directional: bool) -> None:
        more, base = _MORE
        last = len(rules) - 1
        self._rules = tuple(
            (
                int(r.width * parts),
                None if r.length is None else int(r.length * parts),
                more ** (last - n) * base**n,
            )
            for n, r in enumerate(rules)
        )
        self._strip, self._directional = int(SHORTEST_STRIP * parts), directional
        self._sides = {side for w, h, _ in self._rules for side in (w, h) if side is not None}
        self.best = lru_cache(maxsize=None)(self._best)
        self._lines = lru_cache(maxsize=None)(self._lines_of)

    def pieces(self, width: int, length: int) -> Iterator[_Whole]:
        """The pieces that a rectangle is worth most in."""
        _, _, how = self.best(width, length)
        if len(how) == 1:
            yield how[0]
        for part in how if len(how) == 2 else ():
            yield from self.pieces(*part)

    def _best(self, width: int, length: int) -> tuple[int, int, tuple[_Whole, ...]]:
        """The most worth of a rectangle, less its pieces, since fewer of them win a tie; and the
        one piece, or the two parts, that it is had by."""
        worth, pieces, how = 0, 0, tuple[_Whole, ...]()
        for each, size in self._single(width, length):
            if (each, -1) > (worth, pieces):
                worth, pieces, how = each, -1, (size,)
        for parts in (*self._cuts(width, length, True), *self._cuts(width, length, False)):
            (one, of_one, _), (other, of_other, _) = (self.best(*part) for part in parts)
            if (one + other, of_one + of_other) > (worth, pieces):
                worth, pieces, how = one + other, of_one + of_other, parts
        return worth, pieces, how

    def _single(self, width: int, length: int) -> Iterator[tuple[int, _Whole]]:
        """One piece of a rule in the corner, and what it is worth."""
        for across, down, weight in self._rules:
            for size in self._lying(across, down, width, length):
                if size[0] <= width and size[1] <= length:
                    yield weight * size[0] * size[1], size

    def _lying(self, across: int, down: int | None, width: int, length: int) -> Iterator[_Whole]:
        if down is None:
            # A strip may be cut either way of the cloth: its print runs along or across it.
            if length >= self._strip:
                yield across, length
            if width >= self._strip:
                yield width, across
            return
        yield across, down
        if not self._directional and across != down:
            yield down, across

    def _cuts(self, width: int, length: int, across: bool) -> Iterator[tuple[_Whole, _Whole]]:
        whole = width if across else length
        for at in self._lines(whole):
            if across:
                yield (at, length), (whole - at, length)
            else:
                yield (width, at), (width, whole - at)

    def _lines_of(self, whole: int) -> tuple[int, ...]:
        """Sums of sides: any other line can be pushed to one of them. One beyond the middle is the
        same as its mirror where that is a sum too."""
        sums, fresh = set[int](), {0}
        while fresh:
            fresh = {a + side for a in fresh for side in self._sides if a + side < whole} - sums
            sums |= fresh
        lines = sorted(at for at in sums if 2 * at <= whole or whole - at not in sums)
        few = len(lines) <= _MOST_LINES
        return tuple(lines if few else lines[:: len(lines) // _MOST_LINES + 1])
