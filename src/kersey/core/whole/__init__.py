"""Whole quilts searched jointly: schemes, their score, the search."""

__all__ = [
    "candidate",
    "found_quilts",
    "joint_search",
    "quilt_words",
    "scheme_score",
    "scheme_space",
]
