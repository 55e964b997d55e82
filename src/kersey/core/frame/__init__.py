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
    "part",
    "purposes",
    "sashing",
    "scheme",
    "setting",
    "size_search",
    "strips",
]
