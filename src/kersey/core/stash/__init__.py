"""Fabric at home: what people type, lots kept, pulling, the ledger."""

__all__ = [
    "cupboard",
    "ledger",
    "pulled",
    "quick_entry",
]
