"""Finish: from a top to a quilt."""
