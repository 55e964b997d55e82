"""The computation without pages, for programs."""
