"""The price list a person has made their own; until then the one that ships."""

import json

from sqlalchemy.orm import Session

from kersey.core.errors import KerseyError
from kersey.core.stash.price_list import USUAL_PRICES, PriceList
from kersey.records.prices import prices_from, prices_text
from kersey.store.tables import PriceListRow

_THE_ROW = 1


class PricesChanged(KerseyError):
    """The price list was changed elsewhere since it was shown."""

    def __init__(self) -> None:
        super().__init__("The price list was changed in another window.")


def load_prices(session: Session) -> tuple[PriceList, int]:
    """The price list, and how often it was changed."""
    row = session.get(PriceListRow, _THE_ROW)
    if row is None:
        return USUAL_PRICES, 0
    return prices_from(json.loads(row.document)), row.revision


def own_prices(session: Session) -> PriceList | None:
    """The price list, if a person has made it their own."""
    prices, revision = load_prices(session)
    return prices if revision else None


def bring_prices(session: Session, prices: PriceList | None) -> None:
    """Take the price list of a file, unless there is one of a person's own."""
    if prices is not None and own_prices(session) is None:
        save_prices(session, prices, 0)


def save_prices(session: Session, prices: PriceList, revision: int) -> None:
    """Keep this list; raises `PricesChanged` if `revision` is no longer the newest."""
    _, current = load_prices(session)
    if current != revision:
        raise PricesChanged
    session.merge(PriceListRow(id=_THE_ROW, revision=revision + 1, document=prices_text(prices)))
