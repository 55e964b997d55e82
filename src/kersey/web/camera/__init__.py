"""Prints taken from photographs."""
