"""A watch: how much work a search may still do, in seconds of an ordinary machine.

Work is counted where it is done (numbers compared, iterations, nodes), not timed, so that the same
question ends at the same place on a fast machine and on a busy one, and the same answer comes out.
The clock, which is given from outside, only stops a search that takes far longer than it should.
"""

from collections.abc import Callable
from dataclasses import dataclass, field
from math import inf

Clock = Callable[[], float]
# What a person waits for an answer without wondering.
USUAL_SECONDS = 5.0
# Less than this share of the work allowed is no use for anything new.
_NO_USE = 0.1
# A search is cut off by the clock after so many times the seconds it was allowed.
PATIENCE = 3.0


def no_clock() -> float:
    """A clock that stands still: then work alone is counted, however long it takes.

    The same question then has the same answer on the slowest machine too.
    """
    return 0.0


@dataclass
class Watch:
    """So many seconds of work from now on, by a clock that counts seconds.

    >>> watch = Watch(lambda: 0.0, seconds=5.0)
    >>> watch.spend(2.0)
    >>> watch.left
    3.0
    """

    clock: Clock
    seconds: float = USUAL_SECONDS
    begun: float = field(init=False)
    spent: float = field(default=0.0, init=False)

    def __post_init__(self) -> None:
        self.begun = self.clock()

    def spend(self, seconds: float) -> None:
        """Work was done that takes an ordinary machine so long."""
        self.spent += seconds

    def let(self, seconds: float) -> None:
        """From now on it may take so many seconds of work."""
        self.seconds = self.spent + seconds

    @property
    def clock_left(self) -> float:
        """Seconds until the clock cuts the search off; less than nothing afterwards."""
        if self.clock is no_clock:
            return inf
        return self.begun + PATIENCE * self.seconds - self.clock()

    @property
    def left(self) -> float:
        """Seconds of work left; nothing or less when it is over."""
        return self.seconds - self.spent if self.clock_left > 0 else 0.0

    @property
    def nearly_over(self) -> bool:
        """Whether so little is left that nothing new should be begun."""
        return self.left <= self.seconds * _NO_USE

    def anew(self) -> "Watch":
        """The same once more, from now on."""
        return Watch(self.clock, self.seconds)
