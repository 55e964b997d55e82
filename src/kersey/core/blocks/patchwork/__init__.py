"""One small file for each block of squares and bars."""
