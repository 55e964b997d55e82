"""Short codes for the pieces of a block, that fit on a narrow strip in a drawing.

A label of up to three letters, or of block and place like 12.-1, is its own code; of a longer one
its first letter and its number, "light 4" is l4. Where two would be the same, the later one is
lettered on: A, B, C.
"""

import re
from collections.abc import Sequence
from string import ascii_uppercase

from kersey.core.cutting.problem import Need

_SHORT = 3


def piece_codes(needs: Sequence[Need]) -> dict[Need, str]:
    """A code for every need, no two alike.

    >>> from fractions import Fraction as F
    >>> needs = [Need("light 4", "light", F(1), F(2)), Need("A", "any", F(1), F(1))]
    >>> list(piece_codes(needs).values())
    ['l4', 'A']
    """
    codes: dict[Need, str] = {}
    for number, need in enumerate(needs):
        code = _code(need.label)
        if code in codes.values():
            code = need.role[:1] + _code(need.label)
        if code in codes.values() or not code:
            letter = ascii_uppercase[number % len(ascii_uppercase)]
            code = f"{letter}{number + 1}"
        codes[need] = code
    return codes


def _code(label: str) -> str:
    if len(label) <= _SHORT or "." in label:
        return label
    digits = "".join(re.findall(r"\d+", label))
    return label[:1] + digits[:2]
