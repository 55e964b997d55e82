"""What a quilt is called until somebody names it.

    fabric       as it was typed       Roll of 40 strips · 42 squares and cream · Cream and 3 more
    its block    once one is chosen    Log cabin from 21 fat quarters
    the evening  what is free          Tonight's sketch: nine-patch

A name that a person gave is left alone: only one that is still made of the typed line changes.
"""

import re
from collections.abc import Collection, Sequence

from kersey.core.measure.length import Units
from kersey.core.measure.workshop import Workshop
from kersey.core.project.project import Project
from kersey.core.stash.quick_entry import Reading, read_lots

TONIGHT, FREE_FABRIC = "Tonight's sketch", "everything free to use"
# Longer names are cut on the wall and in tabs.
LONGEST_AUTOMATIC = 40
_NAMED_TOGETHER = 2
_NUMBERED = re.compile(r" \d+$")
# A name that is cut does not end in one of these.
_DANGLING = re.compile(r"(?:[ ,:]+(?:and|of|from|with|in|the)?)+$")


def fabric_name(readings: Sequence[Reading]) -> str:
    """A quilt by its fabric: one lot or two by name, of more the largest and how many others.

    >>> fabric_name(read_lots("42 squares and 2 yd cream"))
    '42 squares and cream'
    >>> fabric_name(read_lots("9 light fat quarters")), fabric_name(read_lots("2 1/4 yd charcoal"))
    ('9 light fat quarters', 'Charcoal')
    """
    names = [reading.name for reading in readings]
    if len(readings) > _NAMED_TOGETHER:
        largest = max(readings, key=lambda reading: reading.lot.area if reading.lot else 0)
        names = [largest.name, f"{len(readings) - 1} more"]
    first, *others = names or [""]
    rest = [name if name in readings[0].line else _lower(name) for name in others]
    return _fitting(_upper(" and ".join((first, *rest))))


def name_with_block(before: Project, after: Project) -> str:
    """The name of a changed quilt: the block leads once it is chosen, where nobody named it.

    >>> from kersey.core.project.design import Design
    >>> line = "9 light fat quarters"
    >>> begun = Project(line, line, (), Design(block_chosen=False))
    >>> name_with_block(begun, Project(line, line, ()))
    'Rail fence from 9 light fat quarters'
    >>> name_with_block(begun, Project("Guard's van", line, ()))
    "Guard's van"
    """
    block, led = after.design.block.title, before.design.block.title
    settled = before.design.block_chosen and block == led
    if not after.design.block_chosen or settled or after.name != before.name:
        return after.name
    without_number = _NUMBERED.sub("", after.name)
    for base in _fabric_names(after):
        named = _with_block(base, led)
        if base in (after.name, without_number) or named in (after.name, without_number):
            return _with_block(base, block)
    return after.name


def unused_name(name: str, taken: Collection[str]) -> str:
    """The name, numbered where another quilt has it already.

    >>> unused_name("Cream", ["Cream", "Cream 2"])
    'Cream 3'
    """
    number, found = 1, name
    while found in taken:
        number += 1
        found = f"{name} {number}"
    return found


def _fabric_names(project: Project) -> set[str]:
    if project.said == FREE_FABRIC:
        return {TONIGHT}
    return {fabric_name(read_lots(project.said, Workshop(units=units))) for units in Units}


def _with_block(base: str, block: str) -> str:
    if base == TONIGHT:
        return _fitting(f"{base}: {block.lower()}")
    return _fitting(f"{block} from {_lower(base)}")


def _fitting(name: str) -> str:
    """The name cut at a word."""
    if len(name) <= LONGEST_AUTOMATIC:
        return name
    return _DANGLING.sub("", name[: LONGEST_AUTOMATIC + 1].rpartition(" ")[0])


def _upper(name: str) -> str:
    return name[:1].upper() + name[1:]


def _lower(name: str) -> str:
    return name[:1].lower() + name[1:]
