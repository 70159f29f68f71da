import type { FigureOption, FigureRecipe } from '../model'
import type { Slot } from '../figure'

/** Edits of a recipe: each returns a new one. */

type SlotEntry = NonNullable<FigureRecipe['slots'][Slot]>

function withEntry(recipe: FigureRecipe, slot: Slot, entry: SlotEntry | undefined): FigureRecipe {
  const { [slot]: _old, ...rest } = recipe.slots
  return { ...recipe, slots: entry ? { ...rest, [slot]: entry } : rest }
}

/** One more piece that may fill the slot; the first is published at once. */
export function withOption(recipe: FigureRecipe, slot: Slot, option: FigureOption): FigureRecipe {
  const entry = recipe.slots[slot]
  return withEntry(recipe, slot, { chosen: entry?.chosen ?? 0, options: [...(entry?.options ?? []), option] })
}

/** The slot publishes another of its pieces. */
export function withChosen(recipe: FigureRecipe, slot: Slot, index: number): FigureRecipe {
  const entry = recipe.slots[slot]
  return entry ? withEntry(recipe, slot, { ...entry, chosen: index }) : recipe
}

/** A piece is taken out of a slot; what was published stays so, or the one beside it follows. An empty slot goes. */
export function withoutOption(recipe: FigureRecipe, slot: Slot, index: number): FigureRecipe {
  const entry = recipe.slots[slot]
  if (!entry) return recipe
  const options = entry.options.filter((_, i) => i !== index)
  const now = entry.chosen ?? 0
  const chosen = now > index ? now - 1 : Math.min(now, options.length - 1)
  return withEntry(recipe, slot, options.length === 0 ? undefined : { chosen, options })
}

/** Tells more of a piece: how close it comes, what it is taken from, its price. */
export function withOptionTold(recipe: FigureRecipe, slot: Slot, index: number, more: Partial<FigureOption>): FigureRecipe {
  const entry = recipe.slots[slot]
  if (!entry) return recipe
  return withEntry(recipe, slot, { ...entry, options: entry.options.map((option, i) => (i === index ? { ...option, ...more } : option)) })
}
