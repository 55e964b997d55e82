"""The order of work, cut sheets, putting away."""

__all__ = [
    "at_table",
    "labels",
    "measuring",
    "mishap",
    "pace",
    "pass_words",
    "passes",
    "pressing",
    "put_away",
    "replanning",
    "schedule",
    "seams",
    "step_words",
    "taken_back",
    "uneven",
    "way_words",
    "work_order",
]
