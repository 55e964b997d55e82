"""What the cupboard answers by itself."""
