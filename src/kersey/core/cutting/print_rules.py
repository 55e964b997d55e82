"""What print rules ask of a block, in terms that can be counted.

part    pieces that come from one print: those of roles under a "same" rule together, else one piece
free    a role whose pieces may come from several prints, only not from those of another role
clash   parts and free roles of which no two share a print in a block

Parts that clash can be dealt out over the blocks exactly when no print is drawn for more parts than
there are blocks (an edge colouring of the graph of prints and parts, by König's theorem). One part
and one free role can be dealt out exactly when every print serves the free role only in blocks that
do not draw it for the part, and then with as many pieces as those blocks take (Hall's theorem). For
anything more a reading that is *sure* takes more pieces from one print than the rules ask; one that
is not sure asks only what any plan must keep, and bounds what can be had.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from kersey.core.cutting.problem import CuttingProblem

# (which need, how many of it in a block or part)
Counts = tuple[tuple[int, int], ...]


@dataclass(frozen=True)
class Part:
    """Pieces that come from one print in a block, and how many such parts a block has."""

    roles: frozenset[str]
    needs: Counts
    times: int = 1


@dataclass(frozen=True)
class FreeRole:
    """A role whose pieces may come from several prints."""

    role: str
    needs: Counts


@dataclass(frozen=True)
class Clash:
    """Parts and free roles, by their places, that share no print in a block."""

    parts: tuple[int, ...]
    free: tuple[int, ...]


@dataclass(frozen=True)
class Reading:
    """The rules of a problem. `exact`: what it asks is just what the rules ask.

    `contradictory`: no block can keep them.
    """

    parts: tuple[Part, ...]
    free: tuple[FreeRole, ...]
    clashes: tuple[Clash, ...]
    exact: bool
    contradictory: bool


def read_rules(problem: CuttingProblem, sure: bool = True) -> Reading:
    """The rules of a problem; see above for what `sure` means where both cannot be had."""
    same = _merged([{*rule.roles} for rule in problem.rules if rule.same])
    different = [{*rule.roles} for rule in problem.rules if not rule.same]
    if any(_contradicts(problem, roles, group) for roles in different for group in same):
        return Reading((), (), (), exact=True, contradictory=True)
    free = _free_roles(problem, same, different)
    clashing = _merged(different)
    exact = not _overlap(different) and all(
        _dealt(problem, group, same, group & free) for group in clashing
    )
    if sure:
        for group in clashing:
            bound = _to_one_print(problem, group, same, group & free)
            same = [*same, *({role} for role in bound)]
            free -= bound
    parts = _parts(problem, same, free)
    roles = [
        FreeRole(
            role,
            tuple((n, need.count) for n, need in enumerate(problem.needs) if need.role == role),
        )
        for role in sorted(free)
    ]
    clashes = [
        Clash(
            tuple(n for n, part in enumerate(parts) if part.roles & group),
            tuple(n for n, role in enumerate(roles) if role.role in group),
        )
        for group in (clashing if sure else different)
    ]
    return Reading(tuple(parts), tuple(roles), tuple(clashes), exact, contradictory=False)


def _pieces(problem: CuttingProblem, roles: set[str]) -> int:
    return sum(need.count for need in problem.needs if need.role in roles)


def _contradicts(problem: CuttingProblem, different: set[str], same: set[str]) -> bool:
    """Whether pieces that must come from one print must also differ."""
    there = {need.role for need in problem.needs} & different & same
    return len(there) > 1 or (len(different) == 1 and _pieces(problem, there) > 1)


def _free_roles(
    problem: CuttingProblem, same: Sequence[set[str]], different: Sequence[set[str]]
) -> set[str]:
    """Roles that only must differ from others."""
    apart = {role for group in different if len(group) == 1 for role in group}
    bound = apart.union(*same)
    several = {role for group in different if len(group) > 1 for role in group}
    return {role for role in several - bound if _pieces(problem, {role}) > 1}


def _overlap(different: Sequence[set[str]]) -> bool:
    """Whether taking rules that share a role together asks for more than they do."""
    several = [group for group in different if len(group) > 1]
    return any(a != b and a & b for a in several for b in several)


def _dealt(
    problem: CuttingProblem, group: set[str], same: Sequence[set[str]], free: set[str]
) -> bool:
    """Whether a clash is one that can be dealt out exactly: no free role, or one and one part."""
    return not free or (len(free) == 1 and _single(problem, group - free, same))


def _single(problem: CuttingProblem, roles: set[str], same: Sequence[set[str]]) -> bool:
    """Whether the pieces of these roles are one part."""
    together = next((group for group in same if roles <= group), None)
    return together is not None or _pieces(problem, roles) == 1


def _to_one_print(
    problem: CuttingProblem, group: set[str], same: Sequence[set[str]], free: set[str]
) -> set[str]:
    """The free roles that a sure reading takes from one print each."""
    if _dealt(problem, group, same, free):
        return set()
    fullest = max(sorted(free), key=lambda role: _pieces(problem, {role}))
    rest = free - {fullest}
    alone = group - {fullest} == rest and len(rest) == 1
    return rest if alone else free


def _parts(problem: CuttingProblem, same: Sequence[set[str]], free: set[str]) -> list[Part]:
    ruled = {role for rule in problem.rules for role in rule.roles}
    parts = []
    for group in same:
        counts = tuple(
            (n, need.count) for n, need in enumerate(problem.needs) if need.role in group
        )
        if counts:
            parts.append(Part(frozenset(group), counts))
    grouped = free.union(*same)
    for number, need in enumerate(problem.needs):
        if need.role in ruled - grouped:
            parts.append(Part(frozenset({need.role}), ((number, 1),), need.count))
    return parts


def _merged(groups: Sequence[set[str]]) -> list[set[str]]:
    merged: list[set[str]] = []
    for group in groups:
        touching = [other for other in merged if other & group]
        merged = [other for other in merged if other not in touching]
        merged.append(group.union(*touching))
    return merged
