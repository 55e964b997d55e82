"""How much of the fabric that may serve a role a plan cuts, print by print."""

from collections import defaultdict
from dataclasses import dataclass
from fractions import Fraction

from kersey.core.cutting.problem import CuttingPlan, Fabric


@dataclass(frozen=True)
class Share:
    """Square inches of one fabric: `all` of it, cut for this role, and cut for others."""

    fabric: Fabric
    all: Fraction
    here: Fraction
    elsewhere: Fraction


@dataclass(frozen=True)
class RoleShare:
    """The fabrics that may serve a role; `pieces` of it that the plan cuts, and those wanted."""

    role: str
    shares: tuple[Share, ...]

    @property
    def area(self) -> Fraction:
        """Square inches that may serve it."""
        return sum((share.all for share in self.shares), Fraction(0))

    @property
    def used(self) -> Fraction:
        """Square inches of it cut, for this role or another."""
        return sum((share.here + share.elsewhere for share in self.shares), Fraction(0))


def role_shares(plan: CuttingPlan) -> tuple[RoleShare, ...]:
    """The shares of every role, in the order of the block's pieces."""
    cut: dict[tuple[str, str], Fraction] = defaultdict(Fraction)
    for layout in plan.layouts:
        for piece in layout.cuts:
            area = piece.width * piece.length * layout.copies
            cut[(layout.fabric.name, piece.need.role)] += area
    roles = list(dict.fromkeys(need.role for need in plan.problem.needs))
    found = []
    for role in roles:
        needs = [need for need in plan.problem.needs if need.role == role]
        shares = [
            Share(
                fabric,
                fabric.width * fabric.length * fabric.count,
                cut[(fabric.name, role)],
                sum((cut[(fabric.name, other)] for other in roles if other != role), Fraction(0)),
            )
            for fabric in plan.problem.fabrics
            if any(fabric.serves(need) for need in needs)
        ]
        found.append(RoleShare(role, tuple(shares)))
    return tuple(found)
