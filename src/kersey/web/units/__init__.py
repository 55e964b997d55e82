"""The unit drawer, and a quilt of what lies in it."""
