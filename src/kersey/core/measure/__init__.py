"""Lengths, units, seam, usable width, rounding."""

__all__ = ["counting", "length", "root2", "spoken", "workshop"]
