"""A photograph straightened: four corners of something flat, marked on it, become a rectangle.

The map between the two is a projection (eight numbers, by the four pairs of corners):

    x = (a u + b v + c) / (g u + h v + 1)     y = (d u + e v + f) / (g u + h v + 1)
"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from PIL import Image

from kersey.formats.photograph import NotAPhotograph, opened

Floats = NDArray[np.float64]
Point = tuple[float, float]
_SMALLEST = 0.02


@dataclass(frozen=True)
class Corners:
    """Upper left, upper right, lower right, lower left, as shares of width and height."""

    points: tuple[Point, Point, Point, Point]

    def __post_init__(self) -> None:
        if not all(0 <= side <= 1 for point in self.points for side in point):
            raise NotAPhotograph("A corner is outside the photo.")
        turns = [self._turn(n) for n in range(4)]
        if min(turns) <= _SMALLEST**2:
            raise NotAPhotograph(
                "Mark the corners in order: upper left, upper right, lower right, lower left."
            )

    def _turn(self, n: int) -> float:
        """Twice the area of the corner's triangle: above 0 where the way round turns right."""
        (ax, ay), (bx, by), (cx, cy) = (self.points[(n + k) % 4] for k in range(3))
        return (bx - ax) * (cy - by) - (by - ay) * (cx - bx)


def straightened(content: bytes, corners: Corners, size: tuple[int, int]) -> Floats:
    """What lies between the corners, as a rectangle of so many pixels (width, height), in linear
    light: height x width x 3. Raises `NotAPhotograph`."""
    picture = opened(content)
    wide, high = picture.size
    marked = [(x * wide, y * high) for x, y in corners.points]
    box = [(0.0, 0.0), (float(size[0]), 0.0), (float(size[0]), float(size[1])), (0.0, size[1])]
    flat = picture.transform(
        size, Image.Transform.PERSPECTIVE, projection(box, marked), Image.Resampling.BICUBIC
    )
    return linear(np.asarray(flat, np.float64) / 255)


def projection(inside: list[Point], outside: list[Point]) -> tuple[float, ...]:
    """The eight numbers that lead from four points to four others."""
    rows, sides = [], []
    for (u, v), (x, y) in zip(inside, outside, strict=True):
        rows += [[u, v, 1, 0, 0, 0, -u * x, -v * x], [0, 0, 0, u, v, 1, -u * y, -v * y]]
        sides += [x, y]
    found = np.linalg.solve(np.array(rows, float), np.array(sides, float))
    return tuple(float(number) for number in found)


def linear(shares: Floats) -> Floats:
    """Linear light of sRGB shares."""
    return np.where(shares <= 0.04045, shares / 12.92, ((shares + 0.055) / 1.055) ** 2.4)
