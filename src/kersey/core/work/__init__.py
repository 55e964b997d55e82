"""The order of work, cut sheets, putting away."""

__all__ = [
    "at_table",
    "put_away",
    "step_words",
    "work_order",
]
