"""Measurements; nothing here asserts a time."""
