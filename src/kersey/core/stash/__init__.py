"""Fabric at home: what people type, lots kept, pulling, the ledger."""
