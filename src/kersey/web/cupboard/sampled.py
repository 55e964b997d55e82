"""Scraps reckoned from a sample that is typed in; nothing is kept, it stands in the address."""

from collections.abc import Mapping
from fractions import Fraction
from typing import Any

from pydantic import BaseModel, Field

from kersey.core.cloth.fabric import Lot
from kersey.core.errors import InvalidValue
from kersey.core.measure.length import Units, format_area
from kersey.core.stash.sampling import Spread, estimate, read_sample
from kersey.web.forms import Length, field_error, read_form


class SampleForm(BaseModel):
    """A sample's sizes, what it weighs if it was weighed, and a size that is wanted of all."""

    sample: str = Field("", max_length=2000)
    sample_grams: int | None = None
    wanted: Length | None = None


def sampled(lot: Lot, typed: Mapping[str, str], units: Units) -> dict[str, Any]:
    """What scraps come to by the sample in the address; raises `BadForm`."""
    form = read_form(SampleForm, {name: value for name, value in typed.items() if value}, units)
    if lot.grams is None or not form.sample:
        return {"sampled": None}
    wanted = None if form.wanted is None else (form.wanted, form.wanted)
    try:
        sample = read_sample(form.sample, units)
        found = estimate(sample, lot.grams, form.sample_grams, wanted)
    except InvalidValue as error:
        raise field_error(error, dict(typed), SampleForm.model_fields, "sample") from None
    return {
        "sampled": found,
        "sampled_area": [format_area(Fraction(side), units) for side in _of(found.area)],
        "sampled_pieces": [round(side) for side in _of(found.pieces)],
        "sampled_usable": found.usable and [round(side) for side in _of(found.usable)],
        "sample_of": len(sample),
    }


def _of(spread: Spread) -> tuple[float, float, float]:
    return spread.likely, spread.low, spread.high
