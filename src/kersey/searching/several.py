"""Blocks of several questions at a time, in processes of their own, where one by one takes long."""

import os
from collections.abc import Iterator, Sequence
from concurrent.futures import ProcessPoolExecutor
from contextlib import ExitStack, contextmanager
from multiprocessing import get_context
from time import perf_counter

from kersey.core.yields.count import Count
from kersey.core.yields.report import Asked, CountsOf

# Seconds after which other processes are worth their start.
_ALONE = 2.5


@contextmanager
def several_at_a_time(alone: float = _ALONE) -> Iterator[CountsOf]:
    """Answers questions one by one for some seconds, then on every core there is.

    The answers are the same either way.

    Raises `FaultyPlan` as one question alone does.
    """
    begun = perf_counter()
    pools: list[ProcessPoolExecutor] = []

    with ExitStack() as stack:

        def pool() -> ProcessPoolExecutor:
            if not pools:
                fresh = ProcessPoolExecutor(os.cpu_count(), get_context("spawn"))
                pools.append(stack.enter_context(fresh))
            return pools[0]

        def counts_of(asked: Sequence[Asked]) -> Sequence[tuple[Count, float]]:
            counts: list[tuple[Count, float]] = []
            for place, question in enumerate(asked):
                if perf_counter() - begun > alone and place < len(asked) - 1:
                    return [*counts, *pool().map(_plan, asked[place:])]
                counts.append(question.answer())
            return counts

        yield counts_of


def _plan(question: Asked) -> tuple[Count, float]:
    return question.answer()
