"""Cutting: the most blocks that fabric gives, how to cut them, and a bound nobody can beat."""
