"""Log cabin: a centre, and rounds of two light logs and two dark ones.

    finished = (c - 2s) + 2 r (w - 2s)      c  centre as cut, r rounds, w log as cut

A log is as long as what it is sewn to; every log or two the block grows by w - 2s. With c = 2 1/2,
w = 1 3/4 and three rounds the light logs are 2 1/2, 3 3/4 ... 8 3/4, the dark ones 3 3/4 ... 10,
and the block is 10 unfinished. Source: handbook section 3.
"""

from fractions import Fraction

from kersey.core.blocks.recipe import BadRecipe, CutList, Options, Recipe, whole
from kersey.core.cutting.problem import Need

LIGHT, DARK = "light", "dark"


def _cut(finished: Fraction, options: Options, seam: Fraction) -> CutList:
    rounds = whole(options, "rounds", 1, 12)
    centre = options["centre"]
    if not isinstance(centre, int | Fraction) or not 2 * seam < centre <= 20:
        raise BadRecipe("block.options.centre", "a length more than two seams, like 2.5.")
    shows = (finished - (centre - 2 * seam)) / (2 * rounds)
    if shows <= 0:
        raise BadRecipe("block.finished", "the centre alone is larger than the block.")
    width = shows + 2 * seam
    needs = [Need("centre", DARK, Fraction(centre), Fraction(centre))]
    for turn in range(2 * rounds):
        needs.append(Need(f"light {turn + 1}", LIGHT, width, centre + turn * shows))
        needs.append(Need(f"dark {turn + 1}", DARK, width, centre + (turn + 1) * shows))
    return CutList(tuple(sorted(needs, key=lambda need: need.role != LIGHT)))


RECIPE = Recipe(
    id="log-cabin",
    title="Log cabin",
    finished=Fraction(19, 2),
    cut=_cut,
    options={"rounds": 3, "centre": Fraction(5, 2)},
    about="Rounds of two light and two dark logs; the centre is of the dark side.",
)
