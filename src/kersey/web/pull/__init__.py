"""Pull: the strips on the wall, their prints named and coloured."""
