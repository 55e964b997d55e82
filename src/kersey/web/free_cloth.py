"""Cloth of the cupboard that nobody holds, as it would be pulled."""

from collections import Counter
from collections.abc import Container, Iterator, Sequence

from kersey.core.cloth.forms import Form
from kersey.core.stash.pulled import Pulled, Role, proposed_roles
from kersey.store.cupboard import StoredLot
from kersey.store.holdings import holdings
from kersey.web.workroom import Workroom


def free_cloth(
    room: Workroom, forms: frozenset[Form] = frozenset(Form), part: Role | None = None
) -> Sequence[Pulled]:
    """Every print of these forms of which pieces are free, all of them, for a part of the quilt or
    for what such lots are proposed for; not what is set aside."""
    wanted = "free", forms, part
    return room.of_cupboard(wanted, lambda: tuple(_free(room, forms, part)))


def _free(room: Workroom, forms: Container[Form], part: Role | None) -> Iterator[Pulled]:
    with room.reading() as session:
        lots = [stored for stored in room.lots.all(session) if stored.kept.lot.form in forms]
        held: Counter[int] = Counter()
        for holding in holdings(session, [stored.id for stored in lots]):
            held[holding.stack_id] += holding.count
    for stored in lots:
        yield from _free_of(stored, held, part)


def _free_of(stored: StoredLot, held: Counter[int], part: Role | None) -> Iterator[Pulled]:
    roles = proposed_roles(stored.kept) if part is None else (part,)
    for place, stack in enumerate(stored.kept.lot.stacks):
        free = stack.count - held[stack.number or 0]
        if free > 0 and stored.kept.aside is None:
            yield Pulled(stored.kept, place, free, roles, lot_number=stored.id)
