"""Made fabric: what crumbs come to once they are sewn into a sheet and shapes are cut from it.

Every crumb is sewn in as it is. How many shapes come of them is estimated by area, carefully; the
bound is what the cloth has area for if not one seam were sewn. Source: docs/trade.md section 7.
"""

from fractions import Fraction

from kersey.core.cutting.problem import Cut, CuttingPlan, CuttingProblem, Layout, Need
from kersey.core.cutting.tally import WASTEFUL, Crumbs

CRUMB = "crumb"


def solve_crumbs(problem: CuttingProblem) -> CuttingPlan:
    """The shapes that may be counted on, of all crumbs together."""
    tally = problem.tally
    assert isinstance(tally, Crumbs)
    fabrics = [f for f in problem.fabrics if f.serves(problem.needs[0])]
    sizes = [(f.width, f.length) for f in fabrics for _ in range(f.count)]
    shapes = tally.shapes(sizes, WASTEFUL)
    gross = sum((w * h for w, h in sizes), Fraction(0))
    bound = max(shapes, int(gross // tally.shape))
    layouts = tuple(
        Layout(f, f.count, (_whole(number, f.width, f.length),), ())
        for number, f in enumerate(fabrics, 1)
    )
    return CuttingPlan(problem, shapes, bound, layouts if shapes else ())


def _whole(number: int, width: Fraction, length: Fraction) -> Cut:
    need = Need(f"{number}", CRUMB, width, length)
    return Cut(need, Fraction(0), Fraction(0), width, length)
