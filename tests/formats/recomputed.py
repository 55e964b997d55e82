"""A quilt recomputed from the contract alone, with plain numbers: nothing of Kersey is imported.

`disagreements` returns every number of an answered quilt that does not follow from its request.
"""

from collections.abc import Iterator
from fractions import Fraction
from functools import cache
from itertools import product
from math import ceil
from typing import Any

PACKETS = [(45, 60), (72, 90), (81, 96), (90, 108), (120, 120)]
Json = dict[str, Any]


def exact(value: float) -> Fraction:
    """A number of an answer: its lengths are sixteenths, or hundredths."""
    return Fraction(str(value))


def eighth_yards(inches: Fraction) -> Fraction:
    """Yards of a length of cloth, rounded up to 1/8."""
    return Fraction(ceil(inches / 36 * 8), 8)


def fewest(lengths: list[Fraction], strip: Fraction) -> int:
    """The fewest strips that hold lengths whole: every way to fill the next one is tried."""
    sizes = sorted(set(lengths), reverse=True)
    limits = [range(int(strip // size) + 1) for size in sizes]
    fits = [
        way
        for way in product(*limits)
        if 0 < sum(n * size for n, size in zip(way, sizes, strict=True)) <= strip
    ]

    @cache
    def strips_of(left: tuple[int, ...]) -> int:
        if not any(left):
            return 0
        ways = {tuple(max(0, n - used) for n, used in zip(left, way, strict=True)) for way in fits}
        first = next(n for n, count in enumerate(left) if count)
        return 1 + min(strips_of(rest) for rest in ways if rest[first] < left[first])

    return strips_of(tuple(lengths.count(size) for size in sizes))


def strips(lengths: list[Fraction], usable: Fraction, seam: Fraction) -> int:
    """Strips for pieces: whole if every one fits, else joined straight."""
    if max(lengths) <= usable:
        return fewest(lengths, usable)
    return ceil((sum(lengths) - 2 * seam) / (usable - 2 * seam))


class Recomputed:
    """One quilt of an answer, worked out again."""

    def __init__(self, request: Json, quilt: Json) -> None:
        self.request, self.quilt = request, quilt
        self.seam = exact(request.get("seam", 0.25))
        self.usable = exact(request.get("usable_width", 42))
        self.rows, self.columns = quilt["rows"], quilt["columns"]
        self.fw, self.fl = map(exact, quilt["block"])
        self.w = exact(quilt["sashing"]["width"])
        self.cornered = quilt["sashing"].get("cornerstones", False)
        self.framed = quilt["sashing"].get("framed", False)

    def disagreements(self) -> Iterator[str]:
        """Every number that does not follow."""
        said, expected = dict(_flat(self.quilt)), dict(_flat(self.expected()))
        for name, value in expected.items():
            if said.get(name) != value:
                yield f"{name}: {said.get(name)} and not {value}"

    def chosen(self, part: str, usual: str, said: str) -> str:
        """The style that is asked for, or the one that was found where any will do."""
        asked = str(self.request.get(part, {}).get("style", usual))
        return said if asked == "any" else asked

    def expected(self) -> Json:
        """What follows from rows, columns, block, sashing and borders."""
        body, top = self.sizes()
        edge = self.chosen("binding", "double-fold", self.quilt["binding"]["style"])
        quilt: Json = {
            "top": _size(*top),
            "finished": _size(*self.bound(top, edge)),
            "borders": [
                {"cut": float(exact(b["finished"]) + 2 * self.seam)} for b in self.quilt["borders"]
            ],
            "backing": self.backing(top, edge),
            "batting": self.batting(top),
        }
        if edge == "double-fold":
            quilt["binding"] = self.binding(top)
        quilt["buy"] = self.bought(body, top, edge)
        return quilt

    def sizes(self) -> tuple[list[Fraction], list[Fraction]]:
        """Body, and top."""
        more = 1 if self.framed else -1
        body = [
            self.columns * self.fw + (self.columns + more) * self.w,
            self.rows * self.fl + (self.rows + more) * self.w,
        ]
        around = 2 * sum((exact(b["finished"]) for b in self.quilt["borders"]), Fraction(0))
        spacer = self.spacer(body)
        return body, [
            side + around + 2 * more + 2 * self.seam
            for side, more in zip(body, spacer, strict=True)
        ]

    def spacer(self, body: list[Fraction]) -> list[Fraction]:
        """What makes keys fit: at least half an inch, on both axes or on none."""
        borders = self.quilt["borders"]
        if not borders or "key" not in borders[-1]:
            return [Fraction(0), Fraction(0)]
        key = exact(borders[-1]["key"]) - 2 * self.seam
        within = 2 * sum((exact(b["finished"]) for b in borders[:-1]), Fraction(0))
        inner = [side + within for side in body]
        if all(side % key == 0 for side in inner):
            return [Fraction(0), Fraction(0)]
        return [(ceil((side + 1) / key) * key - side) / 2 for side in inner]

    def bound(self, top: list[Fraction], edge: str) -> list[Fraction]:
        """The quilt's own size, its edge finished."""
        if edge == "folded-backing":
            return top
        width = exact(self.quilt["binding"]["width"])
        turned = 4 * width / 2 if edge == "turned" else Fraction(0)
        return [side - 2 * self.seam + turned for side in top]

    def binding(self, top: list[Fraction]) -> Json:
        """Double-fold binding on the straight grain."""
        length, cut = 2 * sum(top, Fraction(0)) + 10, exact(self.quilt["binding"]["width"])
        found: Json = {"length": float(length)}
        if self.quilt["binding"]["from"] == "bought":
            found["strips"] = ceil((length - cut) / (self.usable - cut))
        return found

    def backing(self, top: list[Fraction], edge: str) -> Json:
        """Size, panels, direction and yards."""
        margin = exact(self.request.get("backing", {}).get("margin", 2))
        wide = exact(self.quilt["binding"]["width"])
        more = {"turned": 4 * wide, "folded-backing": 4 * wide}.get(edge, 2 * margin)
        width, length = (side + more for side in top)
        upright = max(1, ceil((width - 1) / (self.usable - 1)))
        across = max(1, ceil((length - 1) / (self.usable - 1)))
        lies = upright * length <= across * width
        cloth = upright * length if lies else across * width
        return _size(width, length) | {
            "panels": upright if lies else across,
            "direction": "upright" if lies else "across",
            "yards": float(eighth_yards(cloth)),
        }

    def batting(self, top: list[Fraction]) -> Json:
        """Size and the smallest packet that holds it."""
        margin = exact(self.request.get("backing", {}).get("margin", 2))
        width, length = (side + 2 * margin for side in top)
        short, long = sorted((width, length))
        packet = next((p for p in PACKETS if short <= p[0] and long <= p[1]), None)
        return _size(width, length) | {"packet": packet}

    def bought(self, body: list[Fraction], top: list[Fraction], edge: str) -> dict[str, float]:
        """Yards of every part that is bought."""
        found: dict[str, float] = {}
        s, (width, length) = 2 * self.seam, body
        if self.w and self.quilt["sashing"]["from"] == "bought":
            count = strips(self.sashing(), self.usable, self.seam)
            found["sashing"] = float(eighth_yards(count * (self.w + s)))
        style = self.chosen("borders", "butted", self.quilt["corners"])
        for number, border in enumerate(self.quilt["borders"], 1):
            own = exact(border["finished"])
            over = {"butted": 2 * own, "corner-squares": Fraction(0)}[style]
            if "key" in border:
                found |= self.keyed(number, border, width, length)
                continue
            if border["from"] == "bought":
                pieces = [length + s] * 2 + [width + over + s] * 2
                count = strips(pieces, self.usable, self.seam)
                found[f"border-{number}"] = float(eighth_yards(count * (own + s)))
            width, length = width + 2 * own, length + 2 * own
        if edge == "double-fold" and self.quilt["binding"]["from"] == "bought":
            count = self.binding(top)["strips"]
            cut = exact(self.quilt["binding"]["width"])
            found["binding"] = float(eighth_yards(count * cut))
        found["backing"] = self.backing(top, edge)["yards"]
        return found

    def keyed(
        self, number: int, border: Json, width: Fraction, length: Fraction
    ) -> dict[str, float]:
        """Yards of keys, and of the spacer within them; round a body with its other borders."""
        s, key, cut = 2 * self.seam, exact(border["key"]), exact(border["cut"])
        across, down = self.spacer(list(self.sizes()[0]))
        along = [int((side + 2 * by) / (key - s)) for side, by in ((width, across), (length, down))]
        assert border["keys"] == 2 * sum(along)
        pieces = [key] * border["keys"] + [cut] * 4
        count = strips(pieces, self.usable, self.seam)
        found = {f"border-{number}": float(eighth_yards(count * cut))}
        for name, by, side in (("side", across, length + s), ("end", down, width + 2 * across + s)):
            if by:
                cloth = strips([side] * 2, self.usable, self.seam) * (by + s)
                found[f"border-{number}-spacer-{name}"] = float(eighth_yards(cloth))
        return found

    def sashing(self) -> list[Fraction]:
        """Every strip of the sashing, as it is cut."""
        s, rows, columns, more = 2 * self.seam, self.rows, self.columns, 1 if self.framed else -1
        if self.cornered:
            return [self.fl + s] * (rows * (columns + more)) + [self.fw + s] * (
                columns * (rows + more)
            )
        row = columns * self.fw + (columns - 1) * self.w + s
        side = rows * self.fl + (rows + 1) * self.w + s
        framing = [side] * 2 if self.framed else []
        return [self.fl + s] * (rows * (columns - 1)) + [row] * (rows + more) + framing


def _size(width: Fraction, length: Fraction) -> Json:
    return {"width": float(width), "length": float(length)}


def _flat(part: Any, name: str = "") -> Iterator[tuple[str, Any]]:
    """Every value by its place; what is bought by its part."""
    if name == ".buy" and isinstance(part, list):
        part = {bought["part"]: bought["yards"] for bought in part}
    if isinstance(part, dict):
        for key, value in part.items():
            yield from _flat(value, f"{name}.{key}")
    elif isinstance(part, list | tuple):
        for n, value in enumerate(part):
            yield from _flat(value, f"{name}[{n}]")
    else:
        yield name, float(part) if isinstance(part, int | float) else part
