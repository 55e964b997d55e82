"""The answer and what is said of it: proof, limits, cliffs, claims, even plans."""
