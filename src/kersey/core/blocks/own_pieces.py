"""Pieces of one's own, as lines: how many a block, a label, the side they are of, the cut size.

4 A light 2 1/2 x 3         four pieces A of the light side, cut 2 1/2 x 3
different light dark        no print serves both sides of a block
same frame                  in a block all pieces of the frame are of one print
"""

import re
from collections.abc import Iterator, Sequence

from kersey.core.cutting.problem import Need, PrintRule
from kersey.core.errors import InvalidValue
from kersey.core.measure.length import Units, parse_length, write_length

MOST_LINES = 60
_PIECE = re.compile(r"(\d{1,3})\s+(\S{1,40})\s+([^\s\d]\S{0,39})\s+(.+?)\s*[x×]\s*(.+)")
_RULE = re.compile(r"(same|different)\s+(\S.*)")


class BadPieces(InvalidValue):
    """A line that is no piece and no rule."""


def read_pieces(text: str, units: Units) -> tuple[tuple[Need, ...], tuple[PrintRule, ...]]:
    """The pieces and rules that the lines say; raises `InvalidValue` naming the line.

    >>> read_pieces("4 A light 2 1/2 x 3", Units.INCHES)[0][0].width
    Fraction(5, 2)
    """
    needs: list[Need] = []
    rules: list[PrintRule] = []
    lines = [line.strip() for line in text.splitlines() if line.strip()]
    if len(lines) > MOST_LINES:
        raise BadPieces(f"A block can have {MOST_LINES} lines.")
    for number, line in enumerate(lines, 1):
        rule, piece = _RULE.fullmatch(line), _PIECE.fullmatch(line)
        if rule is not None:
            rules.append(PrintRule(tuple(rule[2].replace(",", " ").split()), rule[1] == "same"))
        elif piece is not None:
            width, height = parse_length(piece[4], units), parse_length(piece[5], units)
            needs.append(Need(piece[2], piece[3], width, height, int(piece[1])))
        else:
            raise BadPieces(
                f"Line {number}, “{line:.40}”: type the count, a letter, light or dark, and the "
                "cut size, like “4 A light 2 1/2 x 3”."
            )
    return tuple(needs), tuple(rules)


def write_pieces(needs: Sequence[Need], rules: Sequence[PrintRule], units: Units) -> str:
    """The lines for pieces and rules, as `read_pieces` reads them."""
    return "\n".join((*_piece_lines(needs, units), *_rule_lines(rules)))


def _piece_lines(needs: Sequence[Need], units: Units) -> Iterator[str]:
    for need in needs:
        size = f"{write_length(need.width, units)} x {write_length(need.height, units)}"
        yield f"{need.count} {need.label} {need.role} {size}"


def _rule_lines(rules: Sequence[PrintRule]) -> Iterator[str]:
    for rule in rules:
        yield f"{'same' if rule.same else 'different'} {' '.join(rule.roles)}"
