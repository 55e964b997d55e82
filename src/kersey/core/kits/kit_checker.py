"""The independent checker of kits: whether each block has what it needs, of pieces that are cut, as
the rules ask. It shares no code with the dealing."""

from collections import Counter
from collections.abc import Iterator, Sequence

from kersey.core.cutting.problem import CuttingPlan, Need
from kersey.core.project.kept_plan import Kit


def kit_faults(plan: CuttingPlan, kits: Sequence[Kit]) -> list[str]:
    """Everything that is wrong with kits, in sentences; none for good ones."""
    pieces = [need for need in plan.problem.needs for _ in range(need.count)]
    wrong = [n for n, kit in enumerate(kits) if len(kit) != len(pieces)]
    if wrong:
        return [f"Block {n + 1} has {len(kits[n])} pieces, not {len(pieces)}." for n in wrong]
    found = [f"{len(kits)} kits for {plan.blocks} blocks."] if len(kits) != plan.blocks else []
    batch = plan.problem.batch
    for number, kit in enumerate(kits):
        if kit != kits[number - number % batch]:
            found.append(f"Block {number + 1} is not of the pieces that it is cut apart from.")
    found += _dealt_twice(plan, kits[::batch], pieces)
    for number, kit in enumerate(kits, 1):
        found += (f"Block {number}: {fault}" for fault in _broken_rules(plan, kit, pieces))
    return found


def _dealt_twice(plan: CuttingPlan, kits: Sequence[Kit], pieces: Sequence[Need]) -> Iterator[str]:
    """Pieces that were dealt oftener than they are cut."""
    cut: Counter[tuple[str, Need]] = Counter()
    for layout in plan.layouts:
        for rectangle in layout.cuts:
            each = 1
            if rectangle.need.crosscut:
                need, length = rectangle.need, max(rectangle.width, rectangle.length)
                each = int((length - (need.first or need.height)) // need.height) + 1
            cut[layout.fabric.name, rectangle.need] += each * layout.copies
    dealt = Counter(pair for kit in kits for pair in zip(kit, pieces, strict=True))
    for (name, need), count in dealt.items():
        if count > cut[name, need]:
            yield f"{name} gives {cut[name, need]} of {need.label}, and {count} are dealt."


def _broken_rules(plan: CuttingPlan, kit: Kit, pieces: Sequence[Need]) -> Iterator[str]:
    prints = {fabric.name: fabric.print for fabric in plan.problem.fabrics}
    for rule in plan.problem.rules:
        shown = [
            (need.role, prints[name])
            for name, need in zip(kit, pieces, strict=True)
            if need.role in rule.roles
        ]
        of_prints = {name for _, name in shown}
        words = ", ".join(rule.roles)
        if rule.same and len(of_prints) > 1:
            yield f"{words} must be of one print and is of {len(of_prints)}."
        elif not rule.same and len(set(rule.roles)) == 1 and len(of_prints) < len(shown):
            yield f"two pieces of {words} share a print."
        elif not rule.same and len(set(rule.roles)) > 1:
            serving = Counter(name for _, name in set(shown))
            if any(count > 1 for count in serving.values()):
                yield f"one print serves two of {words}."
