"""Kits dealt, the setting, the whole quilt."""

__all__ = [
    "asking",
    "cut_groups",
    "dealing",
    "left_over",
    "planning",
    "possible",
    "quilt",
    "size_curve",
    "standing",
    "supply",
]
