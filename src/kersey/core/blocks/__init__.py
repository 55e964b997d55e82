"""One small file for each block: its pieces and its measures."""

__all__ = [
    "assembly",
    "bargello",
    "catalogue",
    "choice",
    "facts",
    "finished_blocks",
    "own_block",
    "own_pieces",
    "piece_codes",
    "recipe",
    "whole_piece",
]
