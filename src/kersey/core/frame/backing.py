"""The backing: top + 2 x margin each way, in panels.

*Upright*: seams run down the quilt; n is the smallest number with n U - (n - 1) >= width, and
n x length is bought. *Across*: the same with width and length exchanged. Seams are 1/2, selvedges
off. *Wide*: one piece of extra-wide backing, where that is wide enough.

Source: docs/trade.md section 6.
"""

from dataclasses import dataclass
from fractions import Fraction

from kersey.core.errors import InvalidValue
from kersey.core.frame.joining import strips_to_join
from kersey.core.measure.length import CENTIMETRE, EIGHTH, YARD, Units, bought_length, round_up_to
from kersey.core.measure.spoken import Spoken

# Backing panels are joined with 1/2 seams, so a join costs 1.
JOIN_COST = Fraction(1)
# Extra-wide backing is sold 108 wide.
WIDE_BACKING = Fraction(108)
HOME_MARGIN = Fraction(2)
HALF_CENTIMETRE = CENTIMETRE / 2


class BadMargin(InvalidValue):
    """A margin that nobody leaves."""


class BackingWay(Spoken):
    """How the cloth lies: seams upright, seams across, one extra-wide piece; or in panels with a
    strip of spare blocks let in, which is known to whoever knows the blocks."""

    UPRIGHT = "upright", "vertical seams"
    ACROSS = "across", "horizontal seams"
    WIDE = "wide", "extra-wide, no seam"
    LET_IN = "let-in", "with a row of blocks"


@dataclass(frozen=True)
class BackingPlan:
    """One way to make the backing. Lengths in inches; `cloth` is exact, `bought` as shops cut."""

    way: BackingWay
    panels: int
    panel_length: Fraction
    cloth: Fraction
    bought: Fraction

    @property
    def yards(self) -> Fraction:
        """What is bought, in yards."""
        return self.bought / YARD


@dataclass(frozen=True)
class Backing:
    """The backing's size and every way to make it, the thriftiest of normal cloth first."""

    width: Fraction
    length: Fraction
    plans: tuple[BackingPlan, ...]

    def plan(self, way: BackingWay | None) -> BackingPlan:
        """The plan of one way, or the best when none is asked for or it is not possible."""
        return next((plan for plan in self.plans if plan.way is way), self.plans[0])


def check_margin(margin: Fraction) -> None:
    """Raise `BadMargin` unless the margin is from 0 to 12 inches."""
    if not 0 <= margin <= 12:
        raise BadMargin(
            "Extra backing can be 0 to 12″ (30 cm) per side, like 2 at home or 4 for longarm."
        )


def plan_backing(
    top_width: Fraction,
    top_length: Fraction,
    margin: Fraction,
    usable_width: Fraction,
    units: Units = Units.INCHES,
) -> Backing:
    """Every way to back a top of this unfinished size; upright wins a tie.

    >>> backing = plan_backing(Fraction(101, 2), Fraction(133, 2), Fraction(2), Fraction(42))
    >>> [(plan.way.value, plan.yards) for plan in backing.plans]
    [('across', Fraction(25, 8)), ('upright', Fraction(4, 1)), ('wide', Fraction(13, 8))]
    """
    check_margin(margin)
    width, length = top_width + 2 * margin, top_length + 2 * margin
    upright = _panels(BackingWay.UPRIGHT, width, length, usable_width, units)
    across = _panels(BackingWay.ACROSS, length, width, usable_width, units)
    panelled = (upright, across) if upright.cloth <= across.cloth else (across, upright)
    return Backing(width, length, (*panelled, *_wide(width, length, units)))


def fewer_panels(
    top_width: Fraction,
    top_length: Fraction,
    margin: Fraction,
    usable_width: Fraction,
    units: Units = Units.INCHES,
) -> tuple[Fraction, BackingPlan] | None:
    """The nearest smaller margin at which less cloth is bought because a panel fewer will do.

    None where no margin of half the size or more saves a panel. At a top of 38 1/2 by 20 and a
    margin of 2 two panels are needed; at 1 3/4 the backing is 42 wide, and one will do:

    >>> margin, plan = fewer_panels(Fraction(77, 2), Fraction(40), Fraction(2), Fraction(42))
    >>> margin, plan.panels, plan.yards
    (Fraction(7, 4), 1, Fraction(5, 4))
    """
    now = plan_backing(top_width, top_length, margin, usable_width, units).plans[0]
    step = EIGHTH if units is Units.INCHES else HALF_CENTIMETRE
    smaller = round_up_to(step, margin) - step
    while 2 * smaller >= margin and smaller >= 0 and margin > 0:
        plan = plan_backing(top_width, top_length, smaller, usable_width, units).plans[0]
        if plan.panels < now.panels and plan.bought < now.bought:
            return smaller, plan
        smaller -= step
    return None


# A quilt is folded in the middle: a seam closer to it than this wears with the fold.
NEAR_FOLD = Fraction(2)


def panel_seams(plan: BackingPlan, covered: Fraction, usable_width: Fraction) -> list[Fraction]:
    """Where the seams between panels lie across them; the last panel is as narrow as is needed.

    >>> plan = plan_backing(Fraction(50), Fraction(66), Fraction(2), Fraction(42)).plans[0]
    >>> panel_seams(plan, Fraction(70), Fraction(42))
    [Fraction(83, 2)]
    """
    first = usable_width - JOIN_COST / 2
    return [min(first + n * (usable_width - JOIN_COST), covered) for n in range(plan.panels - 1)]


def seam_in_fold(seams: list[Fraction], covered: Fraction) -> bool:
    """Whether a seam lies in the middle, where the quilt is folded."""
    return any(abs(seam - covered / 2) < NEAR_FOLD for seam in seams)


def _panels(
    way: BackingWay, covered: Fraction, panel_length: Fraction, usable: Fraction, units: Units
) -> BackingPlan:
    panels = strips_to_join(covered, usable, JOIN_COST)
    cloth = panels * panel_length
    return BackingPlan(way, panels, panel_length, cloth, bought_length(cloth, units))


def _wide(width: Fraction, length: Fraction, units: Units) -> tuple[BackingPlan, ...]:
    short, long = sorted((width, length))
    if short > WIDE_BACKING:
        return ()
    cloth = short if long <= WIDE_BACKING else long
    return (BackingPlan(BackingWay.WIDE, 1, cloth, cloth, bought_length(cloth, units)),)
