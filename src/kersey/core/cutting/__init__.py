"""Cutting: the most blocks that fabric gives, how to cut them, and a bound nobody can beat."""

__all__ = [
    "alike",
    "checker",
    "filling",
    "highs",
    "interchange",
    "layout",
    "patterns",
    "print_rules",
    "problem",
    "scale",
    "separate",
    "solver",
    "watch",
]
