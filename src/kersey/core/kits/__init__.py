"""Which print goes into which block, and its checker."""

__all__ = ["dealing", "kit_checker", "pieces", "sewn_sets"]
