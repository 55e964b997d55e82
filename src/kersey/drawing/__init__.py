"""Core results -> SVG text. Coordinates are inches of cloth; the page scales them.

Colours of the interface (ink, tape) are CSS classes, so that they follow the theme; the
attributes beside them are for pictures shown alone. Same input, same bytes.
"""
