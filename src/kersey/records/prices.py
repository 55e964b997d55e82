"""A price list <-> one JSON document; lengths are exact inches as text, prices hundredths."""

import json
from typing import Any

from pydantic import TypeAdapter, ValidationError

from kersey.core.stash.price_list import PriceList
from kersey.records.choices import BadDocument, first_fault

VERSION = 1
_LIST = TypeAdapter(PriceList)


def prices_text(prices: PriceList) -> str:
    """The list as text."""
    return json.dumps(prices_document(prices), ensure_ascii=False)


def prices_document(prices: PriceList) -> dict[str, Any]:
    """The list as plain words and numbers."""
    return {"version": VERSION, **_LIST.dump_python(prices, mode="json")}


def prices_from(document: dict[str, Any]) -> PriceList:
    """The list that a document holds; raises `BadDocument`.

    >>> from kersey.core.stash.price_list import USUAL_PRICES
    >>> prices_from(prices_document(USUAL_PRICES)) == USUAL_PRICES
    True
    """
    known = dict(document)
    if known.pop("version", None) != VERSION:
        raise BadDocument("Price lists of this version aren't known.")
    try:
        return _LIST.validate_python(known, strict=False)
    except ValidationError as error:
        raise BadDocument(first_fault(error)) from error
