"""Fabric at home: what people type, lots kept, pulling, the ledger."""

__all__ = [
    "cupboard",
    "ledger",
    "order",
    "price_list",
    "pulled",
    "quick_entry",
]
