"""HiGHS as it is used here: silent, on one thread, from the same seed, looking for the most."""

import highspy


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
