"""What is left of a quilt, and how it is put away."""

__all__ = ["as_found", "put_away"]
