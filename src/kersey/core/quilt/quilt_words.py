"""Why a whole quilt is as good as it is, in sentences."""

from collections.abc import Iterator
from fractions import Fraction

from kersey.core.frame.edge import EdgeStyle
from kersey.core.frame.setting import Setting
from kersey.core.measure.length import Units, format_bought, format_length
from kersey.core.quilt.joint_search import WholeQuilt
from kersey.core.quilt.parts_cut import pieces_cut
from kersey.core.quilt.scheme_score import OPINIONS, Judge

# What costs less of a score than this is not worth a word.
_WORTH_SAYING = 0.01


def reasons(quilt: WholeQuilt, judge: Judge, units: Units = Units.INCHES) -> tuple[str, ...]:
    """What speaks for it and what against it, the blocks first."""
    return (
        _blocks(quilt),
        _fit(quilt, judge, units),
        *_set(quilt, units),
        *_from_stash(quilt),
        _to_buy(quilt, units),
    )


def better(quilt: WholeQuilt, judge: Judge, units: Units = Units.INCHES) -> str:
    """What would make it better: of all that is thought of it, what costs it most."""
    weights = judge.weights
    costs = {name: weights[name] * (1 - quilt.opinions[name]) for name in OPINIONS}
    worst = max(OPINIONS, key=lambda name: costs[name])
    if costs[worst] < _WORTH_SAYING:
        return "nothing much would make it better"
    words = {
        "use": _use_better, "fit": _fit_better, "shape": _shape_better, "look": _look_better,
        "buying": _buying_better,
    }  # fmt: skip
    return (
        words[worst](quilt, judge, units) if worst in words else "more cloth would make it larger"
    )


def _use_better(quilt: WholeQuilt, _judge: Judge, _units: Units) -> str:
    spare = quilt.candidate.most.blocks - quilt.candidate.cut_blocks(quilt.scheme)
    blocks = f"{spare} block{'s' * (spare != 1)}"
    return (
        f"a use for the {blocks} and the cloth that stay out" if spare else "a use for what is left"
    )


def _fit_better(quilt: WholeQuilt, judge: Judge, units: Units) -> str:
    width, length = quilt.scheme.finished
    if judge.target is not None:
        return "nearer to the size that is wanted"
    nearest = min(judge.purposes, key=lambda purpose: purpose.distance(width, length))
    off = [
        f"{format_length(abs(by), units)} {more if by < 0 else less}"
        for by, more, less in zip(
            nearest.short_by(width, length), ("wider", "longer"), ("narrower", "shorter"),
            strict=True,
        )
        if by
    ]  # fmt: skip
    return f"{' and '.join(off)} it would fit a {nearest.name}"


def _shape_better(quilt: WholeQuilt, _judge: Judge, _units: Units) -> str:
    width, length = quilt.scheme.inside
    return (
        "less long and narrow"
        if max(width, length) > Fraction(13, 10) * min(width, length)
        else "a little longer than it is wide"
    )


def _look_better(quilt: WholeQuilt, _judge: Judge, units: Units) -> str:
    half = format_length(min(quilt.scheme.block) / 2, units)
    if not quilt.scheme.borders:
        return f"a border near half a block, {half}, would frame it"
    return f"an outer border nearer to half a block, {half}"


def _buying_better(quilt: WholeQuilt, _judge: Judge, units: Units) -> str:
    part, cloth = max(quilt.bought.items(), key=lambda bought: (bought[1], bought[0]))
    return f"cloth at home for the {part}: {format_bought(cloth, units)} fewer to buy"


def _blocks(quilt: WholeQuilt) -> str:
    scheme, possible = quilt.scheme, quilt.candidate.most.blocks
    if quilt.candidate.one_piece:
        return f"one piece of all {possible} {quilt.candidate.block.unit}s"
    if scheme.blocks == possible:
        return f"uses all {possible} blocks"
    return f"uses {scheme.blocks} of {possible} blocks; {possible - scheme.blocks} spare"


def _fit(quilt: WholeQuilt, judge: Judge, units: Units) -> str:
    width, length = quilt.scheme.finished
    size = f"{format_length(width, units)} × {format_length(length, units)}"
    if judge.target is not None:
        off = abs(width - judge.target.width), abs(length - judge.target.length)
        if not any(off):
            return f"{size}: just the size that is wanted"
        across, down = (format_length(by, units) for by in off)
        return f"{size}: {across} off the width that is wanted, {down} off the length"
    nearest = min(judge.purposes, key=lambda purpose: purpose.distance(width, length), default=None)
    if nearest is None:
        return size
    off_by = nearest.distance(width, length)
    if not off_by:
        return f"{size}: it fits a {nearest.name}"
    return f"{size}: {format_length(off_by, units)} off a {nearest.name}, both ways together"


def _set(quilt: WholeQuilt, units: Units) -> Iterator[str]:
    scheme = quilt.scheme
    if scheme.setting is Setting.ALTERNATE:
        yield f"{len(scheme.grid.plain_seats)} plain squares between the blocks"
    if scheme.setting is Setting.ON_POINT:
        yield "on point, the edge trimmed to the last eighth of an inch"
    if scheme.sashing.width:
        share = Fraction(scheme.sashing.width, min(scheme.block))
        yield (
            f"sashing of {format_length(scheme.sashing.width, units)}, "
            f"{round(100 * share)} % of a block; a quarter to a third looks best"
        )
    if scheme.edge.style is EdgeStyle.FOLDED:
        hidden = format_length(scheme.edge.width, units)
        yield f"the folded edge hides {hidden} of the top all round"
    if scheme.edge.style is EdgeStyle.TURNED:
        frame = format_length(scheme.edge.width, units)
        yield f"the backing shows as a frame of {frame} all round"


def _from_stash(quilt: WholeQuilt) -> Iterator[str]:
    for needs in quilt.needs:
        pieces = sum(len(pieces_cut(plan, needs)) for plan in quilt.plans)
        joined = ", joined" if needs.joined else ""
        yield f"{needs.part.name} from what is there: {pieces} pieces{joined}"


def _to_buy(quilt: WholeQuilt, units: Units) -> str:
    bought = quilt.bought
    if not bought:
        return "nothing is bought but batting"
    each = (f"{format_bought(cloth, units)} for {name}" for name, cloth in bought.items())
    return f"to buy: {', '.join(each)}"
