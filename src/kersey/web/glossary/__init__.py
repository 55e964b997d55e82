"""The glossary: every term in one sentence."""
