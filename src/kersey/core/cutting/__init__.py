"""Cutting: the most blocks that fabric gives, how to cut them, and a bound nobody can beat."""

__all__ = [
    "checker",
    "generation",
    "highs",
    "interchange",
    "kinds",
    "layout",
    "patterns",
    "print_rules",
    "problem",
    "scale",
    "separate",
    "solver",
    "tally",
    "watch",
]
