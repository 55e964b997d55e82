"""A border reckoned for a centre that is already sewn."""
