"""The trade and its arithmetic. No input, output, clock or framework."""
