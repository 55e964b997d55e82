"""What is understood of a line: facts of each lot, and the row of tokens they are read from."""

from collections.abc import Sequence
from dataclasses import dataclass, field
from fractions import Fraction

from kersey.core.cloth.fabric import Value
from kersey.core.cloth.forms import Form
from kersey.core.measure.length import CENTIMETRE, INCH, Units
from kersey.core.stash.said.tokens import Token, tokens_of
from kersey.core.stash.said.words import Sort

# Forms that come off the bolt, or are a bit of it: a word behind them names the cloth.
OF_THE_BOLT = frozenset({Form.YARDAGE, Form.BACKING, Form.BATTING})
# Cloth sold by the meter is wider than this in centimeters only.
WIDEST_IN_INCHES = Fraction(108)


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
class LotFacts:
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
    part_of_roll: Fraction | None = None
    shares: tuple[tuple[Fraction, Value], ...] = ()
    role: str = ""
    what: str = ""
    all_different: bool = False
    finished: bool = False
    less: int = 0
    note: str = ""
    headed: bool = False
    # The side is that of the pack it was said of, not measured.
    pack_side: bool = False
    # Said by its size alone, after one like it.
    only_sized: bool = False
    # The lot of which this one is a part, as "8 red" is of 16 strips.
    part_of: "LotFacts | None" = None
    bought_in: Units | None = None

    @property
    def much(self) -> bool:
        """Whether it is said how much there is."""
        return self.count is not None or self.grams is not None or self.is_pack


@dataclass
class LotSaid:
    """What was said of one lot, and the stretches of the line that say it."""

    said: LotFacts = field(default_factory=LotFacts)
    stretches: list[Stretch] = field(default_factory=list)


class Row:
    """The tokens of a line, as a row of letters to be read from left to right.

    `said` is what has been understood so far of the lot that is being read.
    """

    def __init__(self, line: str, units: Units, cloth: Fraction) -> None:
        self.line, self.units, self.cloth = line, units, cloth
        self.tokens = tokens_of(line)
        self.letters = "".join(token.sort for token in self.tokens)
        self.said = LotFacts()

    def rest(self, end: int) -> str:
        """The letters from a place to the end of its clause."""
        return self.letters[end:].split(Sort.BREAK)[0]

    def length(self, tokens: Sequence[Token], suffix: Fraction | None = None) -> Fraction:
        """A number with the units behind it, if any; else in `suffix`, or as the person thinks."""
        own = INCH if self.units is Units.INCHES else CENTIMETRE
        number, *rest = tokens
        if number.sort is Sort.WOF:
            return self.cloth
        if self.said.bought_in is Units.CENTIMETRES and number.value > WIDEST_IN_INCHES:
            own = CENTIMETRE
        return number.value * (rest[0].value if rest else suffix or own)
