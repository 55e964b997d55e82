"""How time and memory grow with the pieces of fabric: 10 to 10,000, all alike and all different.

Every case runs in a process of its own, so that its peak memory is its own; the time is that of
the search and of the check of its plan, without process start and imports. Draws docs/growth.svg.
"""

import resource
import subprocess
import sys
from fractions import Fraction
from pathlib import Path
from random import Random
from time import perf_counter

import matplotlib.pyplot as plt

from kersey.core.blocks.choice import BlockChoice
from kersey.core.cutting.checker import faults
from kersey.core.cutting.problem import CuttingProblem, Fabric
from kersey.core.cutting.solver import solve
from kersey.core.cutting.watch import Watch

PICTURE = Path(__file__).parent.parent / "docs" / "growth.svg"
_SIZES = (10, 100, 1_000, 10_000)
_KINDS = ("alike", "different")
_BLOCKS = ("nine-patch", "log-cabin")


def main() -> None:
    if len(sys.argv) > 1:
        _one(sys.argv[1], sys.argv[2], int(sys.argv[3]))
        return
    found: dict[tuple[str, str], list[tuple[int, float, float]]] = {}
    for block in _BLOCKS:
        for kind in _KINDS:
            for pieces in _SIZES:
                command = [sys.executable, "-m", "bench.growth", block, kind, str(pieces)]
                said = subprocess.run(command, capture_output=True, text=True, check=True).stdout
                blocks, bound, seconds, megabytes = said.split()
                row = (pieces, float(seconds), float(megabytes))
                found.setdefault((block, kind), []).append(row)
                print(
                    f"{block:<12}{kind:<11}{pieces:>7} pieces {blocks:>7} of at most {bound:<7}"
                    f"{float(seconds):>7.2f} s {float(megabytes):>7.0f} MB",
                    flush=True,
                )
    _draw(found)


def _one(block: str, kind: str, pieces: int) -> None:
    cut = BlockChoice(block).assembly(Fraction(1, 4))
    problem = CuttingProblem(cut.needs, tuple(_fabrics(kind, pieces)))
    begun = perf_counter()
    plan = solve(problem, Watch())
    found = faults(plan)
    seconds = perf_counter() - begun
    if found:
        raise SystemExit(found[0])
    memory = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024
    print(plan.blocks, plan.bound, seconds, memory)


def _fabrics(kind: str, pieces: int) -> list[Fabric]:
    """Fat quarters, light and dark; or scraps of as many sizes as there are, in eighths."""
    if kind == "alike":
        return [
            Fabric(role, role, Fraction(35, 2), Fraction(21), pieces // 2, frozenset({role}))
            for role in ("light", "dark")
        ]
    random = Random(pieces)
    sizes = [(w, h) for w in range(24, 200) for h in range(w, 200)]
    return [
        Fabric(str(n), str(n), Fraction(w, 8), Fraction(h, 8), 1, frozenset({role}))
        for n, (w, h) in enumerate(random.sample(sizes, pieces))
        for role in ("light" if n % 2 else "dark",)
    ]


def _draw(found: dict[tuple[str, str], list[tuple[int, float, float]]]) -> None:
    plt.rcParams["svg.hashsalt"] = "kersey"
    figure, (time, memory) = plt.subplots(1, 2, figsize=(9, 4), layout="constrained")
    for (block, kind), rows in found.items():
        style = {"marker": "o", "linestyle": "-" if kind == "alike" else "--"}
        pieces = [row[0] for row in rows]
        time.plot(pieces, [row[1] for row in rows], label=f"{block}, {kind}", **style)
        memory.plot(pieces, [row[2] for row in rows], label=f"{block}, {kind}", **style)
    for axes, what in ((time, "seconds, search (5 allowed) and check"), (memory, "MB, peak")):
        axes.set(xscale="log", xlabel="pieces of fabric", ylabel=what)
        axes.set_xticks(_SIZES, [f"{size:,}" for size in _SIZES])
        axes.grid(alpha=0.3)
    time.set_yscale("log")
    time.yaxis.set_major_formatter("{x:g}")
    memory.set_ylim(bottom=0)
    figure.legend(*time.get_legend_handles_labels(), loc="outside lower center", ncols=4)
    PICTURE.parent.mkdir(exist_ok=True)
    figure.savefig(PICTURE, metadata={"Date": None})


if __name__ == "__main__":
    main()
