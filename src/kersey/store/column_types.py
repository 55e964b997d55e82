"""Column types for what SQLite does not know: exact lengths, and moments in UTC."""

from datetime import UTC, datetime
from fractions import Fraction
from typing import Any

from sqlalchemy import String
from sqlalchemy.types import TypeDecorator


class ExactLength(TypeDecorator[Fraction]):
    """Inches as an exact fraction, written ``5/2``."""

    impl = String(40)
    cache_ok = True

    def process_bind_param(self, value: Fraction | None, dialect: Any) -> str | None:
        return None if value is None else str(value)

    def process_result_value(self, value: str | None, dialect: Any) -> Fraction | None:
        return None if value is None else Fraction(value)


class Moment(TypeDecorator[datetime]):
    """A moment in UTC, written in ISO format so that it sorts as text."""

    impl = String(40)
    cache_ok = True

    def process_bind_param(self, value: datetime | None, dialect: Any) -> str | None:
        return None if value is None else value.astimezone(UTC).isoformat()

    def process_result_value(self, value: str | None, dialect: Any) -> datetime | None:
        return None if value is None else datetime.fromisoformat(value)
