"""A stage of the order of work, as its folder declares it in `stage.py`."""

from collections.abc import Callable
from dataclasses import dataclass

from kersey.web.open_project import OpenProject
from kersey.web.workroom import Reckoned


def _never(_: object) -> bool:
    return False


@dataclass(frozen=True)
class Stage:
    """A page of a project; its route is called after its key: ``cut_page``.

    `act`: what a person does there, said where it is the next thing to do. `status`: what is known
    of it, in a few words. `waits`: whether it is the next, once there is a quilt and no stage
    before it waits. `falls_short`: whether its status is bad news.
    """

    key: str
    title: str
    act: str
    status: Callable[[OpenProject], str]
    waits: Callable[[Reckoned], bool] = _never
    falls_short: Callable[[OpenProject], bool] = _never

    @property
    def page(self) -> str:
        """The name of its route."""
        return f"{self.key}_page"
