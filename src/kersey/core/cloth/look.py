"""How a unit that is sewn looks: its patches in the colours of their prints, as a line of text.

    #a5403a 0,0 1,0 1,1/2 0,1/2; #cfcabd 0,1/2 1,1/2 1,1 0,1

Corners are shares of the unit's sides, which stands upright: its shorter side is its width.
"""

import re
from collections.abc import Iterable, Sequence
from fractions import Fraction

from kersey.core.errors import InvalidValue

# More patches than fit in this are told by the main print alone.
LONGEST_LOOK = 8000
_CORNER = r"\d{1,4}(/\d{1,4})?,\d{1,4}(/\d{1,4})?"
_LOOK = re.compile(rf"#[0-9a-f]{{6}}( {_CORNER}){{3,40}}(; #[0-9a-f]{{6}}( {_CORNER}){{3,40}})*")

Corner = tuple[Fraction, Fraction]
# A colour, and the corners of a patch of it.
Coloured = tuple[str, tuple[Corner, ...]]


class BadLook(InvalidValue):
    """A look that is none."""


def write_look(patches: Iterable[Coloured], size: tuple[Fraction, Fraction]) -> str | None:
    """The look of a unit of this finished size, width x length; None where it has too many patches.

    One that lies is stood upright.

    >>> F = Fraction
    >>> bar = (F(0), F(0)), (F(4), F(0)), (F(4), F(2)), (F(0), F(2))
    >>> write_look([("#a5403a", bar)], (F(4), F(2)))
    '#a5403a 1,0 1,1 0,1 0,0'
    """
    width, length = size
    lies = width > length
    found = []
    for colour, corners in patches:
        shares = [(x / width, y / length) for x, y in corners]
        upright = [(1 - y, x) for x, y in shares] if lies else shares
        found.append(" ".join([colour, *(f"{x},{y}" for x, y in upright)]))
    text = "; ".join(found)
    return text if len(text) <= LONGEST_LOOK and _LOOK.fullmatch(text) else None


def read_look(text: str) -> tuple[Coloured, ...]:
    """The patches of a look, corners as shares of the sides. Raises `BadLook`.

    >>> [colour for colour, _ in read_look("#a5403a 0,0 1,0 1,1/2; #cfcabd 0,1/2 1,1 0,1")]
    ['#a5403a', '#cfcabd']
    """
    check_look(text)
    return tuple(_coloured(patch.split(" ")) for patch in text.split("; "))


def check_look(text: str) -> None:
    """Raise `BadLook` unless it is the look of a unit."""
    if len(text) > LONGEST_LOOK or not _LOOK.fullmatch(text):
        raise BadLook("A unit's look must be a list of colors and corners.")


def _coloured(parts: Sequence[str]) -> Coloured:
    corners = tuple(tuple(map(Fraction, each.split(","))) for each in parts[1:])
    return parts[0], tuple((x, y) for x, y in corners)
