"""Borders, backing, batting, binding, purposes and sizes: sums on sizes."""

__all__ = [
    "backing",
    "batting",
    "binding",
    "borders",
    "purposes",
    "size_search",
]
