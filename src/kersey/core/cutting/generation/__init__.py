"""Patterns priced one after the other, and whole numbers of each."""
