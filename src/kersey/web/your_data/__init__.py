"""Your data: backed up, restored, shared and checked."""
