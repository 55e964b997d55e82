"""From a top to a quilt: borders as sewn, layers, quilting, the edge, and what is kept of it."""

__all__ = [
    "binding_joins",
    "border_readings",
    "border_steps",
    "cost",
    "edge_steps",
    "hidden_points",
    "holding",
    "quilting",
    "top",
    "washing",
]
