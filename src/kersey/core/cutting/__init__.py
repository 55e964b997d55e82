"""Cutting: the most blocks that fabric gives, how to cut them, and a bound nobody can beat."""

__all__ = [
    "alike",
    "checker",
    "crumbs",
    "drawer",
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
    "string_blocks",
    "strip_sets",
    "tally",
    "unit_rows",
    "watch",
    "whole_strips",
]
