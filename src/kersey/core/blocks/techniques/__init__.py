"""One file for each way of sewing that makes more than a pieced block."""
