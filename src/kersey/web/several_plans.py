"""Plans of several questions at a time, in processes of their own, where one by one takes long."""

import os
from collections.abc import Iterator, Sequence
from concurrent.futures import ProcessPoolExecutor
from contextlib import ExitStack, contextmanager
from multiprocessing import get_context
from time import perf_counter

from kersey.core.cutting.problem import CuttingPlan
from kersey.core.cutting.watch import Clock
from kersey.core.yield_report import Asked, PlansOf

# Seconds after which other processes are worth their start.
_ALONE = 1.0


@contextmanager
def several_at_a_time(clock: Clock) -> Iterator[PlansOf]:
    """Answers questions one by one at first, then on every core there is; the answers are the same.

    Raises `FaultyPlan` as one question alone does.
    """
    begun = clock()
    pools: list[ProcessPoolExecutor] = []

    with ExitStack() as stack:

        def pool() -> ProcessPoolExecutor:
            if not pools:
                fresh = ProcessPoolExecutor(os.cpu_count(), get_context("spawn"))
                pools.append(stack.enter_context(fresh))
            return pools[0]

        def plans_of(asked: Sequence[Asked]) -> Sequence[CuttingPlan]:
            plans: list[CuttingPlan] = []
            for place, question in enumerate(asked):
                if clock() - begun > _ALONE and place < len(asked) - 1:
                    return [*plans, *pool().map(_plan, asked[place:])]
                plans.append(question.answer(clock))
            return plans

        yield plans_of


def _plan(question: Asked) -> CuttingPlan:
    return question.answer(perf_counter)
