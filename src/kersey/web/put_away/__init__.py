"""Put away: what a quilt leaves goes back into the cupboard."""
