"""The shop: a price list of one's own, and deliveries for the cupboard."""
