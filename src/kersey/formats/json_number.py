"""A length as JSON has it."""

from fractions import Fraction


def number(length: Fraction) -> int | float:
    """A plain number; eighths, sixteenths and their like are exact."""
    return int(length) if length.denominator == 1 else float(length)
