"""The first page: what is on the table, and every quilt on the wall."""
