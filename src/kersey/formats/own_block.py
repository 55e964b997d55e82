"""A block of one's own <-> a JSON file.

    {"kersey": "block/1", "name": "Signal lamp", "grid": 4,
     "cells": [{"row": 1, "column": 1, "rows": 1, "columns": 2, "kind": "two corners",
                "roles": ["background", "dark"], "turn": 0}, ...]}

Rows and columns count from 1. What is left out is as usual: one square, plain, light and dark.
"""

import json
from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from kersey.core.blocks.own_block import Cell, Kind, OwnBlock
from kersey.core.errors import InvalidValue

MOST_BYTES = 64 * 1024
_KIND = "block/1"
_Place = Annotated[int, Field(ge=1, le=9, strict=True)]
_Word = Annotated[str, Field(min_length=1, max_length=40, pattern=r"^[^\s,]+$")]


class BadBlockFile(InvalidValue):
    """A file that is no block, in one line that names the field."""


class CellPart(BaseModel):
    """One cell."""

    model_config = ConfigDict(extra="forbid")
    row: _Place
    column: _Place
    rows: _Place = 1
    columns: _Place = 1
    kind: Kind = Kind.PLAIN
    roles: tuple[_Word, _Word] = ("light", "dark")
    turn: Annotated[int, Field(ge=0, le=3, strict=True)] = 0


class BlockFile(BaseModel):
    """The whole block."""

    model_config = ConfigDict(extra="forbid")
    kersey: Literal["block/1"]
    name: Annotated[str, Field(min_length=1, max_length=60)]
    grid: Annotated[int, Field(ge=2, le=9, strict=True)]
    cells: Annotated[list[CellPart], Field(min_length=1, max_length=81)]


def write_block(block: OwnBlock) -> str:
    """The block as text, in an order that stays the same."""
    cells = [
        {
            "row": c.row + 1,
            "column": c.column + 1,
            "rows": c.rows,
            "columns": c.columns,
            "kind": c.kind.value,
            "roles": list(c.roles),
            "turn": c.turn,
        }
        for c in block.cells
    ]
    document = {"kersey": _KIND, "name": block.name, "grid": block.grid, "cells": cells}
    return json.dumps(document, ensure_ascii=False, indent=1)


def read_block(content: bytes) -> OwnBlock:
    """The block a file holds; raises `BadBlockFile`.

    >>> read_block(write_block(OwnBlock()).encode()) == OwnBlock()
    True
    """
    if len(content) > MOST_BYTES:
        raise BadBlockFile("A block file can be up to 64 KB.")
    try:
        found = BlockFile.model_validate(_parsed(content))
        cells = [
            Cell(c.row - 1, c.column - 1, c.rows, c.columns, c.kind, c.roles, c.turn)
            for c in found.cells
        ]
        ordered = tuple(sorted(cells, key=lambda cell: (cell.row, cell.column)))
        return OwnBlock(found.name, found.grid, ordered)
    except ValidationError as error:
        detail = error.errors(include_url=False, include_input=False)[0]
        where = ".".join(str(step) for step in detail["loc"]) or "block"
        raise BadBlockFile(f"{where}: {detail['msg']}") from None


def _parsed(content: bytes) -> Any:
    try:
        return json.loads(content.decode("utf-8-sig"))
    except (ValueError, RecursionError) as error:
        raise BadBlockFile("This isn't a Kersey block file.") from error
