"""Files read and written: one module each."""
