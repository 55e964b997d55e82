"""A watch: how much work a search may still do, in seconds of an ordinary machine.

Work is counted where it is done (numbers compared, iterations, nodes), never timed: the same
question ends at the same place on a fast machine and on a busy one, with the same answer.
"""

from dataclasses import dataclass, field

# What a person waits for an answer without wondering.
USUAL_SECONDS = 5.0
# Less than this share of the work allowed is no use for anything new.
_NO_USE = 0.1


@dataclass
class Watch:
    """So many seconds of work from now on.

    >>> watch = Watch(5.0)
    >>> watch.spend(2.0)
    >>> watch.left
    3.0
    """

    seconds: float = USUAL_SECONDS
    spent: float = field(default=0.0, init=False)

    def spend(self, seconds: float) -> None:
        """Work was done that takes an ordinary machine so long."""
        self.spent += seconds

    def let(self, seconds: float) -> None:
        """From now on it may take so many seconds of work."""
        self.seconds = self.spent + seconds

    @property
    def left(self) -> float:
        """Seconds of work left; nothing or less when it is over."""
        return self.seconds - self.spent

    @property
    def nearly_over(self) -> bool:
        """Whether so little is left that nothing new should be begun."""
        return self.left <= self.seconds * _NO_USE

    def anew(self) -> "Watch":
        """The same once more, from now on."""
        return Watch(self.seconds)
