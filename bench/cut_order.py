"""How often ruler and cloth are changed, in each order, beside the plain ones.

`piece by piece` cuts every piece of cloth alone; `stack by stack` makes all cuts of a stack before
the next is taken in hand.
"""

from time import perf_counter

from tests.core.quilts import quilt

from kersey.core.blocks.choice import BlockChoice
from kersey.core.project.design import CutOrder
from kersey.core.work.at_table import (
    cloths_in_hand,
    cuts_at_table,
    kits_of,
    settings,
    settings_one_by_one,
)
from kersey.core.work.work_order import work_order

_CASES = (
    ("20 fat quarters, 20 prints", "log-cabin"),
    ("40 fat quarters, 40 prints", "rails"),
    ("40 fat quarters, 40 prints", "window-brick"),
    ("12 light fat quarters + 12 dark fat quarters", "nine-patch"),
    ("3 rolls of 40 strips, 40 prints", "log-cabin"),
)


def main() -> None:
    print(f"{'':22}{'':24}{'ruler':>7}{'cloth':>7}{'stacks: ruler':>15}{'cloth':>7}{'pieces':>8}")
    for said, block in _CASES:
        of = quilt(said, block=BlockChoice(block))
        steps, kits = work_order(of), kits_of(of)
        for order in CutOrder:
            begun = perf_counter()
            cuts = cuts_at_table(steps, 4, order, kits)
            took = perf_counter() - begun
            stacks = dict.fromkeys(cut.stack for cut in cuts)
            plain = [cut for stack in stacks for cut in cuts if cut.stack == stack]
            print(
                f"{block:<22}{order.value:<24}{settings(cuts):>7}{cloths_in_hand(cuts):>7}"
                f"{settings(plain):>15}{cloths_in_hand(plain):>7}"
                f"{settings_one_by_one(steps):>8}{took:>8.2f} s"
            )


if __name__ == "__main__":
    main()
