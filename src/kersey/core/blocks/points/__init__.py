"""One small file for each block with triangles in it."""
