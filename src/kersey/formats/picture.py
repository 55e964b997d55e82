"""A drawing as a PNG picture, as many pixels as the drawing says it has."""

import resvg_py


def png_of(drawing: str) -> bytes:
    """The PNG of a drawing in SVG."""
    return bytes(resvg_py.svg_to_bytes(svg_string=drawing))
