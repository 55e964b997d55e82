"""The whole quilt: its parts, its sums, and what is bought for it."""

__all__ = [
    "body",
    "layers",
    "left_over",
    "let_in",
    "parts",
    "parts_cut",
    "pieced_sheet",
    "pulled_cloth",
    "quilt",
    "shopping",
    "sums",
    "tryout",
]
