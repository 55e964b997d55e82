"""What fabric is: prints, values, colours, forms, lots; sorting and judging them."""

__all__ = ["colour", "fabric", "forms", "judging", "look", "print_names", "sorting", "thread"]
