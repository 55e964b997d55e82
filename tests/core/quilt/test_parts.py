"""The parts of random quilts: what one page says of a part, every other says too.

the sums say to buy  =  the list buys  =  the sheet cuts from bought cloth
the sheet cuts       =  Finish asks for  =  what is put away and booked
"""

from dataclasses import replace
from fractions import Fraction
from functools import cache

import pytest
from hypothesis import example, given
from hypothesis import strategies as st
from tests.core.quilts import part_of, plan, project

from kersey.core.blocks.choice import BlockChoice
from kersey.core.finish.border_steps import borders_sewn
from kersey.core.finish.cost import quilt_cost
from kersey.core.finish.edge_steps import binding_pieces, edge_plan
from kersey.core.frame.borders import Corners
from kersey.core.frame.edge import EdgeStyle, cut_bias
from kersey.core.frame.part import PartKind
from kersey.core.frame.sashing import NO_SASHING, Sashing
from kersey.core.frame.setting import Setting
from kersey.core.leaving.put_away import put_away
from kersey.core.measure.length import Units
from kersey.core.planning.plan_question import regridded
from kersey.core.project.design import Design
from kersey.core.project.project import Project
from kersey.core.quilt.parts import Part, Source
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.quilt.shopping import ShoppingQuestion
from kersey.core.quilt.sums import part_sums, pulled_fabric
from kersey.core.stash.cupboard import CupboardLot
from kersey.core.stash.price_list import USUAL_PRICES
from kersey.core.stash.pulled import Pulled, Role, all_of
from kersey.core.stash.quick_entry import take_line
from kersey.core.work.step_words import step_words
from kersey.core.work.work_order import StepKind, work_order

F = Fraction
# What may be pulled for a part: plenty, too little, pieces, and cloth of several prints.
CLOTH = {
    Role.BORDER: ("3 yd navy", "1/4 yd navy", "6 fat quarters, 3 prints", "3 yd navy + 3 yd red"),
    Role.SASHING: ("2 yd ash", "1/4 yd ash", "8 fat quarters, 8 prints"),
    Role.SETTING: ("4 yd linen", "20 ten-inch squares, 5 prints"),
    Role.BINDING: ("1 yd rust", "1/4 yd rust", "5 fat quarters, 1 print"),
    Role.BACKING: ("9 yd grey", "2 yd grey", "3 yd backing 108 wide"),
    Role.BATTING: ("batting 120 x 120", "batting 30 x 30"),
}
WIDTHS = st.sampled_from([F(1), F(3, 2), F(2), F(4)])


@cache
def planned() -> Project:
    return plan(project())


def pulled(role: Role, lines: str) -> list[Pulled]:
    found = []
    for line in lines.split(" + "):
        lot = take_line(line).lot
        assert lot is not None
        found += [replace(each, roles=(role,)) for each in all_of(CupboardLot(line, lot))]
    return found


DESIGNS = st.builds(
    Design,
    block=st.just(planned().design.block),
    rows=st.integers(3, 9),
    columns=st.integers(3, 8),
    setting=st.sampled_from(Setting),
    sashing=st.one_of(
        st.just(NO_SASHING),
        st.builds(Sashing, WIDTHS, st.booleans(), st.booleans()),
        st.builds(Sashing, WIDTHS, rows_only=st.just(True)),
    ),
    border_width=st.one_of(st.just(F(0)), WIDTHS),
    outer_borders=st.lists(WIDTHS, max_size=3).map(tuple),
    key=st.sampled_from([F(0), F(0), F(2), F(5, 2)]),
    corners=st.sampled_from(list(Corners)),
    sides_first=st.booleans(),
    border_from_left=st.booleans(),
    binding_from_left=st.booleans(),
    edge_style=st.sampled_from(list(EdgeStyle)),
    margin=st.sampled_from([F(2), F(4)]),
)
PULLED = st.fixed_dictionaries(
    {}, optional={role: st.sampled_from(lines) for role, lines in CLOTH.items()}
)
# A roll of 40 strips, cloth for border and backing, sashing with cornerstones, borders 3, 2 and 3.
SEEN = Design(
    block=planned().design.block,
    sashing=Sashing(F(1), cornerstones=True),
    border_width=F(3),
    outer_borders=(F(2), F(3)),
    corners=Corners.SQUARES,
)
SEEN_PULLED = {Role.BORDER: "3 yd navy + 3 yd red", Role.BACKING: "9 yd grey"}


def framed(design: Design, cloth: dict[Role, str]) -> Quilt:
    more = [each for role, lines in cloth.items() for each in pulled(role, lines)]
    of = replace(planned(), design=design, fabrics=(*planned().fabrics, *more))
    return make_quilt(regridded(of, Units.INCHES))


@given(DESIGNS, PULLED)
@example(SEEN, SEEN_PULLED)
def test_what_is_bought_is_said_once(design: Design, cloth: dict[Role, str]) -> None:
    quilt = framed(design, cloth)
    sums: dict[PartKind, Fraction] = {}
    for row in part_sums(quilt):
        if row.kind is not None:
            sums[row.kind] = sums.get(row.kind, F(0)) + row.bought
    lacks: dict[PartKind, Fraction] = {}
    for part in quilt.parts:
        check_part(part)
        if part.kind is not PartKind.BATTING:
            lacks[part.kind] = lacks.get(part.kind, F(0)) + part.lacks
    assert sums == lacks
    # What the list names, and what the quilt is said to have cost, is just what is short.
    short = [part.name for part in quilt.parts if not part.enough]
    bolts = replace(USUAL_PRICES, wares=tuple(w for w in USUAL_PRICES.wares if w.off_the_bolt))
    *_, listed = ShoppingQuestion("", quilt.project, quilt.units, bolts).run()
    assert [lack.what for lack in listed.lacks if "for blocks" not in lack.what] == short
    for lack in listed.lacks:
        wanted = [p.lacks for p in quilt.parts if p.name == lack.what and p.layer is None]
        narrow = [offer for offer in lack.offers if offer.ware.width < 100]
        assert not wanted or all(offer.quantity >= wanted[0] for offer in narrow)
    bought = [what for what, _ in quilt_cost(quilt, bolts).lines if what.endswith(", bought")]
    assert set(bought) <= {f"{name}, bought" for name in short}


def check_part(part: Part) -> None:
    """Of its cloth enough or not, and strips that are long enough for what is cut of them."""
    assert part.enough == (
        part.cloth.source is Source.LEFT
        or (
            part.cloth.source is Source.PULLED
            and not part.lacks
            and bool(part.layer is None or part.kind is PartKind.BACKING or part.layer.sheet)
        )
    )
    if part.cloth.source is Source.BOUGHT and part.layer is None:
        assert part.lacks == part.takes > 0
    for cut in part.cuts:
        total = sum(cut.runs, F(0))
        joins = (len(cut.runs) - 1) * cut.cut.join if cut.joined else F(0)
        assert total - joins >= cut.cut.length


@given(DESIGNS, PULLED)
@example(SEEN, SEEN_PULLED)
def test_what_is_cut_is_what_is_sewn_on_and_put_away(
    design: Design, cloth: dict[Role, str]
) -> None:
    quilt = framed(design, cloth)
    # Finish asks for the borders that the sheet has cut, as long as nothing was measured.
    for (border, part), sewn in zip(quilt.framing, borders_sewn(quilt, quilt.project), strict=True):
        assert {pair.cut_width for pair in sewn.pairs} == {part.cut_width}
        if border.key is None:
            # A strip is cut to the nearest eighth of what was measured.
            asked = sum(2 * pair.cut_length for pair in sewn.pairs)
            assert abs(asked - part.length) <= F(1, 4)
    binding = quilt.part(PartKind.BINDING)
    if binding is not None:
        pieces = binding_pieces(binding, quilt.scheme.top)
        edge = edge_plan(
            design.edge,
            quilt.scheme.top,
            quilt.kept.seam,
            design.usable_width,
            Units.INCHES,
            pieces,
        )
        assert sorted(edge.strips) == sorted(binding.cuts[0].runs)
    # Of every fabric that was opened, all is in the quilt, kept, or lost: nothing twice.
    away = put_away(quilt)
    booked = {fate.pulled.key: fate for fate in away.fates if not fate.pulled.for_blocks}
    assert set(booked) == {each.pulled.key for each in quilt.opened}
    for each in quilt.opened:
        fate = booked[each.pulled.key]
        assert fate.pulled.cut == each.count
        assert fate.used == each.used
        assert min(fate.used, fate.kept, fate.lost) >= 0
        area = each.count * each.pulled.kept.lot.piece_area(each.pulled.stack)
        assert fate.used + fate.kept + fate.lost == area
    # All that a part takes of pulled cloth is booked: its pieces, less what is bought.
    for role in (Role.SETTING, Role.SASHING, Role.BORDER):
        of_role = [
            p
            for p in quilt.frame.parts
            if Role(_ROLE.get(p.kind, role)) is role
            and p.kind in _ROLE
            and p.cloth.source is Source.PULLED
        ]
        if of_role and all(part.enough for part in of_role):
            used = sum(e.used for e in quilt.opened if e.pulled.roles == (role,))
            assert used == sum(
                piece.count * piece.cut_width * piece.cut_length
                for part in of_role
                for piece in part.pieces
            )
    whole = pulled_fabric(quilt)
    assert whole.trimmings >= 0


_ROLE = {
    PartKind.SETTING: Role.SETTING,
    PartKind.SASHING: Role.SASHING,
    PartKind.BORDER: Role.BORDER,
    PartKind.KEYS: Role.BORDER,
}


# By hand: borders of 3, 2 and 3 with corner squares take six, seven and seven strips of two prints
# in turn: navy gives the first and the third, and red the second.
def test_borders_take_the_prints_that_are_pulled_in_turn() -> None:
    quilt = framed(SEEN, SEEN_PULLED)
    borders = [part for _, part in quilt.framing]
    assert [part.cloth.names for part in borders] == [("navy",), ("red",), ("navy",)]
    assert all(part.enough for part in borders)
    assert [part.name for part in quilt.to_buy] == [
        "sashing",
        "cornerstones",
        "corner squares",
        "binding",
        "batting",
    ]


@pytest.mark.parametrize("roles", [(Role.ANY, Role.BORDER), (Role.BORDER, Role.BINDING)])
def test_cloth_with_two_uses_is_not_counted_twice(roles: tuple[Role, ...]) -> None:
    """A length that serves both is used up by the first; what is left of it gives the other."""
    lot = take_line("1/4 yd navy").lot
    assert lot is not None
    both = [replace(p, roles=roles) for p in all_of(CupboardLot("navy", lot))]
    design = replace(SEEN, binding_from_left=False)
    of = replace(planned(), design=design, fabrics=(*planned().fabrics, *both), plan=None)
    quilt = make_quilt(plan(of))
    navy = [part for part in quilt.parts if "navy" in part.cloth.names]
    there = F(9) * 42
    assert sum(each.used for each in quilt.opened) <= there
    assert all(not part.enough for part in navy)


# On the bias a length gives what `cut_bias` says; pieces are no length, and told by their prints.
@pytest.mark.parametrize(("line", "of_length"), [("1 yd rust", True), ("9 fat quarters", False)])
def test_what_a_binding_takes_is_off_a_length_or_of_pieces(line: str, of_length: bool) -> None:
    design = replace(SEEN, edge_style=EdgeStyle.BIAS, border_width=F(0), outer_borders=(),
                     sashing=NO_SASHING)  # fmt: skip
    quilt = framed(design, {Role.BINDING: line})
    binding = part_of(quilt, PartKind.BINDING)
    cut = cut_bias(binding.length, binding.cut_width, F(42))
    assert binding.enough
    assert binding.takes == (cut.cloth if of_length else 0)
    (step,) = (step for step in work_order(quilt) if step.kind is StepKind.BINDING)
    said = step_words(step, quilt).sentences[0]
    assert said.startswith("This uses" if of_length else "Use the ")


def test_plain_bricks_are_cut_of_one_fat_quarter_after_another() -> None:
    """Bricks of 5 x 8: a fat quarter of 17 1/2 x 21 gives six in strips of 5. Seventeen, in turn
    with eighteen others, take three of six; none is bought."""
    brick = BlockChoice("window-brick", (F(9, 2), F(15, 2))).with_option("windows", 1)
    of = project(
        "10 fat quarters, 10 prints + 6 fat quarters, 6 prints",
        block=brick,
        setting=Setting.ALTERNATE,
        rows=7,
        columns=5,
    )
    plain = tuple(replace(each, roles=(Role.SETTING,)) for each in of.fabrics[10:])
    quilt = make_quilt(plan(replace(of, fabrics=(*of.fabrics[:10], *plain))))
    part = part_of(quilt, PartKind.SETTING)
    assert [(p.count, p.cut_width, p.cut_length) for p in part.pieces] == [(17, 5, 8)]
    assert (part.enough, part.joined, part.cloth.source) == (True, False, Source.PULLED)
    assert [end.count for end in quilt.opened if end.part is PartKind.SETTING] == [1, 1, 1]
