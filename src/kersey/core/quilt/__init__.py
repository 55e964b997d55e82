"""Kits dealt, the setting, the whole quilt."""

__all__ = [
    "asking",
    "cut_groups",
    "left_over",
    "pieces",
    "planning",
    "possible",
    "quilt",
    "sewn_sets",
    "size_curve",
    "standing",
    "supply",
]
