"""The order of work: steps and sheets, labels, the cutting table."""

__all__ = ["at_table", "labels", "sound_plan", "step_words", "work_order"]
