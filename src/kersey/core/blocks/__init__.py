"""One small file for each block: its pieces and its measures."""

__all__ = [
    "assembly",
    "catalogue",
    "choice",
    "own_pieces",
    "piece_codes",
    "recipe",
    "whole_piece",
]
