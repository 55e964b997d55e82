"""Fabric at home: what people type, lots kept, pulling, the ledger."""

__all__ = [
    "cupboard",
    "cut_down",
    "ledger",
    "lot_words",
    "order",
    "price_list",
    "pulled",
    "quick_entry",
    "sampling",
    "standing_questions",
    "unit_drawer",
]
