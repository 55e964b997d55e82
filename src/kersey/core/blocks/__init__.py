"""One small file for each block: its pieces and its measures."""

__all__ = [
    "assembly",
    "catalogue",
    "choice",
    "facts",
    "own_block",
    "own_pieces",
    "piece_codes",
    "recipe",
    "technique",
    "whole_piece",
]
