"""A watch: how much of the time allowed for a search is left. The clock is given from outside."""

from collections.abc import Callable
from dataclasses import dataclass, field

Clock = Callable[[], float]
# What a person waits for an answer without wondering.
USUAL_SECONDS = 5.0


@dataclass(frozen=True)
class Watch:
    """So many seconds from now on, by a clock that counts seconds.

    >>> time = iter([10.0, 12.0])
    >>> Watch(lambda: next(time), seconds=5.0).left
    3.0
    """

    clock: Clock
    seconds: float = USUAL_SECONDS
    begun: float = field(init=False)

    def __post_init__(self) -> None:
        object.__setattr__(self, "begun", self.clock())

    @property
    def left(self) -> float:
        """Seconds left; less than nothing when it is over."""
        return self.begun + self.seconds - self.clock()

    def anew(self) -> "Watch":
        """The same time once more, from now on."""
        return Watch(self.clock, self.seconds)
