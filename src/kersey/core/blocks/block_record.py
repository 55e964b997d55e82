"""A block as chosen <-> a plain record of words and numbers, as it is kept and exported."""

from collections.abc import Mapping
from fractions import Fraction
from typing import Any

from kersey.core.blocks.choice import BlockChoice
from kersey.core.blocks.recipe import Option
from kersey.core.cutting.problem import Need, PrintRule

Record = dict[str, Any]
_INCHES = "inches"


def block_record(block: BlockChoice) -> Record:
    """A record; lengths are exact inches as text, like ``5/2``."""
    return {
        "recipe": block.recipe,
        "finished": [str(side) for side in block.finished] if block.finished else None,
        "options": {name: _said(value) for name, value in block.options},
        "pieces": [
            {
                "label": need.label,
                "role": need.role,
                "width": str(need.width),
                "height": str(need.height),
                "count": need.count,
            }
            for need in block.pieces
        ],
        "rules": [{"roles": list(rule.roles), "same": rule.same} for rule in block.rules],
    }


def block_from(record: Record) -> BlockChoice:
    """The block a record holds.

    Raises `InvalidValue`, `KeyError`, `TypeError` or `ValueError` for one that is damaged.

    >>> block_from({"recipe": "rails", "finished": None, "options": {}, "pieces": [], "rules": []})
    BlockChoice(recipe='rails', finished=None, options=(), pieces=(), rules=())
    """
    block = BlockChoice(
        recipe=str(record["recipe"]),
        finished=_size(record["finished"]),
        options=tuple((str(name), _option(value)) for name, value in record["options"].items()),
        pieces=tuple(
            Need(
                str(part["label"]),
                str(part["role"]),
                Fraction(part["width"]),
                Fraction(part["height"]),
                int(part["count"]),
            )
            for part in record["pieces"]
        ),
        rules=tuple(
            PrintRule(tuple(map(str, rule["roles"])), bool(rule["same"]))
            for rule in record["rules"]
        ),
    )
    # Asked for its options, a block says whether there is such a recipe.
    _ = block.all_options
    return block


def _said(value: Option) -> Any:
    return {_INCHES: str(value)} if isinstance(value, Fraction) else value


def _option(value: Any) -> Option:
    if isinstance(value, Mapping):
        return Fraction(value[_INCHES])
    return value if isinstance(value, int) else str(value)


def _size(said: Any) -> tuple[Fraction, Fraction] | None:
    if said is None:
        return None
    width, height = map(Fraction, said)
    return width, height
