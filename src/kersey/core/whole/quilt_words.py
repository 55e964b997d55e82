"""Why a whole quilt is as good as it is, in sentences."""

from collections.abc import Iterator
from fractions import Fraction

from kersey.core.frame.edge import EdgeStyle
from kersey.core.frame.setting import Setting
from kersey.core.measure.counting import counted
from kersey.core.measure.length import Units, format_bought, format_length
from kersey.core.quilt.parts_cut import pieces_cut
from kersey.core.whole.joint_search import WholeQuilt
from kersey.core.whole.scheme_score import OPINIONS, Judge

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
        return "nothing much"
    words = {
        "use": _use_better,
        "fit": _fit_better,
        "shape": _shape_better,
        "look": _look_better,
        "buying": _buying_better,
    }
    return (
        words[worst](quilt, judge, units) if worst in words else "more fabric would make it larger"
    )


def _use_better(quilt: WholeQuilt, _judge: Judge, _units: Units) -> str:
    spare = quilt.candidate.most.blocks - quilt.candidate.cut_blocks(quilt.scheme)
    blocks = counted(spare, "block")
    return (
        f"find a use for the {blocks} and fabric left over"
        if spare
        else "find a use for the leftovers"
    )


def _fit_better(quilt: WholeQuilt, judge: Judge, units: Units) -> str:
    width, length = quilt.scheme.finished
    if judge.target is not None:
        return "get closer to the size you want"
    nearest = min(judge.purposes, key=lambda purpose: purpose.distance(width, length))
    off = [
        f"{format_length(abs(by), units)} {more if by < 0 else less}"
        for by, more, less in zip(
            nearest.short_by(width, length),
            ("wider", "longer"),
            ("narrower", "shorter"),
            strict=True,
        )
        if by
    ]
    return f"{' and '.join(off)} to fit a {nearest.name}"


def _shape_better(quilt: WholeQuilt, _judge: Judge, _units: Units) -> str:
    width, length = quilt.scheme.inside
    return (
        "make it less long and narrow"
        if max(width, length) > Fraction(13, 10) * min(width, length)
        else "make it a little longer than wide"
    )


def _look_better(quilt: WholeQuilt, _judge: Judge, units: Units) -> str:
    half = format_length(min(quilt.scheme.block) / 2, units)
    if not quilt.scheme.borders:
        return f"frame it with a border about half a block wide, {half}"
    return f"bring the outer border closer to half a block, {half}"


def _buying_better(quilt: WholeQuilt, _judge: Judge, units: Units) -> str:
    part, cloth = max(quilt.bought.items(), key=lambda bought: (bought[1], bought[0]))
    return f"find {format_bought(cloth, units)} in your stash for the {part}"


def _blocks(quilt: WholeQuilt) -> str:
    scheme, possible = quilt.scheme, quilt.candidate.most.blocks
    if quilt.candidate.one_piece:
        return f"one piece of all {counted(possible, quilt.candidate.block.unit)}"
    if scheme.blocks == possible:
        return f"uses all {counted(possible, 'block')}"
    return f"uses {scheme.blocks} of {counted(possible, 'block')}; {possible - scheme.blocks} spare"


def _fit(quilt: WholeQuilt, judge: Judge, units: Units) -> str:
    width, length = quilt.scheme.finished
    size = f"{format_length(width, units)} × {format_length(length, units)}"
    if judge.target is not None:
        off = abs(width - judge.target.width), abs(length - judge.target.length)
        if not any(off):
            return f"{size}: exactly the size you want"
        across, down = (format_length(by, units) for by in off)
        return f"{size}: {across} off in width, {down} off in length"
    nearest = min(judge.purposes, key=lambda purpose: purpose.distance(width, length), default=None)
    if nearest is None:
        return size
    off_by = nearest.distance(width, length)
    if not off_by:
        return f"{size}: it fits a {nearest.name}"
    return f"{size}: {format_length(off_by, units)} off a {nearest.name}, width and length combined"


def _set(quilt: WholeQuilt, units: Units) -> Iterator[str]:
    scheme = quilt.scheme
    if scheme.setting is Setting.ALTERNATE:
        yield f"{len(scheme.grid.plain_seats)} plain squares between the blocks"
    if scheme.setting is Setting.ON_POINT:
        yield "on point, edges trimmed to the nearest ⅛″"
    if scheme.sashing.width:
        share = Fraction(scheme.sashing.width, min(scheme.block))
        yield (
            f"sashing of {format_length(scheme.sashing.width, units)}, "
            f"{round(100 * share)}% of a block (a quarter to a third looks best)"
        )
    if scheme.edge.style is EdgeStyle.FOLDED:
        hidden = format_length(scheme.edge.width, units)
        yield f"the folded edge covers {hidden} of the top all around"
    if scheme.edge.style is EdgeStyle.TURNED:
        frame = format_length(scheme.edge.width, units)
        yield f"the backing shows as a {frame} frame all around"


def _from_stash(quilt: WholeQuilt) -> Iterator[str]:
    for needs in quilt.needs:
        pieces = sum(len(pieces_cut(plan, needs)) for plan in quilt.plans)
        joined = ", joined" if needs.joined else ""
        yield f"{needs.part.name} from your fabric: {counted(pieces, 'piece')}{joined}"


def _to_buy(quilt: WholeQuilt, units: Units) -> str:
    bought = quilt.bought
    if not bought:
        return "buy only batting"
    each = (f"{format_bought(cloth, units)} for {name}" for name, cloth in bought.items())
    return f"to buy: {', '.join(each)}"
