"""What a quilter wants to know of a block before it is chosen, and minds while it is sewn."""

from dataclasses import dataclass

from kersey.core.measure.spoken import Spoken

# docs/trade.md section 11: what can hurt, and what stretches, in so many blocks.
CUTTER = "Close the rotary cutter every time you put it down, and cut away from yourself."
STARCH = "Starch before you cut, and press without sliding the iron. Bias edges stretch."


class Difficulty(Spoken):
    """How much practice a block asks for."""

    FIRST = "a first quilt", "beginner"
    SOME = "some practice", "some experience"
    CARE = "patience and care"


@dataclass(frozen=True)
class Facts:
    """The facts of a block.

    `sides`: from the smallest to the largest finished side that makes sense, in inches; `pressing`:
    the schools, the usual one first; `mistakes`: what goes wrong, and how it is noticed or mended.
    Sources: docs/trade.md sections 3, 7, 9, 10 and 11.
    """

    made_from: str
    difficulty: Difficulty
    sides: tuple[int, int]
    suits: str
    pressing: tuple[str, ...]
    cautions: tuple[str, ...]
    mistakes: tuple[tuple[str, str], ...]
