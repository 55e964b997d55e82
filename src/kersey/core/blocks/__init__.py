"""One small file for each block: its pieces and its measures."""
