"""A reading in one short line, so that a table can say what is meant."""

from collections.abc import Sequence

from kersey.core.stash.quick_entry import Reading


def meaning(readings: Sequence[Reading]) -> str:
    """``12 fat-quarter 35/2 x 21, 12 prints, light``; several lots with a +, a refusal with a ?."""
    return " + ".join(map(_lot, readings))


def _lot(reading: Reading) -> str:
    lot = reading.lot
    if lot is None or not reading.taken:
        better = f" => {reading.proposal}" if reading.proposal else ""
        return f"? {' '.join(reading.problems)}{better}"
    parts = [f"{lot.count} {lot.form} {lot.width} x {lot.length}"]
    if lot.grams is not None:
        parts = [f"{lot.grams} g scraps"]
    if lot.most_width or lot.most_length:
        parts.append(f"to {lot.most_width} x {lot.most_length}")
    named = lot.prints[0].name
    parts.append(f"“{named}”" if len(lot.stacks) == 1 else f"{len(lot.stacks)} prints")
    if len(lot.stacks) > 1 and not named.startswith("print "):
        parts.append(f"“{named}” on")
    values = {cloth.known_value for cloth in lot.prints} - {None}
    parts.extend(sorted(str(value) for value in values))
    parts.extend(["about"] * (lot.estimated and lot.grams is None))
    parts.extend(["directional"] * lot.directional)
    return ", ".join(parts)
