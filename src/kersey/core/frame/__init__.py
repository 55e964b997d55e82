"""Borders, backing, batting, binding, purposes and sizes: sums on sizes."""
