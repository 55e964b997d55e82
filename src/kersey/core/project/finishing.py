"""What a person has settled for the finish: how layers are held, how it is quilted, and what is
said of the quilt once it is done.

own width   borders are cut as wide as it takes to reach the size that was reckoned
turned way  whether a turned frame is sewn before or after the quilting
holding     what keeps top, batting and backing together while it is quilted
apart       how far apart the batting allows lines of stitching, as its packet says
"""

from dataclasses import dataclass
from datetime import date
from fractions import Fraction

from kersey.core.errors import InvalidValue
from kersey.core.measure.spoken import Spoken

# A hand's width, and a fist's: how far apart the layers are held, or tied.
USUAL_REACH = Fraction(4)
LEAST_REACH, MOST_REACH = Fraction(1), Fraction(12)
LEAST_DISTANCE, MOST_DISTANCE = Fraction(1, 4), Fraction(24)
MOST_APART = Fraction(24)
LONGEST_WORDS, LONGEST_LABEL = 400, 300
MOST_PHOTOGRAPHS = 12
LABEL_LEAST, LABEL_MOST = Fraction(2), Fraction(12)


class BadFinish(InvalidValue):
    """A finish that cannot be so."""


class Holding(Spoken):
    """What holds the layers together."""

    PINS = "safety pins"
    THREAD = "long stitches", "hand basting"
    SPRAY = "adhesive spray"
    FUSED = "a pressing sheet", "fusible sheet"


class TurnedWay(Spoken):
    """What comes first where the backing is turned to a frame."""

    QUILTED_FIRST = "quilted first", "quilt top and batting first, then turn"
    TURNED_FIRST = "turned first", "turn first, then quilt or tie through"


class Pattern(Spoken):
    """How it is quilted."""

    LINES = "straight lines"
    DIAGONALS = "diagonals"
    SEAMS = "in the seams", "in the ditch"
    WAVES = "waves"
    OUTLINE = "blocks outlined", "outline the blocks"
    LOOPS = "loops all over", "allover loops"
    TIES = "ties"


@dataclass(frozen=True)
class Quilting:
    """A pattern, and how far its lines, loops or ties are apart, in inches; `across` turns upright
    lines and waves, `crossed` has them both ways."""

    pattern: Pattern = Pattern.LINES
    distance: Fraction = USUAL_REACH
    across: bool = False
    crossed: bool = False

    def __post_init__(self) -> None:
        if not LEAST_DISTANCE <= self.distance <= MOST_DISTANCE:
            raise BadFinish("Quilting lines can be 1/4 to 24″ (60 cm) apart, like 4.", "distance")


@dataclass(frozen=True)
class Finishing:
    """The choices. Lengths in inches; nothing is known of what is None."""

    own_width: bool = False
    turned_way: TurnedWay = TurnedWay.QUILTED_FIRST
    holding: Holding = Holding.PINS
    reach: Fraction = USUAL_REACH
    bears_heat: bool | None = None
    quilting: Quilting = Quilting()
    apart: Fraction | None = None
    binding_start: Fraction | None = None
    finished_on: date | None = None
    for_whom: str = ""
    label: str = ""
    label_width: Fraction = Fraction(4)
    care: str = ""
    photographs: tuple[str, ...] = ()

    def __post_init__(self) -> None:
        if not LEAST_REACH <= self.reach <= MOST_REACH:
            raise BadFinish("Baste every 1 to 12″ (30 cm), like 4.", "reach")
        if self.apart is not None and not 0 < self.apart <= MOST_APART:
            raise BadFinish("Packages allow up to 24″ (60 cm), like 8.", "apart")
        if not LABEL_LEAST <= self.label_width <= LABEL_MOST:
            raise BadFinish("A label can be 2 to 12″ (30 cm) wide, like 4.", "label_width")
        if len(self.photographs) > MOST_PHOTOGRAPHS:
            raise BadFinish(f"You can keep {MOST_PHOTOGRAPHS} photos of a quilt.", "name")
        words = (self.for_whom, self.care, *self.photographs)
        if len(self.label) > LONGEST_LABEL or max(map(len, words)) > LONGEST_WORDS:
            raise BadFinish(f"A label can have {LONGEST_LABEL} characters.", "label")


NOT_FINISHED = Finishing()
