"""The plan that a quilt is cut by: what is asked, found and kept, and whether it still stands."""

__all__ = [
    "arrangement",
    "asking",
    "cut_groups",
    "enough_for",
    "plan_question",
    "possible",
    "size_curve",
    "standing",
    "tonight",
]
