"""An order to a shop, and what is delivered of it: lots for the cupboard.

A print that was only named is delivered by that name, and of precuts nobody knows the prints before
they lie on the table: what they look like is filled in, and stays to be said.
"""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.cloth.fabric import Fact, Lot, Print, Stack, spread
from kersey.core.cloth.forms import FACTS
from kersey.core.cloth.print_names import unknown_print, unknown_prints
from kersey.core.errors import Infeasible
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.price_list import PriceList, Ware


class OutOfStock(Infeasible):
    """The shop has not so much of a ware, or does not know it."""


@dataclass(frozen=True)
class Ordered:
    """So much of a ware, inches off the bolt or how many, for a purpose; `named` is its print."""

    ware: Ware
    quantity: Fraction
    purpose: str
    named: str = ""


def fill(order: Sequence[Ordered], prices: PriceList) -> PriceList:
    """The price list once an order is sold from its stock. Raises `OutOfStock`, naming the ware."""
    for ordered in order:
        ware = prices.ware(ordered.ware.name)
        if ware is None:
            raise OutOfStock(f"“{ordered.ware.name}” isn't on the price list.")
    wanted: dict[str, Fraction] = {}
    for ordered in order:
        name = ordered.ware.name
        wanted[name] = wanted.get(name, Fraction(0)) + ordered.quantity
    for name, quantity in wanted.items():
        ware = prices.ware(name)
        assert ware is not None
        if not ware.there(quantity):
            raise OutOfStock(f"There isn't enough “{name}” in stock for this order.")
    return prices.sold(wanted.items())


def delivered(order: Iterable[Ordered]) -> tuple[CupboardLot, ...]:
    """The lots that an order becomes: one for each of its lines, or several where that is more than
    a lot can be."""
    found, first = list[CupboardLot](), 1
    for ordered in order:
        name = f"{ordered.ware.name}, for the {ordered.purpose}"
        for lot in _lots(ordered, first):
            first += len(lot.stacks)
            found.append(CupboardLot(name[:80], lot))
    return tuple(found)


def _lots(ordered: Ordered, first: int) -> Iterator[Lot]:
    ware, left = ordered.ware, ordered.quantity
    most = ordered.quantity if ware.off_the_bolt else FACTS[ware.form].most // ware.pieces
    while left > 0:
        part = min(left, Fraction(most))
        lot = _lot(replace(ordered, quantity=part), first)
        yield lot
        left, first = left - part, first + len(lot.stacks)


def _lot(ordered: Ordered, first: int) -> Lot:
    ware = ordered.ware
    if ware.off_the_bolt:
        stacks: tuple[Stack, ...] = (Stack(_print(ordered, first), 1),)
        return Lot(ware.width, ordered.quantity, stacks, form=ware.form)
    bought = int(ordered.quantity)
    prints = unknown_prints(ware.prints * bought, first=first)
    if ware.pieces == 1 and ordered.named:
        prints = (_print(ordered, first),)
    stacks = spread(ware.pieces * bought, prints)
    return Lot(ware.width, ware.length, stacks, form=ware.form)


def _print(ordered: Ordered, number: int) -> Print:
    cloth = unknown_print(number)
    if not ordered.named:
        return cloth
    return replace(cloth, name=ordered.named, filled_in=cloth.filled_in - {Fact.NAME})
