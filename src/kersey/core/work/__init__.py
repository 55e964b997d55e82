"""The order of work, cut sheets, putting away."""

__all__ = [
    "at_table",
    "between_blocks",
    "feeding",
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
    "set_height",
    "step_words",
    "taken_back",
    "uneven",
    "way_words",
    "work_order",
]
