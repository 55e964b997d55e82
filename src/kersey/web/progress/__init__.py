"""How far a piece of work is."""
