"""One quilt's fabric, choices and state."""

__all__ = [
    "best_block",
    "design",
    "kept_plan",
    "laying",
    "minding",
    "project",
    "pulling",
    "question",
]
