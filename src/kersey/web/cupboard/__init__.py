"""The cupboard: all the fabric at home, found, sorted, changed many at once."""
