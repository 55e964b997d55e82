"""What lies on the cutting table once something went wrong: pieces cut, and cloth that is left.

opened   pieces of fabric that are not whole any more, by the key of the fabric they were pulled as
lying    rectangles of them that are there: cut pieces, strips, rests; each has a key of its own
joined   a piece sewn of two, where none was large enough

The cloth that is opened and does not lie there any more is lost. Whatever is planned afterwards is
cut from whole fabric and from what lies there, so nothing is planned twice.
"""

from dataclasses import dataclass, replace
from fractions import Fraction

from kersey.core.errors import InvalidValue

# Between the key of a fabric and the number of a piece of it.
_DOT = "."
# Between the key of a fabric that varies and the number of one of the sizes it is planned in.
_SIZE = "~"


class BadTable(InvalidValue):
    """Pieces that cannot lie on the table so."""


@dataclass(frozen=True)
class Lying:
    """`count` like pieces, `width` x `length` as the fabric lies, in inches."""

    key: str
    width: Fraction
    length: Fraction
    count: int

    def __post_init__(self) -> None:
        if self.count < 1 or self.width <= 0 or self.length <= 0:
            raise BadTable("A piece must be larger than 0.")

    @property
    def of(self) -> str:
        """The key of the fabric that it is a piece of."""
        return parent_key(self.key)


@dataclass(frozen=True)
class Joined:
    """A piece `width` x `length` that is sewn of two of these sizes; it lies there by its `key`."""

    key: str
    width: Fraction
    length: Fraction
    parts: tuple[tuple[Fraction, Fraction], ...]


@dataclass(frozen=True)
class Table:
    """All that was opened, and what of it lies there."""

    opened: tuple[tuple[str, int], ...] = ()
    lying: tuple[Lying, ...] = ()
    joined: tuple[Joined, ...] = ()

    def pieces_opened(self, key: str) -> int:
        """How many pieces of a fabric were opened."""
        return dict(self.opened).get(key, 0)

    def opening(self, key: str, pieces: int) -> "Table":
        """The table once so many pieces more of a fabric are opened."""
        opened = dict(self.opened)
        opened[key] = opened.get(key, 0) + pieces
        return replace(self, opened=tuple(sorted(opened.items())))

    def laying(self, of: str, width: Fraction, length: Fraction, count: int) -> "Table":
        """The table with so many pieces more of a fabric; those alike lie together."""
        for place, there in enumerate(self.lying):
            if (there.of, there.width, there.length) == (of, width, length):
                more = replace(there, count=there.count + count)
                return replace(self, lying=(*self.lying[:place], more, *self.lying[place + 1 :]))
        new = Lying(self._free_key(of), width, length, count)
        return replace(self, lying=(*self.lying, new))

    def taking(self, key: str, count: int) -> "Table":
        """The table with so many of these pieces fewer; raises `BadTable` if there are not."""
        there = next((each for each in self.lying if each.key == key), None)
        if there is None or there.count < count:
            raise BadTable(f"You have {there.count if there else 0} of these, not {count}.")
        kept = tuple(each for each in self.lying if each.key != key)
        if there.count > count:
            place = self.lying.index(there)
            less = replace(there, count=there.count - count)
            kept = (*self.lying[:place], less, *self.lying[place + 1 :])
        return replace(self, lying=kept)

    def _free_key(self, of: str) -> str:
        used = [int(each.key.rpartition(_DOT)[2]) for each in self.lying if each.of == of]
        used += [
            int(each.key.rpartition(_DOT)[2]) for each in self.joined if parent_key(each.key) == of
        ]
        return f"{of}{_DOT}{max(used, default=0) + 1}"


EMPTY_TABLE = Table()


def parent_key(key: str) -> str:
    """The key of the fabric that something on the table is a piece of; of whole fabric its own.

    >>> parent_key("3.2"), parent_key("3~2"), parent_key("3")
    ('3', '3', '3')
    """
    return whole_key(key.partition(_DOT)[0])


def whole_key(key: str) -> str:
    """The key of whole fabric, also of one of the sizes it is planned in; else unchanged.

    >>> whole_key("3~2"), whole_key("3.2")
    ('3', '3.2')
    """
    return key.partition(_SIZE)[0]


def size_key(key: str, number: int) -> str:
    """The key of one of the sizes that fabric which varies is planned in."""
    return f"{key}{_SIZE}{number}"
