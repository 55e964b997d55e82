"""Yield: how many blocks, by which method, and how close the cliff is."""
