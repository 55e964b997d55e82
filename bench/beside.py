"""Kersey beside a plain greedy packer and a naive integer model, on the same requests in one run.

greedy   rectpack's guillotine packer: pieces of m blocks into the fabrics, the largest m that it
         packs; it may cut in more stages than the rules allow
naive    one integer programme in HiGHS, solved cold: every strip of every piece of fabric is a
         variable, and how many of each piece lie in it

Only requests without print rules, with as much fabric as the naive model can hold.
"""

from collections.abc import Iterator
from fractions import Fraction
from math import ceil, lcm
from pathlib import Path
from time import perf_counter

import highspy
import rectpack
from rectpack.guillotine import GuillotineBssfSas

from kersey.core.cutting.problem import CuttingProblem, Fabric
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch
from kersey.formats.yield_request import read_request

FOLDER = Path(__file__).parent / "requests"
_NAIVE_SECONDS = 5.0
_MOST_COLUMNS = 25_000


def main() -> None:
    print(f"{'':<28}{'Kersey':>7}{'':>9}{'greedy':>8}{'':>9}{'naive':>7}")
    fewer = compared = 0
    for path in sorted(FOLDER.glob("*.json")):
        problem = read_request(path.read_bytes()).problem
        if problem.rules:
            continue
        compared += 1
        ours, our_time = _timed(lambda p: solve(p, Watch()).blocks, problem)
        packed, pack_time = _timed(_greedy, problem)
        naive, naive_time = _timed(_naive, problem)
        fewer += ours < max(packed, naive)
        mark = "  FEWER" if ours < max(packed, naive) else ""
        print(
            f"{path.stem:<28}{ours:>7}{our_time:>7.2f} s{packed:>8}{pack_time:>7.2f} s"
            f"{naive if naive >= 0 else 'too large':>10}{naive_time:>7.2f} s{mark}",
            flush=True,
        )
    print(f"\n{compared} requests compared; Kersey gave fewer blocks on {fewer}")


def _timed(how, problem: CuttingProblem) -> tuple[int, float]:  # type: ignore[no-untyped-def]
    begun = perf_counter()
    found = how(problem)
    return found, perf_counter() - begun


def _greedy(problem: CuttingProblem) -> int:
    """The most blocks that the packer packs, by doubling and halving."""
    low, high = 0, 1
    while _packs(problem, high):
        low, high = high, 2 * high
    while high - low > 1:
        middle = (low + high) // 2
        low, high = (middle, high) if _packs(problem, middle) else (low, middle)
    return low


def _packs(problem: CuttingProblem, blocks: int) -> bool:
    """Whether pieces for so many blocks are packed, those first that few fabrics may serve."""
    unit = _unit(problem)
    groups: dict[tuple[bool, ...], list[int]] = {}
    for number, need in enumerate(problem.needs):
        served = tuple(fabric.serves(need) for fabric in problem.fabrics)
        groups.setdefault(served, []).append(number)
    left = {fabric.name: fabric.count for fabric in problem.fabrics}
    for served, needs in sorted(groups.items(), key=lambda group: sum(group[0])):
        packer = rectpack.newPacker(
            mode=rectpack.PackingMode.Offline,
            pack_algo=GuillotineBssfSas,
            sort_algo=rectpack.SORT_AREA,
            rotation=not any(fabric.directional for fabric in problem.fabrics),
        )
        for number in needs:
            need = problem.needs[number]
            for _ in range(need.count * blocks):
                packer.add_rect(ceil(need.width / unit), ceil(need.height / unit))
        for fabric, may in zip(problem.fabrics, served, strict=True):
            if may and left[fabric.name]:
                size = int(fabric.width // unit), int(fabric.length // unit)
                packer.add_bin(*size, count=left[fabric.name], bid=fabric.name)
        packer.pack()
        wanted = sum(problem.needs[number].count for number in needs) * blocks
        if len(packer.rect_list()) < wanted:
            return False
        for bin_ in packer:
            left[bin_.bid] -= 1
    return True


def _naive(problem: CuttingProblem) -> int:
    """The most blocks of one integer programme; -1 when it would be too large to be built."""
    fabrics = [fabric for fabric in problem.fabrics for _ in range(fabric.count)]
    ways = [(fabric, along) for fabric in fabrics for along in _ways(fabric)]
    columns = sum(_strips(problem, *way) * (1 + 2 * len(problem.needs)) for way in ways)
    if columns > _MOST_COLUMNS:
        return -1
    model = highspy.Highs()  # type: ignore[no-untyped-call]
    model.silent()
    blocks = model.addIntegral(lb=0, obj=1)
    made = [[] for _ in problem.needs]  # type: ignore[var-annotated]
    for fabric in fabrics:
        chosen = []
        for along in _ways(fabric):
            used = model.addBinary()
            chosen.append(used)
            side, run = _sides(fabric, along)
            breadths = []
            for _ in range(_strips(problem, fabric, along)):
                breadth = model.addVariable(lb=0, ub=float(side))
                breadths.append(breadth)
                lying = []
                for number, wide, long in _pieces(problem, fabric, along):
                    most = int(run // long) if wide <= side else 0
                    if most:
                        some, there = model.addIntegral(lb=0, ub=most), model.addBinary()
                        model.addConstr(some <= most * there)
                        model.addConstr(breadth >= float(wide) * there)
                        lying.append((some, float(long)))
                        made[number].append(some)
                if lying:
                    model.addConstr(sum(some * long for some, long in lying) <= float(run) * used)
            if breadths:
                model.addConstr(sum(breadths) <= float(side) * used)
        model.addConstr(sum(chosen) <= 1)
    for need, pieces in zip(problem.needs, made, strict=True):
        if not pieces:
            return 0
        model.addConstr(sum(pieces) >= need.count * blocks)
    model.setOptionValue("time_limit", _NAIVE_SECONDS)
    model.maximize()
    values = model.getSolution().col_value
    return round(values[0]) if len(values) else 0


def _ways(fabric: Fabric) -> tuple[bool, ...]:
    return (True,) if fabric.is_strip else (True, False)


def _sides(fabric: Fabric, along: bool):  # type: ignore[no-untyped-def]
    return (fabric.width, fabric.length) if along else (fabric.length, fabric.width)


def _strips(problem: CuttingProblem, fabric: Fabric, along: bool) -> int:
    narrowest = min(min(need.width, need.height) for need in problem.needs)
    return int(_sides(fabric, along)[0] // narrowest)


def _pieces(problem: CuttingProblem, fabric: Fabric, along: bool) -> Iterator[tuple]:  # type: ignore[type-arg]
    for number, need in enumerate(problem.needs):
        if fabric.serves(need):
            upright = (need.width, need.height) if along else (need.height, need.width)
            yield number, *upright
            if not fabric.directional and need.width != need.height:
                yield number, *reversed(upright)


def _unit(problem: CuttingProblem) -> Fraction:
    sides = [side for need in problem.needs for side in (need.width, need.height)]
    return Fraction(1, lcm(*(side.denominator for side in sides)))


if __name__ == "__main__":
    main()
