"""A technique: how a make comes to be of what is taken for it, with all that is known of it.

What is sewn, cut or pressed by it, and the sentences that say so, stand in its one value; work
order, machine, pressing and time ask it. Those that every block may use stand here; one that makes
a kind of unit stands beside the figures of that unit, one that a single block uses in its recipe.
"""

from collections.abc import Callable
from dataclasses import dataclass, field
from fractions import Fraction

from kersey.core.measure.root2 import Root2


@dataclass(frozen=True)
class Technique:
    """Known by its `name`; the rest follows from it.

    `step` is said on the cutting sheet, `alone` where there is one part only. They may name what is
    taken ({parts}, {first}, {rest}, {second}), how many it `{gives}`, half its width ({half}), and
    of what is cut from strip sets how many segments of {each}, how {wide} and what is left {over}.
    `at_machine` is the line of a pass; without one the make is named. `measured` says what it
    should measure, {across} or by its size where it is None, and "" where nothing can be.

    `seams` is how many it has whatever it is made of; None: one fewer than its parts. With `joins`
    its parts are sewn on one after another, a pass each; if it `flips`, what lies over the corner
    is trimmed off. With `bias` its outer edges stretch. What is `cut_from` a set of strips names
    that; `square_of` says how large a square comes off it, by the set's height and the seam.
    """

    name: str
    step: str = field(default="", compare=False)
    alone: str = field(default="", compare=False)
    at_machine: str = field(default="", compare=False)
    verb: str = field(default="Sew", compare=False)
    measured: str | None = field(default=None, compare=False)
    seams: int | None = field(default=0, compare=False)
    joins: bool = field(default=False, compare=False)
    flips: bool = field(default=False, compare=False)
    bias: bool = field(default=False, compare=False)
    cut_from: str = field(default="", compare=False)
    square_of: Callable[[Fraction, Fraction], Root2] | None = field(default=None, compare=False)


CUT = Technique("cut")
JOINED = Technique(
    "joined", step="Join {parts}.", alone="Join {parts} side by side.", seams=None, joins=True
)
AROUND = Technique(
    "around", step="Start with the {first}. Add in this order: {rest}.", seams=None, joins=True
)
STRIP_SET = Technique(
    "strip-set",
    step="Sew the full length with the strip ends even, and press.",
    measured="Each strip set should measure {across} across. If not, adjust your seams before you "
    "cut.",
    seams=None,
    joins=True,
)
CROSSCUT = Technique(
    "crosscut",
    step="Cut {wide} segments: {each}.{over}",
    at_machine="Cut the strip set into segments",
    verb="Cut",
    measured="",
    cut_from="strip set",
)
READY = Technique(
    "ready",
    step="They are already sewn. Square up each one, trimming evenly on all four sides.",
    at_machine="Use it as it is",
    verb="Measure and trim",
)
TRIMMED = Technique(
    "trimmed",
    step="Trim the same amount off both ends.",
    at_machine="Trim at both ends",
    verb="Trim",
)
