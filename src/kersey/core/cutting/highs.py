"""HiGHS as it is used here: silent, on one thread, from the same seed, looking for the most.

Whole numbers are looked for as far as the watch lets it, in nodes and iterations: no clock takes
part, so they are the same in every run.
"""

from collections.abc import Callable, Iterable
from math import floor, inf

import highspy
import numpy as np

from kersey.core.cutting.watch import Watch

FEASIBLE = 2
ROUND = 1e-6
# What whole numbers take of an ordinary machine, in seconds (measured over bench/requests).
_AN_ITERATION, _AN_ENTRY, _A_NODE, _A_NODES_ENTRY = 4e-4, 2e-5, 0.006, 1.2e-6
# The first node alone is some twenty steps, and finds most plans in the last of them: it is ended
# where it would take several times what it may, and each step takes so much of that an entry.
_A_STEPS_ENTRY = 1e-6


class _QuietHighs(highspy.Highs):
    """HiGHS that says nothing: else its first act would be to print its name."""

    def enableCallbacks(self) -> None:  # noqa: N802
        self.setOptionValue("output_flag", False)
        super().enableCallbacks()  # type: ignore[no-untyped-call]


def quiet_highs() -> highspy.Highs:
    """A programme without rows or columns, to be maximised."""
    highs = _QuietHighs()  # type: ignore[no-untyped-call]
    highs.setOptionValue("threads", 1)
    highs.setOptionValue("random_seed", 1)
    highs.changeObjectiveSense(highspy.ObjSense.kMaximize)
    return highs


def _first_node_within(steps: float) -> Callable[[highspy.HighsCallbackEvent], None]:
    """Ends a search whose first node takes more steps, which HiGHS counts by asking."""
    asked = 0

    def ask(event: highspy.HighsCallbackEvent) -> None:
        nonlocal asked
        asked += 1
        if event.data_in and not event.data_out.mip_node_count and asked > steps:
            event.data_in.user_interrupt = True

    return ask


def run_in_whole_numbers(model: highspy.Highs, watch: Watch, seconds: float) -> None:
    """Solve with all numbers whole, for so many seconds of work."""
    columns = model.getNumCol()
    every = np.arange(columns, dtype=np.int32)
    model.changeColsIntegrality(columns, every, np.array([highspy.HighsVarType.kInteger] * columns))
    model.setOptionValue("mip_rel_gap", 0.0)
    # Like fabrics are one kind, so there is no symmetry to find; and beginning again costs more
    # than it gains (measured over bench/requests).
    model.setOptionValue("mip_detect_symmetry", False)
    model.setOptionValue("mip_allow_restart", False)
    a_node = _A_NODE + _A_NODES_ENTRY * model.getNumNz()
    model.setOptionValue("mip_max_nodes", 1 + int(max(0.0, seconds) / a_node))
    model.cbMipInterrupt += _first_node_within(
        max(0.0, seconds) / _A_STEPS_ENTRY / max(1, model.getNumNz())
    )
    model.run()
    info = model.getInfo()
    iterations, nodes = info.simplex_iteration_count, info.mip_node_count
    watch.spend(_AN_ENTRY * model.getNumNz())
    watch.spend(max(_AN_ITERATION * iterations, a_node * (nodes - 1)))


class WholeNumbers:
    """A small integer programme, written number by number."""

    def __init__(self) -> None:
        self._model = quiet_highs()

    def number(self, most: float = inf, gain: float = 0.0) -> int:
        """A whole number from 0 to `most`; how it is called in what follows."""
        nothing = np.array([], np.int32), np.array([])
        self._model.addCol(gain, 0.0, most, 0, *nothing)
        return self._model.getNumCol() - 1

    def between(self, least: float, most: float, entries: Iterable[tuple[int, float]]) -> None:
        """The sum of numbers, each times its factor, lies between the two."""
        known = list(entries)
        columns = np.array([column for column, _ in known], np.int32)
        factors = np.array([factor for _, factor in known], float)
        self._model.addRow(least, most, len(known), columns, factors)

    def solve(self, watch: Watch) -> tuple[list[int], int]:
        """The numbers that gain most, all 0 if none are found; and what no others can exceed."""
        run_in_whole_numbers(self._model, watch, watch.left)
        info = self._model.getInfo()
        if info.primal_solution_status != FEASIBLE:
            return [0] * self._model.getNumCol(), 0
        found = [round(value) for value in self._model.getSolution().col_value]
        return found, floor(info.mip_dual_bound + ROUND)
