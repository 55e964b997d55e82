"""Lengths, units, seam, usable width, rounding."""

__all__ = ["counting", "length", "money", "root2", "spoken", "workshop"]
