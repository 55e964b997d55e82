"""Thread for quilting and piecing: the colour that vanishes in light cloth and in dark.

Of the spools that a person has, the one that is least far from the farther of the two: it lies
between light and dark. Spools are told one a line, by a name that speaks of a colour, ``navy``, or
a name and a colour: ``pewter #8a8f92``.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from kersey.core.cloth.colour import Lab, NotAColour, checked_colour, difference, lab
from kersey.core.cloth.print_names import colour_named
from kersey.core.errors import InvalidValue

MOST_SPOOLS = 60
LONGEST_SPOOLS = 4000


class BadThread(InvalidValue):
    """A line that is not a spool of thread."""


@dataclass(frozen=True)
class Spool:
    """A spool of thread."""

    name: str
    colour: str


@dataclass(frozen=True)
class Vanishing:
    """A spool, and how far it is from the light and from the dark cloth in CIELAB."""

    spool: Spool
    from_light: float
    from_dark: float


def spools_of(text: str) -> tuple[Spool, ...]:
    """The spools that a text tells, line by line; raises `BadThread`.

    >>> spools_of("pewter #8a8f92\\ndark navy")
    (Spool(name='pewter', colour='#8a8f92'), Spool(name='dark navy', colour='#243252'))
    """
    lines = [line.strip() for line in text.splitlines() if line.strip()]
    if len(lines) > MOST_SPOOLS:
        raise BadThread(f"List up to {MOST_SPOOLS} spools, one per line.", "threads")
    return tuple(_spool(line) for line in lines)


def vanishing(spools: Iterable[Spool], light: Lab, dark: Lab) -> Vanishing | None:
    """The spool that vanishes best in both; None where there are no spools."""
    told = [
        Vanishing(spool, difference(lab(spool.colour), light), difference(lab(spool.colour), dark))
        for spool in spools
    ]
    return min(told, key=lambda v: (max(v.from_light, v.from_dark), v.spool.name), default=None)


def light_and_dark(colours: Sequence[tuple[Lab, float]]) -> tuple[Lab, Lab]:
    """The mean colour of the lighter and of the darker half of some cloth, each with how much there
    is of it; cloth that is all of one lightness is both."""
    whole = sum(much for _, much in colours)
    middle = sum(colour[0] * much for colour, much in colours) / whole
    lighter = [(colour, much) for colour, much in colours if colour[0] >= middle]
    darker = [(colour, much) for colour, much in colours if colour[0] < middle] or lighter
    return _mean(lighter), _mean(darker)


def _mean(colours: Sequence[tuple[Lab, float]]) -> Lab:
    whole = sum(much for _, much in colours)
    light, a, b = (sum(colour[n] * much for colour, much in colours) / whole for n in range(3))
    return light, a, b


def _spool(line: str) -> Spool:
    spoken = colour_named(line)
    if "#" not in line and spoken is not None:
        return Spool(" ".join(line.split())[:60], spoken)
    name, _, colour = line.rpartition(" ")
    if not name.strip():
        raise BadThread(
            f"Kersey can't read “{line[:40]}”. Type a color, like dark navy, or a name and a code, "
            "like pewter #8a8f92.",
            "threads",
        )
    try:
        return Spool(" ".join(name.split())[:60], checked_colour(colour))
    except NotAColour as error:
        raise BadThread(str(error), "threads") from error
