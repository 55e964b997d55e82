"""The order of work, cut sheets, putting away."""
