"""A project <-> plain words and numbers, as it stands in an export file.

Its fabrics name their lots by their places in the file.
"""

from collections import Counter
from collections.abc import Mapping, Sequence
from typing import Annotated, Any

from pydantic import BaseModel, BeforeValidator, ConfigDict, PlainSerializer, ValidationError

from kersey.core.cloth.fabric import BadFabric, Print, Value
from kersey.core.project.bought import USUAL_PRINTS, BoughtFor
from kersey.core.project.design import Design
from kersey.core.project.finishing import NOT_FINISHED, Finishing
from kersey.core.project.kept_plan import KeptPlan
from kersey.core.project.laying import Version
from kersey.core.project.project import Project
from kersey.core.project.sewing import AT_REST, Sewing
from kersey.core.project.table import EMPTY_TABLE, Table
from kersey.core.stash.cupboard import Aside, CupboardLot
from kersey.core.stash.pulled import Pulled, Role
from kersey.records.at_work import (
    finishing_document,
    finishing_from,
    sewing_document,
    sewing_from,
    table_document,
    table_from,
)
from kersey.records.choices import BadDocument, choices_document, choices_from, first_fault
from kersey.records.laid import versions_document, versions_from
from kersey.records.lots import print_document, print_from
from kersey.records.plans import plan_document, plan_from

Document = dict[str, Any]

_Choices = Annotated[Design, BeforeValidator(choices_from), PlainSerializer(choices_document)]
_Plan = Annotated[KeptPlan, BeforeValidator(plan_from), PlainSerializer(plan_document)]
_Versions = Annotated[
    tuple[Version, ...], BeforeValidator(versions_from), PlainSerializer(versions_document)
]
_Table = Annotated[Table, BeforeValidator(table_from), PlainSerializer(table_document)]
_Finishing = Annotated[
    Finishing, BeforeValidator(finishing_from), PlainSerializer(finishing_document)
]
_Sewing = Annotated[Sewing, BeforeValidator(sewing_from), PlainSerializer(sewing_document)]
_Print = Annotated[Print, BeforeValidator(print_from), PlainSerializer(print_document)]


class PulledDocument(BaseModel):
    """A fabric that a project has pulled: print `print` of the lot at place `lot` of the file."""

    model_config = ConfigDict(extra="ignore")

    key: int | None
    lot: int
    print: int
    count: int
    cut: int
    roles: tuple[Role, ...]
    value: Value | None
    aside: Aside | None

    def pulled(self, lots: Sequence[CupboardLot]) -> Pulled:
        """The fabric; raises `BadFabric` when there is none such in these lots."""
        if not 0 <= self.lot < len(lots) or not 0 <= self.print < len(lots[self.lot].lot.stacks):
            raise BadFabric(f"There is no print {self.print} of a lot {self.lot}.")
        if self.count > lots[self.lot].lot.counts[self.print]:
            raise BadFabric(f"More pieces are pulled of lot {self.lot} than there are.")
        return Pulled(
            kept=lots[self.lot],
            place=self.print,
            count=self.count,
            roles=self.roles,
            value=self.value,
            cut=self.cut,
            aside=self.aside,
            lot_number=self.lot,
            key=self.key,
        )


class ProjectDocument(BaseModel):
    """Everything a person has entered of a project, and its plan."""

    model_config = ConfigDict(extra="ignore", arbitrary_types_allowed=True)

    name: str
    said: str
    fabrics: tuple[PulledDocument, ...]
    border_print: _Print
    binding_print: _Print
    sashing_print: _Print = USUAL_PRINTS[BoughtFor.SASHING]
    outer_print: _Print = USUAL_PRINTS[BoughtFor.OUTER]
    setting_print: _Print = USUAL_PRINTS[BoughtFor.SETTING]
    done: tuple[str, ...]
    sketch: bool
    put_away: bool
    choices: _Choices
    plan: _Plan | None
    versions: _Versions = ()
    table: _Table = EMPTY_TABLE
    sewing: _Sewing = AT_REST
    finishing: _Finishing = NOT_FINISHED


def project_document(project: Project, place_of: Mapping[int | None, int]) -> Document:
    """The document of a project.

    `place_of` says at which place of the file each lot stands, by its number; what a sketch tries
    of lots that are not at home any more is left out.
    """
    here = [pulled for pulled in project.fabrics if pulled.lot_number in place_of]
    document = ProjectDocument.model_construct(
        name=project.name,
        said=project.said,
        fabrics=tuple(_pulled_document(pulled, place_of[pulled.lot_number]) for pulled in here),
        border_print=project.bought[BoughtFor.BORDER],
        binding_print=project.bought[BoughtFor.BINDING],
        sashing_print=project.bought[BoughtFor.SASHING],
        outer_print=project.bought[BoughtFor.OUTER],
        setting_print=project.bought[BoughtFor.SETTING],
        done=tuple(sorted(project.done)),
        sketch=project.sketch,
        put_away=project.put_away,
        choices=project.design,
        plan=project.plan,
        versions=project.versions,
        table=project.table,
        sewing=project.sewing,
        finishing=project.finishing,
    )
    return document.model_dump(mode="json")


def project_from(document: Mapping[str, Any], lots: Sequence[CupboardLot]) -> Project:
    """The project of a document; its fabrics know their lots by their place in `lots`.

    Raises `InvalidValue` for one that is damaged.
    """
    try:
        known = ProjectDocument.model_validate(document)
    except ValidationError as error:
        raise BadDocument(first_fault(error)) from error
    fabrics = tuple(part.pulled(lots) for part in known.fabrics)
    _check_pulled_once(fabrics)
    return Project(
        name=known.name,
        said=known.said,
        fabrics=fabrics,
        design=known.choices,
        bought={
            BoughtFor.BORDER: known.border_print,
            BoughtFor.BINDING: known.binding_print,
            BoughtFor.SASHING: known.sashing_print,
            BoughtFor.OUTER: known.outer_print,
            BoughtFor.SETTING: known.setting_print,
        },
        done=frozenset(known.done),
        sketch=known.sketch,
        put_away=known.put_away,
        plan=known.plan,
        versions=known.versions,
        table=known.table,
        sewing=known.sewing,
        finishing=known.finishing,
    )


def _check_pulled_once(fabrics: Sequence[Pulled]) -> None:
    """Raise `BadFabric` where two fabrics are the same print of the same lot."""
    times = Counter((pulled.lot_number, pulled.place) for pulled in fabrics)
    for (lot, place), often in times.items():
        if often > 1:
            raise BadFabric(f"Print {place} of lot {lot} is pulled twice.")


def _pulled_document(pulled: Pulled, lot: int) -> PulledDocument:
    return PulledDocument(
        key=pulled.key,
        lot=lot,
        print=pulled.place,
        count=pulled.count,
        cut=pulled.cut,
        roles=pulled.roles,
        value=pulled.value,
        aside=pulled.aside,
    )
