"""Lengths, units, seam, usable width, rounding."""
