"""Kits dealt, the setting, the whole quilt."""
