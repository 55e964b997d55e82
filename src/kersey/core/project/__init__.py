"""One quilt's fabric, choices and state."""

__all__ = [
    "best_block",
    "bought",
    "design",
    "finishing",
    "first_used",
    "kept_plan",
    "laying",
    "measuring_log",
    "minding",
    "naming",
    "project",
    "pulling",
    "question",
    "sewing",
    "table",
    "what_changed",
]
