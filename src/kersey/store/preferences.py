"""What a person has settled for all their work, and whether the data are the sample world."""

from dataclasses import dataclass, field
from enum import StrEnum
from fractions import Fraction

from sqlalchemy.orm import Session

from kersey.core.cloth.thread import Spool, spools_of
from kersey.core.errors import KerseyError
from kersey.core.measure.length import Units
from kersey.core.measure.money import USUAL_CURRENCY
from kersey.core.measure.workshop import Workshop
from kersey.store.tables import PreferencesRow, WorldRow

_THE_ROW = 1


class Theme(StrEnum):
    """Light or dark; by default as the device is set."""

    DEVICE = "device"
    LIGHT = "light"
    DARK = "dark"


class Paper(StrEnum):
    """What the cutting sheet is printed on."""

    LETTER = "letter"
    A4 = "a4"


@dataclass(frozen=True)
class Preferences:
    """The settings. `revision` counts their changes. Pieces narrower than `least_kept` are not
    worth keeping, offcuts are cut down by the `cut_rules`, as they were written. All is backed up
    once a day where `daily_backup` says so."""

    workshop: Workshop = field(default_factory=Workshop)
    theme: Theme = Theme.DEVICE
    paper: Paper = Paper.LETTER
    revision: int = 0
    threads: tuple[Spool, ...] = ()
    cut_rules: str = ""
    least_kept: Fraction = Fraction(0)
    currency: str = USUAL_CURRENCY
    daily_backup: bool = True


class PreferencesChanged(KerseyError):
    """The settings were changed elsewhere since they were shown."""

    def __init__(self, current: Preferences) -> None:
        self.current = current
        super().__init__("The settings were changed in another window.")


def load_preferences(session: Session) -> Preferences:
    """The settings, or the usual ones when none were ever saved."""
    row = session.get(PreferencesRow, _THE_ROW)
    if row is None:
        return Preferences()
    return Preferences(
        workshop=Workshop(row.seam, row.usable_width, Units(row.units)),
        theme=Theme(row.theme),
        paper=Paper(row.paper),
        threads=spools_of(row.threads),
        cut_rules=row.cut_rules,
        least_kept=row.least_kept,
        currency=row.currency,
        daily_backup=row.daily_backup,
        revision=row.revision,
    )


def save_preferences(session: Session, preferences: Preferences) -> None:
    """Keep these settings; raises `PreferencesChanged` if `revision` is no longer the newest."""
    current = load_preferences(session)
    if current.revision != preferences.revision:
        raise PreferencesChanged(current)
    session.merge(
        PreferencesRow(
            id=_THE_ROW,
            revision=preferences.revision + 1,
            seam=preferences.workshop.seam,
            usable_width=preferences.workshop.usable_width,
            units=preferences.workshop.units,
            theme=preferences.theme,
            paper=preferences.paper,
            threads="\n".join(f"{spool.name} {spool.colour}" for spool in preferences.threads),
            cut_rules=preferences.cut_rules,
            least_kept=preferences.least_kept,
            currency=preferences.currency,
            daily_backup=preferences.daily_backup,
        )
    )


def is_sample_world(session: Session) -> bool | None:
    """Whether the data are the sample world; None for data that nobody has claimed yet."""
    row = session.get(WorldRow, _THE_ROW)
    return None if row is None else row.is_sample


def claim_world(session: Session, is_sample: bool) -> None:
    """Note whose data these are."""
    session.merge(WorldRow(id=_THE_ROW, is_sample=is_sample))
