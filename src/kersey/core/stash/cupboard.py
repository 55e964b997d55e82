"""The cupboard: lots of fabric at home, each with a name, some set aside for a reason."""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.cloth.fabric import BadFabric, Lot, Value, checked_name
from kersey.core.cloth.forms import Form
from kersey.core.cloth.sorting import Order, place_by_value, sort_colours
from kersey.core.measure.counting import counted
from kersey.core.measure.spoken import Spoken
from kersey.core.stash.quick_entry import Reading


class Aside(Spoken):
    """Why a lot was set aside; it is kept in sight and brought back with one act."""

    BINDING = "kept for binding", "saved for binding"
    STRANGER = "does not belong", "doesn't go"
    DIRECTIONAL = "directional"
    LATER = "for another quilt"


LONGEST_PLACE = 60
LONGEST_NOTE = 200
# Of these a part is a length, not a number of pieces.
CUT_FROM_THE_LENGTH = frozenset({Form.YARDAGE, Form.BACKING, Form.BATTING})


@dataclass(frozen=True)
class CupboardLot:
    """A lot at home; `place` is where it lies, in a person's own words: a drawer, a shelf.

    `note` is whatever else was said of it, such as what it cost. What is to be used `first` is
    opened before anything else that would do.
    """

    name: str
    lot: Lot
    aside: Aside | None = None
    place: str = ""
    note: str = ""
    first: bool = False

    def __post_init__(self) -> None:
        object.__setattr__(self, "name", checked_name(self.name))
        object.__setattr__(self, "place", " ".join(self.place.split()))
        object.__setattr__(self, "note", " ".join(self.note.split()))
        if len(self.note) > LONGEST_NOTE:
            raise BadFabric(f"A note can have {LONGEST_NOTE} characters.", "note")
        if len(self.place) > LONGEST_PLACE:
            raise BadFabric(f"A place can have {LONGEST_PLACE} characters.", "place")

    def set_aside(self, reason: Aside | None) -> "CupboardLot":
        """The lot set aside, or brought back when no reason is given."""
        return replace(self, aside=reason)

    def judged(self, value: Value) -> "CupboardLot":
        """The lot with every print of it read as this value."""
        stacks = tuple(
            replace(stack, print=stack.print.with_value(value)) for stack in self.lot.stacks
        )
        return replace(self, lot=replace(self.lot, stacks=stacks))

    @property
    def confirmed(self) -> "CupboardLot":
        """The lot once somebody has said that its prints are as they were filled in."""
        stacks = tuple(replace(stack, print=stack.print.confirmed) for stack in self.lot.stacks)
        return replace(self, lot=replace(self.lot, stacks=stacks))

    def sorted(self, order: Order) -> "CupboardLot":
        """The lot with its prints laid in an order, by the colours they blend to."""
        stacks = self.lot.stacks
        placed = sort_colours([stack.print.swatch.blend for stack in stacks], order)
        laid = [stacks[place] for place in placed]
        if order is Order.VALUE:
            laid.sort(key=lambda stack: place_by_value(stack.print))
        return replace(self, lot=replace(self.lot, stacks=tuple(laid)))

    def moved(self, place: int, to: int) -> "CupboardLot":
        """The lot with the print at `place` laid at place `to`; places begin at 0.

        Raises `BadFabric` for places that are not there.
        """
        stacks = list(self.lot.stacks)
        if not (0 <= place < len(stacks) and 0 <= to < len(stacks)):
            raise BadFabric(f"This lot has {counted(len(stacks), 'print')}.")
        stacks.insert(to, stacks.pop(place))
        return replace(self, lot=replace(self.lot, stacks=tuple(stacks)))

    def measured(self, place: int, pieces: int, length: Fraction | None) -> "CupboardLot":
        """The lot after some pieces of a print were measured; None: they are as the others.

        When it is not all of them, they lie beside the rest of their print from then on.
        """
        stack = self.lot.stacks[place]
        if not 1 <= pieces <= max(stack.count, 1):
            raise BadFabric(
                f"{stack.print.name} has {counted(stack.count, 'piece')}.", "measured_pieces"
            )
        if pieces >= stack.count:
            lot = self.lot.with_stack(place, replace(stack, measured_length=length))
            return replace(self, lot=lot)
        rest = replace(stack, count=stack.count - pieces)
        some = replace(stack, count=pieces, measured_length=length, number=None)
        stacks = (*self.lot.stacks[:place], rest, some, *self.lot.stacks[place + 1 :])
        return replace(self, lot=replace(self.lot, stacks=stacks))

    def split_off(self, amount: Fraction) -> tuple["CupboardLot", "CupboardLot"]:
        """A length cut off yardage, or a weight taken of scraps: what stays, what is taken.

        `amount` in inches, or in grams. Raises `BadFabric` for other forms, and for all or nothing.
        """
        lot, taken = self.lot, self.lot
        if lot.grams is not None and 0 < amount < lot.grams:
            grams = int(amount)
            return (
                replace(self, lot=replace(lot, grams=lot.grams - grams)),
                replace(self, lot=replace(taken, grams=grams)),
            )
        if lot.form in CUT_FROM_THE_LENGTH and lot.count == 1 and 0 < amount < lot.usable_length:
            rest = lot.usable_length - amount
            return replace(self, lot=_of_length(lot, rest)), replace(
                self, lot=_of_length(lot, amount)
            )
        if lot.grams is None and lot.form not in CUT_FROM_THE_LENGTH:
            raise BadFabric("Only yardage, backing and batting can be cut by length.")
        raise BadFabric("Take some of it, but not all.")

    def made_directional(self, directional: bool) -> "CupboardLot":
        """The lot whose prints may, or may not, be turned."""
        return replace(self, lot=replace(self.lot, directional=directional))


def from_readings(readings: Iterable[Reading]) -> tuple[CupboardLot, ...]:
    """The lots of lines that were taken; the others are passed over.

    >>> from kersey.core.stash.quick_entry import read_lines
    >>> [kept.name for kept in from_readings(read_lines("2 1/4 yd charcoal\\nnonsense"))]
    ['charcoal']
    """
    return tuple(
        CupboardLot(reading.name, reading.lot, note=reading.note)
        for reading in readings
        if reading.taken and reading.lot is not None
    )


def _of_length(lot: Lot, length: Fraction) -> Lot:
    """The lot with its one piece this long, measured just now: washing is behind it."""
    stacks = tuple(replace(stack, measured_length=None) for stack in lot.stacks)
    return replace(lot, length=length, measured_length=length, stacks=stacks)
