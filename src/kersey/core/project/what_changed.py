"""What a change of a quilt was, in a few words: told beside Undo, before it is taken back."""

from kersey.core.measure.counting import counted
from kersey.core.project.design import Design
from kersey.core.project.project import Project

# The choices of a design by what people call them; of several that changed, the first is told.
_CHOICES = {
    "changed the block": ("block", "block_chosen", "own_draft", "prints", "even", "seam"),
    "changed which fabric is used": ("by_value", "scraps_first", "usable_width"),
    "changed the size": ("rows", "columns", "wish"),
    "changed the setting": ("setting",),
    "changed the sashing": ("sashing",),
    "changed the border": (
        "border_width",
        "outer_borders",
        "key",
        "corners",
        "sides_first",
        "border_from_left",
    ),
    "changed the edge": ("edge_style", "edge_shows", "binding_width", "binding_from_left"),
    "changed the backing": ("margin", "backing_way"),
    "changed the kits": ("kits", "deal"),
    "changed how it is cut": ("layers", "cut_order"),
    "changed what bothers you": ("minded",),
    "changed how blocks are joined": ("joining",),
}


def what_changed(before: Project, after: Project) -> str:
    """What was done between the two, as a button says that it will take it back.

    >>> from dataclasses import replace
    >>> quilt = Project("Berth", "", ())
    >>> what_changed(quilt, replace(quilt, done=frozenset({"a", "b"})))
    'checked off 2 steps'
    """
    if before.name != after.name:
        return f"renamed it “{after.name}”"
    return _of_fabric(before, after) or _of_steps(before, after) or _of_choices(before, after)


def _of_fabric(before: Project, after: Project) -> str:
    was, now = ({p.key: p for p in each.fabrics} for each in (before, after))
    more, fewer = now.keys() - was.keys(), was.keys() - now.keys()
    if more and fewer:
        return "swapped fabric"
    if more or fewer:
        one = next(iter(more or fewer))
        name = (now if more else was)[one].print.name
        many = len(more or fewer)
        what = f"“{name}”" if many == 1 else counted(many, "print")
        return f"{'pulled' if more else 'returned'} {what}"
    changed = [now[key] for key in now if now[key] != was[key]]
    if not changed or before.done != after.done:
        return ""
    one_name = f"“{changed[0].print.name}”"
    return f"changed {one_name if len(changed) == 1 else counted(len(changed), 'print')}"


def _of_steps(before: Project, after: Project) -> str:
    on, off = after.done - before.done, before.done - after.done
    if not on and not off:
        return ""
    if after.sewing.last and after.sewing.last != before.sewing.last:
        return after.sewing.last
    return f"{'checked off' if on else 'unchecked'} {counted(len(on or off), 'step')}"


def _of_choices(before: Project, after: Project) -> str:
    if before.design != after.design:
        return _of_design(before.design, after.design)
    for words, part in (
        ("chose a print to buy", "bought"),
        ("changed saved layouts", "versions"),
        ("changed the sewing", "sewing"),
        ("changed the finish", "finishing"),
        ("changed the plan", "plan"),
    ):
        if getattr(before, part) != getattr(after, part):
            return words
    return "changed a choice"


def _of_design(before: Design, after: Design) -> str:
    return next(
        words
        for words, names in _CHOICES.items()
        if any(getattr(before, name) != getattr(after, name) for name in names)
    )
