"""Writes the benchmark's requests into bench/requests: rolls, bundles, yardage, scraps, rules.

    python -m bench.make_requests

The same ones each time; made-up fabric throughout.
"""

import json
import random
from collections.abc import Iterator
from pathlib import Path
from typing import Any

FOLDER = Path(__file__).parent / "requests"
Request = dict[str, Any]
FRAMED = {
    "recipe": "pieces",
    "pieces": [
        {"label": "side", "role": "frame", "width": 2.5, "length": 9.5, "count": 2},
        {"label": "end", "role": "frame", "width": 2.5, "length": 2.5, "count": 2},
        {"label": "window", "role": "window", "width": 2.5, "length": 2.5, "count": 2},
    ],
    "rules": [
        {"roles": ["frame"], "print": "same"},
        {"roles": ["frame", "window"], "print": "different"},
    ],
}
FOURS = {
    "recipe": "pieces",
    "pieces": [
        {"label": "large", "role": "light", "width": 6.5, "length": 6.5},
        {"label": "bar", "role": "dark", "width": 2.5, "length": 6.5, "count": 2},
        {"label": "small", "role": "dark", "width": 2.5, "length": 2.5, "count": 4},
    ],
}


def main() -> None:
    FOLDER.mkdir(exist_ok=True)
    for old in FOLDER.glob("*.json"):
        old.unlink()
    for name, request in _all():
        text = json.dumps({"kersey": "request/1", **request}, separators=(",", ":"))
        (FOLDER / f"{name}.json").write_text(text + "\n")


def _all() -> Iterator[tuple[str, Request]]:
    yield from _rolls()
    yield from _bundles()
    yield from _yardage()
    yield from _scraps()
    yield from _rules()
    yield from _impossible()


def _rolls() -> Iterator[tuple[str, Request]]:
    for number, (strips, prints, length, rails) in enumerate(
        [
            (40, 20, 42, 3),
            (42, 21, 41.25, 3),
            (40, 40, 43.5, 4),
            (34, 17, 41.25, 2),
            (40, 20, 38.875, 5),
            (60, 12, 42, 6),
            (120, 30, 40, 3),
            (600, 40, 42, 4),
            (30, 15, 42, 2),
            (12, 12, 26, 3),
        ]
    ):
        fabrics = [_strip(f"p{n}", strips // prints, length) for n in range(prints)]
        block = {"recipe": "rails", "options": {"strips": rails}, "finished": 2 * rails}
        yield f"roll-{number:02}", {"fabrics": fabrics, "block": block}


def _strip(name: str, count: int, length: float) -> Request:
    return {"id": name, "form": "strip", "count": count, "length": length}


def _bundles() -> Iterator[tuple[str, Request]]:
    sides = [(9, 12), (12, 12), (20, 10), (6, 7), (40, 40), (3, 4)]
    for number, (light, dark) in enumerate(sides):
        for form in ("fat-quarter", "fat-eighth"):
            fabrics = [
                {"id": "light", "form": form, "count": light, "roles": ["light"]},
                {"id": "dark", "form": form, "count": dark, "roles": ["dark"]},
            ]
            recipe = "log-cabin" if number % 2 == 0 else "nine-patch"
            yield f"bundle-{form}-{number:02}", {"fabrics": fabrics, "block": {"recipe": recipe}}
    for number, (form, count, width) in enumerate([("square", 42, 5), ("square", 40, 10)]):
        fabrics = [
            {"id": f"s{n}", "form": form, "count": 2, "width": width, "length": width}
            for n in range(count // 2)
        ]
        yield f"squares-{number:02}", {"fabrics": fabrics, "block": {"recipe": "nine-patch"}}


def _yardage() -> Iterator[tuple[str, Request]]:
    for number, length in enumerate([27, 54, 81, 108, 180]):
        for recipe in ("log-cabin", "nine-patch"):
            fabrics = [
                {"id": "charcoal", "form": "yardage", "length": length, "roles": ["dark"]},
                {"id": "steam", "form": "yardage", "length": length, "roles": ["light"]},
            ]
            yield f"yardage-{recipe}-{number:02}", {"fabrics": fabrics, "block": {"recipe": recipe}}


def _scraps() -> Iterator[tuple[str, Request]]:
    for count in (10, 20, 50, 100, 200):
        for step in (2, 8):
            for name, block in (
                ("log-cabin", {"recipe": "log-cabin"}),
                ("nine-patch", {"recipe": "nine-patch"}),
                ("fours", FOURS),
            ):
                fabrics = _rectangles(random.Random(count * 10 + step), count, step)
                yield f"scraps-{count:03}-{step}-{name}", {"fabrics": fabrics, "block": block}


def _rectangles(chance: random.Random, count: int, step: int) -> list[Request]:
    """Scraps all different, to a half or an eighth of an inch, some strips, some directional."""
    found: list[Request] = []
    for n in range(count):
        roles = chance.choice([[], ["light"], ["dark"]])
        if chance.random() < 0.3:
            sizes = {
                "width": chance.choice([1.5, 2, 2.5, 3]),
                "length": chance.randint(8 * step, 42 * step) / step,
            }
            found.append({"id": f"s{n}", "form": "strip", "roles": roles, **sizes})
            continue
        sizes = {
            "width": chance.randint(3 * step, 18 * step) / step,
            "length": chance.randint(4 * step, 22 * step) / step,
        }
        directional = chance.random() < 0.2
        found.append(
            {"id": f"s{n}", "form": "piece", "roles": roles, "directional": directional, **sizes}
        )
    return found


def _rules() -> Iterator[tuple[str, Request]]:
    for number, (prints, each) in enumerate([(6, 2), (20, 2), (12, 4), (3, 9)]):
        fabrics = [_strip(f"p{n}", each, 42) for n in range(prints)]
        yield f"rules-framed-{number:02}", {"fabrics": fabrics, "block": FRAMED}
    for number, print_rule in enumerate(("same", "different")):
        fabrics = [_strip(f"p{n}", 1 + n % 3, 42) for n in range(14)]
        pieces = [{"label": "A", "width": 2.5, "length": 6.5, "count": 3}]
        block = {
            "recipe": "pieces",
            "pieces": pieces,
            "rules": [{"roles": ["any"], "print": print_rule}],
        }
        yield f"rules-rails-{number:02}", {"fabrics": fabrics, "block": block}


def _impossible() -> Iterator[tuple[str, Request]]:
    narrow = [{"id": "a", "form": "strip", "width": 1.5, "count": 40}]
    yield "impossible-narrow", {"fabrics": narrow, "block": {"recipe": "rails"}}
    light = [{"id": "a", "form": "fat-quarter", "count": 12, "roles": ["light"]}]
    yield "impossible-no-dark", {"fabrics": light, "block": {"recipe": "nine-patch"}}
    alone = [_strip("a", 40, 42)]
    yield "impossible-one-print", {"fabrics": alone, "block": FRAMED}


if __name__ == "__main__":
    main()
