"""Lengths, units, seam, usable width, rounding."""

__all__ = [
    "counting",
    "length",
    "workshop",
]
