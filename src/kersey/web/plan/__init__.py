"""The plan a quilt is cut by: taken by the person, its kits exchanged, pinned, dealt again."""
