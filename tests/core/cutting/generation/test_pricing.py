"""The price of a piece of fabric: as by trying every cut, and lists of ways leave nothing out."""

from collections import Counter

import numpy as np
from hypothesis import assume, given
from hypothesis import strategies as st
from tests.core.cutting.brute_force import ways_to_cut
from tests.core.cutting.made_up import problems

from kersey.core.cutting.generation.pricing import Pricer
from kersey.core.cutting.patterns import Kind, Pattern, class_of
from kersey.core.cutting.problem import CuttingProblem, Fabric
from kersey.core.cutting.watch import Watch

price = st.integers(0, 20)


def kind_of(problem: CuttingProblem, fabric: Fabric) -> Kind:
    serves = tuple(n for n, need in enumerate(problem.needs) if fabric.serves(need))
    size = int(fabric.width), int(fabric.length)
    return Kind(*size, fabric.count, serves, 0, fabric.directional, fabric.is_strip)


def pricer_of(problem: CuttingProblem) -> tuple[Pricer, list[Fabric]]:
    """With all fabrics that serve something, and these."""
    fabrics = [f for f in problem.fabrics if any(f.serves(need) for need in problem.needs)]
    assume(fabrics)
    needs = [(int(need.width), int(need.height)) for need in problem.needs]
    kinds = [kind_of(problem, fabric) for fabric in fabrics]
    return Pricer(needs, kinds, Watch()), fabrics


def fits(problem: CuttingProblem, fabric: Fabric, pattern: Pattern) -> bool:
    """Whether the strips of a pattern lie in the fabric and its pieces in the strips."""
    across, run = fabric.width, fabric.length
    if not pattern.along:
        across, run = run, across
    for strip in pattern.strips:
        left = run
        for need, on_its_side in strip.pieces:
            width, height = problem.needs[need].width, problem.needs[need].height
            thick, long = (height, width) if on_its_side else (width, height)
            if thick > strip.breadth or not fabric.serves(problem.needs[need]):
                return False
            # Along the length a piece of directional fabric stands upright, across it lies down.
            if fabric.directional and width != height and on_its_side == pattern.along:
                return False
            left -= long
        if left < 0:
            return False
    return sum(strip.breadth for strip in pattern.strips) <= across


@given(problems(), st.data())
def test_the_best_pattern_is_worth_what_trying_every_cut_gives(
    problem: CuttingProblem, data: st.DataObject
) -> None:
    pricer, fabrics = pricer_of(problem)
    prices = data.draw(st.lists(price, min_size=len(problem.needs), max_size=len(problem.needs)))
    best = pricer.best(np.array([prices], dtype=float))
    for number, fabric in enumerate(fabrics):
        worths = [
            sum(p * made for p, made in zip(prices, way, strict=True))
            for way in ways_to_cut(problem, fabric)
        ]
        assert max(worth for worth, kind, _ in best if kind == number) == max(worths)
    for pair, (worth, kind, along) in enumerate(best):
        pattern = pricer.pattern(pair)
        made = Counter(need for strip in pattern.strips for need, _ in strip.pieces)
        assert sum(prices[need] * count for need, count in made.items()) == worth
        assert (pattern.along, fits(problem, fabrics[kind], pattern)) == (along, True)


@given(problems(), st.data())
def test_ways_near_the_best_are_all_that_are_worth_as_much(
    problem: CuttingProblem, data: st.DataObject
) -> None:
    """Listed by searching with a bound, and by listing all and leaving out what is worth less."""
    pricer, _ = pricer_of(problem)
    prices = np.array([[data.draw(price) for _ in problem.needs]], dtype=float)
    pricer.best(prices)
    slack = data.draw(st.integers(0, 15))
    for kind, along in pricer.ways:
        fabric = pricer.kinds[kind]
        run = fabric.length if along else fabric.width
        strip_class = class_of(fabric, along)
        frames = {}
        for frame in pricer.frames(kind, along, 10_000) or []:
            frames[frame] = sum(pricer.strip_worth((strip_class, b, run)) for b in frame)
        most = max(frames.values(), default=0.0)
        near = pricer.near_frames(kind, along, most - slack, 10_000)
        assert near is not None
        assert sorted(near) == sorted(f for f, worth in frames.items() if worth >= most - slack)
        for breadth in pricer.breadths:
            key = (strip_class, breadth, run)
            all_ways = pricer.fillings(*key, 10_000) or []
            best = pricer.strip_worth(key)
            worth_of_run = runs_priced(pricer, kind, along, breadth, prices[0].tolist())
            priced = {way: sum(worth_of_run[length] for length in way) for way in all_ways}
            found = pricer.near_fillings(key, prices, slack, 10_000)
            assert found is not None
            wanted = sorted(way for way, worth in priced.items() if worth >= best - slack)
            assert sorted(found) == wanted


def runs_priced(
    pricer: Pricer, kind: int, along: bool, breadth: int, prices: list[float]
) -> dict[int, float]:
    """What the dearest piece of each run is worth that fits into a strip of this breadth."""
    fabric = pricer.kinds[kind]
    found: dict[int, float] = {}
    for need in fabric.serves:
        width, height = pricer.needs[need]
        for thick, long, turned in ((width, height, False), (height, width, True)):
            if turned and fabric.directional and along and width != height:
                continue
            if not turned and fabric.directional and not along and width != height:
                continue
            if thick <= breadth:
                found[long] = max(found.get(long, 0.0), prices[need])
    return found
