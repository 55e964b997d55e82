"""Passes, seams and pressing; measuring as it is sewn; time."""

__all__ = [
    "between_blocks",
    "feeding",
    "measuring",
    "pace",
    "pass_words",
    "passes",
    "pressing",
    "quilt_pressing",
    "schedule",
    "seams",
    "set_height",
    "uneven",
]
