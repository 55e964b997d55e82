"""The prints that a quilt shows for parts whose cloth is to be bought."""

from collections.abc import Mapping
from enum import StrEnum

from kersey.core.cloth.fabric import Print
from kersey.core.cloth.print_names import (
    BINDING_PRINT,
    BORDER_PRINT,
    OUTER_BORDER_PRINT,
    SASHING_PRINT,
    SETTING_PRINT,
)


class BoughtFor(StrEnum):
    """What a print is bought for; the borders outside the first share one."""

    BORDER = "border"
    BINDING = "binding"
    SASHING = "sashing"
    OUTER = "outer border"
    SETTING = "setting"


# What is shown until a person says which print it is to be.
USUAL_PRINTS: Mapping[BoughtFor, Print] = {
    BoughtFor.BORDER: BORDER_PRINT,
    BoughtFor.BINDING: BINDING_PRINT,
    BoughtFor.SASHING: SASHING_PRINT,
    BoughtFor.OUTER: OUTER_BORDER_PRINT,
    BoughtFor.SETTING: SETTING_PRINT,
}
