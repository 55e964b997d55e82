"""Whole quilts: the best found is the best there is, and parts are cut beside the blocks."""

from collections.abc import Sequence
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.nights import examples

from kersey.core.blocks.choice import BlockChoice
from kersey.core.cloth.forms import Form
from kersey.core.cutting.checker import faults
from kersey.core.cutting.problem import CuttingPlan, CuttingProblem, Fabric
from kersey.core.frame.borders import Corners
from kersey.core.frame.edge import Edge, EdgeStyle
from kersey.core.frame.purposes import Wish
from kersey.core.frame.sashing import Sashing
from kersey.core.frame.setting import Setting
from kersey.core.measure.workshop import Workshop
from kersey.core.quilt.parts_cut import PartNeeds, part_needs, pieces_cut, strip_lengths
from kersey.core.whole.candidate import CanBeHad, beside_plan, candidate_of
from kersey.core.whole.joint_search import QuiltQuestion, best_quilts, every_quilt
from kersey.core.whole.scheme_score import Aim, BadWeights, Judge
from kersey.core.whole.scheme_space import Space

F = Fraction
SASHINGS = (Sashing(), Sashing(F(2)), Sashing(F(3, 2), cornerstones=True))
EVERYTHING = frozenset({"border", "sashing", "binding", "backing", "background"})


def roll(strips: int) -> tuple[Fabric, ...]:
    return tuple(Fabric(f"p{n}", f"p{n}", F(5, 2), F(42), form=Form.STRIP) for n in range(strips))


def quarters(count: int, first: str = "") -> tuple[Fabric, ...]:
    """Fat quarters, the first of them for one role."""
    return tuple(
        Fabric(
            f"q{n}",
            f"q{n}",
            F(35, 2),
            F(21),
            1,
            frozenset({first} if first and n == 0 else ()),
            form=Form.FAT_QUARTER,
        )
        for n in range(count)
    )


def asked(
    fabrics: tuple[Fabric, ...],
    recipe: str,
    space: Space,
    aim: Aim = Aim.BALANCED,
    may_buy: frozenset[str] = EVERYTHING,
) -> QuiltQuestion:
    block = BlockChoice(recipe)
    cut = block.assembly(F(1, 4))
    tally = block.tally(F(1, 4))
    problem = CuttingProblem(cut.needs, fabrics, cut.rules, cut.batch, cut.sets, tally)
    assert cut.finished is not None
    found = candidate_of(block, problem, cut.finished, frozenset({"background"}), Workshop())
    candidates = (found,) if found else ()
    return QuiltQuestion(
        fabrics,
        candidates,
        (space,),
        Judge(aim, Wish().purposes()),
        may_buy,
        Workshop(),
        any_backing=aim is Aim.NO_BUYING,
    )


FABRICS = st.one_of(
    st.integers(5, 12).map(roll),
    st.builds(quarters, st.integers(2, 4), st.sampled_from(["", "border-1", "sashing", "binding"])),
)
SPACES = st.builds(
    Space,
    key=st.sampled_from([F(0), F(0), F(2)]),
    setting=st.sampled_from(list(Setting)),
    sashings=st.sampled_from([SASHINGS[:1], SASHINGS[:2], SASHINGS]),
    border_widths=st.just((F(3, 2), F(3))),
    most_borders=st.integers(0, 1),
    corners=st.sampled_from(list(Corners)),
    sides_first=st.booleans(),
    edge=st.sampled_from(
        [Edge(), Edge(EdgeStyle.BIAS), Edge(EdgeStyle.TURNED, F(1)), Edge(EdgeStyle.FOLDED, F(1))]
    ),
)


@examples(8)
@given(
    FABRICS,
    st.sampled_from(["rails", "half-square", "brick"]),
    SPACES,
    st.sampled_from([Aim.BALANCED, Aim.LARGEST, Aim.LEAST_WASTE, Aim.NO_BUYING]),
    st.sampled_from([EVERYTHING, EVERYTHING - {"binding"}]),
)
def test_the_best_is_the_best_of_all(
    fabrics: tuple[Fabric, ...], recipe: str, space: Space, aim: Aim, may_buy: frozenset[str]
) -> None:
    """Against every scheme worked out one by one."""
    question = asked(fabrics, recipe, space, aim, may_buy)
    if not question.candidates:
        return
    answer = best_quilts(question)
    scores = [quilt.score for quilt in every_quilt(question)]
    assert answer.complete
    assert bool(scores) == bool(answer.quilts)
    if answer.quilts:
        assert answer.quilts[0].score == pytest.approx(max(scores), abs=1e-12)
        assert answer.considered >= len(scores)


class OneAfterTheOther(CanBeHad):
    """The blocks first, as many as there are; parts of what is left."""

    def cut(self, blocks: int, parts: Sequence[PartNeeds]) -> tuple[CuttingPlan, ...] | None:
        most = self.candidate.most
        left = tuple(
            Fabric(
                f"left {n} {m}",
                layout.fabric.print,
                width,
                length,
                layout.copies,
                layout.fabric.roles,
                form=layout.fabric.form,
            )
            for n, layout in enumerate(most.layouts)
            for m, (width, length) in enumerate(layout.left)
        )
        cloth = (*self.fabrics, *left)
        needs = [
            part_needs(p.part, strip_lengths(p.part.role, p.part.cut_width, cloth)) for p in parts
        ]
        return beside_plan(most, cloth, [each for each in needs if each])


@pytest.mark.parametrize("fabrics", [roll(24), quarters(10), quarters(9, "border-1")])
def test_joint_is_never_worse_than_one_after_the_other(fabrics: tuple[Fabric, ...]) -> None:
    space = Space(sashings=SASHINGS, border_widths=(F(2), F(3)), most_borders=1)
    question = asked(fabrics, "rails", space)
    joint, apart = best_quilts(question), best_quilts(question, OneAfterTheOther)
    assert joint.quilts[0].score >= apart.quilts[0].score


def test_every_part_from_the_stash_is_cut_from_it() -> None:
    """The binding of all eight quilts comes off the roll, or is bought; never both."""
    question = asked(roll(30), "rails", Space(sashings=SASHINGS))
    for quilt in best_quilts(question).quilts:
        assert [fault for plan in quilt.plans for fault in faults(plan)] == []
        bought = {sourced.part.name for sourced in quilt.parts if sourced.bought}
        for needs in quilt.needs:
            assert needs.part.name not in bought
            pieces = [p for plan in quilt.plans for p in pieces_cut(plan, needs)]
            if needs.joined:
                there = sum((length - needs.part.join for _, length in pieces), needs.part.join)
                assert there >= needs.part.length
            else:
                assert len(pieces) == sum(piece.count for piece in needs.part.pieces)


def test_weights_of_ones_own_decide() -> None:
    space = Space(sashings=SASHINGS[:1])
    question = asked(roll(30), "rails", space)
    largest = Judge(purposes=Wish().purposes(), own_weights={"size": 1})
    best = best_quilts(
        QuiltQuestion(question.fabrics, question.candidates, (space,), largest, EVERYTHING)
    ).quilts[0]
    # Sixty blocks are 6 x 10, longer and narrower than anybody asked for.
    assert (best.scheme.columns, best.scheme.rows) == (7, 8)
    with pytest.raises(BadWeights, match="isn't one of"):
        Judge(own_weights={"love": 1})
