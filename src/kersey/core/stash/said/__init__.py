"""What people say of their fabric: words, tokens, and the phrases a line is made of."""
