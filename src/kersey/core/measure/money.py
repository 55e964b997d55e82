"""Amounts of money as they are written: a sign stands before them, letters after.

>>> format_money(1250, "$"), format_money(123450, "kr")
('$12.50', '1\\u2009234.50\\u202fkr')
"""

from kersey.core.errors import InvalidValue

USUAL_CURRENCY, LONGEST_CURRENCY = "$", 4


class BadCurrency(InvalidValue):
    """A sign that would be read as part of the amount."""


def checked_currency(sign: str) -> str:
    """The sign or letters of a currency; raises `BadCurrency`."""
    sign = sign.strip()
    if (
        not sign
        or len(sign) > LONGEST_CURRENCY
        or any(c.isspace() or c in "0123456789.,-" for c in sign)
    ):
        raise BadCurrency("Type the sign or letters of your money, like $, € or kr.", "currency")
    return sign


def format_money(hundredths: int, sign: str) -> str:
    """An amount in hundredths with its sign."""
    amount = f"{hundredths // 100:,}.{hundredths % 100:02d}".replace(",", "\N{THIN SPACE}")
    return f"{amount}\N{NARROW NO-BREAK SPACE}{sign}" if sign[-1].isalpha() else f"{sign}{amount}"
