"""Size: rows, columns, border and finish; the quilt drawn."""
