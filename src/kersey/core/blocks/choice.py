"""The block chosen for a quilt: a recipe with its size and options, or pieces of one's own."""

from dataclasses import dataclass
from fractions import Fraction

from kersey.core.blocks.catalogue import recipes
from kersey.core.blocks.recipe import BadRecipe, CutList, Option, Options, Recipe, Size, read_option
from kersey.core.cutting.problem import Need, PrintRule

# A block of one's own, by the cut sizes of its pieces.
PIECES = "pieces"


@dataclass(frozen=True)
class BlockChoice:
    """Which block. `finished` None: the recipe's usual size; options left out: the usual ones."""

    recipe: str
    finished: Size | None = None
    options: tuple[tuple[str, Option], ...] = ()
    pieces: tuple[Need, ...] = ()
    rules: tuple[PrintRule, ...] = ()

    @property
    def known(self) -> Recipe | None:
        """The recipe; None for pieces of one's own. Raises `BadRecipe`."""
        if self.recipe == PIECES:
            return None
        recipe = recipes().get(self.recipe)
        if recipe is None:
            known = ", ".join([*recipes(), PIECES])
            raise BadRecipe("block.recipe", f"one of {known}, not “{self.recipe:.40}”.")
        return recipe

    @property
    def title(self) -> str:
        """What the block is called."""
        return self.known.title if self.known else "Own pieces"

    @property
    def size(self) -> Size | None:
        """The finished size; None when nobody has said it of one's own pieces."""
        return self.finished or (self.known.finished if self.known else None)

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
        return {**usual, **chosen}

    def cut_list(self, seam: Fraction) -> CutList:
        """What is cut for one block at this seam, in inches; raises `BadRecipe`."""
        recipe, size = self.known, self.size
        if recipe is None:
            return self._own()
        if self.pieces or self.rules:
            raise BadRecipe("block.pieces", "left out: they belong to the recipe “pieces” only.")
        assert size is not None
        if min(size) <= 0:
            raise BadRecipe("block.finished", "more than 0.")
        if recipe.square and size[0] != size[1]:
            raise BadRecipe("block.finished", f"one number: {recipe.id} is square.")
        return recipe.cut(size, self.all_options, seam)

    def _own(self) -> CutList:
        if not self.pieces:
            advice = "Write at least one piece, like “4 A light 2 1/2 x 3”."
            raise BadRecipe("block.pieces", "a list of at least one piece.", advice)
        there = {need.role for need in self.pieces}
        for place, rule in enumerate(self.rules):
            unknown = [role for role in rule.roles if role not in there]
            if unknown:
                raise BadRecipe(
                    f"block.rules[{place}].roles",
                    f"roles that a piece has; none has the role “{unknown[0]:.40}”.",
                    f"No piece is of the side “{unknown[0]:.40}”; there are "
                    f"{', '.join(sorted(there))}.",
                )
        return CutList(self.pieces, self.rules)
