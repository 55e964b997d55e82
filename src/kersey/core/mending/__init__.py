"""What went wrong, and the ways to go on."""

__all__ = ["mishap", "replanning", "taken_back", "way_words", "ways"]
