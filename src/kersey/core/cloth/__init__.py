"""What fabric is: prints, values, colours, forms, lots; sorting and judging them."""
