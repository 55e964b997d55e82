"""The most blocks of every request in bench/requests: are they proved, and how long does it take?

Process start is not counted. Every plan is judged by the checker.
"""

import statistics
from pathlib import Path
from time import perf_counter

from kersey.core.cutting.checker import faults
from kersey.core.cutting.problem import CuttingPlan
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch
from kersey.formats.yield_request import read_request

FOLDER = Path(__file__).parent / "requests"


def main() -> None:
    taken: dict[str, float] = {}
    plans: dict[str, CuttingPlan] = {}
    for path in sorted(FOLDER.glob("*.json")):
        problem = read_request(path.read_bytes()).problem
        begun = perf_counter()
        plans[path.stem] = solve(problem, Watch())
        taken[path.stem] = perf_counter() - begun
        found = faults(plans[path.stem])
        plan = plans[path.stem]
        mark = "proved" if plan.proved else f"at most {plan.bound}"
        wrong = f"  WRONG: {found[0]}" if found else ""
        print(f"{path.stem:<28}{plan.blocks:>6} {mark:<14}{taken[path.stem]:>7.2f} s{wrong}")
    _sum_up(plans, taken)


def _sum_up(plans: dict[str, CuttingPlan], taken: dict[str, float]) -> None:
    proved = sum(plan.proved for plan in plans.values())
    far = [
        name for name, plan in plans.items() if plan.bound - plan.blocks > max(1, 0.01 * plan.bound)
    ]
    simple = [s for name, s in taken.items() if name.startswith(("roll", "bundle", "squares"))]
    print(f"\n{len(plans)} requests: {proved} proved ({100 * proved / len(plans):.0f} %)")
    print(f"farther than one block or 1 % from the bound: {', '.join(far) or 'none'}")
    print(f"median {statistics.median(taken.values()):.2f} s, longest {max(taken.values()):.2f} s")
    print(
        f"rolls and bundles: median {statistics.median(simple):.2f} s, longest {max(simple):.2f} s"
    )


if __name__ == "__main__":
    main()
