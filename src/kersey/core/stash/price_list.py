"""The price list of a shop: what is on offer, how it is sold, what it costs, how much is there.

    ware      cloth of one form: off the bolt by the eighth of a yard, or piece, roll or stack
    price     in hundredths of whatever money the reader thinks in: of a yard, or of one piece
    least     the shortest cut of a ware off the bolt, in inches
    stock     how much of it is there: inches off the bolt, or pieces; None: more than anybody buys

The list that ships stands in for a shop; every ware can be changed.
"""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.cloth.fabric import checked_name
from kersey.core.cloth.forms import FACTS, Form
from kersey.core.errors import InvalidValue
from kersey.core.measure.length import YARD, round_up_to

# Cloth is cut off the bolt by the eighth of a yard.
EIGHTH_OF_A_YARD = YARD / 8
MOST_PRICE, MOST_WARES, MOST_STOCK = 10_000_00, 60, 100_000
_SOLD = frozenset(
    {Form.STRIP, Form.SQUARE, Form.FAT_QUARTER, Form.FAT_EIGHTH, Form.YARDAGE, Form.BATTING}
)


class BadWare(InvalidValue):
    """A ware that no shop has."""


@dataclass(frozen=True)
class Ware:
    """Something on offer. Lengths in inches; of yardage `length` is 0: it is cut as asked for.

    One of it is `pieces` pieces of `width` x `length`, in `prints` prints.
    """

    name: str
    form: Form
    width: Fraction
    price: int
    length: Fraction = Fraction(0)
    pieces: int = 1
    prints: int = 1
    least: Fraction = Fraction(0)
    stock: Fraction | None = None

    def __post_init__(self) -> None:
        object.__setattr__(self, "name", checked_name(self.name))
        if self.form not in _SOLD:
            raise BadWare(
                "An item must be strips, squares, fat quarters, yardage or batting.", "form"
            )
        if not 0 <= self.price <= MOST_PRICE:
            raise BadWare("A price can be 0 to 10,000, like 12.50.", "price")
        facts = FACTS[self.form]
        if not facts.narrowest <= self.width <= facts.widest:
            raise BadWare(f"Type the width, like {facts.example}.", "width")
        if not self.off_the_bolt and not 1 <= self.length <= facts.longest:
            raise BadWare(f"Type the length, like {facts.example}.", "length")
        if not 1 <= self.prints <= self.pieces <= facts.most:
            raise BadWare(
                f"Use 1 to {facts.most} pieces, and no more prints than pieces.", "pieces"
            )
        if not 0 <= self.least <= 10 * YARD:
            raise BadWare("The smallest cut can be 0 to 10 yards, like 1/4 yd.", "least")
        if self.stock is not None and not 0 <= self.stock <= MOST_STOCK:
            raise BadWare(
                "Stock can be 0 or more. Leave it empty if the shop never runs out.", "stock"
            )

    @property
    def off_the_bolt(self) -> bool:
        """Whether it is cut as long as asked for."""
        return self.form is Form.YARDAGE

    @property
    def area(self) -> Fraction:
        """Square inches of one of it; of yardage, of an inch."""
        return self.width * (self.length or 1) * self.pieces

    def quantity(self, wanted: Fraction) -> Fraction:
        """What is bought of it for so many inches, or so many of it: as the shop cuts it."""
        if not self.off_the_bolt:
            return Fraction(-(-wanted // 1))
        return max(self.least, round_up_to(EIGHTH_OF_A_YARD, wanted))

    def cost(self, quantity: Fraction) -> int:
        """What that costs, in hundredths, rounded up."""
        units = quantity / YARD if self.off_the_bolt else quantity
        return int(-(-units * self.price // 1))

    def there(self, quantity: Fraction) -> bool:
        """Whether the shop has so much."""
        return self.stock is None or quantity <= self.stock


@dataclass(frozen=True)
class PriceList:
    """All wares of a shop, each under a name of its own."""

    wares: tuple[Ware, ...]

    def __post_init__(self) -> None:
        if len(self.wares) > MOST_WARES:
            raise BadWare(f"A price list can have {MOST_WARES} items.", "name")
        names = [ware.name for ware in self.wares]
        if len(set(names)) < len(names):
            twice = next(name for name in names if names.count(name) > 1)
            raise BadWare(f"“{twice}” is already on the list.", "name")

    def ware(self, name: str) -> Ware | None:
        """The ware of a name."""
        return next((ware for ware in self.wares if ware.name == name), None)

    def with_ware(self, name: str | None, ware: Ware) -> "PriceList":
        """The list with a ware changed, known by the `name` it had; or added."""
        if name is None or self.ware(name) is None:
            return replace(self, wares=(*self.wares, ware))
        return replace(self, wares=tuple(ware if w.name == name else w for w in self.wares))

    def without(self, name: str) -> "PriceList":
        """The list without a ware."""
        return replace(self, wares=tuple(w for w in self.wares if w.name != name))

    def sold(self, bought: Iterable[tuple[str, Fraction]]) -> "PriceList":
        """The list once so much of each was sold; of what is not counted, nothing changes."""
        left = {ware.name: ware.stock for ware in self.wares}
        for name, quantity in bought:
            stock = left.get(name)
            if stock is not None:
                left[name] = max(Fraction(0), stock - quantity)
        return PriceList(tuple(replace(ware, stock=left[ware.name]) for ware in self.wares))


def _ware(
    name: str,
    form: Form,
    size: tuple[str, str],
    price: int,
    *,
    of: tuple[int, int] = (1, 1),
    least: int = 0,
    stock: Fraction | None = None,
) -> Ware:
    width, length = (Fraction(side) for side in size)
    return Ware(name, form, width, price, length, *of, Fraction(least), stock)


# Made-up prices, in the proportion that precuts, yardage and extra-wide cloth usually have.
USUAL_PRICES = PriceList(
    (
        _ware("quilting cotton, by the yard", Form.YARDAGE, ("42", "0"), 12_00, least=9),
        _ware("solid cotton, by the yard", Form.YARDAGE, ("42", "0"), 8_50, least=9),
        _ware("extra-wide backing", Form.YARDAGE, ("108", "0"), 22_00, least=18),
        _ware("fat quarter", Form.FAT_QUARTER, ("35/2", "21"), 3_80, stock=Fraction(200)),
        _ware("fat eighth", Form.FAT_EIGHTH, ("17/2", "21"), 2_20, stock=Fraction(120)),
        _ware(
            "roll of 40 strips", Form.STRIP, ("5/2", "42"), 42_00, of=(40, 20), stock=Fraction(12)
        ),
        _ware("charm squares", Form.SQUARE, ("5", "5"), 12_50, of=(42, 42), stock=Fraction(30)),
        _ware(
            "ten-inch squares", Form.SQUARE, ("10", "10"), 40_00, of=(42, 42), stock=Fraction(15)
        ),
        _ware("batting 45 x 60", Form.BATTING, ("45", "60"), 14_00),
        _ware("batting 72 x 90", Form.BATTING, ("72", "90"), 22_00),
        _ware("batting 81 x 96", Form.BATTING, ("81", "96"), 26_00),
        _ware("batting 90 x 108", Form.BATTING, ("90", "108"), 32_00),
        _ware("batting 120 x 120", Form.BATTING, ("120", "120"), 46_00),
    )
)
