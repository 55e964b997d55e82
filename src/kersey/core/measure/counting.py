"""A number and what it counts, as one says it."""


def counted(number: int, noun: str) -> str:
    """A number and its noun, in the plural when it must be.

    >>> counted(1, "strip"), counted(2, "strip")
    ('1 strip', '2 strips')
    """
    return f"{number} {noun}{'s' * (number != 1)}"
