"""The ledger: where every piece went."""
