"""What a print fades into: the line it lies against is measured, and values are told apart."""

from dataclasses import replace
from fractions import Fraction

import pytest
from tests.core.quilts import plan, project

from kersey.core.cloth.colour import lightness
from kersey.core.cloth.fabric import Fact, Motif, Print, Swatch, Value
from kersey.core.frame.part import PartKind
from kersey.core.frame.sashing import Sashing
from kersey.core.frame.setting import Setting
from kersey.core.measure.length import Units
from kersey.core.planning.plan_question import regridded
from kersey.core.project.bought import BoughtFor
from kersey.core.project.design import Design
from kersey.core.quilt.quilt import Quilt, make_quilt
from kersey.core.quilt.tryout import (
    Reads,
    contrast,
    parts_to_try,
    tried,
    wants_stopping_border,
    with_stopping_border,
)
from kersey.core.stash.pulled import Pulled

F = Fraction


def plain(colour: str) -> Print:
    return Print(f"plain {colour}", Value.MEDIUM, Swatch(Motif.PLAIN, colour, colour))


def quilt_of(design: Design, cloth: Print) -> Quilt:
    """A quilt whose blocks are all of one print."""
    made = regridded(replace(plan(project()), design=design), Units.INCHES)
    return make_quilt(replace(made, fabrics=tuple(dyed(p, cloth) for p in made.fabrics)))


def dyed(pulled: Pulled, cloth: Print) -> Pulled:
    lot = pulled.kept.lot.with_stack(pulled.place, replace(pulled.stack, print=cloth))
    return pulled.with_kept(replace(pulled.kept, lot=lot))


FRAMED = Design(rows=8, columns=7, border_width=F(4))
BLACK, WHITE = plain("#0a0a0a"), plain("#fafafa")


@pytest.mark.parametrize(
    "design",
    [
        FRAMED,
        replace(FRAMED, sashing=Sashing(F(2))),
        replace(FRAMED, setting=Setting.ALTERNATE, rows=9),
    ],
)
def test_a_print_fades_into_its_like_alone(design: Design) -> None:
    quilt = quilt_of(design, BLACK)
    for part, own in ((PartKind.SASHING, BLACK), (PartKind.SETTING, BLACK)):
        quilt = tried(quilt, part, own)
    assert contrast(quilt, PartKind.BORDER, plain("#141414")).fades == 1
    assert contrast(quilt, PartKind.BORDER, WHITE).fades == 0
    unseen = replace(WHITE, filled_in=frozenset({Fact.COLOUR}))
    assert contrast(quilt, PartKind.BORDER, unseen).reads is Reads.UNKNOWN


def test_plain_squares_have_their_share_of_the_edge() -> None:
    """9 x 7, every other place plain: 14 of the 32 sides along the edge, counted by hand."""
    quilt = quilt_of(replace(FRAMED, setting=Setting.ALTERNATE, rows=9), BLACK)
    quilt = tried(quilt, PartKind.SETTING, WHITE)
    # Two blocks in each corner row more than plain squares: 5 + 5 + 4 + 4 of 9 + 9 + 7 + 7.
    assert contrast(quilt, PartKind.BORDER, WHITE).fades == pytest.approx(14 / 32)
    assert contrast(quilt, PartKind.BORDER, WHITE).reads is Reads.IN_PLACES


def test_what_lies_round_the_blocks_is_what_counts() -> None:
    framed = quilt_of(replace(FRAMED, sashing=Sashing(F(2), framed=True)), BLACK)
    framed = tried(framed, PartKind.SASHING, WHITE)
    assert contrast(framed, PartKind.BORDER, WHITE).fades == 1
    assert contrast(framed, PartKind.SASHING, WHITE).fades == 0
    on_point = tried(
        quilt_of(replace(FRAMED, setting=Setting.ON_POINT), BLACK), PartKind.SETTING, WHITE
    )
    assert contrast(on_point, PartKind.BORDER, WHITE).fades == 1
    assert contrast(tried(framed, PartKind.BORDER, BLACK), PartKind.BINDING, BLACK).fades == 1
    assert parts_to_try(framed) == [PartKind.BORDER, PartKind.SASHING, PartKind.BINDING]


def test_a_stopping_border_is_proposed_and_sewn_on_first() -> None:
    quilt = quilt_of(FRAMED, BLACK)
    assert wants_stopping_border(tried(quilt, PartKind.BORDER, WHITE)) is None
    fading = tried(quilt, PartKind.BORDER, BLACK)
    assert wants_stopping_border(fading)
    made = with_stopping_border(fading)
    assert (made.design.border_width, made.design.outer_borders) == (1, (4,))
    assert made.bought[BoughtFor.OUTER] == BLACK
    assert lightness(made.bought[BoughtFor.BORDER].swatch.blend) > 70
    assert wants_stopping_border(make_quilt(regridded(made, Units.INCHES))) is None


def test_no_advice_rests_on_a_border_nobody_chose() -> None:
    quilt = quilt_of(FRAMED, BLACK)
    border = quilt.part(PartKind.BORDER)
    assert border is not None
    # Cloth to buy is shown in a stand-in, dark like the blocks; that it fades says nothing.
    assert contrast(quilt, PartKind.BORDER, border.cloth.prints[0]).reads is Reads.UNKNOWN
    assert wants_stopping_border(quilt) is None
