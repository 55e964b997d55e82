"""What a quilt cost, by the price list: the cloth it used up, and what was bought for it.

    cloth from home   its area, but for what is left, at the cheapest ware of the same form
    bought            the cheapest offer for each part that nothing at home gives

An estimate: what cloth really cost nobody wrote down. What the list knows no price for is named.
"""

from dataclasses import dataclass
from fractions import Fraction

from kersey.core.cloth.forms import FACTS, Form
from kersey.core.quilt.quilt import Quilt
from kersey.core.quilt.shopping import lack_of_part
from kersey.core.stash.price_list import PriceList


@dataclass(frozen=True)
class Cost:
    """Lines with their cost in hundredths, and what has no price."""

    lines: tuple[tuple[str, int], ...]
    unknown: tuple[str, ...]

    @property
    def total(self) -> int:
        """All lines together."""
        return sum(cost for _, cost in self.lines)


def quilt_cost(quilt: Quilt, prices: PriceList) -> Cost:
    """The cost of a quilt by a price list."""
    lines, unknown = list[tuple[str, int]](), list[str]()
    for form, area in used_of_forms(quilt).items():
        words = f"{FACTS[form].many} used"
        per_inch = _cheapest(form, prices)
        if per_inch is None:
            unknown.append(words)
        else:
            lines.append((words, round(area * per_inch)))
    for part in quilt.to_buy:
        lack = lack_of_part(quilt, part, prices)
        if lack.offers:
            lines.append((f"{part.name}, bought", lack.offers[0].cost))
        else:
            unknown.append(part.name)
    return Cost(tuple(lines), tuple(unknown))


def used_of_forms(quilt: Quilt) -> dict[Form, Fraction]:
    """Square inches of each form of cloth that the quilt used up: pulled for its blocks or cut for
    a part, less what is left."""
    left: dict[str, Fraction] = {}
    for piece in quilt.left:
        left[piece.fabric] = left.get(piece.fabric, Fraction(0)) + piece.area
    found: dict[Form, Fraction] = {}
    for fabric in quilt.kept.cutting.problem.fabrics:
        used = fabric.width * fabric.length * fabric.count - left.get(fabric.name, Fraction(0))
        if used > 0:
            found[fabric.form] = found.get(fabric.form, Fraction(0)) + used
    for opened in quilt.opened:
        lot = opened.pulled.kept.lot
        ends = sum((width * length for width, length in opened.ends), Fraction(0))
        area = lot.piece_area(opened.pulled.stack) * opened.count - ends
        found[lot.form] = found.get(lot.form, Fraction(0)) + area
    return found


def _cheapest(form: Form, prices: PriceList) -> Fraction | None:
    """The least price of a square inch, in hundredths; of yardage it is of a yard's length."""
    costs = [
        Fraction(ware.price) / (ware.area * (36 if ware.off_the_bolt else 1))
        for ware in prices.wares
        if ware.form is form
    ]
    return min(costs, default=None)
