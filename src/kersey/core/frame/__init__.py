"""Borders, backing, batting, binding, purposes and sizes: sums on sizes."""

__all__ = [
    "backing",
    "batting",
    "binding",
    "borders",
    "edge",
    "fitting",
    "joining",
    "keys",
    "on_bed",
    "purposes",
    "sashing",
    "setting",
    "size_search",
    "strips",
]
