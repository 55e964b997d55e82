"""The quilt on the wall: turning, orders, what troubles the eye, the search for less of it."""

__all__ = [
    "bounds",
    "carried",
    "hand",
    "joining",
    "numbers",
    "orders",
    "reading",
    "search",
    "seen",
    "troubles",
    "turning",
    "unit_prints",
]
