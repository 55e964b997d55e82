"""What a form changes in the fabrics of a project."""

from dataclasses import replace

from kersey.core.cloth.colour import FAMILIES
from kersey.core.cloth.fabric import BadFabric, Fact, Print, Value
from kersey.core.cloth.judging import judge_together
from kersey.core.cloth.sorting import Order, place_by_value, sort_colours
from kersey.core.project.bought import BoughtFor
from kersey.core.project.project import Project
from kersey.core.stash.pulled import Pulled, Role
from kersey.store.projects import NoSuchProject
from kersey.web.print_form import changed_print
from kersey.web.pull.forms import FabricForm, RoleForm


def fabric_at(project: Project, place: str) -> Pulled:
    """The fabric at a place of the wall; raises `NoSuchProject` when there is none."""
    if not place.isdecimal() or len(place) > 6 or int(place) >= len(project.fabrics):
        raise NoSuchProject(0)
    return project.fabrics[int(place)]


def corrected(project: Project, place: str, form: FabricForm) -> Project:
    """The project after a fabric, or a print to buy, was corrected."""
    if place in set(BoughtFor):
        part = BoughtFor(place)
        return project.with_bought({part: changed_print(project.bought[part], form)})
    pulled = fabric_at(project, place)
    if form.pulled == 0:
        return project.returning({int(place)})
    if form.pulled is not None:
        pulled = replace(pulled, count=form.pulled)
        project = project.with_pulled(int(place), pulled)
    if form.value is not None and form.value is not pulled.print.known_value:
        return project.with_pulled(int(place), replace(pulled, value=form.value))
    cloth = changed_print(pulled.stack.print, _but_value(form))
    if form.family in FAMILIES and form.family != cloth.family:
        cloth = replace(cloth, judged_family=form.family)
    project = with_cloth(project, pulled, cloth)
    return _measured(project, place, form) if form.sizes else project


def with_cloth(project: Project, pulled: Pulled, cloth: Print) -> Project:
    """The project after the print of a fabric was described anew."""
    stack = replace(pulled.stack, print=cloth)
    lot = pulled.kept.lot.with_stack(pulled.place, stack)
    return project.with_lot(pulled, replace(pulled.kept, lot=lot))


def without_spoiled(project: Project, place: str, spoiled: int) -> Project:
    """The project and its lot after pieces were spoiled."""
    pulled = fabric_at(project, place)
    whole = pulled.count - pulled.cut
    if spoiled > whole:
        raise BadFabric(f"Only {whole} are still uncut.")
    if spoiled == pulled.kept.lot.count:
        raise BadFabric("That is the whole lot. Return it, then remove it from the cupboard.")
    stack = replace(pulled.stack, count=pulled.stack.count - spoiled)
    lot = pulled.kept.lot.with_stack(pulled.place, stack)
    smaller = project.with_lot(pulled, replace(pulled.kept, lot=lot))
    if spoiled == pulled.count:
        return smaller.returning({int(place)})
    left = replace(smaller.fabrics[int(place)], count=pulled.count - spoiled)
    return smaller.with_pulled(int(place), left)


def roles_after(now: tuple[Role, ...], form: RoleForm) -> tuple[Role, ...]:
    """The roles a fabric serves once a form has added, exchanged or taken one away."""
    if form.besides:
        others = tuple(role for role in now if role is not form.role)
        return (others or now) if form.role in now else (*now, form.role)
    if form.instead_of is not None:
        return (*(role for role in now if role is not form.instead_of), form.role)
    return (form.role,)


def next_value(pulled: Pulled) -> Value:
    """The value after its own: light, medium, dark, and light again."""
    values = list(Value)
    known = pulled.print.known_value
    return values[0 if known is None else (values.index(known) + 1) % len(values)]


def beside_the_others(project: Project) -> tuple[Value | None, ...]:
    """How each fabric reads beside the others; None where its colour is only a placeholder."""
    prints = [pulled.stack.print for pulled in project.fabrics]
    known = [cloth for cloth in prints if Fact.COLOUR not in cloth.filled_in]
    read = iter(judge_together([cloth.swatch.blend for cloth in known]))
    return tuple(None if Fact.COLOUR in cloth.filled_in else next(read) for cloth in prints)


def laid_in_order(project: Project, order: Order) -> Project:
    """The project with its fabrics laid in an order."""
    fabrics = project.fabrics
    places = sort_colours([pulled.stack.print.swatch.blend for pulled in fabrics], order)
    laid = [fabrics[place] for place in places]
    if order is Order.VALUE:
        laid.sort(key=lambda pulled: place_by_value(pulled.print))
    return replace(project, fabrics=tuple(laid))


def _but_value(form: FabricForm) -> FabricForm:
    """The form without a value: how a fabric reads here is not how it reads at home."""
    return form.model_copy(update={"value": None})


def _measured(project: Project, place: str, form: FabricForm) -> Project:
    pulled = fabric_at(project, place)
    kept = pulled.kept
    lot = replace(
        kept.lot,
        width=form.width or kept.lot.width,
        length=form.length or kept.lot.length,
        measured_length=form.measured_length,
    )
    return project.with_lot(pulled, replace(kept, lot=lot))
