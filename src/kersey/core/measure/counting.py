"""A number and what it counts, as one says it: the one place where a noun gets its plural."""

import re

# What is measured or weighed has no plural: two lots of it are still yardage.
_NOT_COUNTED = frozenset({"yardage", "scraps", "backing", "batting", "fabric"})
_IRREGULAR = {"half": "halves", "goose": "geese"}
# What comes after these words belongs to the noun before them, which takes the s.
_BELONGING = (" with ", " of ", " from ", " to ")
# What has its size behind it: units 2 × 1.
_SIZED = re.compile(r"(\D+) (\d+ [x×] \d+)")


def plural(noun: str) -> str:
    """Several of what a noun names.

    >>> plural("strip"), plural("hourglass"), plural("goose"), plural("piece of fabric")
    ('strips', 'hourglasses', 'geese', 'pieces of fabric')
    >>> plural("ruler setting"), plural("middle half"), plural("entry"), plural("yardage")
    ('ruler settings', 'middle halves', 'entries', 'yardage')
    >>> plural("unit 2 x 1 with 2 below"), plural("light 3")
    ('units 2 x 1 with 2 below', 'light 3')
    """
    for belonging in _BELONGING:
        head, preposition, rest = noun.partition(belonging)
        if preposition:
            return f"{plural(head)}{preposition}{rest}"
    sized = _SIZED.fullmatch(noun)
    if sized:
        return f"{plural(sized[1])} {sized[2]}"
    before, space, last = noun.rpartition(" ")
    return f"{before}{space}{_plural_word(last)}"


def noun_for(number: int, noun: str) -> str:
    """The noun as it stands after a number: 1 strip, 0 strips.

    >>> noun_for(1, "print"), noun_for(0, "print"), noun_for(2, "pass")
    ('print', 'prints', 'passes')
    """
    return noun if number == 1 else plural(noun)


def counted(number: int, noun: str) -> str:
    """A number and its noun.

    >>> counted(1, "strip"), counted(2, "strip"), counted(0, "half-square triangle")
    ('1 strip', '2 strips', '0 half-square triangles')
    """
    return f"{number} {noun_for(number, noun)}"


def _plural_word(word: str) -> str:
    if word in _NOT_COUNTED or word[-1:].isdigit():
        return word
    if word in _IRREGULAR:
        return _IRREGULAR[word]
    if word.endswith(("s", "x", "ch", "sh")):
        return f"{word}es"
    if word.endswith("y") and word[-2:-1] not in "aeiou":
        return f"{word[:-1]}ies"
    return f"{word}s"
