"""The two ways in which the trade says no.

Specific errors stand beside the code that raises them; each keeps its facts and says in one
sentence what is wrong and what would be right.
"""


class KerseyError(Exception):
    """Anything Kersey refuses, with a sentence for the person."""


class InvalidValue(KerseyError, ValueError):
    """Something was said that cannot be used as it stands.

    `field` names the value that is wrong, where it is one: ``width``, ``seam``.
    """

    def __init__(self, sentence: str, field: str = "") -> None:
        super().__init__(sentence)
        self.field = field


class Infeasible(KerseyError):
    """What was asked for is clear but cannot be made from this fabric."""
