"""A shopping list is held against the quilt: bought, pulled and planned again, nothing lacks."""

from dataclasses import replace
from fractions import Fraction
from itertools import pairwise

import pytest
from tests.core.quilts import plan, project
from tests.nights import at_night

from kersey.core.blocks.choice import BlockChoice
from kersey.core.frame.purposes import Wish
from kersey.core.measure.length import Units
from kersey.core.planning.enough_for import enough_for
from kersey.core.project.project import Project
from kersey.core.quilt.quilt import make_quilt
from kersey.core.quilt.shopping import Offer, ShoppingList, shopping_question
from kersey.core.stash.order import Ordered, delivered
from kersey.core.stash.price_list import USUAL_PRICES
from kersey.core.stash.pulled import Role, all_of

PAIRS = "12 light fat quarters + 12 dark fat quarters"


def shopping(of: Project) -> ShoppingList:
    question = shopping_question(of, Units.INCHES, USUAL_PRICES)
    assert question
    *_, found = question.run()
    assert found.complete
    return found


def bought(of: Project, offer: Offer, role: Role, less: int = 0) -> int:
    """Blocks once an offer was bought and pulled, or so many pieces less of it."""
    order = [Ordered(offer.ware, offer.quantity - less, "blocks")]
    more = tuple(
        replace(pulled, roles=(role,), lot_number=100 + n)
        for kept in delivered(order)
        for n, pulled in enumerate(all_of(kept))
    )
    again = plan(replace(of, fabrics=(*of.fabrics, *more), plan=None))
    assert again.plan
    return again.plan.possible


@pytest.mark.parametrize(
    ("recipe", "line"), [("half-square", PAIRS), *at_night([("nine-patch", PAIRS)])]
)
def test_what_is_bought_makes_the_blocks(recipe: str, line: str) -> None:
    begun = plan(project(line, block=BlockChoice(recipe)))
    twin = enough_for(begun, Wish("queen"), Units.INCHES)
    quilt = make_quilt(twin, Units.INCHES)
    assert quilt.blocks_short > 0
    found = shopping(twin)
    lacks = {lack.what: lack for lack in found.lacks}
    of_blocks = [lack for lack in found.lacks if lack.what.endswith("for blocks")]
    assert of_blocks
    fat_quarters = {
        what.split()[0]: next(o for o in lack.offers if o.ware.name == "fat quarter")
        for what, lack in lacks.items()
        if lack in of_blocks
    }
    everything = twin
    for role, offer in fat_quarters.items():
        last = list(fat_quarters)[-1]
        if role != last:
            order = [Ordered(offer.ware, offer.quantity, "blocks")]
            more = [
                replace(p, roles=(Role(role),), lot_number=50)
                for k in delivered(order)
                for p in all_of(k)
            ]
            everything = replace(everything, fabrics=(*everything.fabrics, *more))
    last_role, last_offer = list(fat_quarters.items())[-1]
    assert bought(everything, last_offer, Role(last_role)) >= quilt.size.blocks
    assert bought(everything, last_offer, Role(last_role), less=1) < quilt.size.blocks


def test_the_cheapest_that_is_there_comes_first() -> None:
    twin = enough_for(plan(project()), Wish("queen"), Units.INCHES)
    found = shopping(twin)
    for lack in found.lacks:
        costs = [offer.cost for offer in lack.offers if offer.in_stock]
        assert all(one <= other for one, other in pairwise(costs))
        assert [offer.ware.cost(offer.quantity) for offer in lack.offers] == [
            offer.cost for offer in lack.offers
        ]
    assert found.cost == sum(offer.cost for _, offer in found.bought)
    # By hand: queen is 84 x 92 with the drop; top 84 1/2 x 92 1/2 of 13 x 14 blocks and a border
    # of 3 or 4; batting 88 1/2 x 96 1/2 is in a packet of 90 x 108.
    names = {what: offer.ware.name for what, offer in found.bought}
    assert names["batting"] == "batting 90 x 108"
    assert names["backing"] == "extra-wide backing"
    assert found.not_offered == ()


def test_what_no_ware_would_do_for_is_said() -> None:
    twin = enough_for(plan(project()), Wish("king"), Units.INCHES)
    prices = USUAL_PRICES
    for name in ("extra-wide backing", "batting 120 x 120", "batting 90 x 108"):
        prices = prices.without(name)
    scarce = replace(
        next(w for w in prices.wares if w.name == "solid cotton, by the yard"), stock=Fraction(9)
    )
    prices = prices.with_ware("solid cotton, by the yard", scarce)
    question = shopping_question(twin, Units.INCHES, prices)
    assert question
    *_, found = question.run()
    assert "batting" in found.not_offered
    backing = next(lack for lack in found.lacks if lack.what == "backing")
    assert [offer.ware.name for offer in backing.offers] == [
        "quilting cotton, by the yard",
        "solid cotton, by the yard",
    ]


@pytest.mark.parametrize("key", ["baby", "twin", "queen"])
def test_enough_for_comes_nearest(key: str) -> None:
    """No other rows and columns with the same frame come nearer to the wish."""
    begun = plan(project())
    made = enough_for(begun, Wish(key), Units.INCHES)
    size = make_quilt(made, Units.INCHES).size
    off = size.purpose.distance(size.width, size.length)
    for rows in range(size.rows - 2, size.rows + 3):
        for columns in range(size.columns - 2, size.columns + 3):
            width = 6 * columns + 2 * size.border_width
            length = 6 * rows + 2 * size.border_width
            assert off <= size.purpose.distance(width, length)
