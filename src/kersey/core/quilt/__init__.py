"""Kits dealt, the setting, the whole quilt."""

__all__ = [
    "asking",
    "candidate",
    "cut_groups",
    "found_quilts",
    "joint_search",
    "left_over",
    "parts_cut",
    "pieces",
    "planning",
    "possible",
    "quilt",
    "quilt_words",
    "scheme",
    "scheme_score",
    "scheme_space",
    "sewn_sets",
    "size_curve",
    "standing",
    "supply",
    "to_buy",
]
