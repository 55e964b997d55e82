"""The sliders by which other cloth, or another seam, is tried."""

from dataclasses import dataclass
from fractions import Fraction

from kersey.core.measure.length import CENTIMETRE, EIGHTH, Units
from kersey.core.planning.asking import SEAM_STEP, reference_of
from kersey.core.project.question import YieldAsked


@dataclass(frozen=True)
class Slider:
    """A slider's ends, step and place, in the units it is read in.

    Its ends lie whole steps from its place, so that a slider nobody moved stays just there.
    """

    now: Fraction
    unit: Fraction
    step: Fraction
    down: int
    up: int

    def written(self, steps: int = 0) -> str:
        """The place so many steps on, as the browser has it."""
        number = float((self.now + steps * self.step) / self.unit)
        return f"{number:.6f}".rstrip("0").rstrip(".")

    @property
    def step_written(self) -> str:
        """The step, as the browser has it."""
        return f"{float(self.step / self.unit):g}"

    def read(self, text: str, length: Fraction) -> Fraction:
        """The length a slider stands at: the exact one where it was not moved."""
        return self.now if text == self.written() else length


def cloth_slider(asked: YieldAsked, units: Units) -> Slider:
    """For the usable length of the cloth: two inches or five centimetres either way."""
    now = reference_of(asked)
    unit, step = (Fraction(1), EIGHTH) if units is Units.INCHES else (CENTIMETRE, CENTIMETRE / 2)
    reach = 16 if units is Units.INCHES else 10
    return Slider(now, unit, step, min(reach, int((now - step) / step)), reach)


def seam_slider(seam: Fraction, units: Units) -> Slider:
    """For the seam: from an eighth to half an inch, in sixteenths or half millimetres."""
    unit, step = (
        (Fraction(1), SEAM_STEP) if units is Units.INCHES else (CENTIMETRE, CENTIMETRE / 20)
    )
    least, most = 2 * SEAM_STEP, 8 * SEAM_STEP
    down, up = int((seam - least) / step), int((most - seam) / step)
    return Slider(seam, unit, step, max(0, down), max(0, up))
