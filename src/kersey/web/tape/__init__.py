"""A digital tape: what it reads lands in the field that waits for it."""
