"""One quilt's fabric, choices and state."""
