"""What is kept under one word and shown with another.

A value that stands in saved files and forms never changes; what a quilter reads may.
"""

import re
from enum import StrEnum
from typing import Self

# Names that files know pieces, makes and options by, and the words of the trade for them.
_SHOWN_AS = {"half-square unit": "half-square triangle", "centre": "center", "grey": "gray"}
_SIDES = re.compile(r"(?<=\d )x(?= \d)")
_STORED = re.compile(r"\b(" + "|".join(_SHOWN_AS) + r")\b")


class Spoken(StrEnum):
    """A stored value, and the `words` it is shown with where they differ.

    >>> class Edge(Spoken):
    ...     BOUND = "bound"
    ...     MITRED = "mitred", "mitered"
    >>> Edge("mitred").words, Edge.BOUND.words
    ('mitered', 'bound')
    """

    words: str

    def __new__(cls, value: str, words: str = "") -> Self:
        member = str.__new__(cls, value)
        member._value_ = value
        member.words = words or value
        return member


def shown(name: str) -> str:
    """A stored name of a piece, a make or an option in the words it is shown with.

    >>> shown("centre"), shown("half-square unit with corners"), shown("unit 2 x 1")
    ('center', 'half-square triangle with corners', 'unit 2 × 1')
    """
    return _SIDES.sub("×", _STORED.sub(lambda found: _SHOWN_AS[found[0]], name))
