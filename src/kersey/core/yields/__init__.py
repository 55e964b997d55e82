"""The answer and what is said of it: proof, limits, cliffs, claims, even plans."""

__all__ = [
    "by_hand",
    "claims",
    "cliffs",
    "count",
    "cut_words",
    "even_plan",
    "just_enough",
    "report",
    "role_shares",
    "ruler_sizes",
    "steps",
    "tight",
    "ways_to_cut",
]
