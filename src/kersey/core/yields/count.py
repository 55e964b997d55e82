"""How many blocks, as far as it is known: what was found, and what no plan can exceed.

Where the two meet the count is exact. Else it lies between them, and whoever tells it says both.
"""

from dataclasses import dataclass

from kersey.core.cutting.problem import CuttingPlan


@dataclass(frozen=True)
class Count:
    """So many blocks can be had, and no more than `bound`."""

    blocks: int
    bound: int

    @property
    def proved(self) -> bool:
        """Whether there are no more."""
        return self.blocks == self.bound

    @property
    def in_words(self) -> str:
        """The count alone where it is exact, else from what to what it may be.

        >>> Count(42, 42).in_words, Count(42, 44).in_words, Count(0, 38).in_words
        ('42', 'at least 42, at most 44', 'at most 38')
        """
        if self.proved:
            return f"{self.blocks}"
        return (
            f"at least {self.blocks}, at most {self.bound}"
            if self.blocks
            else f"at most {self.bound}"
        )

    def between(self, least: int, most: int) -> "Count":
        """The same where it is known from elsewhere that it is no less and no more than these."""
        blocks = max(self.blocks, least)
        return Count(blocks, max(blocks, min(self.bound, most)))


NONE = Count(0, 0)


def count_of(plan: CuttingPlan) -> Count:
    """How many blocks a plan has, and no other can exceed."""
    return Count(plan.blocks, plan.bound)
