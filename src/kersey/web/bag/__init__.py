"""Pieces drawn from a bag."""
