"""The block chosen for a quilt: a recipe with its size and options, or pieces of one's own."""

from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from fractions import Fraction
from functools import lru_cache

from kersey.core.blocks.assembly import Assembly, Make, Part, Size
from kersey.core.blocks.catalogue import recipes
from kersey.core.blocks.own_block import USUAL_SIDE, OwnBlock
from kersey.core.blocks.recipe import (
    NO,
    SQUARE,
    WHOLE,
    YES,
    BadRecipe,
    Column,
    Option,
    Options,
    Recipe,
    read_option,
    shares_in_rows,
)
from kersey.core.blocks.technique import CUT, JOINED
from kersey.core.cutting.problem import CuttingPlan, Need, PrintRule, check_needs
from kersey.core.cutting.tally import Tally

# A block of one's own, by the cut sizes of its pieces; and one that is drawn on a grid.
PIECES, OWN = "pieces", "own-block"


@dataclass(frozen=True)
class BlockChoice:
    """Which block. `finished` None: the recipe's usual size; options left out: the usual ones.

    Options are kept as they are written: a length as exact inches, like ``5/2``. What is as usual
    is left out, so that one block is written in one way. `square`: the side of the squares at hand,
    for a block that uses them as they come. `whole`: what one whole piece is made of, once a plan
    says so. `own`: what was drawn on a grid.
    """

    recipe: str
    finished: Size | None = None
    options: tuple[tuple[str, int | str], ...] = ()
    pieces: tuple[Need, ...] = ()
    rules: tuple[PrintRule, ...] = ()
    square: Fraction | None = field(default=None, repr=False)
    whole: tuple[Fraction, ...] = field(default=(), repr=False)
    own: OwnBlock | None = field(default=None, repr=False)

    def __post_init__(self) -> None:
        recipe = recipes().get(self.recipe)
        if recipe is None:
            return
        unusual = (option for option in self.options if not _as_usual(recipe, *option))
        object.__setattr__(self, "options", tuple(sorted(unusual, key=lambda option: option[0])))
        if self.finished == recipe.finished:
            object.__setattr__(self, "finished", None)

    @property
    def known(self) -> Recipe | None:
        """The recipe; None for pieces of one's own. Raises `BadRecipe`."""
        if self.recipe == PIECES or (self.recipe == OWN and self.own is not None):
            return None
        recipe = recipes().get(self.recipe)
        if recipe is None:
            known = ", ".join([*recipes(), PIECES])
            raise BadRecipe("block.recipe", f"one of {known}, not “{self.recipe:.40}”.")
        return recipe

    @property
    def title(self) -> str:
        """What the block is called."""
        if self.own is not None:
            return self.own.name
        return self.known.title if self.known else "My own pieces"

    @property
    def proved_for(self) -> str:
        """Of what alone a proof holds, like "pairs"; nothing where it holds for every plan."""
        known = self.known
        return known.proved_for(self.all_options) if known and known.proved_for else ""

    @property
    def unit(self) -> str:
        """What is counted of it."""
        return self.known.unit if self.known else "block"

    def columns(self, seam: Fraction) -> Sequence[Column]:
        """The columns it is sewn of, once it is known what it is made of; else none."""
        known = self.known
        return known.columns(self.all_options, seam) if known and known.columns else ()

    @property
    def size(self) -> Size | None:
        """The finished size; None when nobody has said it of one's own pieces."""
        if self.own is not None:
            return self.finished or (USUAL_SIDE, USUAL_SIDE)
        return self.finished or (self.known.finished if self.known else None)

    def size_at(self, seam: Fraction) -> Size | None:
        """The finished size at a seam: some options say one. Raises `BadRecipe`."""
        says = self.known.size_of if self.known and self.finished is None else None
        return (says and says(self.all_options, seam)) or self.size

    @property
    def all_options(self) -> Options:
        """Every option as chosen or usual, each of its own kind; raises `BadRecipe`."""
        usual = self.known.options if self.known else {}
        chosen = {}
        for name, said in self.options:
            if name not in usual:
                known = ", ".join(usual) or "none"
                raise BadRecipe(f"block.options.{name:.40}", f"one of {known}.")
            chosen[name] = read_option(usual[name], name, said)
        at_hand: Options = {} if self.square is None else {SQUARE: self.square}
        made: Options = {WHOLE: self.whole} if self.whole else {}
        return {**usual, **chosen, **at_hand, **made}

    def with_option(self, name: str, value: Option) -> "BlockChoice":
        """The same block with another value of an option."""
        others = (option for option in self.options if option[0] != name)
        return replace(self, options=(*others, (name, written_option(value))))

    @property
    def made_faster(self) -> bool | None:
        """Whether it is made the faster of its two ways; None where there is but one."""
        other = self.known.other_way if self.known else None
        return None if other is None else self.all_options[other.option] == other.faster

    def made(self, faster: bool) -> "BlockChoice":
        """The block made the faster way, or not; itself where there is but one way."""
        other = self.known.other_way if self.known else None
        if other is None:
            return self
        return self.with_option(other.option, other.faster if faster else other.usual)

    def of_strips(self, strip_width: Fraction, seam: Fraction) -> "BlockChoice":
        """The block as it comes of strips so wide, if it uses strips as they are; else itself.

        Raises `BadRecipe`.
        """
        known = self.known
        if known is None:
            return self
        if known.strip_option and known.strip_option not in dict(self.options):
            return self.with_option(known.strip_option, strip_width)
        follows = known.from_strips
        if follows is None:
            return self
        return replace(self, finished=follows(self.all_options, strip_width, seam))

    def of_squares(self, side: Fraction) -> "BlockChoice":
        """The block as it comes of squares of this side, if it uses them as they come."""
        recipe = self.known
        return replace(self, square=side) if recipe and recipe.as_they_come else self

    def of_finished(self, sizes: Sequence[Size]) -> "BlockChoice":
        """The block as it comes of finished ones, measured so, if it is made of those."""
        measured = self.known.measured if self.known else None
        return replace(self, square=measured(sizes)) if measured and sizes else self

    def tally(self, seam: Fraction) -> Tally | None:
        """How whole strips are counted, if they are not counted by sets; raises `BadRecipe`."""
        counted, size = self.known.tally if self.known else None, self.size_at(seam)
        return counted(size, self.all_options, seam) if counted and size else None

    @property
    def makes_one_piece(self) -> bool:
        """Whether all that is cut becomes one whole piece."""
        return self.known is not None and self.known.whole is not None

    def made_whole(self, plan: CuttingPlan, seam: Fraction) -> "BlockChoice":
        """The block as one whole piece of all that a plan cuts."""
        known, size = self.known, self.size_at(seam)
        assert known is not None
        assert known.whole is not None
        assert size is not None
        return replace(self, whole=known.whole(plan, size, self.all_options), finished=None)

    def assembly(self, seam: Fraction) -> Assembly:
        """The block at this seam, in inches; raises `BadRecipe`."""
        if self.own is not None and self.size is not None:
            return _drawn(self.own, self.size, seam)
        return _assembled(self, seam) if self.known else self._own(seam)

    def _own(self, seam: Fraction) -> Assembly:
        if not self.pieces:
            advice = "Type at least one piece, like “4 A light 2 1/2 x 3”."
            raise BadRecipe("block.pieces", "a list of at least one piece.", advice)
        check_needs(self.pieces)
        there = {need.role for need in self.pieces}
        for place, rule in enumerate(self.rules):
            unknown = [role for role in rule.roles if role not in there]
            if unknown:
                raise BadRecipe(
                    f"block.rules[{place}].roles",
                    f"roles that a piece has; none has the role “{unknown[0]:.40}”.",
                    f"No piece uses “{unknown[0]:.40}”. This block uses "
                    f"{', '.join(sorted(there))}.",
                )
        return _of_pieces(self.pieces, self.rules, self.finished, seam)


# The same few blocks are asked for over and over, and what follows from one is kept with it.
@lru_cache(maxsize=128)
def _assembled(block: BlockChoice, seam: Fraction) -> Assembly:
    """A block of a known recipe; raises `BadRecipe`."""
    recipe, size = block.known, block.size_at(seam)
    assert recipe is not None
    assert size is not None
    if block.pieces or block.rules:
        raise BadRecipe("block.pieces", "left out: they belong to the recipe “pieces” only.")
    if min(size) <= 0:
        raise BadRecipe("block.finished", "more than 0.")
    if recipe.square and not block.whole and size[0] != size[1]:
        raise BadRecipe("block.finished", f"one number: {recipe.id} is square.")
    return recipe.assemble(size, block.all_options, seam)


@lru_cache(maxsize=64)
def _drawn(block: OwnBlock, size: Size, seam: Fraction) -> Assembly:
    """A block that is drawn on a grid; raises `BadRecipe`."""
    if min(size) <= 0:
        raise BadRecipe("block.finished", "more than 0.")
    return block.assembly(size, seam)


def _as_usual(recipe: Recipe, name: str, said: int | str) -> bool:
    """Whether an option is what it is when nothing is said; one that cannot be is not."""
    try:
        usual = recipe.options[name]
        return read_option(usual, name, said) == usual
    except (KeyError, BadRecipe):
        return False


def written_option(value: Option) -> int | str:
    """An option as it is kept."""
    if isinstance(value, bool):
        return (YES if value else NO)[0]
    if isinstance(value, tuple):
        return " x ".join(map(str, value))
    return value if isinstance(value, int) else str(value)


def _of_pieces(
    needs: Sequence[Need], rules: tuple[PrintRule, ...], finished: Size | None, seam: Fraction
) -> Assembly:
    """A block of which only the pieces are known: sewn somehow, and drawn in rows of pieces."""
    makes = [Make(need.label, CUT, (need.width, need.height), role=need.role) for need in needs]
    parts = tuple(Part(make, need.count) for make, need in zip(makes, needs, strict=True))
    shown = finished or (Fraction(1), Fraction(1))
    size = shown[0] + 2 * seam, shown[1] + 2 * seam
    block = Make("block", JOINED, size, parts, patches=tuple(shares_in_rows(needs, shown)))
    return Assembly(block, finished, rules, drawn_true=False)
