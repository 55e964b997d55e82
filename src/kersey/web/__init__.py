"""The pages: one folder each, with its routes, form and templates."""
